/** Clean-up of the day as rows with their minutes: half of a shop's battle. Common practice; minutes are guesses. */
import { COMMON_PRACTICE, GUESS, type Source } from '../quantity/index.ts';
import type { CoatClass } from '../dog/index.ts';

export interface CleaningRow {
  readonly what: string;
  readonly minutes: number;
  /** After each dog in a heavy coat, or once when the last has gone. */
  readonly after: 'heavy-dog' | 'day';
  readonly minutesSource: Source;
  readonly source: Source;
}
const row = (what: string, minutes: number, after: CleaningRow['after']): CleaningRow => ({
  what,
  minutes,
  after,
  minutesSource: GUESS,
  source: COMMON_PRACTICE,
});

export const CLEANING: readonly CleaningRow[] = [
  row('Drain strainer cleared, tub rinsed of hair', 3, 'heavy-dog'),
  row('Dryer filters brushed out', 2, 'heavy-dog'),
  row('Floor under table and dryer swept', 3, 'heavy-dog'),
  row('Aprons, cloths and seats gone over with a rubber brush', 5, 'day'),
  row('Tools washed and disinfected, left to dry', 8, 'day'),
  row('Floor washed', 7, 'day'),
];

const HEAVY: readonly CoatClass[] = ['heavy-double', 'long-double', 'medium-double'];

/** What a day of these dogs leaves to clean, and its minutes. */
export function cleaningOf(coats: readonly CoatClass[]): { readonly minutes: number; readonly heavy: number } {
  const heavy = coats.filter((c) => HEAVY.includes(c)).length;
  const minutes = CLEANING.reduce((t, r) => t + r.minutes * (r.after === 'heavy-dog' ? heavy : 1), 0);
  return { minutes: coats.length === 0 ? 0 : minutes, heavy };
}
