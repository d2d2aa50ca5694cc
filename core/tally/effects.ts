/**
 * Decides what many measurements say about the things they have in common: a tool, a hand, a coat class, a zone.
 *
 * A measured amount against its plan is a ratio; its logarithm is taken as the sum of what is common to all, one effect
 * of each factor, one of its visit, and noise: a linear mixed model with crossed random effects (Henderson's equations; variance
 * components by expectation and maximisation, Dempster, Laird and Rubin 1977; from memory). Start values of the
 * variances count as a few levels or measurements, so that little data moves little. The 80 % intervals are Student's.
 */
import { inverse, kept, normalQuantile, sum } from '../quantity/index.ts';

/** One measurement: what it came to against its plan, and the level of each factor it falls under. */
export interface Measured {
  readonly planned: number;
  readonly measured: number;
  /** By factor, in the order of the factors; undefined where nobody said. */
  readonly levels: readonly (string | undefined)[];
  /** What it was measured together with: one visit shares its day, its dog's mood and its haste. */
  readonly visit: number;
}

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

export interface FactorStart {
  readonly name: string;
  /** Variance of its levels' effects on the log ratio, before anything was measured. Guess. */
  readonly variance: number;
}
export interface EffectsStart {
  readonly factors: readonly FactorStart[];
  /** Variance of the log ratio common to all, and of one measurement, before anything was measured. Guess. */
  readonly overall: number;
  readonly noise: number;
  /** Variance of what one visit has in common. Guess. */
  readonly visit: number;
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

/** Levels, and measurements, that a start value counts for. Guess. */
const START_COUNTS = { levels: 3, measurements: 12 };
const MOST_ROUNDS = 25;
const STILL = 2e-3;
/** A ratio further out is a slip of the pen, not a measurement. */
const SANE = { low: 1 / 12, high: 12 };
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

interface Visit {
  n: number;
  right: number;
  readonly at: Map<number, number>;
}

interface PackedVisit {
  readonly n: number;
  readonly right: number;
  /** Columns under which it has measurements, and how many. */
  readonly at: Int32Array;
  readonly times: Float64Array;
}

/** What measurements say. Those whose plan is nothing, or that are no sane ratio, say nothing. */
export function effects(measured: readonly Measured[], start: EffectsStart): Effects {
  const { factors } = start;
  const usable = measured.filter((m) => {
    const ratio = m.measured / m.planned;
    return m.planned > 0 && ratio >= SANE.low && ratio <= SANE.high;
  });
  // Where nothing was measured the mean ratio is 1, and its logarithm that much less.
  const usual = -(start.noise + start.visit) / 2;
  // Column 0 is common to all; then the levels of each factor, in the order in which they are first seen.
  const columns = factors.map(() => new Map<string, number>());
  const owner: number[] = [-1];
  const rows = usable.map((m) => {
    const at = [0];
    for (const [f, column] of columns.entries()) {
      const level = m.levels[f];
      if (level === undefined) continue;
      let c = column.get(level);
      if (c === undefined) {
        c = owner.length;
        column.set(level, c);
        owner.push(f);
      }
      at.push(c);
    }
    return { y: Math.log(m.measured / m.planned) - usual, at, visit: m.visit };
  });
  const p = owner.length;
  const n = rows.length;
  const cross = new Float64Array(p * p);
  const right = new Float64Array(p);
  let squares = 0;
  const seen = new Float64Array(p);
  for (const { y, at } of rows) {
    squares += y * y;
    for (const i of at) {
      right[i] = (right[i] ?? 0) + y;
      seen[i] = (seen[i] ?? 0) + 1;
      for (const j of at) cross[i * p + j] = (cross[i * p + j] ?? 0) + 1;
    }
  }
  const visits = new Map<number, Visit>();
  for (const { y, at, visit } of rows) {
    const v = kept(visits, visit, (): Visit => ({ n: 0, right: 0, at: new Map<number, number>() }));
    v.n++;
    v.right += y;
    for (const i of at) v.at.set(i, (v.at.get(i) ?? 0) + 1);
  }
  const shared = [...visits.values()].map((v): PackedVisit => ({
    n: v.n,
    right: v.right,
    at: Int32Array.from(v.at.keys()),
    times: Float64Array.from(v.at.values()),
  }));
  const counts = columns.map((c) => c.size);
  const variances = factors.map((f) => f.variance);
  let noise = start.noise;
  let ofVisit = start.visit;
  let covariance: Float64Array = new Float64Array(p * p);
  const b = new Float64Array(p);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const precision = new Float64Array(p * p);
    const reduced = new Float64Array(p);
    for (let i = 0; i < p * p; i++) precision[i] = (cross[i] ?? 0) / noise;
    for (let i = 0; i < p; i++) {
      const f = owner[i] ?? -1;
      precision[i * p + i] = (precision[i * p + i] ?? 0) + 1 / (f < 0 ? start.overall : (variances[f] ?? 1));
      reduced[i] = (right[i] ?? 0) / noise;
    }
    // The visits' own effects are taken out of the equations one by one: each stands alone on its diagonal.
    for (const v of shared) {
      const out = 1 / (noise * noise * (v.n / noise + 1 / ofVisit));
      for (let x = 0; x < v.at.length; x++) {
        const i = v.at[x] ?? 0;
        const by = (v.times[x] ?? 0) * out;
        reduced[i] = (reduced[i] ?? 0) - by * v.right;
        for (let y = 0; y < v.at.length; y++) {
          const at = i * p + (v.at[y] ?? 0);
          precision[at] = (precision[at] ?? 0) - by * (v.times[y] ?? 0);
        }
      }
    }
    covariance = inverse(precision, p);
    for (let i = 0; i < p; i++) {
      let s = 0;
      for (let j = 0; j < p; j++) s += (covariance[i * p + j] ?? 0) * (reduced[j] ?? 0);
      b[i] = s;
    }
    let change = 0;
    const renewed = (old: number, next: number): number => {
      change = Math.max(change, Math.abs(next / old - 1));
      return next;
    };
    for (const [f, own] of factors.entries()) {
      let spread = 0;
      for (let i = 1; i < p; i++) if (owner[i] === f) spread += (b[i] ?? 0) ** 2 + (covariance[i * p + i] ?? 0);
      const next = (START_COUNTS.levels * own.variance + spread) / (START_COUNTS.levels + (counts[f] ?? 0));
      variances[f] = renewed(variances[f] ?? 1, next);
    }
    // Squared residuals as expected, and the visits' spread.
    let residual = squares;
    for (let i = 0; i < p; i++) {
      residual -= 2 * (b[i] ?? 0) * (right[i] ?? 0);
      for (let j = 0; j < p; j++) {
        const w = cross[i * p + j] ?? 0;
        if (w !== 0) residual += w * ((covariance[i * p + j] ?? 0) + (b[i] ?? 0) * (b[j] ?? 0));
      }
    }
    let spreadOfVisits = 0;
    for (const v of shared) {
      const d = v.n / noise + 1 / ofVisit;
      let fit = 0;
      let quad = 0;
      for (let x = 0; x < v.at.length; x++) {
        const i = v.at[x] ?? 0;
        const times = v.times[x] ?? 0;
        fit += times * (b[i] ?? 0);
        for (let y = 0; y < v.at.length; y++)
          quad += times * (v.times[y] ?? 0) * (covariance[i * p + (v.at[y] ?? 0)] ?? 0);
      }
      const own = (v.right - fit) / (noise * d);
      const doubt = 1 / d + quad / (noise * d) ** 2;
      spreadOfVisits += own * own + doubt;
      residual += v.n * (own * own + doubt) - 2 * own * (v.right - fit) - (2 * quad) / (noise * d);
    }
    ofVisit = renewed(
      ofVisit,
      (START_COUNTS.levels * start.visit + spreadOfVisits) / (START_COUNTS.levels + shared.length),
    );
    noise = renewed(
      noise,
      (START_COUNTS.measurements * start.noise + Math.max(0, residual)) / (START_COUNTS.measurements + n),
    );
    if (change < STILL) break;
  }
  const half = student80(START_COUNTS.measurements + n - p);
  // A mean of ratios, not of their logarithms: half of the variance about it is added back.
  const estimate = (weights: ReadonlyMap<number, number>, fresh: number, count: number): Estimate => {
    const list = [...weights];
    const m = usual + sum(list.map(([i, w]) => w * (b[i] ?? 0))) + (noise + ofVisit) / 2;
    const v = fresh + sum(list.flatMap(([i, w]) => list.map(([j, x]) => w * x * (covariance[i * p + j] ?? 0))));
    const width = half * Math.sqrt(v);
    return { ratio: Math.exp(m), low: Math.exp(m - width), high: Math.exp(m + width), seen: count, doubt: v };
  };
  const together = (levels: Readonly<Record<string, string | undefined>>): Estimate => {
    const weights = new Map<number, number>([[0, 1]]);
    let fresh = 0;
    let count = n;
    for (const [f, { name }] of factors.entries()) {
      const own = [...(columns[f]?.values() ?? [])];
      const level = levels[name];
      const column = level === undefined ? undefined : columns[f]?.get(level);
      if (column !== undefined) {
        weights.set(column, 1);
        count = Math.min(count, seen[column] ?? 0);
      } else if (level !== undefined) {
        // Nobody has measured it: it may be anything that its kind can be.
        fresh += variances[f] ?? 0;
        count = 0;
      } else {
        // As it usually is here: every level by how often it was seen.
        const all = sum(own.map((c) => seen[c] ?? 0));
        for (const c of own) weights.set(c, (seen[c] ?? 0) / all);
      }
    }
    return estimate(weights, fresh, count);
  };
  return {
    overall: together({}),
    of: (factor, level) => together({ [factor]: level }),
    together,
    levels: (factor) => [...(columns[factors.findIndex((f) => f.name === factor)]?.keys() ?? [])],
    spread: Math.sqrt(noise + ofVisit),
  };
}
