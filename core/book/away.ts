/**
 * What moves in a salon's book when somebody is away or the doors stay shut: what only the plan knows moves by itself,
 * what stands in the book but no owner agreed to is moved by the desk, what was agreed is asked about first.
 */
import { addDays, type Day } from '../quantity/index.ts';
import type { LearntBook } from '../tide/index.ts';
import { dogArcs } from './arcs.ts';
import { WORTH } from './coat-year.ts';
import { hoursOf, type YearBook, type YearOf } from './from-tide.ts';
import { daysOf, minutesOf, yearThrough } from './paths.ts';
import { restsAfter, type BookPlan } from './plan-book.ts';
import { AT_ONCE, repair, WITH_TIME, type Loss, type Repair } from './repair.ts';
import type { Absence } from './roster.ts';

export interface AwayMove {
  /** Dogs that come together. */
  readonly dogIds: readonly string[];
  readonly from: Day;
  /** Undefined: the visit falls out, another of this dog stands for it. */
  readonly to: Day | undefined;
  readonly minutes: number;
  readonly was: 'agreed' | 'tentative' | 'planned';
}
export interface AwayAnswer {
  readonly moves: readonly AwayMove[];
  /** Minutes of cost more than before, all in all. */
  readonly more: number;
  /** Minutes of work that the salon loses. */
  readonly lost: number;
}

/** Minutes by day of the plan that an absence takes from the hours. */
export function lossOf(book: YearBook, today: Day, absence: Absence): Loss {
  const before = hoursOf(book, today);
  const roster = book.roster ?? { people: [], away: [] };
  const after = hoursOf({ ...book, roster: { ...roster, away: [...roster.away, absence] } }, today);
  const lost = new Map<number, number>();
  for (const [d, m] of before.minutes.entries()) {
    const less = m - (after.minutes[d] ?? 0);
    if (less > 1e-9) lost.set(d, less);
  }
  return lost;
}

/** Both answers to an absence: at once, and with a second's search. */
export function* awayAnswers(
  book: YearBook,
  learnt: LearntBook,
  { dogs, members, hours }: YearOf,
  plan: BookPlan,
  absence: Absence,
): Generator<AwayAnswer, void> {
  const today = learnt.from;
  const lost = lossOf(book, today, absence);
  const total = [...lost.values()].reduce((t, m) => t + m, 0);
  const bookedOn = new Map(book.dogs.map((d) => [d.id, d.booked]));
  const unagreed = (ids: readonly string[], d: number): boolean =>
    ids.some((id) => bookedOn.get(id)?.some((b) => b.day === addDays(today, d) && !b.agreed));
  // Who comes on a lost day is let go of it: its steps are built again without the date that held it there, and it may wait.
  const days = new Set(lost.keys());
  const arcs = plan.arcs.map((a, i) => {
    const dog = dogs[i];
    if (!dog || !(plan.visits[i] ?? []).some((d) => days.has(d))) return a;
    const fixed = dog.fixed.filter((d) => !lost.has(d));
    const own = [...new Set([...dog.days, ...dog.fixed])].sort((x, y) => x - y);
    return dogArcs({ ...dog, days: own, fixed, lost: days }, hours, WORTH, restsAfter(dog, plan.visits[i] ?? []));
  });
  const years = plan.years.map((y, i) => {
    const [a, before] = [arcs[i], plan.arcs[i]];
    if (!a || !before || a === before) return y;
    const nodes = daysOf(before, y).map((d) => a.day.indexOf(d, 1));
    return yearThrough(a, nodes) ?? y;
  });
  const cost = repair(arcs, years, hours, 0, new Map(), AT_ONCE).cost;
  const answer = (r: Repair): AwayAnswer => ({
    more: r.cost - cost,
    lost: total,
    moves: r.moves
      .map(({ dog, from, to }): AwayMove => {
        const [a, y, ids] = [arcs[dog], r.years[dog], members[dog] ?? []];
        const at = a && y ? daysOf(a, y).indexOf(to ?? -1) : -1;
        return {
          dogIds: ids,
          from: addDays(today, from),
          to: to === undefined ? undefined : addDays(today, to),
          minutes: a && y && at >= 0 ? minutesOf(a, y, at) - WORTH.visit : 0,
          was: dogs[dog]?.fixed.includes(from) ? (unagreed(ids, from) ? 'tentative' : 'agreed') : 'planned',
        };
      })
      .sort((x, y) => x.from - y.from),
  });
  yield answer(repair(arcs, years, hours, 0, lost, AT_ONCE));
  yield answer(repair(arcs, years, hours, 0, lost, WITH_TIME));
}
