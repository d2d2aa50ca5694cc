/** The program: reads the command line, takes the folder into use, listens, closes cleanly. */
import { randomBytes } from 'node:crypto';
import { rmSync } from 'node:fs';
import type { Server } from 'node:http';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { DoorState } from './auth/door-state.ts';
import { stores } from './db/index.ts';
import { DEMO_PASSPHRASE } from '../demo/accounts.ts';
import { newMemos } from './context.ts';
import { simulatedOutside } from '../demo/devices/outside.ts';
import { fillDemo } from '../demo/seed.ts';
import { Live } from './live.ts';
import { ReminderSender } from './reminders/sender.ts';
import { openSalon, salonFile, takeFolder } from './storage/data-folder.ts';
import { Safe } from './storage/safe.ts';
import { LearntKeeper, learntBefore } from './services/learnt.ts';
import { TideDesk } from './tide-desk.ts';
import { bookBefore, warmTide } from './services/tide-file.ts';
import { dropUnfinished } from './client-import.ts';
import { WorkerQueue } from './work/worker-queue.ts';
import { askTide } from './services/learn-tide.ts';

const DEFAULT_PORT = 4310;
const LOOPBACK = '127.0.0.1';
/** Between two pieces of work that nobody has asked for yet. */
const WARM_EVERY_MS = 4;
/** Between two rounds of the outbox; the first follows the start. */
const POST_EVERY_MS = 10 * 60_000;
const POST_FIRST_MS = 20_000;
/** Between two looks whether a backup is due. */
const BACKUP_EVERY_MS = 60 * 60_000;
const BACKUP_FIRST_MS = 30_000;
/** Requests under way are given so long when the program ends. */
const GRACE_MS = 3000;

interface Options {
  readonly port: number;
  readonly host: string;
  readonly data: string;
  readonly demo: boolean;
  readonly fresh: boolean;
  /** A reverse proxy on this machine stands before the program. */
  readonly behindProxy: boolean;
  /** Names it is reached by, beyond those of this machine. */
  readonly named: readonly string[];
}

const FLAGS = {
  port: { type: 'string', default: String(DEFAULT_PORT) },
  host: { type: 'string', default: LOOPBACK },
  data: { type: 'string' },
  demo: { type: 'boolean', default: false },
  fresh: { type: 'boolean', default: false },
  'behind-proxy': { type: 'boolean', default: false },
  name: { type: 'string', multiple: true },
} as const;

function options(argv: readonly string[]): Options | string {
  try {
    const { values } = parseArgs({ args: [...argv], options: FLAGS });
    const { host, demo, fresh, name: named = [], 'behind-proxy': behindProxy } = values;
    const port = Number(values.port);
    if (!Number.isInteger(port) || port < 0 || port > 65535)
      return `--port must be a whole number from 0 to 65535, not "${values.port}"`;
    if (behindProxy && named.length === 0)
      return '--behind-proxy needs the name that the proxy is reached by: --name salon.example';
    if (fresh && !demo) return '--fresh empties the file of a demo only: use it with --demo';
    const data = resolve(values.data ?? (demo ? 'data/demo' : 'data/salon'));
    return { port, host, data, demo, fresh, behindProxy, named };
  } catch (problem) {
    return problem instanceof Error ? problem.message : String(problem);
  }
}

