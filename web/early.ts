/**
 * Decides what is asked for before anything else of a page runs: who is here, and what the room at this address will want. The
 * answers are on their way while the rest is still read; a room that asks for something else loses nothing.
 */
import { ask } from './data/asked.ts';

interface Want {
  readonly key: readonly string[];
  readonly path: string;
}
const WANTS: readonly (readonly [at: RegExp, want: (id: string) => Want])[] = [
  [/^\/desk\/dogs\/?$/, () => ({ key: ['dogs'], path: '/dogs' })],
  [/^\/(desk\/(tide|book)\/?)?$/, () => ({ key: ['tide'], path: '/tide' })],
  [/^\/desk\/day/, () => ({ key: ['day'], path: '/day' })],
  [/^\/desk\/tally/, () => ({ key: ['ledger'], path: '/tally/ledger' })],
  [/^\/desk\/kit\/?$/, () => ({ key: ['kit'], path: '/kit' })],
  [/^\/desk\/practice\/?$/, () => ({ key: ['practice'], path: '/practice' })],
  [/^\/desk\/dogs\/(?!new\/?$)([^/]+)(?:\/check)?\/?$/, (id) => ({ key: ['dog', id], path: `/dogs/${id}` })],
  [/^\/desk\/dogs\/[^/]+\/plan\/([^/]+)\/?$/, (id) => ({ key: ['bench', id], path: `/checks/${id}/bench` })],
  [/^\/desk\/dogs\/([^/]+)\/plan\/[^/]+\/?$/, (id) => ({ key: ['dog', id], path: `/dogs/${id}` })],
  [/^\/desk\/dogs\/[^/]+\/plan\/[^/]+\/?$/, () => ({ key: ['salon'], path: '/salon' })],
];

/** What the room at an address will ask for first. */
export const wantsAt = (pathname: string): readonly Want[] =>
  WANTS.flatMap(([at, want]) => {
    const found = at.exec(pathname);
    return found ? [want(found[1] ?? '')] : [];
  });

ask('/me');
for (const { path } of wantsAt(window.location.pathname)) ask(path);
