/** What a plan comes to when the tide is early, and who would gain by coming sooner than agreed. */
import { addDays, type Day } from '../quantity/index.ts';
import { dogAccount, dogCost } from './account.ts';
import { WORTH, type CoatYear } from './coat-year.ts';
import type { YearOf } from './from-tide.ts';
import { dayCost, lastDayOf, weeksOf } from './hours.ts';
import type { BookPlan } from './plan-book.ts';

/** A coat whose release comes so many days sooner; the last days repeat. */
function earlier(coat: CoatYear, days: number): CoatYear {
  const { keep } = coat;
  return {
    ...coat,
    grown: coat.grown.map((row) => {
      const last = row.length - 1;
      const shifted = new Float64Array(row.length);
      for (let d = 1; d < row.length; d++) {
        const at = Math.min(last, d + days);
        const release = (row[at] ?? 0) - keep * (row[at - 1] ?? 0);
        shifted[d] = keep * (shifted[d - 1] ?? 0) + release;
      }
      return shifted;
    }),
  };
}

export interface WeekOver {
  readonly from: Day;
  /** Minutes beyond the hours of its days. */
  readonly over: number;
}

/** Weeks that run over their hours when every tide comes so many days early and nobody's date is changed, by time. */
export function weeksOverIfEarly(
  { dogs, hours }: YearOf,
  plan: BookPlan,
  from: Day,
  days: number,
): readonly WeekOver[] {
  const lastDay = lastDayOf(hours);
  const load = new Float64Array(hours.minutes.length);
  for (const [i, dog] of dogs.entries()) {
    const visits = plan.visits[i] ?? [];
    const { minutes } = dogAccount({ ...dog, coats: dog.coats.map((c) => earlier(c, days)) }, visits, lastDay, WORTH);
    for (const [k, m] of minutes.entries()) {
      const d = visits[k] ?? 0;
      load[d] = (load[d] ?? 0) + m + WORTH.visit;
    }
  }
  return weeksOf(from, lastDay).flatMap(({ first, last }): WeekOver[] => {
    let over = 0;
    for (let d = first; d <= last; d++) over += Math.max(0, (load[d] ?? 0) - (hours.minutes[d] ?? 0));
    return over > 1 ? [{ from: addDays(from, first), over }] : [];
  });
}

export interface Sooner {
  readonly dogId: string;
  /** Day of the visit that it would give up. */
  readonly from: Day;
  /** Minutes of the visit on the sooner day, and what all in all is saved by it, in minutes. */
  readonly minutes: number;
  readonly gain: number;
  /** Grams less on the floor at home. */
  readonly grams: number;
}

/** Visits so far behind a free day are looked at. */
const LOOK_DAYS = 42;

/** Dogs with a later date that had better come on a day, those first who gain most; their own days and rest are kept. */
export function whoComesSooner(
  { dogs, members, hours }: YearOf,
  plan: BookPlan,
  from: Day,
  on: Day,
): readonly Sooner[] {
  const lastDay = lastDayOf(hours);
  const d = on - from;
  const moreOn = (day: number, minutes: number): number => {
    const there = plan.load[day] ?? 0;
    return dayCost(hours, day, there + minutes) - dayCost(hours, day, there);
  };
  return dogs
    .flatMap((dog, i): Sooner[] => {
      const visits = plan.visits[i] ?? [];
      // The rest before the visit that it would give up is no longer asked for.
      const { open = dog.days } = dog;
      const p = visits.findIndex((x) => x > d);
      const was = visits[p];
      const before = p > 0 ? (visits[p - 1] ?? 0) : dog.lastVisit;
      if (was === undefined || was > d + LOOK_DAYS || d - before < dog.shortest || !open.includes(d)) return [];
      const now = dogAccount(dog, visits, lastDay, WORTH);
      const then = dogAccount(dog, visits.with(p, d), lastDay, WORTH);
      const [takes, took] = [(then.minutes[p] ?? 0) + WORTH.visit, (now.minutes[p] ?? 0) + WORTH.visit];
      // The hours that it leaves are free for others, and those that it takes are not.
      const freed = moreOn(was, -took) + moreOn(d, takes);
      const gain = dogCost(now, WORTH) - dogCost(then, WORTH) - freed;
      const [dogId] = members[i] ?? [];
      if (gain <= 1 || dogId === undefined) return [];
      return [{ dogId, from: addDays(from, was), minutes: then.minutes[p] ?? 0, gain, grams: now.homeG - then.homeG }];
    })
    .sort((a, b) => b.gain - a.gain);
}
