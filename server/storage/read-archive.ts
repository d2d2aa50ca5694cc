/**
 * How a salon is read in from its zip: into a new file, whole or not at all, whatever the zip claims to be. Nothing
 * in it is trusted: not its names, not its sizes, not its pictures.
 */
import { rmSync } from 'node:fs';
import type { Readable } from 'node:stream';
import Database from 'better-sqlite3';
import yauzl from 'yauzl';
import { migrate, newestSchema } from '../db/open.ts';
import { bareJpeg } from '../../core/formats/index.ts';
import { DOCUMENT, FORMAT, FORMAT_VERSION, tablesOf, type Column, type Table } from './archive.ts';
import { lookedThrough } from './verify.ts';

/** Why a zip is not read in, as a sentence; nothing was kept of it. */
export class ArchiveProblem extends Error {
  override readonly name = 'ArchiveProblem';
}

/** More than any salon holds: a zip beyond them is not unpacked. */
export const LIMITS = {
  entries: 500_000,
  documentBytes: 400_000_000,
  pictureBytes: 12_000_000,
  allBytes: 4_000_000_000,
} as const;
type Limits = { readonly [K in keyof typeof LIMITS]: number };

interface Contents {
  readonly document: string;
  readonly picture: (name: string) => Promise<Buffer | undefined>;
  readonly close: () => void;
}

const tooMuch = (what: string): ArchiveProblem =>
  new ArchiveProblem(`${what} is larger than any salon's. It was not unpacked`);

/** Reads an entry, whatever its header says of its size: no further than the limit. */
function unpacked(zip: yauzl.ZipFile, entry: yauzl.Entry, most: number): Promise<Buffer> {
  return new Promise((done, failed) =>
    zip.openReadStream(entry, (problem, stream?: Readable) => {
      if (problem || !stream) return failed(problem ?? new ArchiveProblem('the zip cannot be read'));
      const parts: Buffer[] = [];
      let bytes = 0;
      stream.on('data', (part: Buffer) => {
        bytes += part.length;
        if (bytes > most) stream.destroy(tooMuch(entry.fileName));
        else parts.push(part);
      });
      stream.on('error', failed);
      stream.on('end', () => done(Buffer.concat(parts)));
    }),
  );
}

/** Opens a zip and reads what is in it: the document, and pictures when they are asked for. */
async function opened(path: string, limits: Limits): Promise<Contents> {
  const zip = await new Promise<yauzl.ZipFile>((done, failed) =>
    yauzl.open(
      path,
      { lazyEntries: true, autoClose: false, strictFileNames: true, validateEntrySizes: true },
      (problem, file) => (problem ? failed(problem) : done(file)),
    ),
  );
  const entries = new Map<string, yauzl.Entry>();
  try {
    let all = 0;
    await new Promise<void>((done, failed) => {
      zip.on('entry', (entry: yauzl.Entry) => {
        all += entry.uncompressedSize;
        if (entries.size >= limits.entries || all > limits.allBytes) return failed(tooMuch('this zip'));
        if (entries.has(entry.fileName)) return failed(new ArchiveProblem(`${entry.fileName} is in this zip twice`));
        entries.set(entry.fileName, entry);
        zip.readEntry();
      });
      zip.on('error', failed);
      zip.on('end', done);
      zip.readEntry();
    });
    const document = entries.get(DOCUMENT);
    if (!document) throw new ArchiveProblem(`there is no ${DOCUMENT} in this zip: it was not written by Woolly Tide`);
    return {
      document: (await unpacked(zip, document, limits.documentBytes)).toString('utf8'),
      picture: async (name) => {
        const entry = entries.get(name);
        return entry && unpacked(zip, entry, limits.pictureBytes);
      },
      close: () => zip.close(),
    };
  } catch (problem) {
    zip.close();
    throw problem;
  }
}

type Value = string | number | null | Buffer;
const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A value of a column as the file keeps it. */
async function valueOf(c: Column, value: unknown, where: string, picture: Contents['picture']): Promise<Value> {
  if (value === null || value === undefined) {
    if (value === undefined) throw new ArchiveProblem(`${where} has no ${c.name}`);
    return null;
  }
  if (c.type === 'BLOB') {
    const file = isRecord(value) ? value['file'] : undefined;
    const bytes = typeof file === 'string' ? await picture(file) : undefined;
    if (!bytes) throw new ArchiveProblem(`${where} names a picture that is not in this zip`);
    const bare = bareJpeg(bytes);
    if (!bare.ok) throw new ArchiveProblem(`${where} names a picture that is no JPEG file`);
    return Buffer.from(bare.value.bytes);
  }
  if (typeof value === 'string' || (typeof value === 'number' && Number.isFinite(value))) return value;
  throw new ArchiveProblem(`${where}: ${c.name} is neither text nor a number`);
}

