/** The most probable parameters of a dog by Levenberg and Marquardt's method, and the curvature about them. */
import { cholesky, solveLower, solveUpper } from '../quantity/index.ts';
import type { DogModel } from './dog-model.ts';
import { likelihoodSlopes, logLikelihood } from './likelihood.ts';
import { LogReader } from './log-reader.ts';
import { half, type Whitened } from './whitening.ts';

/** The climb ends where a step gains less than a thousandth in log probability, or after so many. Guess. */
const MOST_STEPS = 30;

export interface Peak {
  readonly z: Float64Array;
  readonly cost: number;
  /** Precision about it. */
  readonly precision: Float64Array;
}

/** Slopes this much smaller than a parameter's steepest are none: a shed speaks of its own weeks only. Guess: far below what a step shows. */
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
export function climb(model: DogModel, white: Whitened, start: Float64Array, most = MOST_STEPS): Peak {
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
    return half(z) - logLikelihood(model, into);
  };
  let z: Float64Array = Float64Array.from(start);
  let cost = costAt(z, reads);
  let damp = 1e-2;
  let precision: Float64Array = new Float64Array(d * d);
  for (let step = 0; step < most; step++) {
    likelihoodSlopes(model, reads, slope, bend);
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
