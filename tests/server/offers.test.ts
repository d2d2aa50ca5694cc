/** Dates that are held for an owner: closed to others meanwhile, taken on the page, given back by themselves. */
import { expect } from 'chai';
import { dump, NOW, openRoom, type Answer, type Room } from './room.ts';

/** A Monday on which the demo is open. */
const MONDAY = '2031-05-05';
const DOG = 'demo-sisu';
const OTHER = 'demo-mist';
const HOUR_MS = 3_600_000;

describe('dates that are held for an owner', () => {
  let room: Room;
  let link = '';
  let starts: readonly string[] = [];
  const ofOwner = (method: string, path: string, body?: unknown): Promise<Answer> =>
    room.raw(method, path, {
      headers: { cookie: '', 'X-Home-Link': link, ...(body !== undefined && { 'Content-Type': 'application/json' }) },
      ...(body !== undefined && { body: JSON.stringify(body) }),
    });
  const choose = (id: string, startsAt: string | null, dog = DOG) =>
    ofOwner('POST', `/owner/dogs/${dog}/offers`, { id, startsAt });
  const hold = (id: string, held = starts.slice(0, 2), more: object = {}) =>
    room.call('POST', '/offers', { id, dogId: DOG, minutes: 60, starts: held, ...more });
  const free = async (dogId: string): Promise<readonly string[]> =>
    (await room.call('GET', `/dogs/${dogId}/starts?days=${MONDAY}&minutes=60`)).json.days[0].starts;
  const book = (id: string, startsAt: string, dogId: string) =>
    room.call('POST', '/bookings', { id, dogId, startsAt, minutes: 60, note: '' });

  beforeEach(async () => {
    room = await openRoom();
    const { salon } = (await room.call('GET', '/salon')).json;
    await room.call('PUT', '/salon', { ...salon, house: { ...salon.house, tables: 1 } });
    for (const b of room.stores.bookings.ofDogFrom(DOG, '2000'))
      await room.call('POST', `/bookings/${b.id}/cancel`, { version: b.version });
    link = (await room.call('POST', '/home-links', { dogIds: [DOG] })).json.token;
    const page = (await room.call('GET', `/dogs/${DOG}/starts?days=${MONDAY}&minutes=60`)).json;
    starts = [page.days[0].starts.at(0), page.days[0].starts.at(-1)];
    expect(new Set(starts).size).to.equal(2);
  });
  afterEach(() => room.close());

  it('are closed to other dogs and open to its own, and free again by themselves', async () => {
    const [first = '', last = ''] = starts;
    expect(await free(OTHER)).to.include.members([first, last]);
    const made = await hold('a');
    expect([made.status, made.json.endsAt, made.json.answer]).to.deep.equal([201, '2031-04-11T09:00:00Z', null]);
    expect(await free(OTHER)).to.not.include(first);
    const refused = await book('x', first, OTHER);
    expect([refused.status, refused.json.error.field]).to.deep.equal([409, 'startsAt']);
    expect(await free(DOG)).to.include.members([first, last]);
    expect((await room.call('GET', '/offers')).json.held).to.deep.equal([made.json]);
    room.setClock(NOW + 48 * HOUR_MS);
    expect(await free(OTHER)).to.include.members([first, last]);
    expect((await room.call('GET', '/offers')).json).to.deep.equal({ held: [], ring: [] });
    const late = await choose('a', first);
    expect([late.status, late.json.error.message]).to.deep.equal([
      409,
      'That time is no longer free. Choose another, or ask us to ring you.',
    ]);
    expect(room.stores.bookings.find('a')).to.equal(undefined);
  });

  it('end with the first of them, where that is sooner', async () => {
    const soon = (await room.call('GET', `/dogs/${DOG}/starts?days=2031-04-10&minutes=30`)).json.days[0].starts[0];
    expect((await hold('a', [soon], { minutes: 30 })).json.endsAt).to.equal(soon);
  });

  it('become an agreed visit when the owner takes one, once, and the rest is free again', async () => {
    const [first = '', last = ''] = starts;
    await hold('a');
    const before = (await ofOwner('GET', '/owner')).json.dogs[0];
    expect(before.offer).to.deep.equal({ id: 'a', starts, minutes: 60, endsAt: '2031-04-11T09:00:00Z' });
    const page = await choose('a', last);
    expect(page.status).to.equal(201);
    expect([page.json.dogs[0].offer, page.json.dogs[0].visits]).to.deep.equal([
      null,
      [{ startsAt: last, minutes: 60, service: 'coat' }],
    ]);
    expect((await choose('a', last)).status).to.equal(200);
    expect(room.stores.bookings.ofDogFrom(DOG, '2000')).to.have.length(1);
    expect(room.stores.bookings.find('a')).to.include({ startsAt: last, agreed: true, service: 'coat' });
    expect(await free(OTHER)).to.include(first);
    expect((await room.call('GET', '/offers')).json).to.deep.equal({ held: [], ring: [] });
  });

  it('that do not suit ask the desk to ring, until a visit is booked or somebody says so', async () => {
    await hold('a');
    expect((await choose('a', null)).json.dogs[0].offer).to.equal(null);
    const asked = (await room.call('GET', '/offers')).json;
    expect([asked.held, asked.ring.map((o: { id: string }) => o.id)]).to.deep.equal([[], ['a']]);
    expect((await room.call('DELETE', '/offers/a')).json.ring).to.deep.equal([]);
    expect((await room.call('DELETE', '/offers/a')).status).to.equal(409);
    await hold('b');
    await choose('b', null);
    await book('visit', starts[0] ?? '', DOG);
    expect((await room.call('GET', '/offers')).json.ring).to.deep.equal([]);
  });

  it('give way to a visit that is agreed by telephone meanwhile, and to a newer offer', async () => {
    await hold('a');
    await hold('b', starts.slice(1));
    expect((await room.call('GET', '/offers')).json.held.map((o: { id: string }) => o.id)).to.deep.equal(['b']);
    await book('visit', starts[0] ?? '', DOG);
    expect((await room.call('GET', '/offers')).json.held).to.deep.equal([]);
    expect((await choose('b', starts[1] ?? '')).status).to.equal(409);
  });

  it('are no other dog’s, and nothing is written of what is wrong', async () => {
    const [first = '', last = ''] = starts;
    await hold('a');
    const before = dump(room.db);
    for (const [id, body, field] of [
      ['no start', { starts: [] }, 'starts'],
      ['four', { starts: ['07', '08', '09', '10'].map((h) => `2031-05-06T${h}:00:00Z`) }, 'starts'],
      ['twice', { starts: [first, first] }, 'starts.1'],
      ['no moment', { starts: ['2031-05-06'] }, 'starts.0'],
      ['closed', { starts: ['2031-05-04T09:00:00Z'] }, 'day'],
      ['night', { starts: ['2031-05-05T01:00:00Z'] }, 'startsAt'],
      ['long', { minutes: 9999 }, 'minutes'],
    ] as const) {
      const refused = await hold(id.replace(' ', '-'), [last], body);
      expect(refused.status, id).to.be.within(400, 409);
      expect(refused.json.error.field, id).to.equal(field);
    }
    expect((await choose('a', first, OTHER)).status).to.equal(404);
    expect((await choose('b', first)).status).to.equal(404);
    expect((await choose('a', '2031-05-06T09:00:00Z')).status).to.equal(409);
    expect(dump(room.db)).to.equal(before);
  });

  it('are said in a message, with what is held and until when', async () => {
    await hold('a');
    const dog = room.stores.dogs.find(DOG) ?? expect.fail('no dog');
    await room.call('PUT', `/dogs/${DOG}/post`, {
      channel: 'mail',
      email: 'owner@salon.example',
      quiet: { fromMinute: 0, toMinute: 0 },
      version: room.stores.post.wish(dog.owner)?.version ?? 0,
    });
    const { sent } = (await room.call('POST', '/post/run')).json;
    const [message] = sent.filter((m: { dogIds: readonly string[] }) => m.dogIds.includes(DOG));
    expect(message.kinds).to.include('offer');
    expect(message.text).to.match(/We hold for Sisu: Monday 5 May at \d\d:\d\d, or Monday 5 May at \d\d:\d\d\./);
    expect(message.text).to.include('by Friday 11 April at ');
  });

  it('in a query for free times are asked for in words that are read, or refused', async () => {
    for (const [query, field] of [
      ['service=wash', 'service'],
      ['minutes=long', 'minutes'],
      ['minutes=', 'minutes'],
      ['minutes=5', 'minutes'],
    ] as const) {
      const refused = await room.call('GET', `/dogs/${DOG}/starts?days=${MONDAY}&${query}`);
      expect([refused.status, refused.json.error.field], query).to.deep.equal([400, field]);
    }
  });
});
