/** Two devices at one session, the stream between them, the salon's clock, and the devices at the table. */
import { expect } from 'chai';
import type { DevicesPage } from '../../contract/devices.ts';
import type { SessionLog } from '../../contract/session.ts';
import { DeviceBench } from '../../server/devices/bench.ts';
import { standIns } from '../../demo/devices/stand-ins.ts';
import { seededRandom } from '../../core/quantity/index.ts';
import { signedInAs } from '../signed-in.ts';
import { NOW, openRoom, type Room } from './room.ts';

/** Reads messages of a stream until a test has what it wants. */
async function listen<T>(room: Room, path: string, until: (messages: readonly T[]) => boolean): Promise<readonly T[]> {
  const stop = new AbortController();
  const response = await fetch(room.base + path, { signal: stop.signal, headers: { cookie: room.cookie() } });
  expect(response.headers.get('content-type')).to.contain('text/event-stream');
  const messages: T[] = [];
  let text = '';
  const decoder = new TextDecoder();
  for await (const chunk of response.body ?? []) {
    text += decoder.decode(chunk, { stream: true });
    const parts = text.split('\n\n');
    text = parts.pop() ?? '';
    for (const part of parts) {
      const data = part.split('\n').find((l) => l.startsWith('data: '));
      if (data) messages.push(JSON.parse(data.slice(6)));
    }
    if (until(messages)) break;
  }
  stop.abort();
  return messages;
}

describe('a session on two devices', () => {
  let room: Room;
  const session = 'live-session';
  before(async () => {
    room = await openRoom();
    const { json } = await room.call('GET', '/dogs/demo-kelda');
    const checkId: string = json.checks[0].id;
    const { json: plan } = await room.call('GET', `/checks/${checkId}/plan`);
    const draft = { id: session, checkId, method: plan.recommended.method };
    expect((await room.call('POST', '/sessions', draft)).status).to.equal(201);
  });
  after(() => room.close());

  it('streams what one sends to the other, once, and holds what a plan is made anew with', async () => {
    const { json: page } = await room.call('GET', `/sessions/${session}`);
    expect(page.request.kit.length).to.be.above(5);
    expect(page.people).to.include('Runa');
    const step: string = page.snapshot.plan.steps[0].id;
    const events = [
      { id: 'a-1', atMs: NOW, device: 'tablet-a', clockMs: -40, act: { kind: 'started' } },
      { id: 'a-2', atMs: NOW + 1, device: 'tablet-a', clockMs: -40, act: { kind: 'step', step } },
    ];
    const heard = listen<SessionLog>(room, `/sessions/${session}/stream`, (m) => m.length === 2);
    // The stream is open once its first message is there; then two deliveries of the same make one more.
    await new Promise((soon) => setTimeout(soon, 60));
    await room.call('POST', `/sessions/${session}/events`, { events });
    await room.call('POST', `/sessions/${session}/events`, { events });
    const [first, second] = await heard;
    expect(first?.events).to.deep.equal([]);
    expect(second?.events).to.deep.equal(events);
    expect(second?.nowMs).to.equal(NOW);
    const { json: again } = await room.call('GET', `/sessions/${session}`);
    expect(again.events).to.deep.equal(events);
  });

  it('knows steps of a plan that was made anew, in the same batch and later, and no others', async () => {
    const { json: page } = await room.call('GET', `/sessions/${session}`);
    const [step] = page.snapshot.plan.steps;
    const act = {
      kind: 'replanned',
      because: { code: 'late', minutes: 10 },
      steps: [step, { ...step, id: 'fresh-step' }],
    };
    const sent = await room.call('POST', `/sessions/${session}/events`, {
      events: [
        { id: 'r-1', atMs: NOW + 10, act },
        { id: 'r-2', atMs: NOW + 11, act: { kind: 'step', step: 'fresh-step' } },
      ],
    });
    expect(sent.status).to.equal(201);
    const later = { id: 'r-3', atMs: NOW + 12, act: { kind: 'step-done', step: 'fresh-step' } };
    expect((await room.call('POST', `/sessions/${session}/events`, { events: [later] })).status).to.equal(201);
    const wrong = { id: 'r-4', atMs: NOW + 12, act: { kind: 'step-done', step: 'no-step' } };
    const refused = await room.call('POST', `/sessions/${session}/events`, { events: [wrong] });
    expect([refused.status, refused.json.error.field]).to.deep.equal([400, 'events.0.act.step']);
  });

  it('refuses to stream a session that is not there, and tells the time', async () => {
    expect((await room.call('GET', '/sessions/nobody/stream')).status).to.equal(404);
    expect((await room.call('GET', '/clock')).json).to.deep.equal({ nowMs: NOW });
  });
});

