/** The kit: pieces of the salon and of owners with their measures, what they cost, and what was done to keep them. */
import Joi from 'joi';
import {
  HEATS,
  MATERIALS,
  NOZZLES,
  TIPS,
  TOOL_KINDS,
  UPKEEP_ACTS,
  type Rule,
  type Tool,
  type UpkeepAct,
  type Wear,
} from '../core/kit/index.ts';
import type { Coverage, PhaseRanking } from '../core/bench/index.ts';
import type { ZoneId } from '../core/dog/index.ts';
import { daySchema, idSchema, nameLine, versionSchema } from './common.ts';

export interface ToolDraft extends Omit<Tool, 'id'> {
  readonly costCents: number | null;
  /** In use since, a plain date, or null when nobody wrote it down. */
  readonly since: string | null;
  /** The dog in whose home it lies, or null for a piece of the salon. */
  readonly homeOf: string | null;
}
export interface NewTool extends ToolDraft {
  readonly id: string;
}
export interface ToolEdit extends ToolDraft {
  /** Off the wall: kept for its history, not planned with. */
  readonly retired: boolean;
  readonly version: number;
}
export interface ToolRecord extends ToolEdit {
  readonly id: string;
}

export interface UpkeepDraft {
  readonly id: string;
  readonly toolId: string;
  readonly act: UpkeepAct;
  readonly day: string;
}

/** The wall as the room shows it. */
export interface KitPage {
  readonly today: number;
  readonly currency: string;
  readonly tools: readonly ToolRecord[];
  /** By id of the tool. */
  readonly wear: Readonly<Record<string, Wear>>;
  readonly upkeep: readonly UpkeepDraft[];
}

export interface RulesPage {
  readonly rules: readonly Rule[];
  /** Dogs with a check, over which the counts below go. */
  readonly dogs: number;
  /** By id of the rule: dogs, and zones of them, in which it speaks with today's kit and house. */
  readonly spoken: Readonly<Record<string, { readonly dogs: number; readonly zones: number }>>;
}

export interface RankingsPage {
  readonly zone: ZoneId;
  readonly phases: readonly PhaseRanking[];
}
export type { Coverage };

const fields = {
  kind: Joi.string()
    .valid(...TOOL_KINDS)
    .required(),
  name: nameLine(60).required(),
  pinMm: Joi.number().min(1).max(80),
  spacingMm: Joi.number().min(0.2).max(20),
  tip: Joi.string().valid(...TIPS),
  widthMm: Joi.number().min(5).max(400),
  rows: Joi.number().integer().min(1).max(40),
  turning: Joi.boolean(),
  flexing: Joi.boolean(),
  wetSafe: Joi.boolean(),
  material: Joi.string().valid(...MATERIALS),
  airLps: Joi.number().min(1).max(500),
  dbA: Joi.number().min(30).max(130),
  heat: Joi.string().valid(...HEATS),
  nozzles: Joi.array()
    .items(Joi.string().valid(...NOZZLES))
    .unique(),
};
const kept = {
  ...fields,
  costCents: Joi.number().integer().min(0).max(10_000_000).allow(null).required(),
  since: daySchema.allow(null).required(),
  homeOf: idSchema.allow(null).required(),
};
/** What a form asks of a piece. */
export const toolFactsSchema: Joi.ObjectSchema<ToolDraft> = Joi.object<ToolDraft>(kept).label('tool');
/** A new piece under an id of its own: sent twice it is one. */
export const newToolSchema: Joi.ObjectSchema<NewTool> = Joi.object<NewTool>({ id: idSchema.required(), ...kept }).label(
  'tool',
);
export const toolEditSchema: Joi.ObjectSchema<ToolEdit> = Joi.object<ToolEdit>({
  ...kept,
  retired: Joi.boolean().required(),
  version: versionSchema.required(),
}).label('tool');
/** A piece as a case file holds it. */
export const toolSchema: Joi.ObjectSchema<Tool> = Joi.object<Tool>({ id: idSchema.required(), ...fields });

export interface UpkeepBatch {
  readonly entries: readonly UpkeepDraft[];
}
const upkeepSchema = Joi.object({
  id: idSchema.required(),
  toolId: idSchema.required(),
  act: Joi.string()
    .valid(...UPKEEP_ACTS)
    .required(),
  day: daySchema.required(),
});
export const upkeepBatchSchema: Joi.ObjectSchema<UpkeepBatch> = Joi.object<UpkeepBatch>({
  entries: Joi.array().items(upkeepSchema).min(1).max(200).required(),
}).label('batch');
