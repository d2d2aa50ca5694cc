/**
 * Solves one zone at given prices: the best passes within what its skin and topcoat bear. Strain is held by a price on
 * it, found by false position; the comb's fall by the least weight on what stands above it, found by bisection.
 */
import { clamp } from '../../quantity/index.ts';
import type { Figures } from '../figures.ts';
import {
  answerOf,
  descend,
  effectsFrom,
  passesFrom,
  workspace,
  type Held,
  type Prices,
  type Workspace,
  type ZoneAnswer,
} from './descent.ts';
import type { ZoneProblem } from './problem.ts';

const within = (p: ZoneProblem, a: ZoneAnswer): boolean => a.skin <= p.bears + 1e-12 && a.wear <= p.wears + 1e-12;

/** Best passes found for a zone at these prices, within what its skin and topcoat bear. */
export function solveZone(p: ZoneProblem, prices: Prices, f: Figures, room: Workspace = workspace()): ZoneAnswer {
  const habit = answerOf(p, p.habit, prices, f);
  let best = within(p, habit) ? habit : undefined;
  // Opening a plate pays only together with what takes the opened hair out: two starts, light and heavy.
  let start = effectsFrom(p, p.habit, f);
  const easy = limited(p, start, 1, prices, undefined, room, f);
  best = cheaper(best, easy);
  if (p.packedG > PLATE_SHARE * (p.freeG + p.deepG + p.packedG) && !(easy && spent(p, easy))) {
    const heavy = effectsFrom(p, p.heavy, f);
    const much = limited(p, heavy, 1, prices, undefined, room, f);
    if (much && (!easy || much.cost < easy.cost)) start = heavy;
    best = cheaper(best, much);
  }
  // Where skin or topcoat is spent already, more weight buys nothing.
  if (best && best.leftG > p.targetG && !spent(p, best)) {
    const hard = limited(p, start, f.worthOfFall, prices, undefined, room, f);
    best = cheaper(best, hard);
    if (hard && hard.leftG < p.targetG) {
      // Between the two the comb just falls through: the least weight that gets there.
      let [low, high] = [1, f.worthOfFall];
      for (let i = 0; i < 4; i++) {
        const middle = (low + high) / 2;
        const found = limited(p, start, middle, prices, undefined, room, f);
        best = cheaper(best, found);
        if (found && found.leftG <= p.targetG) high = middle;
        else low = middle;
      }
    }
  }
  best ??= answerOf(p, p.nothing, prices, f);
  const clean = withoutCrumbs(p, best, prices, room, f);
  return clean.cost > habit.cost && within(p, habit) ? habit : clean;
}

/** Plates below this share of a zone's hair leave one valley to descend into. Guess, held by tests against a grid. */
const PLATE_SHARE = 0.15;
/** A limit used to this share is spent. */
const SPENT = 0.985;
const spent = (p: ZoneProblem, a: ZoneAnswer): boolean => strainOf(p, a) > SPENT;

const cheaper = (a: ZoneAnswer | undefined, b: ZoneAnswer | undefined): ZoneAnswer | undefined =>
  !a ? b : !b || a.cost <= b.cost ? a : b;

/** Of the larger of two shares of a limit, how much of it is used. */
const strainOf = (p: ZoneProblem, a: ZoneAnswer): number => Math.max(a.skin / p.bears, a.wear / p.wears);

/** Descends at a weight and a price on strain, in place, and computes what that comes to. */
function descended(
  p: ZoneProblem,
  effects: number[],
  weight: number,
  strain: number,
  on: { skin: number; wear: number },
  prices: Prices,
  held: Held,
  room: Workspace,
  f: Figures,
): ZoneAnswer {
  descend(p, effects, weight, strain * on.skin, strain * on.wear, prices, held, room, f);
  return answerOf(p, passesFrom(p, effects, f), prices, f);
}

/**
 * Descends at a weight, in place; where skin or topcoat is passed, at the price on strain that keeps just within.
 * undefined where even the highest price does not: habit alone is left then.
 */
function limited(
  p: ZoneProblem,
  effects: number[],
  weight: number,
  prices: Prices,
  held: Held,
  room: Workspace,
  f: Figures,
): ZoneAnswer | undefined {
  const on = { skin: 0, wear: 0 };
  const free = descended(p, effects, weight, 0, on, prices, held, room, f);
  if (within(p, free)) return free;
  if (free.skin > p.bears) on.skin = 1;
  if (free.wear > p.wears) on.wear = 1;
  let low = 0;
  let lowOver = strainOf(p, free) - 1;
  let high = 0.3 * weight * (p.freeG + p.deepG + p.packedG) + 1e-6;
  let answer = descended(p, effects, weight, high, on, prices, held, room, f);
  for (let tries = 0; !within(p, answer); tries++) {
    if (tries === 6) return undefined;
    if (answer.skin > p.bears) on.skin = 1;
    if (answer.wear > p.wears) on.wear = 1;
    low = high;
    lowOver = strainOf(p, answer) - 1;
    high *= 4;
    answer = descended(p, effects, weight, high, on, prices, held, room, f);
  }
  let highOver = strainOf(p, answer) - 1;
  // False position, damped: how far over the limit falls smoothly with the price.
  for (let i = 0; i < 5 && highOver < -0.01; i++) {
    const slope = i % 3 === 2 ? 0.5 : clamp(lowOver / (lowOver - highOver), 0.08, 0.92);
    const middle = low + (high - low) * slope;
    const found = descended(p, effects, weight, middle, on, prices, held, room, f);
    const over = strainOf(p, found) - 1;
    if (within(p, found)) {
      if (found.cost <= answer.cost) answer = found;
      high = middle;
      highOver = over;
    } else {
      low = middle;
      lowOver = over;
    }
  }
  return answer;
}

/** Nobody picks a tool up for a tenth of a pass: such crumbs are left out, and the rest descends once more. */
function withoutCrumbs(p: ZoneProblem, found: ZoneAnswer, prices: Prices, room: Workspace, f: Figures): ZoneAnswer {
  const isCrumb = (a: (typeof p.acts)[number], k: number): boolean => {
    const n = found.passes[k] ?? 0;
    return n > 0 && n < f.leastPasses && a.hands && a.leastPasses === 0;
  };
  if (!p.acts.some(isCrumb)) return found;
  const held = Uint8Array.from(p.acts, (a, k) => (isCrumb(a, k) ? 1 : 0));
  const kept = found.passes.map((n, k) => (held[k] === 1 ? 0 : n));
  const dropped = answerOf(p, kept, prices, f);
  const effects = effectsFrom(p, kept, f);
  const weight = dropped.leftG > p.targetG ? f.worthOfFall : 1;
  const again = limited(p, effects, weight, prices, held, room, f);
  const clean = (a: ZoneAnswer | undefined): a is ZoneAnswer =>
    a !== undefined && a.passes.every((n, k) => n === 0 || n >= f.leastPasses || (p.acts[k]?.leastPasses ?? 0) > 0);
  return clean(again) && again.cost < dropped.cost ? again : dropped;
}
