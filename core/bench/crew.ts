/** Decides who works and for how long: the clock of one pair of hands or two, and what of a visit a dog has to stand. */
import { ceilTo, sum } from '../quantity/index.ts';
import type { Dog, DogTrait } from '../dog/index.ts';
import { BLADES, type ToolKind } from '../kit/index.ts';
import type { Figures } from './figures.ts';
import type { PhaseWork } from './methods.ts';
import type { PlanStep } from './plan.ts';

export interface Crew {
  /** A second person at this dog. */
  readonly helper?: boolean | undefined;
  /** The dog lies for whatever can be done lying. */
  readonly lying?: boolean | undefined;
}

/** Clock minutes for a minute of work of this kind. */
export function clockShare(work: PhaseWork, crew: Crew | undefined, f: Figures): number {
  if (!crew?.helper) return 1;
  switch (work) {
    case 'hands':
      return f.teamHands;
    case 'ties':
      return f.teamTies;
    case 'drying':
    case 'air':
      return f.teamAir;
    default:
      return f.teamWater;
  }
}

/** Water, air and dematting are a matter of two minutes at least: taps, towels, tools. Guess. */
const LEAST_OF_WATER = 2;

/** Whole minutes on the clock for so many of one person's work; what is shown of blades never passes what was allowed. */
export function clockMinutes(
  work: PhaseWork,
  minutes: number,
  kind: ToolKind,
  crew: Crew | undefined,
  f: Figures,
): number {
  const clock = minutes * clockShare(work, crew, f);
  const whole = BLADES.includes(kind) ? wholeUp(clock) : Math.round(clock);
  return Math.max(work === 'hands' ? 1 : LEAST_OF_WATER, whole);
}

/** Whole minutes, rounded up; floating dust above a whole minute does not count. */
export const wholeUp = (minutes: number): number => ceilTo(minutes - 1e-9, 1);

/** Whole minutes of one person's work in steps: the clock that is shown, or what zones were given where two work at once. */
export const workOf = (steps: readonly Pick<PlanStep, 'minutes' | 'zones'>[], crew: Crew | undefined): number =>
  sum(
    steps.map((s) => (crew?.helper ? Math.max(s.minutes, Math.round(sum(s.zones.map((z) => z.minutes)))) : s.minutes)),
  );

/** How a dog can be for a kind of work: water wants it on its feet, half of the air, and hands take it as it lies. */
const STANDS: Readonly<Record<PhaseWork, number>> = {
  hands: 0.15,
  ties: 0.1,
  mist: 0.2,
  towel: 0.6,
  condition: 1,
  bath: 1,
  rewash: 1,
  drying: 0.5,
  air: 0.6,
  care: 0.5,
};

/** Dogs that are let lie as a matter of course. */
const LIES: readonly DogTrait[] = ['senior', 'sore-joints', 'heart-trouble'];
export const lies = (dog: Pick<Dog, 'traits'>, crew: Crew | undefined): boolean =>
  crew?.lying === true || dog.traits.some((t) => LIES.includes(t));

/** Share of a step's clock for which the dog stands. */
export const standingShare = (work: PhaseWork, dog: Pick<Dog, 'traits'>, crew: Crew | undefined): number =>
  lies(dog, crew) ? STANDS[work] : 1;
