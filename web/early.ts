/**
 * Decides what is asked for before anything else of a page runs: who is here, and what the room at this address will want. The
 * answers are on their way while the rest is still read; a room that asks for something else loses nothing.
 */
import { ask } from './data/asked.ts';

interface Want {
  readonly key: readonly string[];
  readonly path: string;
}

/** Rooms that days begin in: their code is fetched beside the house's own, not after it. */
const ROOMS: readonly (readonly [at: RegExp, fetch: () => Promise<unknown>])[] = [
  [/^\/(desk\/(tide\/?)?)?$/, () => import('./desk/tide/TideRoom.tsx')],
  [/^\/desk\/dogs\/?$/, () => import('./desk/dogs/DogsRoom.tsx')],
  [/^\/desk\/dogs\/(?!new\/?$)[^/]+\/?$/, () => import('./desk/dog/DogRoom.tsx')],
  [/^\/desk\/dogs\/[^/]+\/check\/?$/, () => import('./desk/check/CheckRoom.tsx')],
  [/^\/desk\/dogs\/[^/]+\/plan\//, () => import('./desk/plan/PlanRoom.tsx')],
  [/^\/desk\/tally/, () => import('./desk/tally/TallyRoom.tsx')],
  [/^\/desk\/book/, () => import('./desk/book/BookRoom.tsx')],
  [/^\/desk\/sheet/, () => import('./desk/daysheet/DaySheetRoom.tsx')],
  [/^\/desk\/practice\/(?!drills)[^/]/, () => import('./desk/practice/CoatRoom.tsx')],
  [/^\/table\/?$/, () => import('./table/start/TableRoom.tsx')],
  [/^\/table\/sessions\//, () => import('./table/session/SessionRoom.tsx')],
];
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
const { pathname } = window.location;
for (const { path } of wantsAt(pathname)) ask(path);
// Without a link the room is asked for again as it is entered, and says so.
for (const [at, fetch] of ROOMS) if (at.test(pathname)) fetch().catch(() => undefined);
