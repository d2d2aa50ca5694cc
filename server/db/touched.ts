/**
 * Of which dogs something has been written since: by triggers, so that no code can go past them. What is known of a dog is
 * remembered under its count here, and read again when that has grown.
 */
import { tableNames, type Db } from './open.ts';

/** Tables that say nothing of any coat, its visits or what they cost. */
const NOT_OF_COATS = new Set([
  'account',
  'change',
  'drill_answer',
  'home_link',
  'home_link_dog',
  'intake',
  'intake_dog',
  'intake_visit',
  'job',
  'kept_year',
  'known_device',
  'learnt_tide',
  'offer',
  'offer_start',
  'owner_call',
  'owner_post',
  'person',
  'photo',
  'post',
  'post_about',
  'practice_bout',
  'product_move',
  'sheet_mark',
  'sheet_pin',
  'sign_in',
  'sign_in_failure',
  'weather_reading',
]);

/** How the dog of a row is found, by the column that leads to it. */
const BY_COLUMN: readonly (readonly [column: string, dog: (row: string) => string])[] = [
  ['dog_id', (r) => `${r}.dog_id`],
  ['check_id', (r) => `(SELECT dog_id FROM coat_check WHERE id = ${r}.check_id)`],
  ['session_id', (r) => `(SELECT dog_id FROM session WHERE id = ${r}.session_id)`],
  ['booking_id', (r) => `(SELECT dog_id FROM booking WHERE id = ${r}.booking_id)`],
  ['home_of', (r) => `${r}.home_of`],
];

/** SQL of the dog that a row of a table is about: by the row's name, as OLD or NEW. */
export const dogOfRow =
  (table: string, columns: readonly { readonly name: string }[]) =>
  (row: string): string =>
    table === 'dog' ? `${row}.id` : (BY_COLUMN.find(([c]) => columns.some((x) => x.name === c))?.[1](row) ?? 'NULL');

/** What of a table says something only under a condition: of a session, nothing until it is finished, but what is found on the way. */
const ONLY_WHEN: Readonly<Record<string, (row: string) => string>> = {
  session_event: (r) =>
    `${r}.kind IN ('finished', 'met', 'felt', 'corrected', 'undone') OR EXISTS (SELECT 1 FROM session_event e WHERE e.session_id = ${r}.session_id AND e.kind = 'finished')`,
};

/** Counts writes by dog from now on, in this connection; what another one writes counts for all dogs. */
export function countTouches(db: Db) {
  const counts = new Map<string, number>();
  const fresh = new Set<string>();
  let [all, allTaken] = [0, 0];
  db.function('wt_touch', (dogId: unknown) => {
    if (typeof dogId === 'string') {
      counts.set(dogId, (counts.get(dogId) ?? 0) + 1);
      fresh.add(dogId);
    } else all++;
    return 0;
  });
  for (const table of tableNames(db)) {
    if (NOT_OF_COATS.has(table)) continue;
    const columns = db.prepare<[string], { name: string }>('SELECT name FROM pragma_table_info(?)').all(table);
    const dog = dogOfRow(table, columns);
    const when = ONLY_WHEN[table];
    for (const [event, row] of [
      ['INSERT', 'NEW'],
      ['UPDATE', 'NEW'],
      ['DELETE', 'OLD'],
    ] as const)
      db.exec(
        `CREATE TEMP TRIGGER IF NOT EXISTS touch_${table}_${event} AFTER ${event} ON main.${table}
         ${when ? `WHEN ${when(row)}` : ''} BEGIN SELECT wt_touch(${dog(row)}); END`,
      );
  }
  const others = db.prepare<[], number>('SELECT data_version FROM pragma_data_version').pluck();
  const opened = others.get();
  return {
    /** Another word as soon as anything was written about a dog, or about all of them. */
    ofDog: (dogId: string): string => `${all} ${others.get()} ${counts.get(dogId) ?? 0}`,
    /** Has nothing been written about a dog since the file was opened. */
    isUntouched: (dogId: string): boolean => all === 0 && !counts.has(dogId) && others.get() === opened,
    /** Dogs of which something was written since this was asked last, and whether something was that counts for all. */
    taken: (): { readonly dogs: readonly string[]; readonly all: boolean } => {
      const taken = { dogs: [...fresh], all: all > allTaken };
      fresh.clear();
      allTaken = all;
      return taken;
    },
  };
}