/** Puts the rows of a document into an empty database of the same schema; one transaction. */
async function fill(
  db: Database.Database,
  tables: Readonly<Record<string, unknown>>,
  picture: Contents['picture'],
): Promise<void> {
  const known = new Map<string, Table>(tablesOf(db).map((t) => [t.name, t]));
  for (const name of Object.keys(tables))
    if (!known.has(name)) throw new ArchiveProblem(`the table "${name}" is not one of a salon`);
  db.exec('BEGIN IMMEDIATE');
  try {
    db.pragma('defer_foreign_keys = ON');
    for (const t of known.values()) {
      const rows = tables[t.name] ?? [];
      if (!Array.isArray(rows)) throw new ArchiveProblem(`the table "${t.name}" is no list of rows`);
      const names = t.columns.map((c) => `"${c.name}"`);
      const insert = db.prepare(
        `INSERT INTO "${t.name}" (${names.join(', ')}) VALUES (${names.map(() => '?').join(', ')})`,
      );
      for (const [i, row] of rows.entries()) {
        const where = `row ${i + 1} of "${t.name}"`;
        if (!isRecord(row)) throw new ArchiveProblem(`${where} is no row`);
        const stray = Object.keys(row).find((k) => !t.columns.some((c) => c.name === k));
        if (stray !== undefined)
          throw new ArchiveProblem(`${where} has a column "${stray.slice(0, 80)}" that is not one of a salon`);
        const values: Value[] = [];
        for (const c of t.columns) values.push(await valueOf(c, row[c.name], where, picture));
        try {
          insert.run(values);
        } catch (problem) {
          throw new ArchiveProblem(
            `${where} cannot be kept: ${problem instanceof Error ? problem.message : String(problem)}`,
          );
        }
      }
    }
    db.exec('COMMIT');
  } catch (problem) {
    if (db.inTransaction) db.exec('ROLLBACK');
    throw problem;
  }
}

export interface ReadArchive {
  readonly rows: Readonly<Record<string, number>>;
}

/**
 * Reads a salon's zip into a new database file; the file must not be there. Throws ArchiveProblem with what is wrong, and
 * leaves no file.
 */
export async function readArchive(zip: string, file: string, limits: Limits = LIMITS): Promise<ReadArchive> {
  let contents: Contents | undefined;
  let db: Database.Database | undefined;
  let whole = false;
  try {
    contents = await opened(zip, limits);
    const { schema, tables } = documentOf(parsedJson(contents.document));
    db = new Database(file);
    db.pragma('journal_mode = WAL');
    db.pragma('foreign_keys = ON');
    migrate(db, schema);
    await fill(db, tables, contents.picture);
    migrate(db);
    db.pragma('wal_checkpoint(TRUNCATE)');
    db.close();
    const found = lookedThrough(file, 'deep');
    if (!found.ok) throw new ArchiveProblem(`what it holds does not fit together: ${found.what}`);
    whole = true;
    return { rows: found.rows };
  } catch (problem) {
    if (problem instanceof ArchiveProblem) throw problem;
    throw new ArchiveProblem(problem instanceof Error ? problem.message : String(problem));
  } finally {
    contents?.close();
    if (db?.open) db.close();
    if (!whole) for (const end of ['', '-wal', '-shm']) rmSync(file + end, { force: true });
  }
}

/** The schema and the tables of a salon's document. */
function documentOf(document: unknown) {
  if (!isRecord(document) || document['format'] !== FORMAT)
    throw new ArchiveProblem(`${DOCUMENT} is no salon of Woolly Tide`);
  const { version, schema, tables } = document;
  if (version !== FORMAT_VERSION)
    throw new ArchiveProblem(
      `${DOCUMENT} is of version ${String(version).slice(0, 20)}; this program reads version ${FORMAT_VERSION}`,
    );
  if (typeof schema !== 'number' || !Number.isInteger(schema) || schema < 1 || schema > newestSchema())
    throw new ArchiveProblem(
      `it was written with schema ${String(schema).slice(0, 20)}, this program knows ${newestSchema()}: please use the newer program`,
    );
  if (!isRecord(tables)) throw new ArchiveProblem(`${DOCUMENT} holds no tables`);
  return { schema, tables };
}

function parsedJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new ArchiveProblem(`${DOCUMENT} is not JSON`);
  }
}
