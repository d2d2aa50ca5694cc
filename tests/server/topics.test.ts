/**
 * What a write touches is told rightly: whichever answer is another after it is one that pages ask for again. Every question of the
 * API is asked before and after every write that a desk can do, in a small house.
 */
import { expect } from 'chai';
import { API, type ApiKey } from '../../contract/api.ts';
import { isStaleAfter, isWrite, type WriteKey } from '../../contract/topics.ts';
import { AS_TODAY } from '../../core/book/index.ts';
import { DEFAULT_HOUSE } from '../../core/kit/index.ts';
import { expectAsDescribed } from '../reply-schema.ts';
import { fillSmall, TANSY } from '../small-house.ts';
import { CHECK, NOW, openRoom, type Room } from './room.ts';

const EVENT = { id: 'event-t', atMs: NOW, act: { kind: 'started' } };
const VET_WORD = {
  id: 'vet-t',
  day: '2031-04-08',
  who: 'Dr Example',
  places: ['dog'],
  findings: ['lump', 'hot-spot'],
  allows: 'as-usual',
  note: '',
};
const WISH = { channel: 'mail', email: 'ada@example.org', quiet: { fromMinute: 1200, toMinute: 540 }, version: 0 };
const PERSON = {
  id: 'person-t',
  name: 'Ture',
  weekdays: [1, 2, 3],
  from: 480,
  to: 1020,
  pause: { minutes: 30, from: 690, to: 840 },
  can: ['bath', 'drying'],
  mostHeavy: 3,
  protectDb: 0,
  version: 0,
};
const HOME = {
  minutesByWeekday: [5, 5, 5, 5, 5, 5, 5],
  patienceMinutes: 10,
  beginner: false,
  severalHands: false,
  seedWalks: false,
  pins: [],
  without: [],
  note: 'on the stairs',
  version: 0,
};
const SALON = { name: 'Shed', town: 'Sund', latitudeDeg: 60, longitudeDeg: 20, timeZone: 'Europe/Mariehamn' };
const TOOL = { kind: 'pin-brush', name: 'P', costCents: null, since: null, homeOf: null };
const MARK = {
  bookingId: 'booking-a',
  stage: 0,
  person: 'demo-runa',
  place: null,
  started: 600,
  ends: 620,
  done: true,
};
const PIN = { bookingId: 'booking-a', stage: 0, person: 'demo-runa', notBefore: null };
const CSV = 'dog;owner;breed\nBramble;Nils Ek;Spitz mix\n';

/** Writes of a desk, each on what those before it left; a path where it holds ids or a question. */
/** A year that is wondered about. */
const YEAR = { id: 'year-t', name: 'Two of us', change: { ...AS_TODAY, handDays: 2 } };

