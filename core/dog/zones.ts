/**
 * Decides which parts of a dog are felt, worked and recorded apart, and what is special about each.
 * Shares of the body surface and undercoat depth factors are guesses; traps are common practice.
 */
import { COMMON_PRACTICE, GUESS, type Source } from '../quantity/index.ts';

export const PAIRED_REGIONS = [
  'face',
  'ears',
  'ruff',
  'shoulder',
  'foreleg',
  'ribs',
  'armpit',
  'groin',
  'hip',
  'breeches',
  'hindleg',
  'forefoot',
  'hindfoot',
] as const;
export const MID_REGIONS = ['throat', 'chest', 'back', 'belly', 'rump', 'tail'] as const;

export type PairedRegion = (typeof PAIRED_REGIONS)[number];
export type MidRegion = (typeof MID_REGIONS)[number];
export type Region = PairedRegion | MidRegion;
export type Side = 'left' | 'right' | 'mid';
/** `ruff.left`, `ruff.right`, `back`. */
export type ZoneId = `${PairedRegion}.left` | `${PairedRegion}.right` | MidRegion;

export interface RegionRow {
  readonly region: Region;
  /** As said aloud, lower case. */
  readonly name: string;
  /** Share of the whole body surface, both sides together; all regions add up to 1. */
  readonly surfaceShare: number;
  /** Undercoat per area against the dog's mean. */
  readonly undercoatFactor: number;
  /** How much working the skin takes here, 1 = torso; thin or bony places take less. */
  readonly skinTolerance: number;
  /** Position in a working order that misses nothing: from the feet up, head last. */
  readonly order: number;
  /** What goes wrong here. */
  readonly trap: string;
  readonly shareSource: Source;
  readonly trapSource: Source;
}

const row = (
  region: Region,
  name: string,
  surfaceShare: number,
  undercoatFactor: number,
  skinTolerance: number,
  order: number,
  trap: string,
): RegionRow => ({
  region,
  name,
  surfaceShare,
  undercoatFactor,
  skinTolerance,
  order,
  trap,
  shareSource: GUESS,
  trapSource: COMMON_PRACTICE,
});

export const REGIONS: readonly RegionRow[] = [
  row('face', 'face and cheek', 0.05, 0.3, 0.5, 19, 'Comb only. Hold the head, small strokes.'),
  row('ears', 'ear and behind it', 0.02, 0.6, 0.4, 18, 'Soft hair that knots. No blade.'),
  row(
    'ruff',
    'neck and ruff',
    0.12,
    1.7,
    1,
    17,
    'Deepest coat. Loop and collar off first. A comb reaches knots that a rake misses.',
  ),
  row('throat', 'throat and bib', 0.03, 0.9, 0.6, 16, 'Saliva, dirt, skin folds: spread the skin flat.'),
  row('chest', 'chest', 0.06, 1.1, 0.9, 15, 'Folds: spread the skin flat.'),
  row('shoulder', 'shoulder', 0.08, 1.1, 1, 14, 'Keep the skin taut over the blade of the shoulder.'),
  row('foreleg', 'foreleg and feathers', 0.07, 0.6, 0.7, 13, 'Seeds and burrs in the feathers. Bone under the skin.'),
  row('back', 'back', 0.09, 1, 1, 10, 'A clean topline can hide packed underparts.'),
  row('ribs', 'ribs', 0.12, 1.1, 1, 9, 'Level strokes: ribs stand close under the skin.'),
  row('belly', 'belly and tuck', 0.06, 0.4, 0.4, 8, 'Thin skin, sparse hair: very light.'),
  row('armpit', 'armpit', 0.02, 0.7, 0.35, 11, 'Friction mats on thin skin.'),
  row('groin', 'groin', 0.02, 0.5, 0.35, 7, 'Friction mats on thin skin.'),
  row('hip', 'loin and hip', 0.07, 1.3, 1, 6, 'Dense. Sore hips in old dogs: light hands.'),
  row('rump', 'rump', 0.03, 1.3, 0.7, 5, 'Bone near the skin at the tail root.'),
  row(
    'breeches',
    'breeches',
    0.05,
    1.8,
    0.8,
    3,
    'Densest with the ruff. Clumps hang here; keep it clean under the tail.',
  ),
  row('hindleg', 'hind leg and hock', 0.06, 0.7, 0.6, 2, 'Bone under the skin at the hock.'),
  row('tail', 'tail', 0.03, 1.3, 0.5, 4, 'Very sensitive: support it with the other hand, small pieces.'),
  row('forefoot', 'front foot and pads', 0.01, 0.3, 0.4, 12, 'Hair between the pads. Fine comb only.'),
  row('hindfoot', 'hind foot and pads', 0.01, 0.3, 0.4, 1, 'Hair between the pads. Fine comb only.'),
];

const BY_REGION = new Map(REGIONS.map((r) => [r.region, r]));

/** The row of a region. */
export function regionRow(region: Region): RegionRow {
  const found = BY_REGION.get(region);
  if (!found) throw new RangeError(`no such region: ${region}`);
  return found;
}

export interface Zone {
  readonly id: ZoneId;
  readonly region: Region;
  readonly side: Side;
  /** Share of the whole body surface of this zone alone. */
  readonly surfaceShare: number;
}

const isPaired = (region: Region): region is PairedRegion => PAIRED_REGIONS.some((r) => r === region);

/** All zones in working order, left before right. */
export const ZONES: readonly Zone[] = [...REGIONS]
  .sort((a, b) => a.order - b.order)
  .flatMap((r): Zone[] => {
    const { region, surfaceShare } = r;
    if (!isPaired(region)) return [{ id: region, region, side: 'mid', surfaceShare }];
    return [
      { id: `${region}.left`, region, side: 'left', surfaceShare: surfaceShare / 2 },
      { id: `${region}.right`, region, side: 'right', surfaceShare: surfaceShare / 2 },
    ];
  });

export const ZONE_IDS: readonly ZoneId[] = ZONES.map((z) => z.id);

const BY_ID = new Map(ZONES.map((z) => [z.id, z]));

/** The zone of an id. */
export function zone(id: ZoneId): Zone {
  const found = BY_ID.get(id);
  if (!found) throw new RangeError(`no such zone: ${id}`);
  return found;
}

export const isZoneId = (text: string): text is ZoneId => ZONE_IDS.some((id) => id === text);

/** The same zone on the other side; a middle zone is its own mirror. */
export function mirrorZone(id: ZoneId): ZoneId {
  const { region, side } = zone(id);
  if (!isPaired(region) || side === 'mid') return id;
  return side === 'left' ? `${region}.right` : `${region}.left`;
}

/** A zone as said aloud: "left breeches", "back". */
export function zoneName(id: ZoneId): string {
  const z = zone(id);
  const { name } = regionRow(z.region);
  return z.side === 'mid' ? name : `${z.side} ${name}`;
}
