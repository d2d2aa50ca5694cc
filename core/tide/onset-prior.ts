/**
 * What a start is the sum of, and how far each part may stray.
 *
 * Start of a shed = its usual day + the salon's own offset + the year's weather (slope · warmth) + the town's shift of the
 * year + the dog's habit + the rest. What all dogs share is a Gaussian belief, kept as information.
 */
import { inverse, times } from '../quantity/index.ts';
import type { DogModel, Shed } from './dog-model.ts';
import type { StartPrior } from './whitening.ts';
import type { TideName } from './seasons.ts';

/** Standard deviations of what a start is the sum of, days. */
export interface OnsetSpread {
  readonly salon: number;
  readonly habit: number;
  readonly town: number;
  readonly rest: number;
}
/** Before a salon's own seasons say otherwise. Guesses. */
export const ONSET_SD: OnsetSpread = { salon: 8, habit: 12, town: 5.5, rest: 3.5 };
/** For a dog that is read before anybody has spoken: a salon may lie far off, and a log that is led astray stays there. */
export const ALONE_SD: OnsetSpread = { ...ONSET_SD, salon: 16 };
/** How far a dog that is late in one season is late in the other: correlation. Guess. */
const TIDES_TOGETHER = 0.3;
/** Days a start moves for each degree that the weeks before were warmer than usual. Guess: warm springs come early. */
const WARMTH = { slope: -1.2, sd: 0.9 };
/** Degrees by which one year's weeks before a season differ from another's. Guess: some two degrees at these latitudes. */
const WARMTH_SPREAD = 1.8;
/** Variance of a season's shift that weather does not explain: the whole of it where nobody measured. */
export const shiftVariance = (measured: boolean, town: number): number =>
  Math.max(1, town ** 2 - (measured ? (WARMTH.slope ** 2 + WARMTH.sd ** 2) * WARMTH_SPREAD ** 2 : 0));

/** Warmth of the weeks before a season against the usual, degrees C, by season key; absent where nobody measured. */
export type Warmth = Readonly<Record<string, number>>;

/** What all dogs of a salon share: its offsets and slopes by tide, and a shift by season. */
export interface SharedKeys {
  readonly keys: readonly string[];
  readonly at: ReadonlyMap<string, number>;
}

export const salonKey = (tide: TideName): string => `salon ${tide}`;
export const slopeKey = (tide: TideName): string => `slope ${tide}`;

export function sharedKeys(models: readonly DogModel[]): SharedKeys {
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
export interface Belief {
  readonly precision: Float64Array;
  readonly pull: Float64Array;
}

export function priorBelief({ keys }: SharedKeys, warmth: Warmth, spread: OnsetSpread): Belief {
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
export function partsOf(shed: Shed, shared: SharedKeys, warmth: Warmth): readonly (readonly [number, number])[] {
  if (shed.tide === 'life') return [];
  const of = (key: string): number => shared.at.get(key) ?? 0;
  return [
    [of(salonKey(shed.tide)), 1],
    [of(shed.key), 1],
    [of(slopeKey(shed.tide)), warmth[shed.key] ?? 0],
  ];
}

/** Covariance of what is a dog's own in its starts: habit and rest, and the doubt of sheds of life. */
export function ownCov({ sheds, trust }: DogModel, { habit: sd, rest }: OnsetSpread): Float64Array {
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
export function onsetPrior(
  model: DogModel,
  shared: SharedKeys,
  warmth: Warmth,
  belief: Belief,
  spread: OnsetSpread,
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

export const plus = (a: Belief, b: Belief, sign = 1): Belief => ({
  precision: a.precision.map((v, i) => v + sign * (b.precision[i] ?? 0)),
  pull: a.pull.map((v, i) => v + sign * (b.pull[i] ?? 0)),
});