const WRITES: readonly (readonly [key: WriteKey, path?: string | undefined, body?: object])[] = [
  ['POST /dogs', undefined, { id: 'dog-t', ...TANSY, name: 'Tern' }],
  ['PUT /dogs/:id', '/dogs/dog-t', { ...TANSY, name: 'Tern', weightKg: 21, version: 1 }],
  ['POST /dogs/:id/checks', '/dogs/dog-a/checks', { ...CHECK, id: 'check-t' }],
  ['PUT /dogs/:id/care', '/dogs/dog-a/care', { care: ['nails', 'ears'] }],
  [
    'PUT /dogs/:id/clip-orders',
    '/dogs/dog-a/clip-orders',
    { orders: [{ day: CHECK.day, who: 'Dr. Fenwood', why: 'surgery', zones: ['belly'] }] },
  ],
  [
    'PUT /checks/:id',
    '/checks/check-t',
    { day: CHECK.day, weightKg: 20, guardMm: { back: 60 }, zones: CHECK.zones, inspection: {}, note: 'n', version: 1 },
  ],
  ['POST /kit', undefined, { id: 'tool-t', ...TOOL }],
  ['PUT /kit/:id', '/kit/tool-t', { ...TOOL, name: 'Pins', retired: false, version: 1 }],
  [
    'POST /kit/upkeep',
    undefined,
    { entries: [{ id: 'up-t', toolId: 'tool-rake', act: 'disinfected', day: CHECK.day }] },
  ],
  ['DELETE /kit/upkeep/:id', '/kit/upkeep/up-t'],
  ['POST /sessions', undefined, { id: 'session-t', checkId: 'check-t', method: 'damp-line' }],
  ['POST /sessions/:id/events', '/sessions/session-t/events', { events: [EVENT] }],
  [
    'POST /sessions/:id/events',
    '/sessions/session-t/events',
    { events: [{ ...EVENT, id: 'e2', act: { kind: 'finished' } }] },
  ],
  ['DELETE /kit/:id', '/kit/tool-t'],
  [
    'POST /bookings',
    undefined,
    { id: 'booking-t', dogId: 'dog-b', startsAt: '2031-04-11T07:00:00Z', minutes: 60, note: '' },
  ],
  ['POST /bookings/:id/agree', '/bookings/booking-t/agree', { version: 1 }],
  ['POST /bookings/:id/unagree', '/bookings/booking-t/unagree', { version: 2 }],
  [
    'PUT /bookings/:id',
    '/bookings/booking-t',
    { startsAt: '2031-04-14T07:00:00Z', minutes: 90, note: 'n', version: 3 },
  ],
  ['POST /bookings/:id/cancel', '/bookings/booking-t/cancel', { version: 4 }],
  ['POST /bookings/:id/restore', '/bookings/booking-t/restore', { version: 5 }],
  ['POST /bookings/:id/leave', '/bookings/booking-t/leave', { version: 6 }],
  ['POST /bookings/:id/split', '/bookings/booking-t/split', { version: 7, second: 'booking-u' }],
  ['POST /bookings/tentative', undefined, { id: 'hold-t', dogId: 'dog-t', day: '2031-04-21', minutes: 60 }],
  ['POST /offers', undefined, { id: 'offer-t', dogId: 'dog-a', minutes: 60, starts: ['2031-04-22T07:00:00Z'] }],
  ['DELETE /offers/:id', '/offers/offer-t'],
  ['PUT /roster/people/:id', '/roster/people/person-t', PERSON],
  [
    'POST /roster/away',
    undefined,
    { id: 'away-t', person: null, from: '2031-04-10', to: '2031-04-10', reason: 'paint' },
  ],
  ['DELETE /roster/away/:id', '/roster/away/away-t'],
  ['POST /roster/apart', undefined, { a: 'dog-a', b: 'dog-b' }],
  ['DELETE /roster/apart/:a/:b', '/roster/apart/dog-a/dog-b'],
  [
    'PUT /dogs/:id/wish',
    '/dogs/dog-a/wish',
    { person: 'demo-runa', weekdays: [1, 4], from: 480, to: 720, mostVisits: null, household: '', version: 0 },
  ],
  ['PUT /sheet/pins', undefined, { pins: [PIN] }],
  ['DELETE /sheet/pins', '/sheet/pins?day=2031-04-10'],
  ['POST /sheet/marks', undefined, MARK],
  ['DELETE /sheet/marks/:booking/:stage', '/sheet/marks/booking-a/0'],
  ['POST /calls', undefined, { id: 'call-t', dogId: 'dog-b', outcome: 'later', offered: ['2031-04-22'] }],
  ['DELETE /calls/:id', '/calls/call-t'],
  [
    'POST /dogs/:id/home-notes',
    '/dogs/dog-a/home-notes',
    { id: 'note-t', day: '2031-04-08', what: 'brushed', amount: 'handful', grams: null, author: 'Ada' },
  ],
  ['DELETE /home-notes/:id', '/home-notes/note-t'],
  [
    'POST /dogs/:id/life-events',
    '/dogs/dog-a/life-events',
    { id: 'life-t', kind: 'moved', day: '2031-04-08', outdoorShare: 0.9 },
  ],
  ['DELETE /life-events/:id', '/life-events/life-t'],
  ['POST /dogs/:id/vet-words', '/dogs/dog-a/vet-words', VET_WORD],
  ['DELETE /vet-words/:id', '/vet-words/vet-t'],
  ['PUT /weather', undefined, { csv: '2031-04-07,4.5\n2031-04-08,5\n' }],
  ['POST /weather/station'],
  ['DELETE /weather'],
  ['PUT /dogs/:id/home', '/dogs/dog-a/home', HOME],
  ['POST /home-links', undefined, { dogIds: ['dog-a'] }],
  ['PUT /dogs/:id/post', '/dogs/dog-a/post', WISH],
  ['POST /post/run'],
  ['POST /products/moves', undefined, { id: 'move-t', product: 'Oat wash', day: CHECK.day, kind: 'bought', ml: 900 }],
  ['DELETE /products/moves/:id', '/products/moves/move-t'],
  ['POST /years', undefined, YEAR],
  ['DELETE /years/:id', '/years/year-t'],
  ['POST /practice/answers', undefined, { id: 'answer-t', card: 'condition/packed', seed: 4, answer: 'packed' }],
  ['POST /intake', undefined, { id: 'intake-t', csv: CSV, columns: { dog: 'dog', owner: 'owner', breed: 'breed' } }],
  ['DELETE /intake/:id', '/intake/intake-t'],
  ['PUT /salon', undefined, { ...SALON, house: { ...DEFAULT_HOUSE, bladeMinutes: 9 }, version: 1 }],
  [
    'POST /accounts',
    undefined,
    { id: 'key-t', name: 'Odd', login: 'odd', role: 'bather', personId: null, passphrase: 'three wet grey stones' },
  ],
  ['DELETE /roster/people/:id', '/roster/people/person-t'],
  ['PUT /devices/stand-ins', undefined, { hairG: 12 }],
  ['POST /forget', undefined, { dogId: 'dog-t' }],
];

/**
 * Every question that a page of the desk can ask, but those whose answers change by themselves: the devices, the clock, and what is
 * being learnt (the tide as learnt, and a home's page, which shows it).
 */
