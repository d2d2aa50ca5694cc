/** Decides how a salon's tide becomes a year to plan: each dog's coat ahead with its band, its days, and the salon's hours. */
import { addDays, isoWeekday, type Day } from '../quantity/index.ts';
import { AHEAD_DAYS, type BookDog, type DogTide, type LearntBook, type TideBook } from '../tide/index.ts';
import type { YearDog } from './arcs.ts';
import type { CoatYear } from './coat-year.ts';
import { hoursFrom, type Hours, type HoursKind } from './paths.ts';

/** The plan holds whole weeks. */
export const PLAN_DAYS = 364;
/** Days beyond it that coats are known for. */
const TAIL_DAYS = 140;
/** Share of the hours that is planned: pooled minutes do not split evenly over people, and somebody always walks in. Guess. */
export const PLANNED_SHARE = 0.93;
/** A salon says its hours by the week. First overtime as a share of them, and prices of a minute of it and beyond it: guesses. */
export const OVERTIME: HoursKind = { pooledDays: 7, overtimeShare: 0.12, dear: 0.5, dearest: 4 };

/** Grams that release alone would put into an empty coat by the end of each day: what stands if nothing is done, less today's. */
function grownOf(bare: Float32Array, { storeG, keep }: DogTide['coat']): Float64Array {
  const row = new Float64Array(PLAN_DAYS + TAIL_DAYS + 1);
  let faded = storeG;
  for (let d = 1; d <= Math.min(AHEAD_DAYS, row.length - 1); d++) {
    faded *= keep;
    row[d] = Math.max(0, (bare[d - 1] ?? 0) - faded);
  }
  // Beyond what is forecast, release is what it was a year before.
  for (let d = AHEAD_DAYS + 1; d < row.length; d++) {
    const before = d - AHEAD_DAYS;
    const release = Math.max(0, (row[before] ?? 0) - keep * (row[before - 1] ?? 0));
    row[d] = keep * (row[d - 1] ?? 0) + release;
  }
  return row;
}

/** A dog's coat over the year, with the band of its tide. */
export const coatOf = (d: BookDog, t: DogTide): CoatYear => ({
  ...t.coat,
  fullG: t.fullG,
  grown: [t.bare.low, t.bare.likely, t.bare.high].map((row) => grownOf(row, t.coat)),
  minutesAt: d.minutesAt,
});

/** The salon's hours: those of its open days, without what is kept back; a week's may be worked on any of its days. */
export function hoursOf(book: TideBook, today: Day): Hours {
  const daily = new Float64Array(PLAN_DAYS + 1);
  const each = (PLANNED_SHARE * book.minutesPerWeek) / Math.max(1, book.openWeekdays.length);
  for (let d = 1; d <= PLAN_DAYS; d++) if (book.openWeekdays.includes(isoWeekday(addDays(today, d)))) daily[d] = each;
  return hoursFrom(daily, OVERTIME);
}

/** A year to plan: dogs that the tide knows, in the book's order. Day 0 is the day the tide was learnt on. */
export function yearOfTide(
  book: TideBook,
  learnt: LearntBook,
): { readonly dogs: readonly YearDog[]; readonly hours: Hours } {
  const today = learnt.from;
  const hours = hoursOf(book, today);
  const open = Array.from({ length: PLAN_DAYS }, (_, i) => i + 1).filter((d) => (hours.daily[d] ?? 0) > 0);
  const tides = new Map(learnt.dogs.map((t) => [t.id, t]));
  const dogs = book.dogs.flatMap((d): YearDog[] => {
    const tide = tides.get(d.id);
    if (!tide) return [];
    const last = d.sightings.reduce(
      (t, s) => (s.kind === 'visit' && s.day <= today ? Math.max(t, s.day) : t),
      -Infinity,
    );
    return [
      {
        id: d.id,
        coats: [coatOf(d, tide)],
        days: open,
        // Who never came may come any day.
        lastVisit: last === -Infinity ? -d.rhythm.shortest : last - today,
        shortest: d.rhythm.shortest,
        longest: d.rhythm.longest,
        fixed: d.booked.map((b) => b - today).filter((x) => x >= 1 && x <= PLAN_DAYS),
      },
    ];
  });
  return { dogs, hours };
}
