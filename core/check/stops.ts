/**
 * Decides where work stops and a vet should look: in a zone, or for the whole dog.
 * Common practice. The tool never diagnoses: it says what was found and who should see it.
 */
import { sum } from '../quantity/index.ts';
import { zone, type DogTrait, type ZoneId } from '../dog/index.ts';
import { zoneEntries, type CoatCheck } from './check.ts';
import { INSPECTION, type InspectionItem } from './inspection.ts';
import type { SkinFinding } from './scales.ts';

/** Skin findings with which a zone is not worked. */
export const STOPPING_SKIN: ReadonlySet<SkinFinding> = new Set<SkinFinding>([
  'hot-spot',
  'wound',
  'new-lump',
  'parasites',
]);

/** Felt over more of the skin than this, a pelt on a frail dog is for a vet. Guess. */
const WIDE_PELT_SHARE = 0.3;
export type ZoneStop = { readonly zone: ZoneId; readonly finding: SkinFinding };
export type DogStop =
  | { readonly code: 'inspection'; readonly item: InspectionItem }
  | { readonly code: 'parasites'; readonly zones: number }
  | { readonly code: 'wide-pelt-frail'; readonly surfaceShare: number };
/** What stops a dog, as rules name it: the item of the inspection, or the code of the finding. */
export type DogStopCode = InspectionItem | Exclude<DogStop['code'], 'inspection'>;

export interface Stops {
  /** Reasons not to groom this dog at all today. */
  readonly dog: readonly DogStop[];
  /** Zones left alone. */
  readonly zones: readonly ZoneStop[];
}

const FRAIL: readonly DogTrait[] = ['senior', 'sore-joints', 'heart-trouble', 'puppy-coat'];

/** All stops of a check for a dog with these traits. */
export function stopsOf(check: CoatCheck, traits: readonly DogTrait[]): Stops {
  const entries = zoneEntries(check).map(([id, findings]) => ({ zone: id, findings }));
  const zones = entries.flatMap(({ zone: z, findings }): ZoneStop[] =>
    findings.skin && STOPPING_SKIN.has(findings.skin) ? [{ zone: z, finding: findings.skin }] : [],
  );
  const dog: DogStop[] = INSPECTION.filter(
    (row) => row.onTrouble === 'stop-dog' && check.inspection[row.item] === 'trouble',
  ).map((row) => ({ code: 'inspection', item: row.item }));
  const parasiteZones = zones.filter((s) => s.finding === 'parasites').length;
  // What crawls in one zone is on the whole dog, and soon on the next. Common practice.
  if (parasiteZones > 0) dog.push({ code: 'parasites', zones: parasiteZones });
  const pelted = sum(entries.filter((e) => e.findings.tie === 'pelt').map((e) => zone(e.zone).surfaceShare));
  if (!check.peltAllowed && pelted > WIDE_PELT_SHARE && traits.some((t) => FRAIL.includes(t))) {
    dog.push({ code: 'wide-pelt-frail', surfaceShare: pelted });
  }
  return { dog, zones };
}
