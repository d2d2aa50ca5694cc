/** The salon: where it is, its side in the open quarrels, its rates, its tools. */
import Joi from 'joi';
import { BLADE_USES, MAT_WAYS, TOOL_KINDS, type HouseRules, type Tool } from '../core/kit/index.ts';
import { idSchema, lineSchema, versionSchema } from './common.ts';

export interface SalonDraft {
  readonly name: string;
  readonly town: string;
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  /** IANA name. */
  readonly timeZone: string;
  readonly house: HouseRules;
}
export interface SalonEdit extends SalonDraft {
  readonly version: number;
}
export type SalonRecord = SalonEdit;

export type ToolDraft = Omit<Tool, 'id'>;

const weight = Joi.number().min(0).max(1000).required();
export const houseSchema: Joi.ObjectSchema<HouseRules> = Joi.object<HouseRules>({
  blade: Joi.string()
    .valid(...BLADE_USES)
    .required(),
  bladeMinutes: Joi.number().integer().min(0).max(20).required(),
  mats: Joi.string()
    .valid(...MAT_WAYS)
    .required(),
  weights: Joi.object({ hairOut: weight, minutes: weight, skin: weight, comfort: weight, dust: weight }).required(),
  rates: Joi.object({
    currency: Joi.string()
      .pattern(/^[A-Z]{3}$/)
      .required(),
    perHourCents: Joi.number().integer().min(0).max(10_000_000).required(),
    minimumCents: Joi.number().integer().min(0).max(10_000_000).required(),
    roundToCents: Joi.number().integer().min(1).max(100_000).required(),
  }).required(),
  openWeekdays: Joi.array().items(Joi.number().integer().min(1).max(7)).unique().min(1).required(),
  hours: Joi.object({
    openMinute: Joi.number().integer().min(0).max(1439).required(),
    closeMinute: Joi.number().integer().min(1).max(1440).greater(Joi.ref('openMinute')).required(),
  }).required(),
  tables: Joi.number().integer().min(1).max(50).required(),
}).label('house');

/** Is the name a time zone that this machine's calendar knows. */
function knownTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

export const salonEditSchema: Joi.ObjectSchema<SalonEdit> = Joi.object<SalonEdit>({
  name: lineSchema(80).min(1).required(),
  town: lineSchema(80).allow('').required(),
  latitudeDeg: Joi.number().min(-90).max(90).required(),
  longitudeDeg: Joi.number().min(-180).max(180).required(),
  timeZone: Joi.string()
    .max(60)
    .custom((value: string, helpers) => (knownTimeZone(value) ? value : helpers.error('zone.unknown')))
    .messages({ 'zone.unknown': '{{#label}} must be an IANA time zone such as Europe/Helsinki, not "{{#value}}"' })
    .required(),
  house: houseSchema.required(),
  version: versionSchema.required(),
}).label('salon');

const toolFields = {
  kind: Joi.string()
    .valid(...TOOL_KINDS)
    .required(),
  name: lineSchema(60).min(1).required(),
  pinMm: Joi.number().min(1).max(80),
  spacingMm: Joi.number().min(0.2).max(20),
};
export const toolDraftSchema: Joi.ObjectSchema<ToolDraft> = Joi.object<ToolDraft>(toolFields).label('tool');
export const toolSchema: Joi.ObjectSchema<Tool> = Joi.object<Tool>({ id: idSchema.required(), ...toolFields });
