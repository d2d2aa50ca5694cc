/** SQL of who works when, what is closed, who must not meet, and what owners wish. */
import type { PersonRecord, WishRecord } from '../../contract/roster.ts';
import type { Absence } from '../../core/book/index.ts';
import { day, type Day } from '../../core/quantity/index.ts';
import type { Db } from './open.ts';

interface PersonRow {
  readonly id: string;
  readonly name: string;
  readonly weekdays: string;
  readonly from_minute: number;
  readonly to_minute: number;
  readonly pause: string;
  readonly can: string;
  readonly most_heavy: number;
  readonly protect_db: number;
  readonly version: number;
}
interface AbsenceRow {
  readonly id: string;
  readonly person_id: string | null;
  readonly from_day: number;
  readonly to_day: number;
  readonly reason: string;
}

const person = (r: PersonRow): PersonRecord => ({
  id: r.id,
  name: r.name,
  weekdays: JSON.parse(r.weekdays),
  from: r.from_minute,
  to: r.to_minute,
  pause: JSON.parse(r.pause),
  can: JSON.parse(r.can),
  mostHeavy: r.most_heavy,
  protectDb: r.protect_db,
  version: r.version,
});
const personRow = (p: PersonRecord): PersonRow => ({
  id: p.id,
  name: p.name,
  weekdays: JSON.stringify([...p.weekdays].sort()),
  from_minute: p.from,
  to_minute: p.to,
  pause: JSON.stringify(p.pause),
  can: JSON.stringify(p.can),
  most_heavy: p.mostHeavy,
  protect_db: p.protectDb,
  version: p.version,
});
const absence = (r: AbsenceRow): Absence => ({
  id: r.id,
  person: r.person_id,
  from: day(r.from_day),
  to: day(r.to_day),
  reason: r.reason,
});

/** Prepared statements. */
export function rosterStore(db: Db) {
  const people = db.prepare<[], PersonRow>('SELECT * FROM person ORDER BY name, id');
  const onePerson = db.prepare<[string], PersonRow>('SELECT * FROM person WHERE id = ?');
  const insertPerson = db.prepare<PersonRow>(
    `INSERT INTO person (id, name, weekdays, from_minute, to_minute, pause, can, most_heavy, protect_db)
     VALUES (@id, @name, @weekdays, @from_minute, @to_minute, @pause, @can, @most_heavy, @protect_db)`,
  );
  const updatePerson = db.prepare<PersonRow>(
    `UPDATE person SET name = @name, weekdays = @weekdays, from_minute = @from_minute, to_minute = @to_minute,
       pause = @pause, can = @can, most_heavy = @most_heavy, protect_db = @protect_db, version = version + 1
     WHERE id = @id AND version = @version`,
  );
  const dropPerson = db.prepare<[string]>('DELETE FROM person WHERE id = ?');
  const away = db.prepare<[number], AbsenceRow>('SELECT * FROM absence WHERE to_day >= ? ORDER BY from_day, id');
  const oneAway = db.prepare<[string], AbsenceRow>('SELECT * FROM absence WHERE id = ?');
  const addAway = db.prepare<AbsenceRow & { readonly uid: string | null }>(
    `INSERT INTO absence (id, person_id, from_day, to_day, reason, uid)
     VALUES (@id, @person_id, @from_day, @to_day, @reason, @uid)
     ON CONFLICT (uid) DO UPDATE SET from_day = @from_day, to_day = @to_day, reason = @reason`,
  );
  const dropAway = db.prepare<[string]>('DELETE FROM absence WHERE id = ?');
  const apart = db.prepare<
    [],
    { readonly a: string; readonly b: string; readonly aName: string; readonly bName: string }
  >(
    `SELECT p.dog_a AS a, p.dog_b AS b, x.name AS aName, y.name AS bName
     FROM dog_apart p JOIN dog x ON x.id = p.dog_a JOIN dog y ON y.id = p.dog_b ORDER BY x.name, y.name`,
  );
  const addApart = db.prepare<[string, string]>(
    'INSERT INTO dog_apart (dog_a, dog_b) VALUES (?, ?) ON CONFLICT DO NOTHING',
  );
  const dropApart = db.prepare<[string, string]>('DELETE FROM dog_apart WHERE dog_a = ? AND dog_b = ?');
  const wishes = db.prepare<[], { readonly dog_id: string; readonly wish: string; readonly version: number }>(
    'SELECT * FROM visit_wish',
  );
  const insertWish = db.prepare<[string, string]>(
    'INSERT INTO visit_wish (dog_id, wish) VALUES (?, ?) ON CONFLICT (dog_id) DO NOTHING',
  );
  const updateWish = db.prepare<[string, string, number]>(
    'UPDATE visit_wish SET wish = ?, version = version + 1 WHERE dog_id = ? AND version = ?',
  );
  const inOrder = (a: string, b: string): readonly [string, string] => (a < b ? [a, b] : [b, a]);
  return {
    people: (): readonly PersonRecord[] => people.all().map(person),
    person: (id: string): PersonRecord | undefined => {
      const row = onePerson.get(id);
      return row && person(row);
    },
    insert: (p: PersonRecord): void => void insertPerson.run(personRow(p)),
    /** False when the stored version is another. */
    update: (p: PersonRecord): boolean => updatePerson.run(personRow(p)).changes === 1,
    drop: (id: string): boolean => dropPerson.run(id).changes === 1,
    /** Absences that are not over on a day. */
    away: (from: Day): readonly Absence[] => away.all(from).map(absence),
    awayById: (id: string): Absence | undefined => {
      const row = oneAway.get(id);
      return row && absence(row);
    },
    /** Adds one; one that came with the same calendar event is changed. */
    addAway: (a: Absence, uid: string | null = null): void =>
      void addAway.run({ id: a.id, person_id: a.person, from_day: a.from, to_day: a.to, reason: a.reason, uid }),
    dropAway: (id: string): boolean => dropAway.run(id).changes === 1,
    apart: () => apart.all(),
    addApart: (a: string, b: string): void => void addApart.run(...inOrder(a, b)),
    dropApart: (a: string, b: string): boolean => dropApart.run(...inOrder(a, b)).changes === 1,
    wishes: (): ReadonlyMap<string, WishRecord> =>
      new Map(wishes.all().map((w) => [w.dog_id, { ...JSON.parse(w.wish), version: w.version }])),
    /** Version 0: there was none. False when the stored version is another. */
    wish: (dogId: string, { version, ...wish }: WishRecord): boolean =>
      (version === 0
        ? insertWish.run(dogId, JSON.stringify(wish))
        : updateWish.run(JSON.stringify(wish), dogId, version)
      ).changes === 1,
  };
}
