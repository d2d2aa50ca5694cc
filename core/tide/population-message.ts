/**
 * What a dog's log says of its starts to the dogs beside it, and how far this salon's starts stray.
 *
 * A log becomes a Gaussian word about the dog's starts, and with the dog's own habit and rest taken out a message about what
 * all share. Words are made from sampled moments: Laplace's lean to one side in season. The spreads of starts are those
 * that make all words likely together (empirical Bayes over a grid, from memory).
 */
import { cholesky, eigen, inverse, inverseLower, lowerOnly, product, times, transpose } from '../quantity/index.ts';
import type { DogModel } from './dog-model.ts';
import { startMoments, startsTold } from './reweighing.ts';
import { type Fit } from './fit.ts';
import {
  ownCov,
  partsOf,
  plus,
  priorBelief,
  ALONE_SD,
  ONSET_SD,
  type Belief,
  type SharedKeys,
  type OnsetSpread,
  type Warmth,
} from './onset-prior.ts';

/**
 * A direction says nothing where more than this is left of the prior's variance and the fit moved less than so many of its
 * deviations. Guess: chance of the draws alone comes near to that.
 */
const SAID_LESS = 0.9;
const MOVED_LESS = 0.35;
/** What may be left of the prior's variance where a direction speaks: never none or all, or its precision has no end or no sign. */
const LEFT_OF_VARIANCE = { least: 1e-4, most: 0.98 } as const;

/** What a fit says of its starts beyond its prior: precision, and precision · (value − prior mean). */
function ofStarts(fit: Fit): { readonly precision: Float64Array; readonly pull: Float64Array } {
  const n = fit.model.sheds.length;
  const { mean, cov } = startMoments(fit);
  const m = inverseLower(cholesky(fit.prior.cov, n), n);
  const mT = transpose(m, n);
  const moved = times(
    m,
    mean.map((v, i) => v - (fit.prior.mean[i] ?? 0)),
    n,
  );
  // Where the log speaks is Laplace's to say: moments of some hundred draws seem to know of what nobody saw.
  const { values: told, vectors } = eigen(startsTold(fit), n);
  const sampled = product(product(m, cov, n), mT, n);
  const precision = new Float64Array(n * n);
  const pull = new Float64Array(n);
  for (let e = 0; e < n; e++) {
    const along = new Float64Array(n);
    for (let i = 0; i < n; i++) along[i] = vectors[i * n + e] ?? 0;
    let by = 0;
    for (let i = 0; i < n; i++) by += (along[i] ?? 0) * (moved[i] ?? 0);
    if ((told[e] ?? 1) > SAID_LESS && Math.abs(by) < MOVED_LESS) continue;
    let value: number = LEFT_OF_VARIANCE.least;
    for (const [i, v] of times(sampled, along, n).entries()) value += v * (along[i] ?? 0);
    const left = Math.min(value, LEFT_OF_VARIANCE.most);
    // Back out of the whitened space: precision Mᵀ v vᵀ M.
    const back = times(mT, along, n);
    for (let i = 0; i < n; i++) {
      pull[i] = (pull[i] ?? 0) + ((back[i] ?? 0) * by) / left;
      for (let j = 0; j < n; j++)
        precision[i * n + j] = (precision[i * n + j] ?? 0) + (1 / left - 1) * (back[i] ?? 0) * (back[j] ?? 0);
    }
  }
  return { precision, pull };
}

/** What a dog's log says of its starts, in days against their usual ones. */
export interface Word {
  readonly model: DogModel;
  readonly precision: Float64Array;
  readonly pull: Float64Array;
  readonly parts: readonly (readonly (readonly [number, number])[])[];
}

export function wordOf(fit: Fit, shared: SharedKeys, warmth: Warmth): Word {
  const n = fit.model.sheds.length;
  const { precision, pull } = ofStarts(fit);
  const atPrior = times(precision, fit.prior.mean, n);
  return {
    model: fit.model,
    precision,
    pull: pull.map((v, i) => v + (atPrior[i] ?? 0)),
    parts: fit.model.sheds.map((s) => partsOf(s, shared, warmth)),
  };
}

