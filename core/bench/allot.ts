/**
 * Decides the minutes of every zone in every step of hand work, so that a minute more would take about as much
 * anywhere: work goes on while it yields more than the stopping yield, and where the comb does not fall through yet,
 * for a few times that.
 *
 * Each zone is a small problem of its own: passes of the pieces that come over it, with water and air between them.
 * In one piece's effect the hair left is a quadratic and its cost a logarithm, so the best effect of one piece, the
 * others held, is the root of a quadratic; going round the pieces until nothing moves is exact descent. Skin and
 * topcoat are held by a price on strain, the house's blade minutes and a limit on the clock by prices on minutes that
 * all zones share. Those shared prices also bound what any allotment could reach, so the distance to the best is known.
 */
import { clamp } from '../quantity/index.ts';
import { coatRow } from '../dog/index.ts';
import { actionOf, BLADES, type Take } from '../kit/index.ts';
import { skinTolerance, wearLimit, type Coat, type CoatZone } from './coat.ts';
import { figuresOf, scaled } from './work.ts';
import type { Figures } from './figures.ts';
import type { BenchJob, LaidStep } from './layout.ts';
import type { PhaseId } from './methods.ts';
import { poolsTotalG, shieldFactor } from './release.ts';

/** One piece over one zone: what it takes at full effect, and for hands what a pass costs. */
interface Act {
  readonly free: number;
  readonly deep: number;
  readonly open: number;
  /** Place in the laid steps. */
  readonly step: number;
  readonly hands: boolean;
  readonly blade: boolean;
  readonly minutesPerPass: number;
  readonly skinPerPass: number;
  readonly wearPerPass: number;
  readonly leastPasses: number;
  readonly mostPasses: number;
  readonly habit: number;
}

/** The small problem of one zone. */
export interface ZoneProblem {
  readonly freeG: number;
  readonly deepG: number;
  readonly packedG: number;
  /** Grams that the coat was found with: what shields the skin is counted against them. */
  readonly foundG: number;
  /** Grams left at which the comb falls through. */
  readonly targetG: number;
  /** What skin and topcoat still bear. */
  readonly bears: number;
  readonly wears: number;
  readonly acts: readonly Act[];
  /** By act: shares of free, deep and packed hair that full effect takes. */
  readonly takes: readonly number[];
  /** By act, 0 for water and air: minutes, blade minutes, shares of skin and topcoat of a pass; rest at fewest and most passes. */
  readonly passCosts: readonly number[];
  /** Passes to begin from: by habit, much of everything, and none but the proof. */
  readonly habit: readonly number[];
  readonly heavy: readonly number[];
  readonly nothing: readonly number[];
}

/** What a gram, a minute and a blade minute are worth to whoever asks. */
export interface Prices {
  /** Grams that a minute must yield. */
  readonly minute: number;
  /** Grams that a blade minute must yield beside that. */
  readonly blade: number;
}

export interface ZoneAnswer {
  /** By act; 0 for water and air. */
  readonly passes: readonly number[];
  readonly leftG: number;
  readonly minutes: number;
  readonly bladeMinutes: number;
  readonly skin: number;
  readonly wear: number;
  /** Grams left, those above the target counted as they weigh, and minutes at their price. */
  readonly cost: number;
}

/** A limit on the clock is met when no more than this many minutes of it are unused. */
const CLOSE_ENOUGH = 1;
const MOST_SWEEPS = 9;
const STILL = 1e-3;

