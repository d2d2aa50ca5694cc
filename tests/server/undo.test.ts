/**
 * What is done and taken back at once leaves the salon exactly as it was: every row of every table, of each act that the desk
 * offers an undo for. What was done stays written in the trail, both ways.
 */
import { expect } from 'chai';
import type { Db } from '../../server/db/index.ts';
import { openRoom, type Answer, type Room } from './room.ts';

const DOG = 'demo-bollard';
const TODAY = '2031-04-09';

/** Tables that say who did what and who is at the door: an act and its undo both stand there. */
const BESIDE = /^(?:change|trail|sign_in|known_device|sqlite_)/;

/** All rows of the salon, by table: each row as text, which is quicker to hold against another than its values. */
function rowsOf(db: Db): Readonly<Record<string, readonly string[]>> {
  const tables = db
    .prepare<[], { name: string }>("SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name")
    .all()
    .filter(({ name }) => !BESIDE.test(name));
  return Object.fromEntries(
    tables.map(({ name }) => [
      name,
      db
        .prepare(`SELECT * FROM ${name} ORDER BY 1`)
        .all()
        .map((row) => JSON.stringify(row)),
    ]),
  );
}

interface Act {
  readonly what: string;
  readonly does: (room: Room) => Promise<Answer>;
  readonly undoes: (room: Room, done: Answer) => Promise<Answer>;
  /** The table in which it leaves a row. */
  readonly table: string;
}

const ACTS: readonly Act[] = [
  {
    what: 'a day off',
    does: (r) =>
      r.call('POST', '/roster/away', {
        id: 'undo-1',
        person: 'demo-runa',
        from: '2031-05-01',
        to: '2031-05-04',
        reason: 'ferry',
      }),
    undoes: (r) => r.call('DELETE', '/roster/away/undo-1'),
    table: 'absence',
  },
  {
    what: 'days on which the salon is shut',
    does: (r) =>
      r.call('POST', '/roster/away', { id: 'undo-2', person: null, from: '2031-06-01', to: '2031-06-09', reason: '' }),
    undoes: (r) => r.call('DELETE', '/roster/away/undo-2'),
    table: 'absence',
  },
  {
    what: 'two dogs that must not meet',
    does: (r) => r.call('POST', '/roster/apart', { a: DOG, b: 'demo-sisu' }),
    undoes: (r) => r.call('DELETE', `/roster/apart/${DOG}/demo-sisu`),
    table: 'dog_apart',
  },
  {
    what: 'somebody new',
    does: (r) =>
      r.call('PUT', '/roster/people/undo-person', {
        id: 'undo-person',
        name: 'Tuva',
        weekdays: [2, 4],
        from: 540,
        to: 900,
        pause: { minutes: 30, from: 660, to: 780 },
        can: ['bath', 'drying'],
        mostHeavy: 2,
        protectDb: 20,
        version: 0,
      }),
    undoes: (r) => r.call('DELETE', '/roster/people/undo-person'),
    table: 'person',
  },
  {
    what: 'a call',
    does: (r) => r.call('POST', '/calls', { id: 'undo-3', dogId: DOG, outcome: 'no-answer', offered: ['2031-04-20'] }),
    undoes: (r) => r.call('DELETE', '/calls/undo-3'),
    table: 'owner_call',
  },
  {
    what: 'a word from home',
    does: (r) =>
      r.call('POST', `/dogs/${DOG}/home-notes`, {
        id: 'undo-4',
        day: TODAY,
        what: 'brushed',
        amount: 'bowl',
        grams: 40,
        author: 'Owner',
      }),
    undoes: (r) => r.call('DELETE', '/home-notes/undo-4'),
    table: 'home_note',
  },
  {
    what: 'an event of a life',
    does: (r) =>
      r.call('POST', `/dogs/${DOG}/life-events`, { id: 'undo-5', day: '2031-02-01', kind: 'moved', outdoorShare: 0.8 }),
    undoes: (r) => r.call('DELETE', '/life-events/undo-5'),
    table: 'life_event',
  },
  {
    what: 'what a vet has said',
    does: (r) =>
      r.call('POST', `/dogs/${DOG}/vet-words`, {
        id: 'undo-vet',
        day: TODAY,
        who: 'Dr Example',
        places: ['rump'],
        findings: ['wound'],
        allows: 'not-there',
        note: 'Ten days.',
      }),
    undoes: (r) => r.call('DELETE', '/vet-words/undo-vet'),
    table: 'vet_word',
  },
  {
    what: 'a product that was bought',
    does: (r) =>
      r.call('POST', '/products/moves', { id: 'undo-6', product: 'Oat wash', day: TODAY, kind: 'bought', ml: 5000 }),
    undoes: (r) => r.call('DELETE', '/products/moves/undo-6'),
    table: 'product_move',
  },
  {
    what: 'blades that were sharpened',
    does: (r) =>
      r.call('POST', '/kit/upkeep', {
        entries: [{ id: 'undo-7', toolId: 'blade-comb', act: 'sharpened', day: TODAY }],
      }),
    undoes: (r) => r.call('DELETE', '/kit/upkeep/undo-7'),
    table: 'upkeep',
  },
  {
    what: 'a piece for the wall',
    does: (r) =>
      r.call('POST', '/kit', {
        id: 'undo-8',
        kind: 'rake',
        name: 'Spare rake',
        costCents: 1900,
        since: null,
        homeOf: null,
      }),
    undoes: (r) => r.call('DELETE', '/kit/undo-8'),
    table: 'tool',
  },
];

