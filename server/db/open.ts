/** How the file is opened: durable first, then migrated to the schema this program knows. */
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import Database from 'better-sqlite3';

export type Db = Database.Database;

const MIGRATIONS = join(dirname(fileURLToPath(import.meta.url)), 'migrations');
const NAME = /^(\d{3})-[a-z0-9-]+\.sql$/;

/** The file was written by a newer program than this one. */
export class NewerSchemaError extends Error {
  override readonly name = 'NewerSchemaError';
}

/** Opens or makes a database file (or ':memory:', or the bytes of one in memory) and brings it to the newest schema. */
export function openDb(path: string | Buffer): Db {
  const db = new Database(path);
  try {
    db.pragma('journal_mode = WAL');
    db.pragma('synchronous = FULL'); // what was acknowledged survives a power cut
    db.pragma('foreign_keys = ON');
    db.pragma('busy_timeout = 3000');
    db.pragma('secure_delete = ON'); // what was removed is not left in the file
    migrate(db);
    return db;
  } catch (problem) {
    db.close();
    throw problem;
  }
}

const migrations = (): readonly string[] =>
  readdirSync(MIGRATIONS)
    .filter((f) => NAME.test(f))
    .sort();
/** The schema that this program knows. */
export const newestSchema = (): number => migrations().length;

/** Runs every migration that the file has not seen, each in its own transaction, in number order, up to a number where one is given. */
export function migrate(db: Db, upTo = Infinity): void {
  const files = migrations();
  const seen = Number(db.pragma('user_version', { simple: true }));
  if (seen > files.length) {
    throw new NewerSchemaError(
      `the database is at schema ${seen}, this program knows ${files.length}: please start the newer program`,
    );
  }
  for (const [i, file] of files.entries()) {
    if (i < seen || i >= upTo) continue;
    db.transaction(() => {
      db.exec(readFileSync(join(MIGRATIONS, file), 'utf8'));
      db.pragma(`user_version = ${i + 1}`);
    })();
  }
}

/** Names of a database's own tables, in their order. */
export const tableNames = (db: Db): readonly string[] =>
  db
    .prepare<[], string>(
      "SELECT name FROM main.sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' ORDER BY name",
    )
    .pluck()
    .all();
