/** How the open methods stand against one another on this dog in this house: one score, and the measures that tell them apart. */
import { clamp } from '../quantity/index.ts';
import { DREADS_DRYER, type Dog } from '../dog/index.ts';
import { BATH_GAP_DAYS } from '../kit/index.ts';
import type { Measured } from './measure.ts';
import { bathes, method, type Method } from './methods.ts';
import type { Comparison } from './plan.ts';
import type { PlanRequest } from './request.ts';

/** Differences smaller than these are not worth a word. */
const WORTH_SAYING: Readonly<Record<Comparison['measure'], number>> = {
  'hair-left': 0.02,
  minutes: 5,
  skin: 0.08,
  dryer: 5,
  dust: 15,
  visits: 1,
};

/** Where `a` measures better than `b` by enough to say; every measure is better when smaller. */
export function betterOn(a: Measured, b: Measured): readonly Comparison[] {
  return MEASURES.filter((m) => b.measures[m] - a.measures[m] >= WORTH_SAYING[m]).map((m) => ({
    measure: m,
    value: a.measures[m],
    than: b.measures[m],
  }));
}
const MEASURES: readonly Comparison['measure'][] = ['hair-left', 'minutes', 'skin', 'dryer', 'dust', 'visits'];

/** A quarter more hair left than the best method leaves is worth nothing at all. Guess. */
const WORTHLESS_EXTRA_LEFT = 0.25;
/** Mean load on skin or topcoat below this is a normal visit and speaks against nothing. Guess. */
const EASY_SKIN = 0.3;
/** Grams in the air that make a room unfit to work in. Guess. */
const DUST_TO_FLEE_G = 150;

/** A bath sooner than the house allows counts as much as this share of a whole score. Guess. */
const BATH_TOO_SOON = 0.6;

/** Another coming and going, as a share of all that comfort counts, and in minutes. Guess. */
const ANOTHER_VISIT = 0.3;
const VISIT_MINUTES = 15;

/** The least minutes and the least hair left among the methods that are open to a dog: what each is told against. */
export interface Field {
  readonly fastest: number;
  readonly leastLeft: number;
}
export const fieldOf = (all: readonly Pick<Measured, 'measures'>[]): Field => ({
  fastest: Math.min(...all.map((x) => asClock(x.measures))),
  leastLeft: Math.min(...all.map((x) => x.measures['hair-left'])),
});
/** Minutes of all visits, and what each more of them costs dog and house. */
const asClock = ({ minutes, visits }: Measured['measures']): number => minutes + (visits - 1) * VISIT_MINUTES;

export const worthOfLeft = (extra: number): number => 1 - clamp(extra / WORTHLESS_EXTRA_LEFT, 0, 1);
/** For work by hand that may leave nearly all: as much again is lost from there to a coat that nobody touched. */
export const worthByHand = (extra: number, leastLeft: number): number =>
  worthOfLeft(extra) -
  clamp((extra - WORTHLESS_EXTRA_LEFT) / Math.max(1e-6, 1 - leastLeft - WORTHLESS_EXTRA_LEFT), 0, 1);

/** What a dog's own way counts beside everything that is measured: as much as all of it. */
const ITS_WAY = 1;

function favourOf({ needs }: Method, { traits }: Pick<Dog, 'traits'>): number {
  const way = needs.default;
  const isWay = way?.for.some((t) => traits.includes(t)) && !way.unless.some((t) => traits.includes(t));
  return (needs.favour ?? 0) + (isWay ? ITS_WAY : 0);
}

/** Higher is better; each part is scaled to 0..1 so that the house's weights mean what they say. */
export function score(
  { plan, measures }: Measured,
  request: PlanRequest,
  { fastest, leastLeft }: Field,
  hairWorth: (extra: number, leastLeft: number) => number = worthOfLeft,
): number {
  const { dog, house } = request;
  const w = house.weights;
  const all = w.hairOut + w.minutes + w.skin + w.comfort + w.dust || 1;
  const dreadsDryer = dog.traits.some((t) => DREADS_DRYER.includes(t));
  const discomfort = (measures.visits - 1) * ANOTHER_VISIT + clamp(measures.dryer / 30, 0, 1) * (dreadsDryer ? 1 : 0.2);
  const tooSoon = bathedLately(request) && bathes(method(plan.method));
  return (
    (w.hairOut * hairWorth(measures['hair-left'] - leastLeft, leastLeft) +
      w.minutes * Math.min(1, fastest / Math.max(asClock(measures), 1)) +
      w.skin * (1 - clamp((measures.skin - EASY_SKIN) / (1 - EASY_SKIN), 0, 1)) +
      w.comfort * (1 - clamp(discomfort, 0, 1)) +
      w.dust * (1 - clamp(measures.dust / DUST_TO_FLEE_G, 0, 1))) /
      all +
    favourOf(method(plan.method), dog) -
    (tooSoon ? BATH_TOO_SOON : 0)
  );
}

/** Is the last bath nearer than the house's fewest days between two. */
export const bathedLately = ({ daysSinceBath, house }: PlanRequest): boolean =>
  daysSinceBath !== undefined && daysSinceBath < BATH_GAP_DAYS[house.bath];
