/**
 * What can be asked about a plan: how the kit ranks in one zone at each phase of a method, and which rules
 * spoke anywhere on a dog.
 */
import type { ZoneId } from '../dog/index.ts';
import { stopsOf } from '../check/index.ts';
import { dogStopRule, rulesOn, WETNESS, type Ranking, type RuleContext, type Wetness } from '../kit/index.ts';
import { coatOf, ruleContext, ruleKeyOfDog, ruleKeyOfZone, workedIn, type CoatJob, type CoatZone } from './coat.ts';
import { method, phasesIn, type MethodId, type PhaseId } from './methods.ts';
import type { PlanRequest } from './request.ts';
import { noLookups, rankingIn } from './rankings.ts';

export interface PhaseRanking {
  readonly phase: PhaseId;
  readonly ranking: Ranking;
}

/**
 * The kit's ranking in a zone at each phase of a method that touches it, by the coat as it was found.
 * A tied zone has its ties phase alone until somebody has decided about the tie.
 */
export function zoneRankings(request: PlanRequest, id: ZoneId, methodId: MethodId): readonly PhaseRanking[] {
  const z = coatOf(request).zones.find((own) => own.id === id);
  if (!z) throw new RangeError(`no such zone: ${id}`);
  const job = { ...workedIn(request), seen: noLookups() };
  return phasesIn(method(methodId), request)
    .filter((phase) => (phase.work === 'ties') === (z.tie !== 'none'))
    .map((phase) => ({ phase: phase.id, ranking: rankingIn(z, phase, phase.wetness, job) }));
}

/** What rules look at in a zone, as it was found and, where a pelt stands, as the clipper leaves it. */
function contextsOf(z: CoatZone, wetness: Wetness, job: CoatJob): readonly RuleContext[] {
  const found = ruleContext(z, wetness, job);
  return z.tie === 'pelt' ? [found, { ...found, tie: 'none', condition: 'clear', clipped: true }] : [found];
}

/**
 * Rules that speak about any piece of the kit in any zone in any state of wetness, and whole-dog stops: rule id → zones
 * in which it spoke (a whole-dog stop counts every zone). seen: answers found already, for whoever asks about many dogs
 * with one kit in one house.
 */
export function rulesSpoken(
  request: PlanRequest,
  seen = new Map<string, ReadonlySet<string>>(),
): ReadonlyMap<string, number> {
  const { dog, check, kit } = request;
  const coat = coatOf(request);
  const job = workedIn(request);
  const ofDog = ruleKeyOfDog(job);
  const zones = new Map<string, number>();
  for (const z of coat.zones) {
    const key = `${ofDog} ${ruleKeyOfZone(z)}`;
    let said = seen.get(key);
    if (!said) {
      const ids = new Set<string>();
      for (const wetness of WETNESS) {
        for (const here of contextsOf(z, wetness, job)) {
          for (const piece of kit) for (const { id } of rulesOn(piece, here)) ids.add(id);
        }
      }
      said = ids;
    }
    seen.set(key, said);
    for (const id of said) zones.set(id, (zones.get(id) ?? 0) + 1);
  }
  for (const stop of stopsOf(check, dog.traits).dog) zones.set(dogStopRule(stop).id, coat.zones.length);
  return zones;
}
