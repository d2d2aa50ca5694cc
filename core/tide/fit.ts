/**
 * What a dog's log says of its coat: draws from the posterior of its parameters.
 *
 * The parameters are whitened by their Gaussian prior. The most probable set is found by Levenberg and Marquardt's method;
 * its Laplace covariance shapes a multivariate Student distribution, from which draws are taken and weighed against the
 * true posterior (importance sampling), twice: the second time about the moments that the first found. Weights are cut
 * at their mean times the root of their number (Ionides 2008). Where few draws carry all the weight, the fit says so and
 * keeps to a widened Laplace. Methods from memory; checked by simulation (npm run study -- tide).
 */
import {
  cholesky,
  inverse,
  inverseLower,
  lowerOnly,
  lowerTimes,
  normalDensity,
  normalShare,
  randomNormal,
  solveLower,
  seededRandom,
  solveUpper,
  sum,
  product,
  transpose,
} from '../quantity/index.ts';
import { GLOBALS, type DogModel } from './dog-model.ts';
import { GRADE } from './log-program.ts';
import { LogReader } from './log-reader.ts';
import { WEIGHT_FREEDOM } from './sightings.ts';

/** Prior of the starts of a dog's sheds: days against their usual start, and their covariance. */
export interface StartPrior {
  readonly mean: Float64Array;
  readonly cov: Float64Array;
}

export interface Fit {
  readonly model: DogModel;
  readonly prior: StartPrior;
  /** Parameter sets, one after the other, and their weights, which add up to 1. */
  readonly draws: Float64Array;
  readonly weights: Float64Array;
  readonly count: number;
  /** Draws that the weighted ones are worth. */
  readonly effective: number;
  /** Sampling worked; false: the draws are of the widened Laplace. */
  readonly sampled: boolean;
  /** Most probable parameters. */
  readonly likeliest: Float64Array;
  /** Standard deviation of each parameter, in units of its prior one, by Laplace: 1 where the log says nothing. */
  readonly told: Float64Array;
  /** Laplace's precision about the peak, in whitened parameters: the starts by the Cholesky factor of their prior. */
  readonly precision: Float64Array;
}

const ROUNDS = 2;
const DRAWS = 400;
/** Freedom of the proposal: heavy enough tails to cover what Laplace does not see. */
const PROPOSAL_FREEDOM = 10;
/** Variance of the proposal against Laplace's. */
const PROPOSAL_WIDER = 1.1;
const LEAST_EFFECTIVE = 25;
const MOST_STEPS = 30;
const FIRST_STEPS = 5;
/** In units of log probability. */
const WORTH_FOLLOWING = 1.5;
const NU = WEIGHT_FREEDOM;

/** Shares of the normal distribution, so many to the standard deviation: 1e-5 is near enough where slips cost 1e-2. */
const SHARES_TO = 8;
const PER_SD = 100;
const SHARES = Float64Array.from({ length: 2 * SHARES_TO * PER_SD + 2 }, (_, i) => normalShare(i / PER_SD - SHARES_TO));
function nearShare(x: number): number {
  if (x <= -SHARES_TO) return 0;
  if (x >= SHARES_TO) return 1;
  const at = (x + SHARES_TO) * PER_SD;
  const low = at | 0;
  const a = SHARES[low] ?? 0;
  return a + (at - low) * ((SHARES[low + 1] ?? 1) - a);
}

/** Within so many deviations a weight is what it says; beyond, its point may have slipped to the left or the right. */
const SLIP_BEYOND = 4;
const student = (r: number): number => (1 + (r * r) / NU) ** (-(NU + 1) / 2);

