/** Bad input to every route: 4xx, one shape, a sentence, nothing written, never a 5xx. */
import { expect } from 'chai';
import { AS_TODAY } from '../../core/book/index.ts';
import { DEFAULT_HOUSE } from '../../core/kit/index.ts';
import { jpegOf } from '../picture.ts';
import { dump, openRoom, CHECK, DOG, NOW, type Room } from './room.ts';

const EVENT = { id: 'bad-ev', atMs: NOW, act: { kind: 'started' } };
const BOOKING = { id: 'bad-b', dogId: 'demo-bollard', startsAt: '2031-05-09T07:30:00Z', minutes: 60, note: '' };

const TOOL = { kind: 'rake', name: 'r', costCents: null, since: null, homeOf: null };
const UPKEEP = { id: 'bad-u', toolId: 'long-rake', act: 'disinfected', day: '2031-04-09' };
const POST_WISH = { channel: 'off', email: '', quiet: { fromMinute: 1200, toMinute: 540 } };

/** Every route that takes a body: method, path, a good body, and a changed field with what it should say. */
const WRITES: readonly {
  readonly method: string;
  readonly path: string;
  readonly good: object;
  readonly faults: readonly (readonly [object, string])[];
}[] = [
  {
    method: 'POST',
    path: '/products/moves',
    good: { id: 'bad-m', product: 'Oat wash', day: '2031-04-09', kind: 'mixed', ml: 120 },
    faults: [
      [{ ml: -1 }, 'ml'],
      [{ ml: '120' }, 'ml'],
      [{ kind: 'spilt' }, 'kind'],
      [{ product: '' }, 'product'],
      [{ day: '2031-02-30' }, 'day'],
    ],
  },
  {
    method: 'PUT',
    path: '/dogs/demo-bollard/home',
    good: {
      minutesByWeekday: [5, 5, 5, 5, 5, 5, 5],
      patienceMinutes: 10,
      beginner: false,
      severalHands: false,
      seedWalks: false,
      pins: [],
      without: [],
      note: '',
      version: 0,
    },
    faults: [
      [{ minutesByWeekday: [5, 5] }, 'minutesByWeekday'],
      [{ patienceMinutes: 0 }, 'patienceMinutes'],
      [{ pins: ['wing'] }, 'pins.0'],
      [{ without: ['chainsaw'] }, 'without.0'],
      [{ version: -1 }, 'version'],
    ],
  },
  {
    method: 'PUT',
    path: '/dogs/demo-bollard/post',
    good: { ...POST_WISH, version: 0 },
    faults: [
      [{ channel: 'pigeon' }, 'channel'],
      [{ email: 'nowhere' }, 'email'],
      [{ channel: 'mail', email: '' }, 'email'],
      [{ quiet: { fromMinute: 1440, toMinute: 0 } }, 'quiet.fromMinute'],
      [{ quiet: { fromMinute: 0.5, toMinute: 0 } }, 'quiet.fromMinute'],
      [{ version: -1 }, 'version'],
    ],
  },
  {
    method: 'POST',
    path: '/home-links',
    good: { dogIds: ['demo-bollard'] },
    faults: [
      [{ dogIds: [] }, 'dogIds'],
      [{ dogIds: 'demo-bollard' }, 'dogIds'],
      [{ dogIds: ['demo-bollard', 'demo-bollard'] }, 'dogIds.1'],
    ],
  },
  {
    method: 'POST',
    path: '/dogs',
    good: { id: 'bad-dog', ...DOG },
    faults: [
      [{ id: 'a b' }, 'id'],
      [{ name: '' }, 'name'],
      [{ weightKg: '18' }, 'weightKg'],
      [{ weightKg: -1 }, 'weightKg'],
      [{ born: '2031-02-30' }, 'born'],
      [{ coatClass: 'velvet' }, 'coatClass'],
      [{ traits: ['brave'] }, 'traits.0'],
      [{ owner: { name: 'A' } }, 'owner.phone'],
      [{ surprise: 1 }, 'surprise'],
    ],
  },
  {
    method: 'PUT',
    path: '/dogs/demo-bollard',
    good: { ...DOG, version: 1 },
    faults: [
      [{ version: 0 }, 'version'],
      [{ sex: 7 }, 'sex'],
    ],
  },
  {
    method: 'POST',
    path: '/dogs/demo-bollard/checks',
    good: { ...CHECK, id: 'bad-check' },
    faults: [
      [{ zones: { wing: { finger: 1 } } }, 'zones.wing'],
      [{ zones: { back: { finger: 5 } } }, 'zones.back.finger'],
      [{ zones: { back: {} } }, 'zones.back'],
      [{ guardMm: { back: 0 } }, 'guardMm.back'],
      [{ inspection: { eyes: 'blue' } }, 'inspection.eyes'],
      [{ day: 'yesterday' }, 'day'],
      [{ id: 'a b' }, 'id'],
      [{ weightKg: null }, 'weightKg'],
    ],
  },
  {
    method: 'PUT',
    path: '/checks/demo-bollard-check-1',
    good: { day: CHECK.day, weightKg: 20, guardMm: {}, zones: {}, inspection: {}, note: '', version: 1 },
    faults: [
      [{ version: 'one' }, 'version'],
      [{ note: 4 }, 'note'],
    ],
  },
  {
    method: 'POST',
    path: '/sessions',
    good: { id: 'bad-s', checkId: 'demo-bollard-check-1', method: 'dry-first' },
    faults: [
      [{ method: 'upside-down' }, 'method'],
      [{ checkId: 3 }, 'checkId'],
    ],
  },
  {
    method: 'POST',
    path: '/sessions/demo-bollard-session-1/events',
    good: { events: [EVENT] },
    faults: [
      [{ events: [] }, 'events'],
      [{ events: [{ ...EVENT, act: { kind: 'danced' } }] }, 'events.0.act.kind'],
      [{ events: [{ ...EVENT, act: { kind: 'weighed', step: 'bath/x' } }] }, 'events.0.act.grams'],
      [{ events: [{ ...EVENT, act: { kind: 'weighed', step: 'bath/x', grams: -3 } }] }, 'events.0.act.grams'],
      [{ events: [{ ...EVENT, act: { kind: 'comb', zone: 'wing', result: 'glides' } }] }, 'events.0.act.zone'],
      [{ events: [{ ...EVENT, act: 'started' }] }, 'events.0.act'],
      [{ events: [{ ...EVENT, act: { kind: 'step', step: 3 } }] }, 'events.0.act.step'],
      [{ events: [{ ...EVENT, act: { kind: 'met', zone: 'back', skin: 'blue' } }] }, 'events.0.act.skin'],
      [{ events: [{ ...EVENT, act: { kind: 'dog-weighed', kg: 900 } }] }, 'events.0.act.kg'],
      [{ events: [{ ...EVENT, act: { kind: 'handed', step: 'x', to: '' } }] }, 'events.0.act.to'],
      [
        { events: [{ ...EVENT, act: { kind: 'felt', zone: 'back', findings: { finger: 9 } } }] },
        'events.0.act.findings.finger',
      ],
      [{ events: [{ ...EVENT, act: { kind: 'undone', of: [] } }] }, 'events.0.act.of'],
      [
        { events: [{ ...EVENT, act: { kind: 'corrected', of: 'x', act: { kind: 'weighed', step: 'x' } } }] },
        'events.0.act.act.grams',
      ],
      [
        { events: [{ ...EVENT, act: { kind: 'replanned', because: { code: 'bored' }, steps: [] } }] },
        'events.0.act.because.code',
      ],
      [
        {
          events: [
            { ...EVENT, act: { kind: 'replanned', because: { code: 'late', minutes: 5 }, steps: [{ id: 'x' }] } },
          ],
        },
        'events.0.act.steps.0.phase',
      ],
      [{ events: [{ ...EVENT, device: 'my tablet' }] }, 'events.0.device'],
      [{ events: [{ ...EVENT, atMs: 1.5 }] }, 'events.0.atMs'],
      [{ events: [EVENT, { id: 'x' }] }, 'events.1.atMs'],
      [{ events: Array.from({ length: 501 }, (_, i) => ({ ...EVENT, id: `e${i}` })) }, 'events'],
    ],
  },
  {
    method: 'PUT',
    path: '/devices/stand-ins',
    good: { hairG: 30 },
    faults: [
      [{ hairG: -1 }, 'hairG'],
      [{ dbA: 'loud' }, 'dbA'],
      [{ kettle: true }, 'kettle'],
    ],
  },
  {
    method: 'POST',
    path: '/bookings',
    good: BOOKING,
    faults: [
      [{ startsAt: '2031-05-09' }, 'startsAt'],
      [{ startsAt: '2031-02-30T07:30:00Z' }, 'startsAt'],
      [{ minutes: 5 }, 'minutes'],
      [{ dogId: 'nobody' }, 'id'],
    ],
  },
  {
    method: 'PUT',
    path: '/bookings/demo-booking-1',
    good: { startsAt: BOOKING.startsAt, minutes: 60, note: '', version: 1 },
    faults: [[{ minutes: 1e9 }, 'minutes']],
  },
  {
    method: 'POST',
    path: '/bookings/demo-booking-1/cancel',
    good: { version: 1 },
    faults: [[{ version: null }, 'version']],
  },
  {
    method: 'POST',
    path: '/kit',
    good: { id: 'bad-t', ...TOOL },
    faults: [
      [{ kind: 'shovel' }, 'kind'],
      [{ pinMm: 900 }, 'pinMm'],
      [{ dbA: 'loud' }, 'dbA'],
      [{ nozzles: ['trumpet'] }, 'nozzles.0'],
      [{ since: '2031-02-30' }, 'since'],
      [{ homeOf: 'nobody' }, 'homeOf'],
      [{ kind: 'blade-comb', homeOf: 'demo-bollard' }, 'kind'],
    ],
  },
  {
    method: 'PUT',
    path: '/kit/long-rake',
    good: { ...TOOL, retired: false, version: 1 },
    faults: [
      [{ retired: 'yes' }, 'retired'],
      [{ costCents: -1 }, 'costCents'],
    ],
  },
  {
    method: 'POST',
    path: '/kit/upkeep',
    good: { entries: [UPKEEP] },
    faults: [
      [{ entries: [] }, 'entries'],
      [{ entries: [{ ...UPKEEP, act: 'polished' }] }, 'entries.0.act'],
      [{ entries: [UPKEEP, { ...UPKEEP, toolId: 'none' }] }, 'id'],
    ],
  },
  {
    method: 'POST',
    path: '/years',
    good: { id: 'year-1', name: 'Two of us', change: AS_TODAY },
    faults: [
      [{ name: '' }, 'name'],
      [{ change: { ...AS_TODAY, handDays: 7 } }, 'change.handDays'],
      [{ change: { ...AS_TODAY, openWeekday: 0 } }, 'change.openWeekday'],
      [{ change: { ...AS_TODAY, moreDogs: 2.5 } }, 'change.moreDogs'],
    ],
  },
  {
    method: 'POST',
    path: '/house/preview',
    good: { house: DEFAULT_HOUSE },
    faults: [
      [{ house: { ...DEFAULT_HOUSE, stroke: 'sideways' } }, 'house.stroke'],
      [{ house: { ...DEFAULT_HOUSE, bladeMinutes: 60 } }, 'house.bladeMinutes'],
    ],
  },
];

