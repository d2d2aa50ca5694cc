/**
 * What a desk shows that starts without a link: rooms as they were last seen on this device, for some days, by whoever
 * was in last. Written some moments after something new was read; gone with the person who signs out.
 */
import { dehydrate, hydrate, type DehydratedState, type Query, type QueryClient } from '@tanstack/react-query';
import { del, get, set } from 'idb-keyval';
import type { ReadKey } from '../../contract/topics.ts';

const KEY = 'woolly-tide.last-seen';
const MOST_DAYS = 5;
const DAY_MS = 86_400_000;
const WAIT_MS = 2_000;
/** What is worth having without a link; the rest is large, quickly old, or the owner's alone. */
const KEEPS: ReadonlySet<unknown> = new Set<ReadKey>([
  'GET /dogs',
  'GET /dogs/:id',
  'GET /day',
  'GET /salon',
  'GET /kit',
  'GET /rules',
  'GET /roster',
  'GET /sheet',
  'GET /bookings',
  'GET /checks/:id',
  'GET /dogs/:id/next',
  'GET /dogs/:id/home',
  'GET /checks/:id/bench',
  'GET /practice',
  'GET /calls',
  'GET /home-reports',
]);

interface Kept {
  readonly atMs: number;
  readonly state: DehydratedState;
}

const keeps = ({ queryKey, state }: Query): boolean => state.status === 'success' && KEEPS.has(queryKey[0]);

/** Puts what was last seen into a memory, where that has nothing newer; a device that keeps nothing adds nothing. */
export async function showLastSeen(queries: QueryClient, nowMs: number): Promise<void> {
  try {
    const kept = await get<Kept>(KEY);
    if (!kept || nowMs - kept.atMs >= MOST_DAYS * DAY_MS) return;
    hydrate(queries, kept.state);
    // However young it is, it is only what was last seen: each room asks again as it opens.
    await queries.invalidateQueries({ refetchType: 'none', predicate: (q) => q.state.dataUpdatedAt <= kept.atMs });
  } catch {
    // Without a store there is nothing to show.
  }
}

let timer: ReturnType<typeof setTimeout> | undefined;

/** Keeps what is read from now on. */
export function keepLastSeen(queries: QueryClient): void {
  const soon = (): void => {
    timer ??= setTimeout(() => {
      timer = undefined;
      const kept: Kept = { atMs: Date.now(), state: dehydrate(queries, { shouldDehydrateQuery: keeps }) };
      void set(KEY, kept).catch(() => undefined);
    }, WAIT_MS);
  };
  queries.getQueryCache().subscribe(({ type, query }) => {
    if ((type === 'updated' || type === 'removed') && KEEPS.has(query.queryKey[0])) soon();
  });
}

/** Forgets it, what was about to be written as well. */
export function forgetLastSeen(): Promise<void> {
  clearTimeout(timer);
  timer = undefined;
  return del(KEY).catch(() => undefined);
}