/** Computes what passes come to in a zone; also the only judge of a candidate. */
export function answerOf(p: ZoneProblem, passes: readonly number[], prices: Prices, f: Figures): ZoneAnswer {
  let { freeG: F, deepG: D, packedG: P } = p;
  const start = p.foundG;
  let minutes = 0;
  let bladeMinutes = 0;
  let skin = 0;
  let wear = 0;
  for (let k = 0; k < p.acts.length; k++) {
    const a = p.acts[k];
    const n = passes[k] ?? 0;
    if (!a) continue;
    const before = F + D + P;
    const e = a.hands ? 1 - Math.exp(-f.effectPerPass * n) : 1;
    const opened = P * a.open * e;
    F *= 1 - a.free * e;
    D = (D + opened) * (1 - a.deep * e);
    P -= opened;
    if (!a.hands || n === 0) continue;
    const own = n * a.minutesPerPass;
    minutes += own;
    if (a.blade) bladeMinutes += own;
    const shield = start === 0 ? 0 : (before + F + D + P) / 2 / start;
    skin += n * a.skinPerPass * shieldFactor(shield, f);
    wear += n * a.wearPerPass;
  }
  const leftG = F + D + P;
  return {
    passes,
    leftG,
    minutes,
    bladeMinutes,
    skin,
    wear,
    cost:
      leftG +
      (f.worthOfFall - 1) * Math.max(0, leftG - p.targetG) +
      prices.minute * minutes +
      prices.blade * bladeMinutes,
  };
}

const within = (p: ZoneProblem, a: ZoneAnswer): boolean => a.skin <= p.bears + 1e-12 && a.wear <= p.wears + 1e-12;

/**
 * Descends from passes, in place, to where no single piece's passes could be better; weight: what a gram counts,
 * strain: grams that all the skin (or topcoat) a zone bears is worth. held: by act, 1 for those that stay at 0.
 */
function descend(
  p: ZoneProblem,
  effects: number[],
  weight: number,
  strainSkin: number,
  strainWear: number,
  prices: Prices,
  held: Held,
  f: Figures,
): void {
  const { takes, passCosts } = p;
  const n = p.acts.length;
  const start = p.foundG;
  const { free: cF, deep: cD, packed: cP } = scratchFor(n);
  for (let sweep = 0; sweep < MOST_SWEEPS; sweep++) {
    cF[n] = cD[n] = cP[n] = 1;
    for (let k = n - 1; k >= 0; k--) {
      const e = effects[k] ?? 0;
      const restFree = 1 - (takes[3 * k] ?? 0) * e;
      const restDeep = 1 - (takes[3 * k + 1] ?? 0) * e;
      const opens = (takes[3 * k + 2] ?? 0) * e;
      const d1 = cD[k + 1] ?? 1;
      cF[k] = restFree * (cF[k + 1] ?? 1);
      cD[k] = restDeep * d1;
      cP[k] = (1 - opens) * (cP[k + 1] ?? 1) + opens * restDeep * d1;
    }
    let F = p.freeG;
    let D = p.deepG;
    let P = p.packedG;
    let moved = 0;
    for (let k = 0; k < n; k++) {
      const free = takes[3 * k] ?? 0;
      const deep = takes[3 * k + 1] ?? 0;
      const open = takes[3 * k + 2] ?? 0;
      let e = effects[k] ?? 0;
      if ((passCosts[6 * k] ?? 0) > 0 && held?.[k] !== 1) {
        const d1 = cD[k + 1] ?? 1;
        const A = -F * free * (cF[k + 1] ?? 1) - D * deep * d1 + P * open * (d1 - (cP[k + 1] ?? 1));
        const B = -P * open * deep * d1;
        let perPass = (passCosts[6 * k] ?? 0) * prices.minute + (passCosts[6 * k + 1] ?? 0) * prices.blade;
        if (strainSkin > 0) {
          const opened = P * open * e;
          const after = F * (1 - free * e) + (D + opened) * (1 - deep * e) + P - opened;
          const shield = start === 0 ? 0 : Math.min(1, (F + D + P + after) / 2 / start);
          perPass += strainSkin * (passCosts[6 * k + 2] ?? 0) * (f.bareSkin - (f.bareSkin - 1) * shield);
        }
        perPass += strainWear * (passCosts[6 * k + 3] ?? 0);
        const most = passCosts[6 * k + 4] ?? 1;
        const better = 1 - bestRest(A, B, perPass / (f.effectPerPass * weight), passCosts[6 * k + 5] ?? 0, most);
        moved = Math.max(moved, Math.abs(better - e));
        effects[k] = e = better;
      }
      const opened = P * open * e;
      F *= 1 - free * e;
      D = (D + opened) * (1 - deep * e);
      P -= opened;
    }
    if (moved < STILL) return;
  }
}
/** By act: 1 for those that stay at 0; undefined where all are free. */
type Held = Uint8Array | undefined;

