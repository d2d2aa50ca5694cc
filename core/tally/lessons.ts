/**
 * What one worked session has to say about pace and grams, step by step: the little that is kept of a long log for
 * learning from many (learn.ts).
 */
import { sum } from '../quantity/index.ts';
import type { PlanStep } from '../bench/index.ts';
import type { ZoneId } from '../dog/index.ts';
import type { ToolKind } from '../kit/index.ts';
import { WORKED_MS, type SessionRecord, type StepRecord } from '../table/index.ts';

/** Pace and grams that a plan was made with, against the start values. */
export interface Reckoned {
  readonly pace: Partial<Readonly<Record<ToolKind, number>>>;
  readonly grams: number;
}

/** An amount against its plan at the start values: minutes or grams. */
export interface Ratioed {
  readonly planned: number;
  readonly measured: number;
}
export interface ZoneRatioed extends Ratioed {
  readonly zone: ZoneId;
}

/** What a step that was worked has to say. */
export interface StepLesson {
  /** As `stepKey` names it. */
  readonly step: string;
  readonly tool: ToolKind;
  /** Whose hands were longest on it. */
  readonly person: string | undefined;
  readonly minutes: Ratioed | undefined;
  readonly zoneMinutes: readonly ZoneRatioed[];
  readonly grams: Ratioed | undefined;
  readonly zoneGrams: readonly ZoneRatioed[];
}

/** A plan of fewer grams, or a zone worked for less, says more about the scale and the clock than about hair and hands. */
const LEAST_G = 2;
const LEAST_ZONE_G = 0.5;
const LEAST_ZONE_MS = 10_000;
const MS_PER_MINUTE = 60_000;

/** The step of a plan as the log names it: what is done, and with what kind of piece. */
export const stepKey = ({ phase, tool }: Pick<PlanStep, 'phase' | 'tool'>): string => `${phase} ${tool.kind}`;

/** Steps left out, done otherwise or tapped away say nothing about pace. */
const timed = (s: StepRecord): boolean => s.state === 'done' && !s.did && s.workedMs >= WORKED_MS;

/** Whose hands were longest on a step. */
const mostOf = ({ by }: StepRecord): string | undefined =>
  Object.entries(by)
    .filter(([name]) => name !== '')
    .sort((a, b) => b[1] - a[1])[0]?.[0];

/**
 * The lessons of a session; steps that say nothing are left out. What its plan had already computed in is taken out again, or
 * it would be learnt twice.
 */
export const stepLessons = (
  { steps, worker }: Pick<SessionRecord, 'steps' | 'worker'>,
  reckoned?: Reckoned,
): readonly StepLesson[] =>
  steps.flatMap((s): StepLesson[] => {
    const { plan } = s;
    const paced = reckoned?.pace[plan.tool.kind] ?? 1;
    const plannedG = plan.gramsOut / (reckoned?.grams ?? 1);
    const isTimed = timed(s);
    const isWeighed = s.grams !== undefined && plannedG >= LEAST_G;
    const allMinutes = sum(plan.zones.map((z) => z.minutes));
    const zoneGrams = plan.zones.flatMap(({ zone, minutes }) => {
      const grams = s.gramsByZone[zone];
      const planned = allMinutes > 0 ? (plannedG * minutes) / allMinutes : 0;
      return grams !== undefined && planned >= LEAST_ZONE_G
        ? [{ zone, planned, measured: Math.max(grams, LEAST_ZONE_G / 2) }]
        : [];
    });
    if (!isTimed && !isWeighed && zoneGrams.length === 0) return [];
    const zoneMinutes = plan.zones.flatMap(({ zone, minutes }) => {
      const ms = s.zoneMs[zone] ?? 0;
      return isTimed && ms >= LEAST_ZONE_MS ? [{ zone, planned: minutes / paced, measured: ms / MS_PER_MINUTE }] : [];
    });
    return [
      {
        step: stepKey(plan),
        tool: s.did?.tool ?? plan.tool.kind,
        person: mostOf(s) ?? worker,
        minutes: isTimed ? { planned: plan.minutes / paced, measured: s.workedMs / MS_PER_MINUTE } : undefined,
        zoneMinutes,
        grams: isWeighed ? { planned: plannedG, measured: Math.max(s.grams ?? 0, LEAST_ZONE_G) } : undefined,
        zoneGrams,
      },
    ];
  });
