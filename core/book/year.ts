/**
 * Decides when every dog of a book comes in a year, and proves how far from the best any plan could be.
 *
 * Bound: the salon's minutes get a price on each day (Lagrange), raised where more is asked than there is and lowered where
 * less; each dog's cheapest year at those prices, less what the minutes would earn, bounds every plan from below. Prices go
 * no higher than the dearest overtime, so the dual is boxed. Steps are Adam's.
 * Plan: each dog is put in exactly, at prices that first meet the bound's and then rise ever more sharply with the load of a
 * day; then neighbourhoods are searched (search.ts).
 */
import { seededRandom } from '../quantity/index.ts';
import type { DogArcs } from './arcs.ts';
import { allDaysCost, type Hours } from './hours.ts';
import { cheapestYear, PathRoom, put, yearThrough, type DayCosts, type Year } from './paths.ts';
import { Search } from './search.ts';

export interface YearPlan {
  /** One for each dog, in the order they were given. */
  readonly years: readonly Year[];
  /** Minutes on each day. */
  readonly load: Float64Array;
  /** Cost of all years with overtime; no plan can cost less than bound. */
  readonly cost: number;
  readonly bound: number;
  readonly prices: Float64Array;
}

export interface YearEffort {
  /** Evaluations of the bound, and of those the last that are made from prices that were good before. */
  readonly evaluations: number;
  readonly again: number;
  /** Of PASSES, each so many is made; 0: none, where there is a start to stand on. */
  readonly everyPass: number;
  /** Neighbourhoods tried for each dog of the book, and for all. */
  readonly triesPerDog: number;
  readonly mostTries: number;
  /** Between two of them, single visits that are moved. */
  readonly nudgesPerTry: number;
  readonly seed: number;
}
export const YEAR_EFFORT: YearEffort = {
  evaluations: 60,
  again: 14,
  everyPass: 1,
  triesPerDog: 40,
  mostTries: 800,
  nudgesPerTry: 40,
  seed: 1,
};

export interface YearProgress {
  readonly stage: 'bound' | 'placing' | 'improving';
  readonly done: number;
  readonly of: number;
  /** The best there is so far, once there is one. */
  readonly best: YearPlan | undefined;
}

const ADAM = { rate: 0.1, last: 0.03, first: 0.9, second: 0.99, tiny: 1e-9 } as const;
/**
 * How sharply a day's price rises about its hours in each pass over all dogs, as its rise over a full day: first prices lead,
 * then the day's own load, at last what overtime costs.
 */
const PASSES = [0.05, 0.1, 0.2, 0.4, 0.8, 1.6, 3.2, 6.4, 12, 18, 24, 35, 48, 70, 96, 140, 192, undefined] as const;
/** In a book so large every other pass is enough: each dog is less of a day. */
const MANY_DOGS = 500;
/** The most that a day earns at a price of a minute, less what it costs (the conjugate of its cost), and the minutes that earn it. */
function dayEarns({ minutes, overtime, even, dear }: Hours, day: number, price: number): number {
  const there = minutes[day] ?? 0;
  if (price <= even) return even > 0 ? (price * price * there) / (2 * even) : 0;
  return price * there - (even * there) / 2 + Math.max(0, price - dear) * (overtime[day] ?? 0);
}
const worthFilling = ({ minutes, overtime, even, dear }: Hours, day: number, price: number): number =>
  (minutes[day] ?? 0) * (even > 0 ? Math.min(1, price / even) : 1) + (price > dear ? (overtime[day] ?? 0) : 0);

/** Value of the dual at some prices, and the minutes that the dogs' cheapest years ask on each day. */
function dualAt(
  dogs: readonly DogArcs[],
  costs: DayCosts,
  perMinute: Float64Array,
  asked: Float64Array,
  room: PathRoom,
): number {
  const { hours } = costs;
  asked.fill(0);
  let value = 0;
  for (const a of dogs) {
    const { year, total } = cheapestYear(a, costs, room);
    value += total;
    put(a, year, asked, 1);
  }
  for (let d = 0; d < perMinute.length; d++) {
    value -= dayEarns(hours, d, perMinute[d] ?? 0);
  }
  return value;
}

/** Prices that meet the dual's where a day is just full, and rise with its load. */
function softly(hours: Hours, prices: Float64Array, rise: number): NonNullable<DayCosts['soft']> {
  const from = hours.minutes.map((k, d) => k * (1 - (prices[d] ?? 0) / (hours.dear * rise)));
  const half = hours.minutes.map((k) => (k > 0 ? (hours.dear * rise) / (2 * k) : hours.dearest));
  return { from, half };
}

/** Where a plan starts from: prices, and years by node, as an earlier plan of the same dogs and days found them. */
export interface YearStart {
  readonly prices: Float64Array;
  readonly nodes: readonly (readonly number[])[];
}

