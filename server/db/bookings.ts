/** SQL of bookings. */
import type { BookingDraft, BookingEdit, BookingRecord, CancelReason } from '../../contract/booking.ts';
import type { Service } from '../../core/dog/index.ts';
import type { Db } from './open.ts';

interface Row {
  readonly id: string;
  readonly dog_id: string;
  readonly dog_name: string;
  readonly starts_at: string;
  readonly minutes: number;
  readonly note: string;
  readonly cancelled: number;
  readonly agreed: number;
  readonly told: number | null;
  readonly uid: string | null;
  readonly service: Service;
  readonly cancelled_why: CancelReason | null;
  readonly version: number;
}

const record = (r: Row): BookingRecord => ({
  id: r.id,
  dogId: r.dog_id,
  dogName: r.dog_name,
  startsAt: r.starts_at,
  minutes: r.minutes,
  note: r.note,
  cancelled: r.cancelled === 1,
  agreed: r.agreed === 1,
  told: r.told,
  service: r.service,
  cancelledWhy: r.cancelled_why,
  version: r.version,
});

const SELECT = 'SELECT b.*, d.name AS dog_name FROM booking b JOIN dog d ON d.id = b.dog_id';

/** Prepared statements over bookings. Instants are ISO text in UTC, so text order is time order. */
export function bookingStore(db: Db) {
  const one = db.prepare<[string], Row>(`${SELECT} WHERE b.id = ?`);
  const from = db.prepare<[string, string], Row>(
    `${SELECT} WHERE b.starts_at >= ? AND b.starts_at < ? AND b.cancelled = 0 ORDER BY b.starts_at, b.id`,
  );
  const ofDog = db.prepare<[string, string], Row>(
    `${SELECT} WHERE b.dog_id = ? AND b.starts_at >= ? AND b.cancelled = 0 ORDER BY b.starts_at, b.id`,
  );
  const insert = db.prepare<Omit<Row, 'dog_name' | 'cancelled' | 'cancelled_why' | 'version'>>(
    `INSERT INTO booking (id, dog_id, starts_at, minutes, note, agreed, told, uid, service)
     VALUES (@id, @dog_id, @starts_at, @minutes, @note, @agreed, @told, @uid, @service)`,
  );
  const agree = db.prepare<[string, number]>(
    'UPDATE booking SET agreed = 1, version = version + 1 WHERE id = ? AND version = ? AND cancelled = 0',
  );
  const unagree = db.prepare<[string, number]>(
    'UPDATE booking SET agreed = 0, version = version + 1 WHERE id = ? AND version = ? AND cancelled = 0',
  );
  const restore = db.prepare<[string, number]>(
    'UPDATE booking SET cancelled = 0, cancelled_why = NULL, version = version + 1 WHERE id = ? AND version = ? AND cancelled = 1',
  );
  const byUid = db.prepare<[string], Row>(`${SELECT} WHERE b.uid = ?`);
  const update = db.prepare<Pick<Row, 'id' | 'starts_at' | 'minutes' | 'note' | 'told' | 'version'>>(
    `UPDATE booking SET starts_at = @starts_at, minutes = @minutes, note = @note, told = @told, version = version + 1
     WHERE id = @id AND version = @version AND cancelled = 0`,
  );
  const cancel = db.prepare<[CancelReason | null, string, number]>(
    'UPDATE booking SET cancelled = 1, cancelled_why = ?, version = version + 1 WHERE id = ? AND version = ? AND cancelled = 0',
  );
  return {
    find: (id: string): BookingRecord | undefined => {
      const row = one.get(id);
      return row && record(row);
    },
    /** Standing bookings that start in [from, to). */
    between: (fromInstant: string, toInstant: string): readonly BookingRecord[] =>
      from.all(fromInstant, toInstant).map(record),
    /** Those for the coat; what is booked beside leaves it due as before. */
    coatVisitsFrom: (dogId: string, fromInstant: string): readonly BookingRecord[] =>
      ofDog
        .all(dogId, fromInstant)
        .map(record)
        .filter(({ service }) => service === 'coat'),
    ofDogFrom: (dogId: string, fromInstant: string): readonly BookingRecord[] =>
      ofDog.all(dogId, fromInstant).map(record),
    /** told: likely minutes, where they are known; uid: of the calendar event it came with. */
    insert: (
      b: BookingDraft,
      { agreed = true, told = null, uid = null }: { agreed?: boolean; told?: number | null; uid?: string | null } = {},
    ): void => {
      insert.run({
        id: b.id,
        dog_id: b.dogId,
        starts_at: b.startsAt,
        minutes: b.minutes,
        note: b.note,
        agreed: agreed ? 1 : 0,
        told,
        uid,
        service: b.service ?? 'coat',
      });
    },
    byUid: (uid: string): BookingRecord | undefined => {
      const row = byUid.get(uid);
      return row && record(row);
    },
    /** False when the stored version is another, or the booking is cancelled. */
    agree: (id: string, version: number): boolean => agree.run(id, version).changes === 1,
    unagree: (id: string, version: number): boolean => unagree.run(id, version).changes === 1,
    /** Brings back what was cancelled; false when the stored version is another, or it stands. */
    restore: (id: string, version: number): boolean => restore.run(id, version).changes === 1,
    /** False when the stored version is another, or the booking is cancelled. */
    update: (id: string, b: BookingEdit, told: number | null = null): boolean =>
      update.run({ id, starts_at: b.startsAt, minutes: b.minutes, note: b.note, told, version: b.version }).changes ===
      1,
    cancel: (id: string, version: number, why?: CancelReason | undefined): boolean =>
      cancel.run(why ?? null, id, version).changes === 1,
  };
}
