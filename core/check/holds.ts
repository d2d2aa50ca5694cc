/**
 * Decides what waits for a vet. What stops work opens a hold on a zone or on the whole dog, wherever it was found, and it
 * stands until a fact ends it: a later check that finds the place clear, or the word of a vet who has seen it. Time ends
 * none. Common practice: the tool never diagnoses, and a vet's word goes before it.
 */
import type { Day } from '../quantity/index.ts';
import type { DogTrait, ZoneId } from '../dog/index.ts';
import { zoneEntries, type CoatCheck } from './check.ts';
import { INSPECTION, INSPECTION_ITEMS, type InspectionItem } from './inspection.ts';
import type { SkinFinding, ZoneFindings } from './scales.ts';
import { STOPPING_SKIN, stopsOf, type DogStop, type DogStopCode } from './stops.ts';

export type HoldPlace = ZoneId | 'dog';
/** What an owner found that somebody must see before the part is brushed again. */
export type OwnerFinding = 'lump' | 'red-skin';
export type HoldFinding = SkinFinding | DogStopCode | OwnerFinding;
export const HOLD_FINDINGS: readonly HoldFinding[] = [
  ...new Set<HoldFinding>([
    ...STOPPING_SKIN,
    ...INSPECTION.flatMap((row) => (row.onTrouble === 'stop-dog' ? [row.item] : [])),
    'wide-pelt-frail',
    'lump',
    'red-skin',
  ]),
];
export const HOLD_SOURCES = ['check', 'table', 'owner'] as const;
export type HoldSource = (typeof HOLD_SOURCES)[number];

/** What may be done after a vet has seen it: all again, or all but that place (of a whole dog: nothing yet). */
export const VET_ALLOWS = ['as-usual', 'not-there'] as const;
export type VetAllows = (typeof VET_ALLOWS)[number];

/** A vet has seen it: when, who says so, of which places, and what may be done. */
export interface VetWord {
  readonly day: Day;
  readonly who: string;
  /** Of the whole dog it is about every place. */
  readonly places: readonly HoldPlace[];
  /** What was found there: something else, found the same day, the vet has not seen. */
  readonly findings: readonly HoldFinding[];
  readonly allows: VetAllows;
  readonly note: string;
}

export interface Hold {
  readonly place: HoldPlace;
  readonly since: Day;
  readonly finding: HoldFinding;
  readonly source: HoldSource;
  /** In the words of who found it; '' for none. */
  readonly note: string;
  /** A vet has seen it, and the place is still to be left alone. */
  readonly seen?: VetWord | undefined;
}

export interface FoundStop {
  readonly place: HoldPlace;
  readonly finding: HoldFinding;
}

/** What bears on holds, as it stands in the log. */
export type HoldFact =
  | { readonly kind: 'check'; readonly check: CoatCheck }
  | { readonly kind: 'table'; readonly day: Day; readonly stops: readonly FoundStop[] }
  | { readonly kind: 'owner'; readonly day: Day; readonly stops: readonly FoundStop[]; readonly note: string }
  | ({ readonly kind: 'vet' } & VetWord);

/** Within a day a dog is checked, then worked; what an owner saw that day was seen after, and a vet knew of all. */
const IN_A_DAY: Readonly<Record<HoldFact['kind'], number>> = { check: 0, table: 1, owner: 2, vet: 3 };
const dayOf = (fact: HoldFact): Day => (fact.kind === 'check' ? fact.check.day : fact.day);

const codeOf = (stop: DogStop): DogStopCode => (stop.code === 'inspection' ? stop.item : stop.code);

/** What of a check stops work. */
export function stopsFound(check: CoatCheck, traits: readonly DogTrait[]): readonly FoundStop[] {
  const { dog, zones } = stopsOf(check, traits);
  return [
    ...dog.map((stop) => ({ place: 'dog' as const, finding: codeOf(stop) })),
    ...zones.map(({ zone, finding }) => ({ place: zone, finding })),
  ];
}

/** What of skin that was met in a zone stops work: what crawls there is on the whole dog. */
export function stopsMet(zone: ZoneId, skin: SkinFinding | undefined): readonly FoundStop[] {
  if (!skin || !STOPPING_SKIN.has(skin)) return [];
  const there = { place: zone, finding: skin };
  return skin === 'parasites' ? [{ place: 'dog', finding: skin }, there] : [there];
}

const isItem = (finding: HoldFinding): finding is InspectionItem => INSPECTION_ITEMS.some((item) => item === finding);

/** Does a check say that a place is clear: it was looked at again, and what was found there was not. */
function findsClear({ place, finding }: Hold, { zones, inspection }: CoatCheck): boolean {
  if (place !== 'dog') return zones[place]?.skin !== undefined;
  return isItem(finding) ? inspection[finding] !== undefined : Object.keys(zones).length > 0;
}

