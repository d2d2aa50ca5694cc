/** The case file of the command line: one dog, one check, a kit, house rules. Format `woolly-tide/case`, version 1. */
import Joi from 'joi';
import { COAT_CLASSES, DOG_TRAITS, SEXES, type Dog } from '../core/dog/index.ts';
import { parseDay } from '../core/quantity/index.ts';
import { DEFAULT_HOUSE, type HouseRules, type Tool } from '../core/kit/index.ts';
import type { PlanRequest } from '../core/bench/index.ts';
import { checkFacts, type CheckDraft } from './check.ts';
import { coatCheck } from './check-facts.ts';
import { checked, daySchema, type Invalid } from './common.ts';
import { toolSchema } from './kit.ts';
import { caseHouseSchema } from './salon.ts';

export const CASE_FORMAT = 'woolly-tide/case';
export const CASE_VERSION = 1;

export interface CaseFile {
  readonly format: typeof CASE_FORMAT;
  readonly version: typeof CASE_VERSION;
  readonly title?: string;
  readonly day: string;
  readonly dog: Omit<Dog, 'born' | 'weightKg'> & { readonly born?: string };
  readonly check: Omit<CheckDraft, 'id' | 'day'>;
  readonly kit: readonly Tool[];
  readonly house?: HouseRules;
}

const caseSchema: Joi.ObjectSchema<CaseFile> = Joi.object<CaseFile>({
  format: Joi.string().valid(CASE_FORMAT).required(),
  version: Joi.number().valid(CASE_VERSION).required(),
  title: Joi.string().max(200),
  day: daySchema.required(),
  dog: Joi.object({
    name: Joi.string().min(1).max(60).required(),
    breed: Joi.string().max(60).allow('').required(),
    sex: Joi.string()
      .valid(...SEXES)
      .required(),
    born: daySchema,
    coatClass: Joi.string()
      .valid(...COAT_CLASSES)
      .required(),
    traits: Joi.array()
      .items(Joi.string().valid(...DOG_TRAITS))
      .unique()
      .required(),
    outdoorShare: Joi.number().min(0).max(1).required(),
    standingMinutes: Joi.number().integer().min(5).max(480),
  }).required(),
  check: Joi.object(checkFacts).required(),
  kit: Joi.array().items(toolSchema).unique('id').max(200).required(),
  house: caseHouseSchema,
}).label('case');

/** Reads a parsed JSON value as a case: what to plan, or the field and sentence that stand in the way. */
export function readCase(
  value: unknown,
): { readonly ok: true; readonly value: PlanRequest } | { readonly ok: false; readonly error: Invalid } {
  const outcome = checked(caseSchema, value);
  if (!outcome.ok) return outcome;
  const { day, dog, check, kit, house } = outcome.value;
  const { born, ...rest } = dog;
  return {
    ok: true,
    value: {
      dog: { ...rest, born: born === undefined ? undefined : parseDay(born), weightKg: check.weightKg },
      check: coatCheck({ ...check, day }),
      kit,
      house: { ...DEFAULT_HOUSE, ...house },
    },
  };
}
