/**
 * Decides what a dog's log says of its coat: draws from the posterior of its parameters.
 *
 * The parameters are whitened by their Gaussian prior. The most probable set is found by Levenberg and Marquardt's method;
 * its Laplace covariance shapes a multivariate Student distribution, from which draws are taken and weighed against the
 * true posterior (importance sampling), twice: the second time about the moments that the first found. Weights are cut
 * at their mean times the root of their number (Ionides 2008). Where few draws carry all the weight, the fit says so and
 * keeps to a widened Laplace. Methods from memory; checked by simulation (npm run study -- tide).
 */
import {
  cholesky,
  inverseLower,
  lowerTimes,
  normalDensity,
  normalShare,
  randomNormal,
  solveLower,
  seededRandom,
  solveUpper,
  transposeTimes,
} from '../quantity/index.ts';
import { GLOBALS, GRADE, type DogModel } from './dog-model.ts';
import { LAPSE, WEIGHT_FREEDOM } from './sightings.ts';

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
  /** What the log tells of the starts, by Laplace: their covariance in units of the prior's Cholesky factor. */
  readonly startsTold: Float64Array;
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

/** Log likelihood of what was seen, against what the model reads. */
function weigh(model: DogModel, reads: Float64Array): number {
  const { kind, low, high, sd } = model.likes;
  let total = 0;
  // Products are cheaper than sums of logarithms; none gets small enough to vanish in sixteen.
  let grades = 1;
  let weights = 1;
  for (let k = 0; k < model.sightings; k++) {
    const s = sd[k] ?? 1;
    const x = reads[k] ?? 0;
    if (kind[k] === GRADE)
      grades *= LAPSE * 0.2 + (1 - LAPSE) * (nearShare(((high[k] ?? 0) - x) / s) - nearShare(((low[k] ?? 0) - x) / s));
    else {
      const r = ((low[k] ?? 0) - x) / s;
      weights *= 1 + (r * r) / NU;
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
  const { kind, low, high, sd } = model.likes;
  for (let k = 0; k < model.sightings; k++) {
    const s = sd[k] ?? 1;
    const x = reads[k] ?? 0;
    if (kind[k] === GRADE) {
      const b = ((high[k] ?? 0) - x) / s;
      const a = ((low[k] ?? 0) - x) / s;
      const p = LAPSE * 0.2 + (1 - LAPSE) * Math.max(0, normalShare(b) - normalShare(a));
      const [db, bdb] = Math.abs(b) < 40 ? [normalDensity(b), b * normalDensity(b)] : [0, 0];
      const [da, ada] = Math.abs(a) < 40 ? [normalDensity(a), a * normalDensity(a)] : [0, 0];
      const first = ((1 - LAPSE) * (da - db)) / (s * p);
      slope[k] = first;
      bend[k] = Math.max(0, first * first - ((1 - LAPSE) * (ada - bdb)) / (s * s * p));
    } else {
      const r = (low[k] ?? 0) - x;
      const q = NU * s * s + r * r;
      slope[k] = ((NU + 1) * r) / q;
      bend[k] = (NU + 1) / q;
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

/** Gaussian deviates, the same for every fit of a size: what differs between two fits is then never chance. */
const NORMALS = new Map<number, Float64Array>();
function normals(size: number): Float64Array {
  const known = NORMALS.get(size);
  if (known) return known;
  const random = seededRandom(7919 + size);
  const made = Float64Array.from({ length: ROUNDS * DRAWS * (size + PROPOSAL_FREEDOM) }, () =>
    randomNormal(random, 0, 1),
  );
  if (NORMALS.size > 40) NORMALS.clear();
  NORMALS.set(size, made);
  return made;
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
  const costAt = (z: Float64Array, into: Float64Array): number => {
    white.theta(z, theta);
    model.read(theta, into);
    return half(z) - weigh(model, into);
  };
  let z: Float64Array = Float64Array.from(start);
  let cost = costAt(z, reads);
  let damp = 1e-2;
  let precision: Float64Array = new Float64Array(d * d);
  for (let step = 0; step < most; step++) {
    slopesOf(model, reads, slope, bend);
    white.theta(z, theta);
    model.slopes(theta, moved, byTheta);
    white.slopes(byTheta, m, jacobian);
    const gradient = new Float64Array(d);
    precision = new Float64Array(d * d);
    for (let i = 0; i < d; i++) {
      let g = z[i] ?? 0;
      for (let k = 0; k < m; k++) g -= (slope[k] ?? 0) * (jacobian[i * m + k] ?? 0);
      gradient[i] = g;
      for (let j = 0; j <= i; j++) {
        let s = i === j ? 1 : 0;
        for (let k = 0; k < m; k++) s += (bend[k] ?? 0) * (jacobian[i * m + k] ?? 0) * (jacobian[j * m + k] ?? 0);
        precision[i * d + j] = precision[j * d + i] = s;
      }
    }
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
  const inverseFactor = inverseLower(cholesky(peak.precision, d), d);
  // Σ = (L Lᵀ)⁻¹ = M ᵀ M with M = L⁻¹; told = root of its diagonal.
  const told = new Float64Array(d);
  for (let i = 0; i < d; i++) {
    let s = 0;
    for (let k = i; k < d; k++) s += (inverseFactor[k * d + i] ?? 0) ** 2;
    told[i] = Math.sqrt(s);
  }
  const startsTold = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < n; j++) {
      let s = 0;
      for (let k = g + Math.max(i, j); k < d; k++)
        s += (inverseFactor[k * d + g + i] ?? 0) * (inverseFactor[k * d + g + j] ?? 0);
      startsTold[i * n + j] = s;
    }
  }
  const likeliest = new Float64Array(d);
  white.theta(peak.z, likeliest);

  const chance = normals(d);
  const total = ROUNDS * DRAWS;
  const zs = new Float64Array(total * d);
  const logs = new Float64Array(total);
  const theta = new Float64Array(d);
  const reads = new Float64Array(model.sightings);
  const e = new Float64Array(d);
  const x = new Float64Array(d);
  let centre: Float64Array = peak.z;
  let covFactor: Float64Array = laplaceFactor(inverseFactor, d, PROPOSAL_WIDER);
  const weights = new Float64Array(total);
  const effectiveBy: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    let logDet = 0;
    for (let i = 0; i < d; i++) logDet += Math.log(covFactor[i * d + i] ?? 1);
    for (let r = 0; r < DRAWS; r++) {
      const at = round * DRAWS + r;
      const c = at * (d + PROPOSAL_FREEDOM);
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
      for (let i = 0; i < d; i++) {
        const z = (centre[i] ?? 0) + (x[i] ?? 0);
        zs[at * d + i] = z;
        prior2 += z * z;
      }
      white.theta(zs, theta, at * d);
      model.read(theta, reads);
      const target = -0.5 * prior2 + weigh(model, reads);
      const proposal = -logDet - ((PROPOSAL_FREEDOM + d) / 2) * Math.log(1 + square / PROPOSAL_FREEDOM);
      logs[at] = Number.isFinite(target) ? target - proposal : -Infinity;
    }
    effectiveBy.push(normalise(logs, weights, round * DRAWS, DRAWS));
    if (round + 1 < ROUNDS && (effectiveBy[round] ?? 0) >= LEAST_EFFECTIVE) {
      const moments = momentsOf(zs, weights, d, 0, DRAWS);
      centre = moments.mean;
      // Moments of few draws are rough: they are mixed with Laplace's.
      const trust = (effectiveBy[round] ?? 0) / ((effectiveBy[round] ?? 0) + 2 * d);
      const mixed = new Float64Array(d * d);
      const laplace = transposeTimes(inverseFactor, d);
      for (let i = 0; i < d * d; i++)
        mixed[i] = (trust * (moments.cov[i] ?? 0) + (1 - trust) * (laplace[i] ?? 0)) * PROPOSAL_WIDER;
      covFactor = cholesky(mixed, d);
    }
  }
  // Each round counts by what it is worth.
  const worth = effectiveBy.reduce((a, b) => a + b, 0);
  for (let i = 0; i < total; i++) weights[i] = (weights[i] ?? 0) * ((effectiveBy[Math.floor(i / DRAWS)] ?? 0) / worth);
  const sampled = worth >= LEAST_EFFECTIVE * ROUNDS;
  if (!sampled) {
    // Few draws carry the weight: keep to Laplace, half as wide again, and say so.
    const wide = laplaceFactor(inverseFactor, d, 1.5 ** 2);
    for (let r = 0; r < total; r++) {
      for (let i = 0; i < d; i++) e[i] = chance[r * (d + PROPOSAL_FREEDOM) + i] ?? 0;
      lowerTimes(wide, e, d, x);
      for (let i = 0; i < d; i++) zs[r * d + i] = (peak.z[i] ?? 0) + (x[i] ?? 0);
      weights[r] = 1 / total;
    }
  }
  const draws = new Float64Array(total * d);
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
    told,
    startsTold,
  };
}

const laplaceFactor = (m: Float64Array, d: number, wider: number): Float64Array =>
  cholesky(
    transposeTimes(m, d).map((v) => v * wider),
    d,
  );

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
    if (w === 0) continue;
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

/** The same fit under another prior of its starts, by weighing its draws anew; undefined where too few would count. */
export function reweigh(fit: Fit, prior: StartPrior): Fit | undefined {
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
  return effective >= 120 ? { ...fit, prior, weights, effective } : undefined;
}
