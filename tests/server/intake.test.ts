/** Clients brought in over HTTP: looked at first, all or nothing, once however often they are sent, and undone as one. */
import { expect } from 'chai';
import { fillSmall } from '../small-house.ts';
import { dump, NOW, openRoom, type Room } from './room.ts';

const TABLE = [
  'owner,phone,dog,breed,weight kg,coat class,visit,visit minutes',
  'Vide Ask,070 1,Tarn,collie,24,long double,2030-11-02,95',
  'Vide Ask,070 1,Tarn,collie,24,long double,2031-02-03,80',
  'Vide Ask,070 1,Fjord,,11,smooth double,,',
  'Siv Rönn,070 2,Åska,spitz,19,medium double,2031-03-01,',
].join('\n');

describe('clients brought in over HTTP', () => {
  let room: Room;
  /** Dogs of the salon before anything came in. */
  let had: ReadonlySet<string>;
  beforeEach(async () => {
    room = await openRoom({ demo: false });
    fillSmall(room.stores, NOW);
    had = new Set(room.stores.dogs.all().map((d) => d.id));
  });
  afterEach(() => room.close());

  const columnsOf = async (csv: string) => (await room.call('POST', '/intake/preview', { csv })).json.columns;
  const bring = async (id: string, csv = TABLE) =>
    room.call('POST', '/intake', { id, csv, columns: await columnsOf(csv) });
  const pastVisits = (): number =>
    room.db.prepare<[], number>('SELECT count(DISTINCT dog_id) FROM past_visit').pluck().get() ?? 0;
  const names = (): readonly string[] =>
    room.stores.dogs
      .all()
      .filter((d) => !had.has(d.id))
      .map((d) => d.name)
      .sort();
  const list = async () => (await room.call('GET', '/intake')).json.intakes;

  it('are looked at line by line, with nothing written', async () => {
    const before = dump(room.db);
    const { status, json } = await room.call('POST', '/intake/preview', { csv: TABLE });
    expect(status).to.equal(200);
    expect(json).to.include({ dogs: 3, visits: 3, problems: 0 });
    expect(json.columns).to.include({ owner: 'owner', dog: 'dog', weightKg: 'weight kg', visitDay: 'visit' });
    expect(json.rows.map((r: { newDog: boolean; visit: boolean }) => [r.newDog, r.visit])).to.deep.equal([
      [true, true],
      [false, true],
      [true, false],
      [true, true],
    ]);
    expect(dump(room.db)).to.equal(before);
  });

  it('come in with their owners and earlier visits, once however often they are sent', async () => {
    const made = await bring('first');
    expect(made.status, made.text).to.equal(201);
    expect(made.json).to.include({ id: 'first', dogs: 3, visits: 3, undone: false });
    expect(names()).to.have.members(['Tarn', 'Fjord', 'Åska']);
    const tarn = room.stores.dogs.all().find((d) => d.name === 'Tarn');
    expect(tarn).to.deep.include({
      weightKg: 24,
      coatClass: 'long-double',
      owner: { name: 'Vide Ask', phone: '070 1' },
    });
    expect(pastVisits()).to.equal(2);
    const again = await bring('first');
    expect([again.status, again.json]).to.deep.equal([200, made.json]);
    expect(names()).to.have.length(3);
    expect(await list()).to.deep.equal([made.json]);
  });

  it('whose table is brought in again under another name find their dogs there', async () => {
    await bring('first');
    const { json } = await bring('second', `${TABLE}\nSiv Rönn,070 2,Blåst,,9,smooth single,,`);
    expect(json).to.include({ dogs: 1 });
    expect(names()).to.deep.equal(['Blåst', 'Fjord', 'Tarn', 'Åska'].sort());
  });

  it('with one line that cannot be taken all stay out, and the line is named', async () => {
    const before = dump(room.db);
    const answer = await bring('bad', `${TABLE}\nSiv Rönn,070 2,Blåst,,nine stone,smooth single,,`);
    expect(answer.status).to.equal(409);
    expect(answer.json.error.field).to.equal('csv.6');
    expect(answer.json.error.message).to.match(/^Line 6: .*Nothing was brought in\.$/);
    expect(dump(room.db)).to.equal(before);
    expect(await list()).to.deep.equal([]);
  });

  it('are taken out as one, with their visits, and the list says so', async () => {
    const empty = { dogs: names(), visits: pastVisits() };
    await bring('first');
    const gone = await room.call('DELETE', '/intake/first');
    expect(gone.status).to.equal(200);
    expect(gone.json.intakes).to.have.length(1);
    expect(gone.json.intakes[0]).to.include({ id: 'first', dogs: 3, visits: 3, undone: true });
    expect({ dogs: names(), visits: pastVisits() }).to.deep.equal(empty);
    // Taken out twice is taken out once.
    const twice = await room.call('DELETE', '/intake/first');
    expect([twice.status, twice.json]).to.deep.equal([200, gone.json]);
    // The same id stays what it was: nothing comes back by being sent again.
    expect((await bring('first')).status).to.equal(200);
    expect(names()).to.deep.equal(empty.dogs);
  });

  for (const [what, touch] of [
    ['was changed', (id: string) => room.call('PUT', `/dogs/${id}`, { ...dogOf(id), note: 'shy of dryers' })],
    [
      'has a booking',
      (id: string) =>
        room.call('POST', '/bookings/tentative', { id: 'b-1', dogId: id, day: '2031-05-05', minutes: 60 }),
    ],
  ] as const)
    it(`stay when something was done with one of them: a dog that ${what} is named`, async () => {
      await bring('first');
      const fjord = room.stores.dogs.all().find((d) => d.name === 'Fjord') ?? expect.fail('it came in');
      const done = await touch(fjord.id);
      expect(done.status, done.text).to.be.oneOf([200, 201]);
      const before = dump(room.db);
      const kept = await room.call('DELETE', '/intake/first');
      expect(kept.status).to.equal(409);
      expect(kept.json.error.message).to.match(/^Fjord came in with this, .*Nothing was undone\.$/);
      expect(dump(room.db)).to.equal(before);
    });

  it('of no such import is said so', async () => {
    expect((await room.call('DELETE', '/intake/never')).status).to.equal(404);
  });

  const dogOf = (id: string) => {
    const { id: _, ...dog } = room.stores.dogs.find(id) ?? expect.fail('it is there');
    return dog;
  };
});
