/**
 * The small problem of one zone: the pieces that come over it in the order of the plan, with water and air between
 * them, what a pass of each takes and costs, and what skin and topcoat still bear. Minutes are allotted by solving it
 * (zone.ts) for every zone at prices that all zones share (shared-limits.ts).
 */
import { clamp } from '../../quantity/index.ts';
import { actionOf, BLADES, type Take } from '../../kit/index.ts';
import { skinTolerance, wearLimit, type Coat, type CoatZone } from '../coat.ts';
import type { Figures } from '../figures.ts';
import type { LaidStep, LaidZone } from '../layout.ts';
import type { PhaseId } from '../methods.ts';
import type { BenchJob } from '../rankings.ts';
import { poolsTotalG } from '../release.ts';
import { figuresOf, scaled, type Working } from '../work.ts';

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

/** Lists by act, in the order of the work; 0 for water and air where only hands cost something. */
export interface ByAct {
  /** Shares of free and deep hair that full effect takes, and of packed hair that it opens. */
  readonly free: readonly number[];
  readonly deep: readonly number[];
  readonly open: readonly number[];
  /** Of a pass: minutes, minutes with a blade, and shares of what skin and topcoat still bear. */
  readonly minutes: readonly number[];
  readonly bladeMinutes: readonly number[];
  readonly skin: readonly number[];
  readonly wear: readonly number[];
  /** 1 − effect at the fewest and at the most passes. */
  readonly restAtFewest: readonly number[];
  readonly restAtMost: readonly number[];
}

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
  /** What the descent reads of the acts, act by act. */
  readonly byAct: ByAct;
  /** Passes to begin from: by habit, much of everything, and none but the proof. */
  readonly habit: readonly number[];
  readonly heavy: readonly number[];
  readonly nothing: readonly number[];
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
  const like = firstAlike(found);
  const acts: Act[][] = found.zones.map(() => []);
  for (const [step, s] of steps.entries()) {
    const blade = BLADES.includes(s.tool.kind);
    const water = s.phase.work === 'hands' ? undefined : waterTake(s, job, f);
    const opens = OPENS.includes(s.phase.id) ? f.openingPasses : 0;
    // The comb is let through once, no more and no less; what was pinned by hand stays.
    const once = s.phase.id === 'comb';
    for (const z of s.zones) {
      if (like[z.at] !== z.at || (!z.working && s.phase.work === 'hands')) continue;
      acts[z.at]?.push(z.working ? handsOf(z, z.working, { step, blade, opens, once }, f) : waterOf(step, water));
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

/** What of a step holds for hands in all of its zones. */
interface StepFacts {
  readonly step: number;
  readonly blade: boolean;
  /** Fewest passes without which the phase is none. */
  readonly opens: number;
  /** Passes as habit has them, no more and no less. */
  readonly once: boolean;
}

function handsOf(z: LaidZone, w: Working, { step, blade, opens, once }: StepFacts, f: Figures): Act {
  const habit = z.minutes / w.minutesPerPass;
  const fixed = once || z.pinned === true;
  return {
    free: w.take.free,
    deep: w.take.deep * w.reach,
    open: w.take.open * w.reach,
    step,
    hands: true,
    blade,
    minutesPerPass: w.minutesPerPass,
    skinPerPass: w.skinPerPass,
    wearPerPass: w.wearPerPass,
    leastPasses: fixed ? habit : Math.min(opens, habit),
    mostPasses: fixed ? habit : f.mostPasses,
    habit,
  };
}

const waterOf = (step: number, take: Take | undefined): Act => ({
  free: take?.free ?? 0,
  deep: take?.deep ?? 0,
  open: take?.open ?? 0,
  step,
  hands: false,
  blade: false,
  minutesPerPass: 0,
  skinPerPass: 0,
  wearPerPass: 0,
  leastPasses: 0,
  mostPasses: 0,
  habit: 0,
});

/** By zone, the first zone of the coat that is alike in all that its problem is made of. */
function firstAlike(found: Coat): readonly number[] {
  const first = new Map<string, number>();
  return found.zones.map((z, at) => {
    const key = `${z.likeness} ${z.readings.tug} ${z.readings.comb} ${z.guardMm} ${z.areaM2} ${z.skinLoad} ${z.wear} ${poolsTotalG(z.pools)}`;
    const known = first.get(key);
    if (known === undefined) first.set(key, at);
    return known ?? at;
  });
}

/** The pin brush opens the lines of a long coat, or it does nothing. */
const OPENS: readonly PhaseId[] = ['damp-pin', 'dry-pin'];

/** Skin or topcoat that bears no more. */
const NO_MORE = 1e-9;
const HEAVY_PASSES = 2.5;

function problemOf(z: CoatZone, acts: readonly Act[], wearMost: number, f: Figures): ZoneProblem {
  const bears = Math.max(NO_MORE, skinTolerance(z) - z.skinLoad);
  const wears = Math.max(NO_MORE, wearMost - z.wear);
  // Plain lists, filled in one go: small typed arrays, or a pass over the acts for each list, cost more than they save.
  const free: number[] = [];
  const deep: number[] = [];
  const open: number[] = [];
  const minutes: number[] = [];
  const bladeMinutes: number[] = [];
  const skin: number[] = [];
  const wear: number[] = [];
  const restAtFewest: number[] = [];
  const restAtMost: number[] = [];
  const habit: number[] = [];
  const heavy: number[] = [];
  const nothing: number[] = [];
  for (const a of acts) {
    free.push(a.free);
    deep.push(a.deep);
    open.push(a.open);
    minutes.push(a.hands ? a.minutesPerPass : 0);
    bladeMinutes.push(a.hands && a.blade ? a.minutesPerPass : 0);
    skin.push(a.hands ? a.skinPerPass / bears : 0);
    wear.push(a.hands ? a.wearPerPass / wears : 0);
    restAtFewest.push(a.hands ? Math.exp(-f.effectPerPass * a.leastPasses) : 1);
    restAtMost.push(a.hands ? Math.exp(-f.effectPerPass * a.mostPasses) : 1);
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
    byAct: { free, deep, open, minutes, bladeMinutes, skin, wear, restAtFewest, restAtMost },
    habit,
    heavy,
    nothing,
  };
}

/** What water, towel, air or the work on a tie takes when it has its minutes. */
function waterTake(s: LaidStep, job: BenchJob, f: Figures): Take | undefined {
  const state = s.phase.work === 'ties' ? 'dry' : s.phase.wetness;
  const action = actionOf(s.tool, state, job.house);
  return action && scaled(action.take, f);
}
