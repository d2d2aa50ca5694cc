/** How much an owner's link may bring in a day, so that one that was passed on cannot fill the salon's disk or its day. */
import { LRUCache } from 'lru-cache';
import { Problem } from '../problem.ts';

const MOST_A_DAY = {
  /** Bouts of brushing, for all dogs of a home. */
  bouts: 60,
  /** Cares and words that a blow begins. */
  notes: 60,
  /** Findings, each of which somebody at the salon reads. */
  reports: 20,
  /** Answers to dates that are held: each takes a time of the salon's day. */
  offers: 20,
  photos: 20,
  /** Pixels of photos: what they take to show, whatever they take to send. */
  megapixels: 240,
} as const;
export type Limited = keyof typeof MOST_A_DAY;

const WORDS: Readonly<Record<Limited, string>> = {
  bouts: `${MOST_A_DAY.bouts} times of brushing`,
  notes: `${MOST_A_DAY.notes} notes`,
  reports: `${MOST_A_DAY.reports} findings`,
  offers: `${MOST_A_DAY.offers} answers`,
  photos: `${MOST_A_DAY.photos} photos`,
  megapixels: 'photos of that size',
};
const MOST_LINKS = 5_000;

/** Counts by link and day, in memory: a new start is a new day. */
export class DailyLimits {
  private readonly taken = new LRUCache<string, { readonly day: number; readonly n: number }>({ max: MOST_LINKS });

  /** Counts so many of a kind; 429 with a sentence where that is more than a day has. */
  take(linkId: string, what: Limited, day: number, many = 1): void {
    const key = `${linkId} ${what}`;
    const before = this.taken.get(key);
    const n = (before?.day === day ? before.n : 0) + many;
    if (n > MOST_A_DAY[what])
      throw new Problem(
        429,
        null,
        `More than ${WORDS[what]} in a day are not taken from here. Go on tomorrow, or ring the salon.`,
      );
    this.taken.set(key, { day, n });
  }
}
