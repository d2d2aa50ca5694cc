/**
 * How often a home brushes, as its notes tell: the habit that forecasts carry on.
 *
 * Bouts a day are Poisson with a gamma prior, apart for the weeks of a blow and the rest; older notes fade. A home that has
 * not noted anything for long has stopped noting, and is taken as its page says again.
 */
import type { Day } from '../quantity/index.ts';
import type { LogProgram } from './log-program.ts';

/** Bouts a day: their mean, and the shape of the gamma distribution that says how sure it is. */
export interface BoutRate {
  readonly mean: number;
  readonly shape: number;
}
export interface HomeHabit {
  /** Bouts are being noted: what is brushed ahead is in the rates, beside what goes unnoted. */
  readonly notes: boolean;
  readonly calm: BoutRate;
  readonly blow: BoutRate;
}

/** A note counts half so many days later. Guess: habits change with seasons and hands. */
const HALF_LIFE_DAYS = 120;
/** Nothing noted for so long: nobody notes any more. Guess. */
const STOPPED_DAYS = 75;
/** Before notes say more: a bout every so many days, known as if from so many days; in a blow as outside it. Guess. */
const FIRST = { everyDays: 10, fromDays: 14 };
/** What a habit outside a blow is worth, in days of notes, for what the home does in one. Guess. */
const CALM_TELLS_DAYS = 10;

/** What is known of a home's habit on a day; sheds say which days were of a blow, by their usual start. */
export function homeHabit(
  log: LogProgram,
  sheds: readonly { readonly usual: Day; readonly lengthDays: number }[],
  asOf: Day,
): HomeHabit {
  const noted = [...log.boutDays.keys()];
  const first = noted[0] ?? asOf;
  const counts = { calm: { bouts: 0, days: 0 }, blow: { bouts: 0, days: 0 } };
  for (let d: number = first; noted.length > 0 && d <= asOf; d++) {
    const of = sheds.some((s) => d >= s.usual && d < s.usual + s.lengthDays) ? counts.blow : counts.calm;
    const by = 2 ** ((d - asOf) / HALF_LIFE_DAYS);
    of.bouts += by * (log.boutDays.get(d) ?? 0);
    of.days += by;
  }
  const rate = (bouts: number, days: number): BoutRate => ({ mean: bouts / days, shape: bouts });
  const calm = rate(counts.calm.bouts + FIRST.fromDays / FIRST.everyDays, counts.calm.days + FIRST.fromDays);
  const blow = rate(counts.blow.bouts + calm.mean * CALM_TELLS_DAYS, counts.blow.days + CALM_TELLS_DAYS);
  return { notes: noted.length > 0 && asOf - (noted.at(-1) ?? asOf) <= STOPPED_DAYS, calm, blow };
}
