/** SQL of what homes, lives and the weather add to the log. */
import type { HomeNote, LifeNote } from '../../contract/tide.ts';
import { day, formatDay, parseDay } from '../../core/quantity/index.ts';
import type { Reading } from '../../core/tide/index.ts';
import type { Db } from './open.ts';

/** A part of what was learnt last, gzipped JSON; parts of one stamp belong together. */
export interface LearntPart {
  readonly part: number;
  readonly stamp: number;
  readonly answer: Uint8Array;
}

interface NoteRow {
  readonly id: string;
  readonly dog_id: string;
  readonly day: number;
  readonly what: HomeNote['what'];
  readonly amount: HomeNote['amount'];
  readonly grams: number | null;
  readonly author: string;
}
interface LifeRow {
  readonly id: string;
  readonly dog_id: string;
  readonly day: number;
  readonly kind: LifeNote['kind'];
  readonly outdoor_share: number | null;
}
interface ReadingRow extends Reading {
  readonly station: number;
}

const note = ({ dog_id: dogId, day: on, ...r }: NoteRow) => ({ ...r, dogId, day: formatDay(day(on)) });
const life = ({ dog_id: dogId, day: on, outdoor_share: outdoorShare, ...r }: LifeRow) => ({
  ...r,
  dogId,
  outdoorShare,
  day: formatDay(day(on)),
});

/** Prepared statements. */
export function tideStore(db: Db) {
  const notes = db.prepare<[], NoteRow>('SELECT * FROM home_note ORDER BY day, rowid');
  const notesOf = db.prepare<[string], NoteRow>('SELECT * FROM home_note WHERE dog_id = ? ORDER BY day, rowid');
  const oneNote = db.prepare<[string], NoteRow>('SELECT * FROM home_note WHERE id = ?');
  const addNote = db.prepare<NoteRow>(
    `INSERT INTO home_note (id, dog_id, day, what, amount, grams, author)
     VALUES (@id, @dog_id, @day, @what, @amount, @grams, @author)`,
  );
  const dropNote = db.prepare<[string]>('DELETE FROM home_note WHERE id = ?');
  const lives = db.prepare<[], LifeRow>('SELECT * FROM life_event ORDER BY day, rowid');
  const livesOf = db.prepare<[string], LifeRow>('SELECT * FROM life_event WHERE dog_id = ? ORDER BY day, rowid');
  const oneLife = db.prepare<[string], LifeRow>('SELECT * FROM life_event WHERE id = ?');
  const addLife = db.prepare<LifeRow>(
    `INSERT INTO life_event (id, dog_id, day, kind, outdoor_share)
     VALUES (@id, @dog_id, @day, @kind, @outdoor_share)`,
  );
  const dropLife = db.prepare<[string]>('DELETE FROM life_event WHERE id = ?');
  const readings = db.prepare<[], ReadingRow>('SELECT day, celsius, station FROM weather_reading ORDER BY day');
  // The salon's own reading stands over a station's.
  const read = db.prepare<ReadingRow>(
    `INSERT INTO weather_reading (day, celsius, station) VALUES (@day, @celsius, @station)
     ON CONFLICT (day) DO UPDATE SET celsius = excluded.celsius, station = excluded.station
     WHERE excluded.station <= weather_reading.station`,
  );
  const forget = db.prepare<[]>('DELETE FROM weather_reading');
  const learnt = db.prepare<[], LearntPart>('SELECT part, stamp, answer FROM learnt_tide ORDER BY part');
  const keepLearnt = db.prepare<LearntPart>(
    'INSERT OR REPLACE INTO learnt_tide (part, stamp, answer) VALUES (@part, @stamp, @answer)',
  );
  const dropLearnt = db.prepare<[number]>('DELETE FROM learnt_tide WHERE part >= ?');
  return {
    /** What was learnt last, part by part. */
    learnt: (): readonly LearntPart[] => learnt.all(),
    keepLearnt: (part: LearntPart): void => void keepLearnt.run(part),
    /** Drops what was learnt from a part on. */
    dropLearnt: (from = 0): void => void dropLearnt.run(from),
    notes: () => notes.all().map(note),
    notesOf: (dogId: string) => notesOf.all(dogId).map(note),
    findNote: (id: string) => {
      const row = oneNote.get(id);
      return row && note(row);
    },
    addNote: (dogId: string, { day: on, ...n }: HomeNote): void =>
      void addNote.run({ ...n, dog_id: dogId, day: parseDay(on) ?? 0 }),
    dropNote: (id: string): boolean => dropNote.run(id).changes === 1,
    lives: () => lives.all().map(life),
    livesOf: (dogId: string) => livesOf.all(dogId).map(life),
    findLife: (id: string) => {
      const row = oneLife.get(id);
      return row && life(row);
    },
    addLife: (dogId: string, { id, kind, day: on, outdoorShare }: LifeNote): void =>
      void addLife.run({ id, kind, dog_id: dogId, day: parseDay(on) ?? 0, outdoor_share: outdoorShare }),
    dropLife: (id: string): boolean => dropLife.run(id).changes === 1,
    readings: () => readings.all().map((r) => ({ day: day(r.day), celsius: r.celsius, station: r.station === 1 })),
    read: (r: Reading, station: boolean): void => void read.run({ ...r, station: station ? 1 : 0 }),
    forgetReadings: (): void => void forget.run(),
  };
}
