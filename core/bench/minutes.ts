/** Decides how long hands, water, towel and air take. Every constant here is a guess until the log corrects it. */
import type { Quarrels, ToolKind, Wetness } from '../kit/index.ts';
import type { TieGrade } from '../check/index.ts';

const CM2_PER_M2 = 10_000;
/** Long hair is worked in lines: time grows by this for every 90 mm of guard hair. */
const LINE_MM = 90;

/** Soap is worked area by area and put back where it ran off. */
const SOAP_SLOWS = 1.2;

/** Minutes for a number of whole passes over a zone by hand, at the piece's pace on a short coat. */
export const handMinutes = (
  cm2PerMinute: number,
  areaM2: number,
  guardMm: number,
  passes: number,
  wetness: Wetness,
): number =>
  ((passes * areaM2 * CM2_PER_M2 * (1 + guardMm / LINE_MM)) / cm2PerMinute) * (wetness === 'soapy' ? SOAP_SLOWS : 1);

/** Minutes in one tied zone, by tie, with the comb; other tools are quicker and cost hair. */
const TIE_MINUTES: Readonly<Record<TieGrade, number>> = { none: 0, knot: 2, mat: 6, pelt: 12 };
const TIE_SPEED: Partial<Readonly<Record<ToolKind, number>>> = { 'mat-splitter': 0.6, clipper: 0.3 };
/** Slip saves work on ties by hand. Guess. */
const SPRAY_SAVES = 0.85;
export const tieMinutes = (tool: ToolKind, tie: TieGrade, spray: Quarrels['spray']): number =>
  TIE_MINUTES[tie] * (TIE_SPEED[tool] ?? 1) * (tool === 'comb' && spray === 'spray' ? SPRAY_SAVES : 1);

/** A bath of two washes: water and soap to the skin, grams of water the coat holds, plates that keep soap out. */
export function bathMinutes(areaM2: number, heldWaterMlPerM2: number, packedShare: number, bather: boolean): number {
  const byHand = 3 + areaM2 * (5.5 + 0.01 * heldWaterMlPerM2) * (1 + 0.25 * packedShare);
  return bather ? byHand / 2 : byHand;
}

/** The second wash and rinse after work in the soap. */
export const rewashMinutes = (areaM2: number, heldWaterMlPerM2: number, bather: boolean): number =>
  bathMinutes(areaM2, heldWaterMlPerM2, 0, bather) * 0.55;

export const mistMinutes = (areaM2: number): number => 1 + 2 * areaM2;
export const towelMinutes = (areaM2: number): number => 1.5 + 2.5 * areaM2;

/** Millilitres a minute that leave the coat. */
const FORCE_DRYER_ML_PER_MINUTE = 48;
const STAND_DRYER_ML_PER_MINUTE = 17;
/** Air at which the rates above hold, and how much slower each point of humidity above it dries. Guess. */
const USUAL_HUMIDITY_PCT = 50;
const SLOWER_PER_POINT = 0.006;

/** Minutes to dry to the skin; humidityPct: air of the day, usual when nobody read it. */
export const dryingMinutes = (
  areaM2: number,
  heldWaterMlPerM2: number,
  force: boolean,
  humidityPct = USUAL_HUMIDITY_PCT,
): number =>
  2 +
  ((areaM2 * heldWaterMlPerM2) / (force ? FORCE_DRYER_ML_PER_MINUTE : STAND_DRYER_ML_PER_MINUTE)) *
    (1 + SLOWER_PER_POINT * (humidityPct - USUAL_HUMIDITY_PCT));

/** Blowing out a dirty dry coat. */
export const airMinutes = (areaM2: number): number => 2 + 9 * areaM2;
