/** What brushing at home is worth at the salon: minutes of the next visit with it, without it, and after a missed week. */
import { addDays, type Day, type Interval80 } from '../quantity/index.ts';
import { bandOf, coatsNow, course, evenDraws } from './ahead.ts';
import { unbrushed } from './dog-model.ts';
import type { Fit } from './fit.ts';
import { minutesAtLoad, type BookDog } from './tide-book.ts';

export interface HomeEffect {
  readonly visit: Day;
  readonly kept: Interval80;
  readonly without: Interval80;
  /** Nobody brushes for a week from today, then as planned. */
  readonly missedWeek: Interval80;
}

/** Draws of which the bands are taken: as many as stand for a dog in its tide. */
const DRAWS = 60;
const MISSED_DAYS = 7;

/** fullG: grams that are felt as a full load. boutsPerDay: bouts at home that are planned, 0..2. visit: after today. */
export function homeEffect(
  dog: BookDog,
  fit: Fit,
  fullG: number,
  today: Day,
  visit: Day,
  boutsPerDay: number,
): HomeEffect {
  const days = Math.max(1, visit - today);
  const kept = new Float64Array(DRAWS);
  const without = new Float64Array(DRAWS);
  const missedWeek = new Float64Array(DRAWS);
  for (const [k, coat] of coatsNow(fit, evenDraws(fit, DRAWS)).entries()) {
    const { stands } = coat;
    // What a home does is in the bouts.
    const rates = unbrushed(coat.rates);
    const run = (from: Day, store: number, n: number, bouts: number): number =>
      course(rates, from, store, n, { bouts: new Float64Array(n).fill(bouts) }).store[n - 1]!;
    const minutes = (store: number): number => minutesAtLoad(dog.minutesAt, store / fullG);
    kept[k] = minutes(run(today, stands, days, boutsPerDay));
    without[k] = minutes(run(today, stands, days, 0));
    const missed = Math.min(MISSED_DAYS, days);
    const after = run(today, stands, missed, 0);
    const left = days - missed;
    missedWeek[k] = minutes(left > 0 ? run(addDays(today, missed), after, left, boutsPerDay) : after);
  }
  return {
    visit,
    kept: bandOf(kept),
    without: bandOf(without),
    missedWeek: bandOf(missedWeek),
  };
}