/** Log likelihood of what was seen, against what the model reads. */
function weigh(model: DogModel, reads: Float64Array): number {
  const { kind, low, high, sd, lapse, anyway } = model.log.likes;
  let total = 0;
  // Products are cheaper than sums of logarithms; none gets small enough to vanish in sixteen.
  let grades = 1;
  let weights = 1;
  for (let k = 0; k < model.sightings; k++) {
    const s = sd[k] ?? 1;
    const x = reads[k] ?? 0;
    if (kind[k] === GRADE)
      grades *=
        (anyway[k] ?? 0) +
        (1 - (lapse[k] ?? 0)) * (nearShare(((high[k] ?? 0) - x) / s) - nearShare(((low[k] ?? 0) - x) / s));
    else {
      const r = (low[k]! - x) / s;
      if (lapse[k] === 0 || Math.abs(r) < SLIP_BEYOND) weights *= 1 + (r * r) / NU;
      else {
        const away = Math.LN10 / s;
        total += Math.log(student(r) + lapse[k]! * (student(r - away) + student(r + away)));
      }
    }
    if ((k & 15) === 15) {
      total += Math.log(grades) - ((NU + 1) / 2) * Math.log(weights);
      grades = weights = 1;
    }
  }
  return total + Math.log(grades) - ((NU + 1) / 2) * Math.log(weights);
}

/** Slope and curvature (never below 0) of each sighting's log likelihood by what the model reads. */
function slopesOf(model: DogModel, reads: Float64Array, slope: Float64Array, bend: Float64Array): void {
  const { kind, low, high, sd, lapse, anyway } = model.log.likes;
  for (let k = 0; k < model.sightings; k++) {
    const s = sd[k] ?? 1;
    const x = reads[k] ?? 0;
    if (kind[k] === GRADE) {
      const b = ((high[k] ?? 0) - x) / s;
      const a = ((low[k] ?? 0) - x) / s;
      const heeds = 1 - (lapse[k] ?? 0);
      const p = (anyway[k] ?? 0) + heeds * Math.max(0, normalShare(b) - normalShare(a));
      const [db, bdb] = Math.abs(b) < 40 ? [normalDensity(b), b * normalDensity(b)] : [0, 0];
      const [da, ada] = Math.abs(a) < 40 ? [normalDensity(a), a * normalDensity(a)] : [0, 0];
      const first = (heeds * (da - db)) / (s * p);
      slope[k] = first;
      bend[k] = Math.max(0, first * first - (heeds * (ada - bdb)) / (s * s * p));
    } else {
      [slope[k], bend[k]] = [0, 0];
      const r = (low[k]! - x) / s;
      const slips = lapse[k]! > 0 && Math.abs(r) >= SLIP_BEYOND;
      const ways = slips ? [0, Math.LN10 / s, -Math.LN10 / s] : [0];
      // Each reading of the weight counts as far as it is likely.
      const chances = ways.map((w) => (w === 0 ? 1 : lapse[k]!) * student(r - w));
      const all = sum(chances);
      for (const [i, w] of ways.entries()) {
        const q = NU * s * s + ((r - w) * s) ** 2;
        const share = chances[i]! / all;
        slope[k]! += (share * (NU + 1) * (r - w) * s) / q;
        bend[k]! += (share * (NU + 1)) / q;
      }
    }
  }
}

/** The whitening of a dog's parameters: θ = mean + scale · z, the starts by a factor of their covariance. */
class Whitened {
  readonly size: number;
  private readonly g = GLOBALS.length;
  private readonly n: number;
  private readonly factor: Float64Array;
  private readonly z: Float64Array;
  private readonly starts: Float64Array;
  constructor(
    private readonly model: DogModel,
    private readonly prior: StartPrior,
  ) {
    this.size = model.size;
    this.n = model.sheds.length;
    this.factor = cholesky(prior.cov, this.n);
    this.z = new Float64Array(this.n);
    this.starts = new Float64Array(this.n);
  }
  theta(z: Float64Array, out: Float64Array, from = 0): void {
    const { g, n, size, model, prior } = this;
    for (let i = 0; i < size; i++) out[i] = (model.mean[i] ?? 0) + (model.sd[i] ?? 0) * (z[from + i] ?? 0);
    for (let i = 0; i < n; i++) this.z[i] = z[from + g + i] ?? 0;
    lowerTimes(this.factor, this.z, n, this.starts);
    for (let i = 0; i < n; i++) out[g + i] = (prior.mean[i] ?? 0) + (this.starts[i] ?? 0);
  }
  /** Slopes by parameter to slopes by whitened parameter, m of each. */
  slopes(byTheta: Float64Array, m: number, out: Float64Array): void {
    const { g, n, size, model, factor } = this;
    for (let i = 0; i < size; i++) {
      const sd = model.sd[i] ?? 0;
      for (let k = 0; k < m; k++) out[i * m + k] = sd * (byTheta[i * m + k] ?? 0);
    }
    for (let j = 0; j < n; j++) {
      const row = (g + j) * m;
      out.fill(0, row, row + m);
      for (let i = j; i < n; i++) {
        const by = factor[i * n + j] ?? 0;
        for (let k = 0; k < m; k++) out[row + k] = (out[row + k] ?? 0) + by * (byTheta[(g + i) * m + k] ?? 0);
      }
    }
  }
  /** The whitened parameters of a set. */
  back(theta: Float64Array): Float64Array {
    const { g, n, size, model, prior } = this;
    const z = new Float64Array(size);
    for (let i = 0; i < size; i++)
      z[i] = i >= g && i < g + n ? 0 : ((theta[i] ?? 0) - (model.mean[i] ?? 0)) / (model.sd[i] ?? 1);
    const starts = Float64Array.from({ length: n }, (_, i) => (theta[g + i] ?? 0) - (prior.mean[i] ?? 0));
    z.set(solveLower(this.factor, starts, n, starts), g);
    return z;
  }
}

