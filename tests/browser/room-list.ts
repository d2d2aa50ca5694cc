/** Every room of the house by its address, for tests that go through all of them. */
import { expect } from 'chai';
import type { Stage } from './stage.ts';

/** Addresses that depend on what is in the house. */
export interface Rooms {
  readonly plan: string;
  readonly note: string;
  readonly session: string;
}

/** Opens a session so that there is one to look at, and finds the newest checks. */
export async function roomsOf(stage: Stage, sessionId: string): Promise<Rooms> {
  const check = stage.stores.checks.latestOf('demo-kelda');
  const answer = await fetch(`${stage.base}/api/sessions`, {
    method: 'POST',
    headers: stage.headers,
    body: JSON.stringify({ id: sessionId, checkId: check?.id, method: 'wet-first' }),
  });
  expect(answer.status).to.equal(201);
  return {
    plan: `/desk/dogs/demo-kelda/plan/${check?.id ?? ''}`,
    note: `/desk/dogs/demo-juniper/note/${stage.stores.checks.latestOf('demo-juniper')?.id ?? ''}`,
    session: `/table/sessions/${sessionId}`,
  };
}

export const ROOM_LIST: readonly (readonly [string, (rooms: Rooms) => string])[] = [
  ['the tide', () => '/desk/tide?dog=demo-bollard'],
  ['a dog’s tide', () => '/desk/dogs/demo-bollard/tide'],
  ['Dogs', () => '/desk/dogs'],
  ['a dog', () => '/desk/dogs/demo-bollard'],
  ['a dog’s home', () => '/desk/dogs/demo-bollard/home'],
  ['what homes found', () => '/desk/homes'],
  ['reminders to homes', () => '/desk/post'],
  ['a new dog', () => '/desk/dogs/new'],
  ['the coat check', () => '/desk/dogs/demo-juniper/check'],
  ['a plan, asked why', ({ plan }) => `${plan}?zone=ruff.left`],
  ['the bench sheet', ({ plan }) => plan.replace('/plan/', '/sheet/')],
  ['the note for owner and vet', ({ note }) => note],
  ['Bench', () => '/desk/bench'],
  ['the next date', () => '/desk/dogs/demo-bollard/next'],
  ['Today', () => '/desk/day'],
  ['the sheet', () => '/desk/sheet'],
  ['Staff', () => '/desk/staff'],
  ['the wall', () => '/table/wall'],
  ['Ahead', () => '/desk/ahead'],
  ['Kit', () => '/desk/kit'],
  ['a piece', () => '/desk/kit/force-dryer'],
  ['Rules', () => '/desk/rules?rule=warn-rake'],
  ['House rules', () => '/desk/house'],
  ['the tally', () => '/desk/tally'],
  ['practice', () => '/desk/practice'],
  ['a practice coat', () => '/desk/practice/line-brushing'],
  ['questions asked again', () => '/desk/practice/drills'],
  ['the table', () => '/table'],
  ['scale and meters', () => '/table/devices'],
  ['a session', ({ session }) => session],
  ['a record', () => '/table/sessions/demo-bollard-session-1'],
  ['a visit, for the owner', () => '/home/demo-bollard/visits/demo-bollard-session-1'],
  ['Home', () => '/home'],
  ['a home card', () => '/home/demo-bollard'],
  ['a strip for the wall', () => '/home/demo-rowan?as=strip'],
  ['you', () => '/desk/you'],
  ['Keys', () => '/desk/keys'],
  ['Safe', () => '/desk/safe'],
  ['Changes', () => '/desk/changes'],
  ['clients brought in', () => '/desk/intake'],
  ['first steps', () => '/desk/start'],
  ['help', () => '/desk/help'],
  ['what the log has taught', () => '/desk/tally?view=taught'],
  ['the tally as a table', () => '/desk/tally?show=income&by=person&as=table'],
  ['nothing', () => '/desk/attic'],
];
/** The same with their addresses filled in. */
export const ROOMS = (rooms: Rooms): readonly (readonly [string, string])[] =>
  ROOM_LIST.map(([name, path]) => [name, path(rooms)]);
