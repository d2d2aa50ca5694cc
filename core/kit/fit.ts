/**
 * How well a piece of the kit suits one zone in one state: 0..1 as the product of measured parts,
 * so that a chosen piece can say what it beat and on which measure.
 *
 * The fit of a piece never depends on what else hangs on the wall: one more piece can only raise the best fit.
 */
import { clamp } from '../quantity/index.ts';
import { regionRow } from '../dog/index.ts';
import type { FingerGrade } from '../check/index.ts';
import { actionOf } from './action.ts';
import type { Rule } from './rule-table.ts';
import { forbiddenBy, preferredBy, type Piece, type RuleContext } from './rules.ts';
import { toolRow, type Tool, type ToolKind, type Wetness } from './tools.ts';

export const FIT_MEASURES = ['reach', 'spacing', 'topcoat', 'skin', 'speed', 'yield'] as const;
export type FitMeasure = (typeof FIT_MEASURES)[number];

/** One part of a fit: its score, what was measured, and what the coat asks for. */
export interface FitPart {
  readonly measure: FitMeasure;
  /** 0 hopeless … 1 nothing to wish for. */
  readonly score: number;
  /**
   * reach: mm of coat the piece gets down; spacing: mm between pins; topcoat: share of guard hair a working frays;
   * skin: one pass as a share of what the skin bears here; speed: cm² a minute; yield: share of loose hair a working moves.
   */
  readonly value: number;
  /** reach: mm of coat there is; spacing: mm that suit this undercoat; else the figure at which the score is 1. */
  readonly against: number;
}

export interface Fit {
  readonly tool: Tool;
  /** 0 useless … 1 made for it. */
  readonly fit: number;
  readonly parts: Readonly<Record<FitMeasure, FitPart>>;
  /** Does it touch the bottom of the coat, 0..1; the score of that part. */
  readonly reach: number;
  /** Rule that moved it up, if any. */
  readonly preferred?: Rule | undefined;
  /** What it stands in for, where it is not of the kinds that the phase asks for. */
  readonly standsIn?: StandIn | undefined;
}

/** The kind stood in for, and what a usual piece of it would have been worth here. */
export interface StandIn {
  readonly for: ToolKind;
  readonly loss: string;
  readonly fit: number;
  /** Share of loose hair that a working with it would move. */
  readonly yield: number;
}

export type FitResult =
  | ({ readonly kind: 'fits' } & Fit)
  | { readonly kind: 'forbidden'; readonly tool: Tool; readonly rule: Rule }
  | { readonly kind: 'useless'; readonly tool: Tool; readonly wetness: Wetness };

/** Undercoat stands in the lower part of the coat; pins this share of the guard hair long touch the bottom. Guess. */
const UNDERCOAT_DEPTH_SHARE = 0.35;
/** The gap that suits an undercoat, against the kind's usual gap, by finger grade: dense wool wants room. Guess. */
const GAP_BY_GRADE: Readonly<Record<FingerGrade, number>> = { 0: 0.8, 1: 0.88, 2: 1, 3: 1.12, 4: 1.25 };
/** A gap off by this factor costs about 40 % of the score. Guess. */
const GAP_TOLERANCE = 1.7;
/** Guard hair as long as this shows every frayed end, mm. Guess. */
const FRAY_LENGTH_MM = 60;
/** Water and soap spare guard hair. Guess. */
const FRAY_WET = 0.65;
/** How much one pass over bare hair costs more than over hair long enough for the points. Guess. */
const LEAST_KINDNESS = 0.05;
/** The pace at which nobody waits, cm² a minute; and how little a slow piece is held against it. Guess. */
const BRISK_CM2 = 2600;
const SPEED_POWER = 0.12;
/** A preferred piece stands this much better than its measures. Guess. */
const PREFERENCE = 1.15;

/** Depth of coat that a piece gets down, mm: by its pins where measured, else as its kind usually does. */
export function depthMm({ kind, pinMm }: Pick<Piece, 'kind' | 'pinMm'>): number {
  const byKind = toolRow(kind).reachMm * UNDERCOAT_DEPTH_SHARE;
  return pinMm === undefined ? byKind : Math.min(byKind, pinMm);
}
/** Depth of coat there is under guard hair of this length, mm. */
export const coatDepthMm = (guardMm: number): number => Math.max(guardMm, 1) * UNDERCOAT_DEPTH_SHARE;

/** How far a piece reaches into hair of this length, 0..1. */
export const reachOf = (piece: Pick<Piece, 'kind' | 'pinMm'>, guardMm: number): number =>
  clamp(depthMm(piece) / coatDepthMm(guardMm), 0, 1);

/** Share of what a zone may hold that a full working moves; deep hair counts most, since water and hands take the rest. */
const worth = (take: { free: number; deep: number; open: number }): number =>
  take.free * 0.2 + take.deep * 0.5 + take.open * 0.3;

/** Fit of one piece in one context, or the rule or state that rules it out. */
export function fitTool(tool: Tool, here: RuleContext): FitResult {
  const rule = forbiddenBy(tool, here);
  if (rule) return { kind: 'forbidden', tool, rule };
  const action = actionOf(tool, here.wetness, here.house);
  if (!action) return { kind: 'useless', tool, wetness: here.wetness };
  const row = toolRow(tool.kind);
  const [got, asked] = [depthMm(tool), coatDepthMm(here.guardMm)];
  const suits = row.usual.spacingMm * GAP_BY_GRADE[here.grade];
  const gap = tool.spacingMm ?? row.usual.spacingMm;
  const long = clamp(here.guardMm / FRAY_LENGTH_MM, 0, 1) * (here.wetness === 'dry' ? 1 : FRAY_WET);
  const kindness = row.kindAboveMm === 0 ? 1 : clamp(here.guardMm / row.kindAboveMm, LEAST_KINDNESS, 1);
  const bears = regionRow(here.region).skinTolerance * kindness;
  const parts: Fit['parts'] = {
    reach: part('reach', clamp(got / asked, 0, 1), got, asked),
    spacing: part('spacing', suits === 0 ? 1 : nearness(gap / suits), gap, suits),
    topcoat: part('topcoat', 1 - action.frays * long, action.frays * long, 0),
    skin: part('skin', clamp(1 - action.skinPerPass / bears, 0.02, 1), action.skinPerPass / bears, 0),
    speed: part(
      'speed',
      action.cm2PerMinute === 0 ? 1 : Math.min(1, action.cm2PerMinute / BRISK_CM2) ** SPEED_POWER,
      action.cm2PerMinute,
      BRISK_CM2,
    ),
    yield: part('yield', worth(action.take), worth(action.take), 1),
  };
  const preferred = preferredBy(tool, here);
  const measured =
    parts.reach.score *
    parts.spacing.score *
    parts.topcoat.score *
    parts.skin.score *
    parts.speed.score *
    parts.yield.score;
  return {
    kind: 'fits',
    tool,
    fit: Math.min(1, measured * (preferred ? PREFERENCE : 1)),
    parts,
    reach: parts.reach.score,
    preferred,
  };
}

const part = (measure: FitMeasure, score: number, value: number, against: number): FitPart => ({
  measure,
  score,
  value,
  against,
});

const LN_TOLERANCE = Math.log(GAP_TOLERANCE);
/** 1 at the wished-for ratio, falling off alike on both sides. */
function nearness(ratio: number): number {
  const off = Math.log(ratio) / LN_TOLERANCE;
  return Math.exp(-(off * off) / 2);
}
