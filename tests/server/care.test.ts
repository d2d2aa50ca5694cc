/** Care around the coat over HTTP: chosen once and remembered, in plan, forecast and price alike, at the house's terms. */
import { setTimeout } from 'node:timers/promises';
import { expect } from 'chai';
import { openRoom, type Room } from './room.ts';

describe('care around the coat', () => {
  let room: Room;
  before(async () => {
    room = await openRoom({ learns: true });
  });
  after(async () => {
    expect(room.errors).to.deep.equal([]);
    await room.close();
  });
  const ID = 'demo-biscuit';
  /** Asked again until the dog has been learnt: a busy machine takes its time. */
  const page = async () => {
    for (;;) {
      const { json } = await room.call('GET', `/dogs/${ID}`);
      if (json.outlook) return json;
      await setTimeout(100);
    }
  };
  const plan = async () => {
    const { checks } = await page();
    const { json } = await room.call('GET', `/checks/${checks[0].id}/bench`);
    return json.plan.methods.find((m: { method: string }) => m.method === json.plan.recommended.method);
  };
  const choose = (care: unknown) => room.call('PUT', `/dogs/${ID}/care`, { care });

  it('is remembered for the dog, and adds its minutes to the plan and to what the next visit is said to take', async () => {
    const [before, bare] = [await page(), await plan()];
    expect(before.dog.care).to.deep.equal([]);
    const { status, json } = await choose(['nails', 'ears']);
    expect([status, json.care]).to.deep.equal([200, ['nails', 'ears']]);
    const [after, with9] = [await page(), await plan()];
    expect(after.dog.care).to.deep.equal(['nails', 'ears']);
    expect(with9.minutes - bare.minutes).to.equal(9);
    expect(with9.steps.map((s: { phase: string }) => s.phase)).to.include.members(['care-nails', 'care-ears']);
    expect(after.outlook.minutes.likely).to.be.at.least(before.outlook.minutes.likely + 6);
    expect(after.outlook.priceCents).to.be.at.least(before.outlook.priceCents);
    // The whole dog saved anew keeps it, and the form may change it.
    const { id, version, ...draft } = after.dog;
    const saved = await room.call('PUT', `/dogs/${ID}`, { ...draft, care: ['nails'], version });
    expect([saved.status, saved.json.care]).to.deep.equal([200, ['nails']]);
  });

  it('is charged at the price of the house where it has one, in the plan and in the forecast', async () => {
    const [before, bare] = [await page(), await plan()];
    const { salon } = (await room.call('GET', '/salon')).json;
    const house = { ...salon.house, care: { nails: { minutes: 6, cents: 1200 } } };
    const { version, name, town, timeZone, latitudeDeg, longitudeDeg } = salon;
    const edit = { version, name, town, timeZone, latitudeDeg, longitudeDeg, house };
    expect((await room.call('PUT', '/salon', { ...salon, ...edit })).status).to.equal(200);
    const [after, dear] = [await page(), await plan()];
    expect(dear.minutes).to.equal(bare.minutes);
    expect(dear.priceCents).to.be.greaterThan(bare.priceCents);
    expect(after.outlook.priceCents).to.be.greaterThan(before.outlook.priceCents);
  });

  it('refuses what is no care, and writes nothing', async () => {
    const before = (await page()).dog;
    for (const care of [['glands'], ['nails', 'nails'], 'nails']) {
      const { status, json } = await choose(care);
      expect([status, json.error.field.startsWith('care')]).to.deep.equal([400, true]);
    }
    expect((await room.call('PUT', '/dogs/nobody/care', { care: [] })).status).to.equal(404);
    expect((await page()).dog).to.deep.equal(before);
  });

  it('clips by a vet’s order, kept with who gave it and when, until it is taken back', async () => {
    const { today } = await page();
    const on = new Date(today * 86_400_000).toISOString().slice(0, 10);
    const order = { day: on, who: 'Dr. Fenwood', why: 'surgery', zones: ['belly'] };
    const kept = await room.call('PUT', `/dogs/${ID}/clip-orders`, { orders: [order] });
    expect([kept.status, kept.json.clipOrders]).to.deep.equal([200, [order]]);
    const { checks } = await page();
    const bench = (await room.call('GET', `/checks/${checks[0].id}/bench`)).json;
    const clipped = (await plan()).steps.filter((s: { tool: { kind: string } }) => s.tool.kind === 'clipper');
    expect(clipped.flatMap((s: { zones: { zone: string }[] }) => s.zones.map((z) => z.zone))).to.deep.equal(['belly']);
    const note = bench.plan.notes.find((n: { code: string }) => n.code === 'clip-ordered');
    expect(note.order).to.include({ who: 'Dr. Fenwood', day: today, why: 'surgery' });
    // A second order stands beside the first, each for its own place.
    const second = { ...order, who: 'Dr. Marlowe', why: 'vet', zones: ['throat'] };
    expect((await room.call('PUT', `/dogs/${ID}/clip-orders`, { orders: [order, second] })).status).to.equal(200);
    const both = (await plan()).steps.filter((s: { tool: { kind: string } }) => s.tool.kind === 'clipper');
    expect(both.flatMap((s: { zones: { zone: string }[] }) => s.zones.map((z) => z.zone))).to.have.members([
      'belly',
      'throat',
    ]);
    await room.call('PUT', `/dogs/${ID}/clip-orders`, { orders: [order] });
    // The form of the dog neither holds nor loses it.
    const { dog } = await page();
    const { id, ...edit } = dog;
    expect((await room.call('PUT', `/dogs/${ID}`, edit)).json.clipOrders).to.deep.equal([order]);
    for (const orders of [[{ ...order, zones: [] }], [{ ...order, who: '' }], [{ ...order, day: '2999-01-01' }]]) {
      expect((await room.call('PUT', `/dogs/${ID}/clip-orders`, { orders })).status).to.equal(400);
    }
    expect((await room.call('PUT', `/dogs/${ID}/clip-orders`, { orders: [] })).json.clipOrders).to.deep.equal([]);
    expect((await plan()).steps.some((s: { tool: { kind: string } }) => s.tool.kind === 'clipper')).to.equal(false);
  });

  it('knows a birthday by the day: a dog grows old between two visits', async () => {
    const { dog, today } = await page();
    const born = new Date((today - 13 * 366) * 86_400_000).toISOString().slice(0, 10);
    const { id, ...draft } = dog;
    expect((await room.call('PUT', `/dogs/${ID}`, { ...draft, born })).status).to.equal(200);
    expect((await page()).traits).to.include('senior');
    expect((await page()).dog.traits, 'a tick stays a tick').to.not.include('senior');
  });
});
