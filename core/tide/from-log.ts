/** What the salon's own records say of a coat: a check is a touch, a worked session a visit. */
import { clamp, sum } from '../quantity/index.ts';
import { coatRow, zone, ZONE_IDS, type CoatClass, type Dog, type ZoneId } from '../dog/index.ts';
import {
  FINGER_GRADES,
  TIED,
  wholeCondition,
  zoneConditions,
  type CoatCheck,
  type FingerGrade,
  type ZoneFindings,
} from '../check/index.ts';
import { loadOfFinger, type Sighting } from './sightings.ts';
import { leftBySession, type WorkedSession } from './left-after.ts';
import { MINUTE_LOADS, type FoundCoat } from './tide-book.ts';

/** Means over the surface that was felt; undefined where nobody felt anything. */
export function touchOf(check: CoatCheck, coatClass: CoatClass): Extract<Sighting, { kind: 'touch' }> | undefined {
  const felt = zoneConditions(check, coatRow(coatClass)).filter((c) => c.kind !== 'stop' && !c.assumed);
  const all = sum(felt.map((c) => zone(c.zone).surfaceShare));
  if (all === 0) return undefined;
  const mean = (of: (c: (typeof felt)[number]) => number): number =>
    sum(felt.map((c) => of(c) * zone(c.zone).surfaceShare)) / all;
  return { kind: 'touch', day: check.day, finger: mean((c) => c.readings.finger), tug: mean((c) => c.readings.tug) };
}

/** A visit that took less than this of the loose coat says nothing: nails and ears were done. Guess. */
const LEAST_TAKES = 0.02;

/** What a worked session took, and what of it was weighed. */
export function visitOf(session: WorkedSession): Extract<Sighting, { kind: 'visit' }> | undefined {
  const { record, looseG } = session;
  const takes = 1 - leftBySession(session).leftShare;
  if (takes < LEAST_TAKES) return undefined;
  const planned = sum(record.steps.filter((s) => s.grams !== undefined).map((s) => s.plan.gramsOut));
  const share = looseG > 0 ? Math.min(1, planned / looseG) : 0;
  const weighed = record.gramsOut > 0 && share > 0.05;
  return {
    kind: 'visit',
    day: session.day,
    takes,
    ...(weighed && { weighed: { grams: record.gramsOut, share } }),
  };
}

/** What a check found that asks for a visit. */
export function foundCoat(check: CoatCheck, { coatClass }: Pick<Dog, 'coatClass'>): FoundCoat {
  const { kind } = wholeCondition(zoneConditions(check, coatRow(coatClass)));
  return {
    day: check.day,
    load: clamp(loadOfFinger(touchOf(check, coatClass)?.finger ?? 1), MINUTE_LOADS[0], 1),
    packed: kind === 'packed' || TIED.includes(kind),
  };
}

/** A tug that usually goes with a finger grade. Guess. */
const TUG_OF_FINGER = [1, 1, 2, 3, 3] as const;

/**
 * A check of this dog on a day when its coat is felt at a grade all over: as the newest check found it, fuller or emptier,
 * with the ties that nobody has worked since; even where there is none.
 */
export function checkAtGrade(
  dog: Pick<Dog, 'weightKg' | 'coatClass'>,
  grade: FingerGrade,
  day: CoatCheck['day'],
  newest: CoatCheck | undefined,
): CoatCheck {
  const found = newest ? zoneConditions(newest, coatRow(dog.coatClass)) : [];
  const mean = newest ? (touchOf(newest, dog.coatClass)?.finger ?? grade) : grade;
  const fingerOf = (felt: number): FingerGrade =>
    FINGER_GRADES[clamp(Math.round(felt + grade - mean), 0, FINGER_GRADES.length - 1)] ?? grade;
  const zones: Partial<Record<ZoneId, ZoneFindings>> = {};
  for (const id of ZONE_IDS) {
    const of = found.find((c) => c.zone === id)?.readings;
    const finger = fingerOf(of?.finger ?? grade);
    // What a vet must see first is not worked, and is no matter of minutes.
    zones[id] = { finger, tug: TUG_OF_FINGER[finger], tie: of?.tie ?? 'none', skin: 'clear' };
  }
  return {
    day,
    weightKg: newest?.weightKg ?? dog.weightKg,
    guardMm: newest?.guardMm ?? {},
    zones,
    inspection: {},
    note: '',
  };
}
