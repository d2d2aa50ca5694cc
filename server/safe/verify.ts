/** Decides whether a file is a sound salon: it opens, every page and reference holds, and it counts what it should. */
import Database from 'better-sqlite3';
import { tableNames } from '../db/open.ts';

export interface Sound {
  readonly ok: true;
  readonly schema: number;
  readonly rows: Readonly<Record<string, number>>;
}
export interface Damaged {
  readonly ok: false;
  /** What was found, as the end of a sentence. */
  readonly what: string;
}

/** Rows of every table. */
const rowCounts = (db: Database.Database): Readonly<Record<string, number>> =>
  Object.fromEntries(
    tableNames(db).map((name) => [
      name,
      db.prepare<[], { n: number }>(`SELECT count(*) AS n FROM "${name}"`).get()?.n ?? 0,
    ]),
  );

/** Looks a file through without writing to it. `deep` reads every page against its indices, `quick` every page. */
export function lookedThrough(path: string, how: 'quick' | 'deep'): Sound | Damaged {
  let db: Database.Database | undefined;
  try {
    db = new Database(path, { readonly: true, fileMustExist: true });
    const found = db.pragma(how === 'deep' ? 'integrity_check(3)' : 'quick_check(3)', { simple: true });
    if (found !== 'ok') return { ok: false, what: String(found).split('\n')[0] ?? '' };
    if (how === 'deep') {
      const dangling = db.pragma('foreign_key_check');
      if (Array.isArray(dangling) && dangling.length > 0)
        return { ok: false, what: `${dangling.length} rows refer to nothing` };
    }
    return { ok: true, schema: Number(db.pragma('user_version', { simple: true })), rows: rowCounts(db) };
  } catch (problem) {
    return { ok: false, what: problem instanceof Error ? problem.message : String(problem) };
  } finally {
    db?.close();
  }
}
