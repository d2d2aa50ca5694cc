/** Plans the book's year away from the page; the best so far is told as it is found. */
import {
  bookSummary,
  planBook,
  yearOfTide,
  type BookProgress,
  type BookSummary,
  type YearBook,
} from '../../core/book/index.ts';
import type { LearntBook } from '../../core/tide/index.ts';

export interface BookAsked {
  readonly book: YearBook;
  readonly learnt: LearntBook;
}
export type BookTold =
  | { readonly kind: 'progress'; readonly stage: BookProgress['stage']; readonly share: number }
  | { readonly kind: 'plan'; readonly plan: BookSummary };

const SAY_EVERY_MS = 80;
const tell = (told: BookTold): void => self.postMessage(told);

self.addEventListener('message', ({ data: { book, learnt } }: MessageEvent<BookAsked>) => {
  const year = yearOfTide(book, learnt);
  const steps = planBook(year.dogs, year.hours);
  let saidAt = performance.now();
  for (;;) {
    const step = steps.next();
    if (step.done) return tell({ kind: 'plan', plan: bookSummary(year, step.value, learnt.from) });
    if (performance.now() - saidAt < SAY_EVERY_MS) continue;
    saidAt = performance.now();
    tell({ kind: 'progress', stage: step.value.stage, share: step.value.done / Math.max(1, step.value.of) });
  }
});
