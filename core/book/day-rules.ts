/** Decides which rules a visit on a given day would break, so that it can be said while it is dragged there. */
import type { Day } from '../quantity/index.ts';
import type { YearBook } from './from-tide.ts';
import { ANY_TIME, dayRefusals, type DayRefusal } from './roster.ts';

export type DayRule =
  | DayRefusal
  | { readonly code: 'past' }
  /** Skin and coat rest so long after a visit. */
  | { readonly code: 'too-soon'; readonly days: number; readonly shortest: number }
  | { readonly code: 'too-late'; readonly days: number; readonly longest: number };

/** Rules against a dog coming on a day; others: its visits on other days, done and to come. */
export function rulesAgainst(book: YearBook, dogId: string, on: Day, others: readonly Day[]): readonly DayRule[] {
  const found: DayRule[] = [];
  const dog = book.dogs.find((d) => d.id === dogId);
  if (on <= book.today) found.push({ code: 'past' });
  const roster = book.roster ?? { people: [], away: [] };
  found.push(...dayRefusals(roster, book.openWeekdays, on, book.wishes?.[dogId] ?? ANY_TIME));
  if (!dog) return found;
  const { shortest, longest } = dog.rhythm;
  const gaps = others.map((o) => Math.abs(on - o)).filter((g) => g > 0);
  const nearest = Math.min(Infinity, ...gaps);
  if (nearest < shortest) found.push({ code: 'too-soon', days: nearest, shortest });
  const before = Math.max(-Infinity, ...others.filter((o) => o < on));
  if (on - before > longest && before > -Infinity) found.push({ code: 'too-late', days: on - before, longest });
  return found;
}
