/** What the salon's own records say of a coat: a check is a touch, a worked session a visit. */
import { sum } from '../quantity/index.ts';
import { coatRow, zone, type CoatClass } from '../dog/index.ts';
import { zoneConditions, type CoatCheck } from '../check/index.ts';
import type { Sighting } from './sightings.ts';
import { leftBySession, type WorkedSession } from './outlook.ts';

/** Means over the surface that was felt; undefined where nobody felt anything. */
export function touchOf(check: CoatCheck, coatClass: CoatClass): Extract<Sighting, { kind: 'touch' }> | undefined {
  const felt = zoneConditions(check, coatRow(coatClass)).filter((c) => c.kind !== 'stop' && !c.assumed);
  const all = sum(felt.map((c) => zone(c.zone).surfaceShare));
  if (all === 0) return undefined;
  const mean = (of: (c: (typeof felt)[number]) => number): number =>
    sum(felt.map((c) => of(c) * zone(c.zone).surfaceShare)) / all;
  return { kind: 'touch', day: check.day, finger: mean((c) => c.readings.finger), tug: mean((c) => c.readings.tug) };
}

/** A visit that took nothing out says nothing. */
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