const READS: readonly (readonly [key: ApiKey, path?: string])[] = [
  ['GET /bench/cases'],
  ['GET /bookings'],
  ['GET /calls'],
  ['GET /changes'],
  ['GET /checks/:id', '/checks/check-t'],
  ['GET /checks/:id/bench', '/checks/check-t/bench'],
  ['GET /checks/:id/photos', '/checks/check-t/photos'],
  ['GET /checks/:id/plan', '/checks/check-t/plan'],
  ['GET /checks/:id/rankings/:zone/:method', '/checks/check-t/rankings/back/dry-first'],
  ['GET /day'],
  ['GET /dogs'],
  ...['dog-a', 'dog-b', 'dog-t'].flatMap((id): (readonly [ApiKey, string])[] => [
    ['GET /dogs/:id', `/dogs/${id}`],
    ['GET /dogs/:id/checks', `/dogs/${id}/checks`],
    ['GET /dogs/:id/log', `/dogs/${id}/log`],
    ['GET /dogs/:id/next', `/dogs/${id}/next`],
    ['GET /dogs/:id/wish', `/dogs/${id}/wish`],
  ]),
  ['GET /home-reports'],
  ['GET /intake'],
  ['GET /keys'],
  ['GET /kit'],
  ['GET /kit/coverage'],
  ['GET /me'],
  ['GET /offers'],
  ['GET /post'],
  ['GET /practice'],
  ['GET /practice/people'],
  ['GET /products'],
  ['GET /years'],
  ['GET /roster'],
  ['GET /rules'],
  ['GET /salon'],
  ['GET /sessions'],
  ['GET /sessions/:id', '/sessions/session-t'],
  ['GET /sheet', '/sheet?day=2031-04-10'],
  ['GET /tally'],
  ['GET /tally/ledger'],
  ['GET /tide'],
  ['GET /weather'],
];
const pathOf = (key: string, path: string | undefined): string => path ?? key.slice(key.indexOf(' ') + 1);

describe('what a write touches', () => {
  let room: Room;
  before(async () => {
    room = await openRoom({ demo: false });
    fillSmall(room.stores, NOW);
    room.setClock(NOW);
    // Each dog is learnt at once after a write; their town follows in its time, which no write is to be held against.
    room.tide.atOnce = async () => undefined;
  });
  after(() => room.close());

  const answers = async (): Promise<ReadonlyMap<ApiKey, string>> => {
    const all = new Map<ApiKey, string>();
    await room.tide.onesSettled();
    for (const [key, path] of READS) {
      const { status, text, json } = await room.call('GET', pathOf(key, path));
      if (status === 200) expectAsDescribed(key, json);
      all.set(key, `${all.get(key) ?? ''} ${status} ${text}`);
    }
    return all;
  };

  it('is every answer that is another after it', async () => {
    await answers();
    let before = await answers();
    const restless = [...(await answers())].flatMap(([key, text]) => (text === before.get(key) ? [] : [key]));
    expect(restless, 'nothing changes by itself').to.deep.equal([]);
    const changed = new Map<string, number>();
    for (const [key, path, body] of WRITES) {
      const [method = ''] = key.split(' ');
      const answer = await room.call(method, pathOf(key, path), body);
      expect(answer.status, `${key} ${answer.text}`).to.be.within(200, 202);
      expectAsDescribed(key, answer.json);
      const after = await answers();
      const others = [...after].flatMap(([read, text]) => (text === before.get(read) ? [] : [read]));
      for (const read of others) expect(isStaleAfter(read, key), `${read} after ${key}`).to.equal(true);
      changed.set(key, (changed.get(key) ?? 0) + others.length);
      before = after;
    }
    const idle = [...changed].filter(([, n]) => n === 0).map(([key]) => key);
    expect(idle, 'what changes nothing shows nothing').to.deep.equal(['PUT /devices/stand-ins']);
  });

  it('is tried for every write that pages of the desk send as such', () => {
    const tried = new Set(WRITES.map(([key]) => key));
    const others = Object.keys(API).filter((key) => isWrite(key) && !tried.has(key));
    // The door forgets all it knew, a phone has a page of its own, photos and sessions are told by hand, files and devices go by themselves.
    const apart =
      /owner|sign|hand-over|lock|\/me\/|first-owner|salon$|photo|backups|exports|tare|read$|station|practice\/bouts|accounts\/|post\/:id|home-links\/|home-reports/;
    expect(others.filter((key) => !apart.test(key))).to.deep.equal([]);
  });

  it('is less than everything for most', () => {
    expect(isWrite('POST /dogs')).to.equal(true);
    expect(isWrite('POST /house/preview'), 'only asks').to.equal(false);
    const reads = new Set(READS.map(([key]) => key));
    const stale = (write: WriteKey): number => [...reads].filter((read) => isStaleAfter(read, write)).length;
    expect(stale('POST /products/moves')).to.be.at.most(5);
    expect(stale('POST /practice/answers')).to.be.at.most(5);
    expect(stale('POST /accounts')).to.be.at.most(5);
    expect(stale('POST /forget')).to.be.above(25);
  });
});
