/**
 * Decides what the dogs of one salon tell each other about when a season starts.
 *
 * Start of a shed = its usual day + the salon's own offset + the year's weather (slope · warmth) + the town's shift of the
 * year + the dog's habit + the rest. What one dog's log says of its starts becomes a Gaussian message about what all share;
 * each dog then starts from what the other dogs said, never from its own word (leave one out). Messages are made from
 * sampled moments: Laplace's lean to one side in season.
 */
import { cholesky, eigen, inverse, inverseLower, lowerOnly, product, times, transpose } from '../quantity/index.ts';
import type { DogModel, Shed } from './dog-model.ts';
import { fitDog, redraw, reweigh, startMoments, startsTold, type Fit, type StartPrior } from './fit.ts';
import type { TideName } from './seasons.ts';

/** Standard deviations of what a start is the sum of, days. */
export interface StartSpread {
  readonly salon: number;
  readonly habit: number;
  readonly town: number;
  readonly rest: number;
}
/** Before a salon's own seasons say otherwise. Guesses. */
export const START_SD: StartSpread = { salon: 16, habit: 12, town: 5.5, rest: 3.5 };
const TIDES_TOGETHER = 0.3;
/** Days a start moves for each degree that the weeks before were warmer than usual. Guess: warm springs come early. */
const WARMTH = { slope: -1.2, sd: 0.9 };
/** Degrees by which one year's weeks before a season differ from another's. Guess: some two degrees at these latitudes. */
const WARMTH_SPREAD = 1.8;
/** Variance of a season's shift that weather does not explain: the whole of it where nobody measured. */
const shiftVariance = (measured: boolean, town: number): number =>
  Math.max(1, town ** 2 - (measured ? (WARMTH.slope ** 2 + WARMTH.sd ** 2) * WARMTH_SPREAD ** 2 : 0));

/** Warmth of the weeks before a season against the usual, degrees C, by season key; absent where nobody measured. */
export type Warmth = Readonly<Record<string, number>>;

/** What all dogs of a salon share: its offsets and slopes by tide, and a shift by season. */
interface SharedKeys {
  readonly keys: readonly string[];
  readonly at: ReadonlyMap<string, number>;
}

const salonKey = (tide: TideName): string => `salon ${tide}`;
const slopeKey = (tide: TideName): string => `slope ${tide}`;

function sharedKeys(models: readonly DogModel[]): SharedKeys {
  const found = new Set<string>();
  for (const { sheds } of models) {
    for (const s of sheds) {
      if (s.tide === 'life') continue;
      found.add(salonKey(s.tide));
      found.add(slopeKey(s.tide));
      found.add(s.key);
    }
  }
  const keys = [...found].sort();
  return { keys, at: new Map(keys.map((k, i) => [k, i])) };
}

/** A Gaussian belief about what is shared, as information: precision and precision · mean. */
interface Belief {
  readonly precision: Float64Array;
  readonly pull: Float64Array;
}

function priorBelief({ keys }: SharedKeys, warmth: Warmth, spread: StartSpread): Belief {
  const c = keys.length;
  const cov = new Float64Array(c * c);
  const mean = new Float64Array(c);
  for (const [i, key] of keys.entries()) {
    const salon = key.startsWith('salon ');
    const slope = key.startsWith('slope ');
    cov[i * c + i] = salon
      ? spread.salon ** 2
      : slope
        ? WARMTH.sd ** 2
        : shiftVariance(warmth[key] !== undefined, spread.town);
    if (slope) mean[i] = WARMTH.slope;
  }
  const precision = inverse(cov, c);
  return { precision, pull: times(precision, mean, c) };
}

/** Which shared things a shed's start is the sum of, and how often. */
function partsOf(shed: Shed, shared: SharedKeys, warmth: Warmth): readonly (readonly [number, number])[] {
  if (shed.tide === 'life') return [];
  const of = (key: string): number => shared.at.get(key) ?? 0;
  return [
    [of(salonKey(shed.tide)), 1],
    [of(shed.key), 1],
    [of(slopeKey(shed.tide)), warmth[shed.key] ?? 0],
  ];
}

/** Covariance of what is a dog's own in its starts: habit and rest, and the doubt of sheds of life. */
function ownCov({ sheds, trust }: DogModel, { habit: sd, rest }: StartSpread): Float64Array {
  const n = sheds.length;
  const cov = new Float64Array(n * n);
  // Where light is a poor clock, a dog's habit is anybody's guess; two months at the equator.
  const habit = (sd + 48 * (1 - trust)) ** 2;
  for (const [i, a] of sheds.entries()) {
    for (const [j, b] of sheds.entries()) {
      if (a.tide === 'life' || b.tide === 'life') cov[i * n + j] = i === j ? a.sdDays ** 2 : 0;
      else cov[i * n + j] = habit * (a.tide === b.tide ? 1 : TIDES_TOGETHER) + (i === j ? rest ** 2 : 0);
    }
  }
  return cov;
}

