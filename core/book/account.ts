/** What a year of visits comes to, coat by coat and day by day, with what each visit leaves for the next. */
import { sum } from '../quantity/index.ts';
import { partsOf, waitCost, type YearDog } from './arcs.ts';
import { CoatWalk, type Worth } from './coat-year.ts';
import { allDaysCost, lastDayOf, type Hours } from './hours.ts';

export interface Account {
  readonly visits: number;
  /** Minutes of work on each day, coming and going among them; minutes at the table in all. */
  readonly load: Float64Array;
  readonly labour: number;
  /** Minutes beyond the salon's hours. */
  readonly overtime: number;
  readonly homeG: number;
  /** Days that coats stood packed, each by how far. */
  readonly packedDays: number;
  /** Days beyond the longest interval. */
  readonly lateDays: number;
  /** Cost as the planner counts it, without what the time after the last visit bears. */
  readonly cost: number;
}

/** One dog's visits as they would be: minutes of each, and what happened between them. */
export interface DogAccount {
  readonly minutes: readonly number[];
  /** Parts that each visit is split into by what the dogs bear. */
  readonly parts: readonly number[];
  /** Likely grams in the coat at each. */
  readonly grams: readonly number[];
  readonly homeG: number;
  readonly packedDays: number;
  readonly lateDays: number;
  /** What it costs that visits are not on the days they are due. */
  readonly waitsCost: number;
}

export function dogAccount(dog: YearDog, days: readonly number[], lastDay: number, worth: Worth): DogAccount {
  const byCoat: number[][] = days.map(() => []);
  const grams = days.map(() => 0);
  let homeG = 0;
  let packedDays = 0;
  for (const coat of dog.coats) {
    const walk = new CoatWalk(coat);
    let from = 0;
    let left = coat.storeG;
    for (const [i, x] of [...days, lastDay].entries()) {
      walk.begin(from, left);
      walk.walkTo(x);
      homeG += walk.fellG;
      packedDays += walk.packedDays;
      if (i === days.length) break;
      byCoat[i]?.push(walk.minutes());
      grams[i] = (grams[i] ?? 0) + walk.grams;
      left = (1 - coat.takes) * walk.grams;
      from = x;
    }
  }
  let lateDays = 0;
  let waitsCost = 0;
  let last = dog.lastVisit;
  for (const [i, x] of [...days, lastDay].entries()) {
    lateDays += Math.max(0, x - last - dog.longest);
    waitsCost += waitCost(dog, { since: last, on: x, isNext: i === 0 && i < days.length }, worth);
    last = x;
  }
  const minutes = byCoat.map((of) => sum(of));
  const parts = byCoat.map((of) => partsOf(of, dog));
  return { minutes, parts, grams, homeG, packedDays, lateDays, waitsCost };
}

/** What one dog's visits cost, without the salon's hours being short. */
export const dogCost = ({ minutes, parts, homeG, packedDays, waitsCost }: DogAccount, worth: Worth): number =>
  worth.visit * sum(parts) + sum(minutes) + worth.homeGram * homeG + worth.packedDay * packedDays + waitsCost;

/** What all visits of a book come to. */
export function account(
  dogs: readonly YearDog[],
  visits: readonly (readonly number[])[],
  hours: Hours,
  worth: Worth,
): Account {
  const lastDay = lastDayOf(hours);
  const load = new Float64Array(lastDay + 1);
  const all = { visits: 0, labour: 0, homeG: 0, packedDays: 0, lateDays: 0 };
  let cost = 0;
  for (const [i, dog] of dogs.entries()) {
    const days = visits[i] ?? [];
    const a = dogAccount(dog, days, lastDay, worth);
    for (const [k, m] of a.minutes.entries()) {
      const d = days[k] ?? 0;
      const length = dog.lengths?.get(d) ?? m;
      load[d] = (load[d] ?? 0) + length + worth.visit * (a.parts[k] ?? 1);
      all.labour += m;
    }
    all.visits += days.length;
    all.homeG += a.homeG;
    all.packedDays += a.packedDays;
    all.lateDays += a.lateDays;
    cost += dogCost(a, worth);
  }
  let overtime = 0;
  for (const [d, l] of load.entries()) overtime += Math.max(0, l - (hours.minutes[d] ?? 0));
  return { ...all, load, overtime, cost: cost + allDaysCost(hours, load) };
}
