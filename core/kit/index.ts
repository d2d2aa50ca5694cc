/** Decides which tools exist, what they do, and where they may and may not be used. */
export {
  WETNESS,
  TOOL_KINDS,
  TOOLS,
  BLADES,
  SLICKERS,
  RAKES,
  type Wetness,
  type ToolKind,
  type ToolRow,
  type Take,
  type Tool,
  toolRow,
} from './tools.ts';
export { BLADE_USES, MAT_WAYS, DEFAULT_HOUSE, type HouseRules } from './house.ts';
export {
  RULES,
  BLADE_REGIONS,
  type Rule,
  type RuleWhen,
  type RuleContext,
  type Severity,
  forbiddenBy,
  cautionsFor,
  rule,
} from './rules.ts';
export { type Fit, type FitResult, fitTool, reachOf } from './fit.ts';
