/** SQL of what bears on a dog's holds: where something that stops work may have been found, and what vets have said. */
import type { VetWordDraft } from '../../contract/hold.ts';
import { STOPPING_SKIN, type VetWord } from '../../core/check/index.ts';
import { day, parseDay, type Day } from '../../core/quantity/index.ts';
import type { Db } from './open.ts';

interface WordRow {
  readonly id: string;
  readonly dog_id: string;
  readonly day: number;
  readonly who: string;
  readonly places: string;
  readonly findings: string;
  readonly allows: VetWord['allows'];
  readonly note: string;
}
export interface StoredVetWord extends VetWord {
  readonly id: string;
  readonly dogId: string;
}

const word = ({ dog_id: dogId, day: on, places, findings, ...r }: WordRow): StoredVetWord => ({
  ...r,
  dogId,
  day: day(on),
  places: JSON.parse(places),
  findings: JSON.parse(findings),
});

/** Prepared statements over holds. */
export function holdStore(db: Db) {
  const skins = [...STOPPING_SKIN].map((s) => `'${s}'`).join(', ');
  const suspectCheck = db
    .prepare<[string], number | null>(
      `SELECT min(day) FROM coat_check c WHERE dog_id = ? AND (inspection LIKE '%"trouble"%' OR EXISTS (
         SELECT 1 FROM check_zone z WHERE z.check_id = c.id AND (z.skin IN (${skins}) OR z.tie = 'pelt')))`,
    )
    .pluck();
  const suspectSessions = db
    .prepare<[string], string>(
      `SELECT s.id FROM session s WHERE s.dog_id = ? AND EXISTS (
         SELECT 1 FROM session_event e WHERE e.session_id = s.id AND e.kind IN ('met', 'felt', 'corrected')
           AND (${[...STOPPING_SKIN].map((s) => `e.act LIKE '%"${s}"%'`).join(' OR ')}))
       ORDER BY s.day, s.id`,
    )
    .pluck();
  const words = db.prepare<[string], WordRow>('SELECT * FROM vet_word WHERE dog_id = ? ORDER BY day, rowid');
  const one = db.prepare<[string], WordRow>('SELECT * FROM vet_word WHERE id = ?');
  const add = db.prepare<WordRow>(
    `INSERT INTO vet_word (id, dog_id, day, who, places, findings, allows, note)
     VALUES (@id, @dog_id, @day, @who, @places, @findings, @allows, @note)`,
  );
  const drop = db.prepare<[string]>('DELETE FROM vet_word WHERE id = ?');
  return {
    /** The first day on which a check of a dog may have found what stops work. */
    firstSuspect: (dogId: string): Day | undefined => {
      const first = suspectCheck.get(dogId);
      return first === null || first === undefined ? undefined : day(first);
    },
    /** Sessions of a dog in which something that stops work may have been met. */
    suspectSessions: (dogId: string): readonly string[] => suspectSessions.all(dogId),
    wordsOf: (dogId: string): readonly StoredVetWord[] => words.all(dogId).map(word),
    findWord: (id: string): StoredVetWord | undefined => {
      const row = one.get(id);
      return row && word(row);
    },
    addWord: (dogId: string, { day: on, places, findings, ...w }: VetWordDraft): void =>
      void add.run({
        ...w,
        dog_id: dogId,
        day: parseDay(on) ?? 0,
        places: JSON.stringify(places),
        findings: JSON.stringify(findings),
      }),
    dropWord: (id: string): void => void drop.run(id),
  };
}
