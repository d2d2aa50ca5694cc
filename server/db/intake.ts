/** SQL of clients brought in: past visits, and what came in together so that it can be undone together. */
import type { IntakeRecord } from '../../contract/safe.ts';
import type { Db } from './open.ts';

export interface PastVisit {
  readonly id: string;
  readonly dogId: string;
  readonly day: number;
  readonly minutes: number | null;
  readonly grams: number | null;
}
interface IntakeRow {
  readonly id: string;
  readonly at_ms: number;
  readonly who: string;
  readonly undone_ms: number | null;
  readonly dogs: number;
  readonly visits: number;
}
const stored = ({ id, at_ms, who, undone_ms, dogs, visits }: IntakeRow): IntakeRecord => ({
  id,
  atMs: at_ms,
  who,
  dogs,
  visits,
  undone: undone_ms !== null,
});

const SHOWN = 30;
/** What can be known of a dog beyond the day it came in: each keeps it from being undone. */
const TOUCHED = [
  'coat_check',
  'session',
  'booking',
  'home_setup',
  'home_bout',
  'home_note',
  'home_report',
  'home_link_dog',
  'life_event',
  'vet_word',
  'visit_wish',
] as const;

/** Prepared statements over past visits and intakes. */
export function intakeStore(db: Db) {
  const addVisit = db.prepare<PastVisit>(
    `INSERT INTO past_visit (id, dog_id, day, minutes, grams, note) VALUES (@id, @dogId, @day, @minutes, @grams, '')`,
  );
  const past = db.prepare<[string, number], Pick<PastVisit, 'day' | 'grams'>>(
    'SELECT day, grams FROM past_visit WHERE dog_id = ? AND day >= ? ORDER BY day',
  );
  const dropVisit = db.prepare<[string]>('DELETE FROM past_visit WHERE id = ?');
  const dropDog = db.prepare<[string]>('DELETE FROM dog WHERE id = ?');
  const noteDog = db.prepare<[string, string]>('INSERT INTO intake_dog (dog_id, intake_id) VALUES (?, ?)');
  const noteVisit = db.prepare<[string, string]>('INSERT INTO intake_visit (visit_id, intake_id) VALUES (?, ?)');
  const dogIds = db.prepare<[string], string>('SELECT dog_id FROM intake_dog WHERE intake_id = ?').pluck();
  const visitIds = db.prepare<[string], string>('SELECT visit_id FROM intake_visit WHERE intake_id = ?').pluck();
  const COUNTED = `SELECT id, at_ms, who, undone_ms,
     (SELECT count(*) FROM intake_dog d WHERE d.intake_id = intake.id) AS dogs,
     (SELECT count(*) FROM intake_visit v WHERE v.intake_id = intake.id) AS visits FROM intake`;
  const one = db.prepare<[string], IntakeRow>(`${COUNTED} WHERE id = ? AND finished = 1`);
  const newest = db.prepare<[number], IntakeRow>(`${COUNTED} WHERE finished = 1 ORDER BY at_ms DESC, id LIMIT ?`);
  const unfinished = db.prepare<[], string>('SELECT id FROM intake WHERE finished = 0').pluck();
  const begin = db.prepare<[string, number, string]>(
    'INSERT INTO intake (id, at_ms, who, finished) VALUES (?, ?, ?, 0)',
  );
  const finish = db.prepare<[string]>('UPDATE intake SET finished = 1 WHERE id = ?');
  const drop = db.prepare<[string]>('DELETE FROM intake WHERE id = ?');
  const undo = db.prepare<[number, string]>('UPDATE intake SET undone_ms = ? WHERE id = ?');
  const touched = db.prepare<string[], { name: string }>(
    `SELECT name FROM dog d WHERE id = ? AND (version > 1 OR ${TOUCHED.map((t) => `EXISTS (SELECT 1 FROM ${t} x WHERE x.dog_id = d.id)`).join(' OR ')})`,
  );
  return {
    /** A past visit that came in with an import. */
    addVisit: (intakeId: string, visit: PastVisit): void => {
      addVisit.run(visit);
      noteVisit.run(visit.id, intakeId);
    },
    /** Notes that a dog came in with an import. */
    noteDog: (intakeId: string, dogId: string): void => void noteDog.run(dogId, intakeId),
    dogIds: (intakeId: string): readonly string[] => dogIds.all(intakeId),
    visitIds: (intakeId: string): readonly string[] => visitIds.all(intakeId),
    /** Visits of a dog before the program knew it, since a day. */
    pastVisits: (dogId: string, since: number): readonly Pick<PastVisit, 'day' | 'grams'>[] => past.all(dogId, since),
    dropVisit: (id: string): void => void dropVisit.run(id),
    dropDog: (id: string): void => void dropDog.run(id),
    find: (id: string): IntakeRecord | undefined => {
      const row = one.get(id);
      return row && stored(row);
    },
    newest: (): readonly IntakeRecord[] => newest.all(SHOWN).map(stored),
    /** Ids of imports that are under way, or were cut off. */
    unfinished: (): readonly string[] => unfinished.all(),
    begin: (i: { id: string; atMs: number; who: string }): void => void begin.run(i.id, i.atMs, i.who),
    finish: (id: string): void => void finish.run(id),
    drop: (id: string): void => void drop.run(id),
    undo: (id: string, atMs: number): void => void undo.run(atMs, id),
    /** The name of a dog that something was done with since it came in. */
    touched: (dogId: string): string | undefined => touched.get(dogId)?.name,
  };
}
