/**
 * Makes salons whose year is known: dogs with a spring and an autumn blow, owners with their days, a house that in its four
 * dearest weeks is asked for more than it has when everybody comes every six weeks. Nothing here is taken from the planner.
 */
import { randomInt, randomNormal, type Random } from '../core/quantity/index.ts';
import {
  firstFit,
  account,
  hoursFrom,
  OVERTIME,
  WORTH,
  type CoatYear,
  type Hours,
  type YearDog,
} from '../core/book/index.ts';

export const STUDY_DAYS = 364;
/** Days beyond the plan that a coat is known for: the last interval reaches there. */
const TAIL = 140;

interface Kind {
  readonly yearG: number;
  readonly seasonal: number;
  readonly keep: number;
  readonly fullG: number;
  readonly minutes: readonly [number, number];
  readonly rhythm: readonly [number, number];
}
const KINDS: readonly Kind[] = [
  { yearG: 820, seasonal: 0.64, keep: 0.978, fullG: 250, minutes: [45, 180], rhythm: [24, 63] },
  { yearG: 900, seasonal: 0.57, keep: 0.986, fullG: 300, minutes: [55, 210], rhythm: [24, 56] },
  { yearG: 1150, seasonal: 0.66, keep: 0.986, fullG: 400, minutes: [65, 270], rhythm: [28, 63] },
  { yearG: 700, seasonal: 0.48, keep: 0.968, fullG: 115, minutes: [30, 85], rhythm: [28, 70] },
];

/** What a dog's year truly is. */
interface Truth {
  readonly kind: Kind;
  readonly size: number;
  readonly keep: number;
  readonly onsets: readonly [number, number];
  readonly coat: Omit<CoatYear, 'grown'>;
}

/** Grams that release alone would have put into an empty coat by the end of each day after `from`. */
function grownFrom({ kind, size, keep, onsets }: Truth, late: readonly [number, number], from: number): Float64Array {
  const row = new Float64Array(STUDY_DAYS + TAIL + 1 - from);
  const base = (kind.yearG * size * (1 - kind.seasonal)) / 365;
  // A blow rises within two weeks and fades over six; the spring one is the larger.
  const pulse = (d: number, onset: number): number => {
    const x = (d - onset) / 14;
    return x <= 0 ? 0 : (x * Math.exp(-x)) / 14;
  };
  for (let i = 1; i < row.length; i++) {
    let release = base;
    for (const [k, onset] of onsets.entries())
      for (const year of [-365, 0, 365])
        release +=
          kind.yearG * size * kind.seasonal * (k === 0 ? 0.6 : 0.4) * pulse(from + i, onset + (late[k] ?? 0) + year);
    row[i] = (row[i - 1] ?? 0) * keep + release;
  }
  return row;
}

/** What is believed of one dog's blows: how many days too late, in spring and autumn, and give or take how many. */
export interface Belief {
  readonly late: readonly [number, number];
  readonly spread: readonly [number, number];
}
const SURE: Belief = { late: [0, 0], spread: [0, 0] };

export interface StudySalon {
  readonly dogs: readonly YearDog[];
  /** A dog as it is believed to be on the evening of a day, with so much in its coat. */
  readonly dogOn: (i: number, from: number, storeG: number, belief: Belief) => Pick<YearDog, 'coats'>;
  readonly onsets: readonly (readonly [number, number])[];
  readonly openDays: readonly number[];
  readonly hours: Hours;
  /** First day of the four weeks in which the six-week rule works most. */
  readonly peak: number;
}

/** Day 1 is a Monday. */
export const weekdayOf = (d: number): number => (d - 1) % 7;
export const PEAK_DAYS = 28;

const hoursOf = (open: readonly number[], each: number): Hours => {
  const daily = new Float64Array(STUDY_DAYS + 1);
  for (const d of open) daily[d] = each;
  return hoursFrom(daily, OVERTIME);
};

