/**
 * What a salon looks like outside this program: one zip with everything in one JSON document and its JSON Schema,
 * each table as CSV, the bookings as a calendar, and the photos. The same salon gives the same bytes.
 */
import { once } from 'node:events';
import { createWriteStream, renameSync } from 'node:fs';
import { Readable } from 'node:stream';
import type Database from 'better-sqlite3';
import Papa from 'papaparse';
import yazl from 'yazl';
import { bookingsIcs } from '../calendar.ts';
import { bookingStore } from '../db/bookings.ts';
import { tableNames } from '../db/open.ts';
import { salonStore } from '../db/salon.ts';

export const FORMAT = 'woolly-tide/salon';
export const FORMAT_VERSION = 1;
export const DOCUMENT = 'woolly-tide.json';

/** What belongs to this machine and its devices, not to the salon. */
const STAYS = new Set(['sign_in', 'known_device', 'sign_in_failure', 'job', 'learnt_tide']);
/** Secrets stay, too: a passphrase is set again where the salon is read in. */
const SECRET: Readonly<Record<string, readonly string[]>> = { account: ['passphrase', 'pin'] };

export interface Column {
  readonly name: string;
  readonly type: string;
  readonly required: boolean;
  readonly key: number;
}
export interface Table {
  readonly name: string;
  readonly columns: readonly Column[];
}

