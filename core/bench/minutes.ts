/** How long hands, water, towel and air take. Every figure is in figures.ts. */
import type { Quarrels, ToolKind, Wetness } from '../kit/index.ts';
import type { TieGrade } from '../check/index.ts';
import { FIGURES, type Figures } from './figures.ts';

const CM2_PER_M2 = 10_000;

/** Minutes for a number of whole passes over a zone by hand, at the piece's pace on a short coat. */
export const handMinutes = (
  cm2PerMinute: number,
  areaM2: number,
  guardMm: number,
  passes: number,
  wetness: Wetness,
  f: Figures = FIGURES,
): number =>
  ((passes * areaM2 * CM2_PER_M2 * (1 + guardMm / f.lineMm)) / (cm2PerMinute * f.columnPace)) *
  (wetness === 'soapy' ? f.soapSlows : 1);

/** Minutes in one tied zone, by tie and tool; wet: water got to it first. */
export function tieMinutes(
  tool: ToolKind,
  tie: TieGrade,
  spray: Quarrels['spray'],
  wet = false,
  f: Figures = FIGURES,
): number {
  const byComb = { none: 0, knot: f.knotMinutes, mat: f.matMinutes, pelt: f.peltMinutes }[tie];
  const speed =
    tool === 'mat-splitter'
      ? f.splitterTime
      : tool === 'clipper'
        ? f.clipperTime
        : tool === 'comb' && spray === 'spray'
          ? f.sprayTime
          : 1;
  return byComb * speed * (wet ? f.wetTieTime : 1);
}

/** A bath of two washes: water and soap to the skin, millilitres the coat holds, plates that keep soap out. */
export function bathMinutes(
  areaM2: number,
  heldMlPerM2: number,
  packedShare: number,
  bather: boolean,
  f: Figures = FIGURES,
): number {
  const byHand = f.bathFixed + areaM2 * (f.bathPerM2 + f.bathPerMl * heldMlPerM2) * (1 + f.plateSlows * packedShare);
  return bather ? byHand * f.batherShare : byHand;
}

/** The second wash and rinse after work in the soap. */
export const rewashMinutes = (areaM2: number, heldMlPerM2: number, bather: boolean, f: Figures = FIGURES): number =>
  bathMinutes(areaM2, heldMlPerM2, 0, bather, f) * f.rewashShare;

export const mistMinutes = (areaM2: number, f: Figures = FIGURES): number => f.mistFixed + f.mistPerM2 * areaM2;
export const towelMinutes = (areaM2: number, f: Figures = FIGURES): number => f.towelFixed + f.towelPerM2 * areaM2;

/** Air at which drying rates hold, relative humidity. */
const USUAL_HUMIDITY_PCT = 50;

/** Minutes to dry to the skin after a towel; humidityPct: air of the day, usual when nobody read it. */
export const dryingMinutes = (
  areaM2: number,
  heldMlPerM2: number,
  force: boolean,
  humidityPct = USUAL_HUMIDITY_PCT,
  f: Figures = FIGURES,
): number =>
  f.dryFixed +
  ((areaM2 * heldMlPerM2) / (force ? f.forceMl : f.standMl)) *
    (1 + f.humiditySlows * (humidityPct - USUAL_HUMIDITY_PCT));

/** Blowing out a dirty dry coat. */
export const airMinutes = (areaM2: number, f: Figures = FIGURES): number => f.airFixed + f.airPerM2 * areaM2;