/**
 * Gaussian deviates: a pool in which every dog begins at a place of its own, so that what differs between two fits of a dog
 * is never chance, and chance is not the same for two dogs.
 */
const STREAMS = 1 << 18;
const POOL = STREAMS + (1 << 16);
let pool: Float64Array | undefined;
function normals({ size, stream }: DogModel): Float64Array {
  if (!pool) {
    const random = seededRandom(7919);
    pool = Float64Array.from({ length: POOL }, () => randomNormal(random, 0, 1));
  }
  const from = stream % STREAMS;
  const count = ROUNDS * DRAWS * (size + PROPOSAL_FREEDOM);
  if (from + count <= POOL) return pool.subarray(from, from + count);
  // Who lived through very many sheds needs more than lies behind its place: it goes on from the pool's beginning.
  return Float64Array.from({ length: count }, (_, i) => pool![(from + i) % POOL]!);
}

const half = (z: Float64Array): number => {
  let s = 0;
  for (const v of z) s += v * v;
  return 0.5 * s;
};

interface Peak {
  readonly z: Float64Array;
  readonly cost: number;
  /** Precision about it. */
  readonly precision: Float64Array;
}

/** Slopes this much smaller than a parameter's steepest are none: a shed speaks of its own weeks only. */
const NO_SLOPE = 1e-7;

/** I + Jᵀ B J: the posterior's curvature from slopes (a row for each parameter) and the sightings' own. */
function curvature(jacobian: Float64Array, bend: Float64Array, d: number, m: number): Float64Array {
  const rows = new Float64Array(d * m);
  const first = new Int32Array(d);
  const last = new Int32Array(d);
  for (let k = 0; k < m; k++) {
    const root = Math.sqrt(bend[k] ?? 0);
    for (let i = 0; i < d; i++) rows[i * m + k] = root * (jacobian[i * m + k] ?? 0);
  }
  for (let i = 0; i < d; i++) {
    let steepest = 0;
    for (let k = 0; k < m; k++) steepest = Math.max(steepest, Math.abs(rows[i * m + k] ?? 0));
    let [a, b] = [0, m];
    while (a < b && Math.abs(rows[i * m + a] ?? 0) <= NO_SLOPE * steepest) a++;
    while (b > a && Math.abs(rows[i * m + b - 1] ?? 0) <= NO_SLOPE * steepest) b--;
    first[i] = a;
    last[i] = b;
  }
  const precision = new Float64Array(d * d);
  for (let i = 0; i < d; i++) {
    for (let j = 0; j <= i; j++) {
      let s = i === j ? 1 : 0;
      const to = Math.min(last[i] ?? m, last[j] ?? m);
      for (let k = Math.max(first[i] ?? 0, first[j] ?? 0); k < to; k++)
        s += (rows[i * m + k] ?? 0) * (rows[j * m + k] ?? 0);
      precision[i * d + j] = precision[j * d + i] = s;
    }
  }
  return precision;
}

