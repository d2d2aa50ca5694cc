/**
 * Decides what opens without a link: the house itself, as it was built. Data is not kept here; what the table needs it
 * keeps by itself (data/kept.ts). The salon's computer is asked first for every page, so a new build is never missed.
 */
import { clientsClaim } from 'workbox-core';
import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

declare global {
  interface Window {
    /** Files of this build, put in when it is made. */
    readonly __WT_FILES: readonly (PrecacheEntry | string)[];
    skipWaiting(): Promise<void>;
  }
}

void self.skipWaiting();
clientsClaim();
cleanupOutdatedCaches();
precacheAndRoute([...self.__WT_FILES]);

const house = async ({ request }: { request: Request }): Promise<Response> => {
  try {
    return await fetch(request);
  } catch {
    return (await matchPrecache('/index.html')) ?? Response.error();
  }
};
registerRoute(new NavigationRoute(house, { denylist: [/^\/api\//] }));
