/**
 * What a coat will do: draws of its store day by day, and what they say of starts, visits and hair. Each home goes on
 * brushing as it has, as far as its notes tell.
 */
import { normalQuantile, type Day, type Interval80 } from '../quantity/index.ts';
import { NOW, ratesAhead, ratesOf, spanOf, type DogModel, type Rates } from './dog-model.ts';
import type { Fit } from './fit.ts';
import type { BoutRate } from './home-habit.ts';
import { lifeRelease, type LifeEvent } from './life.ts';
import { LogReader } from './log-reader.ts';
import { LENGTH_IN_SCALES, START_IN_SCALES } from './pulse.ts';
import { StoreWalk, type StoreProgram } from './store-walk.ts';

/** What is done to the coat ahead, by day after the first. */
export interface CareAhead {
  /** Share of the store that a visit takes, by day. */
  readonly visits?: ReadonlyMap<number, number> | undefined;
  /** Bouts at home that are expected on each day ahead. */
  readonly bouts?: ArrayLike<number> | undefined;
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

/** A walk of every day after a first one, for many draws of a dog one after the other. */
export class DailyWalk {
  private readonly program: StoreProgram;
  private readonly walk: StoreWalk;
  constructor(
    life: readonly LifeEvent[],
    private readonly from: number,
    private readonly days: number,
  ) {
    const on = new Float64Array(days);
    const base = new Float64Array(days).fill(1);
    for (let i = 0; i < days; i++) on[i] = from + i + 1;
    if (life.length > 0) for (let i = 0; i < days; i++) base[i] = lifeRelease(life, from + i + 0.5);
    this.program = { from, days: on, base, takes: new Float64Array(days), bouts: new Float64Array(days) };
    this.walk = new StoreWalk(this.program);
  }

  /** What stands on each day before anything is done on it; to `released`, where there is one, what is set free. */
  private stands(
    rates: Rates,
    store0: number,
    { visits, bouts, light }: CareAhead,
    released?: Float64Array,
  ): Float64Array {
    const { program, walk, days, from } = this;
    program.bouts.fill(0);
    if (bouts) program.bouts.set(bouts);
    program.takes.fill(0);
    for (const [on, takes] of visits ?? []) if (on > from && on <= from + days) program.takes[on - from - 1] = takes;
    walk.fade(rates.loss, rates.bout);
    const store = new Float64Array(days);
    walk.addStart(store0);
    for (const shed of rates.sheds)
      walk.addPulse(light === undefined ? shed : { ...shed, grams: shed.grams * light }, store, released);
    walk.settle(rates.baseG, store, released);
    return store;
  }

  /** What stands at the end of each day. */
  stores(rates: Rates, store0: number, care: CareAhead = {}): Float64Array {
    const store = this.stands(rates, store0, care);
    for (let i = 0; i < store.length; i++) store[i]! *= this.walk.leaves(i);
    return store;
  }