/** The most probable whitened parameters from a start, by Levenberg and Marquardt. */
function climb(model: DogModel, white: Whitened, start: Float64Array, most = MOST_STEPS): Peak {
  const d = model.size;
  const m = model.sightings;
  const theta = new Float64Array(d);
  const reads = new Float64Array(m);
  const moved = new Float64Array(m);
  const byTheta = new Float64Array(d * m);
  const slope = new Float64Array(m);
  const bend = new Float64Array(m);
  const jacobian = new Float64Array(d * m);
  const reader = new LogReader(model);
  const costAt = (z: Float64Array, into: Float64Array): number => {
    white.theta(z, theta);
    reader.read(theta, into);
    return half(z) - weigh(model, into);
  };
  let z: Float64Array = Float64Array.from(start);
  let cost = costAt(z, reads);
  let damp = 1e-2;
  let precision: Float64Array = new Float64Array(d * d);
  for (let step = 0; step < most; step++) {
    slopesOf(model, reads, slope, bend);
    white.theta(z, theta);
    reader.slopes(theta, moved, byTheta);
    white.slopes(byTheta, m, jacobian);
    const gradient = new Float64Array(d);
    for (let i = 0; i < d; i++) {
      let g = z[i] ?? 0;
      for (let k = 0; k < m; k++) g -= (slope[k] ?? 0) * (jacobian[i * m + k] ?? 0);
      gradient[i] = g;
    }
    precision = curvature(jacobian, bend, d, m);
    let gained = 0;
    for (let tries = 0; tries < 8; tries++) {
      const damped = Float64Array.from(precision);
      for (let i = 0; i < d; i++) damped[i * d + i] = (damped[i * d + i] ?? 0) * (1 + damp);
      const factor = cholesky(damped, d);
      const by = solveUpper(factor, solveLower(factor, gradient, d), d);
      const next = z.map((v, i) => v - (by[i] ?? 0));
      const there = costAt(next, moved);
      if (there < cost) {
        gained = cost - there;
        z = next;
        cost = there;
        reads.set(moved);
        damp = Math.max(1e-6, damp * 0.3);
        break;
      }
      damp *= 4;
    }
    if (gained < 1e-3) break;
  }
  return { z, cost, precision };
}

/** Shifts of the newest season's start from which the climb is tried as well: a log often knows two stories. Days. */
const OTHER_STARTS = [-14, 14];

/** Fits one dog. prior: what salon and town say of its starts; near: parameters found under another prior, to start from. */
export function fitDog(model: DogModel, prior: StartPrior, near?: Float64Array): Fit {
  const white = new Whitened(model, prior);
  const d = model.size;
  const g = GLOBALS.length;
  const n = model.sheds.length;
  let peak = climb(model, white, near ? white.back(near) : new Float64Array(d));
  if (model.sightings > 0 && !near) {
    for (const shift of OTHER_STARTS) {
      const z = new Float64Array(d);
      for (let i = 0; i < n; i++) {
        const spread = Math.sqrt(prior.cov[i * n + i] ?? 1);
        z[g + i] = shift / spread;
      }
      // A few steps show whether another story is worth following to its end.
      const rough = climb(model, white, z, FIRST_STEPS);
      if (rough.cost > peak.cost + WORTH_FOLLOWING) continue;
      const other = climb(model, white, rough.z);
      if (other.cost < peak.cost - 1e-2) peak = other;
    }
  }
  const likeliest = new Float64Array(d);
  white.theta(peak.z, likeliest);
  const { precision } = peak;
  const laplace = inverse(precision, d);

  const total = ROUNDS * DRAWS;
  const zs = new Float64Array(total * d);
  const logs = new Float64Array(total);
  let centre: Float64Array = peak.z;
  let covFactor = cholesky(
    laplace.map((v) => v * PROPOSAL_WIDER),
    d,
  );
  const weights = new Float64Array(total);
  const effectiveBy: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    drawRound({ model, white, centre, covFactor, round, at: round * DRAWS }, zs, logs);
    effectiveBy.push(normalise(logs, weights, round * DRAWS, DRAWS));
    if (round + 1 < ROUNDS && (effectiveBy[round] ?? 0) >= LEAST_EFFECTIVE)
      ({ centre, covFactor } = proposalFrom(
        momentsOf(zs, weights, d, round * DRAWS, DRAWS),
        laplace,
        effectiveBy[round] ?? 0,
      ));
  }
  const worth = shareByWorth(
    weights,
    effectiveBy,
    effectiveBy.map(() => DRAWS),
  );
  const sampled = worth >= LEAST_EFFECTIVE * ROUNDS;
  if (!sampled) {
    // Few draws carry the weight: keep to Laplace, half as wide again, and say so.
    const wide = cholesky(
      laplace.map((v) => v * 1.5 ** 2),
      d,
    );
    const chance = normals(model);
    const x = new Float64Array(d);
    for (let r = 0; r < total; r++) {
      const c = r * (d + PROPOSAL_FREEDOM);
      lowerTimes(wide, chance.subarray(c, c + d), d, x);
      for (let i = 0; i < d; i++) zs[r * d + i] = (peak.z[i] ?? 0) + (x[i] ?? 0);
      weights[r] = 1 / total;
    }
  }
  const draws = new Float64Array(total * d);
  const theta = new Float64Array(d);
  for (let r = 0; r < total; r++) {
    white.theta(zs, theta, r * d);
    draws.set(theta, r * d);
  }
  return {
    model,
    prior,
    draws,
    weights,
    count: total,
    effective: sampled ? worth : total,
    sampled,
    likeliest,
    told: toldOf(laplace, d),
    precision,
  };
}