/** Prior of a dog's starts under a belief about what is shared. */
function startPrior(
  model: DogModel,
  shared: SharedKeys,
  warmth: Warmth,
  belief: Belief,
  spread: StartSpread,
): StartPrior {
  const n = model.sheds.length;
  const c = shared.keys.length;
  const cov = ownCov(model, spread);
  const of = inverse(belief.precision, c);
  const centre = times(of, belief.pull, c);
  const parts = model.sheds.map((s) => partsOf(s, shared, warmth));
  const mean = new Float64Array(n);
  for (const [i, a] of parts.entries()) {
    for (const [k, by] of a) mean[i] = (mean[i] ?? 0) + by * (centre[k] ?? 0);
    for (const [j, b] of parts.entries())
      for (const [k, x] of a)
        for (const [l, y] of b) cov[i * n + j] = (cov[i * n + j] ?? 0) + x * y * (of[k * c + l] ?? 0);
  }
  return { mean, cov };
}

/** A direction in which a fit moved this little from its prior says nothing. */
const SAID_LESS = 0.9;
const MOVED_LESS = 0.35;

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
    let value = 1e-4;
    for (const [i, v] of times(sampled, along, n).entries()) value += v * (along[i] ?? 0);
    const left = Math.min(value, 0.98);
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
interface Word {
  readonly model: DogModel;
  readonly precision: Float64Array;
  readonly pull: Float64Array;
  readonly parts: readonly (readonly (readonly [number, number])[])[];
}

