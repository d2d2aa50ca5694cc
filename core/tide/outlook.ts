/** Decides a dog's outlook from its facts: what stands in the coat now, when it should come, how badly. */
import { sum, type Day } from '../quantity/index.ts';
import { coatRow, isZoneId, zone, type Dog, type ZoneId } from '../dog/index.ts';
import { stopsOf, zoneConditions, type CoatCheck, type CombGrade } from '../check/index.ts';
import { looseUndercoatG } from '../bench/index.ts';
import type { SessionRecord } from '../table/index.ts';
import { leftAfter } from './learn.ts';
import { visitNeed, type Need } from './need.ts';
import type { Quarrels } from '../kit/index.ts';
import type { HomeCare } from './home-care.ts';
import { nextVisit, tideBehind, type NextVisit } from './next-visit.ts';
import { releaseCurve } from './prior.ts';
import type { Place, TideName } from './seasons.ts';

export interface WorkedSession {
  readonly day: Day;
  readonly looseG: number;
  readonly record: SessionRecord;
}

export interface OutlookRequest {
  readonly dog: Dog;
  readonly homeCare: HomeCare;
  readonly place: Place;
  readonly openWeekdays: readonly number[];
  /** The house's side in how long a dog may wait. */
  readonly rhythm?: Quarrels['rhythm'] | undefined;
  readonly today: Day;
  readonly check?: CoatCheck | undefined;
  readonly session?: WorkedSession | undefined;
  readonly booked?: Day | undefined;
}

export interface Outlook {
  readonly need: Need;
  readonly next: NextVisit | undefined;
  /** The tide that runs today at the salon's latitude for this dog. */
  readonly tide: TideName | 'baseline';
}

/** Share of the surface on which the comb proof gave a grade. */
function proofShare(comb: Partial<Readonly<Record<ZoneId, CombGrade>>>, grade: CombGrade): number {
  return sum(Object.entries(comb).map(([id, g]) => (g === grade && isZoneId(id) ? zone(id).surfaceShare : 0)));
}

/** Loose grams and share left in the coat at the end of a worked session. */
export function leftBySession({ looseG, record }: WorkedSession): { leftG: number; leftShare: number } {
  const done = record.steps.filter((s) => s.state === 'done').map((s) => s.plan);
  const weighed = record.steps.filter((s) => s.grams !== undefined).map((s) => s.plan);
  return leftAfter({
    expectedLooseG: looseG,
    expectedWeighedG: sum(weighed.map((s) => s.gramsOut)),
    weighedG: record.gramsOut,
    expectedShareLeft: looseG === 0 ? 0 : Math.max(0, 1 - sum(done.map((s) => s.gramsOut)) / looseG),
    dragShare: proofShare(record.comb, 'drags'),
    stopShare: proofShare(record.comb, 'stops'),
  });
}

/** Outlook of one dog on a day. The newer of check and session speaks; a dog with neither has no next date. */
export function outlook(request: OutlookRequest): Outlook {
  const { dog, place, today, check, session, homeCare, openWeekdays, rhythm, booked } = request;
  const tide = tideBehind(releaseCurve(dog, place, today, 1).pulses, today);
  const worked = session && (!check || session.day >= check.day) ? session : undefined;
  const stops = check && !worked ? stopsOf(check, dog.traits) : undefined;
  const awaitsVet = stops !== undefined && (stops.dog.length > 0 || stops.zones.length > 0);

  let next: NextVisit | undefined;
  if (worked) {
    next = nextVisit({ dog, place, homeCare, openWeekdays, rhythm, from: worked.day, ...leftBySession(worked) });
  } else if (check) {
    const leftG = looseUndercoatG(dog, check, zoneConditions(check, coatRow(dog.coatClass)));
    next = nextVisit({ dog, place, homeCare, openWeekdays, rhythm, from: check.day, leftG, leftShare: undefined });
  }
  const need = visitNeed({
    today,
    lastCheck: check?.day,
    lastVisit: session?.day,
    awaitsVet,
    next,
    booked,
  });
  return { need, next, tide };
}
