/**
 * What a light request waits for at most while something heavy is done: files read in, the salon taken out, plans previewed,
 * the year planned, the tide learnt. On the demo, and on a salon of five thousand dogs. Loopback only.
 */
import { Agent, request } from 'node:http';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import { seededRandom } from '../core/quantity/index.ts';
import { openDb } from '../server/db/index.ts';
import { DEMO_PASSPHRASE } from '../demo/accounts.ts';
import { killAll, PLAIN, SERVER, up } from '../tests/process.ts';
import { signedInAt } from '../tests/signed-in.ts';
import { fillBig } from './big-salon.ts';

type Say = (name: string, value: number, unit: string, reference: string, ratio: number) => void;

/** Light requests a second: what some tablets ask. */
const RATE = 60;
/** An act that is over sooner is done again, so that there are requests to count. */
const LEAST_MS = 3_000;
const LIMIT_MS = { demo: 100, big: 250 } as const;
const DAY_MS = 86_400_000;

interface Salon {
  readonly base: string;
  readonly headers: Record<string, string>;
  /** Names of dogs that are here, and the id of one. */
  readonly names: readonly string[];
  readonly dogId: string;
}

async function call(salon: Salon, method: string, path: string, body?: unknown, allowed: readonly number[] = []) {
  const answer = await fetch(`${salon.base}/api${path}`, {
    method,
    headers: salon.headers,
    ...(body !== undefined && { body: JSON.stringify(body) }),
  });
  const text = await answer.text();
  if (answer.status >= 300 && !allowed.includes(answer.status))
    throw new Error(`${method} ${path}: ${answer.status} ${text.slice(0, 200)}`);
  const json: ReturnType<typeof JSON.parse> = text === '' ? undefined : JSON.parse(text);
  return json;
}

/** Milliseconds that 99 of 100 light requests wait at most while `act` is done, and how long it takes once. */
async function waitsWhile(salon: Salon, act: () => Promise<void>): Promise<{ p99: number; onceMs: number }> {
  const agent = new Agent({ keepAlive: true, maxSockets: 50 });
  const random = seededRandom(11);
  const waits: number[] = [];
  const paths = [`/dogs/${salon.dogId}`, '/roster', '/health', `/dogs/${salon.dogId}/checks`, '/me'];
  const one = (i: number): Promise<void> =>
    new Promise((done, failed) => {
      const began = performance.now();
      const path = paths[i % paths.length] ?? '';
      const asked = request(`${salon.base}/api${path}`, { agent, headers: salon.headers }, (answer) => {
        answer.resume();
        answer.on('end', () => {
          waits.push(performance.now() - began);
          if (answer.statusCode === 200) done();
          else failed(new Error(`${path}: ${answer.statusCode}`));
        });
      });
      asked
        .on('error', (problem) => {
          // A connection that rested was closed by the server at the moment in which it was to be used again.
          if (asked.reusedSocket && 'code' in problem && problem.code === 'ECONNRESET') one(i).then(done, failed);
          else failed(problem);
        })
        .end();
    });
  const began = performance.now();
  let over = false;
  let onceMs = 0;
  const acts = (async () => {
    do {
      const from = performance.now();
      await act();
      onceMs ||= performance.now() - from;
    } while (performance.now() - began < LEAST_MS);
  })().finally(() => (over = true));
  const open: Promise<void>[] = [];
  for (let i = 0; !over; i++) {
    open.push(one(i));
    await setTimeout(-Math.log(1 - random()) * (1000 / RATE));
  }
  await Promise.all([acts, ...open]);
  agent.destroy();
  return { p99: waits.sort((x, y) => x - y)[Math.floor(waits.length * 0.99)] ?? NaN, onceMs };
}

const two = (n: number): string => String(n).padStart(2, '0');
const stampAt = (i: number): string =>
  new Date(Date.now() + (2 + (i % 300)) * DAY_MS).toISOString().slice(0, 10).replaceAll('-', '');

/** A calendar of single events, of dogs that are here and of others. */
const calendarOf = ({ names }: Salon, events: number, run: number): string =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    ...Array.from({ length: events }, (_, i) => {
      const at = `${stampAt(i)}T${two(8 + (i % 8))}`;
      const name = i % 2 === 0 ? (names[i % names.length] ?? '') : `Nobody ${i}`;
      return `BEGIN:VEVENT\r\nUID:calm-${run}-${i}\r\nSUMMARY:${name}\r\nDTSTART:${at}0000\r\nDTEND:${at}4500\r\nEND:VEVENT`;
    }),
    'END:VCALENDAR',
  ].join('\r\n');

const bookingsOf = ({ names }: Salon, lines: number): string =>
  [
    'date,time,minutes,dog',
    ...Array.from({ length: lines }, (_, i) => {
      const on = stampAt(i);
      const day = `${on.slice(0, 4)}-${on.slice(4, 6)}-${on.slice(6)}`;
      return `${day},${two(8 + (i % 9))}:${two((i * 7) % 60)},45,${names[i % names.length] ?? ''}`;
    }),
  ].join('\n');

const clientsOf = (lines: number, run: number): string =>
  [
    'owner,phone,dog,breed,weight kg,coat class,visit',
    ...Array.from(
      { length: lines },
      (_, i) =>
        `Owner ${run} ${i % 4000},0${i % 4000},Dog ${i % 5000},,${10 + (i % 30)},medium double,2025-03-0${1 + (i % 9)}`,
    ),
  ].join('\n');