interface Scratch {
  readonly free: Float64Array;
  readonly deep: Float64Array;
  readonly packed: Float64Array;
}
const scratchOf = (acts: number): Scratch => ({
  free: new Float64Array(acts + 1),
  deep: new Float64Array(acts + 1),
  packed: new Float64Array(acts + 1),
});
let scratch = scratchOf(31);
/** Room for what comes after each act of a zone, and after the last; one run at a time uses it. */
function scratchFor(acts: number): Scratch {
  if (scratch.free.length <= acts) scratch = scratchOf(2 * acts);
  return scratch;
}

/**
 * The rest x = 1 − effect that makes  A·(1−x) + B·(1−x)² − q·ln x  least between low and high.
 * A, B as in left = const + A·e + B·e² with B ≤ 0; q > 0 the cost of passes.
 */
function bestRest(A: number, B: number, q: number, low: number, high: number): number {
  const b = -A - 2 * B;
  if (b <= 0) return high;
  let x: number;
  if (B > -1e-12) x = q / b;
  else {
    const disc = b * b + 8 * B * q;
    if (disc <= 0) return high;
    x = (-b + Math.sqrt(disc)) / (4 * B);
  }
  x = Math.min(high, Math.max(low, x));
  if (x >= high) return high;
  return costOfRest(A, B, q, x) <= costOfRest(A, B, q, high) ? x : high;
}
const costOfRest = (A: number, B: number, q: number, x: number): number =>
  A * (1 - x) + B * (1 - x) * (1 - x) - q * Math.log(x);

function passesFrom(p: ZoneProblem, effects: number[], f: Figures): number[] {
  const passes: number[] = [];
  for (let k = 0; k < p.acts.length; k++) {
    passes.push(p.acts[k]?.hands ? -Math.log(Math.max(1e-12, 1 - (effects[k] ?? 0))) / f.effectPerPass : 0);
  }
  return passes;
}

function effectsFrom(p: ZoneProblem, passes: readonly number[], f: Figures): number[] {
  const effects: number[] = [];
  for (let k = 0; k < p.acts.length; k++) {
    effects.push(p.acts[k]?.hands ? 1 - Math.exp(-f.effectPerPass * (passes[k] ?? 0)) : 1);
  }
  return effects;
}

