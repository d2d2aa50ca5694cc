/** Every room of the house by its address, for tests that go through all of them. */
import { expect } from 'chai';
import { generatePath } from 'react-router';
import { PAGES } from '../../web/pages.ts';
import type { Stage } from './stage.ts';

/** Addresses that depend on what is in the house. */
export interface Rooms {
  readonly plan: string;
  readonly note: string;
  readonly session: string;
  /** A visit that is to come. */
  readonly visit: string;
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
    visit: `/desk/calendar/visits/${stage.stores.bookings.between(new Date().toISOString(), '9999')[0]?.id ?? ''}`,
  };
}

const JUNIPER = { dogId: 'demo-juniper' };
/** What stands for the ids in an address; of some pages, other ids and a state that shows more. */
const examplesOf = ({ plan, session, note, visit }: Rooms): Readonly<Record<string, string>> => ({
  '/desk/tide': '/desk/tide?dog=demo-bollard',
  '/desk/rules': '/desk/rules?rule=warn-rake',
  '/desk/dogs/:dogId/check': generatePath('/desk/dogs/:dogId/check', JUNIPER),
  '/desk/dogs/:dogId/plan/:checkId': `${plan}?zone=ruff.left`,
  '/desk/dogs/:dogId/sheet/:checkId': plan.replace('/plan/', '/sheet/'),
  '/desk/dogs/:dogId/note/:checkId': note,
  '/table/sessions/:sessionId': session,
  '/table/dogs/:dogId/plan/:checkId': plan.replace('/desk/', '/table/'),
  '/desk/calendar/visits/:bookingId': visit,
});
const IDS = {
  dogId: 'demo-bollard',
  toolId: 'force-dryer',
  caseId: 'line-brushing',
  sessionId: 'demo-bollard-session-1',
};
/** Pages in states of their own, and where no page is. */
const MORE: readonly (readonly [string, string])[] = [
  ['a record', '/table/sessions/demo-bollard-session-1'],
  ['a strip for the wall', '/home/demo-rowan?as=strip'],
  ['a report as a table', '/desk/reports?show=income&by=person&as=table'],
  ['nothing', '/desk/attic'],
];

/** Every page of the house and its views, each with its address in the demo. */
export const ROOM_LIST: readonly (readonly [string, (rooms: Rooms) => string])[] = [
  ...PAGES.flatMap(({ path, title, views = [] }) => [
    [title, (rooms: Rooms) => examplesOf(rooms)[path] ?? generatePath(path, IDS)] as const,
    ...views.map((v) => [v.title, () => `${path}?${v.search}`] as const),
  ]),
  ...MORE.map(([name, path]) => [name, () => path] as const),
];
/** The same with their addresses filled in. */
export const ROOMS = (rooms: Rooms): readonly (readonly [string, string])[] =>
  ROOM_LIST.map(([name, path]) => [name, path(rooms)]);
