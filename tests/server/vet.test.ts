/** What waits for a vet over HTTP: found at a check, at the table or at home, it is held in every room until a fact ends it. */
import { expect } from 'chai';
import type { DogListItem, DogPage } from '../../contract/dog.ts';
import type { DogHolds, HoldsPage } from '../../contract/hold.ts';
import type { OwnerDog } from '../../contract/home.ts';
import type { TideFile, TideLearntAnswer } from '../../contract/tide.ts';
import { HOLD_FINDINGS, placesHeld } from '../../core/check/index.ts';
import { HOME_PARTS, partOf } from '../../core/home/index.ts';
import { zone, type ZoneId } from '../../core/dog/index.ts';
import { yearOfTide } from '../../core/book/index.ts';
import { askAfter, callList, withNewer } from '../../core/tide/index.ts';
import type { Plan } from '../../core/bench/index.ts';
import { NOW, openLearnt, type Room } from './room.ts';

const DOG = 'demo-bollard';
const TODAY = '2031-04-09';
const SPOT: ZoneId = 'rump';
const CLEAR = { finger: 1, tug: 0, comb: 'glides', tie: 'none', skin: 'clear' } as const;
const checkOf = (id: string, skin: string, day = TODAY) => ({
  id,
  day,
  weightKg: 30,
  guardMm: {},
  zones: { [SPOT]: { ...CLEAR, skin }, 'ribs.left': CLEAR },
  inspection: {},
  note: '',
});

/** What each room says is held of the dog. */
async function heldIn(room: Room): Promise<Readonly<Record<string, unknown>>> {
  const get = async <T>(path: string): Promise<T> => (await room.call('GET', path)).json;
  const list = await get<HoldsPage>('/holds');
  const page = await get<DogPage>(`/dogs/${DOG}`);
  const { dogs } = await get<{ dogs: readonly DogListItem[] }>('/dogs');
  const owner = (await get<{ dog: OwnerDog }>(`/dogs/${DOG}/home`)).dog;
  const file = await get<TideFile>('/tide');
  const { known, newer } = await get<TideLearntAnswer>('/tide/learnt');
  if (!known) throw new Error('nothing was learnt');
  const learnt = withNewer(known.learnt, newer);
  const line = dogs.find((d) => d.id === DOG);
  const fact = file.dogs.find((d) => d.id === DOG);
  const [newest] = page.checks;
  const plan = newest && (await get<Plan>(`/checks/${newest.id}/plan`));
  const brushed = new Set(owner.week.days.flatMap((d) => d.bouts.flatMap((b) => b.parts)));
  return {
    list: placesHeld(list.dogs.find((d) => d.dogId === DOG)?.holds ?? []),
    page: placesHeld(page.holds.holds),
    dogs: line?.outlook?.holds,
    'a device': placesHeld(fact?.holds ?? []),
    'needs a vet': line?.need.reason.code === 'vet-first',
    'is asked after': askAfter(file).some((d) => d.id === DOG),
    'is called': callList(file, learnt).some((c) => c.dog.id === DOG),
    'is proposed': yearOfTide(file, learnt).dogs.some((d) => d.id === DOG && d.days.length > 0),
    'stops in the plan': plan?.stops.zones.map((s) => s.zone),
    'is brushed at home': brushed.has(partOf(zone(SPOT).region)),
    'is closed at home': owner.closed,
    'is said at home': placesHeld(owner.holds),
  };
}

const HELD = {
  list: [SPOT],
  page: [SPOT],
  dogs: [SPOT],
  'a device': [SPOT],
  'needs a vet': true,
  'is asked after': true,
  'is called': false,
  'is proposed': false,
  'stops in the plan': [SPOT],
  'is brushed at home': false,
  'is closed at home': [partOf(zone(SPOT).region)],
  'is said at home': [SPOT],
};
const FREE = {
  list: [],
  page: [],
  dogs: [],
  'a device': [],
  'needs a vet': false,
  'is asked after': false,
  'is called': true,
  'is proposed': true,
  'stops in the plan': [],
  'is brushed at home': true,
  'is closed at home': [],
  'is said at home': [],
};

