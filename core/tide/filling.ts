/** How a coat fills after it was worked, and what its rhythm makes of that: the day on which a visit is due. */
import { clamp, type Day, type Interval80 } from '../quantity/index.ts';
import type { DogModel } from './dog-model.ts';
import type { BookDog } from './tide-book.ts';

/** Share of the class's full load at which a visit is due: about a finger grade 2 all over. Guess. */
export const DUE_LOAD_SHARE = 0.34;
/** How a coat fills after it was worked last, or felt where nobody has worked it: days until a visit is due by its load. */
export interface Filling extends Interval80 {
  readonly since: Day;
  readonly worked: boolean;
  /** Likely days if it shed evenly through the year, and if nobody brushed at home. */
  readonly even: number;
  readonly alone: number;
}
/** A coat that does not fill is said to fill after so many days: later than anybody waits. */
const NEVER_DAYS = 400;

/** The day from which a coat fills, and whether it was worked then. */
export function lastTouched({ log }: DogModel): Pick<Filling, 'since' | 'worked'> | undefined {
  const since = log.lastVisit ?? log.lastTouch;
  return since === undefined ? undefined : { since, worked: log.lastVisit !== undefined };
}

/** Days until a coat is felt as full as a visit is due at; `store` says what stands so many days on, undefined beyond what is known. */
export function filledAfter(dueG: number, feel: number, store: (after: number) => number | undefined): number {
  for (let after = 1; after < NEVER_DAYS; after++) {
    const grams = store(after);
    if (grams === undefined) break;
    if (grams * feel >= dueG) return after;
  }
  return NEVER_DAYS;
}

/** Days after its last visit on which a dog is due, whose coat fills after so many: kept within its rhythm, at once where found packed. */
export function dueAfter(
  after: number,
  { rhythm, found }: Pick<BookDog, 'rhythm' | 'found'>,
  { since, worked }: Pick<Filling, 'since' | 'worked'>,
): number {
  // Skin that was not worked needs no rest: a dog that was only looked at may come at once.
  const shortest = worked ? rhythm.shortest : 1;
  const packed = found?.packed && found.day >= since ? found.day - since : Infinity;
  return clamp(Math.min(after, packed), shortest, Math.max(shortest, rhythm.longest));
}