/** A dog's word about what is shared, its own habit and rest being doubt there; and how likely it is on their account. */
export function messageOf(word: Word, c: number, spread: OnsetSpread): Belief & { readonly likely: number } {
  const { model, precision: said, pull: p, parts } = word;
  const n = model.sheds.length;
  // (I + ΛU)⁻¹ by U = L Lᵀ: I − ΛL (I + LᵀΛL)⁻¹ Lᵀ.
  const l = lowerOnly(cholesky(ownCov(model, spread), n), n);
  const lT = transpose(l, n);
  const inner = product(product(lT, said, n), l, n);
  for (let i = 0; i < n; i++) inner[i * n + i] = (inner[i * n + i] ?? 0) + 1;
  const innerInverse = inverse(inner, n);
  const damp = product(product(product(said, l, n), innerInverse, n), lT, n);
  const dampen = (v: Float64Array): Float64Array => {
    const by = times(damp, v, n);
    return v.map((x, i) => x - (by[i] ?? 0));
  };
  const precision = new Float64Array(n * n);
  for (let j = 0; j < n; j++) {
    const column = dampen(Float64Array.from({ length: n }, (_, i) => said[i * n + j] ?? 0));
    for (let i = 0; i < n; i++) precision[i * n + j] = column[i] ?? 0;
  }
  const pull = dampen(p);
  const message = { precision: new Float64Array(c * c), pull: new Float64Array(c) };
  for (const [i, a] of parts.entries()) {
    for (const [k, x] of a) {
      message.pull[k] = (message.pull[k] ?? 0) + x * (pull[i] ?? 0);
      for (const [j, b] of parts.entries())
        for (const [m, y] of b)
          message.precision[k * c + m] = (message.precision[k * c + m] ?? 0) + x * y * (precision[i * n + j] ?? 0);
    }
  }
  // ∫ of the word over what is the dog's own: |I + LᵀΛL|^-½ · exp(½ pᵀ L (I + LᵀΛL)⁻¹ Lᵀ p).
  const lp = times(lT, p, n);
  const likely = 0.5 * dot(lp, times(innerInverse, lp, n)) - 0.5 * logDet(inner, n);
  return { ...message, likely };
}

const dot = (a: Float64Array, b: Float64Array): number => a.reduce((t, v, i) => t + v * (b[i] ?? 0), 0);
function logDet(matrix: Float64Array, n: number): number {
  const factor = cholesky(matrix, n);
  let sum = 0;
  for (let i = 0; i < n; i++) sum += 2 * Math.log(factor[i * n + i] ?? 1);
  return sum;
}

/** What a salon's dogs say together, each with its own habit and rest taken out. */
interface PooledBelief extends Belief {
  readonly likely: number;
}

function together(words: readonly Word[], c: number, spread: OnsetSpread): PooledBelief {
  let likely = 0;
  let all: Belief = { precision: new Float64Array(c * c), pull: new Float64Array(c) };
  for (const word of words) {
    const message = messageOf(word, c, spread);
    likely += message.likely;
    all = plus(all, message);
  }
  return { ...all, likely };
}

/** How likely that is where salon and town stray so far: log evidence, up to what no spread changes. */
function evidence({ likely, ...said }: PooledBelief, shared: SharedKeys, warmth: Warmth, spread: OnsetSpread): number {
  const c = shared.keys.length;
  const prior = priorBelief(shared, warmth, spread);
  const all = plus(prior, said);
  const half = (b: Belief): number => 0.5 * dot(b.pull, times(inverse(b.precision, c), b.pull, c));
  return likely + half(all) - half(prior) - 0.5 * logDet(all.precision, c) + 0.5 * logDet(prior.precision, c);
}

/** Doubt of each spread as a logarithm: what a salon's own seasons have to speak against. Guesses. */
const SPREAD_DOUBT = { rest: 0.35, habit: 0.2, salon: 0.5, town: 0.25 } as const;
/** The spreads that are tried, in doubts from the guess: two either way hold nearly all of it. */
const GRID = [-2, -1.5, -1, -0.5, 0, 0.5, 1, 1.5, 2];

/** The spreads of a salon's starts: each in turn the mean over its guess times how likely it makes the logs. */
export function spreadOf(words: readonly Word[], shared: SharedKeys, warmth: Warmth): OnsetSpread {
  let spread = ONSET_SD;
  if (words.length === 0) return ALONE_SD;
  if (words.length === 1) return spread;
  const c = shared.keys.length;
  for (const part of ['rest', 'habit', 'salon', 'town'] as const) {
    // What dogs say hangs on what is their own; salon and town only change what it is held against.
    const said = part === 'salon' || part === 'town' ? together(words, c, spread) : undefined;
    const tried = GRID.map((g) => {
      const value = ONSET_SD[part] * Math.exp(g * SPREAD_DOUBT[part]);
      const spreads = { ...spread, [part]: value };
      const log = evidence(said ?? together(words, c, spreads), shared, warmth, spreads) - 0.5 * g * g;
      return { value, log };
    });
    const top = Math.max(...tried.map((t) => t.log));
    let [sum, weight] = [0, 0];
    for (const { value, log } of tried) {
      const w = Math.exp(log - top);
      sum += w * value ** 2;
      weight += w;
    }
    spread = { ...spread, [part]: Math.sqrt(sum / weight) };
  }
  return spread;
}