const toldOf = (laplace: Float64Array, d: number): Float64Array =>
  Float64Array.from({ length: d }, (_, i) => Math.sqrt(laplace[i * d + i] ?? 0));

interface Round {
  readonly model: DogModel;
  readonly white: Whitened;
  readonly centre: Float64Array;
  readonly covFactor: Float64Array;
  /** Which of the sets of deviates is used. */
  readonly round: number;
  /** Place of its first draw. */
  readonly at: number;
}

/** Draws of a Student distribution in whitened parameters, and the logarithm of what each should weigh. */
function drawRound({ model, white, centre, covFactor, round, at }: Round, zs: Float64Array, logs: Float64Array): void {
  const d = model.size;
  const chance = normals(model);
  const theta = new Float64Array(d);
  const reads = new Float64Array(model.sightings);
  const reader = new LogReader(model);
  const e = new Float64Array(d);
  const x = new Float64Array(d);
  let logDet = 0;
  for (let i = 0; i < d; i++) logDet += Math.log(covFactor[i * d + i] ?? 1);
  for (let r = 0; r < DRAWS; r++) {
    const c = (round * DRAWS + r) * (d + PROPOSAL_FREEDOM);
    let chi = 0;
    for (let i = 0; i < PROPOSAL_FREEDOM; i++) chi += (chance[c + d + i] ?? 0) ** 2;
    const stretch = Math.sqrt(PROPOSAL_FREEDOM / chi);
    let square = 0;
    for (let i = 0; i < d; i++) {
      const v = (chance[c + i] ?? 0) * stretch;
      e[i] = v;
      square += v * v;
    }
    lowerTimes(covFactor, e, d, x);
    let prior2 = 0;
    const place = (at + r) * d;
    for (let i = 0; i < d; i++) {
      const z = (centre[i] ?? 0) + (x[i] ?? 0);
      zs[place + i] = z;
      prior2 += z * z;
    }
    white.theta(zs, theta, place);
    reader.read(theta, reads);
    const target = -0.5 * prior2 + weigh(model, reads);
    const proposal = -logDet - ((PROPOSAL_FREEDOM + d) / 2) * Math.log(1 + square / PROPOSAL_FREEDOM);
    logs[at + r] = Number.isFinite(target) ? target - proposal : -Infinity;
  }
}

/** Where to draw next: moments of few draws are rough, so they are mixed with Laplace's. */
function proposalFrom(
  { mean, cov }: { readonly mean: Float64Array; readonly cov: Float64Array },
  laplace: Float64Array,
  effective: number,
): { readonly centre: Float64Array; readonly covFactor: Float64Array } {
  const d = mean.length;
  const trust = effective / (effective + 2 * d);
  const mixed = cov.map((v, i) => (trust * v + (1 - trust) * (laplace[i] ?? 0)) * PROPOSAL_WIDER);
  return { centre: mean, covFactor: cholesky(mixed, d) };
}

