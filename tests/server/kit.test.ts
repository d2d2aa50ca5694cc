/** The kit, its wear and upkeep, what the kit lacks, other house rules before they are taken, and photos of a check. */
import { readdirSync, readFileSync } from 'node:fs';
import Database from 'better-sqlite3';
import { expect } from 'chai';
import { parseDay } from '../../core/quantity/index.ts';
import { DEFAULT_HOUSE, RULES, type Wear } from '../../core/kit/index.ts';
import { migrate, stores } from '../../server/db/index.ts';
import { jpegOf } from '../picture.ts';
import { openRoom, type Room } from './room.ts';

describe('the kit and the house', () => {
  let room: Room;
  before(async () => {
    room = await openRoom({ learns: true });
  });
  after(async () => {
    expect(room.errors).to.deep.equal([]);
    await room.close();
  });
  const wear = async (id: string): Promise<Wear> => (await room.call('GET', '/kit')).json.wear[id];
  const entry = { id: 'u1', toolId: 'blade-comb', act: 'sharpened', day: '2031-04-09' };

  it('counts minutes and dogs of a piece from its sessions', async () => {
    const { tools } = (await room.call('GET', '/kit')).json;
    const { since } = tools.find((t: { id: string }) => t.id === 'steel-comb');
    const used = room.db
      .prepare<[number], { n: number }>(
        `SELECT count(*) AS n FROM session s, json_each(s.snapshot, '$.plan.steps') step
         WHERE json_extract(step.value, '$.tool.id') = 'steel-comb' AND s.day >= ?`,
      )
      .get(parseDay(since) ?? 0);
    const comb = await wear('steel-comb');
    expect(comb.uses).to.equal(used?.n);
    expect(comb.minutes).to.be.greaterThan(comb.uses);
    expect(comb.dogs).to.be.within(10, 36);
    expect((await wear('splitter')).minutes).to.equal(0);
  });

  it('starts the count again when a blade is sharpened, and takes the entry back', async () => {
    const sharp = async (): Promise<number | undefined> =>
      (await wear('blade-comb')).due.find((d) => d.act === 'sharpened')?.used;
    const used = await sharp();
    expect(used).to.be.greaterThan(0);
    expect((await room.call('POST', '/kit/upkeep', { entries: [entry, entry] })).status).to.equal(201);
    expect(await sharp()).to.equal(0);
    expect((await room.call('POST', '/kit/upkeep', { entries: [{ ...entry, toolId: 'clipper' }] })).status).to.equal(
      409,
    );
    expect((await room.call('DELETE', '/kit/upkeep/u1')).status).to.equal(200);
    expect(await sharp()).to.equal(used);
  });

  it('changes a piece by version, and plans no more with one that is off the wall', async () => {
    const rake = (await room.call('GET', '/kit')).json.tools.find((t: { id: string }) => t.id === 'turning-rake');
    const { id, ...edit } = rake;
    const off = await room.call('PUT', '/kit/turning-rake', { ...edit, retired: true });
    expect([off.status, off.json.version]).to.deep.equal([200, 2]);
    expect((await room.call('PUT', '/kit/turning-rake', edit)).status).to.equal(409);
    const plan = await room.call('GET', '/checks/demo-bollard-check-1/plan');
    expect(plan.text).to.not.contain('turning-rake');
    await room.call('PUT', '/kit/turning-rake', { ...edit, version: 2 });
    expect((await room.call('GET', '/checks/demo-bollard-check-1/plan')).text).to.contain('turning-rake');
  });

  it('ranks the kit in a zone at each phase, each choice with a measure', async () => {
    const { json } = await room.call('GET', '/checks/demo-bollard-check-1/rankings/ruff.left/dry-first');
    expect(json.phases.length).to.be.greaterThan(5);
    const rakes = json.phases.find((p: { phase: string }) => p.phase === 'dry-rake').ranking;
    expect(rakes.fits.length).to.be.at.least(2);
    expect(rakes.fits[0].parts.reach.value).to.be.a('number');
    // An owner's brush hangs on no wall of the salon.
    expect(JSON.stringify(json)).to.not.contain('home-brush');
  });

  it('says which pieces to buy, and nothing that the kit has', async () => {
    const { json } = await room.call('GET', '/kit/coverage');
    expect(json.dogs).to.be.at.least(30);
    expect(json.minutes).to.be.greaterThan(100);
    for (const [i, p] of json.forMinutes.entries()) {
      expect(p.tools).to.have.length(i + 1);
      expect(p.minutesSaved).to.be.greaterThan(json.forMinutes[i - 1]?.minutesSaved ?? 0);
    }
  });

  it('shows what another side would change, and writes nothing', async () => {
    await room.call('GET', '/tide/learnt');
    await room.tide.settled();
    const { salon } = (await room.call('GET', '/salon')).json;
    const same = (await room.call('POST', '/house/preview', { house: salon.house })).json;
    expect(same.plans.length).to.be.at.least(2);
    for (const p of same.plans) expect(p.after).to.deep.equal(p.before);
    expect(same.moved).to.deep.equal({ sooner: 0, later: 0, days: 0 });
    const dry = (await room.call('POST', '/house/preview', { house: { ...salon.house, wetBrushing: 'never' } })).json;
    const wet = dry.plans.filter((p: { before: { method: string } | null }) => p.before?.method === 'wet-first');
    expect(wet.length).to.be.greaterThan(0);
    for (const p of wet) expect(p.after?.method).to.not.equal('wet-first');
    const often = { ...salon.house, rhythm: 'four-to-six' };
    expect((await room.call('POST', '/house/preview', { house: often })).json.moved.sooner).to.be.greaterThan(3);
    expect((await room.call('GET', '/salon')).json.salon).to.deep.equal(salon);
  });

  it('lists every rule with how often it speaks', async () => {
    const { json } = await room.call('GET', '/rules');
    expect(json.rules).to.have.length(RULES.length);
    expect(json.spoken['blade-torso-only'].dogs).to.equal(json.dogs);
    expect(json.spoken['stop-hot-spot']).to.deep.equal({ dogs: 1, zones: 1 });
    expect(json.spoken['house-no-blade']).to.equal(undefined);
  });

  it('keeps a photo with its check, bare, once, and gives it back', async () => {
    const put = (): ReturnType<Room['raw']> =>
      room.raw('PUT', '/checks/demo-bollard-check-1/photos/p1?zone=hip.left', {
        body: jpegOf(),
        headers: { 'Content-Type': 'image/jpeg' },
      });
    const first = await put();
    expect([first.status, (await put()).status]).to.deep.equal([201, 200]);
    const photo = { id: 'p1', checkId: 'demo-bollard-check-1', zone: 'hip.left', width: 12, height: 8 };
    expect(first.json).to.deep.equal(photo);
    expect((await room.call('GET', '/checks/demo-bollard-check-1/photos')).json.photos).to.deep.equal([photo]);
    const got = await fetch(`${room.base}/photos/p1`, { headers: { cookie: room.cookie() } });
    expect(got.headers.get('content-type')).to.equal('image/jpeg');
    const bytes = Buffer.from(await got.arrayBuffer());
    expect(bytes.includes('GPS')).to.equal(false);
    expect(bytes.length).to.be.lessThan(jpegOf().length);
    expect((await room.call('DELETE', '/photos/p1')).status).to.equal(200);
    expect((await room.call('GET', '/photos/p1')).status).to.equal(404);
  });
});

