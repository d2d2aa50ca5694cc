/** SQL of what is done beside the requests: waiting, running, done or failed; it outlives a restart. */
import type { JobRecord } from '../../contract/safe.ts';
import type { Db } from './open.ts';

interface Row {
  readonly id: string;
  readonly kind: JobRecord['kind'];
  readonly state: JobRecord['state'];
  readonly made_ms: number;
  readonly ended_ms: number | null;
  readonly file: string | null;
  readonly problem: string | null;
}
const record = (r: Row): JobRecord => ({
  id: r.id,
  kind: r.kind,
  state: r.state,
  madeMs: r.made_ms,
  endedMs: r.ended_ms,
  file: r.file,
  problem: r.problem,
});

const SHOWN = 20;

/** Prepared statements over jobs. */
export function jobStore(db: Db) {
  const one = db.prepare<[string], Row>('SELECT * FROM job WHERE id = ?');
  const newest = db.prepare<[number], Row>('SELECT * FROM job ORDER BY made_ms DESC, id LIMIT ?');
  const next = db.prepare<[], Row>("SELECT * FROM job WHERE state = 'waiting' ORDER BY made_ms, id LIMIT 1");
  const waiting = db.prepare<[], { n: number }>("SELECT count(*) AS n FROM job WHERE state IN ('waiting', 'running')");
  const add = db.prepare<[string, string, number]>(
    "INSERT INTO job (id, kind, state, made_ms) VALUES (?, ?, 'waiting', ?)",
  );
  const begin = db.prepare<[string]>("UPDATE job SET state = 'running' WHERE id = ?");
  const end = db.prepare(
    'UPDATE job SET state = @state, ended_ms = @atMs, file = @file, problem = @problem WHERE id = @id',
  );
  const again = db.prepare("UPDATE job SET state = 'waiting' WHERE state = 'running'");
  const old = db.prepare<[number], Row>('SELECT * FROM job WHERE ended_ms < ?');
  const drop = db.prepare<[string]>('DELETE FROM job WHERE id = ?');
  return {
    find: (id: string): JobRecord | undefined => {
      const row = one.get(id);
      return row && record(row);
    },
    newest: (): readonly JobRecord[] => newest.all(SHOWN).map(record),
    next: (): JobRecord | undefined => {
      const row = next.get();
      return row && record(row);
    },
    open: (): number => waiting.get()?.n ?? 0,
    add: (id: string, kind: JobRecord['kind'], atMs: number): void => void add.run(id, kind, atMs),
    begin: (id: string): void => void begin.run(id),
    end: (id: string, atMs: number, file: string | null, problem: string | null): void =>
      void end.run({ id, atMs, file, problem, state: problem === null ? 'done' : 'failed' }),
    /** What was under way when the program ended waits once more. */
    again: (): void => void again.run(),
    endedBefore: (atMs: number): readonly JobRecord[] => old.all(atMs).map(record),
    drop: (id: string): void => void drop.run(id),
  };
}
