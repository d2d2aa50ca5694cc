/** Today's dogs at tub and dryer, by the plans they would be worked with. */
import { expect } from 'chai';
import type { DayPage } from '../../contract/day.ts';
import type { PlanStep } from '../../core/bench/index.ts';
import { openRoom } from './room.ts';

describe('the day', () => {
  it('holds today’s bookings, with baths and dryer minutes as their plans have them, levels measured or guessed', async () => {
    const room = await openRoom();
    const day = async (): Promise<DayPage> => (await room.call('GET', '/day')).json;
    const page = await day();
    expect(page.dogs.map((d) => d.name)).to.include.members(['Kelda', 'Anchor']);
    const kelda = page.dogs.find((d) => d.name === 'Kelda');
    const check = room.stores.checks.latestOf('demo-kelda');
    const { json: plan } = await room.call('GET', `/checks/${check?.id ?? ''}/plan`);
    const steps: readonly PlanStep[] = plan.methods.find((m: { method: string }) => m.method === kelda?.method).steps;
    expect(kelda?.bathes).to.equal(steps.some((s) => s.phase === 'bath'));
    expect(kelda?.dryers.map((d) => [d.toolId, d.minutes])).to.deep.equal(
      steps.filter((s) => s.tool.kind.endsWith('dryer')).map((s) => [s.tool.id, s.minutes]),
    );
    expect(page.dryers).to.deep.include({
      toolId: 'force-dryer',
      name: 'Force dryer, flat nozzle',
      dbA: 88,
      measured: true,
    });

    // A dryer nobody has measured is computed by a guess, and says so.
    const dryer = room.stores.kit.find('force-dryer');
    if (!dryer) throw new Error('no dryer');
    const { id, dbA, ...rest } = dryer;
    expect((await room.call('PUT', `/kit/${id}`, rest)).status).to.equal(200);
    expect((await day()).dryers.find((d) => d.toolId === id)).to.include({ dbA: 95, measured: false });
    expect(dbA).to.equal(88);
    expect(room.errors).to.deep.equal([]);
    await room.close();
  });

  it('is empty when nobody is booked', async () => {
    const room = await openRoom();
    room.db.exec('UPDATE booking SET cancelled = 1');
    expect((await room.call('GET', '/day')).json.dogs).to.deep.equal([]);
    await room.close();
  });

  it('keeps what was bought, mixed and counted, once, and takes it back', async () => {
    const room = await openRoom({ demo: true });
    const put = { id: 'move-1', product: 'Oat wash', day: '2026-01-02', kind: 'bought', ml: 5000 };
    expect((await room.call('POST', '/products/moves', put)).status).to.equal(201);
    expect((await room.call('POST', '/products/moves', put)).status).to.equal(200);
    expect((await room.call('POST', '/products/moves', { ...put, ml: 1 })).status).to.equal(409);
    const mixed = { ...put, id: 'move-2', kind: 'mixed', ml: 300 };
    const { json } = await room.call('POST', '/products/moves', mixed);
    expect(json.stock.find((s: { product: string }) => s.product === 'Oat wash').leftMl).to.equal(4700);
    expect(json.moves[0]).to.deep.equal(mixed);
    const back = await room.call('DELETE', '/products/moves/move-2');
    expect(back.json.stock[0].leftMl).to.equal(5000);
    expect((await room.call('DELETE', '/products/moves/move-2')).status).to.equal(404);
    expect((await room.call('GET', '/products')).json).to.deep.equal(back.json);
    await room.close();
  });
});
