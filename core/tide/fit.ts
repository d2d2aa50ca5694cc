/**
 * What a dog's log says of its coat: draws from the posterior of its parameters.
 *
 * The parameters are whitened by their Gaussian prior. The most probable set is found by Levenberg and Marquardt's method;
 * its Laplace covariance shapes a multivariate Student distribution, from which draws are taken and weighed against the
 * true posterior (importance sampling), twice: the second time about the moments that the first found. Weights are cut
 * at their mean times the root of their number (Ionides 2008). Where few draws carry all the weight, the fit says so and
 * keeps to a widened Laplace. Methods from memory; checked by simulation (npm run study -- tide).
 */
import { cholesky, inverse, lowerTimes } from '../quantity/index.ts';
import { GLOBALS, type DogModel } from './dog-model.ts';
import {
  ALL_DRAWS,
  drawRound,
  momentsOf,
  normalise,
  normals,
  PROPOSAL_FREEDOM,
  PROPOSAL_WIDER,
  proposalFrom,
  ROUND_DRAWS,
  ROUNDS,
  shareByWorth,
} from './importance-sampling.ts';
import { climb } from './posterior-mode.ts';
import { Whitened, type StartPrior } from './whitening.ts';

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

/** Draws of a round that are worth fewer than so many shape nothing, and a fit of no more is none. Guess. */
export const LEAST_EFFECTIVE = 25;
/** Steps that show whether another story is worth following, and how near it must come by then, as log probability. Guess. */
const FIRST_STEPS = 5;
const WORTH_FOLLOWING = 1.5;
/** A climb that has come this near to the first one's peak, in whitened parameters, tells the same story. Guess. */
const SAME_STORY = 0.3;

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
      for (let i = 0; i < n; i++) z[g + i] = shift / Math.sqrt(prior.cov[i * n + i] ?? 1);
      // A few steps show whether another story is worth following to its end.
      const rough = climb(model, white, z, FIRST_STEPS);
      if (rough.cost > peak.cost + WORTH_FOLLOWING || distance(rough.z, peak.z) < SAME_STORY) continue;
      const other = climb(model, white, rough.z);
      if (other.cost < peak.cost - 1e-2) peak = other;
    }
  }
  const likeliest = new Float64Array(d);
  white.theta(peak.z, likeliest);
  const { precision } = peak;
  const laplace = inverse(precision, d);

  const total = ALL_DRAWS;
  const zs = new Float64Array(total * d);
  const logs = new Float64Array(total);
  let centre: Float64Array = peak.z;
  let covFactor = cholesky(
    laplace.map((v) => v * PROPOSAL_WIDER),
    d,
  );
  const weights = new Float64Array(total);
  const effectiveBy: number[] = [];
  let at = 0;
  for (const count of ROUND_DRAWS) {
    drawRound({ model, white, centre, covFactor, at, count, chanceAt: at }, zs, logs);
    const effective = normalise(logs, weights, at, count);
    effectiveBy.push(effective);
    if (at + count < total && effective >= LEAST_EFFECTIVE)
      ({ centre, covFactor } = proposalFrom(momentsOf(zs, weights, d, at, count), laplace, effective));
    at += count;
  }
  const worth = shareByWorth(weights, effectiveBy, ROUND_DRAWS);
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

const distance = (a: Float64Array, b: Float64Array): number => Math.hypot(...a.map((v, i) => v - (b[i] ?? 0)));

/** Spreads of whitened parameters: the diagonal of a covariance. */
export const toldOf = (laplace: Float64Array, d: number): Float64Array =>
  Float64Array.from({ length: d }, (_, i) => Math.sqrt(laplace[i * d + i] ?? 0));
