/**
 * SQL of forgetting an owner: what says who they are goes, what the books need stays without a name. Sessions, bookings that
 * were kept, weights and minutes stay; notes, photos, links, messages and everything from the home go.
 */
import type { DogRecord } from '../../contract/dog.ts';
import type { Forgotten } from '../../contract/safe.ts';
import type { Db } from './open.ts';

/** Tables of which a forgotten dog's rows go. */
const GOES = [
  'home_setup',
  'home_bout',
  'home_care',
  'home_report',
  'home_note',
  'life_event',
  'vet_word',
  'visit_wish',
  'owner_call',
  'offer',
  'post_about',
] as const;
/** Acts of a session that hold what somebody typed. */
const TYPED = "('note')";

/** Keys under which an owner stood in the trail: every name and number they had, each with each. */
function formerly(fields: readonly string[], owner: DogRecord['owner']): readonly string[] {
  const [names, phones] = [new Set([owner.name]), new Set([owner.phone])];
  for (const text of fields) {
    const changed: Readonly<Record<string, readonly unknown[]>> = JSON.parse(text);
    for (const [into, field] of [
      [names, 'owner_name'],
      [phones, 'owner_phone'],
    ] as const)
      for (const value of changed[field] ?? []) if (typeof value === 'string') into.add(value);
  }
  return [...names].flatMap((n) => [...phones].map((p) => `${n} ${p}`));
}

/** Prepared statements over all that is known of an owner. */
export function forgetStore(db: Db) {
  const dogsOf = db.prepare<[string, string], { id: string }>(
    'SELECT id FROM dog WHERE owner_name = ? AND owner_phone = ? AND gone_ms IS NULL',
  );
  const goes = GOES.map((t) => db.prepare<[string]>(`DELETE FROM ${t} WHERE dog_id = ?`));
  const apart = db.prepare<[string, string]>('DELETE FROM dog_apart WHERE dog_a = ? OR dog_b = ?');
  const brushes = db.prepare<[string]>('DELETE FROM tool WHERE home_of = ?');
  const photos = db.prepare<[string]>(
    'DELETE FROM photo WHERE check_id IN (SELECT id FROM coat_check WHERE dog_id = ?)',
  );
  const links = db.prepare<[string]>(
    'DELETE FROM home_link WHERE id IN (SELECT link_id FROM home_link_dog WHERE dog_id = ?)',
  );
  const checks = db.prepare<[string]>("UPDATE coat_check SET note = '', inspection = '{}' WHERE dog_id = ?");
  const ahead = db.prepare<[string, string]>('UPDATE booking SET cancelled = 1 WHERE dog_id = ? AND starts_at > ?');
  const bookings = db.prepare<[string]>("UPDATE booking SET note = '', uid = NULL WHERE dog_id = ?");
  const visits = db.prepare<[string]>("UPDATE past_visit SET note = '' WHERE dog_id = ?");
  const notes = db.prepare<[string]>(
    `UPDATE session_event SET act = json_set(act, '$.text', '') WHERE kind IN ${TYPED}
     AND session_id IN (SELECT id FROM session WHERE dog_id = ?)`,
  );
  const sessions = db.prepare<[string], { n: number }>('SELECT count(*) AS n FROM session WHERE dog_id = ?');
  const dog = db.prepare<[number, string]>(
    `UPDATE dog SET name = 'a dog', owner_name = '', owner_phone = '', note = '', born_day = NULL, gone_ms = ?, version = version + 1
     WHERE id = ?`,
  );
  const wish = db.prepare<[string, string]>('DELETE FROM owner_post WHERE owner_name = ? AND owner_phone = ?');
  const post = db.prepare<[string, string]>('DELETE FROM post WHERE owner_name = ? AND owner_phone = ?');
  const trailOfDog = db.prepare<[string]>("UPDATE change SET about = NULL, fields = '{}' WHERE dog_id = ?");
  const renamed = db.prepare<[string], { fields: string }>(
    "SELECT fields FROM change WHERE tbl = 'dog' AND dog_id = ? AND (fields LIKE '%\"owner_name\"%' OR fields LIKE '%\"owner_phone\"%')",
  );
  const trailOfOwner = db.prepare<[string]>(
    "UPDATE change SET row_key = '', about = NULL, fields = '{}' WHERE tbl = 'owner_post' AND row_key = ?",
  );
  const trailOfPost = db.prepare(
    "UPDATE change SET about = NULL, fields = '{}' WHERE tbl IN ('post', 'home_link', 'home_link_dog') AND fields <> '{}'",
  );
  const kept = db.prepare<[], { sql: string }>("SELECT sql FROM sqlite_master WHERE name = 'session_event_is_kept'");
  return {
    /** Forgets an owner with all their dogs. Within a transaction. */
    owner: ({ name, phone }: DogRecord['owner'], atMs: number): Omit<Forgotten, 'copies'> => {
      const ids = dogsOf.all(name, phone).map((d) => d.id);
      // Before the trail of the dogs is emptied: it knows what the owner was called earlier.
      const was = formerly(
        ids.flatMap((id) => renamed.all(id).map((r) => r.fields)),
        { name, phone },
      );
      const now = new Date(atMs).toISOString();
      let removed = 0;
      let worked = 0;
      // The log is append-only but for this: the rule is put back before anybody else can write.
      const rule = kept.get()?.sql;
      if (rule === undefined) throw new TypeError('the log of sessions has lost its rule');
      db.exec('DROP TRIGGER session_event_is_kept');
      for (const id of ids) {
        for (const s of goes) removed += s.run(id).changes;
        removed += apart.run(id, id).changes + brushes.run(id).changes + photos.run(id).changes + links.run(id).changes;
        ahead.run(id, now);
        for (const s of [checks, bookings, visits, notes]) s.run(id);
        worked += sessions.get(id)?.n ?? 0;
        dog.run(atMs, id);
        trailOfDog.run(id);
      }
      removed += wish.run(name, phone).changes + post.run(name, phone).changes;
      for (const key of was) trailOfOwner.run(key);
      trailOfPost.run();
      db.exec(rule);
      return { dogs: ids.length, sessions: worked, removed };
    },
    /** Takes what was forgotten out of the write-ahead log, too. */
    settle: (): void => void db.pragma('wal_checkpoint(TRUNCATE)'),
  };
}
