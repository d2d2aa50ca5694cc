/**
 * What finished sessions teach about the next plan: how long this house's hands take with each kind of tool, on
 * each coat and zone, and how much hair comes against what touch said. Few sessions move the start values a little, many
 * all the way (effects.ts).
 */
import type { Learnt, Ratio } from '../bench/index.ts';
import type { CoatClass } from '../dog/index.ts';
import { TOOLS, type ToolKind } from '../kit/index.ts';
import { effects, type Effects, type EffectsStart, type Estimate, type Measured } from './effects.ts';
import type { Ratioed, StepLesson } from './lessons.ts';

export interface LoggedSession {
  readonly dogId: string;
  readonly coatClass: CoatClass;
  readonly lessons: readonly StepLesson[];
}

/** Start values: variances of the log ratios by what they have in common. Guess. */
const TOOL = { name: 'tool', variance: 0.03 };
const PERSON = { name: 'person', variance: 0.02 };
const CLASS = { name: 'class', variance: 0.01 };
const STEP = { name: 'step', variance: 0.03 };
const DOG = { name: 'dog', variance: 0.06 };
const ZONE = { name: 'zone', variance: 0.04 };
const PACE = { overall: 0.03, noise: 0.05, visit: 0.01 };
const GRAMS = { overall: 0.09, noise: 0.16, visit: 0.03 };
const STARTS = {
  pace: { ...PACE, factors: [TOOL, PERSON, CLASS] },
  stepPace: { ...PACE, factors: [STEP, PERSON, CLASS] },
  zonePace: { ...PACE, noise: 0.15, factors: [ZONE, TOOL, PERSON] },
  yields: { ...GRAMS, factors: [TOOL, DOG, CLASS] },
  stepYields: { ...GRAMS, factors: [STEP, DOG, CLASS] },
  personYields: { ...GRAMS, factors: [PERSON, TOOL, CLASS] },
  zoneYields: { ...GRAMS, noise: 0.2, factors: [ZONE, TOOL] },
} satisfies Readonly<Record<string, EffectsStart>>;
type Subject = keyof typeof STARTS;

/** By subject, measured against plan: minutes by tool, step and zone; grams by tool, step, person and zone. */
export type Taught = Readonly<Record<Subject, Effects>> & { readonly sessions: number };

/** What sessions teach. Unweighed steps say nothing about grams. */
export function learn(sessions: readonly LoggedSession[]): Taught {
  const seen: Record<Subject, Measured[]> = {
    pace: [],
    stepPace: [],
    zonePace: [],
    yields: [],
    stepYields: [],
    personYields: [],
    zoneYields: [],
  };
  for (const [visit, { dogId, coatClass, lessons }] of sessions.entries()) {
    const say = (what: Subject, { planned, measured }: Ratioed, ...levels: (string | undefined)[]): void =>
      void seen[what].push({ planned, measured, levels, visit });
    for (const { step, tool, person, minutes, zoneMinutes, grams, zoneGrams } of lessons) {
      if (minutes) {
        say('pace', minutes, tool, person, coatClass);
        say('stepPace', minutes, step, person, coatClass);
      }
      for (const z of zoneMinutes) say('zonePace', z, z.zone, tool, person);
      if (grams) {
        say('yields', grams, tool, dogId, coatClass);
        say('stepYields', grams, step, dogId, coatClass);
        say('personYields', grams, person, tool, coatClass);
      }
      for (const z of zoneGrams) say('zoneYields', z, z.zone, tool);
    }
  }
  return {
    pace: effects(seen.pace, STARTS.pace),
    stepPace: effects(seen.stepPace, STARTS.stepPace),
    zonePace: effects(seen.zonePace, STARTS.zonePace),
    yields: effects(seen.yields, STARTS.yields),
    stepYields: effects(seen.stepYields, STARTS.stepYields),
    personYields: effects(seen.personYields, STARTS.personYields),
    zoneYields: effects(seen.zoneYields, STARTS.zoneYields),
    sessions: sessions.length,
  };
}

const ratioOf = ({ ratio, doubt, seen }: Estimate): Ratio => ({ mean: ratio, doubt, seen });

const isKind = (text: string): text is ToolKind => TOOLS.some((t) => t.kind === text);

/** Pace by kind of tool, for whoever works, or a person, on a class of coat. Kinds that nobody timed are left out. */
export const paceFor = (
  { pace }: Taught,
  at: { readonly person?: string | undefined; readonly coatClass?: CoatClass | undefined } = {},
): Learnt['pace'] =>
  Object.fromEntries(
    pace
      .levels('tool')
      .filter(isKind)
      .map((tool) => [tool, ratioOf(pace.together({ tool, person: at.person, class: at.coatClass }))]),
  );

/** Grams of a dog against what touch says; undefined where nothing was ever weighed. */
export function gramsFor({ yields }: Taught, dogId: string, coatClass: CoatClass): Ratio | undefined {
  if (yields.overall.seen === 0) return undefined;
  return ratioOf(yields.together({ dog: dogId, class: coatClass }));
}

/** What the log has taught a plan for one dog. */
export const learntFor = (taught: Taught, dogId: string, coatClass: CoatClass): Learnt => ({
  pace: paceFor(taught, { coatClass }),
  grams: gramsFor(taught, dogId, coatClass),
});

/** Names of people whose hands the log knows. */
export const peopleIn = ({ pace }: Taught): readonly string[] => pace.levels('person');

/** Pace of each person's hands on a class of coat. */
export const paceByPerson = (taught: Taught, coatClass: CoatClass): Readonly<Record<string, Learnt['pace']>> =>
  Object.fromEntries(peopleIn(taught).map((person) => [person, paceFor(taught, { person, coatClass })]));

export interface OffPromise {
  readonly step: string;
  readonly what: 'minutes' | 'grams';
  readonly estimate: Estimate;
}

/** A step is off its promise when the whole interval lies this far from what this house's steps usually come to. Guess. */
const OFF = 0.05;

/** Steps that surely take longer or give less, against their plan, than the rest of the work does: the worst first. */
export function overPromised({ stepPace, stepYields }: Taught): readonly OffPromise[] {
  const late = stepPace.levels('step').flatMap((step): OffPromise[] => {
    const estimate = stepPace.of('step', step);
    return estimate.low > stepPace.overall.ratio * (1 + OFF) ? [{ step, what: 'minutes', estimate }] : [];
  });
  const short = stepYields.levels('step').flatMap((step): OffPromise[] => {
    const estimate = stepYields.of('step', step);
    return estimate.high < stepYields.overall.ratio * (1 - OFF) ? [{ step, what: 'grams', estimate }] : [];
  });
  const off = ({ estimate }: OffPromise): number => Math.abs(Math.log(estimate.ratio));
  return [...late, ...short].sort((a, b) => off(b) - off(a));
}
