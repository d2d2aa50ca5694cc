/**
 * What may be said to have changed since last year: only what the numbers bear out. Means are compared by Welch's
 * t test (Welch 1947; degrees of freedom by Satterthwaite 1946), counts as Poisson counts; what could be chance in more than
 * one year of ten is not said.
 */
import { addDays, sum, type Day } from '../quantity/index.ts';
import type { StockMove } from '../water/index.ts';
import { studentQuantile } from './effects.ts';
import type { VisitEntry } from './ledger.ts';

export const YEAR_DAYS = 365;

export type ChangeWhat = 'visits' | 'minutes' | 'grams' | 'pace' | 'income' | 'noise' | 'product' | 'home';

export interface YearChange {
  readonly what: ChangeWhat;
  readonly now: number;
  readonly before: number;
  /** How many measurements each year rests on. */
  readonly n: number;
  readonly nBefore: number;
  /** Is the difference more than chance makes of such numbers nine times out of ten. */
  readonly sure: boolean;
}

/** Fewer in either year say nothing. Guess. */
const LEAST = 8;
/** Two-sided, one in ten. */
const UPPER = 0.95;

/** Are two means apart by more than chance, one in ten; two samples of different spread. */
export function meansDiffer(a: readonly number[], b: readonly number[]): boolean {
  if (a.length < 2 || b.length < 2) return false;
  const moments = (of: readonly number[]) => {
    const mean = sum(of) / of.length;
    return { mean, square: sum(of.map((x) => (x - mean) ** 2)) / (of.length - 1) / of.length };
  };
  const [x, y] = [moments(a), moments(b)];
  const both = x.square + y.square;
  if (both <= 0) return x.mean !== y.mean;
  const freedom = both ** 2 / (x.square ** 2 / (a.length - 1) + y.square ** 2 / (b.length - 1));
  return Math.abs(x.mean - y.mean) / Math.sqrt(both) > studentQuantile(UPPER, freedom);
}

/** Are two counts of equally long spans apart by more than chance, one in ten: the difference of Poisson counts. */
export const countsDiffer = (a: number, b: number): boolean =>
  a + b > 0 && Math.abs(a - b) / Math.sqrt(a + b) > studentQuantile(UPPER, Infinity);

export interface HomeDay {
  readonly dogId: string;
  readonly day: Day;
  readonly minutes: number;
}

interface Facts {
  readonly entries: readonly VisitEntry[];
  readonly moves: readonly Pick<StockMove, 'day' | 'kind' | 'ml'>[];
  readonly home: readonly HomeDay[];
}

/** The last year against the one before it, measure by measure; those of which there is too little are left out. */
export function sinceLastYear({ entries, moves, home }: Facts, today: Day): readonly YearChange[] {
  const from = addDays(today, -YEAR_DAYS + 1);
  const first = addDays(from, -YEAR_DAYS);
  const split = <T extends { readonly day: Day }>(of: readonly T[]): readonly [readonly T[], readonly T[]] => [
    of.filter((x) => x.day >= from && x.day <= today),
    of.filter((x) => x.day >= first && x.day < from),
  ];
  const [now, before] = split(entries);
  const changes: YearChange[] = [];
  const mean = (what: ChangeWhat, a: readonly number[], b: readonly number[]): void => {
    if (a.length < LEAST || b.length < LEAST) return;
    changes.push({
      what,
      now: sum(a) / a.length,
      before: sum(b) / b.length,
      n: a.length,
      nBefore: b.length,
      sure: meansDiffer(a, b),
    });
  };
  if (now.length >= LEAST && before.length >= LEAST) {
    changes.push({
      what: 'visits',
      now: now.length,
      before: before.length,
      n: now.length,
      nBefore: before.length,
      sure: countsDiffer(now.length, before.length),
    });
  }
  const each = (of: readonly VisitEntry[], value: (e: VisitEntry) => number | undefined): readonly number[] =>
    of.flatMap((e) => {
      const v = value(e);
      return v === undefined ? [] : [v];
    });
  const both = (what: ChangeWhat, value: (e: VisitEntry) => number | undefined): void =>
    mean(what, each(now, value), each(before, value));
  both('minutes', (e) => (e.minutes > 0 ? e.minutes : undefined));
  both('grams', (e) => e.weighedG);
  both('pace', (e) => (e.minutes > 0 && e.plannedMinutes > 0 ? e.minutes / e.plannedMinutes : undefined));
  both('income', (e) => (e.minutes >= 1 ? (e.priceCents * 60) / e.minutes : undefined));
  const doses = (of: readonly VisitEntry[]): readonly number[] => {
    const days = new Map<string, number>();
    for (const e of of) days.set(`${e.day} ${e.person ?? ''}`, (days.get(`${e.day} ${e.person ?? ''}`) ?? 0) + e.noise);
    return [...days.values()];
  };
  mean('noise', doses(now), doses(before));
  const [mixedNow, mixedBefore] = split(moves.filter((m) => m.kind === 'mixed'));
  const bathed = [now, before].map((of) => of.filter((e) => e.bathed).length);
  const perDog = (of: readonly { readonly ml: number }[], dogs: number): readonly number[] =>
    // Mixes are spread over the dogs that were bathed: their number decides how sure the mean is.
    dogs === 0 ? [] : of.map((m) => (m.ml * of.length) / dogs);
  mean('product', perDog(mixedNow, bathed[0] ?? 0), perDog(mixedBefore, bathed[1] ?? 0));
  const [homeNow, homeBefore] = split(home);
  const weeks = (of: readonly HomeDay[], start: Day): readonly number[] => {
    const minutes = new Array<number>(52).fill(0);
    for (const h of of) {
      const week = Math.min(51, Math.floor((h.day - start) / 7));
      minutes[week] = (minutes[week] ?? 0) + h.minutes;
    }
    return minutes;
  };
  if (homeNow.length >= LEAST && homeBefore.length >= LEAST)
    mean('home', weeks(homeNow, from), weeks(homeBefore, first));
  return changes;
}
