/** The salon as it is today: its row, its date, and what a dog's birthday makes of it by then. */
import type { DogRecord } from '../contract/dog.ts';
import type { SalonRecord } from '../contract/salon.ts';
import { traitsOn, type DogTrait } from '../core/dog/index.ts';
import { parseDay, type Day } from '../core/quantity/index.ts';
import type { AppContext } from './context.ts';
import { Problem } from './problem.ts';
import { salonDay } from './salon-time.ts';

/** The salon's row; a file without one was never set up. */
export function salonOf(context: AppContext): SalonRecord {
  const salon = context.stores.salon.find();
  if (!salon) throw new Problem(409, null, 'This database holds no salon yet. Start with the demo, or make one first.');
  return salon;
}

/** Today in the salon. */
export const todayOf = (context: AppContext, salon: SalonRecord): Day => salonDay(context.nowMs(), salon.timeZone);

/** Traits of a stored dog on a day: those that are ticked, and what its birthday makes. */
export const traitsOf = (d: Pick<DogRecord, 'traits' | 'born' | 'weightKg'>, on: Day): readonly DogTrait[] =>
  traitsOn({ traits: d.traits, weightKg: d.weightKg, born: d.born === null ? undefined : parseDay(d.born) }, on);
