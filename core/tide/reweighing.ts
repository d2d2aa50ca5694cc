/** A fit under another prior of its starts: its draws weighed again, or a round more drawn to them. */
import { cholesky, inverse, inverseLower, lowerOnly, product, solveLower, transpose } from '../quantity/index.ts';
import { GLOBALS } from './dog-model.ts';
import { LEAST_EFFECTIVE, toldOf, type Fit } from './fit.ts';
import {
  ALL_DRAWS,
  drawRound,
  LAST_ROUND_DRAWS,
  momentsOf,
  NO_WEIGHT,
  normalise,
  proposalFrom,
  ROUNDS,
  shareByWorth,
} from './importance-sampling.ts';
import { half, Whitened, type StartPrior } from './whitening.ts';

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

/** Draws that a fit weighed again must still be worth, else it is drawn again. Guess: bands of fewer shake by days. */
const ENOUGH_EFFECTIVE = 120;

/** A fit's draws under another prior of its starts: their weights, and what they are worth. */
function weighedAgain(fit: Fit, prior: StartPrior): { readonly weights: Float64Array; readonly effective: number } {
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
  const { weights, effective } = weighedAgain(fit, prior);
  return effective >= ENOUGH_EFFECTIVE ? { ...fit, prior, weights, effective } : undefined;
}

/**
 * A sampled fit under another prior of its starts: its draws weighed again say where to draw a round more, and both count.
 * Undefined where too few of them would count to say that.
 */
export function redraw(fit: Fit, prior: StartPrior): Fit | undefined {
  const { model } = fit;
  const d = model.size;
  const known = weighedAgain(fit, prior);
  if (!fit.sampled || known.effective < LEAST_EFFECTIVE) return undefined;
  const white = new Whitened(model, prior);
  const precision = rewhitened(fit, prior);
  const laplace = inverse(precision, d);
  const total = fit.count + LAST_ROUND_DRAWS;
  const zs = new Float64Array(total * d);
  // Draws without weight shape nothing.
  for (let r = 0; r < fit.count; r++)
    if ((known.weights[r] ?? 0) >= NO_WEIGHT) zs.set(white.back(fit.draws.subarray(r * d, (r + 1) * d)), r * d);
  const logs = new Float64Array(total);
  const weights = new Float64Array(total);
  weights.set(known.weights);
  const next = proposalFrom(momentsOf(zs, known.weights, d, 0, fit.count), laplace, known.effective);
  const chanceAt = ALL_DRAWS - LAST_ROUND_DRAWS;
  drawRound({ model, white, ...next, at: fit.count, count: LAST_ROUND_DRAWS, chanceAt }, zs, logs);
  const effectiveBy = [known.effective, normalise(logs, weights, fit.count, LAST_ROUND_DRAWS)];
  const worth = shareByWorth(weights, effectiveBy, [fit.count, LAST_ROUND_DRAWS]);
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