const UNKNOWN: readonly (readonly [string, string, object?])[] = [
  ['GET', '/dogs/nobody'],
  ['GET', '/dogs/nobody/checks'],
  ['GET', '/dogs/nobody/next'],
  ['GET', '/dogs/nobody/starts?days=2031-04-10'],
  ['GET', '/post/none/eml'],
  ['POST', '/post/none/stop'],
  ['PUT', '/dogs/nobody/post', { ...POST_WISH, version: 0 }],
  ['GET', '/dogs/nobody/home'],
  ['DELETE', '/home-links/none'],
  ['POST', '/home-reports/none/close', { answer: '' }],
  ['GET', '/home-reports/none/photo'],
  ['GET', '/checks/none'],
  ['GET', '/checks/none/plan'],
  ['GET', '/sessions/none'],
  ['GET', '/bookings/none/calendar.ics'],
  ['DELETE', '/kit/none'],
  ['DELETE', '/kit/upkeep/none'],
  ['DELETE', '/products/moves/none'],
  ['DELETE', '/years/none'],
  ['PUT', '/kit/none', { ...TOOL, retired: false, version: 1 }],
  ['GET', '/checks/none/photos'],
  ['GET', '/photos/none'],
  ['DELETE', '/photos/none'],
  ['GET', '/checks/none/rankings/back/dry-first'],
  ['GET', '/checks/demo-bollard-check-1/rankings/wing/dry-first'],
  ['GET', '/checks/demo-bollard-check-1/rankings/back/upside-down'],
  ['PUT', '/dogs/nobody', { ...DOG, version: 1 }],
  ['POST', '/dogs/nobody/checks', { ...CHECK, id: 'bad-c2' }],
  [
    'PUT',
    '/checks/none',
    { day: CHECK.day, weightKg: 20, guardMm: {}, zones: {}, inspection: {}, note: '', version: 1 },
  ],
  ['POST', '/sessions', { id: 's', checkId: 'none', method: 'dry-first' }],
  ['POST', '/sessions/none/events', { events: [EVENT] }],
  ['PUT', '/bookings/none', { startsAt: BOOKING.startsAt, minutes: 60, note: '', version: 1 }],
  ['POST', '/bookings/none/cancel', { version: 1 }],
  ['GET', '/harbour'],
  ['PATCH', '/dogs'],
];

