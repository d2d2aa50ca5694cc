/** No statement of the house reads a whole table that grows, but those that are named here with why they may. */
import { expect } from 'chai';
import { openDb, stores } from '../../server/db/index.ts';

/** Tables that grow with every dog and every day. */
const GROWS = [
  'booking',
  'change',
  'check_zone',
  'coat_check',
  'dog',
  'drill_answer',
  'home_bout',
  'home_care',
  'home_note',
  'home_report',
  'life_event',
  'past_visit',
  'photo',
  'post',
  'practice_bout',
  'session',
  'session_event',
  'vet_word',
];
/** Statements that may, by how they begin, with why. */
const MAY: readonly (readonly [begins: string, why: string])[] = [
  [
    'SELECT * FROM dog WHERE gone_ms IS NULL ORDER BY',
    'all dogs: read when everything about them is asked for, as in a table of bookings',
  ],
  ['SELECT id, name, owner_name AS owner', 'the names of all dogs: read when a file is, some milliseconds'],
  [
    'SELECT * FROM dog WHERE gone_ms IS NULL AND (name LIKE',
    'a part of a name: five thousand dogs are looked through in some milliseconds',
  ],
  ['SELECT * FROM home_note ORDER BY', 'what the tide rests on: gathered once a while'],
  ['SELECT * FROM home_bout ORDER BY', 'the same'],
  ['SELECT max(at_ms) AS at FROM (SELECT at_ms FROM change ORDER BY id DESC LIMIT 50)', 'the newest fifty rows'],
  [
    'SELECT id, dog_id, day, kind, part, note, author, jpeg IS NOT NULL AS photo, closed_ms, answer FROM home_report WHERE closed_ms IS NULL',
    'an index of what is open, and nothing else',
  ],
  ['SELECT * FROM life_event ORDER BY', 'the same'],
  [
    "UPDATE change SET about = NULL, fields = '{}' WHERE tbl",
    'an owner is forgotten: once in a while, and nothing may be missed',
  ],
];

describe('the statements of the house', () => {
  it('find what they read by an index (EXPLAIN QUERY PLAN)', () => {
    const db = openDb(':memory:');
    const seen = new Set<string>();
    const prepare = db.prepare.bind(db);
    const listening = new Proxy(db, {
      get: (target, key) => {
        if (key === 'prepare')
          return (sql: string) => {
            seen.add(sql);
            return prepare(sql);
          };
        const value: unknown = Reflect.get(target, key);
        return typeof value === 'function' ? value.bind(target) : value;
      },
    });
    stores(listening);
    const allowed = new Set<string>();
    const scans = [...seen].flatMap((sql) => {
      const plan = db.prepare<unknown[], { readonly detail: string }>(`EXPLAIN QUERY PLAN ${sql}`).all(...bound(sql));
      const scan = plan.find(({ detail }) => {
        const [, table] = /^SCAN (\w+)/.exec(detail) ?? [];
        if (table === undefined) return false;
        const real = new RegExp(`(?:FROM|JOIN) (\\w+)(?: AS)? ${table}\\b`, 'i').exec(sql)?.[1] ?? table;
        return GROWS.includes(table) || GROWS.includes(real)
          ? !/USING (?:COVERING )?INDEX .*LIMIT/.test(detail)
          : false;
      });
      if (!scan || isInOrder(sql, scan.detail)) return [];
      const flat = sql.replace(/\s+/g, ' ').trim();
      const why = MAY.find(([begins]) => flat.startsWith(begins));
      if (why) allowed.add(why[0]);
      return why ? [] : [`${flat.slice(0, 120)} … ${scan.detail}`];
    });
    expect(seen.size).to.be.above(120);
    expect(scans).to.deep.equal([]);
    // What is allowed and no longer there is taken off the list.
    expect(MAY.map(([begins]) => begins).filter((b) => !allowed.has(b))).to.deep.equal([]);
    db.close();
  });
});

/** A walk along an index that ends at a limit reads only what it answers. */
const isInOrder = (sql: string, detail: string): boolean =>
  /USING (?:COVERING )?INDEX|USING INTEGER PRIMARY KEY/.test(detail) && /\bLIMIT\b/.test(sql);

/** Values for the parameters of a statement: their number is all that a plan asks of them. */
const bound = (sql: string): unknown[] => {
  const names = [...new Set([...sql.matchAll(/@(\w+)/g)].map(([, n = '']) => n))];
  if (names.length > 0) return [Object.fromEntries(names.map((n) => [n, null]))];
  return [...sql.matchAll(/\?/g)].map(() => null);
};