/** The best bound that is found, and the prices that give it. */
function* pricedHours(
  dogs: readonly DogArcs[],
  hours: Hours,
  effort: YearEffort,
  start: YearStart | undefined,
  room: PathRoom,
): Generator<YearProgress, { bound: number; prices: Float64Array }> {
  const days = hours.minutes.length;
  const prices = start ? start.prices.slice() : new Float64Array(days);
  const bestPrices = new Float64Array(days);
  const asked = new Float64Array(days);
  const bestAsked = new Float64Array(days);
  const [m1, m2] = [new Float64Array(days), new Float64Array(days)];
  const load = new Float64Array(days);
  let bound = -Infinity;
  // From prices that were good, only the last, short steps.
  const skip = start ? Math.max(0, effort.evaluations - effort.again) : 0;
  const evaluate = (): void => {
    const value = dualAt(dogs, { perMinute: prices, load, hours }, prices, asked, room);
    if (value <= bound) return;
    bound = value;
    bestPrices.set(prices);
    bestAsked.set(asked);
  };
  for (let t = 1; t <= effort.evaluations - skip; t++) {
    evaluate();
    // Long steps first, to find the dear weeks; short ones at the end, to price each day.
    const rate = hours.dear * ADAM.rate * ADAM.last ** ((t - 1 + skip) / effort.evaluations);
    for (let d = 0; d < days; d++) {
      const p = prices[d] ?? 0;
      const g = (asked[d] ?? 0) - worthFilling(hours, d, p);
      m1[d] = ADAM.first * (m1[d] ?? 0) + (1 - ADAM.first) * g;
      m2[d] = ADAM.second * (m2[d] ?? 0) + (1 - ADAM.second) * g * g;
      const step =
        (m1[d] ?? 0) / (1 - ADAM.first ** t) / (Math.sqrt((m2[d] ?? 0) / (1 - ADAM.second ** t)) + ADAM.tiny);
      prices[d] = Math.min(hours.dearest, Math.max(0, p + rate * step));
    }
    yield { stage: 'bound', done: t + skip, of: effort.evaluations, best: undefined };
  }
  // Steps are short beside the dearest price: where the best prices still ask for more than hours and overtime, it is tried at once.
  for (let d = 0; d < days; d++) {
    const over = (bestAsked[d] ?? 0) - (hours.minutes[d] ?? 0) - (hours.overtime[d] ?? 0);
    prices[d] = over > 0 ? hours.dearest : (bestPrices[d] ?? 0);
  }
  evaluate();
  return { bound, prices: bestPrices };
}

/** Plans a year; yields how far it is with the best so far. The last value is the plan. */
export function* planYear(
  dogs: readonly DogArcs[],
  hours: Hours,
  effort: YearEffort = YEAR_EFFORT,
  start?: YearStart,
): Generator<YearProgress, YearPlan> {
  const room = new PathRoom();
  const load = new Float64Array(hours.minutes.length);
  const { bound, prices } = yield* pricedHours(dogs, hours, effort, start, room);

  const years: Year[] = [];
  const order = dogs.map((_, i) => i);
  const weight = dogs.map((a) => a.minutes.reduce((t, m) => Math.max(t, m), 0));
  order.sort((a, b) => (weight[b] ?? 0) - (weight[a] ?? 0) || a - b);
  const random = seededRandom(effort.seed);
  const snapshot = (): YearPlan => ({
    years: [...years],
    load: load.slice(),
    cost: years.reduce((t, y) => t + y.cost, 0) + allDaysCost(hours, load),
    bound,
    prices,
  });
  for (const [i, nodes] of (start?.nodes ?? []).entries()) {
    const a = dogs[i];
    if (!a) continue;
    // Steps that cannot be taken any more are found again with the first pass.
    const y = yearThrough(a, nodes);
    if (!y) continue;
    years[i] = y;
    put(a, y, load, 1);
  }
  const every = effort.everyPass * (dogs.length > MANY_DOGS ? 2 : 1);
  const passes = every === 0 ? [] : PASSES.filter((_, i) => (PASSES.length - 1 - i) % every === 0);
  for (const [pass, rise] of passes.entries()) {
    const soft = rise === undefined ? undefined : softly(hours, prices, rise);
    for (const i of order) {
      const a = dogs[i];
      if (!a) continue;
      const before = years[i];
      if (before) put(a, before, load, -1);
      const { year } = cheapestYear(a, { soft, load, hours }, room);
      years[i] = year;
      put(a, year, load, 1);
    }
    yield { stage: 'placing', done: pass + 1, of: passes.length, best: snapshot() };
  }
  const search = new Search(dogs, hours, years, load, prices, random, room);
  const tries = Math.min(effort.triesPerDog * dogs.length, effort.mostTries);
  const sayEvery = Math.max(1, Math.floor(tries / 50));
  for (let t = 0; t < tries; t++) {
    search.at(t / tries);
    search.rebuild();
    for (let k = 0; k < effort.nudgesPerTry; k++) search.nudge();
    if ((t + 1) % sayEvery === 0) yield { stage: 'improving', done: t + 1, of: tries, best: undefined };
  }
  search.settle();
  const plan = snapshot();
  yield { stage: 'improving', done: tries, of: tries, best: plan };
  return plan;
}
