/** The safe: backups that are looked through, everything out and in again byte for byte, zips that lie, owners forgotten. */
import {
  chmodSync,
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { once } from 'node:events';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Ajv from 'ajv/dist/2020.js';
import Database from 'better-sqlite3';
import { expect } from 'chai';
import fc from 'fast-check';
import Papa from 'papaparse';
import yauzl from 'yauzl';
import yazl from 'yazl';
import { bareJpeg } from '../../core/formats/index.ts';
import { acting } from '../../server/auth/acting.ts';
import { openDb, stores, type Db } from '../../server/db/index.ts';
import { documentSchema, writeArchive } from '../../server/storage/archive.ts';
import { backupDue, backupsIn, makeBackup, newestGood } from '../../server/storage/backups.ts';
import { openSalon, restore, takeFolder } from '../../server/storage/data-folder.ts';
import {
  backupName,
  goneBy,
  keptBackups,
  lastFirst,
  readBackupName,
  type BackupName,
} from '../../server/storage/backup-retention.ts';
import { readArchive } from '../../server/storage/read-archive.ts';
import { Safe } from '../../server/storage/safe.ts';
import { lookedThrough } from '../../server/storage/verify.ts';
import { demoDb } from '../demo.ts';
import { jpegOf } from '../picture.ts';
import { TANSY } from '../small-house.ts';
import { CHECK, NOW, openRoom } from './room.ts';

const folder = (): string => mkdtempSync(join(tmpdir(), 'woolly-tide-safe-'));
const DAY = 86_400_000;

/** Out, in, and out again: both zips. */
async function thereAndBack(db: Db): Promise<readonly [Buffer, Buffer]> {
  const at = folder();
  await writeArchive(db, join(at, 'one.zip'));
  await readArchive(join(at, 'one.zip'), join(at, 'new.sqlite'));
  const back = new Database(join(at, 'new.sqlite'), { readonly: true });
  await writeArchive(back, join(at, 'two.zip'));
  back.close();
  return [readFileSync(join(at, 'one.zip')), readFileSync(join(at, 'two.zip'))];
}

async function zipOf(files: Readonly<Record<string, Buffer | string>>): Promise<string> {
  const path = join(folder(), 'made.zip');
  const zip = new yazl.ZipFile();
  for (const [name, bytes] of Object.entries(files)) zip.addBuffer(Buffer.from(bytes), name);
  zip.end();
  await once(zip.outputStream.pipe(createWriteStream(path)), 'close');
  return path;
}
async function entriesOf(path: string): Promise<ReadonlyMap<string, Buffer>> {
  const found = new Map<string, Buffer>();
  const zip = await yauzl.openPromise(path);
  for await (const entry of zip.eachEntry()) {
    const parts: Buffer[] = [];
    for await (const part of await zip.openReadStreamPromise(entry)) parts.push(Buffer.from(part));
    found.set(entry.fileName, Buffer.concat(parts));
  }
  return found;
}
const refused = async (zip: string): Promise<string> => {
  const at = folder();
  try {
    await readArchive(zip, join(at, 'new.sqlite'));
  } catch (problem) {
    expect(readdirSync(at), 'nothing is left behind').to.deep.equal([]);
    return problem instanceof Error ? problem.message : String(problem);
  }
  return expect.fail('it was read in');
};

describe('everything out and in', () => {
  it('is byte-equal on the demo salon, with photos, and the document keeps to its schema', async () => {
    const db = demoDb(NOW);
    const kept = stores(db, () => NOW);
    const check = kept.checks.latestOf('demo-kelda');
    kept.photos.insert({ id: 'p-1', checkId: check?.id ?? '', zone: null, width: 12, height: 8 }, bare());
    kept.home.addReport('demo-kelda', {
      id: 'r-1',
      day: '2031-04-01',
      kind: 'lump',
      part: null,
      note: 'a pea',
      author: '',
    });
    kept.home.setPhoto('r-1', bare());
    const [one, two] = await thereAndBack(db);
    expect(one.equals(two)).to.equal(true);
    const at = join(folder(), 'one.zip');
    writeFileSync(at, one);
    const entries = await entriesOf(at);
    expect(entries.get('photos/photo-p-1-jpeg.jpg')?.equals(Buffer.from(bare()))).to.equal(true);
    expect([...entries.keys()]).to.include.members(['woolly-tide.json', 'schema.json', 'calendar.ics', 'csv/dog.csv']);
    const document: unknown = JSON.parse(String(entries.get('woolly-tide.json')));
    const schema: object = JSON.parse(String(entries.get('schema.json')));
    expect(schema).to.deep.equal(documentSchema(db));
    const keeps = new Ajv({ strict: false }).compile(schema);
    expect(keeps(document), JSON.stringify(keeps.errors?.[0])).to.equal(true);
    const text = String(entries.get('woolly-tide.json'));
    expect(text).not.to.match(/scrypt\$|token_hash":"[^"]*"[^}]*device"/);
    const dogs = Papa.parse<Record<string, string>>(String(entries.get('csv/dog.csv')), {
      header: true,
      skipEmptyLines: true,
    });
    expect(dogs.data.length).to.equal(kept.dogs.all().length);
    db.close();
  });

  it('is byte-equal on random salons, whatever people typed', async () => {
    const text = fc.oneof(
      fc.string({ unit: 'grapheme', maxLength: 40 }),
      fc.constantFrom(
        '=1+1',
        '<script>alert(1)</script>',
        "'; DROP TABLE dog; --",
        '"\\\u2028\u0000é\uD83D\uDC15',
        '-2+3',
        '@x',
      ),
    );
    await fc.assert(
      fc.asyncProperty(
        fc.array(
          fc.record({ name: text, note: text, owner: text, kg: fc.double({ min: 0.5, max: 120, noNaN: true }) }),
          { minLength: 1, maxLength: 4 },
        ),
        fc.integer({ min: 0, max: 3 }),
        async (dogs, photos) => {
          const db = openDb(':memory:');
          const kept = stores(db, () => NOW);
          kept.write(() =>
            dogs.forEach((d, i) => {
              kept.dogs.insert(`d-${i}`, {
                ...TANSY,
                name: d.name,
                note: d.note,
                weightKg: d.kg,
                owner: { name: d.owner, phone: '' },
              });
              kept.checks.insert(`d-${i}`, {
                ...CHECK,
                id: `c-${i}`,
                zones: { back: { finger: 2, tug: 1 } },
                inspection: {},
                guardMm: { back: d.kg },
                note: d.note,
              });
              kept.bookings.insert({
                id: `b-${i}`,
                dogId: `d-${i}`,
                startsAt: '2031-05-01T08:00:00Z',
                minutes: 60,
                note: d.note,
              });
              for (let p = 0; p < photos; p++)
                kept.photos.insert({ id: `p-${i}-${p}`, checkId: `c-${i}`, zone: null, width: 12, height: 8 }, bare());
            }),
          );
          const [one, two] = await thereAndBack(db);
          expect(one.equals(two)).to.equal(true);
          db.close();
        },
      ),
      { numRuns: 25 },
    );
  });

  it('keeps text that a spreadsheet would reckon with as text', async () => {
    const db = openDb(':memory:');
    const kept = stores(db, () => NOW);
    for (const [i, name] of ['=cmd|x', '+1', '-2+3', '@sum', '\t=1'].entries())
      kept.dogs.insert(`d-${i}`, { ...TANSY, name, owner: { name: '=owner', phone: '' } });
    const at = join(folder(), 'one.zip');
    await writeArchive(db, at);
    const csv = String((await entriesOf(at)).get('csv/dog.csv'));
    const { data } = Papa.parse<string[]>(csv, { skipEmptyLines: true });
    const typed = data
      .slice(1)
      .flat()
      .filter((c) => c !== '' && Number.isNaN(Number(c)));
    expect(typed.filter((c) => /^[=+\-@\t\r]/.test(c))).to.deep.equal([]);
    db.close();
  });

  it('refuses zips that lie, and leaves nothing', async () => {
    const db = openDb(':memory:');
    stores(db, () => NOW).dogs.insert('d', TANSY);
    const good = join(folder(), 'good.zip');
    await writeArchive(db, good);
    db.close();
    const document = JSON.parse(String((await entriesOf(good)).get('woolly-tide.json')));
    const changed = (change: (d: typeof document) => void): string => {
      const copy = structuredClone(document);
      change(copy);
      return JSON.stringify(copy);
    };
    const [dog] = document.tables.dog;
    const cases: readonly (readonly [Readonly<Record<string, string | Buffer>>, RegExp])[] = [
      [{ 'other.json': '{}' }, /no woolly-tide\.json/],
      [{ 'woolly-tide.json': 'not json' }, /is not JSON/],
      [{ 'woolly-tide.json': '[]' }, /is no salon/],
      [{ 'woolly-tide.json': changed((d) => (d.version = 2)) }, /of version 2/],
      [{ 'woolly-tide.json': changed((d) => (d.schema = 999)) }, /please use the newer program/],
      [{ 'woolly-tide.json': changed((d) => (d.tables['dog; DROP TABLE dog'] = [])) }, /not one of a salon/],
      [{ 'woolly-tide.json': changed((d) => (d.tables.dog = [{ ...dog, 'name) --': 1 }])) }, /has a column/],
      [{ 'woolly-tide.json': changed((d) => (d.tables.dog = [{ ...dog, weight_kg: 'heavy' }])) }, /cannot be kept/],
      [{ 'woolly-tide.json': changed((d) => (d.tables.dog = [dog, dog])) }, /cannot be kept/],
      [
        {
          'woolly-tide.json': changed(
            (d) =>
              (d.tables.photo = [
                { id: 'p', check_id: 'c', zone: null, width: 1, height: 1, jpeg: { file: '../../etc/passwd' } },
              ]),
          ),
        },
        /not in this zip/,
      ],
      [
        {
          'woolly-tide.json': changed(
            (d) =>
              (d.tables.photo = [
                { id: 'p', check_id: 'c', zone: null, width: 1, height: 1, jpeg: { file: 'photos/x.jpg' } },
              ]),
          ),
          'photos/x.jpg': '<svg onload="alert(1)"/>',
        },
        /no JPEG/,
      ],
      [
        {
          'woolly-tide.json': changed(
            (d) =>
              (d.tables.booking = [
                {
                  id: 'b',
                  dog_id: 'nobody',
                  starts_at: '2031-01-01T00:00:00Z',
                  minutes: 5,
                  note: '',
                  cancelled: 0,
                  version: 1,
                  agreed: 1,
                  told: null,
                  uid: null,
                  service: 'coat',
                  cancelled_why: null,
                },
              ]),
          ),
        },
        /FOREIGN KEY/,
      ],
    ];
    for (const [files, says] of cases) expect(await refused(await zipOf(files))).to.match(says);
    const torn = join(folder(), 'torn.zip');
    writeFileSync(torn, readFileSync(good).subarray(0, 300));
    await refused(torn);
    writeFileSync(torn, 'no zip at all');
    await refused(torn);
  });

  it('unpacks no bomb: neither one that owns up to its size nor one that lies about it', async () => {
    const zip = await zipOf({ 'woolly-tide.json': Buffer.alloc(8_000_000, 0x20) });
    const small = { entries: 10, documentBytes: 1_000_000, pictureBytes: 1000, allBytes: 4_000_000 };
    const at = folder();
    const said = async (path: string, limits = small): Promise<string> =>
      readArchive(path, join(at, 'new.sqlite'), limits).then(
        () => 'read in',
        (p: unknown) => String(p),
      );
    expect(await said(zip)).to.match(/larger than any salon/);
    expect(await said(zip, { ...small, allBytes: 1e9 })).to.match(/larger than any salon/);
    // The same with a header that says 10 bytes: in the local header and in the directory.
    const bytes = readFileSync(zip);
    const lie = Buffer.alloc(4);
    lie.writeUInt32LE(10);
    for (let i = bytes.indexOf('PK\u0001\u0002'); i >= 0; i = bytes.indexOf('PK\u0001\u0002', i + 1))
      lie.copy(bytes, i + 24);
    const liar = join(at, 'liar.zip');
    writeFileSync(liar, bytes);
    expect(await said(liar, { ...small, allBytes: 1e9 })).to.match(/too many bytes|larger than any salon|invalid/);
    const many = await zipOf(Object.fromEntries(Array.from({ length: 20 }, (_, i) => [`f${i}`, ''])));
    expect(await said(many)).to.match(/larger than any salon/);
    const climbing = await zipOf({ 'woolly-tide.json': '{}' });
    const climbed = readFileSync(climbing);
    for (let i = climbed.indexOf('woolly-tide.json'); i >= 0; i = climbed.indexOf('woolly-tide.json', i + 1))
      climbed.write('../../woolly.json', i, 16);
    writeFileSync(climbing, climbed);
    expect(await said(climbing)).to.match(/invalid relative path|\.\./);
  });
});

describe('backups', () => {
  /** Backups of a clock that goes right, in the order in which they were made. */
  const inOrder = (times: readonly number[]): readonly BackupName[] =>
    [...times].sort((a, b) => a - b).map((atMs, i) => ({ atMs, number: i + 1 }));
  const timesOf = (kept: Iterable<BackupName>): readonly number[] => [...kept].map((b) => b.atMs);

  it('keep the newest of 7 days, 4 weeks and 12 months (property)', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 0, max: 900 * 4 }), { minLength: 1, maxLength: 400 }),
        (quarters) => {
          const backups = inOrder(quarters.map((q) => NOW - q * (DAY / 4)));
          const times = timesOf(backups);
          const kept = keptBackups(backups);
          expect(timesOf(kept)).to.include(Math.max(...times));
          expect(kept.size).to.be.at.most(7 + 4 + 12);
          // What stays stays: thinning twice is thinning once, and one more never takes a newer one away.
          expect(new Set(keptBackups([...kept]))).to.deep.equal(new Set(kept));
          const days = new Set(timesOf(kept).map((t) => Math.floor(t / DAY)));
          const allDays = [...new Set(times.map((t) => Math.floor(t / DAY)))].sort((a, b) => b - a);
          for (const d of allDays.slice(0, 7)) expect(days.has(d)).to.equal(true);
          const months = new Set(timesOf(kept).map((t) => new Date(t).toISOString().slice(0, 7)));
          const allMonths = [...new Set(times.map((t) => new Date(t).toISOString().slice(0, 7)))].sort().reverse();
          for (const m of allMonths.slice(0, 12)) expect(months.has(m)).to.equal(true);
        },
      ),
      { seed: 23 },
    );
  });

  it('keep the one made last, whatever the clock said of it or of those before (property)', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -4000, max: 4000 }), { minLength: 1, maxLength: 60 }), (days) => {
        // A clock that jumps about: backups in the order in which they were made.
        const backups = days.map((d, i) => ({ atMs: NOW + d * DAY, number: i + 1 }));
        const kept = keptBackups(backups);
        const last = backups.at(-1);
        expect([...kept].sort(lastFirst)[0]).to.equal(last);
      }),
      { seed: 24 },
    );
    // A week with the clock a year ahead does not push out the week that follows it.
    const ahead = Array.from({ length: 7 }, (_, i) => ({ atMs: NOW + 365 * DAY + i * DAY, number: i + 1 }));
    const right = Array.from({ length: 7 }, (_, i) => ({ atMs: NOW + i * DAY, number: i + 8 }));
    const kept = keptBackups([...ahead, ...right]);
    for (const b of right) expect(kept.has(b)).to.equal(true);
  });

  it('are told by their names, those from before names had a number too', () => {
    const told = { atMs: NOW, number: 17 };
    expect(readBackupName(backupName(told))).to.deep.equal(told);
    expect(readBackupName('backup-20310409T090000Z.sqlite')).to.deep.equal({ atMs: NOW, number: 0 });
    expect(readBackupName('backup-20319999T999999Z-1.sqlite')).to.equal(undefined);
    expect(readBackupName('backup-20310409T090000Z-1.sqlite.unfinished')).to.equal(undefined);
    expect(goneBy(told)).to.be.within(NOW + 365 * DAY, NOW + 410 * DAY);
  });

  it('count as sound only when they are a salon: no empty file, no other program’s', () => {
    const at = folder();
    const empty = join(at, 'empty.sqlite');
    writeFileSync(empty, '');
    expect(lookedThrough(empty, 'deep')).to.deep.equal({ ok: false, what: 'it holds no salon' });
    const other = join(at, 'other.sqlite');
    const db = new Database(other);
    db.exec('CREATE TABLE recipes (name TEXT)');
    db.close();
    expect(lookedThrough(other, 'deep')).to.deep.equal({ ok: false, what: 'it holds no salon' });
    const liar = new Database(other);
    liar.pragma('user_version = 3');
    liar.close();
    expect(lookedThrough(other, 'deep'))
      .to.have.property('what')
      .that.matches(/it lacks the table /);
    expect(() => restore(at, empty, NOW)).to.throw(/is no sound backup/);
  });

  it('say how long each copy of what is gone still holds it', async () => {
    const at = folder();
    const db = openDb(join(at, 'woolly-tide.sqlite'));
    const safe = new Safe({ stores: stores(db, () => NOW), nowMs: () => NOW, at: { db, data: at } });
    expect(safe.copies()).to.deep.equal([]);
    const { name, ...told } = await makeBackup(db, at, NOW);
    mkdirSync(join(at, 'out'));
    writeFileSync(join(at, 'out', 'x.zip'), '');
    writeFileSync(join(at, 'backups', 'before-schema-9-20310101T000000Z.sqlite'), '');
    writeFileSync(join(at, 'woolly-tide.sqlite.before-restore-20310101T000000Z'), '');
    expect(safe.copies()).to.deep.equal([
      { file: `backups/${name}`, goneByMs: goneBy(told) },
      { file: 'out/x.zip', goneByMs: NOW + DAY },
      { file: 'backups/before-schema-9-20310101T000000Z.sqlite', goneByMs: null },
      { file: 'woolly-tide.sqlite.before-restore-20310101T000000Z', goneByMs: null },
    ]);
    db.close();
  });

  it('whose folder was taken away are told of, and no page fails for it', () => {
    const at = folder();
    const db = openDb(':memory:');
    const safe = new Safe({ stores: stores(db, () => NOW), nowMs: () => NOW, at: { db, data: join(at, 'gone') } });
    expect(safe.page().backups).to.deep.equal([]);
    expect(safe.page().notices.join()).to.match(/gone cannot be read: the disk may have been taken away/);
    db.close();
  });

  it('keep a new salon from being begun where one is missing, and name the newest good one', async () => {
    const at = folder();
    const db = openDb(join(at, 'woolly-tide.sqlite'));
    stores(db, () => NOW).dogs.insert('d', TANSY);
    // Made a year ahead of its time; the one after it is the newest all the same.
    await makeBackup(db, at, NOW + 365 * DAY);
    const { name } = await makeBackup(db, at, NOW);
    db.close();
    for (const begin of [
      () => rmSync(join(at, 'woolly-tide.sqlite')),
      () => writeFileSync(join(at, 'woolly-tide.sqlite'), ''),
    ]) {
      begin();
      expect(() => openSalon(at)).to.throw(
        new RegExp(`missing or empty.*newest good backup is ${name}.*restore --data`),
      );
    }
    expect(backupDue(at, NOW + 2 * DAY)).to.equal(true);
    expect(backupDue(at, NOW + DAY / 3)).to.equal(false);
    expect(restore(at, join(at, 'backups', name), NOW)).to.be.a('string');
    openSalon(at).close();
    const fresh = folder();
    openSalon(fresh).close();
  });

  it('leave nothing half-made behind, and nothing that another user of the machine can read', async () => {
    const at = folder();
    mkdirSync(join(at, 'backups'));
    mkdirSync(join(at, 'out'));
    const left = [
      'backups/backup-20310409T090000Z-1.sqlite.unfinished',
      'out/a.zip.unfinished',
      'out/a.sqlite',
      'woolly-tide.sqlite.restoring',
    ];
    for (const file of left) writeFileSync(join(at, file), 'half');
    writeFileSync(join(at, 'out', 'whole.zip'), 'whole', { mode: 0o644 });
    chmodSync(at, 0o755);
    const held = takeFolder(at);
    for (const file of left) expect(existsSync(join(at, file)), file).to.equal(false);
    expect(existsSync(join(at, 'out', 'whole.zip'))).to.equal(true);
    const db = openSalon(at);
    await makeBackup(db, at, NOW);
    const mode = (path: string): number => statSync(join(at, path)).mode & 0o777;
    for (const path of ['', 'backups', 'out']) expect(mode(path), path).to.equal(0o700);
    for (const path of [
      'woolly-tide.sqlite',
      'out/whole.zip',
      ...readdirSync(join(at, 'backups')).map((n) => `backups/${n}`),
    ])
      expect(mode(path), path).to.equal(0o600);
    db.close();
    held.letGo();
  });

  it('are made while the salon works, sound, and found again when the newest is torn', async () => {
    const at = folder();
    const db = openDb(join(at, 'woolly-tide.sqlite'));
    const kept = stores(db, () => NOW);
    kept.dogs.insert('d', TANSY);
    const first = await makeBackup(db, at, NOW);
    const making = makeBackup(db, at, NOW + DAY);
    kept.dogs.insert('e', TANSY);
    const second = await making;
    expect(backupsIn(at).map((b) => b.name)).to.deep.equal([second.name, first.name]);
    const found = lookedThrough(join(at, 'backups', first.name), 'deep');
    expect(found.ok && found.rows['dog']).to.equal(1);
    writeFileSync(join(at, 'backups', second.name), readFileSync(join(at, 'backups', second.name)).fill(7, 4096));
    expect(newestGood(at)?.name).to.equal(first.name);
    db.close();
  });

  it('and zips are made beside the requests, once each, and go on after a restart', async () => {
    const at = folder();
    const db = openDb(join(at, 'woolly-tide.sqlite'));
    const kept = stores(db, () => NOW);
    const safe = new Safe({ stores: kept, nowMs: () => NOW, at: { db, data: at } });
    expect(safe.ask('one', 'export').made).to.equal(true);
    expect(safe.ask('one', 'export').made).to.equal(false);
    expect(() => safe.ask('one', 'backup')).to.throw(/taken/);
    for (const id of ['two', 'three', 'four']) safe.ask(id, 'backup');
    expect(() => safe.ask('five', 'backup')).to.throw(/waiting already/);
    await safe.settled();
    const [job] = kept.jobs.newest().filter((j) => j.id === 'one');
    expect(job).to.include({ state: 'done', problem: null });
    expect(job && safe.zip(job)).to.be.a('string');
    // As a program leaves it that is killed under way.
    kept.jobs.add('six', 'backup', NOW);
    kept.jobs.begin('six');
    const later = new Safe({ stores: kept, nowMs: () => NOW + DAY, at: { db, data: at } });
    later.resume();
    await later.settled();
    expect(kept.jobs.find('six')?.state).to.equal('done');
    expect(new Safe({ stores: kept, nowMs: () => NOW }).page().folder).to.equal(null);
    db.close();
  });

  it('say when the clock was set back, and take nothing away by it', async () => {
    const at = folder();
    const db = openDb(join(at, 'woolly-tide.sqlite'));
    let now = NOW;
    const kept = stores(db, () => now);
    acting.run({ role: 'owner', id: 'a', name: 'Runa' }, () => kept.dogs.insert('d', TANSY));
    const safe = new Safe({ stores: kept, nowMs: () => now, at: { db, data: at } });
    await safe.daily();
    expect(safe.notices()).to.deep.equal([]);
    now = NOW - 400 * DAY;
    expect(safe.notices()[0]).to.match(/set back.*2031-04-09.*2030-03-05/);
    await safe.daily();
    expect(backupsIn(at)).to.have.length(2);
    db.close();
  });
});

