/** Coats that many tests need: one grade all over, with exceptions. */
import { ZONE_IDS, type CoatClass, type Dog, type ZoneId } from '../../core/dog/index.ts';
import type { CoatCheck, ZoneFindings } from '../../core/check/index.ts';
import { TOOL_KINDS, type Tool } from '../../core/kit/index.ts';
import { day } from '../../core/quantity/index.ts';

export const dogOf = (coatClass: CoatClass, weightKg: number, more: Partial<Dog> = {}): Dog => ({
  name: 'Example',
  breed: '',
  sex: 'female',
  coatClass,
  weightKg,
  traits: [],
  outdoorShare: 0.25,
  ...more,
});

export function checkOf(
  weightKg: number,
  backMm: number,
  all: ZoneFindings,
  exceptions: Partial<Record<ZoneId, ZoneFindings>> = {},
): CoatCheck {
  const zones = Object.fromEntries(ZONE_IDS.map((id) => [id, { ...all, ...exceptions[id] }]));
  return {
    day: day(20_000),
    weightKg,
    guardMm: { back: backMm, ruff: backMm * 1.3, breeches: backMm * 1.2 },
    zones,
    inspection: {},
    note: '',
  };
}

export const kitOf = (kinds: readonly Tool['kind'][]): readonly Tool[] =>
  kinds.map((kind) => ({ id: kind, kind, name: kind }));

export const FULL_KIT = kitOf(TOOL_KINDS);
export const HAND_KIT = kitOf(TOOL_KINDS.filter((k) => k !== 'bather'));
