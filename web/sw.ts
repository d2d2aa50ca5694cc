/**
 * What opens without a link: the house itself, as it was built, and apart from it an owner's few files. Data is not
 * kept here; pages keep what they need themselves (data/kept.ts, owner/store.ts). The salon's computer is asked first for every page, so a new build is never missed.
 */
import { clientsClaim } from 'workbox-core';
import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

declare global {
  interface Window {
    /** Files of this build, put in when it is made. */
    readonly __WT_FILES: readonly (PrecacheEntry | string)[];
    readonly __WT_OWNER_FILES: readonly (PrecacheEntry | string)[];
    readonly registration: { readonly scope: string };
    skipWaiting(): Promise<void>;
  }
}

void self.skipWaiting();
clientsClaim();
cleanupOutdatedCaches();
const forOwner = new URL(self.registration.scope).pathname.startsWith('/o');
precacheAndRoute(forOwner ? [...self.__WT_OWNER_FILES] : [...self.__WT_FILES]);

const house = async ({ request }: { request: Request }): Promise<Response> => {
  try {
    return await fetch(request);
  } catch {
    return (await matchPrecache(forOwner ? '/owner.html' : '/index.html')) ?? Response.error();
  }
};
registerRoute(new NavigationRoute(house, { denylist: forOwner ? [] : [/^\/api\//, /^\/o(\/|$)/] }));
