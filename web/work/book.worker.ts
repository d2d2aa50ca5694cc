/** Plans the book's year away from the page, tells the best so far, and answers what moves when somebody is away. */
import {
  awayAnswers,
  bookSummary,
  planTide,
  startFrom,
  weeksOverIfEarly,
  whoComesSooner,
  YEAR_EFFORT,
  yearOfTide,
  type Absence,
  type AwayAnswer,
  type BookPlan,
  type BookProgress,
  type BookStart,
  type BookSummary,
  type Sooner,
  type WeekOver,
  type YearBook,
  type YearOf,
} from '../../core/book/index.ts';
import type { Day } from '../../core/quantity/index.ts';
import { nextVisits, type LearntBook } from '../../core/tide/index.ts';

export interface BookAsked {
  readonly book: YearBook;
  readonly learnt: LearntBook;
}
export type BookWork =
  | ({ readonly kind: 'plan' } & BookAsked)
  | { readonly kind: 'away'; readonly absence: Absence }
  | { readonly kind: 'sooner'; readonly on: Day };
export type BookTold =
  | { readonly kind: 'progress'; readonly stage: BookProgress['stage']; readonly share: number }
  /** Not the last: the best so far. */
  | { readonly kind: 'plan'; readonly plan: BookSummary; readonly early: readonly WeekOver[]; readonly last: boolean }
  | { readonly kind: 'away'; readonly absence: Absence; readonly answer: AwayAnswer; readonly last: boolean }
  | { readonly kind: 'sooner'; readonly on: Day; readonly sooner: readonly Sooner[] };

const SAY_EVERY_MS = 80;
const tell = (told: BookTold): void => self.postMessage(told);
let stands: (BookAsked & { readonly year: YearOf; readonly plan: BookPlan }) | undefined;

/** A blow so early is what a salon is asked to withstand. */
const EARLY_DAYS = 10;
const summed = (year: YearOf, plan: BookPlan, { book, learnt }: BookAsked) => ({
  plan: bookSummary(year, plan, learnt.from, nextVisits(book, learnt)),
  early: weeksOverIfEarly(year, plan, learnt.from, EARLY_DAYS),
});

/** The last year that was planned, where it has the days of this one: a proposal that was taken moves little of it. */
function startFor({ learnt }: BookAsked, days: number): BookStart | undefined {
  if (!stands || stands.learnt.from !== learnt.from || stands.plan.prices.length !== days) return undefined;
  return startFrom(stands.year.dogs, stands.plan);
}

/** The newest work; what was asked before it is given up. */
let newest: BookAsked | undefined;

async function planned(asked: BookAsked): Promise<void> {
  newest = asked;
  const year = yearOfTide(asked.book, asked.learnt);
  const steps = planTide(year, YEAR_EFFORT, startFor(asked, year.hours.minutes.length));
  let saidAt = performance.now();
  let best: BookPlan | undefined;
  let told = false;
  for (;;) {
    const step = steps.next();
    if (step.done) {
      stands = { ...asked, year, plan: step.value };
      return tell({ kind: 'plan', ...summed(year, step.value, asked), last: true });
    }
    best = step.value.best ?? best;
    // Placed as well as it gets by placing: from here on it can be taken.
    if (best && !told && step.value.stage === 'improving') {
      told = true;
      tell({ kind: 'plan', ...summed(year, best, asked), last: false });
    }
    if (performance.now() - saidAt < SAY_EVERY_MS) continue;
    tell({ kind: 'progress', stage: step.value.stage, share: step.value.done / Math.max(1, step.value.of) });
    // What the page has sent meanwhile is heard.
    await new Promise((on) => setTimeout(on));
    if (newest !== asked) return;
    saidAt = performance.now();
  }
}

/** A rejected promise is told as any other fault of a worker is. */
const fail = (problem: unknown): void =>
  void setTimeout(() => {
    throw problem;
  });

self.addEventListener('message', ({ data }: MessageEvent<BookWork>) => {
  if (data.kind === 'plan') return void planned(data).catch(fail);
  if (!stands) return;
  const { book, learnt, year, plan } = stands;
  if (data.kind === 'sooner')
    return tell({ kind: 'sooner', on: data.on, sooner: whoComesSooner(year, plan, learnt.from, data.on) });
  const answers = [...awayAnswers(book, learnt, year, plan, data.absence)];
  for (const [i, answer] of answers.entries())
    tell({ kind: 'away', absence: data.absence, answer, last: i === answers.length - 1 });
});
