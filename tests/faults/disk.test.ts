/**
 * Bad days of a disk and of whoever starts the program: full, read only, damaged, cut off in the middle of a write, taken
 * already, of an older program. Each is met with a sentence that tells the truth, and nothing that was acknowledged is lost.
 */
import { execFileSync, spawnSync } from 'node:child_process';
import {
  chmodSync,
  copyFileSync,
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { expect } from 'chai';
import fc from 'fast-check';
import { migrate, newestSchema, openDb, stores } from '../../server/db/index.ts';
import { makeBackup } from '../../server/storage/backups.ts';
import { openSalon, restore, salonFile, takeFolder } from '../../server/storage/data-folder.ts';
import { lookedThrough } from '../../server/storage/verify.ts';
import { killAll, PLAIN, SAFE, start, up } from '../process.ts';
import { openRoom } from '../server/room.ts';
import { signedInAt } from '../signed-in.ts';
import { fillSmall, smallIn, TANSY } from '../small-house.ts';

const folder = (): string => mkdtempSync(join(tmpdir(), 'woolly-tide-disk-'));
const safe = (...args: string[]) => spawnSync(process.execPath, [...SAFE, ...args], { encoding: 'utf8' });
const dogsIn = (file: string): number => {
  const found = lookedThrough(file, 'deep');
  return found.ok ? (found.rows['dog'] ?? 0) : expect.fail(found.what);
};

describe('a bad day', () => {
  afterEach(killAll);

  it('of a full disk: what does not fit is not said to be saved, and what was saved is there', async () => {
    const room = await openRoom({ demo: false });
    fillSmall(room.stores, Date.now());
    // The engine itself says that no page is left, as it does when the disk has none.
    const pages = Number(room.db.pragma('page_count', { simple: true }));
    room.db.pragma(`max_page_count = ${pages + 6}`);
    let kept = 2;
    let full: { status: number; text: string } | undefined;
    for (let i = 0; i < 200 && !full; i++) {
      const answer = await room.call('POST', '/dogs', { id: `dog-${i}`, ...TANSY, note: 'x'.repeat(1500) });
      if (answer.status === 201) kept++;
      else full = answer;
    }
    expect(full?.status).to.equal(507);
    expect(full?.text).to.contain('disk').and.contain('was not saved').and.not.contain('SQLITE');
    // Reading goes on, also when being seen cannot be written down.
    room.db.pragma(`max_page_count = ${Number(room.db.pragma('page_count', { simple: true }))}`);
    expect((await room.call('GET', '/dogs')).json.dogs).to.have.length(kept);
    room.db.pragma(`max_page_count = ${pages + 500}`);
    expect((await room.call('POST', '/dogs', { id: 'late', ...TANSY })).status).to.equal(201);
    expect(room.db.pragma('integrity_check', { simple: true })).to.equal('ok');
    await room.close();
  });

  it('of a disk that is full for real, where a small one can be mounted', async function () {
    const at = folder();
    const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=6m', 'tmpfs', at]).status === 0;
    if (!mounted) return this.skip();
    try {
      smallIn(at);
      const { base, child, ended } = await up(PLAIN, at);
      const headers = await signedInAt(base);
      let acknowledged = 2;
      let status = 0;
      for (let i = 0; i < 2000 && status < 500; i++) {
        const body = JSON.stringify({ id: `dog-${i}`, ...TANSY, note: 'y'.repeat(1900) });
        const answer = await fetch(`${base}/api/dogs`, { method: 'POST', headers, body });
        ({ status } = answer);
        if (status === 201) acknowledged++;
        else expect((await answer.json()).error.message).to.match(/not saved/);
      }
      expect(status).to.be.oneOf([503, 507]);
      child.kill('SIGKILL');
      await ended;
      const out = folder();
      for (const f of readdirSync(at)) if (f.startsWith('woolly-tide.sqlite')) copyFileSync(join(at, f), join(out, f));
      const db = openDb(salonFile(out));
      expect(stores(db).dogs.all().length).to.be.at.least(acknowledged);
      db.close();
    } finally {
      spawnSync('umount', ['-l', at]);
    }
  });

  it('of a file that can only be read says so, at the start and at work', async () => {
    const db = openDb(':memory:');
    const kept = stores(db);
    fillSmall(kept, Date.now());
    db.pragma('query_only = ON');
    expect(() => kept.write(() => kept.dogs.insert('x', TANSY))).to.throw(/readonly/);
    db.close();
    const room = await openRoom({ demo: false });
    fillSmall(room.stores, Date.now());
    await room.call('GET', '/dogs');
    room.db.pragma('query_only = ON');
    const answer = await room.call('POST', '/dogs', { id: 'late', ...TANSY });
    expect([answer.status, answer.json.error.message]).to.deep.equal([
      503,
      'The salon’s file can only be read at this moment: this was not saved. Give the program leave to write to its folder, and do it again.',
    ]);
    room.db.pragma('query_only = OFF');
    await room.close();
    // Root may write anywhere: anyone who is not root is refused by the system, root is told of a folder that is none.
    const file = join(folder(), 'a-file');
    writeFileSync(file, '');
    expect(() => takeFolder(join(file, 'within'))).to.throw(/nothing can be written to the folder/);
    const shut = folder();
    chmodSync(shut, 0o500);
    if (process.getuid?.() !== 0) expect(() => takeFolder(shut)).to.throw(/nothing can be written to the folder/);
  });

  it('of two programs on one file: the second is refused and the first goes on; after a kill nobody waits', async () => {
    const at = folder();
    smallIn(at);
    const first = await up(PLAIN, at);
    const second = await start(PLAIN, '--port', '0', '--data', at).ended;
    expect(second.code).to.equal(1);
    expect(second.said).to.match(/Could not start: another Woolly Tide is at work in .*close that one first/);
    expect(safe('restore', '--data', at).stderr).to.match(/Another Woolly Tide is at work/);
    expect((await fetch(`${first.base}/api/health`)).status).to.equal(200);
    first.child.kill('SIGKILL');
    await first.ended;
    const third = await up(PLAIN, at);
    third.child.kill('SIGTERM');
    expect((await third.ended).code).to.equal(0);
    // A clean end leaves all in the one file.
    expect(existsSync(`${salonFile(at)}-wal`)).to.equal(false);
  });

  it('of a damaged page: the start says so, names the good backup, touches nothing; one command goes back', async () => {
    const at = folder();
    smallIn(at);
    const db = openDb(salonFile(at));
    await makeBackup(db, at, Date.parse('2031-04-08T03:00:00Z'));
    stores(db).dogs.insert('later', TANSY);
    db.pragma('wal_checkpoint(TRUNCATE)');
    db.close();
    const bytes = readFileSync(salonFile(at));
    for (let page = 3; page * 4096 + 4096 <= bytes.length && page < 40; page++)
      bytes.fill(0xa5, page * 4096, page * 4096 + 900);
    writeFileSync(salonFile(at), bytes);
    const refused = await start(PLAIN, '--port', '0', '--data', at).ended;
    expect(refused.code).to.equal(1);
    expect(refused.said)
      .to.match(/Could not start: the salon's file .* is damaged/)
      .and.contain('It was left as it is')
      .and.contain('backup-20310408T030000Z-1.sqlite')
      .and.contain(`npm run safe -- restore --data ${at}`);
    expect(readFileSync(salonFile(at)).equals(bytes)).to.equal(true);
    const back = safe('restore', '--data', at);
    expect(back.stderr).to.equal('');
    expect(back.stdout).to.match(/Back at .*backup-20310408T030000Z-1\.sqlite\. The file that was there is kept as/);
    const aside = readdirSync(at).find((f) => f.includes('before-restore')) ?? '';
    expect(readFileSync(join(at, aside)).equals(bytes)).to.equal(true);
    expect(dogsIn(salonFile(at))).to.equal(2);
    const { child, ended } = await up(PLAIN, at);
    child.kill('SIGINT');
    expect((await ended).code).to.equal(0);
  });

  it('of a damaged page that is met at work is no lie either', async () => {
    const at = folder();
    const db = new Database(join(at, 'x.sqlite'));
    db.exec('CREATE TABLE t (a TEXT) STRICT');
    for (let i = 0; i < 500; i++) db.prepare('INSERT INTO t VALUES (?)').run('z'.repeat(100));
    db.close();
    const bytes = readFileSync(join(at, 'x.sqlite'));
    bytes.fill(0x5a, 4096 * 2, 4096 * 6);
    writeFileSync(join(at, 'x.sqlite'), bytes);
    const found = lookedThrough(join(at, 'x.sqlite'), 'quick');
    expect(found.ok).to.equal(false);
  });

  it('of the power, in the middle of a write: whole transactions stay, in order, whatever is torn off the log (property)', () => {
    const at = folder();
    smallIn(at);
    const db = openDb(salonFile(at));
    db.pragma('wal_autocheckpoint = 0');
    const kept = stores(db);
    const sizes: number[] = [];
    for (let i = 0; i < 40; i++) {
      // Two rows a transaction: never one without the other.
      kept.write(() => {
        kept.dogs.insert(`p-${i}`, { ...TANSY, name: `Pair ${i}` });
        kept.dogs.insert(`q-${i}`, { ...TANSY, name: `Pair ${i}` });
      });
      sizes.push(statSync(`${salonFile(at)}-wal`).size);
    }
    const frozen = folder();
    cpSync(at, frozen, { recursive: true });
    db.close();
    const whole = sizes.at(-1) ?? 0;
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: whole }),
        fc.boolean(),
        fc.integer({ min: 1, max: 600 }),
        (cut, torn, length) => {
          const after = folder();
          copyFileSync(salonFile(frozen), salonFile(after));
          const wal = `${salonFile(after)}-wal`;
          copyFileSync(`${salonFile(frozen)}-wal`, wal);
          if (torn) {
            // A sector that was never written, and all after it.
            const bytes = readFileSync(wal);
            bytes.fill(0, cut, Math.min(whole, cut + length));
            writeFileSync(wal, bytes);
          } else truncateSync(wal, cut);
          const open = openSalon(after);
          const names = stores(open)
            .dogs.all()
            .map((d) => d.id)
            .filter((id) => /^[pq]-/.test(id));
          open.close();
          const pairs = names.length / 2;
          expect(Number.isInteger(pairs)).to.equal(true);
          // All that had been on the disk before the cut, and nothing out of order.
          expect(pairs).to.be.at.least(sizes.filter((s) => s <= cut).length);
          for (let i = 0; i < pairs; i++) expect(names).to.include.members([`p-${i}`, `q-${i}`]);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('of an older file: each earlier schema opens, is put by first, and loses no row', () => {
    for (let schema = 1; schema < newestSchema(); schema++) {
      const at = folder();
      const old = new Database(salonFile(at));
      migrate(old, schema);
      old
        .prepare(
          `INSERT INTO salon (id, name, town, latitude_deg, longitude_deg, time_zone, house) VALUES (1, 'Shed', '', 60, 20, 'Europe/Mariehamn', '{}')`,
        )
        .run();
      old
        .prepare(
          `INSERT INTO dog (id, name, breed, sex, coat_class, weight_kg, traits, outdoor_share, home_care, note, owner_name, owner_phone)
         VALUES ('d', 'Tansy', '', 'female', 'medium-double', 18, '[]', 0.3, 'some', '', 'Ada', '')`,
        )
        .run();
      old
        .prepare(
          `INSERT INTO booking (id, dog_id, starts_at, minutes, note) VALUES ('b', 'd', '2031-01-01T08:00:00Z', 60, '')`,
        )
        .run();
      // Imports held long lists before they had rows.
      const listed = schema >= 10 && schema < 14;
      if (listed)
        old
          .prepare(
            `INSERT INTO intake (id, at_ms, who, dogs, visits) VALUES ('i', 1, 'Runa', '["d", "gone"]', '["v"]')`,
          )
          .run();
      old.close();
      const db = openSalon(at);
      const kept = stores(db);
      expect(db.pragma('user_version', { simple: true }), `from ${schema}`).to.equal(newestSchema());
      expect(kept.dogs.find('d')).to.include({ name: 'Tansy', shape: 'spitz' });
      expect(kept.bookings.find('b')).to.include({ minutes: 60, agreed: true });
      if (listed) {
        expect(kept.intake.find('i')).to.include({ dogs: 2, visits: 1, undone: false });
        expect(kept.intake.dogIds('i')).to.have.members(['d', 'gone']);
      }
      db.close();
      const [copy = ''] = readdirSync(join(at, 'backups'));
      expect(copy).to.match(new RegExp(`^before-schema-${newestSchema()}-\\d{8}T\\d{6}Z\\.sqlite$`));
      const put = lookedThrough(join(at, 'backups', copy), 'deep');
      expect(put.ok && put.schema).to.equal(schema);
      // Opened once more nothing is put by again.
      openSalon(at).close();
      expect(readdirSync(join(at, 'backups'))).to.have.length(1);
    }
  });

  it('of a backup that is none: going back refuses it and leaves the file', () => {
    const at = folder();
    smallIn(at);
    const before = readFileSync(salonFile(at));
    mkdirSync(join(at, 'backups'));
    writeFileSync(join(at, 'backups', 'backup-20310408T030000Z.sqlite'), before.subarray(0, 9000));
    expect(() => restore(at, join(at, 'backups', 'backup-20310408T030000Z.sqlite'), 0)).to.throw(/no sound backup/);
    expect(readFileSync(salonFile(at)).equals(before)).to.equal(true);
    expect(safe('restore', '--data', at).stderr).to.match(/There is no good backup/);
  });
});

describe('the safe from the command line', () => {
  it('backs up beside a working salon, verifies, takes out, reads in, and sets a passphrase', async () => {
    const at = folder();
    smallIn(at);
    const running = await up(PLAIN, at);
    const made = safe('backup', '--data', at);
    expect(made.stderr).to.equal('');
    const [, backup = ''] = /looked through: (\S+)/.exec(made.stdout) ?? [];
    expect(safe('verify', backup).stdout).to.match(/is sound: schema \d+, \d+ rows/);
    const zip = join(folder(), 'salon.zip');
    expect(safe('export', '--data', at, '--to', zip).stdout).to.match(/Everything is in/);
    expect(safe('export', '--data', at, '--to', zip).status).to.equal(2);
    const other = join(folder(), 'new');
    const read = safe('import', zip, '--data', other);
    expect(read.stdout)
      .to.match(/2 dogs/)
      .and.match(/Passphrases do not leave/);
    expect(safe('import', zip, '--data', other).stderr).to.match(/There is a salon in .* already/);
    running.child.kill('SIGINT');
    await running.ended;
    const set = execFileSync(process.execPath, [...SAFE, 'passphrase', '--login', 'runa', '--data', other], {
      input: 'nine plain blue kettles\n',
      encoding: 'utf8',
    });
    expect(set).to.match(/Runa signs in with the new passphrase/);
    const there = await up(PLAIN, other);
    const signIn = (passphrase: string) =>
      fetch(`${there.base}/api/sign-in`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', 'x-woolly-tide': 'page' },
        body: JSON.stringify({ login: 'runa', passphrase, shared: false }),
      });
    expect((await signIn('a rake for every coat')).status).to.equal(401);
    expect((await signIn('nine plain blue kettles')).status).to.equal(200);
    there.child.kill('SIGINT');
    await there.ended;
    killAll();
  });

  for (const [args, says] of [
    [['verify', '/nowhere'], /There is no file/],
    [['backup', '--data', '/nowhere'], /There is no salon in/],
    [['dance'], /Usage: npm run safe/],
    [['passphrase', '--data', '/nowhere/at/all', '--login', 'x'], /There is no salon in/],
    [['restore', '--data', '/nowhere/at/all'], /There is no folder/],
    [['__proto__'], /Usage/],
  ] as const)
    it(`says in a sentence that it cannot: ${args.join(' ')}`, () => {
      const { status, stderr } = safe(...args);
      expect(status).to.equal(2);
      expect(stderr)
        .to.match(says)
        .and.not.match(/\n\s+at /);
    });
});
