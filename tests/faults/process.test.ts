/** The demo as a process: it comes up, closes, is killed, meets bad options and strange files. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { expect } from 'chai';
import { demoIn } from '../demo.ts';
import { signedInAt } from '../signed-in.ts';
import { killAll, PLAIN, SERVER, start, up } from '../process.ts';

const emptyDir = (): string => mkdtempSync(join(tmpdir(), 'woolly-tide-data-'));
type Device = { readonly base: string; readonly headers: Record<string, string> };
const device = async (base: string): Promise<Device> => ({ base, headers: await signedInAt(base) });
const send = ({ base, headers }: Device, method: string, path: string, body: unknown) =>
  fetch(`${base}/api${path}`, { method, headers, body: JSON.stringify(body) });
const dogsAt = async ({ base, headers }: Device): Promise<readonly { readonly name: string }[]> =>
  (await (await fetch(`${base}/api/dogs`, { headers })).json()).dogs;
const DOG = {
  name: 'Drummer',
  breed: '',
  sex: 'male',
  born: null,
  coatClass: 'harsh-double',
  shape: 'hound',
  lastSeason: null,
  weightKg: 12,
  traits: [],
  outdoorShare: 0.2,
  standingMinutes: null,
  homeCare: 'none',
  note: '',
  owner: { name: 'Siv Alm', phone: '' },
};

describe('the demo as a process', () => {
  afterEach(killAll);

  it('closes cleanly on Ctrl-C, keeps what was saved, and fills only an empty file', async () => {
    const data = emptyDir();
    demoIn(data);
    const first = await up(SERVER, data);
    expect((await send(await device(first.base), 'POST', '/dogs', { id: 'drummer', ...DOG })).status).to.equal(201);
    first.child.kill('SIGINT');
    const end = await first.ended;
    expect(end.code).to.equal(0);
    expect(end.said).to.contain('Woolly Tide is closed.');
    const second = await up(SERVER, data);
    const dogs = await dogsAt(await device(second.base));
    expect(dogs.filter((d) => d.name === 'Drummer')).to.have.length(1);
    second.child.kill('SIGTERM');
    expect((await second.ended).code).to.equal(0);
    const third = await up(SERVER, data, '--fresh');
    expect((await dogsAt(await device(third.base))).length).to.equal(dogs.length - 1);
  });

  it('is killed in the middle of writing: every acknowledged dog is there afterwards, and the file is sound', async () => {
    const data = emptyDir();
    demoIn(data);
    const victim = await up(SERVER, data);
    const at = await device(victim.base);
    const kept: string[] = [];
    let dead = false;
    const writers = Array.from({ length: 4 }, async (_, w) => {
      for (let i = 0; !dead && i < 400; i++) {
        const name = `Writer ${w} ${i}`;
        const answer = await send(at, 'POST', '/dogs', { id: `writer-${w}-${i}`, ...DOG, name }).catch(() => undefined);
        if (answer?.status === 201) kept.push(name);
        if (kept.length >= 60 && !dead) {
          dead = true;
          victim.child.kill('SIGKILL');
        }
      }
    });
    await Promise.all(writers);
    await victim.ended;
    expect(kept.length).to.be.at.least(60);
    const after = await up(SERVER, data);
    const names = new Set((await dogsAt(await device(after.base))).map((d) => d.name));
    expect(kept.filter((n) => !names.has(n))).to.deep.equal([]);
    after.child.kill('SIGINT');
    await after.ended;
    const db = new Database(join(data, 'woolly-tide.sqlite'), { readonly: true });
    expect(db.pragma('integrity_check', { simple: true })).to.equal('ok');
    expect(db.pragma('foreign_key_check')).to.deep.equal([]);
    db.close();
  });

  it('says that a port is taken, and how to choose another', async () => {
    const taken = createServer().listen(0, '127.0.0.1');
    await new Promise((listening) => taken.once('listening', listening));
    const address = taken.address();
    const port = typeof address === 'object' && address ? address.port : 0;
    const { ended } = start(PLAIN, '--port', String(port), '--data', emptyDir());
    const end = await ended;
    taken.close();
    expect(end.code).to.equal(1);
    expect(end.said).to.contain(`Port ${port} is in use`).and.contain('--port');
  });

  for (const [args, says] of [
    [['--port', 'eighty'], /--port must be a whole number from 0 to 65535, not "eighty"/],
    [['--port', '70000'], /not "70000"/],
    [
      ['--dta', 'x'],
      /Known options: --port N, --host ADDRESS, --data DIR, --name NAME, --behind-proxy, --demo, --fresh/,
    ],
    [['stray'], /Known options/],
  ] as const) {
    it(`refuses ${args.join(' ')} in one sentence`, async () => {
      const end = await start(SERVER, ...args).ended;
      expect(end.code).to.equal(2);
      expect(end.said).to.match(says);
      expect(end.said.trim().split('\n')).to.have.length(1);
    });
  }

  it('does not open a file of a newer program, a file that is no database, or a folder that is a file', async () => {
    const newer = emptyDir();
    const db = new Database(join(newer, 'woolly-tide.sqlite'));
    db.pragma('user_version = 999');
    db.close();
    const torn = emptyDir();
    writeFileSync(join(torn, 'woolly-tide.sqlite'), 'this is not a database, whatever its name says; '.repeat(40));
    const file = join(emptyDir(), 'a-file');
    writeFileSync(file, '');
    for (const [data, says] of [
      [newer, /Could not start: the database is at schema 999.*please start the newer program/],
      [
        torn,
        /Could not start: the salon's file .* is damaged \(file is not a database\)\. It was left as it is\. There is no good backup/,
      ],
      [file, /Could not start: .*a-file/],
    ] as const) {
      const end = await start(SERVER, '--port', '0', '--data', data).ended;
      expect(end.code, String(says)).to.equal(1);
      expect(end.said).to.match(says);
      expect(end.said.trim().split('\n')).to.have.length(1);
    }
  });

  it('asks for another Node in one sentence when it is too old', () => {
    for (const [version, code] of [
      ['18.20.0', 1],
      ['20.18.3', 1],
      ['20.19.0', 0],
      ['22.12.0', 0],
    ] as const) {
      const tried = spawnSync(
        process.execPath,
        [
          '-e',
          `Object.defineProperty(process, 'versions', { value: { ...process.versions, node: '${version}' } });
           require('./scripts/setup.cjs').checkNode();`,
        ],
        { encoding: 'utf8' },
      );
      expect(tried.status, version).to.equal(code);
      if (code === 1)
        expect(tried.stderr).to.match(new RegExp(`^Woolly Tide needs Node 20\\.19 or newer.*${version}.*\\n$`));
    }
  });
});
