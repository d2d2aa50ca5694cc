/** What the visits of a month came to: what was taken added up, beside the hours at the table, whole and by person or way. */
import { sum } from '../quantity/index.ts';
import { monthOf, type VisitEntry } from './ledger.ts';

export interface Takings {
  /** What it is of: a person or a way; empty for all of it. */
  readonly key: string;
  readonly visits: number;
  /** As they were taken, by the price of the plan where nobody wrote it down: hundredths of the salon's currency. */
  readonly cents: number;
  /** Visits of which somebody wrote down what was taken, and what of them is still to pay. */
  readonly noted: number;
  readonly openCents: number;
  readonly minutes: number;
}

const takingsOf = (key: string, entries: readonly VisitEntry[]): Takings => ({
  key,
  visits: entries.length,
  cents: sum(entries.map((e) => e.takenCents ?? e.priceCents)),
  noted: entries.filter((e) => e.takenCents !== undefined).length,
  openCents: sum(entries.map((e) => e.openCents ?? 0)),
  minutes: sum(entries.map((e) => e.minutes)),
});

/** The entries of a month, `2031-04`; the most first in the lists, of which each adds up to the whole. */
export function takings(
  entries: readonly VisitEntry[],
  month: string,
): { readonly all: Takings; readonly byPerson: readonly Takings[]; readonly byMethod: readonly Takings[] } {
  const those = entries.filter((e) => monthOf(e.day) === month);
  const by = (keyOf: (e: VisitEntry) => string): readonly Takings[] =>
    [...new Set(those.map(keyOf))]
      .map((key) =>
        takingsOf(
          key,
          those.filter((e) => keyOf(e) === key),
        ),
      )
      .sort((a, b) => b.cents - a.cents);
  return { all: takingsOf('', those), byPerson: by((e) => e.person ?? ''), byMethod: by((e) => e.method) };
}
