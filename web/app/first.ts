/**
 * Decides what each room needs first: the answers that its first look is made of, and its code, where days begin in it. Who
 * opens a page asks for all of it at once; the salon's computer makes first pages out of the same answers.
 */
import type { QueryClient } from '@tanstack/react-query';
import type { MePage } from '../../contract/account.ts';
import type { DogPage } from '../../contract/dog.ts';

/** Under which who is here is kept in mind. */
export const ME_KEY = ['me'] as const;

export interface Want {
  readonly key: readonly (string | undefined)[];
  readonly path: string;
}
interface Room {
  readonly at: RegExp;
  /** Its code, where days begin in it: fetched beside the house's own, not after it. */
  readonly code?: () => Promise<unknown>;
  /** What it asks first, by the ids in its address. */
  readonly wants?: (...ids: readonly string[]) => readonly Want[];
  /** What only those answers name. */
  readonly then?: (known: Pick<QueryClient, 'getQueryData'>, ...ids: readonly string[]) => readonly Want[];
}

const want = (key: Want['key'], path: string): Want => ({ key, path });
const dog = (id: string): Want => want(['dog', id], `/dogs/${id}`);
const check = (id: string): Want => want(['check', id], `/checks/${id}`);
const salon = want(['salon'], '/salon');
const tide = [want(['tide'], '/tide'), want(['tide-learnt'], '/tide/learnt')];
const cases = want(['bench-cases'], '/bench/cases');

/** The dog's newest check, which only the dog's page names, with what hangs on it. */
const newest =
  (...hanging: readonly ((checkId: string) => Want)[]): NonNullable<Room['then']> =>
  (known, id = '') => {
    const last = known.getQueryData<DogPage>(dog(id).key)?.checks[0]?.id;
    return last === undefined ? [] : [check, ...hanging].map((of) => of(last));
  };

const ROOMS: readonly Room[] = [
  { at: /^\/(?:desk\/?)?$/, code: () => import('../desk/tide/TideRoom.tsx') },
  { at: /^\/desk\/tide\/?$/, code: () => import('../desk/tide/TideRoom.tsx'), wants: () => [...tide, salon] },
  {
    at: /^\/desk\/book\/?$/,
    code: () => import('../desk/book/BookRoom.tsx'),
    wants: () => [...tide, salon, want(['bookings'], '/bookings'), want(['calls'], '/calls')],
  },
  {
    at: /^\/desk\/dogs\/?$/,
    code: () => import('../desk/dogs/DogsRoom.tsx'),
    wants: () => [want(['dogs'], '/dogs')],
  },
  {
    at: /^\/desk\/dogs\/(?!new\/?$)([^/]+)\/?$/,
    code: () => import('../desk/dog/DogRoom.tsx'),
    wants: (id = '') => [dog(id), salon],
    then: newest((checkId) => want(['photos', checkId], `/checks/${checkId}/photos`)),
  },
  {
    at: /^\/desk\/dogs\/([^/]+)\/check\/?$/,
    code: () => import('../desk/check/CheckRoom.tsx'),
    wants: (id = '') => [dog(id)],
    // A check is felt beside the one before.
    then: newest(),
  },
  {
    at: /^\/desk\/dogs\/([^/]+)\/plan\/([^/]+)\/?$/,
    code: () => import('../desk/plan/PlanRoom.tsx'),
    wants: (id = '', checkId = '') => [want(['bench', checkId], `/checks/${checkId}/bench`), dog(id), salon],
  },
  {
    at: /^\/desk\/tally\/?$/,
    code: () => import('../desk/tally/TallyRoom.tsx'),
    wants: () => [want(['ledger'], '/tally/ledger')],
  },
  {
    at: /^\/desk\/sheet\/?$/,
    code: () => import('../desk/daysheet/DaySheetRoom.tsx'),
    wants: () => [want(['sheet', undefined], '/sheet'), salon],
  },
  { at: /^\/desk\/day\/?$/, wants: () => [want(['day'], '/day'), want(['products'], '/products'), salon] },
  { at: /^\/desk\/kit\/?$/, wants: () => [want(['kit'], '/kit'), want(['dogs'], '/dogs')] },
  { at: /^\/desk\/practice\/?$/, wants: () => [want(['practice'], '/practice'), cases] },
  {
    at: /^\/desk\/practice\/past-[^/]+\/?$/,
    code: () => import('../desk/practice/CoatRoom.tsx'),
    wants: () => [cases],
  },
  {
    at: /^\/desk\/practice\/(?!drills|past-)[^/]+\/?$/,
    code: () => import('../desk/practice/CoatRoom.tsx'),
    // Its coat is drawn by the address alone.
    wants: () => [],
  },
  {
    at: /^\/table\/?$/,
    code: () => import('../table/start/TableRoom.tsx'),
    wants: () => [want(['sessions'], '/sessions')],
  },
  { at: /^\/table\/sessions\//, code: () => import('../table/session/SessionRoom.tsx') },
];

interface Here {
  readonly room: Room;
  readonly ids: readonly string[];
}
const roomsAt = (pathname: string): readonly Here[] =>
  ROOMS.flatMap((room) => {
    const found = room.at.exec(pathname);
    return found ? [{ room, ids: found.slice(1) }] : [];
  });

/** What the room at an address will ask for first, by its address alone. */
export const wantsAt = (pathname: string): readonly Want[] =>
  roomsAt(pathname).flatMap(({ room, ids }) => room.wants?.(...ids) ?? []);

/** Puts in mind what the room at an address needs first and is not there yet. */
export const learnRest = (mind: QueryClient, pathname: string, answer: (path: string) => Promise<object>) =>
  learn(
    mind,
    wantsAt(pathname).filter(({ key }) => mind.getQueryData(key) === undefined),
    answer,
  );

const learn = (
  mind: QueryClient,
  wants: readonly Want[],
  answer: (path: string) => Promise<object>,
): Promise<unknown> =>
  Promise.all(wants.map(({ key, path }) => mind.prefetchQuery({ queryKey: key, queryFn: () => answer(path) })));

/** Fetches the code of the room at an address; without a link it is asked for again as the room is entered, which says so. */
export function codeAt(pathname: string): void {
  for (const { room } of roomsAt(pathname)) room.code?.().catch(() => undefined);
}

/** Puts in mind who is here and what the room at an address needs first, where whoever is here may have it. */
export async function learnFirst(
  mind: QueryClient,
  pathname: string,
  me: () => Promise<MePage>,
  answer: (path: string) => Promise<object>,
): Promise<MePage> {
  const who = await mind.fetchQuery({ queryKey: ME_KEY, queryFn: me });
  if (!who.account || who.locked) return who;
  for (const { room, ids } of roomsAt(pathname)) {
    await learn(mind, room.wants?.(...ids) ?? [], answer);
    await learn(mind, room.then?.(mind, ...ids) ?? [], answer);
  }
  return who;
}

/** Is the first look at an address made of answers that are asked for by its address alone. */
export const isMadeOfAnswers = (pathname: string): boolean =>
  roomsAt(pathname).some(({ room }) => room.wants !== undefined);
