/** Coat checks: the facts that hands and scales found, as they travel and as they are kept. */
import Joi from 'joi';
import {
  COMB_GRADES,
  FINGER_GRADES,
  GUARD_PLACES,
  INSPECTION_ANSWERS,
  INSPECTION_ITEMS,
  SKIN_FINDINGS,
  TIE_GRADES,
  TUG_GRADES,
  type Air,
  type GuardLengths,
  type Inspection,
  type ZoneFindings,
} from '../core/check/index.ts';
import { ZONE_IDS, type ZoneId } from '../core/dog/index.ts';
import { daySchema, idSchema, versionSchema } from './common.ts';

export interface CheckDraft {
  /** Made on the device, so that sending twice is the same as once. */
  readonly id: string;
  readonly day: string;
  readonly weightKg: number;
  readonly guardMm: GuardLengths;
  readonly zones: Partial<Readonly<Record<ZoneId, ZoneFindings>>>;
  readonly inspection: Inspection;
  readonly air?: Air;
  readonly note: string;
}
export interface CheckEdit extends Omit<CheckDraft, 'id'> {
  readonly version: number;
}
export interface CheckRecord extends CheckDraft {
  readonly dogId: string;
  readonly version: number;
}

const zoneFindings = Joi.object({
  finger: Joi.number().valid(...FINGER_GRADES),
  tug: Joi.number().valid(...TUG_GRADES),
  comb: Joi.string().valid(...COMB_GRADES),
  tie: Joi.string().valid(...TIE_GRADES),
  skin: Joi.string().valid(...SKIN_FINDINGS),
}).min(1);

const keyed = (keys: readonly string[], schema: Joi.Schema): Joi.ObjectSchema =>
  Joi.object(Object.fromEntries(keys.map((k) => [k, schema])));

/** Schema keys that hold the facts of a check, shared with the case file of the command line. */
export const checkFacts = {
  weightKg: Joi.number().min(0.5).max(120).required(),
  guardMm: keyed(GUARD_PLACES, Joi.number().min(1).max(300)).required(),
  zones: keyed(ZONE_IDS, zoneFindings).required(),
  inspection: keyed(INSPECTION_ITEMS, Joi.string().valid(...INSPECTION_ANSWERS)).required(),
  air: Joi.object({
    temperatureC: Joi.number().min(-40).max(60),
    humidityPct: Joi.number().min(0).max(100),
  }),
  note: Joi.string().max(4000).allow('').required(),
};

const fields = { day: daySchema.required(), ...checkFacts };
export const checkDraftSchema: Joi.ObjectSchema<CheckDraft> = Joi.object<CheckDraft>({
  id: idSchema.required(),
  ...fields,
}).label('check');
export const checkEditSchema: Joi.ObjectSchema<CheckEdit> = Joi.object<CheckEdit>({
  ...fields,
  version: versionSchema.required(),
}).label('check');

/** A dog's checks, newest first. */
export interface ChecksPage {
  readonly checks: readonly Pick<CheckRecord, 'id' | 'day' | 'weightKg'>[];
}
