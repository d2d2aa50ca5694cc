/** A dog’s years side by side and its store from months ago to months ahead, as lines with bands. */
import { addDays, civilFromDay, dayFromCivil, type Day } from '../quantity/index.ts';
import { coatsNow, courseAhead, evenDraws, pastCourse } from './ahead.ts';
import type { Fit } from './fit.ts';
import { AHEAD_DAYS } from './coat-draws.ts';
import { bandsByDay, type BandsByDay } from './look-ahead.ts';

/** A line of days with its 80 % band; element i is day from + i. */
export interface BandLine extends BandsByDay {
  readonly from: Day;
}

/** One calendar year of release, grams a day. */
export interface YearLine extends BandLine {
  readonly year: number;
  /** The part from today on is a forecast. */
  readonly ahead: boolean;
}

/** Days back and ahead that the coat is drawn for: the last season and the next are in sight. Guess. */
const BACK_DAYS = 240;
const STORE_AHEAD = 180;
/** Less of a year than this is not drawn: it has no shape. Guess. */
const LEAST_YEAR_DAYS = 40;

/** Past and future of every draw, as lines with bands. */
export function yearLines(
  fit: Fit,
  count: number,
  visits: ReadonlyMap<number, number>,
): { readonly years: readonly YearLine[]; readonly store: BandLine } {
  const { model } = fit;
  const today = model.asOf;
  const draws = evenDraws(fit, count);
  const runs = coatsNow(fit, draws).map((coat, k) => {
    const past = pastCourse(fit, draws[k]!);
    const ahead = courseAhead(model, coat, AHEAD_DAYS, { visits });
    return {
      store: Float64Array.from([...past.store, ...ahead.store]),
      released: Float64Array.from([...past.released, ...ahead.released]),
    };
  });
  const first = addDays(model.from, 1);
  const bands = (of: (run: (typeof runs)[number]) => Float64Array, from: Day, to: Day): BandLine => ({
    from,
    ...bandsByDay(runs.map((run) => of(run).subarray(from - first, to - first + 1))),
  });
  const last = addDays(today, AHEAD_DAYS);
  const years: YearLine[] = [];
  for (let year = civilFromDay(first).year; year <= civilFromDay(last).year; year++) {
    const from = later(first, dayFromCivil({ year, month: 1, dayOfMonth: 1 }));
    const to = earlier(last, dayFromCivil({ year, month: 12, dayOfMonth: 31 }));
    if (to - from < LEAST_YEAR_DAYS) continue;
    years.push({ year, ahead: to > today, ...bands((run) => run.released, from, to) });
  }
  return {
    years,
    store: bands((run) => run.store, later(first, addDays(today, -BACK_DAYS)), addDays(today, STORE_AHEAD)),
  };
}

const later = (a: Day, b: Day): Day => (a > b ? a : b);
const earlier = (a: Day, b: Day): Day => (a < b ? a : b);
