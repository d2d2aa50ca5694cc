/** A server of its own for a test: a database in memory, a demo salon or an empty one, a clock that stands still until it is set. */
import { createApp } from '../../server/app.ts';
import { openDb, stores, type Db, type Stores } from '../../server/db/index.ts';
import type { TideDesk } from '../../server/tide-desk.ts';
import type { Role } from '../../contract/account.ts';
import { demoDb, knownAtStart, outsideAt } from '../demo.ts';
import { confirmedAs } from '../signed-in.ts';
import { DoorState } from '../../server/auth/door-state.ts';
import { CHECK as SMALL_CHECK, TANSY } from '../small-house.ts';
import { listen } from '../listen.ts';
import { logInto } from '../log.ts';

export const NOW = Date.parse('2031-04-09T09:00:00Z');

export interface Answer {
  readonly status: number;
  readonly json: ReturnType<typeof JSON.parse>;
  readonly text: string;
  readonly type: string;
}

export interface Room {
  readonly db: Db;
  readonly stores: Stores;
  readonly base: string;
  readonly errors: unknown[];
  readonly tide: TideDesk;
  readonly door: DoorState;
  /** Of the device that calls. */
  cookie: () => string;
  /** Moves all clocks; signs in again. */
  setClock: (ms: number) => void;
  /** Sets the clock of the machine alone, as somebody may: the steady one goes on. */
  setWallClock: (ms: number) => void;
  call: (method: string, path: string, body?: unknown) => Promise<Answer>;
  raw: (method: string, path: string, init: RequestInit) => Promise<Answer>;
  close: () => Promise<void>;
}

/** learns: the tide of all dogs is learnt by and by, as in a salon; otherwise only the dogs that are asked for. */
export async function openRoom({
  demo = true,
  role = 'owner' as Role,
  signedIn = true,
  learns = false,
} = {}): Promise<Room> {
  const db = demo ? demoDb(NOW) : openDb(':memory:');
  let now = NOW;
  let steady: number | undefined;
  const kept = stores(db, () => now);
  const errors: unknown[] = [];
  const { tide, memos } = knownAtStart(kept);
  if (!learns) tide.soon = () => undefined;
  const door = new DoorState({ steadyMs: () => steady ?? now });
  const app = createApp({
    stores: kept,
    nowMs: () => now,
    outside: outsideAt(() => now),
    memos,
    tide,
    doorState: door,
    log: logInto(errors),
  });
  const listening = await listen(app);
  const base = `${listening.base}/api`;
  let cookie = signedIn ? confirmedAs(kept, door, role, NOW) : '';
  const raw = async (method: string, path: string, init: RequestInit): Promise<Answer> => {
    const headers = { cookie, 'x-woolly-tide': 'hand', ...init.headers };
    const response = await fetch(base + path, { method, ...init, headers });
    const text = await response.text();
    const type = response.headers.get('content-type') ?? '';
    return { status: response.status, text, type, json: type.includes('json') ? JSON.parse(text) : undefined };
  };
  return {
    db,
    stores: kept,
    base,
    errors,
    tide,
    door,
    cookie: () => cookie,
    setClock: (ms) => {
      now = ms;
      if (signedIn) cookie = confirmedAs(kept, door, role, ms);
    },
    setWallClock: (ms) => {
      steady ??= now;
      now = ms;
    },
    raw,
    call: (method, path, body) =>
      raw(
        method,
        path,
        body === undefined ? {} : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } },
      ),
    close: async () => {
      tide.close();
      await listening.close();
      db.close();
    },
  };
}

/** A server whose demo has been learnt, and a dog of it that nobody has booked. */
export async function openLearnt(freeDog: string): Promise<Room> {
  const room = await openRoom({ learns: true });
  await room.call('GET', '/tide/learnt');
  await room.tide.settled();
  for (const b of room.stores.bookings.ofDogFrom(freeDog, '2000'))
    await room.call('POST', `/bookings/${b.id}/cancel`, { version: b.version });
  return room;
}

/** What is noted of a device with each request, whatever it asks, and what follows from everything else. */
const BY_ITSELF = new Set(['sign_in', 'known_device', 'learnt_tide']);

/** Everything in the database, to show that nothing was written: of each table how many rows, and its newest. */
export const dump = (db: Db): string =>
  JSON.stringify(
    db
      .prepare<[], { name: string }>("SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name")
      .all()
      .filter(({ name }) => !BY_ITSELF.has(name))
      .map(({ name }) => [
        name,
        db.prepare(`SELECT count(*) AS n FROM ${name}`).get(),
        db.prepare(`SELECT * FROM ${name} ORDER BY 1 DESC LIMIT 3`).all(),
      ]),
  );

export const DOG = TANSY;
export const CHECK = { ...SMALL_CHECK, day: '2031-04-09' };