/** Best passes found for a zone at these prices, within what its skin and topcoat bear. */
export function solveZone(p: ZoneProblem, prices: Prices, f: Figures): ZoneAnswer {
  const habit = answerOf(p, p.habit, prices, f);
  let best = within(p, habit) ? habit : undefined;
  // Opening a plate pays only together with what takes the opened hair out: two starts, light and heavy.
  let start = effectsFrom(p, p.habit, f);
  const easy = limited(p, start, 1, prices, undefined, f);
  best = cheaper(best, easy);
  if (p.packedG > PLATE_SHARE * (p.freeG + p.deepG + p.packedG) && !(easy && spent(p, easy))) {
    const heavy = effectsFrom(p, p.heavy, f);
    const much = limited(p, heavy, 1, prices, undefined, f);
    if (much && (!easy || much.cost < easy.cost)) start = heavy;
    best = cheaper(best, much);
  }
  // Where skin or topcoat is spent already, more weight buys nothing.
  if (best && best.leftG > p.targetG && !spent(p, best)) {
    const hard = limited(p, start, f.worthOfFall, prices, undefined, f);
    best = cheaper(best, hard);
    if (hard && hard.leftG < p.targetG) {
      // Between the two the comb just falls through: the least weight that gets there.
      let [low, high] = [1, f.worthOfFall];
      for (let i = 0; i < 4; i++) {
        const middle = (low + high) / 2;
        const found = limited(p, start, middle, prices, undefined, f);
        best = cheaper(best, found);
        if (found && found.leftG <= p.targetG) high = middle;
        else low = middle;
      }
    }
  }
  best ??= answerOf(p, p.nothing, prices, f);
  const clean = withoutCrumbs(p, best, prices, f);
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
  f: Figures,
): ZoneAnswer {
  descend(p, effects, weight, strain * on.skin, strain * on.wear, prices, held, f);
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
  f: Figures,
): ZoneAnswer | undefined {
  const on = { skin: 0, wear: 0 };
  const free = descended(p, effects, weight, 0, on, prices, held, f);
  if (within(p, free)) return free;
  if (free.skin > p.bears) on.skin = 1;
  if (free.wear > p.wears) on.wear = 1;
  let low = 0;
  let lowOver = strainOf(p, free) - 1;
  let high = 0.3 * weight * (p.freeG + p.deepG + p.packedG) + 1e-6;
  let answer = descended(p, effects, weight, high, on, prices, held, f);
  for (let tries = 0; !within(p, answer); tries++) {
    if (tries === 6) return undefined;
    if (answer.skin > p.bears) on.skin = 1;
    if (answer.wear > p.wears) on.wear = 1;
    low = high;
    lowOver = strainOf(p, answer) - 1;
    high *= 4;
    answer = descended(p, effects, weight, high, on, prices, held, f);
  }
  let highOver = strainOf(p, answer) - 1;
  // False position, damped: how far over the limit falls smoothly with the price.
  for (let i = 0; i < 5 && highOver < -0.01; i++) {
    const slope = i % 3 === 2 ? 0.5 : clamp(lowOver / (lowOver - highOver), 0.08, 0.92);
    const middle = low + (high - low) * slope;
    const found = descended(p, effects, weight, middle, on, prices, held, f);
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
function withoutCrumbs(p: ZoneProblem, found: ZoneAnswer, prices: Prices, f: Figures): ZoneAnswer {
  const held = Uint8Array.from(p.acts, (a, k) => {
    const n = found.passes[k] ?? 0;
    return a.hands && a.leastPasses === 0 && n > 0 && n < f.leastPasses ? 1 : 0;
  });
  if (!held.includes(1)) return found;
  const kept = found.passes.map((n, k) => (held[k] === 1 ? 0 : n));
  const dropped = answerOf(p, kept, prices, f);
  const effects = effectsFrom(p, kept, f);
  const weight = dropped.leftG > p.targetG ? f.worthOfFall : 1;
  const again = limited(p, effects, weight, prices, held, f);
  const clean = (a: ZoneAnswer | undefined): a is ZoneAnswer =>
    a !== undefined && a.passes.every((n, k) => n === 0 || n >= f.leastPasses || (p.acts[k]?.leastPasses ?? 0) > 0);
  return clean(again) && again.cost < dropped.cost ? again : dropped;
}

/** The problems of a laid-out method: one for all zones that are alike, with the zones it stands for. */
export interface Problems {
  readonly problems: readonly ZoneProblem[];
  /** By zone of the coat: index of its problem, or -1. */
  readonly of: Int32Array;
  /** How many zones each stands for. */
  readonly times: Int32Array;
}

/**
 * Sets up the small problems of all zones for a method laid out on the coat as found. Zones that are alike, as left and
 * right mostly are, come under the same pieces and share one problem.
 */
export function problemsOf(steps: readonly LaidStep[], found: Coat, job: BenchJob): Problems {
  const f = figuresOf(job);
  const first = new Map<string, number>();
  const like = found.zones.map((z, at) => {
    const key = `${z.likeness} ${z.readings.tug} ${z.readings.comb} ${z.guardMm} ${z.areaM2} ${z.skinLoad} ${z.wear} ${poolsTotalG(z.pools)}`;
    const known = first.get(key);
    if (known === undefined) first.set(key, at);
    return known ?? at;
  });
  const acts: Act[][] = found.zones.map(() => []);
  for (const [step, s] of steps.entries()) {
    const blade = BLADES.includes(s.tool.kind);
    const water = s.phase.work === 'hands' ? undefined : waterTake(s, job, f);
    const proof = leastPasses(s.phase.id, f);
    for (const { at, working, minutes, pinned } of s.zones) {
      if (like[at] !== at || (!working && s.phase.work === 'hands')) continue;
      const take = working?.take ?? water;
      const reach = working?.reach ?? 1;
      const habit = working ? minutes / working.minutesPerPass : 0;
      acts[at]?.push({
        free: take?.free ?? 0,
        deep: (take?.deep ?? 0) * reach,
        open: (take?.open ?? 0) * reach,
        step,
        hands: working !== undefined,
        blade,
        minutesPerPass: working?.minutesPerPass ?? 0,
        skinPerPass: working?.skinPerPass ?? 0,
        wearPerPass: working?.wearPerPass ?? 0,
        leastPasses: pinned ? habit : Math.min(proof, habit),
        mostPasses: pinned ? habit : f.mostPasses,
        habit,
      });
    }
  }
  const wears = wearLimit(job.dog, f);
  const problems: ZoneProblem[] = [];
  const times: number[] = [];
  const of = new Int32Array(found.zones.length).fill(-1);
  for (const [at, z] of found.zones.entries()) {
    const model = like[at] ?? at;
    const own = acts[model] ?? [];
    if (model === at) {
      if (!own.some((a) => a.hands)) continue;
      of[at] = problems.length;
      problems.push(problemOf(z, own, wears, f));
      times.push(1);
    } else {
      const index = of[model] ?? -1;
      of[at] = index;
      if (index >= 0) times[index] = (times[index] ?? 0) + 1;
    }
  }
  return { problems, of, times: Int32Array.from(times) };
}

/** Fewest passes without which a phase is none: the comb proves, the pin brush opens the lines. */
const leastPasses = (phase: PhaseId, f: Figures): number =>
  phase === 'comb' ? f.proofPasses : phase === 'damp-pin' || phase === 'dry-pin' ? f.openingPasses : 0;

/** Skin or topcoat that bears no more. */
const NO_MORE = 1e-9;

function problemOf(z: CoatZone, acts: readonly Act[], wears: number, f: Figures): ZoneProblem {
  const bears = Math.max(NO_MORE, skinTolerance(z) - z.skinLoad);
  wears = Math.max(NO_MORE, wears - z.wear);
  // Plain lists: small typed arrays cost more to make than they save.
  const takes: number[] = [];
  const passCosts: number[] = [];
  const habit: number[] = [];
  const heavy: number[] = [];
  const nothing: number[] = [];
  for (const a of acts) {
    takes.push(a.free, a.deep, a.open);
    if (a.hands) {
      passCosts.push(
        a.minutesPerPass,
        a.blade ? a.minutesPerPass : 0,
        a.skinPerPass / bears,
        a.wearPerPass / wears,
        Math.exp(-f.effectPerPass * a.leastPasses),
        Math.exp(-f.effectPerPass * a.mostPasses),
      );
    } else passCosts.push(0, 0, 0, 0, 1, 1);
    habit.push(a.habit);
    heavy.push(a.hands ? clamp(HEAVY_PASSES, a.leastPasses, a.mostPasses) : 0);
    nothing.push(a.leastPasses);
  }
  return {
    freeG: z.pools.freeG,
    deepG: z.pools.deepG,
    packedG: z.pools.packedG,
    foundG: z.startG,
    targetG: Math.min(poolsTotalG(z.pools), f.combGlides * z.fullG),
    bears,
    wears,
    acts,
    takes,
    passCosts,
    habit,
    heavy,
    nothing,
  };
}
const HEAVY_PASSES = 2.5;

/** What water, towel, air or the work on a tie takes when it has its minutes. */
function waterTake(s: LaidStep, job: BenchJob, f: Figures): Take | undefined {
  const state = s.phase.work === 'ties' ? 'dry' : s.phase.wetness;
  const action = actionOf(s.tool, state, job.house);
  return action && scaled(action.take, f);
}

export interface Allotment {
  /** Minutes by laid step and place. */
  readonly minutes: readonly (readonly number[])[];
  readonly handMinutes: number;
  /** Grams a minute at which work stopped. */
  readonly stopYield: number;
  /** How far the allotment may be from the best, as a share of the grams taken out, 0..1. */
  readonly gap: number;
}

/** A coat of this full load, g/m², is worked down to the stopping yield as it stands; denser ones give more, and stop sooner. */
const USUAL_LOAD = 280;

/** The stopping yield of a house on a class of coat: time that weighs more asks for more grams a minute. */
export function houseYield(job: BenchJob): number {
  const { hairOut, minutes } = job.house.weights;
  const ratio = (minutes + 1) / (hairOut + 1) / (21 / 51);
  const dense = clamp(coatRow(job.dog.coatClass).fullLoadGPerM2 / USUAL_LOAD, 0.8, 2);
  return figuresOf(job).stopYield * dense * clamp(ratio, 0.25, 4);
}

/**
 * Minutes of all hand work of a laid-out method. mostHandMinutes: a limit on their sum, where the clock has one.
 * Blade minutes keep within the house's, skin and topcoat within what each zone bears.
 */
export const allot = (steps: readonly LaidStep[], found: Coat, job: BenchJob, mostHandMinutes = Infinity): Allotment =>
  allotter(steps, found, job)(mostHandMinutes);

/** As allot, for whoever asks about one layout with several limits: the problems are set up once. */
export function allotter(
  steps: readonly LaidStep[],
  found: Coat,
  job: BenchJob,
): (mostHandMinutes: number) => Allotment {
  const f = figuresOf(job);
  const set = problemsOf(steps, found, job);
  const least = houseYield(job);
  const solved = new Map<number, Solved>();
  const at = (minute: number): Solved => {
    const known = solved.get(minute);
    if (known) return known;
    const made = withBladeLimit(set, minute, job.house.bladeMinutes, f);
    solved.set(minute, made);
    return made;
  };
  return (most) => {
    let best = at(least);
    let bound = best.dual;
    if (best.minutes > most) {
      // Lagrangian bound on what any allotment within the limit costs at the house's own price of a minute.
      const boundAt = (s: Solved): number => s.dual - (s.minute - least) * most;
      let over = best;
      let within = at(least * 4);
      for (let i = 0; i < 8 && within.minutes > most; i++) [over, within] = [within, at(within.minute * 4)];
      for (let i = 0; i < 5 && within.minutes < most - CLOSE_ENOUGH && over.minutes > most; i++) {
        // Minutes fall about evenly with the logarithm of their price.
        const share = clamp((over.minutes - most) / Math.max(1e-9, over.minutes - within.minutes), 0.15, 0.85);
        const middle = at(over.minute * (within.minute / over.minute) ** share);
        if (middle.minutes <= most) within = middle;
        else over = middle;
      }
      bound = Math.max(boundAt(over), boundAt(within));
      best = filled(set, within, over, most, job.house.bladeMinutes);
    }
    const outG = set.problems.reduce(
      (total, p, i) => total + (set.times[i] ?? 0) * (p.freeG + p.deepG + p.packedG - (best.answers[i]?.leftG ?? 0)),
      0,
    );
    return {
      minutes: steps.map((s, step) =>
        s.zones.map(({ at: z, working }) => {
          if (!working) return 0;
          const index = set.of[z] ?? -1;
          const k = set.problems[index]?.acts.findIndex((a) => a.step === step) ?? -1;
          return k < 0 ? 0 : (best.answers[index]?.passes[k] ?? 0) * working.minutesPerPass;
        }),
      ),
      handMinutes: best.minutes,
      stopYield: best.minute,
      gap: outG <= 0 ? 0 : Math.max(0, (costAt(set, best.answers, least, f) - bound) / outG),
    };
  };
}

/** Minutes that a limit leaves unused go to the zones that gain most from the answer at the cheaper price. */
function filled(set: Problems, within: Solved, over: Solved, most: number, mostBlade: number): Solved {
  const answers = [...within.answers];
  let minutes = within.minutes;
  let blade = within.blade;
  const swaps = set.problems
    .map((_, i) => {
      const [dear, cheap] = [within.answers[i], over.answers[i]];
      const times = set.times[i] ?? 0;
      const more = cheap && dear ? times * (cheap.minutes - dear.minutes) : 0;
      const gain = cheap && dear ? times * (dear.leftG - cheap.leftG) : 0;
      return { i, cheap, more, gain, blade: cheap && dear ? times * (cheap.bladeMinutes - dear.bladeMinutes) : 0 };
    })
    .filter((s) => s.more > 1e-9 && s.gain > 0)
    .sort((a, b) => b.gain / b.more - a.gain / a.more);
  for (const s of swaps) {
    if (!s.cheap || minutes + s.more > most || blade + s.blade > mostBlade) continue;
    answers[s.i] = s.cheap;
    minutes += s.more;
    blade += s.blade;
  }
  return { ...within, answers, minutes, blade };
}

/** What answers cost with minutes at one price and blade minutes free: the measure that all are compared on. */
const costAt = (set: Problems, answers: readonly ZoneAnswer[], minute: number, f: Figures): number =>
  set.problems.reduce((total, p, i) => {
    const a = answers[i];
    return a ? total + (set.times[i] ?? 0) * answerOf(p, a.passes, { minute, blade: 0 }, f).cost : total;
  }, 0);

interface Solved {
  readonly answers: readonly ZoneAnswer[];
  readonly minutes: number;
  readonly blade: number;
  readonly minute: number;
  /** Least cost of any answers within the blade limit, minutes at this price. */
  readonly dual: number;
}

function solveAll(
  set: Problems,
  prices: Prices,
  f: Figures,
  before?: readonly ZoneAnswer[],
): { answers: ZoneAnswer[]; blade: number; cost: number } {
  let blade = 0;
  let cost = 0;
  const answers: ZoneAnswer[] = [];
  for (const [i, p] of set.problems.entries()) {
    // A dearer blade minute changes nothing where no blade comes.
    const known = before?.[i];
    const a = known && !p.acts.some((own) => own.blade) ? known : solveZone(p, prices, f);
    blade += (set.times[i] ?? 0) * a.bladeMinutes;
    cost += (set.times[i] ?? 0) * a.cost;
    answers.push(a);
  }
  return { answers, blade, cost };
}

/** Solves all zones at a price of a minute, at the least price of a blade minute that keeps the house's limit. */
function withBladeLimit(set: Problems, minute: number, mostBlade: number, f: Figures): Solved {
  let found = solveAll(set, { minute, blade: 0 }, f);
  let dual = found.cost;
  if (found.blade > mostBlade) {
    let [low, high] = [0, minute];
    for (let i = 0; i < 12; i++) {
      found = solveAll(set, { minute, blade: high }, f, found.answers);
      dual = Math.max(dual, found.cost - high * mostBlade);
      if (found.blade <= mostBlade) break;
      [low, high] = [high, high * 3];
    }
    for (let i = 0; i < 9; i++) {
      const middle = (low + high) / 2;
      const next = solveAll(set, { minute, blade: middle }, f, found.answers);
      dual = Math.max(dual, next.cost - middle * mostBlade);
      if (next.blade <= mostBlade) [found, high] = [next, middle];
      else low = middle;
    }
  }
  const minutes = set.problems.reduce((t, _, i) => t + (set.times[i] ?? 0) * (found.answers[i]?.minutes ?? 0), 0);
  return { answers: found.answers, minutes, blade: found.blade, minute, dual };
}
