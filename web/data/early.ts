/**
 * Decides what is asked for as soon as the page's script runs: who is here, and what the room at this address will want. It is on
 * its way while the room itself is still being fetched; a room that asks for something else loses nothing.
 */
import type { QueryClient } from '@tanstack/react-query';
import { api } from './client.ts';
import { askMe, ME_KEY } from './door.ts';

const WANTS: readonly (readonly [at: RegExp, key: readonly string[], path: string])[] = [
  [/^\/desk\/dogs\/?$/, ['dogs'], '/dogs'],
  [/^\/(desk\/(tide|book)\/?)?$/, ['tide'], '/tide'],
  [/^\/desk\/day/, ['day'], '/day'],
  [/^\/desk\/tally/, ['ledger'], '/tally/ledger'],
  [/^\/desk\/kit\/?$/, ['kit'], '/kit'],
  [/^\/desk\/practice\/?$/, ['practice'], '/practice'],
];

export function askEarly(queries: QueryClient, pathname: string): void {
  void queries.fetchQuery({ queryKey: ME_KEY, queryFn: askMe }).then(
    ({ account, locked }) => {
      if (!account || locked) return;
      for (const [at, key, path] of WANTS)
        if (at.test(pathname)) void queries.prefetchQuery({ queryKey: key, queryFn: () => api<object>('GET', path) });
    },
    // Whoever shows the door asks again, and says what is wrong.
    () => undefined,
  );
}