/** Rounds of draws, each with weights that add up to 1, as one: each counts by what it is worth. Returns the sum of that. */
function shareByWorth(weights: Float64Array, effectiveBy: readonly number[], draws: readonly number[]): number {
  const worth = effectiveBy.reduce((a, b) => a + b, 0);
  let at = 0;
  for (const [round, effective] of effectiveBy.entries())
    for (let r = 0; r < (draws[round] ?? 0); r++, at++) weights[at] = ((weights[at] ?? 0) * effective) / worth;
  return worth;
}

/** Weights from their logarithms within a stretch, cut at mean · √n; returns what the draws are worth. */
function normalise(logs: Float64Array, weights: Float64Array, from: number, count: number): number {
  let top = -Infinity;
  for (let i = from; i < from + count; i++) top = Math.max(top, logs[i] ?? -Infinity);
  let total = 0;
  for (let i = from; i < from + count; i++) {
    const w = Math.exp((logs[i] ?? -Infinity) - top);
    weights[i] = w;
    total += w;
  }
  const most = (total / count) * Math.sqrt(count);
  let cut = 0;
  for (let i = from; i < from + count; i++) {
    const w = Math.min(most, weights[i] ?? 0);
    weights[i] = w;
    cut += w;
  }
  let squares = 0;
  for (let i = from; i < from + count; i++) {
    const w = (weights[i] ?? 0) / cut;
    weights[i] = w;
    squares += w * w;
  }
  return 1 / squares;
}

/** Draws that weigh less say nothing about a spread. */
const NO_WEIGHT = 1e-8;

/** Mean and covariance of weighted rows. */
export function momentsOf(
  rows: Float64Array,
  weights: Float64Array,
  d: number,
  from: number,
  count: number,
): { readonly mean: Float64Array; readonly cov: Float64Array } {
  const mean = new Float64Array(d);
  for (let r = from; r < from + count; r++) {
    const w = weights[r] ?? 0;
    for (let i = 0; i < d; i++) mean[i] = (mean[i] ?? 0) + w * (rows[r * d + i] ?? 0);
  }
  const cov = new Float64Array(d * d);
  for (let r = from; r < from + count; r++) {
    const w = weights[r] ?? 0;
    if (w < NO_WEIGHT) continue;
    for (let i = 0; i < d; i++) {
      const a = w * ((rows[r * d + i] ?? 0) - (mean[i] ?? 0));
      for (let j = 0; j <= i; j++)
        cov[i * d + j] = (cov[i * d + j] ?? 0) + a * ((rows[r * d + j] ?? 0) - (mean[j] ?? 0));
    }
  }
  for (let i = 0; i < d; i++) for (let j = 0; j < i; j++) cov[j * d + i] = cov[i * d + j] ?? 0;
  return { mean, cov };
}

/** The starts of a fit: mean and covariance of its draws. */
export function startMoments(fit: Fit): { readonly mean: Float64Array; readonly cov: Float64Array } {
  const n = fit.model.sheds.length;
  const rows = new Float64Array(fit.count * n);
  for (let r = 0; r < fit.count; r++)
    for (let i = 0; i < n; i++) rows[r * n + i] = fit.draws[r * fit.model.size + GLOBALS.length + i] ?? 0;
  return momentsOf(rows, fit.weights, n, 0, fit.count);
}

/** What the log tells of the starts, by Laplace: their covariance in units of the prior's Cholesky factor. */
export function startsTold({ model, precision }: Fit): Float64Array {
  const n = model.sheds.length;
  const g = GLOBALS.length;
  const all = inverse(precision, model.size);
  const told = new Float64Array(n * n);
  for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) told[i * n + j] = all[(g + i) * model.size + g + j] ?? 0;
  return told;
}

/** Draws that a fit weighed again must still be worth. */
const ENOUGH_EFFECTIVE = 120;

