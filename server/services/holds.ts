/** The holds of each dog, as its log has them now. */
import { coatCheck } from '../../contract/check-facts.ts';
import { traitsOf } from '../today.ts';
import type { DogHolds } from '../../contract/hold.ts';
import type { DogRecord } from '../../contract/dog.ts';
import {
  byWaiting,
  holdsOf,
  stopsMet,
  waitsForVet,
  type FoundStop,
  type Hold,
  type HoldFact,
} from '../../core/check/index.ts';
import { closesPart, zonesOfPart } from '../../core/home/index.ts';
import { ZONE_IDS } from '../../core/dog/index.ts';
import { day, parseDay, type Day } from '../../core/quantity/index.ts';
import type { SessionRecord } from '../../core/table/index.ts';
import type { AppContext } from '../context.ts';
import { recordOf } from './worked-sessions.ts';

/** What stops work of what was met at the table, or felt there at the end. */
const stopsAtTable = ({ met, felt }: SessionRecord): readonly FoundStop[] => [
  ...met.flatMap((m) => stopsMet(m.zone, m.skin)),
  ...ZONE_IDS.flatMap((zone) => stopsMet(zone, felt[zone]?.skin)),
];

/** A fact that is not a check. */
type DatedFact = Exclude<HoldFact, { kind: 'check' }>;

/** All facts of a dog's log that bear on its holds. */
function factsOf({ stores }: AppContext, dogId: string): readonly HoldFact[] {
  const table = stores.holds.suspectSessions(dogId).flatMap((id): DatedFact[] => {
    const session = stores.sessions.find(id);
    return session ? [{ kind: 'table', day: day(session.day), stops: stopsAtTable(recordOf(stores, session)) }] : [];
  });
  const owner = stores.home.reportsOf(dogId).flatMap((r): DatedFact[] => {
    const on = parseDay(r.day);
    const { kind } = r;
    if (on === undefined || r.part === null || !closesPart(kind)) return [];
    return [
      { kind: 'owner', day: on, note: r.note, stops: zonesOfPart(r.part).map((place) => ({ place, finding: kind })) },
    ];
  });
  const since = Math.min(stores.holds.firstSuspect(dogId) ?? Infinity, ...[...table, ...owner].map((f) => f.day));
  if (since === Infinity) return [];
  const checks = stores.checks.linesOf(dogId, since).flatMap(({ id }): HoldFact[] => {
    const check = stores.checks.find(id);
    return check ? [{ kind: 'check', check: coatCheck(check) }] : [];
  });
  const vets = stores.holds.wordsOf(dogId).map(({ id: _, dogId: _d, ...w }): HoldFact => ({ kind: 'vet', ...w }));
  return [...checks, ...table, ...owner, ...vets];
}

/** What of a dog waits for a vet, or is to be left alone. */
export function holdsNow(context: AppContext, dog: HeldDog, today: Day): readonly Hold[] {
  // A dog grows old between two writes about it.
  const traits = traitsOf(dog, today);
  return context.memos.holds.of(dog.id, `${context.stores.touched.ofDog(dog.id)} ${traits.join()}`, () =>
    holdsOf(factsOf(context, dog.id), traits),
  );
}
type HeldDog = Pick<DogRecord, 'id' | 'traits' | 'born' | 'weightKg'>;

/** The same as the Desk shows it, with what vets have said. */
export const dogHolds = (context: AppContext, dog: DogRecord, today: Day): DogHolds => ({
  dogId: dog.id,
  name: dog.name,
  ownerName: dog.owner.name,
  phone: dog.owner.phone,
  holds: holdsNow(context, dog, today),
  words: context.stores.holds.wordsOf(dog.id).map(({ dogId: _, ...w }) => w),
});

/** Who waits comes first, and of those who waits longest. */
export const inOrderOfWaiting = (dogs: readonly DogHolds[]): readonly DogHolds[] =>
  [...dogs].sort((a, b) => Number(waitsForVet(b.holds)) - Number(waitsForVet(a.holds)) || byWaiting(a, b));