  /** The same with what came and went. */
  course(rates: Rates, store0: number, care: CareAhead = {}): Course {
    const { days, walk } = this;
    const released = new Float64Array(days);
    const store = this.stands(rates, store0, care, released);
    const taken = new Float64Array(days);
    const fell = new Float64Array(days);
    let before = store0;
    for (let i = 0; i < days; i++) {
      const stood = store[i]!;
      const went = before + released[i]! - stood;
      before = walk.leaves(i) * stood;
      store[i] = before;
      taken[i] = went * (1 - rates.fallShare) + stood - before;
      fell[i] = went * rates.fallShare;
    }
    return { store, released, taken, fell };
  }
}

/** One draw's course over `days` days from the end of a day with a store in grams. */
export const course = (rates: Rates, from: number, store0: number, days: number, care: CareAhead = {}): Course =>
  new DailyWalk(rates.life, from, days).course(rates, store0, care);

/** Bouts a day under a draw's doubt of a rate: the gamma distribution's mean and spread, as a log-normal one. */
const rateAt = ({ mean, shape }: BoutRate, z: number): number => {
  const variance = Math.log(1 + 1 / shape);
  return mean * Math.exp(Math.sqrt(variance) * z - variance / 2);
};

/** Bouts that a home will give on each of the days ahead, as its notes tell; none beside the rates where it notes nothing. */
export function boutsAhead({ habit }: DogModel, rates: Rates, from: number, days: number, z = 0): Float64Array {
  const bouts = new Float64Array(days);
  if (!habit.notes) return bouts;
  bouts.fill(rateAt(habit.calm, z));
  const blow = rateAt(habit.blow, z);
  for (const { onset, lengthDays } of rates.sheds)
    bouts.fill(blow, Math.max(0, Math.ceil(onset) - from), Math.max(0, Math.floor(onset + lengthDays) - from));
  return bouts;
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

/** A draw's coat as it stands at the end of a day: what falls and is brushed from then on. */
export interface CoatOn {
  readonly rates: Rates;
  readonly stands: number;
  /** Normal deviate of this draw: of the home's habit, and wherever else draws must differ. */
  readonly z: number;
}

/** Coats of some draws at the end of the day that the log is known up to. */
export function coatsNow(fit: Fit, draws: Int32Array): readonly CoatOn[] {
  const { model } = fit;
  const { lastDay, asOf } = model;
  const reader = new LogReader(model);
  const reads = new Float64Array(model.sightings);
  return Array.from(draws, (r, k) => {
    const theta = drawOf(fit, r);
    const left = reader.read(theta, reads);
    const past = ratesOf(model, theta);
    const since = asOf - lastDay;
    return {
      rates: ratesAhead(model, past),
      stands: since > 0 ? course(past, lastDay, left, since).store[since - 1]! : left,
      z: spread(k, draws.length),
    };
  });
}

/** A coat's days ahead if the home goes on as it does. */
export const courseAhead = (
  model: DogModel,
  { rates, stands, z }: CoatOn,
  days: number,
  care: CareAhead = {},
): Course => course(rates, model.asOf, stands, days, { bouts: boutsAhead(model, rates, model.asOf, days, z), ...care });

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

/** Draws are taken in steps of this many: a prime, so that each comes once and neighbours lie far apart. */
const STRIDE = 157;
/** The normal deviate of one draw among many: spread evenly, in an order that has nothing to do with the draws'. */
export const spread = (i: number, count: number): number => normalQuantile((((i * STRIDE) % count) + 0.5) / count);

/** Day on which a share of a shed is out, for each of `count` draws. */
export function shareDays(fit: Fit, key: string, scales: number, count = 400): Float64Array | undefined {
  const { model } = fit;
  const i = model.sheds.findIndex((s) => s.key === key);
  if (i < 0) return undefined;
  let k = 0;
  return Float64Array.from(evenDraws(fit, count), (r) => {
    const { onset, lengthDays } = spanOf(model, drawOf(fit, r), i);
    return onset + (scales * lengthDays) / LENGTH_IN_SCALES + SHAPE_SD_DAYS * spread(k++, count);
  });
}

/** The start of a shed, its tenth out, as a band of days. */
export function startBand(fit: Fit, key: string): Interval80 | undefined {
  const days = shareDays(fit, key, START_IN_SCALES);
  return days && bandOf(days);
}

/** Doubt of a weight about the hair that stood there, as spread of its logarithm: scale and floor, not the share taken. Guess. */
const WEIGHED_SPREAD = 0.2;

/** A shed that began so lately has met no sighting yet. Guess. */
const UNMET_DAYS = 5;
/** Sheds that no sighting has met yet may start earlier or later than their draws say: a blow is no gamma density. */
const roughened = (rates: Rates, from: Day, z: number): Rates => ({
  ...rates,
  sheds: rates.sheds.map((s) => (s.onset > from - UNMET_DAYS ? { ...s, onset: s.onset + SHAPE_SD_DAYS * z } : s)),
});

/** Grams that a visit on a day would weigh, as draws: it takes a share of what stands there then. */
export function visitGrams(fit: Fit, on: Day, share: number, count = 400): Float64Array {
  const { model } = fit;
  const days = on - model.asOf;
  return Float64Array.from(coatsNow(fit, evenDraws(fit, count)), (coat, i) => {
    const rates = roughened(coat.rates, model.asOf, spread(i + 7, count));
    const stands = days > 0 ? courseAhead(model, { ...coat, rates }, days).store[days - 1]! : coat.stands;
    return stands * share * Math.exp(WEIGHED_SPREAD * spread(i * 3, count));
  });
}

/** A coat feels blown only some days after the onset. Guess. */
const FELT_AFTER_DAYS = 3;
/** Is a shed more likely than not under way on a day: between its start and the day most of it is out. */
export function inBlow(fit: Fit, on: Day): boolean {
  const draws = evenDraws(fit, 100);
  let under = 0;
  for (const r of draws) {
    const theta = drawOf(fit, r);
    const isUnderWay = fit.model.sheds.some((_, i) => {
      const { onset, lengthDays } = spanOf(fit.model, theta, i);
      return on >= onset + FELT_AFTER_DAYS && on <= onset + lengthDays;
    });
    if (isUnderWay) under++;
  }
  return under > draws.length / 2;
}

/** What has been: one draw's course from the model's first day to today, with all that its log names. */
export function pastCourse(fit: Fit, r: number): Course {
  const { model } = fit;
  const { program } = model.log;
  const theta = drawOf(fit, r);
  const days = Math.max(1, model.asOf - model.from);
  const visits = new Map<number, number>();
  const bouts = new Float64Array(days);
  for (const [k, on] of program.days.entries()) {
    const lift = k === program.liftAt ? Math.exp(theta[NOW]!) : 1;
    if (program.takes[k]! > 0 || lift !== 1)
      visits.set(on, 1 - (1 - (visits.get(on) ?? 0)) * (1 - program.takes[k]!) * lift);
    bouts[on - model.from - 1]! += program.bouts[k]!;
  }
  const rates = ratesOf(model, theta);
  return course(rates, model.from, rates.startG, days, { visits, bouts });
}