/** A fit's draws under another prior of its starts: their weights, and what they are worth. */
function weighAnew(fit: Fit, prior: StartPrior): { readonly weights: Float64Array; readonly effective: number } {
  const n = fit.model.sheds.length;
  const d = fit.model.size;
  const [was, is] = [cholesky(fit.prior.cov, n), cholesky(prior.cov, n)];
  const v = new Float64Array(n);
  const density = (factor: Float64Array, mean: Float64Array, at: number): number => {
    for (let i = 0; i < n; i++) v[i] = (fit.draws[at + GLOBALS.length + i] ?? 0) - (mean[i] ?? 0);
    solveLower(factor, v, n, v);
    return -half(v);
  };
  const logs = new Float64Array(fit.count);
  for (let r = 0; r < fit.count; r++)
    logs[r] = Math.log(fit.weights[r] ?? 0) + density(is, prior.mean, r * d) - density(was, fit.prior.mean, r * d);
  const weights = new Float64Array(fit.count);
  const effective = normalise(logs, weights, 0, fit.count);
  return { weights, effective };
}

/** The same fit under another prior of its starts, by weighing its draws again; undefined where too few would count. */
export function reweigh(fit: Fit, prior: StartPrior): Fit | undefined {
  const { weights, effective } = weighAnew(fit, prior);
  return effective >= ENOUGH_EFFECTIVE ? { ...fit, prior, weights, effective } : undefined;
}

/**
 * A sampled fit under another prior of its starts: its draws weighed again say where to draw a round more, and both count.
 * Undefined where too few of them would count to say that.
 */
export function redraw(fit: Fit, prior: StartPrior): Fit | undefined {
  const { model } = fit;
  const d = model.size;
  const known = weighAnew(fit, prior);
  if (!fit.sampled || known.effective < LEAST_EFFECTIVE) return undefined;
  const white = new Whitened(model, prior);
  const precision = rewhitened(fit, prior);
  const laplace = inverse(precision, d);
  const total = fit.count + DRAWS;
  const zs = new Float64Array(total * d);
  // Draws without weight shape nothing.
  for (let r = 0; r < fit.count; r++)
    if ((known.weights[r] ?? 0) >= NO_WEIGHT) zs.set(white.back(fit.draws.subarray(r * d, (r + 1) * d)), r * d);
  const logs = new Float64Array(total);
  const weights = new Float64Array(total);
  weights.set(known.weights);
  const next = proposalFrom(momentsOf(zs, known.weights, d, 0, fit.count), laplace, known.effective);
  drawRound({ model, white, ...next, round: ROUNDS - 1, at: fit.count }, zs, logs);
  const effectiveBy = [known.effective, normalise(logs, weights, fit.count, DRAWS)];
  const worth = shareByWorth(weights, effectiveBy, [fit.count, DRAWS]);
  if (worth < LEAST_EFFECTIVE * ROUNDS) return undefined;
  const draws = new Float64Array(total * d);
  draws.set(fit.draws);
  const theta = new Float64Array(d);
  for (let r = fit.count; r < total; r++) {
    white.theta(zs, theta, r * d);
    draws.set(theta, r * d);
  }
  return { ...fit, prior, draws, weights, count: total, effective: worth, told: toldOf(laplace, d), precision };
}

/** A fit's Laplace precision in parameters whitened by another prior of its starts: the log's curvature is the same. */
function rewhitened({ model, prior: was, precision }: Fit, is: StartPrior): Float64Array {
  const d = model.size;
  const g = GLOBALS.length;
  const n = model.sheds.length;
  // z of old = T · z of new, and T differs from the identity in the starts only.
  const [oldFactor, newFactor] = [inverseLower(cholesky(was.cov, n), n), lowerOnly(cholesky(is.cov, n), n)];
  const starts = product(oldFactor, newFactor, n);
  const t = new Float64Array(d * d);
  for (let i = 0; i < d; i++) t[i * d + i] = 1;
  for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) t[(g + i) * d + g + j] = starts[i * n + j] ?? 0;
  const curvature = Float64Array.from(precision);
  for (let i = 0; i < d; i++) curvature[i * d + i] = (curvature[i * d + i] ?? 0) - 1;
  const moved = product(product(transpose(t, d), curvature, d), t, d);
  for (let i = 0; i < d; i++) moved[i * d + i] = (moved[i * d + i] ?? 0) + 1;
  return moved;
}
