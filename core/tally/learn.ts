/**
 * Decides what finished sessions teach about the next plan: how long this house's hands take with each kind of tool, on
 * each coat and zone, and how much hair comes against what touch said. Few sessions move the start values a little, many
 * all the way (effects.ts).
 */
import { sum } from '../quantity/index.ts';
import type { Learnt, PlanStep, Ratio } from '../bench/index.ts';
import type { CoatClass } from '../dog/index.ts';
import { TOOLS, type ToolKind } from '../kit/index.ts';
import { WORKED_MS, type SessionRecord, type StepRecord } from '../table/index.ts';
import { effects, type Effects, type EffectsStart, type Estimate, type Measured } from './effects.ts';

export interface LoggedSession {
  readonly dogId: string;
  readonly coatClass: CoatClass;
  readonly record: Pick<SessionRecord, 'steps' | 'worker'>;
  /** What its plan had already reckoned in: taken out again, or it would be learnt twice. */
  readonly reckoned?: Reckoned | undefined;
}

/** Pace and grams that a plan was made with, against the start values. */
export interface Reckoned {
  readonly pace: Partial<Readonly<Record<ToolKind, number>>>;
  readonly grams: number;
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

/** A plan of fewer grams, or a zone worked for less, says more about the scale and the clock than about hair and hands. */
const LEAST_G = 2;
const LEAST_ZONE_G = 0.5;
const LEAST_ZONE_MS = 10_000;
const MS_PER_MINUTE = 60_000;

/** By subject, measured against plan: minutes by tool, step and zone; grams by tool, step, person and zone. */
export type Taught = Readonly<Record<Subject, Effects>> & { readonly sessions: number };

/** The step of a plan as the log names it: what is done, and with what kind of piece. */
export const stepKey = ({ phase, tool }: Pick<PlanStep, 'phase' | 'tool'>): string => `${phase} ${tool.kind}`;

/** Steps left out, done otherwise or tapped away say nothing about pace. */
const timed = (s: StepRecord): boolean => s.state === 'done' && !s.did && s.workedMs >= WORKED_MS;

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
  for (const [visit, { dogId, coatClass, record, reckoned }] of sessions.entries()) {
    const say = (what: Subject, planned: number, measured: number, ...levels: (string | undefined)[]): void =>
      void seen[what].push({ planned, measured, levels, visit });
    for (const s of record.steps) {
      const { plan } = s;
      const tool = s.did?.tool ?? plan.tool.kind;
      const person = mostOf(s) ?? record.worker;
      const paced = reckoned?.pace[plan.tool.kind] ?? 1;
      const plannedG = plan.gramsOut / (reckoned?.grams ?? 1);
      if (timed(s)) {
        const [planned, worked] = [plan.minutes / paced, s.workedMs / MS_PER_MINUTE];
        say('pace', planned, worked, tool, person, coatClass);
        say('stepPace', planned, worked, stepKey(plan), person, coatClass);
        for (const z of plan.zones) {
          const ms = s.zoneMs[z.zone] ?? 0;
          if (ms >= LEAST_ZONE_MS) say('zonePace', z.minutes / paced, ms / MS_PER_MINUTE, z.zone, tool, person);
        }
      }
      if (s.grams !== undefined && plannedG >= LEAST_G) {
        const grams = Math.max(s.grams, LEAST_ZONE_G);
        say('yields', plannedG, grams, tool, dogId, coatClass);
        say('stepYields', plannedG, grams, stepKey(plan), dogId, coatClass);
        say('personYields', plannedG, grams, person, tool, coatClass);
      }
      const all = sum(plan.zones.map((z) => z.minutes));
      for (const z of plan.zones) {
        const grams = s.gramsByZone[z.zone];
        const planned = all > 0 ? (plannedG * z.minutes) / all : 0;
        if (grams !== undefined && planned >= LEAST_ZONE_G) {
          say('zoneYields', planned, Math.max(grams, LEAST_ZONE_G / 2), z.zone, tool);
        }
      }
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

/** Whose hands were longest on a step. */
const mostOf = ({ by }: StepRecord): string | undefined =>
  Object.entries(by)
    .filter(([name]) => name !== '')
    .sort((a, b) => b[1] - a[1])[0]?.[0];

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