function start({ port, host, data, demo, fresh, behindProxy, named }: Options): void {
  const folder = takeFolder(data);
  const file = salonFile(data);
  if (fresh) for (const end of ['', '-wal', '-shm']) rmSync(file + end, { force: true });
  const db = openSalon(data, { anew: fresh });
  const kept = stores(db);
  const memos = newMemos();
  if (demo && !kept.salon.find()) fillDemo(kept, Date.now(), memos);

  const live = new Live();
  const work = new WorkerQueue();
  const keeper = new LearntKeeper(kept, Date.now);
  const before = learntBefore(kept);
  const tide = new TideDesk(
    before,
    (packed) =>
      void keeper.keep(packed)?.catch((err: unknown) => log.error({ err }, 'what was learnt could not be kept')),
  );
  const context = { stores: kept, nowMs: Date.now, memos, tide };
  bookBefore(context, before?.dogs ?? []);
  const post = new ReminderSender(context);
  const safe = new Safe({ stores: kept, nowMs: Date.now, at: { db, data } });
  const log = pino({ level: 'info' });
  const setUpCode = randomBytes(6).toString('hex');
  const app = createApp({
    ...context,
    outside: simulatedOutside(Date.now, Math.random),
    live,
    work,
    post,
    safe,
    log,
    door: { setUpCode, ...(demo && { demoPassphrase: DEMO_PASSPHRASE }) },
    doorState: new DoorState({ behindProxy }),
    named,
    webRoot: resolve('dist'),
  });
  const letGo = (): void => {
    db.pragma('wal_checkpoint(TRUNCATE)');
    db.close();
    folder.letGo();
  };
  const server: Server = app.listen(port, host, (problem?: Error) => {
    if (problem) {
      console.error(listenSentence(problem, port, host));
      letGo();
      process.exit(1);
    }
    const address = server.address();
    const actual = address && typeof address === 'object' ? address.port : port;
    console.log(`Woolly Tide is up: http://localhost:${actual}/  (Ctrl-C ends it)`);
    for (const notice of safe.notices()) console.log(notice);
    if (kept.accounts.none() && (host !== LOOPBACK || behindProxy))
      console.log(`Nobody has an account yet. From another machine the first one needs this code: ${setUpCode}`);
    setTimeout(warm, WARM_EVERY_MS);
    safe.resume();
    dropUnfinished(kept).catch((err: unknown) => log.error({ err }, 'an import could not be taken back'));
  });
  let closing = false;
  const warming = warmTide(context);
  const warm = (): void => {
    if (closing || !kept.salon.find()) return;
    if (!warming.next().done) setTimeout(warm, WARM_EVERY_MS);
    else askTide(context);
  };
  // A round that failed is tried again with the next.
  const round = (): void => {
    if (kept.salon.find()) post.run().catch((err: unknown) => log.error({ err }, 'a round of reminders failed'));
  };
  const daily = (): void =>
    void safe.daily().catch((err: unknown) => log.error({ err }, 'the backup of the day failed'));
  const rounds = [
    setTimeout(round, POST_FIRST_MS),
    setInterval(round, POST_EVERY_MS),
    setTimeout(daily, BACKUP_FIRST_MS),
    setInterval(daily, BACKUP_EVERY_MS),
  ];
  const close = (): void => {
    if (closing) return;
    closing = true;
    for (const r of rounds) clearTimeout(r);
    post.close();
    safe.close();
    server.close(() => {
      // What is being written beside the requests is finished first: the database must not go from under it.
      void safe.settled().finally(() => {
        letGo();
        console.log('Woolly Tide is closed. Everything saved is in the file.');
        process.exit(0);
      });
    });
    live.close();
    tide.close();
    keeper.close();
    work.close();
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), GRACE_MS).unref();
  };
  process.on('SIGINT', close);
  process.on('SIGTERM', close);
}

function listenSentence(problem: Error, port: number, host: string): string {
  const code = 'code' in problem ? problem.code : undefined;
  if (code === 'EADDRINUSE') return `Port ${port} is in use. End the other program, or choose another with --port.`;
  if (code === 'EADDRNOTAVAIL') return `This machine has no address ${host}. Choose one it has with --host.`;
  return `Could not listen on port ${port}: ${problem.message}`;
}

const chosen = options(process.argv.slice(2));
if (typeof chosen === 'string') {
  console.error(
    `${chosen}. Known options: --port N, --host ADDRESS, --data DIR, --name NAME, --behind-proxy, --demo, --fresh.`,
  );
  process.exit(2);
}
try {
  start(chosen);
} catch (problem) {
  console.error(`Could not start: ${problem instanceof Error ? problem.message : String(problem)}.`);
  process.exit(1);
}
