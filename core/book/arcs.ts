/**
 * Decides which visits may follow each other for one dog, or for the dogs of a household that come together, and what each
 * step from visit to visit costs. Rows of arcs lie one behind the other: from each visit the next may fall on a run of the
 * dog's own days, so an arc needs no target of its own.
 */
import type { Hours } from './paths.ts';
import { CoatWalk, restOf, type CoatYear, type Worth } from './coat-year.ts';

/** Who comes. Days are counted from today, which is 0; the plan holds days 1 to the last. */
export interface YearDog {
  readonly id: string;
  readonly coats: readonly CoatYear[];
  /** Days on which it can come, ascending. */
  readonly days: readonly number[];
  /** Days since its last visit, negative or 0. */
  readonly lastVisit: number;
  readonly shortest: number;
  readonly longest: number;
  /** Visits that are agreed: every plan holds them, whatever their interval. */
  readonly fixed: readonly number[];
  /** Visits the owner pays for in this time, at least those agreed; absent: as many as are worth it. */
  readonly mostVisits?: number | undefined;
}

/** A dog's possible visits and steps. Node 0 is today; node n > 0 is a visit on day[n]. */
export interface DogArcs {
  readonly id: string;
  readonly day: Int32Array;
  /** Period of the salon's hours that each node's day falls in. */
  readonly period: Int32Array;
  /** From a node: first target node, number of targets, place of the row. */
  readonly first: Int32Array;
  readonly count: Int32Array;
  readonly row: Int32Array;
  /** Of an arc: cost without the salon's hours being short, and minutes on the day it ends. */
  readonly cost: Float32Array;
  readonly minutes: Float32Array;
  /** Cost of the time from a node to the end of the plan, when no visit follows; Infinity where one must. */
  readonly end: Float64Array;
  readonly mostVisits: number | undefined;
}

/** Beyond its longest interval a dog may wait so many days more, at a price. */
export const MOST_LATE_DAYS = 28;

/** Days between the ends that are tried for the time that is left. */
const END_STEP = 3;

const grow = (a: Float32Array, size: number): Float32Array<ArrayBuffer> => {
  const b = new Float32Array(size);
  b.set(a);
  return b;
};
const minutesNow = (walks: readonly CoatWalk[]): number => {
  let m = 0;
  for (const walk of walks) m += walk.minutes();
  return m;
};
const costNow = (walks: readonly CoatWalk[], minutes: number, worth: Worth): number => {
  let c = worth.visit + minutes;
  for (const walk of walks) c += worth.homeGram * walk.fellG + worth.packedDay * walk.packedDays;
  return c;
};

/** Grams that a visit on each node's day leaves in each coat. */
export type Rests = (coat: CoatYear, index: number, day: number) => number;

/** Where nobody knows yet when it came before: as if it came in its usual rhythm. */
export const usualRests =
  ({ shortest, longest }: Pick<YearDog, 'shortest' | 'longest'>): Rests =>
  (coat, _i, w) =>
    restOf(coat, w, Math.round((shortest + longest) / 2));

/** All arcs of a dog over the days that hours are given for. */
export function dogArcs(
  dog: YearDog,
  { period: periods }: Pick<Hours, 'period'>,
  worth: Worth,
  rests: Rests = usualRests(dog),
): DogArcs {
  const lastDay = periods.length - 1;
  const fixed = [...dog.fixed].filter((d) => d >= 1 && d <= lastDay).sort((a, b) => a - b);
  const days = [...new Set([...dog.days.filter((d) => d >= 1 && d <= lastDay), ...fixed])].sort((a, b) => a - b);
  const isFixed = new Set(fixed);
  const n = days.length + 1;
  const day = Int32Array.from([0, ...days]);
  const first = new Int32Array(n);
  const count = new Int32Array(n);
  const row = new Int32Array(n);
  const end = new Float64Array(n);
  let size = 64 * n;
  let costs = new Float32Array(size);
  let minutes = new Float32Array(size);
  let used = 0;
  const walks = dog.coats.map((c) => new CoatWalk(c));
  const late = (waited: number): number => worth.lateDay * Math.max(0, waited - dog.longest) ** 2;

  for (let j = 0; j < n; j++) {
    const w = day[j] ?? 0;
    const since = j === 0 ? dog.lastVisit : w;
    for (const [i, walk] of walks.entries()) {
      const coat = dog.coats[i];
      if (coat) walk.begin(w, j === 0 ? coat.storeG : rests(coat, i, w));
    }
    const mustAt = fixed.find((f) => f > w);
    const from = since + dog.shortest;
    // As far as the next agreed visit, else the latest day; at least to the first day there is.
    let k = j + 1;
    while (k < n && (day[k] ?? 0) < from && !isFixed.has(day[k] ?? 0)) k++;
    first[j] = k;
    row[j] = used;
    const latest =
      mustAt ?? Math.min(lastDay, Math.max(since + dog.longest + MOST_LATE_DAYS, k < n ? (day[k] ?? 0) : 0));
    for (; k < n; k++) {
      const x = day[k] ?? 0;
      if (x > latest) break;
      if (used === size) {
        size *= 2;
        costs = grow(costs, size);
        minutes = grow(minutes, size);
      }
      for (const walk of walks) walk.walkTo(x);
      const m = minutesNow(walks);
      costs[used] = costNow(walks, m, worth) + late(x - since);
      minutes[used] = m;
      used++;
    }
    count[j] = used - (row[j] ?? 0);
    if (mustAt !== undefined) {
      end[j] = Infinity;
      continue;
    }
    // The time up to the end bears its share of the interval it is part of, at the interval that costs least a day.
    let least = Infinity;
    const soonest = Math.max(lastDay + 1, from);
    const last = Math.max(soonest, since + dog.longest);
    for (let x = soonest; x <= last; x += END_STEP) {
      for (const walk of walks) walk.walkTo(x);
      least = Math.min(least, (costNow(walks, minutesNow(walks), worth) + late(x - since)) / Math.max(1, x - w));
    }
    end[j] = least * (lastDay - w);
  }
  return {
    id: dog.id,
    day,
    period: day.map((d) => periods[d] ?? 0),
    first,
    count,
    row,
    cost: costs.slice(0, used),
    minutes: minutes.slice(0, used),
    end,
    mostVisits: dog.mostVisits === undefined ? undefined : Math.max(dog.mostVisits, fixed.length),
  };
}
