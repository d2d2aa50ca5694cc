/**
 * What is taken off a device when the person who was signed in leaves it: everything that names clients and has reached the salon's
 * computer. Acts and photos that still wait to be sent stay; the person who is signed in next sends them.
 */
import { delMany, keys } from 'idb-keyval';
import { forgetRecent } from '../app/recent.ts';
import { forgetMe, forgetSentSessions } from './kept.ts';
import { forgetLastSeen } from './last-seen.ts';

/** What the tide's worker came to is kept under such keys (work/useTide.ts). */
const TIDE_KEYS = 'tide';
async function forgetTide(): Promise<void> {
  const all = await keys();
  await delMany(all.filter((key) => String(key).startsWith(TIDE_KEYS)));
}

export async function forgetPeople(): Promise<void> {
  forgetRecent();
  // A device that keeps nothing has nothing to forget.
  await Promise.allSettled([forgetLastSeen(), forgetTide(), forgetSentSessions(), forgetMe()]);
}