describe('what waits for a vet', () => {
  let room: Room;
  beforeEach(async () => {
    room = await openLearnt(DOG);
    await room.call('POST', `/dogs/${DOG}/checks`, checkOf('before', 'clear', '2031-04-01'));
  });
  afterEach(() => room.close());
  const seen = (more: object = {}) =>
    room.call('POST', `/dogs/${DOG}/vet-words`, {
      id: 'seen',
      day: TODAY,
      who: 'Dr Example',
      places: [SPOT],
      findings: HOLD_FINDINGS,
      allows: 'as-usual',
      note: 'It has healed.',
      ...more,
    });

  it('is nothing before anything was found', async () => {
    expect(await heldIn(room)).to.deep.equal(FREE);
  });

  it('found at a check is held in every room, and all is back after a vet has seen it', async () => {
    await room.call('POST', `/dogs/${DOG}/checks`, checkOf('found', 'hot-spot'));
    expect(await heldIn(room)).to.deep.equal(HELD);
    const { json } = await seen();
    expect((json as DogHolds).words.map((w) => w.note)).to.deep.equal(['It has healed.']);
    expect(await heldIn(room)).to.deep.equal(FREE);
    await room.call('DELETE', '/vet-words/seen');
    expect(await heldIn(room), 'taken back, it waits again').to.deep.equal(HELD);
  });

  it('found at the table is held at once, before the session is finished', async () => {
    const session = { id: 'table', checkId: 'before', method: 'dry-first' };
    expect((await room.call('POST', '/sessions', session)).status).to.equal(201);
    const event = (id: string, act: object, n: number) => ({ id, atMs: NOW + n, act });
    await room.call('POST', '/sessions/table/events', {
      events: [event('e-1', { kind: 'started' }, 0), event('e-2', { kind: 'met', zone: SPOT, skin: 'new-lump' }, 1000)],
    });
    expect(await heldIn(room)).to.deep.equal(HELD);
    await seen();
    expect(await heldIn(room)).to.deep.equal(FREE);
  });

  it('is ended by a later check that finds it clear', async () => {
    await room.call('POST', `/dogs/${DOG}/checks`, checkOf('found', 'wound', '2031-04-05'));
    expect(await heldIn(room)).to.deep.equal(HELD);
    await room.call('POST', `/dogs/${DOG}/checks`, checkOf('later', 'clear'));
    expect(await heldIn(room)).to.deep.equal(FREE);
  });

  it('that a vet leaves alone is left out, and the rest of the dog is invited', async () => {
    await room.call('POST', `/dogs/${DOG}/checks`, checkOf('found', 'new-lump'));
    await seen({ allows: 'not-there' });
    expect(await heldIn(room)).to.deep.equal({
      ...HELD,
      'needs a vet': false,
      'is asked after': false,
      'is called': true,
      'is proposed': true,
    });
  });

  it('seen at home closes its part and the whole week knows why', async () => {
    const part = HOME_PARTS.find((p) => p === partOf(zone(SPOT).region));
    room.stores.home.addReport(DOG, {
      id: 'r',
      day: TODAY,
      kind: 'lump',
      part: part ?? null,
      note: 'pea-sized',
      author: '',
    });
    const said = await heldIn(room);
    expect(said).to.include({
      'needs a vet': true,
      'is asked after': true,
      'is called': false,
      'is brushed at home': false,
    });
    expect(said['is closed at home']).to.deep.equal([part]);
    expect(said['is said at home']).to.include(SPOT);
    await seen({ places: ['dog'] });
    expect(await heldIn(room)).to.deep.equal(FREE);
  });

  it('is said by a day that has been', async () => {
    const { status, json } = await seen({ day: '2031-04-10' });
    expect(status).to.equal(400);
    expect(json.error.message).to.match(/still to come/);
  });
});