/** A job of the machine, until it is done. */
async function job(salon: Salon, path: '/exports' | '/backups', id: string): Promise<void> {
  await call(salon, 'POST', path, { id });
  for (;;) {
    const { jobs } = await call(salon, 'GET', '/safe');
    const own = jobs.find((j: { id: string }) => j.id === id);
    if (own?.state === 'done') return;
    if (own?.state === 'failed') throw new Error(own.problem);
    await setTimeout(100);
  }
}

/** Something small that changes what forecasts rest on. */
let notes = 0;
const touch = (salon: Salon): Promise<unknown> =>
  call(salon, 'POST', `/dogs/${salon.dogId}/home-notes`, {
    id: `calm-${Date.now()}-${notes++}`,
    day: new Date().toISOString().slice(0, 10),
    what: 'brushed',
    amount: 'handful',
    grams: null,
    author: '',
  });

async function figures(say: Say, kind: 'demo' | 'big', salon: Salon, only: readonly string[]): Promise<void> {
  const limit = LIMIT_MS[kind];
  let run = 0;
  const { house } = (await call(salon, 'GET', '/salon')).salon;
  const acts: readonly (readonly [name: string, act: () => Promise<void>])[] = [
    [
      // Of one rule that never comes to a day: ended at its limit.
      'endless',
      async () =>
        void (await call(
          salon,
          'POST',
          '/calendar/read',
          {
            ics: 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nUID:e\r\nSUMMARY:x\r\nDTSTART:20260301T090000\r\nRRULE:FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30\r\nEND:VEVENT\r\nEND:VCALENDAR',
          },
          [422],
        )),
    ],
    [
      'clients-preview',
      async () => void (await call(salon, 'POST', '/intake/preview', { csv: clientsOf(19_000, run++) })),
    ],
    ['export', () => job(salon, '/exports', `calm-export-${run++}`)],
    ['backup', () => job(salon, '/backups', `calm-backup-${run++}`)],
    [
      'preview',
      async () =>
        void (await call(salon, 'POST', '/house/preview', { house: { ...house, bladeMinutes: 0, rhythm: 'by-coat' } })),
    ],
    [
      // What the room of the year asks the salon's computer for; the plan itself is made on the device.
      'year',
      async () => {
        await touch(salon);
        for (const path of ['/tide', '/bookings', '/calls', '/salon']) await call(salon, 'GET', path);
      },
    ],
    [
      'learning',
      async () => {
        await touch(salon);
        await call(salon, 'GET', '/tide/learnt');
        await setTimeout(4_000);
        await call(salon, 'GET', '/tide/learnt');
      },
    ],
    ['coverage', async () => void (await call(salon, 'GET', '/kit/coverage'))],
    // What is brought in makes the salon larger: it comes last.
    [
      'calendar',
      async () => void (await call(salon, 'POST', '/calendar/read', { ics: calendarOf(salon, 4_900, run++) })),
    ],
    ['bookings', async () => void (await call(salon, 'POST', '/bookings/read', { csv: bookingsOf(salon, 2_000) }))],
    [
      'clients',
      async () => {
        const id = `calm-${kind}-${run++}`;
        const csv = clientsOf(19_000, run);
        const { columns } = await call(salon, 'POST', '/intake/preview', { csv });
        await call(salon, 'POST', '/intake', { id, csv, columns });
        await call(salon, 'DELETE', `/intake/${id}`);
      },
    ],
  ];
  for (const [name, act] of acts.filter(([name]) => only.length === 0 || only.includes(name))) {
    // Owner's acts stay open while the figures are made.
    await call(salon, 'POST', '/me/confirm', { own: DEMO_PASSPHRASE });
    const { p99, onceMs } = await waitsWhile(salon, act);
    say(
      `calm-${name}-${kind}`,
      p99,
      'ms',
      `p99 while it takes ${(onceMs / 1000).toFixed(1)} s, limit ${limit} ms`,
      p99 / limit,
    );
  }
}

async function salonAt(program: readonly string[], data: string) {
  const { base, child, ended } = await up(program, data);
  const salon = { base, headers: await signedInAt(base), names: [], dogId: '' };
  const { dogs } = await call(salon, 'GET', '/dogs');
  const names: readonly string[] = dogs.map((d: { name: string }) => d.name);
  const end = async (): Promise<void> => {
    child.kill('SIGTERM');
    await ended;
  };
  return { salon: { ...salon, names, dogId: String(dogs[0]?.id) }, end };
}

/** Prints the figures of both salons; `only`: of these acts, of all where there are none. */
export async function calmFigures(say: Say, only: readonly string[] = []): Promise<void> {
  for (const kind of ['demo', 'big'] as const) {
    const data = mkdtempSync(join(tmpdir(), `woolly-tide-calm-${kind}-`));
    try {
      if (kind === 'big') {
        const db = openDb(join(data, 'woolly-tide.sqlite'));
        fillBig(db, Date.now());
        db.close();
      }
      const { salon, end } = await salonAt(kind === 'demo' ? SERVER : PLAIN, data);
      // After a start the house reads every session once; only then does it stand as on any other hour.
      await call(salon, 'GET', '/tide');
      await setTimeout(kind === 'demo' ? 5_000 : 40_000);
      await figures(say, kind, salon, only);
      await end();
    } finally {
      killAll();
      rmSync(data, { recursive: true, force: true });
    }
  }
}
