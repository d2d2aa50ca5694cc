/** What a coat check holds: facts only, as felt and measured on one day. */
import type { Day } from '../quantity/index.ts';
import { isZoneId, type Region, type ZoneId } from '../dog/index.ts';
import type { Inspection } from './inspection.ts';
import type { ZoneFindings } from './scales.ts';

/** Places where guard hair is measured; each stands for the regions that are like it. */
export const GUARD_PLACES = ['back', 'ruff', 'breeches'] as const;
export type GuardPlace = (typeof GUARD_PLACES)[number];
export type GuardLengths = Partial<Readonly<Record<GuardPlace, number>>>;

export interface CoatCheck {
  readonly day: Day;
  readonly weightKg: number;
  /** Guard hair in millimetres by place; a missing place falls back on the coat class. */
  readonly guardMm: GuardLengths;
  readonly zones: Partial<Readonly<Record<ZoneId, ZoneFindings>>>;
  readonly inspection: Inspection;
  readonly note: string;
  /** The air of the day, where somebody read it. */
  readonly air?: Air | undefined;
  /** A vet has said since that a pelt over much of a frail dog may be worked. */
  readonly peltAllowed?: boolean | undefined;
}

/** Zones with findings, in the order in which they were noted. */
export const zoneEntries = (check: Pick<CoatCheck, 'zones'>): readonly (readonly [ZoneId, ZoneFindings])[] =>
  Object.entries(check.zones).flatMap(([id, findings]) => (isZoneId(id) && findings ? [[id, findings] as const] : []));

export interface Air {
  readonly temperatureC?: number | undefined;
  /** Relative humidity, 0..100. */
  readonly humidityPct?: number | undefined;
}

/** Hair length against the measured place, for regions that nobody measures. Guess. */
const LENGTH_LIKE: Readonly<Record<Region, { readonly place: GuardPlace; readonly factor: number }>> = {
  face: { place: 'back', factor: 0.3 },
  ears: { place: 'back', factor: 0.8 },
  ruff: { place: 'ruff', factor: 1 },
  throat: { place: 'ruff', factor: 0.7 },
  chest: { place: 'ruff', factor: 0.9 },
  shoulder: { place: 'back', factor: 1 },
  foreleg: { place: 'back', factor: 0.5 },
  back: { place: 'back', factor: 1 },
  ribs: { place: 'back', factor: 1 },
  belly: { place: 'back', factor: 0.6 },
  armpit: { place: 'back', factor: 0.5 },
  groin: { place: 'back', factor: 0.4 },
  hip: { place: 'back', factor: 1 },
  rump: { place: 'back', factor: 1 },
  breeches: { place: 'breeches', factor: 1 },
  hindleg: { place: 'back', factor: 0.4 },
  tail: { place: 'breeches', factor: 1 },
  forefoot: { place: 'back', factor: 0.3 },
  hindfoot: { place: 'back', factor: 0.3 },
};

/**
 * Guard hair in a region in millimetres, from what was measured at back, ruff and breeches.
 * classMiddleMm stands in for a place that was not measured.
 */
export function guardLengthMm(lengths: GuardLengths, region: Region, classMiddleMm: number): number {
  const { place, factor } = LENGTH_LIKE[region];
  return (lengths[place] ?? lengths.back ?? classMiddleMm) * factor;
}
