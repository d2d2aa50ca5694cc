/** Is a file a sound salon: it opens, every page and reference holds, and it has the tables of its schema. */
import Database from 'better-sqlite3';
import { migrate, newestSchema, tableNames } from '../db/open.ts';

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

const TABLES = new Map<number, readonly string[]>();
/** The tables of a schema that this program knows. */
function tablesOfSchema(schema: number): readonly string[] {
  const known = TABLES.get(schema);
  if (known) return known;
  const db = new Database(':memory:');
  try {
    migrate(db, schema);
    const names = tableNames(db);
    TABLES.set(schema, names);
    return names;
  } finally {
    db.close();
  }
}

/** Why a database is no salon; undefined where it is one. Of a newer program's schema only the number is known. */
function foreign(db: Database.Database, schema: number): string | undefined {
  if (schema < 1) return 'it holds no salon';
  if (schema > newestSchema()) return undefined;
  const there = new Set(tableNames(db));
  const missing = tablesOfSchema(schema).filter((name) => !there.has(name));
  return missing.length === 0 ? undefined : `it lacks the table ${missing[0]}`;
}

/** Looks a file through without writing to it. `deep` reads every page against its indices, `quick` every page. */
export function lookedThrough(path: string, how: 'quick' | 'deep'): Sound | Damaged {
  let db: Database.Database | undefined;
  try {
    db = new Database(path, { readonly: true, fileMustExist: true });
    const found = db.pragma(how === 'deep' ? 'integrity_check(3)' : 'quick_check(3)', { simple: true });
    if (found !== 'ok') return { ok: false, what: String(found).split('\n')[0] ?? '' };
    const schema = Number(db.pragma('user_version', { simple: true }));
    const what = foreign(db, schema);
    if (what !== undefined) return { ok: false, what };
    if (how === 'deep') {
      const dangling = db.pragma('foreign_key_check');
      if (Array.isArray(dangling) && dangling.length > 0)
        return { ok: false, what: `${dangling.length} rows refer to nothing` };
    }
    return { ok: true, schema, rows: rowCounts(db) };
  } catch (problem) {
    return { ok: false, what: problem instanceof Error ? problem.message : String(problem) };
  } finally {
    db?.close();
  }
}
