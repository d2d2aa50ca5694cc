/**
 * What the dogs of one salon tell each other about when a season starts, as in expectation propagation (Minka 2001; from memory):
 * each dog starts from the cavity, which is what all dogs said without its own message.
 */
import { inverse, times } from '../quantity/index.ts';
import type { DogModel, Shed } from './dog-model.ts';
import { fitDog, type Fit } from './fit.ts';
import { redraw, reweigh } from './reweighing.ts';
import { type StartPrior } from './whitening.ts';
import type { TideName } from './seasons.ts';
import {
  plus,
  priorBelief,
  salonKey,
  sharedKeys,
  slopeKey,
  onsetPrior,
  type Belief,
  type SharedKeys,
  type OnsetSpread,
  type Warmth,
} from './onset-prior.ts';
import { messageOf, spreadOf, wordOf } from './population-message.ts';

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
  readonly spread: OnsetSpread;
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
}

/** What a town knows when nobody has said anything yet. */
export function freshTown(models: readonly DogModel[], warmth: Warmth = {}): Town {
  return townOf(sharedKeys(models), [], warmth, models);
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
  return { warmth: {}, spread, shared, shifts, offsets, priorOf: (m) => onsetPrior(m, shared, {}, said, spread) };
}

/** What the fits of a salon's dogs say together. */
export function townFrom({ fits, warmth = {} }: TownRequest): Town {
  const models = fits.map((f) => f.model);
  return townOf(sharedKeys(models), fits, warmth, models);
}

function townOf(shared: SharedKeys, fits: readonly Fit[], warmth: Warmth, models: readonly DogModel[]): Town {
  const c = shared.keys.length;
  const said = fits.map((f) => wordOf(f, shared, warmth));
  const spread = spreadOf(said, shared, warmth);
  const base = priorBelief(shared, warmth, spread);
  const messages = said.map((word) => messageOf(word, c, spread));
  // A town outlives the fits that it was made of: they are large.
  const messageFrom = new WeakMap(fits.map((f, i) => [f, messages[i]!]));
  const all = messages.reduce<Belief>((sum, message) => plus(sum, message), base);
  const cov = inverse(all.precision, c);
  const mean = times(cov, all.pull, c);
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
      const message = own && messageFrom.get(own);
      return onsetPrior(model, shared, warmth, message ? plus(all, message, -1) : all, spread);
    },
  };
}

/**
 * A dog's fit under what its town says. alone: its fit before it heard the town. Its draws are weighed again where they
 * reach, else a round is drawn to them, else it is fitted again.
 */
export function fitInTown(town: Town, alone: Fit): Fit {
  const prior = town.priorOf(alone.model, alone);
  return reweigh(alone, prior) ?? redraw(alone, prior) ?? fitDog(alone.model, prior, alone.likeliest);
}
