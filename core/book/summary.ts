/** What is said of a book's plan: visits with what another week would cost, weeks against hours, how good it is. */
import { addDays, sum, type Day } from '../quantity/index.ts';
import type { VisitAhead } from '../tide/index.ts';
import type { YearOf } from './from-tide.ts';
import type { BookPlan } from './plan-book.ts';
import { dogAccount } from './account.ts';
import { WORTH } from './coat-year.ts';
import { lastDayOf, weeksOf, type Hours } from './hours.ts';
import { dayOf, daysOf } from './paths.ts';
import { moveCost } from './search.ts';

/** The same visit on another day, all else as planned: minutes and cost more (less, where negative). */
export interface Otherwise {
  readonly day: Day;
  readonly minutes: number;
  readonly cost: number;
  /** Grams on the owner's floor more. */
  readonly grams: number;
}
export interface PlannedVisit {
  readonly dogId: string;
  /** Dogs of its household that come with it. */
  readonly together: readonly string[];
  readonly day: Day;
  readonly minutes: number;
  /** Minutes for which it is booked, where it is. */
  readonly length: number | undefined;
  /** Shorter visits within the week that it is split into, where the dog bears no longer one. */
  readonly parts: number;
  /** Does it stand in the book. */
  readonly agreed: boolean;
  /** The days about it on which the dog could come instead, in order. */
  readonly others: readonly Otherwise[];
  /** Grams that stand in its coat that day, likely. */
  readonly grams: number;
}
/** Monday to Sunday; the first and the last may be shorter. */
export interface PlannedWeek {
  readonly from: Day;
  readonly days: number;
  /** Minutes of work that are booked, those proposed on top, coming and going among both, and those the salon plans with. */
  readonly agreed: number;
  readonly proposed: number;
  readonly hours: number;
}
export interface BookSummary {
  readonly from: Day;
  /** In minutes of work; no plan can cost less than bound. */
  readonly cost: number;
  readonly bound: number;
  readonly visits: readonly PlannedVisit[];
  readonly weeks: readonly PlannedWeek[];
  /** Dogs for which there is no day at all, as their owners wish and people work. */
  readonly noDay: readonly string[];
}

type NextVisits = (dogId: string, on: Day) => VisitAhead | undefined;

/** Days about a visit that are looked at. */
const ABOUT_DAYS = 14;

/** What a plan comes to, visits by day. Day 0 of the plan is `from`. next: what every room says of a dog's next visit on a day. */
export function bookSummary(
  { dogs, members, hours, noDay }: YearOf,
  plan: BookPlan,
  from: Day,
  next: NextVisits,
): BookSummary {
  const lastDay = lastDayOf(hours);
  const agreedOn = new Float64Array(hours.minutes.length);
  const proposedOn = new Float64Array(hours.minutes.length);
  const visits = plan.years.flatMap((y, i) => {
    const [a, dog] = [plan.arcs[i], dogs[i]];
    if (!a || !dog) return [];
    const mine = daysOf(a, y);
    const now = dogAccount(dog, mine, lastDay, WORTH);
    return y.nodes.map((_, p): PlannedVisit => {
      const d = dayOf(a, y, p);
      // An agreed visit is said as if nothing came before it, like everywhere: what is only proposed may never come.
      const isFirst = p === 0 || d === Math.min(...dog.fixed);
      const { minutes, grams } = (isFirst && together(next, members[i] ?? [], addDays(from, d))) || {
        minutes: now.minutes[p] ?? 0,
        grams: now.grams[p] ?? 0,
      };
      const agreed = dog.fixed.includes(d);
      const on = agreed ? agreedOn : proposedOn;
      const length = dog.lengths?.get(d);
      const parts = now.parts[p] ?? 1;
      on[d] = (on[d] ?? 0) + workOf({ length, minutes, parts });
      const others = moveCost(a, y, p, { load: plan.load, hours })
        .filter((m) => Math.abs(m.day - d) <= ABOUT_DAYS)
        .map((m): Otherwise => {
          const then = dogAccount(dog, mine.with(p, m.day), lastDay, WORTH);
          return { day: addDays(from, m.day), minutes: m.minutes, cost: m.cost, grams: then.homeG - now.homeG };
        });
      return {
        dogId: a.id,
        together: members[i]?.slice(1) ?? [],
        day: addDays(from, d),
        minutes,
        length,
        parts,
        agreed,
        others,
        grams,
      };
    });
  });
  const weeks = weeksFilled(from, hours, agreedOn, proposedOn);
  return { from, cost: plan.cost, bound: plan.bound, visits: visits.sort((x, y) => x.day - y.day), weeks, noDay };
}

