/**
 * How the file writes down who changed what: a trigger on each table, made again with each opening from the columns
 * that the table has, so that no code and no new column can go past it. The triggers live in the connection, not in the
 * file: other programs can still write to it.
 */
import type { ChangeRecord } from '../../contract/safe.ts';
import { acting } from '../auth/acting.ts';
import { tableNames, type Db } from './open.ts';
import { dogOfRow } from './touched.ts';

/** Tables without a trail: the trail itself, what is its own record, and what the machine notes for itself. */
const WITHOUT = new Set([
  'change',
  'session_event',
  'weather_reading',
  'sign_in',
  'known_device',
  'sign_in_failure',
  'job',
  'intake',
  'intake_dog',
  'intake_visit',
  'practice_bout',
  'drill_answer',
  'learnt_tide',
]);
/** Columns of which the trail says only that they changed. */
const SECRET = new Set(['passphrase', 'pin', 'token_hash', 'feed_hash']);
/** Tables that are written again as a whole when their parent is edited: what they hold is kept when it is made, too. */
const REWRITTEN = new Set(['check_zone']);

interface Column {
  readonly name: string;
  readonly type: string;
  readonly pk: number;
}

const quoted = (text: string): string => `'${text.replaceAll("'", "''")}'`;

/** The three triggers of one table. */
function triggers(table: string, columns: readonly Column[]): string {
  const shown = columns.filter((c) => c.type !== 'BLOB' && c.name !== 'version');
  const key = (r: string): string =>
    columns
      .filter((c) => c.pk > 0)
      .sort((a, b) => a.pk - b.pk)
      .map((c) => `${r}.${c.name}`)
      .join(` || ' ' || `);
  const dog = dogOfRow(table, columns);
  const about = (r: string): string =>
    columns.some((c) => c.name === 'name') ? `${r}.name` : `(SELECT name FROM dog WHERE id = ${dog(r)})`;
  const values = (r: string): string =>
    shown.map((c) => `${quoted(c.name)}, ${SECRET.has(c.name) ? quoted('kept secret') : `${r}.${c.name}`}`).join(', ');
  const pairs = shown
    .map((c) => {
      const value = (r: string): string => (SECRET.has(c.name) ? quoted('kept secret') : `${r}.${c.name}`);
      return `SELECT ${quoted(c.name)} AS k, ${value('OLD')} AS b, ${value('NEW')} AS a WHERE OLD.${c.name} IS NOT NEW.${c.name}`;
    })
    .join(' UNION ALL ');
  const wholeAs = (r: string, before: boolean): string =>
    `(SELECT json_group_object(key, json_array(${before ? 'value, NULL' : 'NULL, value'})) FROM json_each(json_object(${values(r)})))`;
  const write = (r: string, act: string, fields: string): string =>
    `INSERT INTO change (at_ms, account_id, who, tbl, row_key, dog_id, about, act, fields)
     SELECT wt_at(), wt_account(), wt_who(), ${quoted(table)}, ${key(r)}, ${dog(r)}, ${about(r)}, ${quoted(act)}, ${fields}`;
  const on = (name: string, event: string, body: string): string =>
    `CREATE TEMP TRIGGER IF NOT EXISTS trail_${table}_${name} AFTER ${event} ON main.${table} WHEN wt_who() IS NOT NULL BEGIN ${body}; END;`;
  return [
    on('made', 'INSERT', write('NEW', 'made', REWRITTEN.has(table) ? wholeAs('NEW', false) : quoted('{}'))),
    on(
      'changed',
      'UPDATE',
      `INSERT INTO change (at_ms, account_id, who, tbl, row_key, dog_id, about, act, fields)
       SELECT wt_at(), wt_account(), wt_who(), ${quoted(table)}, ${key('NEW')}, ${dog('NEW')}, ${about('NEW')}, 'changed', f
       FROM (SELECT json_group_object(k, json_array(b, a)) AS f FROM (${pairs})) WHERE f <> '{}'`,
    ),
    on('removed', 'DELETE', write('OLD', 'removed', wholeAs('OLD', true))),
  ].join('\n');
}

/** Writes a trail of all that changes in a connection from now on; the clock says when. */
export function keepTrail(db: Db, nowMs: () => number): void {
  db.function('wt_at', () => nowMs());
  db.function('wt_who', () => acting.now().name || null);
  db.function('wt_account', () => acting.now().id);
  for (const name of tableNames(db)) {
    if (WITHOUT.has(name)) continue;
    const columns = db.prepare<[], Column>(`SELECT name, type, pk FROM pragma_table_info(${quoted(name)})`).all();
    db.exec(triggers(name, columns));
  }
}

interface Row {
  readonly id: number;
  readonly at_ms: number;
  readonly who: string;
  readonly tbl: string;
  readonly row_key: string;
  readonly about: string | null;
  readonly act: ChangeRecord['act'];
  readonly fields: string;
}

const record = (r: Row): ChangeRecord => {
  const fields: Readonly<Record<string, readonly [unknown, unknown]>> = JSON.parse(r.fields);
  return {
    id: r.id,
    atMs: r.at_ms,
    who: r.who,
    table: r.tbl,
    key: r.row_key,
    name: r.about,
    act: r.act,
    fields: Object.entries(fields).map(([field, [before, after]]) => ({ field, before, after })),
  };
};

/** Prepared statements over the trail. */
export function trailStore(db: Db) {
  const page = db.prepare<[number, number], Row>('SELECT * FROM change WHERE id < ? ORDER BY id DESC LIMIT ?');
  const ofDog = db.prepare<[string, number, number], Row>(
    'SELECT * FROM change WHERE dog_id = ? AND id < ? ORDER BY id DESC LIMIT ?',
  );
  const newest = db.prepare<[], { at: number | null }>(
    'SELECT max(at_ms) AS at FROM (SELECT at_ms FROM change ORDER BY id DESC LIMIT 50)',
  );
  return {
    /** Changes older than an id, newest first. */
    before: (id: number, most: number): readonly ChangeRecord[] => page.all(id, most).map(record),
    ofDog: (dogId: string, id: number, most: number): readonly ChangeRecord[] => ofDog.all(dogId, id, most).map(record),
    /** When the file was last changed, as its clock then said. */
    newestMs: (): number | undefined => newest.get()?.at ?? undefined,
  };
}
