/**
 * A linear mixed model with crossed random effects: the logarithm of a measured amount against its plan is the sum of what is
 * common to all, one effect of each factor's level, one of its visit, and noise. Henderson's mixed model equations; the
 * variance components by expectation and maximisation (Dempster, Laird and Rubin 1977; from memory). Start values of the
 * variances count as a few levels or measurements, so that little data moves little.
 */
import { inverse, kept } from '../quantity/index.ts';

/** One measurement: what it came to against its plan, and the level of each factor it falls under. */
export interface Measured {
  readonly planned: number;
  readonly measured: number;
  /** By factor, in the order of the factors; undefined where nobody said. */
  readonly levels: readonly (string | undefined)[];
  /** What it was measured together with: one visit shares its day, its dog's mood and its haste. */
  readonly visit: number;
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

/** Levels, and measurements, that a start value counts for. Guess. */
export const START_COUNTS = { levels: 3, measurements: 12 };
const MOST_ROUNDS = 25;
const STILL = 2e-3;
/** A ratio further out is a slip of the pen, not a measurement. */
const SANE = { low: 1 / 12, high: 12 };

interface Row {
  /** Log ratio, from the usual one. */
  readonly y: number;
  /** Its columns: the common one and one of each factor that is known. */
  readonly at: readonly number[];
  readonly visit: number;
}

/** Measurements of one visit: how many, the sum of their log ratios, and the columns they fall under. */
interface Visit {
  readonly n: number;
  readonly right: number;
  readonly at: Int32Array;
  readonly times: Float64Array;
}

/** The measurements as sums by column: all that the equations need of them. */
export interface Design {
  /** The log ratio where nothing was measured. */
  readonly usual: number;
  /** The column of each level, by factor; column 0 is common to all. */
  readonly columns: readonly ReadonlyMap<string, number>[];
  /** The factor of each column; -1 of the common one. */
  readonly owner: Int32Array;
  /** Measurements, in all and by column. */
  readonly n: number;
  readonly seen: Float64Array;
  /** Sums of products of the columns (p x p), with the log ratios (p), and of these with themselves. */
  readonly cross: Float64Array;
  readonly right: Float64Array;
  readonly squares: number;
  readonly visits: readonly Visit[];
}

/** What the model came to: effects by column with their covariance, and the variances. */
export interface Fit {
  readonly effects: Float64Array;
  readonly covariance: Float64Array;
  /** By factor. */
  readonly variances: readonly number[];
  readonly noise: number;
  readonly visit: number;
}

function visitsOf(rows: readonly Row[]): readonly Visit[] {
  const byVisit = new Map<number, { n: number; right: number; readonly at: Map<number, number> }>();
  for (const { y, at, visit } of rows) {
    const v = kept(byVisit, visit, () => ({ n: 0, right: 0, at: new Map<number, number>() }));
    v.n++;
    v.right += y;
    for (const i of at) v.at.set(i, (v.at.get(i) ?? 0) + 1);
  }
  return [...byVisit.values()].map((v) => ({
    n: v.n,
    right: v.right,
    at: Int32Array.from(v.at.keys()),
    times: Float64Array.from(v.at.values()),
  }));
}

/** Measurements in columns. Those whose plan is nothing, or that are no sane ratio, say nothing. */
export function designOf(measured: readonly Measured[], start: EffectsStart): Design {
  // Where nothing was measured the mean ratio is 1, and its logarithm that much less.
  const usual = -(start.noise + start.visit) / 2;
  // The levels of each factor, in the order in which they are first seen.
  const columns = start.factors.map(() => new Map<string, number>());
  const owner: number[] = [-1];
  const columnOf = (level: string, factor: number, column: Map<string, number>): number =>
    kept(column, level, () => owner.push(factor) - 1);
  const rows: Row[] = [];
  for (const { planned, measured: came, levels, visit } of measured) {
    const ratio = came / planned;
    if (!(planned > 0 && ratio >= SANE.low && ratio <= SANE.high)) continue;
    const own = columns.flatMap((column, f) => {
      const level = levels[f];
      return level === undefined ? [] : [columnOf(level, f, column)];
    });
    rows.push({ y: Math.log(ratio) - usual, at: [0, ...own], visit });
  }
  const p = owner.length;
  const cross = new Float64Array(p * p);
  const right = new Float64Array(p);
  const seen = new Float64Array(p);
  let squares = 0;
  for (const { y, at } of rows) {
    squares += y * y;
    for (const i of at) {
      right[i]! += y;
      seen[i]!++;
      for (const j of at) cross[i * p + j]!++;
    }
  }
  const visits = visitsOf(rows);
  return { usual, columns, owner: Int32Array.from(owner), n: rows.length, seen, cross, right, squares, visits };
}

type Variances = Pick<Fit, 'variances' | 'noise' | 'visit'>;
type Solution = Pick<Fit, 'effects' | 'covariance'>;

/** The expectation: the equations solved for the effects, with the variances as they are taken to be. */
function solved({ owner, cross, right, visits }: Design, overall: number, v: Variances): Solution {
  const p = owner.length;
  const precision = cross.map((x) => x / v.noise);
  const reduced = right.map((x) => x / v.noise);
  for (let i = 0; i < p; i++) precision[i * p + i]! += 1 / (owner[i]! < 0 ? overall : v.variances[owner[i]!]!);
  // The visits' own effects are taken out of the equations one by one: each stands alone on its diagonal.
  for (const { n, right: ofVisit, at, times } of visits) {
    const out = 1 / (v.noise * v.noise * (n / v.noise + 1 / v.visit));
    for (let x = 0; x < at.length; x++) {
      const by = times[x]! * out;
      reduced[at[x]!]! -= by * ofVisit;
      for (let y = 0; y < at.length; y++) precision[at[x]! * p + at[y]!]! -= by * times[y]!;
    }
  }
  const covariance = inverse(precision, p);
  const effects = new Float64Array(p);
  for (let i = 0; i < p; i++) {
    let s = 0;
    for (let j = 0; j < p; j++) s += covariance[i * p + j]! * reduced[j]!;
    effects[i] = s;
  }
  return { effects, covariance };
}

/** Sum of the squared effects that a factor's levels are expected to have. */
function spreadOf(factor: number, { owner }: Design, { effects, covariance }: Solution): number {
  const p = owner.length;
  let spread = 0;
  for (let i = 1; i < p; i++) if (owner[i] === factor) spread += effects[i]! ** 2 + covariance[i * p + i]!;
  return spread;
}

/** Sum of squared residuals as expected, before the visits' own effects are taken out of it. */
function residualOf({ owner, cross, right, squares }: Design, { effects, covariance }: Solution): number {
  const p = owner.length;
  let residual = squares;
  for (let i = 0; i < p; i++) {
    residual -= 2 * effects[i]! * right[i]!;
    for (let j = 0; j < p; j++) {
      const w = cross[i * p + j]!;
      if (w !== 0) residual += w * (covariance[i * p + j]! + effects[i]! * effects[j]!);
    }
  }
  return residual;
}

/** The squared effect that a visit is expected to have, and what it adds to the squared residuals. */
function momentsOf({ n, right, at, times }: Visit, { effects, covariance }: Solution, v: Variances) {
  const p = effects.length;
  const d = n / v.noise + 1 / v.visit;
  let fit = 0;
  let quad = 0;
  for (let x = 0; x < at.length; x++) {
    fit += times[x]! * effects[at[x]!]!;
    for (let y = 0; y < at.length; y++) quad += times[x]! * times[y]! * covariance[at[x]! * p + at[y]!]!;
  }
  const own = (right - fit) / (v.noise * d);
  const square = own * own + 1 / d + quad / (v.noise * d) ** 2;
  return { square, residual: n * square - 2 * own * (right - fit) - (2 * quad) / (v.noise * d) };
}

/** The maximisation: the variances that fit the expected effects best, each held by its start value. */
function improved(design: Design, start: EffectsStart, solution: Solution, v: Variances): Variances {
  const { levels, measurements } = START_COUNTS;
  let residual = residualOf(design, solution);
  let ofVisits = 0;
  for (const visit of design.visits) {
    const moments = momentsOf(visit, solution, v);
    ofVisits += moments.square;
    residual += moments.residual;
  }
  return {
    variances: start.factors.map(
      (own, f) => (levels * own.variance + spreadOf(f, design, solution)) / (levels + (design.columns[f]?.size ?? 0)),
    ),
    visit: (levels * start.visit + ofVisits) / (levels + design.visits.length),
    noise: (measurements * start.noise + Math.max(0, residual)) / (measurements + design.n),
  };
}

/** The largest relative change of a variance. */
const change = (old: Variances, next: Variances): number =>
  Math.max(
    Math.abs(next.noise / old.noise - 1),
    Math.abs(next.visit / old.visit - 1),
    ...next.variances.map((x, f) => Math.abs(x / (old.variances[f] ?? x) - 1)),
  );

/** Fits the model. The effects are those of the last expectation. */
export function fitOf(design: Design, start: EffectsStart): Fit {
  let v: Variances = { variances: start.factors.map((f) => f.variance), noise: start.noise, visit: start.visit };
  let solution = solved(design, start.overall, v);
  for (let round = 1; ; round++) {
    const next = improved(design, start, solution, v);
    const still = change(v, next) < STILL || round === MOST_ROUNDS;
    v = next;
    if (still) return { ...solution, ...v };
    solution = solved(design, start.overall, v);
  }
}
