/** Reads the command line, opens the file, listens, closes cleanly. */
import { existsSync, mkdirSync, rmSync } from 'node:fs';
import type { Server } from 'node:http';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { openDb, stores } from './db/index.ts';
import { fillDemo } from './demo/seed.ts';
import { Live } from './live.ts';
import { PostOffice } from './post-office.ts';
import { TideDesk } from './tide-desk.ts';
import { warmTide } from './tide-facts.ts';

const FILE = 'woolly-tide.sqlite';
const DEFAULT_PORT = 4310;
/** Between two pieces of work that nobody has asked for yet. */
const WARM_EVERY_MS = 4;
/** Between two rounds of the outbox; the first follows the start. */
const POST_EVERY_MS = 10 * 60_000;
const POST_FIRST_MS = 20_000;

interface Options {
  readonly port: number;
  readonly data: string;
  readonly fresh: boolean;
}

function options(argv: readonly string[]): Options | string {
  try {
    const { values } = parseArgs({
      args: [...argv],
      options: { port: { type: 'string' }, data: { type: 'string' }, fresh: { type: 'boolean' } },
    });
    const port = values.port === undefined ? DEFAULT_PORT : Number(values.port);
    if (!Number.isInteger(port) || port < 0 || port > 65535)
      return `--port must be a whole number from 0 to 65535, not "${values.port}"`;
    return { port, data: resolve(values.data ?? 'data'), fresh: values.fresh ?? false };
  } catch (problem) {
    return problem instanceof Error ? problem.message : String(problem);
  }
}

function start({ port, data, fresh }: Options): void {
  mkdirSync(data, { recursive: true });
  const file = join(data, FILE);
  if (fresh) for (const end of ['', '-wal', '-shm']) rmSync(file + end, { force: true });
  const filled = existsSync(file);
  const db = openDb(file);
  const kept = stores(db);
  if (!filled || !kept.salon.find()) fillDemo(kept, Date.now());

  const live = new Live();
  const tide = new TideDesk();
  const post = new PostOffice({ stores: kept, nowMs: Date.now }, tide);
  const log = pino({ level: 'error' });
  const app = createApp({
    stores: kept,
    nowMs: Date.now,
    random: Math.random,
    live,
    tide,
    post,
    log,
    webRoot: resolve('dist'),
  });
  const server: Server = app.listen(port, '127.0.0.1', (problem?: Error) => {
    if (problem) {
      console.error(portSentence(problem, port));
      db.close();
      process.exit(1);
    }
    const address = server.address();
    const actual = address && typeof address === 'object' ? address.port : port;
    console.log(`Woolly Tide is up: http://localhost:${actual}/  (Ctrl-C ends it)`);
    setTimeout(warm, WARM_EVERY_MS);
  });
  let closing = false;
  const warming = warmTide({ stores: kept, nowMs: Date.now });
  const warm = (): void => {
    if (!closing && !warming.next().done) setTimeout(warm, WARM_EVERY_MS);
  };
  // A round that failed is tried again with the next.
  const round = (): void =>
    void post.run().catch((problem: unknown) => log.error({ problem }, 'a round of reminders failed'));
  const rounds = [setTimeout(round, POST_FIRST_MS), setInterval(round, POST_EVERY_MS)];
  const close = (): void => {
    if (closing) return;
    closing = true;
    for (const r of rounds) clearTimeout(r);
    post.close();
    server.close(() => {
      db.close(); // checkpoints the write-ahead log
      console.log('Woolly Tide is closed. Everything saved is in the file.');
      process.exit(0);
    });
    live.close();
    tide.close();
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), 3000).unref();
  };
  process.on('SIGINT', close);
  process.on('SIGTERM', close);
}

const portSentence = (problem: Error, port: number): string =>
  'code' in problem && problem.code === 'EADDRINUSE'
    ? `Port ${port} is in use. End the other program, or choose another with --port.`
    : `Could not listen on port ${port}: ${problem.message}`;

const chosen = options(process.argv.slice(2));
if (typeof chosen === 'string') {
  console.error(`${chosen}. Known options: --port N, --data DIR, --fresh.`);
  process.exit(2);
}
try {
  start(chosen);
} catch (problem) {
  console.error(`Could not start: ${problem instanceof Error ? problem.message : String(problem)}`);
  process.exit(1);
}