describe('the trail', () => {
  it('says who changed what, by field, and keeps secrets', async () => {
    const room = await openRoom();
    const dog = (await room.call('GET', '/dogs/demo-kelda')).json.dog;
    const { id, ...edit } = dog;
    expect((await room.call('PUT', `/dogs/${id}`, { ...edit, weightKg: 31.5, note: 'likes oats' })).status).to.equal(
      200,
    );
    await room.call('DELETE', '/roster/apart/demo-anchor/demo-kelda');
    const { json } = await room.call('GET', '/changes?dog=demo-kelda');
    const [newest] = json.changes;
    expect(newest).to.include({
      who: 'Runa',
      table: 'dog',
      key: 'demo-kelda',
      name: 'Kelda',
      act: 'changed',
      atMs: NOW,
    });
    expect(newest.fields).to.deep.include({ field: 'weight_kg', before: dog.weightKg, after: 31.5 });
    expect(newest.fields).to.have.length(2);
    const all = await room.call('GET', '/changes');
    expect(all.json.changes[0]).to.include({ table: 'dog_apart', act: 'removed' });
    await room.call('POST', '/accounts', {
      id: 'k',
      name: 'Odd',
      login: 'odd',
      role: 'bather',
      personId: null,
      passphrase: 'three wet grey stones',
    });
    expect((await room.call('GET', '/changes')).text).not.to.contain('scrypt');
    expect((await room.call('GET', '/changes?before=x')).status).to.equal(400);
    await room.close();
  });

  it('is kept by every table but those that are their own record', () => {
    const db = openDb(':memory:');
    stores(db, () => NOW);
    const made = db.prepare<[], { name: string }>("SELECT name FROM temp.sqlite_master WHERE type = 'trigger'").all();
    const tables = db.prepare<[], { name: string }>("SELECT name FROM sqlite_master WHERE type = 'table'").all();
    const without = tables.map((t) => t.name).filter((t) => !made.some((m) => m.name === `trail_${t}_changed`));
    expect(without.sort()).to.deep.equal([
      'change',
      'drill_answer',
      'intake',
      'intake_dog',
      'intake_visit',
      'job',
      'known_device',
      'learnt_tide',
      'practice_bout',
      'session_event',
      'sign_in',
      'weather_reading',
    ]);
    db.close();
  });
});

