/**
 * What is left of a product and how long it will last: bottles bought add, mixes take away, and a count on the
 * shelf is the truth from then on. Only what was written down is stored; this fold is the only reading of it.
 */
import { addDays, type Day } from '../quantity/index.ts';

export const STOCK_KINDS = ['bought', 'mixed', 'counted'] as const;
export type StockKind = (typeof STOCK_KINDS)[number];

/** Something done with a product. */
export interface StockMove {
  readonly id: string;
  readonly product: string;
  readonly day: Day;
  readonly kind: StockKind;
  /** Millilitres of concentrate: bought, mixed, or found on the shelf. */
  readonly ml: number;
}

export interface Stock {
  readonly product: string;
  /** Millilitres that should be left; below 0 where more was mixed than anybody wrote down as bought. */
  readonly leftMl: number;
  /** Millilitres mixed in the last four weeks. */
  readonly mixedMl: number;
  /** Days that what is left will last at that pace; undefined where nothing was mixed. */
  readonly lastsDays?: number | undefined;
}

const RECENT_DAYS = 28;

/** Stock of each product today, by name. Moves of one day count in the order given; later ones than today not at all. */
export function stockOf(moves: readonly StockMove[], today: Day): readonly Stock[] {
  const names = [...new Set(moves.map((m) => m.product))].sort((a, b) => a.localeCompare(b));
  const inOrder = moves.map((m, i) => ({ m, i })).sort((a, b) => a.m.day - b.m.day || a.i - b.i);
  return names.map((product): Stock => {
    let leftMl = 0;
    let mixedMl = 0;
    for (const { m } of inOrder) {
      if (m.product !== product || m.day > today) continue;
      if (m.kind === 'counted') leftMl = m.ml;
      else leftMl += m.kind === 'bought' ? m.ml : -m.ml;
      if (m.kind === 'mixed' && m.day > addDays(today, -RECENT_DAYS)) mixedMl += m.ml;
    }
    const lastsDays = mixedMl > 0 ? Math.max(0, Math.floor((leftMl / mixedMl) * RECENT_DAYS)) : undefined;
    return { product, leftMl, mixedMl, lastsDays };
  });
}