describe('what is taken back', () => {
  let room: Room;
  /** How the salon stands before and after each of these tests. */
  let untouched: Readonly<Record<string, readonly string[]>>;
  before(async () => {
    room = await openRoom();
    untouched = rowsOf(room.db);
  });
  const count = (table: string): unknown => room.db.prepare(`SELECT count(*) FROM ${table}`).pluck().get();
  after(() => room.close());

  for (const { what, does, undoes, table } of ACTS)
    it(`leaves everything as it was: ${what}`, async () => {
      const done = await does(room);
      expect(done.status, JSON.stringify(done.json)).to.be.oneOf([200, 201]);
      expect(count(table), `rows of ${table}`).to.equal((untouched[table]?.length ?? 0) + 1);
      const undone = await undoes(room, done);
      expect(undone.status, JSON.stringify(undone.json)).to.equal(200);
      // Taken back twice is a mistake that is said, and changes nothing.
      expect((await undoes(room, done)).status).to.be.oneOf([200, 404]);
      // It can be done again: nothing of the first time stands in its way.
      expect((await does(room)).status).to.be.oneOf([200, 201]);
      expect((await undoes(room, done)).status).to.equal(200);
      expect(rowsOf(room.db)).to.deep.equal(untouched);
    });

  it('is written down both ways: who did it, and who took it back', async () => {
    const [act] = ACTS;
    if (!act) return expect.fail('there is nothing to take back');
    const newest = async () => (await room.call('GET', '/changes')).json.changes.slice(0, 2);
    await act.undoes(room, await act.does(room));
    const [back, done] = await newest();
    expect([done.act, done.table, back.act, back.table]).to.deep.equal(['made', act.table, 'removed', act.table]);
    expect(back.who).to.equal(done.who);
  });

  it('mixed and taken back in any order leaves everything as it was', async () => {
    const done: (readonly [Act, Answer])[] = [];
    for (const act of ACTS) done.push([act, await act.does(room)]);
    // From the middle outwards: neither the order in which they were done nor the other way round.
    const order = [...done.keys()].sort((a, b) => Math.abs(a - 4.6) - Math.abs(b - 4.6));
    for (const i of order) {
      const [act, answer] = done[i] ?? expect.fail(String(i));
      expect((await act.undoes(room, answer)).status, act.what).to.equal(200);
    }
    expect(rowsOf(room.db)).to.deep.equal(untouched);
    expect(room.errors).to.deep.equal([]);
  });
});