describe('a device that is signed out', () => {
  it('hears no more of what it watched', async () => {
    const room = await openRoom();
    const id = 'demo-bollard-session-1';
    const other = signedInAs(room.stores, 'bather', NOW);
    const response = await fetch(`${room.base}/sessions/${id}/stream`, { headers: { cookie: other } });
    const reader = response.body?.getReader();
    await reader?.read();
    const [row] = room.stores.accounts.signIns().filter((s) => s.name === 'Bertil');
    expect((await room.call('DELETE', `/sign-ins/${row?.id}`)).status).to.equal(200);
    const heard = reader?.read().then(({ done, value }) => (done ? 'ended' : String(value)));
    const events = [{ id: 'unheard', atMs: NOW, act: { kind: 'note', text: 'not for them' } }];
    expect((await room.call('POST', `/sessions/${id}/events`, { events })).status).to.equal(201);
    expect(await heard).to.equal('ended');
    await room.close();
  });
});

describe('the devices at the table', () => {
  it('answer over the API, and stream', async () => {
    const room = await openRoom({ demo: false });
    const put = await room.call('PUT', '/devices/stand-ins', { dbA: 91, temperatureC: 24 });
    expect(put.json.standIns).to.deep.include({ dbA: 91, temperatureC: 24 });
    expect(put.json.air).to.deep.equal({ temperatureC: 24, humidityPct: 52 });
    // With a clock that stands still nothing was ever weighed.
    expect(put.json.scale.state).to.equal('silent');
    expect((await room.call('POST', '/devices/scale/tare')).status).to.equal(409);
    const [first] = await listen<DevicesPage>(room, `/devices/stream`, (m) => m.length >= 2);
    expect(first?.standIns.dbA).to.equal(91);
    await room.close();
  });

  it('weigh hair and dogs as a real scale does: swing in, settle, tare, drift, overload, a cable out', () => {
    let now = NOW;
    const bench = new DeviceBench(
      standIns(() => now, seededRandom(7)),
      () => now,
    );
    const after = (ms: number): DevicesPage => {
      for (let t = 0; t < ms; t += 300) {
        now += 300;
        bench.view();
      }
      return bench.view();
    };
    expect(after(300).scale.state).to.equal('settling');
    expect(bench.tare()).to.equal(false);
    expect(after(4_000).scale).to.deep.include({ state: 'settled', grossG: 412 });
    expect(bench.tare()).to.equal(true);
    bench.put({ hairG: 37 });
    expect(after(600).scale.state).to.equal('settling');
    expect(after(4_000).scale).to.deep.include({ state: 'settled', netG: 37 });
    expect(bench.tare()).to.equal(true);
    // A quarter of an hour of drift on a tared bowl is no hair.
    bench.put({ driftGPerMinute: 0.4 });
    expect(after(900_000).scale.netG).to.be.within(-1, 1);
    bench.put({ hairG: 0, bowl: false, dogKg: 38.4, restless: true });
    expect(after(4_000).scale.state).to.equal('settling');
    bench.put({ restless: false });
    const dog = after(4_000).scale;
    expect(dog.state).to.equal('settled');
    expect(Math.abs((dog.grossG ?? 0) - 38_400)).to.be.at.most(40);
    bench.put({ dogKg: 95 });
    expect(after(4_000).scale.state).to.equal('overload');
    bench.put({ scaleOn: false });
    expect(after(6_000).scale.state).to.equal('silent');
    bench.put({ dbA: 96, meterOn: true });
    expect(after(70_000).meanDbA).to.be.closeTo(96, 0.4);
    bench.put({ meterOn: false, sensorOn: false });
    const off = after(6_000);
    expect([off.dbA, off.meanDbA, off.air]).to.deep.equal([null, null, null]);
  });
});
