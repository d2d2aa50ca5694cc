/**
 * What this device keeps of sessions, so that a reload, a crash or an evening without a link loses nothing:
 * acts that wait to be sent, sessions as they were last seen, who was last signed in, and how far the salon's clock is ahead. An act is kept
 * once the disk has said so (strict durability), not once it was handed over.
 */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { MePage } from '../../contract/account.ts';
import type { SessionPage } from '../../contract/session.ts';
import type { ClockReading, SessionEvent } from '../../core/table/index.ts';

/** An event that waits here. */
export interface Waiting {
  readonly id: string;
  readonly sessionId: string;
  /** Place in the order in which this device made them. */
  readonly place: number;
  readonly event: SessionEvent;
  /** Why the salon's computer would not take it; such events wait for somebody to look. */
  readonly refused?: string | undefined;
}

interface Kept extends DBSchema {
  outbox: { key: string; value: Waiting; indexes: { session: string } };
  sessions: { key: string; value: SessionPage };
  clock: { key: string; value: readonly ClockReading[] };
  door: { key: string; value: MePage };
}

let opened: Promise<IDBPDatabase<Kept>> | undefined;
const db = (): Promise<IDBPDatabase<Kept>> => {
  opened ??= openDB<Kept>('woolly-tide-table', 2, {
    upgrade: (kept, before) => {
      if (before < 1) {
        kept.createObjectStore('outbox', { keyPath: 'id' }).createIndex('session', 'sessionId');
        kept.createObjectStore('sessions', { keyPath: 'id' });
        kept.createObjectStore('clock');
      }
      kept.createObjectStore('door');
    },
  });
  return opened;
};

const STRICT = { durability: 'strict' } as const;

/** Puts events into the outbox; resolves when they are on the disk. */
export async function keepEvents(waiting: readonly Waiting[]): Promise<void> {
  const tx = (await db()).transaction('outbox', 'readwrite', STRICT);
  for (const w of waiting) void tx.store.put(w);
  await tx.done;
}

/** Events of a session that wait, in the order in which they were made. */
export async function waitingEvents(sessionId: string): Promise<readonly Waiting[]> {
  const all = await (await db()).getAllFromIndex('outbox', 'session', sessionId);
  return all.sort((a, b) => a.place - b.place);
}

export async function dropEvents(ids: readonly string[]): Promise<void> {
  const tx = (await db()).transaction('outbox', 'readwrite', STRICT);
  for (const id of ids) void tx.store.delete(id);
  await tx.done;
}

/** Sessions that have something to send, no matter who made it. */
export async function sessionsWaiting(): Promise<readonly string[]> {
  const all = await (await db()).getAll('outbox');
  return [...new Set(all.filter((w) => w.refused === undefined).map((w) => w.sessionId))];
}

export const keepSession = async (page: SessionPage): Promise<void> => void (await (await db()).put('sessions', page));
export const keptSession = async (id: string): Promise<SessionPage | undefined> => (await db()).get('sessions', id);
export const keptSessions = async (): Promise<readonly SessionPage[]> => (await db()).getAll('sessions');

/** Takes away sessions of which nothing waits here. */
export async function forgetSentSessions(): Promise<void> {
  const waiting = new Set((await (await db()).getAll('outbox')).map((w) => w.sessionId));
  const tx = (await db()).transaction('sessions', 'readwrite');
  for (const id of await tx.store.getAllKeys()) if (!waiting.has(id)) void tx.store.delete(id);
  await tx.done;
}

const CLOCK = 'readings';
/** Readings that are worth remembering. */
const MOST_READINGS = 6;
export const keptClock = async (): Promise<readonly ClockReading[]> => (await (await db()).get('clock', CLOCK)) ?? [];
export async function keepClock(readings: readonly ClockReading[]): Promise<readonly ClockReading[]> {
  const newest = readings.slice(-MOST_READINGS);
  await (await db()).put('clock', newest, CLOCK);
  return newest;
}

const ME = 'me';
export const keptMe = async (): Promise<MePage | undefined> => (await db()).get('door', ME);
export async function keepMe(page: MePage): Promise<void> {
  const tx = (await db()).transaction('door', 'readwrite', STRICT);
  void tx.store.put(page, ME);
  await tx.done;
}
export const forgetMe = async (): Promise<void> => void (await (await db()).delete('door', ME));