/** A salon of so many dogs; deterministic for a stream of chance. */
export function makeSalon(random: Random, count: number): StudySalon {
  const closed = randomInt(random, 150, 210);
  // Small books are worked on a few days a week: an open day always holds several dogs.
  const weekdays = count <= 30 ? [2] : count <= 80 ? [1, 4] : count <= 200 ? [1, 2, 3, 4] : [0, 1, 2, 3, 4, 5];
  const openDays = Array.from({ length: STUDY_DAYS }, (_, i) => i + 1).filter(
    (d) => weekdays.includes(weekdayOf(d)) && !(d >= closed && d < closed + 12),
  );
  const town = [randomNormal(random, 0, 4), randomNormal(random, 0, 4)];
  const truths: Truth[] = [];
  const dogs = Array.from({ length: count }, (_, i): YearDog => {
    const kind = KINDS[randomInt(random, 0, KINDS.length - 1)] ?? KINDS[0];
    if (!kind) throw new RangeError('no kinds');
    const size = Math.exp(randomNormal(random, -0.05, 0.3));
    const keep = Math.min(0.995, kind.keep + randomNormal(random, 0, 0.003));
    const [low, high] = kind.minutes;
    const truth: Truth = {
      kind,
      size,
      keep,
      onsets: [75 + (town[0] ?? 0) + randomNormal(random, 0, 9), 255 + (town[1] ?? 0) + randomNormal(random, 0, 11)],
      coat: {
        storeG: kind.fullG * size * (0.1 + 0.5 * random()),
        fullG: kind.fullG * size,
        keep,
        fallShare: 0.5 + 0.4 * random(),
        takes: 0.72 + 0.16 * random(),
        minutesAt: [0, 0.12, 0.42, 0.75, 1].map((x) => (low + (high - low) * x ** 1.25) * Math.sqrt(size)),
      },
    };
    truths.push(truth);
    // Most owners have two or three days a week, some any, some one; many are away for a while.
    const many = Math.min(weekdays.length, [1, 2, 2, 3, 3, 6][randomInt(random, 0, 5)] ?? 2);
    const own = new Set<number>();
    while (own.size < many) own.add(weekdays[randomInt(random, 0, weekdays.length - 1)] ?? 0);
    const away = randomInt(random, 20, 340);
    return {
      id: `dog-${i}`,
      coats: [{ ...truth.coat, grown: [grownFrom(truth, SURE.late, 0)] }],
      days: openDays.filter((d) => own.has(weekdayOf(d)) && !(d >= away && d < away + 14)),
      lastVisit: -randomInt(random, 0, 40),
      shortest: kind.rhythm[0],
      longest: kind.rhythm[1],
      fixed: [],
    };
  });
  // As salons are: everybody every six weeks, and in the dearest weeks more is asked than there is.
  const endless = hoursOf(openDays, 1e9);
  const { load } = account(dogs, firstFit(dogs, endless, { kind: 'every', days: 42 }), endless, WORTH);
  const { minutes } = dearestWeeks(load, openDays);
  const hours = hoursOf(openDays, minutes / (1.2 + 0.2 * random()));
  const asIs = account(dogs, firstFit(dogs, hours, { kind: 'every', days: 42 }), hours, WORTH);
  return {
    dogs,
    onsets: truths.map((t) => t.onsets),
    openDays,
    hours,
    peak: dearestWeeks(asIs.load, openDays).from,
    dogOn: (i, day, storeG, { late, spread }) => {
      const truth = truths[i];
      if (!truth) throw new RangeError(`no dog ${i}`);
      const grown = [-1.28, 0, 1.28].map((z) =>
        grownFrom(truth, [late[0] + z * spread[0], late[1] + z * spread[1]], day),
      );
      return { coats: [{ ...truth.coat, storeG, grown }] };
    },
  };
}

/** The four weeks that ask most, over their open days. */
function dearestWeeks(
  load: Float64Array,
  openDays: readonly number[],
): { readonly from: number; readonly minutes: number } {
  const open = new Set(openDays);
  let best = { from: 1, minutes: 0 };
  for (let from = 1; from + PEAK_DAYS - 1 <= STUDY_DAYS; from++) {
    let sum = 0;
    let days = 0;
    for (let d = from; d < from + PEAK_DAYS; d++) {
      sum += load[d] ?? 0;
      if (open.has(d)) days++;
    }
    if (days > 0 && sum / days > best.minutes) best = { from, minutes: sum / days };
  }
  return best;
}