function wordOf(fit: Fit, shared: SharedKeys, warmth: Warmth): Word {
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
function messageOf(word: Word, c: number, spread: StartSpread): Belief & { readonly likely: number } {
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

/** How likely all words together are under a spread: log evidence, up to what no spread changes. */
function evidence(words: readonly Word[], shared: SharedKeys, warmth: Warmth, spread: StartSpread): number {
  const c = shared.keys.length;
  const prior = priorBelief(shared, warmth, spread);
  let likely = 0;
  let all: Belief = prior;
  for (const word of words) {
    const message = messageOf(word, c, spread);
    likely += message.likely;
    all = plus(all, message);
  }
  const half = (b: Belief): number => 0.5 * dot(b.pull, times(inverse(b.precision, c), b.pull, c));
  return likely + half(all) - half(prior) - 0.5 * logDet(all.precision, c) + 0.5 * logDet(prior.precision, c);
}

/** Doubt of each spread as a logarithm: what a salon's own seasons have to speak against. Guesses. */
const SPREAD_DOUBT = { rest: 0.35, habit: 0.2, town: 0.25 } as const;
const GRID = [-2, -1.5, -1, -0.5, 0, 0.5, 1, 1.5, 2];

/** The spreads of a salon's starts: each in turn the mean over its guess times how likely it makes the logs. */
export function spreadOf(words: readonly Word[], shared: SharedKeys, warmth: Warmth): StartSpread {
  let spread = START_SD;
  if (words.length < 2) return spread;
  for (const part of ['rest', 'habit', 'town'] as const) {
    const tried = GRID.map((g) => {
      const value = START_SD[part] * Math.exp(g * SPREAD_DOUBT[part]);
      return { value, log: evidence(words, shared, warmth, { ...spread, [part]: value }) - 0.5 * g * g };
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

const plus = (a: Belief, b: Belief, sign = 1): Belief => ({
  precision: a.precision.map((v, i) => v + sign * (b.precision[i] ?? 0)),
  pull: a.pull.map((v, i) => v + sign * (b.pull[i] ?? 0)),
});

/** What the salon's log says of one season. */
export interface SeasonShift {
  readonly key: string;
  readonly tide: TideName;
  readonly year: number;
  /** Days later (+) or earlier (−) than usual in this town, weather and all, with the standard deviation. */
  readonly days: number;
  readonly sd: number;
}

export interface Town {
  readonly warmth: Warmth;
  /** How far starts here stray, as the salon's own past seasons say. */
  readonly spread: StartSpread;
  readonly shifts: readonly SeasonShift[];
  /** How far this salon's dogs are from the day that light sets, by tide. */
  readonly offsets: readonly { readonly tide: TideName; readonly days: number; readonly sd: number }[];
  /** Prior of a dog's starts: from everyone's word but its own. */
  readonly priorOf: (model: DogModel, own?: Fit) => StartPrior;
  readonly shared: SharedKeys;
}

export interface TownRequest {
  readonly fits: readonly Fit[];
  readonly warmth?: Warmth | undefined;
  /** Seasons of which the dogs tell each other nothing: to measure what telling is worth. */
  readonly mute?: ReadonlySet<string> | undefined;
}

/** What a town knows when nobody has said anything yet. */
export function freshTown(models: readonly DogModel[], warmth: Warmth = {}): Town {
  return townOf(sharedKeys(models), [], warmth, undefined, models);
}

/** A town as it was told: its offsets and shifts with their doubts, taken one by one. */
export function townAsSaid(
  model: DogModel,
  { offsets, shifts, spread }: Pick<Town, 'offsets' | 'shifts' | 'spread'>,
): Town {
  const shared = sharedKeys([model]);
  const prior = priorBelief(shared, {}, spread);
  const c = shared.keys.length;
  const cov = inverse(prior.precision, c);
  const mean = new Float64Array(c);
  const say = (key: string, days: number, sd: number): void => {
    const i = shared.at.get(key);
    if (i === undefined) return;
    for (let j = 0; j < c; j++) cov[i * c + j] = cov[j * c + i] = 0;
    cov[i * c + i] = Math.max(0.01, sd * sd);
    mean[i] = days;
  };
  for (const o of offsets) say(salonKey(o.tide), o.days, o.sd);
  for (const s of shifts) say(s.key, s.days, s.sd);
  const precision = inverse(cov, c);
  const said = { precision, pull: times(precision, mean, c) };
  // The shifts hold the year's warmth already.
  return { warmth: {}, spread, shared, shifts, offsets, priorOf: (m) => startPrior(m, shared, {}, said, spread) };
}

/** What the fits of a salon's dogs say together. */
export function townFrom({ fits, warmth = {}, mute }: TownRequest): Town {
  const models = fits.map((f) => f.model);
  return townOf(sharedKeys(models), fits, warmth, mute, models);
}

function townOf(
  shared: SharedKeys,
  fits: readonly Fit[],
  warmth: Warmth,
  mute: ReadonlySet<string> | undefined,
  models: readonly DogModel[],
): Town {
  const c = shared.keys.length;
  const said = fits.map((f) => wordOf(f, shared, warmth));
  const spread = spreadOf(said, shared, warmth);
  const base = priorBelief(shared, warmth, spread);
  const words = new Map(fits.map((f, i) => [f, said[i] && messageOf(said[i], c, spread)]));
  const all = [...words.values()].reduce((sum: Belief, m) => (m ? plus(sum, m) : sum), base);
  const quiet = (belief: Belief): Belief => (mute ? silenced(belief, shared, mute, warmth, spread) : belief);
  const heard = quiet(all);
  const cov = inverse(heard.precision, c);
  const mean = times(cov, heard.pull, c);
  const seasons = new Map<string, Shed & { tide: TideName }>();
  for (const { sheds } of models)
    for (const s of sheds) if (s.tide !== 'life') seasons.set(s.key, { ...s, tide: s.tide });
  const at = (key: string): number => shared.at.get(key) ?? 0;
  return {
    warmth,
    shared,
    spread,
    shifts: [...seasons.values()]
      .sort((a, b) => a.usual - b.usual)
      .map(({ key, tide, year }) => {
        const [s, b, w] = [at(key), at(slopeKey(tide)), warmth[key] ?? 0];
        const v = (cov[s * c + s] ?? 0) + 2 * w * (cov[s * c + b] ?? 0) + w * w * (cov[b * c + b] ?? 0);
        return { key, tide, year, days: (mean[s] ?? 0) + w * (mean[b] ?? 0), sd: Math.sqrt(v) };
      }),
    offsets: [...new Set([...seasons.values()].map((s) => s.tide))].map((tide) => {
      const i = at(salonKey(tide));
      return { tide, days: mean[i] ?? 0, sd: Math.sqrt(cov[i * c + i] ?? 0) };
    }),
    priorOf: (model, own) => {
      const word = own && words.get(own);
      return startPrior(model, shared, warmth, quiet(word ? plus(all, word, -1) : all), spread);
    },
  };
}

/** A belief in which some seasons' shifts are as before anybody spoke: marginalised out, then put back at their prior. */
function silenced(
  belief: Belief,
  { keys, at }: SharedKeys,
  mute: ReadonlySet<string>,
  warmth: Warmth,
  spread: StartSpread,
): Belief {
  const c = keys.length;
  const cov = inverse(belief.precision, c);
  const mean = times(cov, belief.pull, c);
  for (const key of mute) {
    const i = at.get(key);
    if (i === undefined) continue;
    for (let j = 0; j < c; j++) cov[i * c + j] = cov[j * c + i] = 0;
    cov[i * c + i] = shiftVariance(warmth[key] !== undefined, spread.town);
    mean[i] = 0;
  }
  const precision = inverse(cov, c);
  return { precision, pull: times(precision, mean, c) };
}

/**
 * A dog's fit under what its town says. alone: its fit before it heard the town; before: a fit of the same log under an
 * earlier word of the town. Old draws are weighed anew where they reach, else a round is drawn to them, else it is fitted
 * anew.
 */
export function fitInTown(town: Town, alone: Fit, before = alone): Fit {
  const prior = town.priorOf(alone.model, alone);
  return reweigh(before, prior) ?? redraw(alone, prior) ?? fitDog(alone.model, prior, before.likeliest);
}
