/** Decides what `wt book` prints: a year's visits for each dog, the weeks against the hours, and how good the plan is. */
import type { TideFile } from '../contract/tide.ts';
import { account, planBook, WORTH, yearOfTide, type BookPlan } from '../core/book/index.ts';
import { addDays, formatDay, sum, type Day } from '../core/quantity/index.ts';
import { learnBook } from '../core/tide/index.ts';

function ended<T>(steps: Generator<unknown, T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
const round = (n: number, to = 1): number => Math.round(n / to) * to;

/** How good a plan is, in words. */
export const goodness = ({ cost, bound }: Pick<BookPlan, 'cost' | 'bound'>): string =>
  `within ${((100 * (cost - bound)) / Math.max(1e-9, bound)).toFixed(2)} % of the best that any plan could do`;

const WEEK = 7;

/** Plans the year after a day from what was logged up to it. */
export function bookReport(file: TideFile, asOf: Day): object {
  const learnt = ended(learnBook(file, asOf));
  const { dogs, hours } = yearOfTide(file, learnt);
  const plan = ended(planBook(dogs, hours));
  const kept = account(dogs, plan.visits, hours, WORTH);
  const text = (d: number): string => formatDay(addDays(asOf, d));
  const names = new Map(file.dogs.map((d) => [d.id, d.name]));
  const weeks = Array.from({ length: Math.floor((hours.minutes.length - 1) / WEEK) }, (_, w) => {
    const days = Array.from({ length: WEEK }, (_d, i) => 1 + WEEK * w + i);
    return {
      from: text(1 + WEEK * w),
      minutes: round(sum(days.map((d) => kept.load[d] ?? 0))),
      hours: round(sum(days.map((d) => hours.minutes[d] ?? 0))),
    };
  });
  return {
    format: 'woolly-tide/book-plan',
    version: 1,
    salon: file.salon,
    asOf: formatDay(asOf),
    good: goodness(plan),
    cost: round(plan.cost, 0.1),
    bound: round(plan.bound, 0.1),
    minutes: round(kept.labour),
    overtimeMinutes: round(kept.overtime),
    gramsAtHome: round(kept.homeG),
    dogs: dogs.map((d, i) => {
      const minutes = plan.years[i]?.arcs.map((arc) => plan.arcs[i]?.minutes[arc] ?? 0) ?? [];
      return {
        id: d.id,
        name: names.get(d.id) ?? d.id,
        visits: (plan.visits[i] ?? []).map((x, k) => ({
          day: text(x),
          minutes: round(minutes[k] ?? 0),
          agreed: d.fixed.includes(x),
        })),
      };
    }),
    weeks,
  };
}
