/** SQL of offers: starts that are held for a dog, and what came of them. */
import type { OfferAnswer, OfferDraft, OfferRecord } from '../../contract/offer.ts';
import type { Db } from './open.ts';

interface Row {
  readonly id: string;
  readonly dog_id: string;
  readonly dog_name: string;
  readonly minutes: number;
  readonly ends_at: string;
  readonly answer: OfferAnswer | null;
  readonly answered_at: string | null;
  /** JSON: the starts in order. */
  readonly starts: string;
}

const record = (r: Row): OfferRecord => {
  const starts: readonly string[] = JSON.parse(r.starts);
  return {
    id: r.id,
    dogId: r.dog_id,
    dogName: r.dog_name,
    minutes: r.minutes,
    starts,
    endsAt: r.ends_at,
    answer: r.answer,
    answeredAt: r.answered_at,
  };
};

const SELECT = `SELECT o.*, d.name AS dog_name,
  (SELECT json_group_array(s.starts_at ORDER BY s.starts_at) FROM offer_start s WHERE s.offer_id = o.id) AS starts
  FROM offer o JOIN dog d ON d.id = o.dog_id`;

/** Prepared statements. Instants are ISO text in UTC, so text order is time order. */
export function offerStore(db: Db) {
  const one = db.prepare<[string], Row>(`${SELECT} WHERE o.id = ?`);
  const held = db.prepare<[string], Row>(`${SELECT} WHERE o.answer IS NULL AND o.ends_at > ? ORDER BY o.ends_at, o.id`);
  const ring = db.prepare<[string], Row>(
    `${SELECT} WHERE o.answer = 'ring' AND o.answered_at >= ? ORDER BY o.answered_at, o.id`,
  );
  const insert = db.prepare<[string, string, number, string]>(
    'INSERT INTO offer (id, dog_id, minutes, ends_at) VALUES (?, ?, ?, ?)',
  );
  const hold = db.prepare<[string, string]>('INSERT INTO offer_start (offer_id, starts_at) VALUES (?, ?)');
  const answer = db.prepare<[OfferAnswer, string, string]>(
    "UPDATE offer SET answer = ?, answered_at = ? WHERE id = ? AND (answer IS NULL OR answer = 'ring')",
  );
  const settle = db.prepare<[string, string]>(
    "UPDATE offer SET answer = 'let-go', answered_at = ? WHERE dog_id = ? AND (answer IS NULL OR answer = 'ring')",
  );
  return {
    find: (id: string): OfferRecord | undefined => {
      const row = one.get(id);
      return row && record(row);
    },
    /** Those that nobody has answered and that have not run out by an instant. */
    held: (now: string): readonly OfferRecord[] => held.all(now).map(record),
    /** Those whose owners asked to be rung, since an instant. */
    ring: (since: string): readonly OfferRecord[] => ring.all(since).map(record),
    insert: ({ id, dogId, minutes, starts }: OfferDraft, endsAt: string): void => {
      insert.run(id, dogId, minutes, endsAt);
      for (const s of starts) hold.run(id, s);
    },
    /** False where it was settled already. */
    answer: (id: string, what: OfferAnswer, now: string): boolean => answer.run(what, now, id).changes === 1,
    /** All that is open for a dog is let go. */
    settle: (dogId: string, now: string): void => void settle.run(now, dogId),
  };
}
