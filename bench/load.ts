/**
 * A salon of twenty years under load: what fifty tablets wait for at most, and how much the house costs beside a bare
 * handler that asks the same. Loopback only.
 */
import { fork } from 'node:child_process';
import { Agent, request } from 'node:http';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import autocannon from 'autocannon';
import type { SafePage } from '../contract/safe.ts';
import { openDb } from '../server/db/index.ts';
import { killAll, PLAIN, up } from '../tests/process.ts';
import { signedInAt } from '../tests/signed-in.ts';
import { seededRandom } from '../core/quantity/index.ts';
import { fillBig } from './big-salon.ts';

const CONNECTIONS = 50;
const SECONDS = 8;
/** Requests a second in all: each of fifty tablets asks twice a second, and writes once. */
const RATE = { reads: 100, writes: 50 } as const;
/** Rounds of each side, in turn. */
const ROUNDS = 3;
const TABLETS = 200;

type Say = (name: string, value: number, unit: string, reference: string, ratio: number) => void;

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;

/** Requests a second that a route answers when fifty ask it without a pause. */
async function throughput(url: string, headers: Record<string, string>): Promise<number> {
  const { requests, non2xx, errors } = await autocannon({ url, headers, connections: CONNECTIONS, duration: 4 });
  if (non2xx + errors > 0) throw new Error(`${url}: ${non2xx} refused, ${errors} lost`);
  return requests.average;
}

interface Asked {
  readonly method: 'GET' | 'POST';
  readonly path: string;
  readonly body?: string;
}

/**
 * Milliseconds that 99 of 100 requests wait at most over fifty connections, from the moment somebody asks: they come by
 * chance, as people's do, not one after the other and not all at once.
 */
async function p99(
  base: string,
  headers: Record<string, string>,
  next: (i: number) => Asked,
  rate: number,
): Promise<number> {
  const agent = new Agent({ keepAlive: true, maxSockets: CONNECTIONS });
  const random = seededRandom(rate);
  const waits: number[] = [];
  const one = (i: number): Promise<void> =>
    new Promise((done, failed) => {
      const { method, path, body } = next(i);
      const began = performance.now();
      const asked = request(base + path, { agent, method, headers }, (answer) => {
        answer.resume();
        answer.on('end', () => {
          waits.push(performance.now() - began);
          if ((answer.statusCode ?? 500) < 300) done();
          else failed(new Error(`${path}: ${answer.statusCode}`));
        });
      });
      asked.on('error', failed);
      asked.end(body);
    });
  const open: Promise<void>[] = [];
  const ends = performance.now() + SECONDS * 1000;
  for (let i = 0; performance.now() < ends; i++) {
    open.push(one(i));
    await setTimeout(-Math.log(1 - random()) * (1000 / rate));
  }
  await Promise.all(open);
  agent.destroy();
  return waits.sort((x, y) => x - y)[Math.floor(waits.length * 0.99)] ?? NaN;
}

/** Milliseconds until so many tablets that watch a session have all seen an act on it. */
async function watched(base: string, headers: Record<string, string>, session: string): Promise<number> {
  const stop = new AbortController();
  const readers = await Promise.all(
    Array.from({ length: TABLETS }, async () => {
      const stream = await fetch(`${base}/api/sessions/${session}/stream`, { headers, signal: stop.signal });
      const reader = stream.body?.getReader();
      await reader?.read();
      return reader;
    }),
  );
  const began = performance.now();
  const seen = Promise.all(readers.map((r) => r?.read()));
  const event = { id: `watched-${Math.round(began)}`, atMs: Date.now(), act: { kind: 'note', text: 'seen' } };
  await fetch(`${base}/api/sessions/${session}/events`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ events: [event] }),
  });
  await seen;
  const took = performance.now() - began;
  stop.abort();
  return took;
}

/** Resolves when the backup that follows a start is made: it takes the disk for a while, once a day. */
async function backedUp(base: string, headers: Record<string, string>): Promise<void> {
  for (let i = 0; i < 180; i++) {
    const answer = await fetch(`${base}/api/safe`, { headers });
    const text = await answer.text();
    const page: SafePage = JSON.parse(text);
    if (page.backups.length > 0) return;
    await setTimeout(1000);
  }
  throw new Error('no backup was made');
}

