/** The salon's minutes on each day of a plan, and what a day costs by how full it is. */
import { addDays, isoWeekday, type Day } from '../quantity/index.ts';

/**
 * Minutes of work that each day has; day 0 is today, which is past. Beyond them comes overtime, and beyond that what nobody
 * should work, each at its price on top of the work itself.
 */
export interface Hours extends DayPrices {
  readonly minutes: Float64Array;
  /** Minutes of the first overtime on each day. */
  readonly overtime: Float64Array;
}

export interface DayPrices {
  /** Price of the last minute that fills a day; it rises to it from nothing on an empty one, so that days are evenly full. */
  readonly even: number;
  /** Price of a minute of the first overtime and of what comes after it. */
  readonly dear: number;
  readonly dearest: number;
}
export interface HoursKind extends DayPrices {
  /** First overtime as a share of a day. */
  readonly overtimeShare: number;
}

/** Hours of a plan from the minutes of each day; element 0 is today. */
export const hoursFrom = (minutes: Float64Array, { overtimeShare, ...prices }: HoursKind): Hours => ({
  minutes,
  overtime: minutes.map((m) => m * overtimeShare),
  ...prices,
});

/** Last day of a plan. */
export const lastDayOf = ({ minutes }: Pick<Hours, 'minutes'>): number => minutes.length - 1;

/** What so many minutes on a day cost beside the work itself. */
export function dayCost(h: Hours, day: number, minutes: number): number {
  const there = h.minutes[day] ?? 0;
  const over = minutes - there;
  if (over <= 0) return there > 0 ? (h.even * minutes * minutes) / (2 * there) : 0;
  const beyond = over - (h.overtime[day] ?? 0);
  return (h.even * there) / 2 + h.dear * over + (beyond > 0 ? (h.dearest - h.dear) * beyond : 0);
}

/** What all days cost beside the work itself. */
export function allDaysCost(hours: Hours, load: Float64Array): number {
  let t = 0;
  for (let d = 0; d < load.length; d++) t += dayCost(hours, d, load[d] ?? 0);
  return t;
}

/** Days of a plan, first and last, from Monday to Sunday; the first and the last week may be shorter. Day 0 is `from`. */
export function weeksOf(from: Day, lastDay: number): readonly { readonly first: number; readonly last: number }[] {
  const weeks: { first: number; last: number }[] = [];
  for (let first = 1; first <= lastDay;) {
    const last = Math.min(lastDay, first + 7 - isoWeekday(addDays(from, first)));
    weeks.push({ first, last });
    first = last + 1;
  }
  return weeks;
}
