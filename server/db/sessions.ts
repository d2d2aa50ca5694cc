/** SQL of sessions and their append-only events. */
import type { PlanSnapshot } from '../../contract/session.ts';
import type { MethodId } from '../../core/bench/index.ts';
import type { SessionAct, SessionEvent } from '../../core/table/index.ts';
import { acting } from '../auth/acting.ts';
import type { Db } from './open.ts';

interface Row {
  readonly id: string;
  readonly dog_id: string;
  readonly check_id: string;
  readonly day: number;
  readonly method: MethodId;
  readonly snapshot: string;
}
interface EventRow {
  readonly id: string;
  readonly session_id: string;
  readonly at_ms: number;
  readonly kind: SessionAct['kind'];
  readonly act: string;
  readonly device: string | null;
  readonly clock_ms: number | null;
  readonly account_id: string | null;
}

export interface StoredSession {
  readonly id: string;
  readonly dogId: string;
  readonly checkId: string;
  readonly day: number;
  readonly method: MethodId;
  readonly snapshot: PlanSnapshot;
}

/** A session and how many events it holds: they are only ever added to, so it is known by the two. */
export interface SessionLine {
  readonly id: string;
  readonly dogId: string;
  readonly events: number;
}

const event = (e: EventRow): SessionEvent => ({
  id: e.id,
  atMs: e.at_ms,
  ...(e.device !== null && { device: e.device }),
  ...(e.clock_ms !== null && { clockMs: e.clock_ms }),
  act: JSON.parse(e.act),
});

const stored = (r: Row): StoredSession => ({
  id: r.id,
  dogId: r.dog_id,
  checkId: r.check_id,
  day: r.day,
  method: r.method,
  snapshot: JSON.parse(r.snapshot),
});

/** Columns of a SessionLine. */
const LINE = 's.id, s.dog_id AS dogId, (SELECT count(*) FROM session_event e WHERE e.session_id = s.id) AS events';

/** Prepared statements over sessions. */
export function sessionStore(db: Db) {
  const one = db.prepare<[string], Row>('SELECT * FROM session WHERE id = ?');
  const events = db.prepare<[string], EventRow>('SELECT * FROM session_event WHERE session_id = ? ORDER BY at_ms, id');
  const eventOwner = db.prepare<[string], { readonly session_id: string }>(
    'SELECT session_id FROM session_event WHERE id = ?',
  );
  const linesOf = db.prepare<[string, number, number], SessionLine & { readonly day: number }>(
    `SELECT ${LINE}, s.day
     FROM session s WHERE s.dog_id = ? AND s.day >= ? ORDER BY s.day DESC, s.id DESC LIMIT ?`,
  );
  const linesSince = db.prepare<[number, number], SessionLine>(
    `SELECT ${LINE}
     FROM session s WHERE s.day >= ? ORDER BY s.day DESC, s.id DESC LIMIT ?`,
  );
  const newestEvent = db.prepare<[], { readonly at: number | null }>('SELECT max(rowid) AS at FROM session_event');
  const touched = db.prepare<[number], { readonly id: string }>(
    // By the newest rows, not by the index of sessions, which would be read whole.
    'SELECT DISTINCT session_id AS id FROM session_event NOT INDEXED WHERE rowid > ?',
  );
  const teaching = db.prepare<[number], { readonly n: number }>(
    "SELECT count(*) AS n FROM session_event WHERE rowid > ? AND kind IN ('finished', 'corrected')",
  );
  const taught = { upTo: 0, n: 0 };
  const line = db.prepare<[string], SessionLine>(
    `SELECT ${LINE}
     FROM session s WHERE s.id = ?`,
  );
  const finishedLines = db.prepare<[number], SessionLine>(
    `SELECT ${LINE}
     FROM session s
     WHERE EXISTS (SELECT 1 FROM session_event e WHERE e.session_id = s.id AND e.kind = 'finished')
     ORDER BY day DESC, id DESC LIMIT ?`,
  );
  const insert = db.prepare<Row>(
    `INSERT INTO session (id, dog_id, check_id, day, method, snapshot)
     VALUES (@id, @dog_id, @check_id, @day, @method, @snapshot)`,
  );
  const insertEvent = db.prepare<EventRow>(
    `INSERT INTO session_event (id, session_id, at_ms, kind, act, device, clock_ms, account_id)
     VALUES (@id, @session_id, @at_ms, @kind, @act, @device, @clock_ms, @account_id) ON CONFLICT (id) DO NOTHING`,
  );
  return {
    find: (id: string): StoredSession | undefined => {
      const row = one.get(id);
      return row && stored(row);
    },
    /** Sessions of a dog without what is in them, newest first: since a day, so many at most. */
    linesOf: (dogId: string, since = 0, most = -1): readonly (SessionLine & { readonly day: number })[] =>
      linesOf.all(dogId, since, most),
    /** Sessions of all dogs since a day without what is in them, newest first, so many at most. */
    linesSince: (since: number, most: number): readonly SessionLine[] => linesSince.all(since, most),
    /** Grows with each event that is kept; what it was tells which sessions have changed since. */
    newestEvent: (): number => newestEvent.get()?.at ?? 0,
    touchedSince: (event: number): readonly string[] => touched.all(event).map((r) => r.id),
    line: (id: string): SessionLine | undefined => line.get(id),
    /** The newest finished sessions without what is in them. */
    finishedLines: (limit: number): readonly SessionLine[] => finishedLines.all(limit),
    /** Grows with every session that is finished or corrected: while it stays, so does what sessions teach. */
    teachings: (): number => {
      const upTo = newestEvent.get()?.at ?? 0;
      const n = upTo === taught.upTo ? taught.n : taught.n + (teaching.get(taught.upTo)?.n ?? 0);
      // What is not kept yet may be taken back: it is counted, and not remembered.
      if (!db.inTransaction) Object.assign(taught, { upTo, n });
      return n;
    },
    events: (sessionId: string): readonly SessionEvent[] => events.all(sessionId).map(event),
    /** The session an event id belongs to already, if any. */
    ownerOfEvent: (eventId: string): string | undefined => eventOwner.get(eventId)?.session_id,
    insert: (s: StoredSession): void => {
      insert.run({
        id: s.id,
        dog_id: s.dogId,
        check_id: s.checkId,
        day: s.day,
        method: s.method,
        snapshot: JSON.stringify(s.snapshot),
      });
    },
    /** Appends events; one that is there already is left as it is. */
    append: (sessionId: string, list: readonly SessionEvent[]): void => {
      const { id: accountId } = acting.now();
      for (const e of list) {
        insertEvent.run({
          id: e.id,
          session_id: sessionId,
          at_ms: e.atMs,
          kind: e.act.kind,
          act: JSON.stringify(e.act),
          device: e.device ?? null,
          clock_ms: e.clockMs ?? null,
          account_id: accountId,
        });
      }
    },
  };
}
