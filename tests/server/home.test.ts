/** The home over HTTP: the groomer's side, the owner's link, and what the link does not open. */
import { randomBytes } from 'node:crypto';
import { expect } from 'chai';
import ICAL from 'ical.js';
import { jpegOf } from '../picture.ts';
import { samples } from '../samples.ts';
import { dump, openRoom, type Answer, type Room } from './room.ts';

const TODAY = '2031-04-09';
const DOG = 'demo-bollard';
const TOKENS = samples(1_000, 10_000);

describe('the home over HTTP', () => {
  let room: Room;
  let token = '';
  before(async () => {
    room = await openRoom({ learns: true });
    const made = await room.call('POST', '/home-links', { dogIds: [DOG] });
    expect(made.status).to.equal(201);
    token = made.json.token;
  });
  after(() => room.close());

  const owner = (method: string, path: string, body?: unknown, link = token): Promise<Answer> =>
    room.raw(method, path, {
      headers: { 'X-Home-Link': link, ...(body !== undefined && { 'Content-Type': 'application/json' }) },
      ...(body !== undefined && { body: JSON.stringify(body) }),
    });
  const bout = (id: string, more: object = {}) => ({
    id,
    day: TODAY,
    parts: ['ruff', 'breeches'],
    minutes: 8,
    amount: 'bowl',
    author: '',
    ...more,
  });

  it('keeps only hashes of a link, shows its token once, and opens this dog without address, other dogs or money', async () => {
    expect(dump(room.db)).to.not.contain(token);
    const { json: desk } = await room.call('GET', `/dogs/${DOG}/home`);
    expect(JSON.stringify(desk.links)).to.not.contain(token);
    const { status, json, text } = await owner('GET', '/owner');
    expect(status).to.equal(200);
    expect(json.dogs.map((d: { id: string }) => d.id)).to.deep.equal([DOG]);
    const { phone } = room.stores.dogs.find(DOG)?.owner ?? { phone: '?' };
    for (const secret of [phone, 'Ansa', 'priceCents', 'currency', 'demo-sisu']) expect(text).to.not.contain(secret);
    expect(json.dogs[0].week.days).to.have.length(7);
  });

  it('takes in so much a day and no more: findings, brushing, photos and their pixels; what is sent again counts once', async () => {
    const made = (await room.call('POST', '/home-links', { dogIds: [DOG] })).json;
    const send = (path: string, body: object) => owner('POST', `/owner/dogs/${DOG}/${path}`, body, made.token);
    const report = (id: string) => ({ id, day: TODAY, kind: 'knot', part: 'ruff', note: '', author: '' });
    const statuses: number[] = [];
    for (let i = 0; i < 21; i++) statuses.push((await send('reports', report(`limit-r-${i}`))).status);
    expect(statuses.filter((s) => s === 201)).to.have.length(20);
    const over = await send('reports', report('limit-r-20'));
    expect(over.status).to.equal(429);
    expect(over.json.error.message).to.match(/More than 20 findings in a day.*tomorrow/);
    expect((await send('reports', report('limit-r-3'))).status).to.equal(200);
    for (let i = 0; i < 60; i++) expect((await send('bouts', bout(`limit-b-${i}`))).status).to.equal(201);
    expect((await send('bouts', bout('limit-b-60'))).status).to.equal(429);
    // Another link of the same home has a day of its own.
    expect((await owner('POST', `/owner/dogs/${DOG}/bouts`, bout('limit-other'))).status).to.equal(201);
    const photo = (jpeg: Uint8Array<ArrayBuffer>, i = 0) =>
      room.raw('PUT', `/owner/dogs/${DOG}/reports/limit-r-${i}/photo`, {
        headers: { 'X-Home-Link': made.token, 'Content-Type': 'image/jpeg' },
        body: jpeg,
      });
    const large = await photo(jpegOf({ width: 30_000, height: 30_000 }));
    expect([large.status, large.json.error.message]).to.deep.equal([
      413,
      'This photo has 900 million pixels; 24 million at most are kept. Make it smaller, and send it again.',
    ]);
    // Eleven photos of 23 million pixels are more than a day shows.
    const many: number[] = [];
    for (let i = 0; i < 11; i++) many.push((await photo(jpegOf({ width: 5000, height: 4600 }), i)).status);
    expect(many.filter((s) => s === 200)).to.have.length(10);
    expect(many.at(-1)).to.equal(429);
    room.setClock(Date.parse('2031-04-10T09:00:00Z'));
    expect((await send('reports', { ...report('limit-next'), day: '2031-04-10' })).status).to.equal(201);
    room.setClock(Date.parse('2031-04-09T09:00:00Z'));
    for (let i = 0; i < 21; i++) await room.call('POST', `/home-reports/limit-r-${i}/close`, { answer: '' });
    await room.call('POST', '/home-reports/limit-next/close', { answer: '' });
    for (const table of ['home_report', 'home_bout'])
      room.db.prepare(`DELETE FROM ${table} WHERE id LIKE 'limit-%'`).run();
  });

  it('gives the same 404 to an ended link, one altered by a letter, and another dog’s address', async () => {
    const other = (await room.call('POST', '/home-links', { dogIds: [DOG] })).json;
    expect((await owner('GET', '/owner', undefined, other.token)).status).to.equal(200);
    await room.call('DELETE', `/home-links/${other.id}`);
    const letter = token[5] === 'A' ? 'B' : 'A';
    const altered = token.slice(0, 5) + letter + token.slice(6);
    const before = dump(room.db);
    const answers = [
      await owner('GET', '/owner', undefined, other.token),
      await owner('GET', '/owner', undefined, altered),
      await owner('GET', '/owner', undefined, ''),
      await owner('GET', '/owner', undefined, other.feedToken),
      await owner('POST', '/owner/dogs/demo-sisu/bouts', bout('b-x')),
      await owner('POST', '/owner/dogs/nobody/bouts', bout('b-x')),
      await owner('POST', `/owner/dogs/${DOG}/bouts`, bout('b-x'), altered),
      await owner('POST', '/owner/dogs/demo-sisu/bouts', { broken: true }),
    ];
    for (const a of answers) expect([a.status, a.text]).to.deep.equal([404, answers[0]?.text]);
    expect(dump(room.db)).to.equal(before);
  });

  it(`opens nothing for ${TOKENS} random tokens, and no token is in any log`, async () => {
    for (let i = 0; i < TOKENS; i += 50) {
      const guesses = Array.from({ length: 50 }, () => randomBytes(24).toString('base64url'));
      const answers = await Promise.all(guesses.map((g) => owner('GET', '/owner', undefined, g)));
      for (const a of answers) expect(a.status).to.equal(404);
    }
    expect(JSON.stringify(room.errors)).to.not.contain(token);
  });

  it('takes a bout once, slides the week, and moves the tide', async () => {
    const before = (await room.call('GET', '/tide')).json.dogs.find((d: { id: string }) => d.id === DOG).sightings;
    const first = await owner('POST', `/owner/dogs/${DOG}/bouts`, bout('b-1'));
    const again = await owner('POST', `/owner/dogs/${DOG}/bouts`, bout('b-1'));
    expect([first.status, again.status]).to.deep.equal([201, 200]);
    const [dog] = again.json.dogs;
    expect(dog.doneToday).to.equal(true);
    expect(dog.week.days[0].bouts).to.have.length(0);
    const waited = dog.week.needs.find((n: { part: string }) => n.part === 'ruff').waited;
    expect(waited).to.equal(0);
    const after = (await room.call('GET', '/tide')).json.dogs.find((d: { id: string }) => d.id === DOG).sightings;
    expect(after).to.have.length(before.length + 1);
    expect(after.at(-1)).to.deep.include({ kind: 'brushed', amount: 'bowl' });
    expect((await room.call('GET', `/dogs/${DOG}/home`)).json.adherence).to.be.greaterThan(0);
  });

  it('hands a lump with its photo to the desk, and closes the part until a vet has seen it', async () => {
    const report = { id: 'r-1', day: TODAY, kind: 'lump', part: 'chest', note: 'size of a pea', author: '' };
    const { json } = await owner('POST', `/owner/dogs/${DOG}/reports`, report);
    expect(json.dogs[0].closed).to.include('chest');
    const planned = json.dogs[0].week.days.flatMap((d: { bouts: { parts: string[] }[] }) =>
      d.bouts.flatMap((b) => b.parts),
    );
    expect(planned).to.not.include('chest');
    const photo = await room.raw('PUT', `/owner/dogs/${DOG}/reports/r-1/photo`, {
      headers: { 'X-Home-Link': token, 'Content-Type': 'image/jpeg' },
      body: jpegOf(),
    });
    expect(photo.status).to.equal(200);
    const open = (await room.call('GET', '/home-reports')).json.reports.filter((r: { id: string }) => r.id === 'r-1');
    expect(open).to.have.length(1);
    expect(open[0]).to.include({ id: 'r-1', dogName: 'Bollard', photo: true });
    expect((await room.call('GET', '/home-reports/r-1/photo')).type).to.equal('image/jpeg');
    await room.call('POST', '/home-reports/r-1/close', { answer: '' });
    expect(JSON.stringify((await room.call('GET', '/home-reports')).json)).to.not.contain('r-1');
    expect((await owner('GET', '/owner')).json.dogs[0].closed, 'an answer is no look').to.include('chest');
    const word = {
      id: 'v-1',
      day: TODAY,
      who: 'Dr Example',
      places: ['dog'],
      findings: ['lump', 'hot-spot'],
      allows: 'as-usual',
      note: '',
    };
    await room.call('POST', `/dogs/${DOG}/vet-words`, word);
    expect((await owner('GET', '/owner')).json.dogs[0].closed).to.not.include('chest');
  });

  it('notes ears, nails and the word that it is starting', async () => {
    const nails = await owner('POST', `/owner/dogs/${DOG}/cares`, { id: 'c-1', day: TODAY, kind: 'nails', author: '' });
    expect(nails.json.dogs[0].due.map((d: { kind: string }) => d.kind)).to.not.include('nails');
    const word = await owner('POST', `/owner/dogs/${DOG}/started`, { id: 's-1', day: TODAY, author: '' });
    expect(word.status).to.equal(201);
    expect(room.stores.tide.findNote('s-1')?.what).to.equal('started');
  });

  it('lets the groomer say what the home is like, and shows both sides of a stale edit', async () => {
    const { json: page } = await room.call('GET', `/dogs/${DOG}/home`);
    expect(page.setup.version).to.equal(0);
    const setup = { ...page.setup, minutesByWeekday: [10, 10, 10, 10, 10, 0, 0], pins: ['tail'], note: 'Well done.' };
    const saved = await room.call('PUT', `/dogs/${DOG}/home`, setup);
    expect(saved.json.setup.version).to.equal(1);
    expect(saved.json.dog.note).to.equal('Well done.');
    expect(saved.json.dog.week.needs.find((n: { part: string }) => n.part === 'tail').why).to.equal('pinned');
    const stale = await room.call('PUT', `/dogs/${DOG}/home`, setup);
    expect([stale.status, stale.json.error.stored.version]).to.deep.equal([409, 1]);
    const bad = await room.call('PUT', `/dogs/${DOG}/home`, { ...setup, version: 1, pins: ['wing'] });
    expect([bad.status, bad.json.error.field]).to.deep.equal([400, 'pins.0']);
  });

  it('opens all dogs of a household with one link, but never dogs of two owners', async () => {
    const dogs = room.stores.dogs.all();
    const one = dogs.find((d) => dogs.some((o) => o.id !== d.id && o.owner.name === d.owner.name));
    const two = dogs.find((d) => d.owner.name !== dogs[0]?.owner.name);
    const mixed = await room.call('POST', '/home-links', { dogIds: [dogs[0]?.id, two?.id] });
    expect([mixed.status, mixed.json.error.field]).to.deep.equal([400, 'dogIds']);
    if (!one) return;
    const dogIds = dogs.filter((d) => d.owner.name === one.owner.name).map((d) => d.id);
    const { json } = await room.call('POST', '/home-links', { dogIds });
    const page = await owner('GET', '/owner', undefined, json.token);
    expect(page.json.dogs).to.have.length(dogIds.length);
  });

  it('is a calendar to subscribe to: whole days, visits that move as themselves, the same 404 for any other token', async () => {
    const path = (await owner('GET', '/owner')).json.feed;
    const read = async (): Promise<{ text: string; events: ICAL.Event[] }> => {
      const response = await fetch(room.base.replace(/\/api$/, path));
      const text = await response.text();
      expect([response.status, response.headers.get('content-type')]).to.deep.equal([
        200,
        'text/calendar; charset=utf-8',
      ]);
      const all = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');
      return { text, events: all.map((c) => new ICAL.Event(c)) };
    };
    const first = await read();
    for (const line of first.text.split('\r\n')) expect(Buffer.byteLength(line)).to.be.at.most(75);
    expect(new Set(first.events.map((e) => e.uid)).size).to.equal(first.events.length);
    expect(first.events.filter((e) => e.summary.includes('brush')).every((e) => e.startDate.isDate)).to.equal(true);

    // A visit on either side of the night the clocks change keeps its hour on the salon's wall.
    const visit = { id: 'feed-b', dogId: DOG, startsAt: '2031-10-24T06:00:00Z', minutes: 60, note: '' };
    const booked = await room.call('POST', '/bookings', visit);
    const find = (events: ICAL.Event[]): ICAL.Event | undefined => events.find((e) => e.uid.startsWith('feed-b@'));
    const before = find((await read()).events);
    await room.call('PUT', '/bookings/feed-b', {
      startsAt: '2031-10-28T07:00:00Z',
      minutes: 60,
      note: '',
      version: booked.json.version,
    });
    const after = (await read()).events;
    const moved = find(after);
    expect(after.filter((e) => e.uid === before?.uid)).to.have.length(1);
    expect(moved?.sequence).to.be.greaterThan(before?.sequence ?? Infinity);
    const { timeZone } = room.stores.salon.find() ?? { timeZone: '' };
    const wall = (e: ICAL.Event | undefined): string =>
      new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone }).format(
        e?.startDate.toJSDate(),
      );
    expect(wall(moved)).to.equal(wall(before));

    const plan = (events: ICAL.Event[]): number =>
      Math.max(...events.filter((e) => e.summary.includes('brush')).map((e) => e.sequence));
    await owner('POST', `/owner/dogs/${DOG}/bouts`, bout('b-feed', { day: '2031-04-07' }));
    expect(plan((await read()).events)).to.be.greaterThan(plan(after));
    const altered = path.replace(/.(?=\.ics$)/, (c: string) => (c === 'A' ? 'B' : 'A'));
    for (const other of [altered, `/feed/${token}.ics`, '/feed/x.ics'])
      expect((await fetch(room.base.replace(/\/api$/, other))).status).to.equal(404);
  });

  it('says after a while what brushing is worth at the salon', async function () {
    this.timeout(120_000);
    await owner('GET', '/owner');
    await room.tide.settled();
    const { effect, start } = (await owner('GET', '/owner')).json.dogs[0].tide;
    expect(effect.kept).to.be.at.most(effect.missedWeek + 1e-9);
    expect(effect.missedWeek).to.be.at.most(effect.without + 1e-9);
    expect(start.low).to.be.below(start.high);
  });
});
