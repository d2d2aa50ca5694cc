/** Plans years that a salon wonders about, one after the other, away from the page; says how far each is. */
import {
  changedYear,
  planTide,
  soonerWithTub,
  yearOfTide,
  yearOutcome,
  type YearChange,
  type YearOutcome,
} from '../../core/book/index.ts';
import type { BookAsked } from './book.worker.ts';

export type YearRoom = Parameters<typeof soonerWithTub>[4];
export interface YearFacts extends BookAsked {
  readonly room: YearRoom;
}
export interface YearAsked extends YearFacts {
  readonly key: string;
  readonly change: YearChange;
}
export type YearTold =
  | { readonly kind: 'progress'; readonly key: string; readonly share: number }
  | { readonly kind: 'outcome'; readonly key: string; readonly outcome: PlannedYear };
/** What a year comes to, and how much sooner its fullest days end with a tub more; undefined where nobody asked. */
export interface PlannedYear extends YearOutcome {
  readonly tubMinutes: number | undefined;
}

const tell = (told: YearTold): void => self.postMessage(told);
const SAY_EVERY_MS = 100;
/** Work that is told apart: building, bound, placing, improving. */
const STAGES = ['building', 'bound', 'placing', 'improving'] as const;

self.addEventListener('message', ({ data: { key, book, learnt, change, room } }: MessageEvent<YearAsked>) => {
  const changed = changedYear({ book, learnt }, change);
  const year = yearOfTide(changed.book, changed.learnt);
  const steps = planTide(year);
  let saidAt = performance.now();
  let step = steps.next();
  for (; !step.done; step = steps.next()) {
    if (performance.now() - saidAt < SAY_EVERY_MS) continue;
    saidAt = performance.now();
    const { stage, done, of } = step.value;
    tell({ kind: 'progress', key, share: (STAGES.indexOf(stage) + done / Math.max(1, of)) / STAGES.length });
  }
  const outcome = yearOutcome(year, step.value, changed.book, learnt.from);
  const tubMinutes = change.secondTub ? soonerWithTub(year, step.value, changed.book, learnt.from, room) : undefined;
  tell({ kind: 'outcome', key, outcome: { ...outcome, tubMinutes } });
});