/** Prints the load figures. */
export async function loadFigures(say: Say): Promise<void> {
  const data = mkdtempSync(join(tmpdir(), 'woolly-tide-big-'));
  try {
    const file = join(data, 'woolly-tide.sqlite');
    const db = openDb(file);
    fillBig(db, Date.now());
    db.close();
    const { base, child, ended } = await up(PLAIN, data);
    const headers = await signedInAt(base);
    const call = async (path: string): Promise<number> => {
      const began = performance.now();
      const answer = await fetch(`${base}/api${path}`, { headers });
      await answer.arrayBuffer();
      if (!answer.ok) throw new Error(`${path}: ${answer.status}`);
      return performance.now() - began;
    };
    // After a start the house computes for a while what nobody has asked for yet.
    await call('/tide');
    const dogs = Array.from({ length: 200 }, (_, i) => `big-${i * 23}`);
    for (const id of dogs) {
      await call(`/dogs/${id}`);
      await call(`/sessions/${id}-s3`);
    }
    await backedUp(base, headers);

    const bare = fork(new URL('./bare.ts', import.meta.url), [file], { execArgv: ['--import=tsx'] });
    const port = await new Promise<number>((up) => bare.once('message', (p) => up(Number(p))));
    const [ours, theirs]: [number[], number[]] = [[], []];
    for (let r = 0; r < ROUNDS; r++) {
      theirs.push(await throughput(`http://127.0.0.1:${port}/api/checks/big-77-c3`, {}));
      ours.push(await throughput(`${base}/api/checks/big-77-c3`, headers));
    }
    bare.disconnect();
    say(
      'load-throughput',
      median(ours),
      'req/s',
      `bare Express and SQLite ${Math.round(median(theirs))} req/s, goal 0.6`,
      median(ours) / median(theirs),
    );

    const shapes = ['/dogs/ID', '/checks/ID-c3', '/sessions/ID-s3', '/roster', '/bookings', '/dogs/ID/log'] as const;
    const dogAt = (i: number): string => dogs[i % dogs.length] ?? '';
    const shapeAt = (i: number): string => `/api${(shapes[i % shapes.length] ?? '').replace('ID', dogAt(i))}`;
    const read = await p99(base, headers, (i) => ({ method: 'GET', path: shapeAt(i) }), RATE.reads);
    say('load-read-p99', read, 'ms', `${CONNECTIONS} connections, ${RATE.reads} req/s, limit 25 ms`, read / 25);
    // One request in ten opens a page.
    const pages = await p99(
      base,
      headers,
      (i) => ({ method: 'GET', path: i % 10 === 0 ? `/desk/dogs/${dogAt(i)}` : shapeAt(i) }),
      RATE.reads,
    );
    say('load-pages-p99', pages, 'ms', `${CONNECTIONS} connections, one page in ten, limit 250 ms`, pages / 250);
    const write = await p99(
      base,
      headers,
      (i) => ({
        method: 'POST',
        path: `/api/sessions/${dogAt(i)}-s19/events`,
        body: JSON.stringify({ events: [{ id: `load-${i}`, atMs: Date.now(), act: { kind: 'note', text: 'load' } }] }),
      }),
      RATE.writes,
    );
    say('load-write-p99', write, 'ms', `${CONNECTIONS} connections, ${RATE.writes} req/s, limit 50 ms`, write / 50);
    for (const [name, path, limit] of [
      ['load-list', '/dogs', 500],
      ['load-search', '/dogs?find=bado', 200],
      ['load-tide', '/tide', 1000],
    ] as const) {
      await call(path);
      const took = median([await call(path), await call(path), await call(path)]);
      say(name, took, 'ms', `limit ${limit} ms`, took / limit);
    }
    const tablets = await watched(base, headers, 'big-77-s19');
    say('load-streams', tablets, 'ms', `${TABLETS} tablets see an act, limit 500 ms`, tablets / 500);
    child.kill('SIGTERM');
    await ended;
  } finally {
    killAll();
    rmSync(data, { recursive: true, force: true });
  }
}