/** What stands of a dog's holds, oldest first, from facts in the order in which they were written. */
export function holdsOf(facts: readonly HoldFact[], traits: readonly DogTrait[]): readonly Hold[] {
  const standing = new Map<string, Hold>();
  const open = (stops: readonly FoundStop[], of: Omit<Hold, keyof FoundStop>): void => {
    for (const stop of stops) {
      const key = stop.place === 'dog' ? `dog ${stop.finding}` : stop.place;
      const before = standing.get(key);
      // Found again after a vet saw it: that is news.
      if (!before || before.seen) standing.set(key, { ...of, ...stop });
    }
  };
  const ordered = [...facts].sort((a, b) => dayOf(a) - dayOf(b) || IN_A_DAY[a.kind] - IN_A_DAY[b.kind]);
  for (const fact of ordered) {
    if (fact.kind === 'check') {
      const { check } = fact;
      const stops = stopsFound(check, traits);
      for (const [key, hold] of standing) {
        const again = stops.some((s) => s.place === hold.place && (hold.place !== 'dog' || s.finding === hold.finding));
        if (!again && findsClear(hold, check)) standing.delete(key);
      }
      open(stops, { since: check.day, source: 'check', note: check.note });
    } else if (fact.kind === 'vet') {
      const { kind: _, ...word } = fact;
      for (const [key, hold] of standing) {
        const isAbout = word.places.includes('dog') || word.places.includes(hold.place);
        if (!isAbout || !word.findings.includes(hold.finding)) continue;
        if (word.allows === 'as-usual') standing.delete(key);
        else standing.set(key, { ...hold, seen: word });
      }
    } else open(fact.stops, { since: fact.day, source: fact.kind, note: fact.kind === 'owner' ? fact.note : '' });
  }
  return [...standing.values()].sort((a, b) => a.since - b.since);
}

/** The places of holds: 'dog' alone where the whole dog waits. */
export const placesHeld = (holds: readonly Pick<Hold, 'place'>[]): 'dog' | readonly ZoneId[] => {
  const zones = holds.flatMap(({ place }) => (place === 'dog' ? [] : [place]));
  return zones.length < holds.length ? 'dog' : [...new Set(zones)].sort();
};

/** Who waits longest first, then by name: for lists of dogs with holds. */
export const byWaiting = (
  a: { readonly name: string; readonly holds: readonly Hold[] },
  b: { readonly name: string; readonly holds: readonly Hold[] },
): number => (a.holds[0]?.since ?? 0) - (b.holds[0]?.since ?? 0) || a.name.localeCompare(b.name);

/** Does something wait for a vet who has not seen it yet. */
export const waitsForVet = (holds: readonly Hold[]): boolean => holds.some((h) => !h.seen);

/** Skin that stops a zone as a check would write it. An owner's words are taken for the worse of what they may mean. */
const SKIN_OF: Readonly<Record<OwnerFinding, SkinFinding>> = { lump: 'new-lump', 'red-skin': 'hot-spot' };
const skinOf = (finding: HoldFinding): SkinFinding => {
  if (finding === 'lump' || finding === 'red-skin') return SKIN_OF[finding];
  return finding === 'hot-spot' || finding === 'wound' || finding === 'parasites' ? finding : 'new-lump';
};
/** Skin of a zone that a vet has allowed again: a lump is known now; skin that has healed is worked as if it were pink. */
const allowed = (skin: SkinFinding): SkinFinding =>
  skin === 'new-lump' ? 'lump' : skin === 'parasites' ? 'clear' : 'pink';

/**
 * A dog's newest check, changed by the holds that stand today. A place on hold may not be worked, whoever found the trouble;
 * one that a vet has released since may be.
 */
export function asHeld(check: CoatCheck, holds: readonly Hold[], traits: readonly DogTrait[]): CoatCheck {
  const zones: Partial<Record<ZoneId, ZoneFindings>> = { ...check.zones };
  const heldZones = new Map(holds.flatMap((h) => (h.place === 'dog' ? [] : [[h.place, h.finding] as const])));
  for (const [zone, found] of zoneEntries(check))
    if (found.skin && STOPPING_SKIN.has(found.skin) && !heldZones.has(zone))
      zones[zone] = { ...found, skin: allowed(found.skin) };
  for (const [zone, finding] of heldZones) zones[zone] = { ...zones[zone], skin: skinOf(finding) };
  const ofDog = holds.flatMap((h) => (h.place === 'dog' ? [h.finding] : []));
  const inspection = { ...check.inspection };
  for (const { item, onTrouble } of INSPECTION)
    if (ofDog.includes(item)) inspection[item] = 'trouble';
    else if (inspection[item] === 'trouble' && onTrouble === 'stop-dog') inspection[item] = 'watch';
  const pelt = stopsOf(check, traits).dog.some((s) => s.code === 'wide-pelt-frail');
  const peltAllowed = pelt && !ofDog.includes('wide-pelt-frail');
  return { ...check, zones, inspection, ...(peltAllowed && { peltAllowed }) };
}