describe('bad input', () => {
  let room: Room;
  let before = '';
  const refused = (
    answer: Awaited<ReturnType<Room['call']>>,
    status: number | readonly number[],
    what: string,
  ): void => {
    expect([status].flat(), `${what}: ${answer.text.slice(0, 200)}`).to.include(answer.status);
    expect(Object.keys(answer.json)).to.deep.equal(['error']);
    expect(answer.json.error.message).to.match(/^[\s\S]{15,}[.:!?]/);
    expect(answer.text).to.not.match(/\bat .*\.ts:|node_modules|SQLITE/);
    expect(dump(room.db), `${what} wrote`).to.equal(before);
  };
  beforeEach(async () => {
    room ??= await openRoom();
    before = dump(room.db);
  });
  after(async () => {
    expect(room.errors).to.deep.equal([]);
    await room.close();
  });

  for (const { method, path, good, faults } of WRITES) {
    for (const [change, field] of faults) {
      it(`${method} ${path} with ${JSON.stringify(change).slice(0, 70)} names ${field}`, async () => {
        const answer = await room.call(method, path, { ...good, ...change });
        refused(answer, [400, 404, 409], field);
        expect(answer.json.error.field).to.equal(field);
        if (field !== 'id') expect(answer.json.error.message).to.contain(field.split('.').at(-1) ?? '');
      });
    }

    it(`${method} ${path} with each field missing names it`, async () => {
      for (const key of Object.keys(good)) {
        const rest = Object.fromEntries(Object.entries(good).filter(([k]) => k !== key));
        const answer = await room.call(method, path, rest);
        refused(answer, 400, `without ${key}`);
        // Where any change may come alone, none at all is the fault.
        expect(answer.json.error.field).to.equal(path === '/devices/stand-ins' ? null : key);
      }
    });

    for (const [what, body] of [
      ['broken JSON', '{"name": '],
      ['a list', '[]'],
      ['a bare word', '"hello"'],
      ['null', 'null'],
      ['nothing', ''],
    ] as const) {
      it(`${method} ${path} with ${what}`, async () => {
        refused(await room.raw(method, path, { body, headers: { 'Content-Type': 'application/json' } }), 400, what);
      });
    }

    it(`${method} ${path} with 10 MB`, async () => {
      const body = JSON.stringify({ ...good, note: 'x'.repeat(10 * 1024 * 1024) });
      refused(await room.raw(method, path, { body, headers: { 'Content-Type': 'application/json' } }), 413, '10 MB');
    });

    it(`${method} ${path} with another content type`, async () => {
      refused(
        await room.raw(method, path, { body: JSON.stringify(good), headers: { 'Content-Type': 'text/plain' } }),
        [400, 415],
        'text/plain',
      );
    });
  }

  for (const [method, path, body] of UNKNOWN) {
    it(`${method} ${path} is not there`, async () => refused(await room.call(method, path, body), 404, path));
  }

  it('a salon with a latitude beyond the pole, no open day, or a zone nobody knows', async () => {
    const { json } = await room.call('GET', '/salon');
    for (const [change, field] of [
      [{ latitudeDeg: 91 }, 'latitudeDeg'],
      [{ timeZone: 'Moon/Crater' }, 'timeZone'],
      [{ house: { ...json.salon.house, openWeekdays: [] } }, 'house.openWeekdays'],
      [{ house: { ...json.salon.house, hours: { openMinute: 600, closeMinute: 500 } } }, 'house.hours.closeMinute'],
    ] as const) {
      const answer = await room.call('PUT', '/salon', { ...json.salon, ...change });
      refused(answer, 400, field);
      expect(answer.json.error.field).to.equal(field);
    }
  });

  it('a photo that is no JPEG, is broken, too large, or of a zone that is not there', async () => {
    const at = '/checks/demo-bollard-check-1/photos/bad-photo';
    const send = (path: string, body: Uint8Array<ArrayBuffer>, type = 'image/jpeg'): ReturnType<Room['raw']> =>
      room.raw('PUT', path, { body, headers: { 'Content-Type': type } });
    const picture = jpegOf();
    refused(await send(at, new TextEncoder().encode('<svg onload="x">')), 400, 'svg');
    refused(await send(at, picture.slice(0, 60)), 400, 'cut off');
    refused(await send(at, new Uint8Array()), [400, 415], 'empty');
    refused(await send(at, picture, 'image/png'), 415, 'png');
    refused(await send(at, new Uint8Array(3_100_000)), 413, 'too large');
    refused(await send(`${at}?zone=wing`, picture), 400, 'wing');
    refused(await send('/checks/demo-bollard-check-1/photos/a%20b', picture), 400, 'id');
    refused(await send('/checks/none/photos/p', picture), 404, 'check');
  });

  it('a broken % sign in the address, and an id with a path in it', async () => {
    refused(await room.call('GET', '/dogs/%E0%A4%A'), 400, '%');
    refused(await room.call('GET', '/dogs/..%2F..%2Fetc%2Fpasswd'), 404, 'path');
  });

  it('an event id that belongs to another session, a check id of another dog', async () => {
    const taken = 'demo-bollard-session-1-0';
    refused(
      await room.call('POST', '/sessions/demo-bollard-session-2/events', { events: [{ ...EVENT, id: taken }] }),
      409,
      'taken',
    );
    refused(
      await room.call('POST', '/dogs/demo-anchor/checks', { ...CHECK, id: 'demo-bollard-check-1' }),
      409,
      'other dog',
    );
  });
});
