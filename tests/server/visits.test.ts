/** Visits that are booked by hand: when a dog could come and for how long, for the coat or anything else, cancelled with a reason. */
import { expect } from 'chai';
import { CARE_ITEMS, careMinutes } from '../../core/dog/index.ts';
import { dump, openRoom, type Room } from './room.ts';

/** A Monday on which the demo is open, and a Sunday on which it is not. */
const MONDAY = '2031-05-05';
const SUNDAY = '2031-05-04';
const DOG = 'demo-sisu';

describe('a visit that is booked by hand', () => {
  let room: Room;
  before(async () => {
    room = await openRoom();
  });
  after(() => room.close());
  const starts = async (query: string, dogId = DOG) => (await room.call('GET', `/dogs/${dogId}/starts?${query}`)).json;
  const draft = (id: string, startsAt: string, more: object = {}) => ({
    id,
    dogId: DOG,
    startsAt,
    minutes: 60,
    note: '',
    ...more,
  });

  it('is offered at starts that can be booked, each of them, with a length by the coat', async () => {
    const page = await starts(`days=${MONDAY},${SUNDAY}`);
    expect(page.by).to.equal('coat');
    expect(page.minutes).to.equal((await room.call('GET', `/dogs/${DOG}/next`)).json.minutes);
    const [monday, sunday] = page.days;
    expect([sunday.day, sunday.starts, sunday.against]).to.deep.equal([SUNDAY, [], 'The salon is closed that day.']);
    expect(monday.against).to.equal(null);
    expect(monday.starts).to.not.have.lengthOf(0);
    for (const [i, startsAt] of monday.starts.entries()) {
      const put = await room.call('POST', '/bookings', draft(`each-${i}`, startsAt, { minutes: page.minutes }));
      expect(put.status, startsAt).to.equal(201);
      await room.call('POST', `/bookings/each-${i}/cancel`, { version: put.json.version });
    }
  });

  it('has the length that was asked, that its service takes here, or what such dogs usually take', async () => {
    expect(await starts(`days=${MONDAY}&minutes=35`)).to.include({ minutes: 35, by: 'asked' });
    const { house } = (await room.call('GET', '/salon')).json.salon;
    for (const item of CARE_ITEMS)
      expect(await starts(`days=${MONDAY}&service=${item}`), item).to.include({
        minutes: Math.max(10, careMinutes(item, house)),
        by: 'service',
      });
    // Nobody has felt it: a giant takes longer than a small dog of the same coat.
    const unmet = async (id: string, weightKg: number): Promise<number> => {
      const { name: _, owner, ...facts } = room.stores.dogs.find(DOG) ?? expect.fail('no dog');
      const { id: _id, version: _v, clipOrders: _c, ...rest } = facts;
      const made = await room.call('POST', '/dogs', { ...rest, id, name: id, owner, weightKg });
      expect(made.status).to.equal(201);
      const page = await starts(`days=${MONDAY}`, id);
      expect(page.by).to.equal('usual');
      return page.minutes;
    };
    expect(await unmet('giant', 60)).to.be.greaterThan(await unmet('small', 8));
  });

  it('names what it cannot read of a day', async () => {
    const refused = await room.call('GET', `/dogs/${DOG}/starts?days=${MONDAY},2031-02-30`);
    expect([refused.status, refused.json.error.field]).to.deep.equal([400, 'days']);
    expect(refused.json.error.message).to.include('2031-02-30');
  });

  it('for nails leaves the coat due as before, takes one stage of the day, and of the year’s hours', async () => {
    const [monday] = (await starts(`days=${MONDAY}`)).days;
    const before = (await room.call('GET', `/dogs/${DOG}/next`)).json;
    const put = await room.call(
      'POST',
      '/bookings',
      draft('nails', monday.starts[0], { minutes: 20, service: 'nails' }),
    );
    expect([put.status, put.json.service, put.json.told]).to.deep.equal([201, 'nails', null]);
    const after = (await room.call('GET', `/dogs/${DOG}/next`)).json;
    expect(after.outlook).to.deep.equal(before.outlook);
    const sheet = (await room.call('GET', `/sheet?day=${MONDAY}`)).json;
    const visit = sheet.asked.visits.find((v: { id: string }) => v.id === 'nails');
    expect(visit.stages.map((s: { kind: string; minutes: number }) => [s.kind, s.minutes])).to.deep.equal([
      ['finish', 20],
    ]);
    const tide = JSON.parse((await room.call('GET', '/tide')).text);
    expect(tide.others.map((o: { minutes: number }) => o.minutes)).to.include(20);
    expect(tide.dogs.find((d: { id: string }) => d.id === DOG).booked).to.deep.equal([]);
  });

  it('is held until the owner agrees, where that is said', async () => {
    const [monday] = (await starts(`days=${MONDAY}`)).days;
    const put = await room.call('POST', '/bookings', draft('held', monday.starts[4], { agreed: false }));
    expect([put.status, put.json.agreed]).to.deep.equal([201, false]);
    await room.call('POST', '/bookings/held/cancel', { version: put.json.version });
  });

  it('is booked at the very start that was offered, or not at all once that does not suit', async () => {
    const [monday] = (await starts(`days=${MONDAY}&minutes=60`)).days;
    const startsAt = monday.starts.at(-1);
    const offered = { dogId: DOG, day: MONDAY, minutes: 60, agreed: true, startsAt };
    const put = await room.call('POST', '/bookings/tentative', { id: 'offer', ...offered });
    expect([put.status, put.json.startsAt, put.json.agreed]).to.deep.equal([201, startsAt, true]);
    const before = dump(room.db);
    const night = await room.call('POST', '/bookings/tentative', {
      id: 'night',
      ...offered,
      startsAt: `${MONDAY}T23:00:00Z`,
    });
    expect([night.status, night.json.error.field]).to.deep.equal([409, 'startsAt']);
    expect(dump(room.db)).to.equal(before);
    await room.call('POST', '/bookings/offer/cancel', { version: put.json.version });
  });

  it('is cancelled with a reason, which is gone when it is taken back', async () => {
    const [monday] = (await starts(`days=${MONDAY}`)).days;
    const { json } = await room.call('POST', '/bookings', draft('gone', monday.starts[0]));
    const wrong = await room.call('POST', '/bookings/gone/cancel', { version: json.version, why: 'rain' });
    expect([wrong.status, wrong.json.error.field]).to.deep.equal([400, 'why']);
    const gone = (await room.call('POST', '/bookings/gone/cancel', { version: json.version, why: 'no-show' })).json;
    expect([gone.cancelled, gone.cancelledWhy]).to.deep.equal([true, 'no-show']);
    const back = (await room.call('POST', '/bookings/gone/restore', { version: gone.version })).json;
    expect([back.cancelled, back.cancelledWhy]).to.deep.equal([false, null]);
    expect(room.errors).to.deep.equal([]);
  });
});
