/** How many minutes every zone gets in every step of hand work: so many that a minute more would take about as much anywhere. */
import { clamp, sum } from '../../quantity/index.ts';
import { coatRow } from '../../dog/index.ts';
import type { Coat } from '../coat.ts';
import type { LaidStep } from '../layout.ts';
import type { BenchJob } from '../rankings.ts';
import { figuresOf } from '../work.ts';
import { problemsOf, type Problems } from './problem.ts';
import { atPrices, costAt, withinMinutes, type Solved } from './shared-limits.ts';

export { problemsOf, type ZoneProblem } from './problem.ts';
export { answerOf, type ZoneAnswer } from './descent.ts';
export { solveZone } from './zone.ts';

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
  const f = figuresOf(job);
  // A clipped coat is slow, not done sooner: hands stop where they would on any other.
  const slow = job.dog.traits.includes('previously-clipped') ? f.clippedSlows : 1;
  return (f.stopYield * dense * clamp(ratio, 0.25, 4)) / slow;
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
  const { bladeMinutes } = job.house;
  const set = problemsOf(steps, found, job);
  const at = atPrices(set, bladeMinutes, f);
  const least = houseYield(job);
  return (most) => {
    const { best, bound } = withinMinutes(set, at, least, most, bladeMinutes);
    const outG = gramsOut(set, best);
    return {
      minutes: minutesBySteps(steps, set, best),
      handMinutes: best.minutes,
      stopYield: best.minute,
      gap: outG <= 0 ? 0 : Math.max(0, (costAt(set, best.answers, least, f) - bound) / outG),
    };
  };
}

const gramsOut = (set: Problems, { answers }: Solved): number =>
  sum(set.problems.map((p, i) => (set.times[i] ?? 0) * (p.freeG + p.deepG + p.packedG - (answers[i]?.leftG ?? 0))));

/** The passes of all zones as minutes by laid step and place; 0 for water and air. */
const minutesBySteps = (steps: readonly LaidStep[], set: Problems, { answers }: Solved): Allotment['minutes'] =>
  steps.map((s, step) =>
    s.zones.map(({ at: z, working }) => {
      if (!working) return 0;
      const index = set.of[z] ?? -1;
      const k = set.problems[index]?.acts.findIndex((a) => a.step === step) ?? -1;
      return k < 0 ? 0 : (answers[index]?.passes[k] ?? 0) * working.minutesPerPass;
    }),
  );