const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`;

/** The tables of a database that leave it, in the order of their names. */
export function tablesOf(db: Database.Database): readonly Table[] {
  return tableNames(db)
    .filter((name) => !STAYS.has(name))
    .map((name) => ({
      name,
      columns: db
        .prepare<[], { name: string; type: string; notnull: number; pk: number }>(`PRAGMA table_info(${quoted(name)})`)
        .all()
        .map((c) => ({ name: c.name, type: c.type, required: c.notnull === 1 || c.pk > 0, key: c.pk })),
    }));
}

type Row = Readonly<Record<string, string | number | null | Buffer>>;

const keyColumns = (t: Table): readonly string[] =>
  t.columns
    .filter((c) => c.key > 0)
    .sort((a, b) => a.key - b.key)
    .map((c) => c.name);

/** Where a picture of a row lies in the zip. */
const fileOf = (t: Table, row: Row, column: string): string =>
  `photos/${t.name}-${keyColumns(t)
    .map((k) => String(row[k]))
    .join('-')}-${column}.jpg`;

function* rowsOf(db: Database.Database, t: Table): Generator<Row> {
  const order = keyColumns(t).map(quoted).join(', ');
  yield* db.prepare<[], Row>(`SELECT * FROM ${quoted(t.name)} ORDER BY ${order}`).iterate();
}

/** A row as the document holds it: pictures by the name of their file, secrets not at all. */
const shown = (t: Table, row: Row): Record<string, string | number | null | { file: string }> =>
  Object.fromEntries(
    t.columns.map(({ name }) => {
      const value = row[name] ?? null;
      if (SECRET[t.name]?.includes(name)) return [name, null];
      return [name, value instanceof Uint8Array ? { file: fileOf(t, row, name) } : value];
    }),
  );

function* documentText(db: Database.Database, tables: readonly Table[]): Generator<string> {
  const schema = Number(db.pragma('user_version', { simple: true }));
  yield `{"format":${JSON.stringify(FORMAT)},"version":${FORMAT_VERSION},"schema":${schema},"tables":{`;
  for (const [i, t] of tables.entries()) {
    yield `${i ? ',' : ''}\n${JSON.stringify(t.name)}:[`;
    let first = true;
    for (const row of rowsOf(db, t)) {
      yield `${first ? '' : ','}\n${JSON.stringify(shown(t, row))}`;
      first = false;
    }
    yield ']';
  }
  yield '\n}}\n';
}

/** A table for spreadsheets: text that a spreadsheet would compute with is kept text by a leading apostrophe. */
function* csvText(db: Database.Database, t: Table): Generator<string> {
  const line = (cells: readonly unknown[]): string => `${Papa.unparse([[...cells]], { escapeFormulae: true })}\r\n`;
  yield line(t.columns.map((c) => c.name));
  for (const row of rowsOf(db, t))
    yield line(Object.values(shown(t, row)).map((v) => (v !== null && typeof v === 'object' ? v.file : v)));
}

const TYPE: Readonly<Record<string, string>> = { INTEGER: 'integer', REAL: 'number', TEXT: 'string' };

/** The JSON Schema (2020-12) of the document that a database of this schema gives. */
export function documentSchema(db: Database.Database): object {
  const columnSchema = (c: Column): object => {
    if (c.type === 'BLOB')
      return {
        oneOf: [
          ...(c.required ? [] : [{ type: 'null' }]),
          {
            type: 'object',
            properties: { file: { type: 'string', pattern: '^photos/' } },
            required: ['file'],
            additionalProperties: false,
          },
        ],
      };
    return { type: c.required ? TYPE[c.type] : [TYPE[c.type], 'null'] };
  };
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'A salon of Woolly Tide',
    type: 'object',
    properties: {
      format: { const: FORMAT },
      version: { const: FORMAT_VERSION },
      schema: { type: 'integer', minimum: 1 },
      tables: {
        type: 'object',
        properties: Object.fromEntries(
          tablesOf(db).map((t) => [
            t.name,
            {
              type: 'array',
              items: {
                type: 'object',
                properties: Object.fromEntries(t.columns.map((c) => [c.name, columnSchema(c)])),
                required: t.columns.map((c) => c.name),
                additionalProperties: false,
              },
            },
          ]),
        ),
        required: tablesOf(db).map((t) => t.name),
        additionalProperties: false,
      },
    },
    required: ['format', 'version', 'schema', 'tables'],
    additionalProperties: false,
  };
}

/** Every entry has this time: the same salon gives the same bytes. */
const ENTRY = { mtime: new Date(2000, 0, 1), forceDosTimestamp: true, mode: 0o100644 } as const;

/** Writes everything into a zip. The database must not change meanwhile: take a copy or a transaction. */
export async function writeArchive(db: Database.Database, path: string): Promise<void> {
  const tables = tablesOf(db);
  const zip = new yazl.ZipFile();
  const unnamed = `${path}.unfinished`;
  const out = createWriteStream(unnamed);
  const failed = new Promise<never>((_, reject) => {
    out.on('error', reject);
    zip.on('error', reject);
  });
  const closed = once(out, 'close');
  zip.outputStream.pipe(out);
  // Text is made as the zip asks for it, an entry after the other: nothing is held whole.
  const text = (name: string, lines: () => Iterable<string>): void =>
    zip.addReadStreamLazy(name, ENTRY, (give) => give(null, Readable.from(chunked(lines()))));
  text(DOCUMENT, () => documentText(db, tables));
  text('schema.json', () => [`${JSON.stringify(documentSchema(db), null, 1)}\n`]);
  for (const t of tables) text(`csv/${t.name}.csv`, () => csvText(db, t));
  const salon = salonStore(db).find();
  if (salon) text('calendar.ics', () => [bookingsIcs(bookingStore(db).between('', '9999'), salon)]);
  for (const t of tables)
    for (const { name: column } of t.columns.filter((c) => c.type === 'BLOB')) {
      const keys = keyColumns(t).map(quoted);
      const named = db.prepare<[], Row>(
        `SELECT ${keys.join(', ')} FROM ${quoted(t.name)} WHERE ${quoted(column)} IS NOT NULL ORDER BY ${keys.join(', ')}`,
      );
      const picture = db.prepare<[Row], { bytes: Buffer }>(
        `SELECT ${quoted(column)} AS bytes FROM ${quoted(t.name)} WHERE ${keyColumns(t)
          .map((k) => `${quoted(k)} = @${k}`)
          .join(' AND ')}`,
      );
      // Pictures are packed as tight as they get.
      for (const key of named.all())
        zip.addReadStreamLazy(fileOf(t, key, column), { ...ENTRY, compress: false }, (give) =>
          give(null, Readable.from([picture.get(key)?.bytes ?? Buffer.alloc(0)])),
        );
    }
  zip.end();
  await Promise.race([closed, failed]);
  renameSync(unnamed, path);
}

const CHUNK = 64 * 1024;
function* chunked(lines: Iterable<string>): Generator<Buffer> {
  let held = '';
  for (const line of lines) {
    held += line;
    if (held.length < CHUNK) continue;
    yield Buffer.from(held);
    held = '';
  }
  if (held !== '') yield Buffer.from(held);
}
