/** Plans the book's year away from the page, tells the best so far, and answers what moves when somebody is away. */
import {
  awayAnswers,
  bookSummary,
  planBook,
  weeksOverIfEarly,
  whoComesSooner,
  yearOfTide,
  type Absence,
  type AwayAnswer,
  type BookPlan,
  type BookProgress,
  type BookSummary,
  type Sooner,
  type WeekOver,
  type YearBook,
  type YearOf,
} from '../../core/book/index.ts';
import type { Day } from '../../core/quantity/index.ts';
import type { LearntBook } from '../../core/tide/index.ts';

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
const summed = (year: YearOf, plan: BookPlan, from: Day) => ({
  plan: bookSummary(year, plan, from),
  early: weeksOverIfEarly(year, plan, from, EARLY_DAYS),
});

function planned(asked: BookAsked): void {
  const year = yearOfTide(asked.book, asked.learnt);
  const steps = planBook(year.dogs, year.hours);
  let saidAt = performance.now();
  let best: BookPlan | undefined;
  let told = false;
  for (;;) {
    const step = steps.next();
    if (step.done) {
      stands = { ...asked, year, plan: step.value };
      return tell({ kind: 'plan', ...summed(year, step.value, asked.learnt.from), last: true });
    }
    best = step.value.best ?? best;
    // Placed as well as it gets by placing: from here on it can be taken.
    if (best && !told && step.value.stage === 'improving') {
      told = true;
      tell({ kind: 'plan', ...summed(year, best, asked.learnt.from), last: false });
    }
    if (performance.now() - saidAt < SAY_EVERY_MS) continue;
    saidAt = performance.now();
    tell({ kind: 'progress', stage: step.value.stage, share: step.value.done / Math.max(1, step.value.of) });
  }
}

self.addEventListener('message', ({ data }: MessageEvent<BookWork>) => {
  if (data.kind === 'plan') return planned(data);
  if (!stands) return;
  const { book, learnt, year, plan } = stands;
  if (data.kind === 'sooner')
    return tell({ kind: 'sooner', on: data.on, sooner: whoComesSooner(year, plan, learnt.from, data.on) });
  const answers = [...awayAnswers(book, learnt, year, plan, data.absence)];
  for (const [i, answer] of answers.entries())
    tell({ kind: 'away', absence: data.absence, answer, last: i === answers.length - 1 });
});
