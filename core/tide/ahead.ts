/**
 * What a coat will do: draws of its store day by day, and what they say of starts, visits and hair.
 * Each day's release is its part of the pulses' closed form; it is held half a day on average.
 */
import { normalQuantile, type Day, type Interval80 } from '../quantity/index.ts';
import type { Rates } from './dog-model.ts';
import type { Fit } from './fit.ts';
import { isOver, LENGTH_IN_SCALES, pulseOut, START_IN_SCALES } from './pulse.ts';

/** What is done to the coat ahead, by day after the first. */
export interface CareAhead {
  /** Share of the store that a visit takes, by day. */
  readonly visits?: ReadonlyMap<number, number> | undefined;
  /** Bouts at home by day: those that a log names. */
  readonly bouts?: ReadonlyMap<number, number> | undefined;
  /** Share of each day on which there is a bout at home, on top of what the dog's home does without a log. */
  readonly boutsPerDay?: number | undefined;
  /** Seasonal release against today's, from a move indoors or out. */
  readonly light?: number | undefined;
}

/** A coat's days ahead: element i is the end of day from + i + 1; taken at home and fallen are of that day. */
export interface Course {
  readonly store: Float64Array;
  readonly released: Float64Array;
  readonly taken: Float64Array;
  readonly fell: Float64Array;
}

/** One draw's course over `days` days from the end of a day with a store in grams. */
export function course(rates: Rates, from: Day, store0: number, days: number, plan: CareAhead = {}): Course {
  const store = new Float64Array(days);
  const released = new Float64Array(days);
  const taken = new Float64Array(days);
  const fell = new Float64Array(days);
  const { baseG, baseAt, loss, fallShare, bout, sheds } = rates;
  const keep = Math.exp(-loss);
  const held = (1 - keep) / loss;
  for (let i = 0; i < days; i++) released[i] = baseG * baseAt(from + i + 1);
  const light = plan.light ?? 1;
  for (const { onset, lengthDays, grams } of sheds) {
    let before = pulseOut(from - onset, lengthDays);
    const scale = lengthDays / LENGTH_IN_SCALES;
    const first = Math.max(0, Math.floor(onset - from));
    if (isOver((from - onset) / scale)) continue;
    for (let i = first; i < days; i++) {
      const after = pulseOut(from + i + 1 - onset, lengthDays);
      released[i] = (released[i] ?? 0) + grams * light * (after - before);
      before = after;
      if (1 - after < 1e-9) break;
    }
  }
  const boutShare = 1 - (1 - bout) ** (plan.boutsPerDay ?? 0);
  let s = store0;
  for (let i = 0; i < days; i++) {
    const came = released[i] ?? 0;
    const stands = s * keep + came * held;
    const went = s + came - stands;
    const logged = plan.bouts?.get(from + i + 1);
    const brushed = logged === undefined ? boutShare : 1 - (1 - bout) ** logged;
    let out = went * (1 - fallShare) + stands * brushed;
    s = stands * (1 - brushed);
    const visit = plan.visits?.get(from + i + 1);
    if (visit !== undefined) {
      out += s * visit;
      s *= 1 - visit;
    }
    store[i] = s;
    taken[i] = out;
    fell[i] = went * fallShare;
  }
  return { store, released, taken, fell };
}

/** Numbers of the draws that stand for a fit with equal weight: systematic resampling, no chance in it. */
export function evenDraws(fit: Fit, count: number): Int32Array {
  const chosen = new Int32Array(count);
  let r = 0;
  let below = fit.weights[0] ?? 0;
  for (let i = 0; i < count; i++) {
    const want = (i + 0.5) / count;
    while (below < want && r < fit.count - 1) below += fit.weights[++r] ?? 0;
    chosen[i] = r;
  }
  return chosen;
}

/** A draw's parameters, in a view that the next call overwrites nothing of. */
export const drawOf = (fit: Fit, r: number): Float64Array =>
  fit.draws.subarray(r * fit.model.size, (r + 1) * fit.model.size);

/** Rates and store after the last sighting, of each draw. */
export function drawnCoats(fit: Fit, count: number): readonly { readonly rates: Rates; readonly storeG: number }[] {
  const reads = new Float64Array(fit.model.sightings);
  return Array.from(evenDraws(fit, count), (r) => {
    const theta = drawOf(fit, r);
    return { storeG: fit.model.read(theta, reads), rates: fit.model.rates(theta) };
  });
}

