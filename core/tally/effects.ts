/**
 * What many measurements say about the things they have in common: a tool, a hand, a coat class, a zone. Their mixed model
 * (mixed-model.ts) as ratios of measured to planned, with 80 % intervals that are Student's.
 */
import { normalQuantile, sum } from '../quantity/index.ts';
import { designOf, fitOf, START_COUNTS, type EffectsStart, type Measured } from './mixed-model.ts';

export type { EffectsStart, FactorStart, Measured } from './mixed-model.ts';

/** A ratio measured : planned with its 80 % interval. */
export interface Estimate {
  readonly ratio: number;
  readonly low: number;
  readonly high: number;
  /** Measurements behind it. */
  readonly seen: number;
  /** Squared relative doubt about the ratio. */
  readonly doubt: number;
}

export interface Effects {
  readonly overall: Estimate;
  /** What one level comes to where everything else is as it usually is here. */
  readonly of: (factor: string, level: string) => Estimate;
  /** What several levels together come to; factors that are left out are as they usually are here. */
  readonly together: (levels: Readonly<Record<string, string | undefined>>) => Estimate;
  readonly levels: (factor: string) => readonly string[];
  /** Relative spread of one measurement about what it should be. */
  readonly spread: number;
}

/**
 * Quantile of Student's distribution with so many degrees of freedom, 0.5 < share < 1: the expansion of Abramowitz and Stegun
 * 26.7.5, good to 1e-3 from 4 on for the middle nine tenths; fewer count as 4.
 */
export function studentQuantile(share: number, freedom: number): number {
  const z = normalQuantile(share);
  const n = Math.max(4, freedom);
  const g1 = (z ** 3 + z) / 4;
  const g2 = (5 * z ** 5 + 16 * z ** 3 + 3 * z) / 96;
  const g3 = (3 * z ** 7 + 19 * z ** 5 + 17 * z ** 3 - 15 * z) / 384;
  return z + g1 / n + g2 / n ** 2 + g3 / n ** 3;
}
/** Half width of an 80 % interval in standard deviations where the spread itself was measured with so many degrees of freedom. */
export const student80 = (freedom: number): number => studentQuantile(0.9, freedom);

/** What measurements say. Those whose plan is nothing, or that are no sane ratio, say nothing. */
export function effects(measured: readonly Measured[], start: EffectsStart): Effects {
  const { factors } = start;
  const design = designOf(measured, start);
  const { columns, seen, usual, n } = design;
  const fit = fitOf(design, start);
  const p = fit.effects.length;
  const spread = fit.noise + fit.visit;
  const half = student80(START_COUNTS.measurements + n - p);
  // A mean of ratios, not of their logarithms: half of the variance about it is added back.
  const estimate = (weights: ReadonlyMap<number, number>, fresh: number, count: number): Estimate => {
    const list = [...weights];
    const m = usual + sum(list.map(([i, w]) => w * fit.effects[i]!)) + spread / 2;
    const v = fresh + sum(list.flatMap(([i, w]) => list.map(([j, x]) => w * x * fit.covariance[i * p + j]!)));
    const width = half * Math.sqrt(v);
    return { ratio: Math.exp(m), low: Math.exp(m - width), high: Math.exp(m + width), seen: count, doubt: v };
  };
  const together = (levels: Readonly<Record<string, string | undefined>>): Estimate => {
    const weights = new Map<number, number>([[0, 1]]);
    let fresh = 0;
    let count = n;
    for (const [f, own] of columns.entries()) {
      const level = levels[factors[f]?.name ?? ''];
      const column = level === undefined ? undefined : own.get(level);
      if (column !== undefined) {
        weights.set(column, 1);
        count = Math.min(count, seen[column]!);
      } else if (level !== undefined) {
        // Nobody has measured it: it may be anything that its kind can be.
        fresh += fit.variances[f]!;
        count = 0;
      } else {
        // As it usually is here: every level by how often it was seen.
        const all = sum([...own.values()].map((c) => seen[c]!));
        for (const c of own.values()) weights.set(c, seen[c]! / all);
      }
    }
    return estimate(weights, fresh, count);
  };
  return {
    overall: together({}),
    of: (factor, level) => together({ [factor]: level }),
    together,
    levels: (factor) => [...(columns[factors.findIndex((f) => f.name === factor)]?.keys() ?? [])],
    spread: Math.sqrt(spread),
  };
}
