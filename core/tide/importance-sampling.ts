/**
 * Draws from a dog's posterior: from a multivariate Student distribution, weighed against the true posterior. Weights are cut
 * at their mean times the root of their number (Ionides 2008, from memory).
 */
import { cholesky, lowerTimes, randomNormal, seededRandom, sum } from '../quantity/index.ts';
import type { DogModel } from './dog-model.ts';
import { logLikelihood } from './likelihood.ts';
import { LogReader } from './log-reader.ts';
import type { Whitened } from './whitening.ts';

/**
 * Draws of each round, about what the one before has found: the first says where to look, the last what is there. Guess, held
 * by the study: more narrow no band by a day.
 */
export const ROUND_DRAWS = [350, 400] as const;
export const ROUNDS = ROUND_DRAWS.length;
export const LAST_ROUND_DRAWS = ROUND_DRAWS[1];
export const ALL_DRAWS = sum(ROUND_DRAWS);
/** Freedom of the proposal: heavy enough tails to cover what Laplace does not see. Guess. */
export const PROPOSAL_FREEDOM = 10;
/** Variance of the proposal against Laplace's. Guess. */
export const PROPOSAL_WIDER = 1.1;

/**
 * Gaussian deviates: a pool in which every dog begins at a place of its own, so that what differs between two fits of a dog
 * is never chance, and chance is not the same for two dogs.
 */
const STREAMS = 1 << 18;
const POOL = STREAMS + (1 << 16);
let pool: Float64Array | undefined;
export function normals({ size, stream }: DogModel): Float64Array {
  if (!pool) {
    const random = seededRandom(7919);
    pool = Float64Array.from({ length: POOL }, () => randomNormal(random, 0, 1));
  }
  const from = stream % STREAMS;
  const count = ALL_DRAWS * (size + PROPOSAL_FREEDOM);
  if (from + count <= POOL) return pool.subarray(from, from + count);
  // Who lived through very many sheds needs more than lies behind its place: it goes on from the pool's beginning.
  return Float64Array.from({ length: count }, (_, i) => pool![(from + i) % POOL]!);
}

interface Round {
  readonly model: DogModel;
  readonly white: Whitened;
  readonly centre: Float64Array;
  readonly covFactor: Float64Array;
  /** Place of its first draw, how many it has, and the first of the deviates that are used. */
  readonly at: number;
  readonly count: number;
  readonly chanceAt: number;
}

/** Draws of a Student distribution in whitened parameters, and the logarithm of what each should weigh. */
export function drawRound(
  { model, white, centre, covFactor, at, count, chanceAt }: Round,
  zs: Float64Array,
  logs: Float64Array,
): void {
  const d = model.size;
  const chance = normals(model);
  const theta = new Float64Array(d);
  const reads = new Float64Array(model.sightings);
  const reader = new LogReader(model);
  const e = new Float64Array(d);
  const x = new Float64Array(d);
  let logDet = 0;
  for (let i = 0; i < d; i++) logDet += Math.log(covFactor[i * d + i] ?? 1);
  for (let r = 0; r < count; r++) {
    const c = (chanceAt + r) * (d + PROPOSAL_FREEDOM);
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
    const target = -0.5 * prior2 + logLikelihood(model, reads);
    const proposal = -logDet - ((PROPOSAL_FREEDOM + d) / 2) * Math.log(1 + square / PROPOSAL_FREEDOM);
    logs[at + r] = Number.isFinite(target) ? target - proposal : -Infinity;
  }
}

/** Where to draw next: moments of few draws are rough, so they are mixed with Laplace's. */
export function proposalFrom(
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
export function shareByWorth(weights: Float64Array, effectiveBy: readonly number[], draws: readonly number[]): number {
  const worth = effectiveBy.reduce((a, b) => a + b, 0);
  let at = 0;
  for (const [round, effective] of effectiveBy.entries())
    for (let r = 0; r < (draws[round] ?? 0); r++, at++) weights[at] = ((weights[at] ?? 0) * effective) / worth;
  return worth;
}

/** Weights from their logarithms within a stretch, cut at mean · √n; returns what the draws are worth. */
export function normalise(logs: Float64Array, weights: Float64Array, from: number, count: number): number {
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
export const NO_WEIGHT = 1e-8;

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
