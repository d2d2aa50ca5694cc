/** The tide over HTTP: what forecasts rest on, notes from home, events of a life, weather, a date held at once. */
import { expect } from 'chai';
import { parseDay } from '../../core/quantity/index.ts';
import { readTideFile } from '../../contract/tide.ts';
import { stores } from '../../server/db/index.ts';
import { tideFile, tideText, tideTextInPieces } from '../../server/services/tide-file.ts';
import { TideDesk } from '../../server/tide-desk.ts';
import { demoDb, freshMemos } from '../demo.ts';
import { dump, NOW, openRoom, type Room } from './room.ts';

const NOTE = { id: 'note-1', day: '2031-04-08', what: 'brushed', amount: 'bowl', grams: null, author: 'Owner' };

describe('the tide over HTTP', () => {
  let room: Room;
  before(async () => {
    room = await openRoom();
  });
  after(() => room.close());

  it('answers what the command line reads, with three years of log', async () => {
    const { json } = await room.call('GET', '/tide');
    const file = readTideFile(json);
    expect(file.ok && file.value.dogs.length).to.equal(36);
    const bollard = json.dogs.find((d: { id: string }) => d.id === 'demo-bollard');
    const days = bollard.sightings.map((s: { day: number }) => s.day);
    expect(days.at(-1) - days[0]).to.be.greaterThan(900);
    expect(new Set(bollard.sightings.map((s: { kind: string }) => s.kind))).to.include.all.keys('visit', 'touch');
    expect(bollard.minutesAt).to.deep.equal([...bollard.minutesAt].sort((a: number, b: number) => a - b));
    expect(json.readings.length).to.be.greaterThan(1000);
  });

  it('is gathered once until something is written, here or by another hand, or a day is over', async () => {
    const kept = { stores: room.stores, nowMs: () => NOW, memos: freshMemos(), tide: new TideDesk() };
    const first = tideFile(kept);
    expect(tideFile(kept), 'nothing was written').to.equal(first);
    expect(tideText(kept)).to.equal(JSON.stringify(first));
    room.stores.tide.addNote('demo-sisu', { ...NOTE, id: 'note-9', what: 'brushed', amount: 'bowl' });
    const second = tideFile(kept);
    expect(second).to.not.equal(first);
    expect(second.dogs.find((d) => d.id === 'demo-sisu')?.sightings.length).to.equal(
      (first.dogs.find((d) => d.id === 'demo-sisu')?.sightings.length ?? 0) + 1,
    );
    room.stores.tide.dropNote('note-9');
    expect(tideFile({ ...kept, nowMs: () => NOW + 86_400_000 }).today).to.equal(first.today + 1);
    expect(tideFile(kept)).to.deep.equal(first);
  });

  it('gathers and writes between the requests the same as at once', async () => {
    const db = demoDb(NOW);
    const [apart, kept] = [
      stores(db, () => NOW),
      { stores: room.stores, nowMs: () => NOW, memos: freshMemos(), tide: new TideDesk() },
    ];
    const text = await tideTextInPieces({ stores: apart, nowMs: () => NOW, memos: freshMemos(), tide: new TideDesk() });
    expect(text).to.equal(tideText(kept));
    expect(
      await tideTextInPieces({ stores: apart, nowMs: () => NOW, memos: freshMemos(), tide: new TideDesk() }),
      'known already',
    ).to.equal(text);
    db.close();
  });

  it('keeps a note from home once, feeds it to the forecast, and takes it back', async () => {
    const first = await room.call('POST', '/dogs/demo-bollard/home-notes', NOTE);
    const again = await room.call('POST', '/dogs/demo-bollard/home-notes', NOTE);
    expect([first.status, again.status]).to.deep.equal([201, 200]);
    const { json } = await room.call('GET', '/tide');
    const seen = json.dogs.find((d: { id: string }) => d.id === 'demo-bollard').sightings;
    expect(seen.filter((s: { amount?: string }) => s.amount === 'bowl').at(-1)).to.deep.include({
      kind: 'brushed',
      day: parseDay(NOTE.day),
    });
    const gone = await room.call('DELETE', '/home-notes/note-1');
    expect(gone.json.notes.map((n: { id: string }) => n.id)).to.not.include('note-1');
    expect((await room.call('DELETE', '/home-notes/note-1')).status).to.equal(404);
  });

  it('keeps events of a life and wants to know where a dog moved', async () => {
    const moved = { id: 'life-1', day: '2031-02-01', kind: 'moved', outdoorShare: null };
    const refused = await room.call('POST', '/dogs/demo-sisu/life-events', moved);
    expect(refused.status).to.equal(400);
    expect(refused.json.error.field).to.equal('outdoorShare');
    const { json } = await room.call('POST', '/dogs/demo-sisu/life-events', { ...moved, outdoorShare: 0.9 });
    expect(json.life).to.have.length(1);
    expect((await room.call('DELETE', '/life-events/life-1')).json.life).to.have.length(0);
  });

  it('refuses what is still to come and what it cannot read, with nothing written', async () => {
    const before = dump(room.db);
    const ahead = await room.call('POST', '/dogs/demo-sisu/home-notes', { ...NOTE, id: 'n-2', day: '2031-05-01' });
    expect(ahead.status).to.equal(400);
    expect(ahead.json.error.message).to.contain('2031-05-01');
    expect((await room.call('POST', '/dogs/nobody/home-notes', { ...NOTE, id: 'n-3' })).status).to.equal(404);
    expect(
      (await room.call('POST', '/dogs/demo-sisu/home-notes', { ...NOTE, id: 'n-4', amount: 'sack' })).status,
    ).to.equal(400);
    const csv = await room.call('PUT', '/weather', { csv: 'date;mean\n2031-01-02;4\nblue;sky\n' });
    expect(csv.status).to.equal(400);
    expect(csv.json.error.message).to.contain('Line 3');
    expect(dump(room.db)).to.deep.equal(before);
  });

  it('reads the salon’s own temperatures over the station’s, and forgets all', async () => {
    const own = await room.call('PUT', '/weather', { csv: '2031-01-02;4.5\n2031-01-03;-2\n' });
    expect(own.json.own).to.equal(2);
    await room.call('POST', '/weather/station');
    expect((await room.call('GET', '/weather')).json.own).to.equal(2);
    const { json } = await room.call('GET', '/tide');
    expect(json.readings.find((r: { day: number }) => r.day === 22281).celsius).to.equal(4.5);
    expect((await room.call('DELETE', '/weather')).json).to.deep.equal({ own: 0, station: 0, first: null, last: null });
  });

  it('puts a date down at the first free start of its day, once', async () => {
    const wish = { id: 'hold-1', dogId: 'demo-sisu', day: '2031-04-14', minutes: 95 };
    const first = await room.call('POST', '/bookings/tentative', wish);
    expect(first.status).to.equal(201);
    expect(first.json.startsAt.slice(0, 10)).to.equal('2031-04-14');
    expect(first.json.minutes).to.equal(95);
    const again = await room.call('POST', '/bookings/tentative', wish);
    expect([again.status, again.json.startsAt]).to.deep.equal([200, first.json.startsAt]);
    expect(
      (await room.call('POST', '/bookings/tentative', { ...wish, id: 'hold-2', dogId: 'nobody' })).status,
    ).to.equal(404);
    expect(Date.parse(first.json.startsAt)).to.be.greaterThan(NOW);
  });
});
