/** What `wt book` prints: a year's visits for each dog, the weeks against the hours, and how good the plan is. */
import type { TideFile } from '../contract/tide.ts';
import { account, bookSummary, gapOf, planTide, WORTH, yearOfTide } from '../core/book/index.ts';
import { ended, formatDay, type Day } from '../core/quantity/index.ts';
import { bookAsOf, inHundredths, learnBook, nextVisits } from '../core/tide/index.ts';

const round = (n: number, to = 1): number => Math.round(n / to) * to;

/** Plans the year after a day from what was logged up to it. */
export function bookReport(file: TideFile, asOf: Day): object {
  const book = bookAsOf(file, asOf);
  const learnt = inHundredths(ended(learnBook(book, { asOf })));
  const year = yearOfTide(book, learnt);
  const { dogs, members, hours } = year;
  const plan = ended(planTide(year));
  const kept = account(dogs, plan.visits, hours, WORTH);
  const { visits, weeks, cost, bound } = bookSummary(year, plan, asOf, nextVisits(book, learnt));
  const names = new Map(file.dogs.map((d) => [d.id, d.name]));
  return {
    format: 'woolly-tide/book-plan',
    version: 1,
    salon: file.salon,
    asOf: formatDay(asOf),
    good: `within ${(100 * gapOf(plan)).toFixed(2)} % of the best in this model`,
    cost: round(cost, 0.1),
    bound: round(bound, 0.1),
    minutes: round(kept.labour),
    overtimeMinutes: round(kept.overtime),
    gramsAtHome: round(kept.homeG),
    dogs: dogs.map(({ id }, i) => ({
      id,
      name: (members[i] ?? [id]).map((m) => names.get(m) ?? m).join(', '),
      visits: visits
        .filter((v) => v.dogId === id)
        .map((v) => ({ day: formatDay(v.day), minutes: round(v.minutes), parts: v.parts, agreed: v.agreed })),
    })),
    weeks: weeks.map((w) => ({
      from: formatDay(w.from),
      minutes: round(w.agreed + w.proposed),
      hours: round(w.hours),
    })),
  };
}
