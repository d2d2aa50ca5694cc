/**
 * Decides what is asked for before anything else of a page runs: who is here, and what the room at this address will want. The
 * answers are on their way while the rest is still read; a room that asks for something else loses nothing.
 */
import { ask } from './data/asked.ts';

interface Want {
  readonly key: readonly string[];
  readonly path: string;
}
interface Room {
  readonly at: RegExp;
  /** Its code, where days begin in it: fetched beside the house's own, not after it. */
  readonly code?: () => Promise<unknown>;
  /** What it asks first, by the ids in its address. */
  readonly wants?: (...ids: readonly string[]) => readonly Want[];
}

const want = (key: readonly string[], path: string): Want => ({ key, path });
const dog = (id: string): Want => want(['dog', id], `/dogs/${id}`);
const tide = (): readonly Want[] => [want(['tide'], '/tide')];

const ROOMS: readonly Room[] = [
  { at: /^\/(?:desk\/(?:tide\/?)?)?$/, code: () => import('./desk/tide/TideRoom.tsx'), wants: tide },
  { at: /^\/desk\/book\/?$/, code: () => import('./desk/book/BookRoom.tsx'), wants: tide },
  {
    at: /^\/desk\/dogs\/?$/,
    code: () => import('./desk/dogs/DogsRoom.tsx'),
    wants: () => [want(['dogs'], '/dogs')],
  },
  {
    at: /^\/desk\/dogs\/(?!new\/?$)([^/]+)\/?$/,
    code: () => import('./desk/dog/DogRoom.tsx'),
    wants: (id = '') => [dog(id)],
  },
  {
    at: /^\/desk\/dogs\/([^/]+)\/check\/?$/,
    code: () => import('./desk/check/CheckRoom.tsx'),
    wants: (id = '') => [dog(id)],
  },
  {
    at: /^\/desk\/dogs\/([^/]+)\/plan\/([^/]+)\/?$/,
    code: () => import('./desk/plan/PlanRoom.tsx'),
    wants: (id = '', check = '') => [
      want(['bench', check], `/checks/${check}/bench`),
      dog(id),
      want(['salon'], '/salon'),
    ],
  },
  {
    at: /^\/desk\/tally/,
    code: () => import('./desk/tally/TallyRoom.tsx'),
    wants: () => [want(['ledger'], '/tally/ledger')],
  },
  { at: /^\/desk\/sheet/, code: () => import('./desk/daysheet/DaySheetRoom.tsx') },
  { at: /^\/desk\/day/, wants: () => [want(['day'], '/day')] },
  { at: /^\/desk\/kit\/?$/, wants: () => [want(['kit'], '/kit')] },
  { at: /^\/desk\/practice\/?$/, wants: () => [want(['practice'], '/practice')] },
  { at: /^\/desk\/practice\/(?!drills)[^/]/, code: () => import('./desk/practice/CoatRoom.tsx') },
  { at: /^\/table\/?$/, code: () => import('./table/start/TableRoom.tsx') },
  { at: /^\/table\/sessions\//, code: () => import('./table/session/SessionRoom.tsx') },
];

/** What the room at an address will ask for first. */
export const wantsAt = (pathname: string): readonly Want[] =>
  ROOMS.flatMap(({ at, wants }) => {
    const found = at.exec(pathname);
    return found && wants ? wants(...found.slice(1)) : [];
  });

ask('/me');
const { pathname } = window.location;
for (const { path } of wantsAt(pathname)) ask(path);
// Without a link the room is asked for again as it is entered, and says so.
for (const { at, code } of ROOMS) if (code && at.test(pathname)) code().catch(() => undefined);