/** Values at shares of a sorted list, between neighbours in proportion. */
export function quantilesOf(values: Float64Array, shares: readonly number[]): number[] {
  const sorted = Float64Array.from(values).sort();
  return shares.map((q) => {
    const at = q * (sorted.length - 1);
    const low = Math.floor(at);
    return (sorted[low] ?? 0) + (at - low) * ((sorted[Math.min(sorted.length - 1, low + 1)] ?? 0) - (sorted[low] ?? 0));
  });
}

export function bandOf(values: Float64Array): Interval80 {
  const [low = 0, likely = 0, high = 0] = quantilesOf(values, [0.1, 0.5, 0.9]);
  return { low, likely, high };
}

/** A blow is no gamma density: days by which its tenth may lie off where one would have it. Guess, held by the study. */
const SHAPE_SD_DAYS = 2.5;

/** The normal deviate of one draw among many: spread evenly, in an order that has nothing to do with the draws'. */
const spread = (i: number, count: number): number => normalQuantile((((i * 157) % count) + 0.5) / count);

/** Day on which a share of a shed is out, for each of `count` draws. */
export function shareDays(fit: Fit, key: string, scales: number, count = 400): Float64Array | undefined {
  const i = fit.model.sheds.findIndex((s) => s.key === key);
  if (i < 0) return undefined;
  let k = 0;
  return Float64Array.from(evenDraws(fit, count), (r) => {
    const shed = fit.model.rates(drawOf(fit, r)).sheds[i];
    return shed ? shed.onset + (scales * shed.lengthDays) / LENGTH_IN_SCALES + SHAPE_SD_DAYS * spread(k++, count) : NaN;
  });
}

/** The start of a shed, its tenth out, as a band of days. */
export function startBand(fit: Fit, key: string): Interval80 | undefined {
  const days = shareDays(fit, key, START_IN_SCALES);
  return days && bandOf(days);
}

/** Doubt of a weight about the hair that stood there, as spread of its logarithm. */
const WEIGHED_SPREAD = 0.2;

/** Sheds that no sighting has met yet may start earlier or later than their draws say: a blow is no gamma density. */
const roughened = (rates: Rates, from: Day, z: number): Rates => ({
  ...rates,
  sheds: rates.sheds.map((s) => (s.onset > from - 5 ? { ...s, onset: s.onset + SHAPE_SD_DAYS * z } : s)),
});

/** Grams that a visit on a day would weigh, as draws: it takes a share of what stands there then. */
export function visitGrams(fit: Fit, on: Day, share: number, count = 400): Float64Array {
  const coats = drawnCoats(fit, count);
  const from = fit.model.lastDay;
  const days = Math.max(0, on - from);
  return Float64Array.from(coats, ({ rates, storeG }, i) => {
    const run = days > 0 ? course(roughened(rates, from, spread(i + 7, count)), from, storeG, days).store : undefined;
    return (run?.[days - 1] ?? storeG) * share * Math.exp(WEIGHED_SPREAD * spread(i * 3, count));
  });
}

/** Is a shed more likely than not under way on a day: between its start and the day most of it is out. */
export function inBlow(fit: Fit, on: Day): boolean {
  const draws = evenDraws(fit, 100);
  let under = 0;
  for (const r of draws) {
    const { sheds } = fit.model.rates(drawOf(fit, r));
    if (sheds.some((s) => on >= s.onset + 3 && on <= s.onset + s.lengthDays)) under++;
  }
  return under > draws.length / 2;
}

/** A draw's coat as it stands on a day. */
export interface CoatOn {
  readonly rates: Rates;
  readonly stands: number;
}

/** Coats of some draws at the end of a day. */
export const coatsOn = (fit: Fit, draws: Int32Array, on: Day): readonly CoatOn[] =>
  Array.from(draws, (r) => ({
    rates: fit.model.rates(drawOf(fit, r)),
    stands: pastCourse(fit, r, on).store.at(-1) ?? 0,
  }));

/** What has been: one draw's course from the model's first day to a day, with all that its log names. */
export function pastCourse(fit: Fit, r: number, until: Day): Course & { readonly from: Day } {
  const { model } = fit;
  const rates = model.rates(drawOf(fit, r));
  const plan = { visits: model.visits, bouts: model.bouts };
  return { ...course(rates, model.from, rates.startG, Math.max(1, until - model.from), plan), from: model.from };
}
