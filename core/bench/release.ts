/**
 * What hair a step takes out of a zone and what it costs the skin.
 *
 * Loose undercoat stands in three pools: free (falls at a touch), deep (between the live hairs) and packed
 * (held in a plate until something opens it). A step works with effect e = 1 - exp(-k · passes), so more
 * work always takes more and never everything. Grams are conserved: what leaves a pool is out, or deep.
 */
import { clamp } from '../quantity/index.ts';
import type { CoatClassRow, RegionRow } from '../dog/index.ts';
import { FINGER_GRADES, type FingerGrade, type Readings } from '../check/index.ts';
import type { Take, Wetness } from '../kit/index.ts';
import { FIGURES, type Figures } from './figures.ts';

export interface HairPools {
  readonly freeG: number;
  readonly deepG: number;
  readonly packedG: number;
}

export const poolsTotalG = (p: HairPools): number => p.freeG + p.deepG + p.packedG;

/** Share of the class's full load that stands in a zone by finger-to-skin grade. Guess. */
export const LOAD_BY_FINGER = [0.05, 0.16, 0.42, 0.75, 1] as const;
/** The tug test corrects it: what comes at a pull is loose, what does not is live. Guess. */
const LOAD_BY_TUG = [0.6, 0.85, 1.05, 1.25] as const;
/** Share that is free already, by tug. Guess. */
const FREE_BY_TUG = [0.08, 0.15, 0.25, 0.35] as const;
/** Share held in plates, by finger grade; a comb that stops adds, one that glides takes away. Guess. */
const PACKED_BY_FINGER = [0, 0.02, 0.1, 0.45, 0.7] as const;

/** Loose undercoat in a zone when every finger test reads "a plate", grams. */
export const fullLoadG = (coat: CoatClassRow, region: RegionRow, areaM2: number, f: Figures = FIGURES): number =>
  coat.fullLoadGPerM2 * f.columnLoad * areaM2 * region.undercoatFactor;

/** The finger grade as which this share of the full load is felt. */
export function fingerAt(shareOfFull: number): FingerGrade {
  let grade: FingerGrade = 0;
  for (const g of FINGER_GRADES) if (shareOfFull >= (LOAD_BY_FINGER[g] + (LOAD_BY_FINGER[g - 1] ?? 0)) / 2) grade = g;
  return grade;
}

/**
 * Loose undercoat in a zone before work, grams in three pools, from the touch tests.
 * areaM2 is the zone's own surface.
 */
export function poolsFromReadings(
  readings: Readings,
  coat: CoatClassRow,
  region: RegionRow,
  areaM2: number,
  f: Figures = FIGURES,
): HairPools {
  const total = fullLoadG(coat, region, areaM2, f) * LOAD_BY_FINGER[readings.finger] * LOAD_BY_TUG[readings.tug];
  const combShift = readings.comb === 'stops' ? 0.1 : readings.comb === 'glides' ? -0.1 : 0;
  const packed = coat.packs ? clamp(PACKED_BY_FINGER[readings.finger] + combShift, 0, 0.85) : 0;
  const free = Math.min(FREE_BY_TUG[readings.tug], 1 - packed);
  return { freeG: total * free, deepG: total * (1 - free - packed), packedG: total * packed };
}

/** Effect of a number of passes, 0..1. */
export const effectOfPasses = (passes: number, f: Figures = FIGURES): number => 1 - Math.exp(-f.effectPerPass * passes);

/**
 * Effect of water, towel or air, 1 when it had all the minutes it needs: fewer do less, more do hardly more.
 * share: minutes given over minutes needed.
 */
export const effectOfWater = (share: number, f: Figures = FIGURES): number =>
  (1 - Math.exp(-f.waterTells * share)) / (1 - Math.exp(-f.waterTells));

/**
 * One step on one zone. take: what the tool can do in this state; reach 0..1: how far it gets into the coat;
 * effect 0..1. Returns the pools after it; what is missing from them is out.
 */
export function workPools(pools: HairPools, take: Take, reach: number, effect: number): HairPools {
  const opened = pools.packedG * take.open * reach * effect;
  const deep = pools.deepG + opened;
  return {
    freeG: pools.freeG * (1 - take.free * effect),
    deepG: deep * (1 - take.deep * reach * effect),
    packedG: pools.packedG - opened,
  };
}

/** Share of what the pools hold that is left after a step, 0..1: workPools added up. */
export function shareLeftBy(pools: HairPools, take: Take, reach: number, effect: number): number {
  const opened = pools.packedG * take.open * reach * effect;
  const left =
    pools.freeG * (1 - take.free * effect) +
    (pools.deepG + opened) * (1 - take.deep * reach * effect) +
    pools.packedG -
    opened;
  return left / poolsTotalG(pools);
}

/**
 * Passes after which no more than targetLeft (0..1) of what the pools hold is left, or Infinity where a tool never
 * gets there. Solves workPools for the effect: the total that is out is a quadratic in it.
 */
export function passesUntil(
  pools: HairPools,
  take: Take,
  reach: number,
  targetLeft: number,
  f: Figures = FIGURES,
): number {
  const wanted = (1 - targetLeft) * poolsTotalG(pools);
  if (wanted <= 0) return 0;
  const linear = pools.freeG * take.free + pools.deepG * take.deep * reach;
  const square = pools.packedG * take.open * take.deep * reach * reach;
  const effect =
    square < 1e-12 ? wanted / linear : (Math.sqrt(linear * linear + 4 * square * wanted) - linear) / (2 * square);
  return effect < 1 ? -Math.log(1 - effect) / f.effectPerPass : Infinity;
}

/** How much more a pass loads the skin by the shield that stands there, 0..1: 1 under all of it. */
export const shieldFactor = (shield: number, f: Figures): number => f.bareSkin - (f.bareSkin - 1) * clamp(shield, 0, 1);

/**
 * Skin load of one pass, as a share of what a torso bears in a visit (1).
 * shield 0..1: share of the undercoat found at the start that still stands between tool and skin.
 */
export const skinLoadPerPass = (skinPerPass: number, shield: number, soapy: boolean, f: Figures = FIGURES): number =>
  skinPerPass * f.columnSkin * shieldFactor(shield, f) * (soapy ? f.soapSkin : 1);

/** Topcoat wear of one pass, as a share of the guard hair. frays: of one full dry working of long hair. */
export const wearPerPass = (frays: number, guardMm: number, wetness: Wetness, f: Figures = FIGURES): number =>
  frays * f.columnFray * f.wearPerPass * Math.min(1, guardMm / f.wearLengthMm) * (wetness === 'dry' ? 1 : f.wearWet);
