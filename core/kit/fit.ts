/**
 * Decides how well a piece of the kit suits one zone in one state, 0..1 with its parts,
 * so that a chosen tool can say what it beat and on which measure.
 */
import { clamp } from '../quantity/index.ts';
import { toolRow, type Tool, type Wetness } from './tools.ts';
import { forbiddenBy, type Rule, type RuleContext } from './rules.ts';

/** Undercoat stands in the lower part of the coat; pins this share of the guard hair long touch the bottom. Guess. */
const UNDERCOAT_DEPTH_SHARE = 0.35;

export interface Fit {
  readonly tool: Tool;
  /** 0 useless … 1 made for it. Product of the parts. */
  readonly fit: number;
  /** Does it touch the bottom of the coat. */
  readonly reach: number;
  /** Is the hair long enough to keep its points off the skin. */
  readonly kindness: number;
  /** Share of deep and packed hair it moves when worked fully here. */
  readonly yield: number;
}

export type FitResult =
  | ({ readonly kind: 'fits' } & Fit)
  | { readonly kind: 'forbidden'; readonly tool: Tool; readonly rule: Rule }
  | { readonly kind: 'useless'; readonly tool: Tool; readonly wetness: Wetness };

/** How far a tool reaches into hair of this length, 0..1: by its pins where measured, else as its kind usually does. */
export function reachOf(tool: Pick<Tool, 'kind' | 'pinMm'>, guardMm: number): number {
  const byKind = toolRow(tool.kind).reachMm / Math.max(guardMm, 1);
  const byPins = tool.pinMm === undefined ? byKind : tool.pinMm / Math.max(guardMm * UNDERCOAT_DEPTH_SHARE, 1);
  return clamp(Math.min(byKind, byPins), 0, 1);
}

/** Fit of one tool in one context, or the rule or state that rules it out. */
export function fitTool(tool: Tool, context: RuleContext): FitResult {
  const rule = forbiddenBy(tool.kind, context);
  if (rule) return { kind: 'forbidden', tool, rule };
  const row = toolRow(tool.kind);
  const take = row.take[context.wetness];
  if (!take) return { kind: 'useless', tool, wetness: context.wetness };
  const reach = reachOf(tool, context.guardMm);
  const kindness = row.kindAboveMm === 0 ? 1 : clamp(context.guardMm / row.kindAboveMm, 0.05, 1);
  const worth = take.free * 0.2 + take.deep * 0.5 + take.open * 0.3;
  return { kind: 'fits', tool, fit: reach * kindness * worth, reach, kindness, yield: worth };
}