/** A year's weeks with the minutes of their days. */
export function weeksFilled(
  from: Day,
  hours: Hours,
  agreed: Float64Array,
  proposed: Float64Array,
): readonly PlannedWeek[] {
  return weeksOf(from, lastDayOf(hours)).map(({ first, last }) => {
    const of = (row: Float64Array): number => sum([...row.subarray(first, last + 1)]);
    return {
      from: addDays(from, first),
      days: last - first + 1,
      agreed: of(agreed),
      proposed: of(proposed),
      hours: of(hours.minutes),
    };
  });
}

/** Minutes of work that a visit is: as long as it is booked for, or likely takes, and coming and going. */
export const workOf = ({ length, minutes, parts }: Pick<PlannedVisit, 'length' | 'minutes' | 'parts'>): number =>
  (length ?? minutes) + parts * WORTH.visit;

/** The next visit of all these dogs on a day. */
function together(next: NextVisits, ids: readonly string[], on: Day) {
  const all = ids.flatMap((id) => next(id, on) ?? []);
  if (all.length === 0 || all.length < ids.length) return undefined;
  return { minutes: sum(all.map((v) => v.minutes.likely)), grams: sum(all.map((v) => v.grams.likely)) };
}

/** How far above the bound a plan is, as a share of it. */
export const gapOf = ({ cost, bound }: Pick<BookSummary, 'cost' | 'bound'>): number =>
  Math.max(0, cost - bound) / Math.max(1e-9, bound);

/** The day nearest to a wanted one, within three of it, on which a visit could be instead. */
export const otherwiseNear = (visit: Pick<PlannedVisit, 'others'>, wanted: Day): Otherwise | undefined => {
  const near = visit.others.filter((o) => Math.abs(o.day - wanted) <= NEAR_DAYS);
  return near.sort((a, b) => Math.abs(a.day - wanted) - Math.abs(b.day - wanted))[0];
};
const NEAR_DAYS = 3;

/** A second day to offer beside a first: that which costs least of those at least two days from it. */
export const secondDay = (visit: Pick<PlannedVisit, 'others'> | undefined, first: Day): Day | undefined =>
  visit?.others
    .filter((o) => Math.abs(o.day - first) >= SECOND_AFTER_DAYS)
    .reduce<Otherwise | undefined>((least, o) => (least && least.cost <= o.cost ? least : o), undefined)?.day;
const SECOND_AFTER_DAYS = 2;

/** A proposal of an earlier plan that is on another day now, or gone: to is undefined. */
export interface MovedProposal {
  readonly dogId: string;
  readonly from: Day;
  readonly to: Day | undefined;
}

/** Proposals from a day on that a newer plan has elsewhere; what was agreed meanwhile has not moved. By their days. */
export function movedProposals(
  before: Pick<BookSummary, 'visits'>,
  after: Pick<BookSummary, 'visits'>,
  from: Day,
): readonly MovedProposal[] {
  const daysIn = ({ visits }: Pick<BookSummary, 'visits'>, dogId: string, proposed: boolean): readonly Day[] =>
    visits.filter((v) => v.dogId === dogId && v.day > from && !(proposed && v.agreed)).map((v) => v.day);
  const dogs = [...new Set(before.visits.map((v) => v.dogId))];
  const moved = dogs.flatMap((dogId): readonly MovedProposal[] => {
    const is = daysIn(after, dogId, false);
    const was = daysIn(before, dogId, false);
    const fresh = new Set(is.filter((d) => !was.includes(d)));
    return daysIn(before, dogId, true)
      .filter((d) => !is.includes(d))
      .map((d) => {
        const [to] = [...fresh].sort((a, b) => Math.abs(a - d) - Math.abs(b - d));
        if (to !== undefined) fresh.delete(to);
        return { dogId, from: d, to };
      });
  });
  return moved.sort((a, b) => a.from - b.from);
}