describe('an owner who is forgotten', () => {
  it('is nowhere in the file any more, while the books stay', async () => {
    const room = await openRoom();
    const { json } = await room.call('GET', '/dogs/demo-kelda');
    const { owner } = json.dog;
    await room.call('PUT', `/dogs/demo-kelda`, { ...(({ id: _, ...d }) => d)(json.dog), note: 'Xylophone Zebra' });
    await room.call('POST', `/dogs/demo-kelda/home-notes`, {
      id: 'n-1',
      day: '2031-04-01',
      what: 'brushed',
      amount: 'pinch',
      grams: null,
      author: owner.name,
    });
    const link = await room.call('POST', '/home-links', { dogIds: ['demo-kelda'] });
    const sessions = json.sessions.length;
    // Called otherwise for a while, with reminders asked for under each name: the trail knows them by it.
    const renamed = async (name: string, phone: string) => {
      const { dog } = (await room.call('GET', '/dogs/demo-kelda')).json;
      const { id: _, ...draft } = dog;
      expect((await room.call('PUT', '/dogs/demo-kelda', { ...draft, owner: { name, phone } })).status).to.equal(200);
      const wish = { channel: 'text', email: '', quiet: { fromMinute: 1200, toMinute: 540 }, version: 0 };
      await room.call('PUT', '/dogs/demo-kelda/post', wish);
    };
    await renamed('Umbra Quillfeather', '0555 77 88');
    await renamed('Umbra Zephyrin', '0555 99 00');
    const grams = room.db
      .prepare<[], { n: number }>("SELECT count(*) AS n FROM session_event WHERE kind = 'weighed'")
      .get()?.n;
    const answer = await room.call('POST', '/forget', { dogId: 'demo-kelda' });
    expect(answer.json).to.include({ sessions });
    expect(answer.json.copies).to.deep.equal([]);
    expect((await room.call('POST', '/forget', { dogId: 'demo-kelda' })).status).to.equal(404);
    expect((await room.call('GET', '/dogs/demo-kelda')).status).to.equal(404);
    expect((await room.raw('GET', '/owner', { headers: { 'x-home-link': link.json.token } })).status).to.equal(404);
    expect(
      room.db.prepare<[], { n: number }>("SELECT count(*) AS n FROM session_event WHERE kind = 'weighed'").get()?.n,
    ).to.equal(grams);
    // Every cell of every table, and the bytes of the file itself.
    const bytes = room.db.serialize();
    const names = [owner.name, owner.phone, 'Umbra', 'Quillfeather', 'Zephyrin', '0555 77 88', '0555 99 00'];
    for (const word of [...names, 'Kelda', 'Xylophone Zebra'].filter((w) => w !== ''))
      expect(bytes.includes(word), word).to.equal(false);
    expect(() => room.db.prepare("UPDATE session_event SET kind = 'x'").run()).to.throw(/append-only/);
    for (const path of ['/dogs', '/sessions', '/tide', '/tally', '/day', '/bookings', '/roster', '/kit'])
      expect((await room.call('GET', path)).status, path).to.equal(200);
    await room.close();
  });
});
/** A picture as it is kept. */
function bare(): Uint8Array {
  const picture = bareJpeg(jpegOf());
  return picture.ok ? picture.value.bytes : expect.fail('the sample is no picture');
}
