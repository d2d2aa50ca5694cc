/** SQL of a day's sheet: what was wanted by hand, what has begun; and of calls to owners. */
import type { CallDraft, CallRecord, MarkDraft, PinDraft } from '../../contract/roster.ts';
import { day, formatDay, type Day } from '../../core/quantity/index.ts';
import type { Db } from './open.ts';

interface PinRow {
  readonly booking_id: string;
  readonly stage: number;
  readonly person_id: string | null;
  readonly not_before: number | null;
}
interface MarkRow {
  readonly booking_id: string;
  readonly stage: number;
  readonly person_id: string | null;
  readonly place: string | null;
  readonly started: number;
  readonly ends: number;
  readonly done: number;
}
interface CallRow {
  readonly id: string;
  readonly dog_id: string;
  readonly day: number;
  readonly outcome: CallRecord['outcome'];
}

const OF = 'booking_id IN (SELECT value FROM json_each(?))';

/** Prepared statements. Bookings of one day are named together, as a JSON list of their ids. */
export function sheetStore(db: Db) {
  const pins = db.prepare<[string], PinRow>(`SELECT * FROM sheet_pin WHERE ${OF} ORDER BY booking_id, stage`);
  const setPin = db.prepare<PinRow>(
    `INSERT INTO sheet_pin (booking_id, stage, person_id, not_before) VALUES (@booking_id, @stage, @person_id, @not_before)
     ON CONFLICT (booking_id, stage) DO UPDATE SET person_id = @person_id, not_before = @not_before`,
  );
  const dropPins = db.prepare<[string]>(`DELETE FROM sheet_pin WHERE ${OF}`);
  const marks = db.prepare<[string], MarkRow>(`SELECT * FROM sheet_mark WHERE ${OF} ORDER BY started, stage`);
  const setMark = db.prepare<MarkRow>(
    `INSERT INTO sheet_mark (booking_id, stage, person_id, place, started, ends, done)
     VALUES (@booking_id, @stage, @person_id, @place, @started, @ends, @done)
     ON CONFLICT (booking_id, stage) DO UPDATE SET
       person_id = @person_id, place = @place, started = @started, ends = @ends, done = @done`,
  );
  const dropMark = db.prepare<[string, number]>('DELETE FROM sheet_mark WHERE booking_id = ? AND stage >= ?');
  const addCall = db.prepare<CallRow & { readonly offered: string }>(
    `INSERT INTO owner_call (id, dog_id, day, outcome, offered) VALUES (@id, @dog_id, @day, @outcome, @offered)
     ON CONFLICT (id) DO NOTHING`,
  );
  const dropCall = db.prepare<[string]>('DELETE FROM owner_call WHERE id = ?');
  const calls = db.prepare<[number], CallRow>(
    'SELECT id, dog_id, day, outcome FROM owner_call WHERE day >= ? ORDER BY day',
  );
  return {
    pins: (bookings: readonly string[]): readonly PinDraft[] =>
      pins.all(JSON.stringify(bookings)).map((p) => ({
        bookingId: p.booking_id,
        stage: p.stage,
        person: p.person_id,
        notBefore: p.not_before,
      })),
    setPin: (p: PinDraft): void =>
      void setPin.run({ booking_id: p.bookingId, stage: p.stage, person_id: p.person, not_before: p.notBefore }),
    dropPins: (bookings: readonly string[]): void => void dropPins.run(JSON.stringify(bookings)),
    marks: (bookings: readonly string[]): readonly MarkDraft[] =>
      marks.all(JSON.stringify(bookings)).map((m) => ({
        bookingId: m.booking_id,
        stage: m.stage,
        person: m.person_id,
        place: m.place,
        started: m.started,
        ends: m.ends,
        done: m.done === 1,
      })),
    setMark: (m: MarkDraft): void =>
      void setMark.run({
        booking_id: m.bookingId,
        stage: m.stage,
        person_id: m.person,
        place: m.place,
        started: m.started,
        ends: m.ends,
        done: m.done ? 1 : 0,
      }),
    /** Takes back that a stage was begun, and whatever came after it. */
    dropMarksFrom: (booking: string, stage: number): void => void dropMark.run(booking, stage),
    addCall: (c: CallDraft, on: Day): void =>
      void addCall.run({ id: c.id, dog_id: c.dogId, day: on, outcome: c.outcome, offered: JSON.stringify(c.offered) }),
    dropCall: (id: string): boolean => dropCall.run(id).changes === 1,
    calls: (from: Day): readonly CallRecord[] =>
      calls.all(from).map((c) => ({ id: c.id, dogId: c.dog_id, day: formatDay(day(c.day)), outcome: c.outcome })),
  };
}