describe('a file of the schema before the kit had measures', () => {
  it('opens with its pieces, its own sides, and the usual side of every quarrel it did not know', () => {
    const db = new Database(':memory:');
    const folder = 'server/db/migrations';
    for (const file of readdirSync(folder).sort().slice(0, 2)) db.exec(readFileSync(`${folder}/${file}`, 'utf8'));
    db.pragma('user_version = 2');
    const { slickerOrder, slickerDepth, stroke, spray, wetBrushing, bath, rhythm, ...older } = DEFAULT_HOUSE;
    const house = { ...older, blade: 'never', mats: 'split' };
    db.prepare("INSERT INTO salon VALUES (1, 'S', 'T', 60, 21, 'Europe/Helsinki', ?, 1)").run(JSON.stringify(house));
    db.prepare("INSERT INTO tool VALUES ('r', 'rake', 'Rake', 18, NULL)").run();
    migrate(db);
    const kept = stores(db);
    expect(kept.salon.find()?.house).to.deep.equal({ ...DEFAULT_HOUSE, blade: 'never', mats: 'split' });
    expect(kept.kit.all()).to.deep.equal([
      {
        id: 'r',
        kind: 'rake',
        name: 'Rake',
        pinMm: 18,
        costCents: null,
        since: null,
        homeOf: null,
        retired: false,
        version: 1,
      },
    ]);
    db.close();
  });
});

describe('a file in which acts named their step by its place', () => {
  it('opens with each act at the step it meant, and stays append-only', () => {
    const db = new Database(':memory:');
    const folder = 'server/db/migrations';
    for (const file of readdirSync(folder).sort().slice(0, 4)) db.exec(readFileSync(`${folder}/${file}`, 'utf8'));
    db.pragma('user_version = 4');
    const snapshot = JSON.stringify({ plan: { steps: [{ id: 'bath/b' }, { id: 'comb/c' }] } });
    db.exec(
      `INSERT INTO dog (id, name, breed, sex, coat_class, weight_kg, traits, outdoor_share, home_care, note, owner_name, owner_phone)
       VALUES ('d', 'D', '', 'male', 'fleece', 9, '[]', 0, 'none', '', 'O', '')`,
    );
    db.exec(
      `INSERT INTO coat_check (id, dog_id, day, weight_kg, guard_mm, inspection, note) VALUES ('c', 'd', 1, 9, '{}', '{}', '')`,
    );
    db.prepare(
      "INSERT INTO session (id, dog_id, check_id, day, method, snapshot) VALUES ('s', 'd', 'c', 1, 'dry-first', ?)",
    ).run(snapshot);
    const put = db.prepare("INSERT INTO session_event (id, session_id, at_ms, kind, act) VALUES (?, 's', ?, ?, ?)");
    put.run('e1', 1, 'started', '{"kind":"started"}');
    put.run('e2', 2, 'step', '{"kind":"step","step":1}');
    put.run('e3', 3, 'weighed', '{"kind":"weighed","step":0,"grams":4.5}');
    migrate(db);
    expect(
      stores(db)
        .sessions.events('s')
        .map((e) => e.act),
    ).to.deep.equal([
      { kind: 'started' },
      { kind: 'step', step: 'comb/c' },
      { kind: 'weighed', step: 'bath/b', grams: 4.5 },
    ]);
    expect(() => db.exec("UPDATE session_event SET act = '{}'")).to.throw('append-only');
    db.close();
  });
});
