/** How a worked session is shown beside its plan: the stair that was really walked, and where the hair came from. */
import { sum } from '../quantity/index.ts';
import type { PlanStep } from '../bench/index.ts';
import type { ZoneId } from '../dog/index.ts';
import type { SessionRecord, StepRecord } from './record.ts';

const MS_PER_MINUTE = 60_000;
/** A step that was tapped away still has a tread. */
const LEAST_MINUTES = 0.5;

/** Minutes of a step as they were worked, or as somebody wrote them down. */
export const workedMinutes = (s: StepRecord): number => s.did?.minutes ?? s.workedMs / MS_PER_MINUTE;

/**
 * Steps as they were worked: their own minutes, the grams that were weighed (those planned where nobody weighed), and
 * what that leaves of the loose coat the visit began with.
 */
export function workedStair(record: SessionRecord, looseG: number): readonly PlanStep[] {
  let left = looseG;
  return record.steps.flatMap((s): PlanStep[] => {
    if (s.state !== 'done' && s.workedMs === 0) return [];
    const gramsOut = s.grams ?? s.plan.gramsOut;
    left = Math.max(0, left - gramsOut);
    return [
      {
        ...s.plan,
        minutes: Math.max(LEAST_MINUTES, Math.round(workedMinutes(s) * 10) / 10),
        gramsOut,
        shareLeft: looseG > 0 ? left / looseG : 0,
      },
    ];
  });
}

/** Hair by zone, most first: what was weighed there, and else each step's grams by the minutes that zones had of it. */
export function gramsByZone(
  record: SessionRecord,
): readonly { readonly zone: ZoneId; readonly grams: number; readonly weighed: boolean }[] {
  const found = new Map<ZoneId, { grams: number; weighed: boolean }>();
  const add = (zone: ZoneId, grams: number, weighed: boolean): void => {
    const own = found.get(zone) ?? { grams: 0, weighed: false };
    found.set(zone, { grams: own.grams + grams, weighed: own.weighed || weighed });
  };
  for (const s of record.steps) {
    if (s.grams === undefined) continue;
    const byZone = s.plan.zones.flatMap((z) => {
      const grams = s.gramsByZone[z.zone];
      return grams === undefined ? [] : [{ zone: z.zone, grams }];
    });
    for (const z of byZone) add(z.zone, z.grams, true);
    const rest = s.grams - sum(byZone.map((z) => z.grams));
    const others = s.plan.zones.filter((z) => !byZone.some((own) => own.zone === z.zone));
    const weight = (z: (typeof others)[number]): number => s.zoneMs[z.zone] ?? 0;
    const timed = sum(others.map(weight));
    const planned = sum(others.map((z) => z.minutes));
    for (const z of others) {
      const share = timed > 0 ? weight(z) / timed : planned > 0 ? z.minutes / planned : 0;
      add(z.zone, rest * share, false);
    }
  }
  return [...found].map(([zone, own]) => ({ zone, ...own })).sort((a, b) => b.grams - a.grams);
}

/** Hands' minutes by name, most first; '' for hands that nobody named. */
export function minutesByName(record: SessionRecord): readonly { readonly name: string; readonly minutes: number }[] {
  const found = new Map<string, number>();
  for (const s of record.steps)
    for (const [name, ms] of Object.entries(s.by)) found.set(name, (found.get(name) ?? 0) + ms);
  return [...found].map(([name, ms]) => ({ name, minutes: ms / MS_PER_MINUTE })).sort((a, b) => b.minutes - a.minutes);
}
