/** Decides which tools exist, what they do, where they may and may not be used, and which of them suits a zone best. */
export {
  WETNESS,
  TOOL_KINDS,
  TOOLS,
  BLADES,
  SLICKERS,
  RAKES,
  TIPS,
  MATERIALS,
  NOZZLES,
  HEATS,
  type Wetness,
  type ToolKind,
  type ToolRow,
  type ToolMeasures,
  type Take,
  type Tool,
  toolRow,
  usualDbA,
} from './tools.ts';
export {
  BLADE_USES,
  MAT_WAYS,
  SLICKER_ORDERS,
  SLICKER_DEPTHS,
  STROKES,
  SPRAYS,
  WET_BRUSHING,
  BATH_RHYTHMS,
  SALON_RHYTHMS,
  QUARRELS,
  BATH_GAP_DAYS,
  DEFAULT_QUARRELS,
  DEFAULT_HOUSE,
  type HouseRules,
  type Quarrel,
  type Quarrels,
} from './house.ts';
export { RULES, SEVERITIES, BLADE_REGIONS, type Rule, type RuleWhen, type Severity } from './rule-table.ts';
export {
  type Piece,
  type RuleContext,
  forbiddenBy,
  cautionsFor,
  preferredBy,
  rulesOn,
  dogStopRule,
  rule,
  ruleBand,
  findRule,
} from './rules.ts';
export { type Action, actionOf } from './action.ts';
export {
  FIT_MEASURES,
  type Fit,
  type FitMeasure,
  type FitPart,
  type FitResult,
  type StandIn,
  coatDepthMm,
  depthMm,
  fitTool,
  reachOf,
} from './fit.ts';
export {
  SUBSTITUTES,
  type Beaten,
  type Chosen,
  type Edge,
  type Ranking,
  type Substitute,
  type Takers,
  edgeOver,
  rankAmong,
  rankTools,
  reasonsOf,
  takersOf,
} from './rank.ts';
export { bestCover, bestCovers, type Cover } from './cover.ts';
export { FIRST_KIT, SHOP, type ShopPiece } from './shop.ts';
export {
  UPKEEP,
  UPKEEP_ACTS,
  DISINFECTED,
  type Due,
  type Upkeep,
  type UpkeepAct,
  type UpkeepRow,
  type Use,
  type Wear,
  wearOf,
} from './wear.ts';
export { TOOL_STROKES, strokeOf, type StrokeRow } from './strokes.ts';
