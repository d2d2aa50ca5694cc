/** Pieces that every message shares: ids, days, versions, the one shape of an error. */
import Joi from 'joi';
import { parseDay } from '../core/quantity/index.ts';

/** The one shape of every refusal. */
export interface ApiError {
  readonly error: {
    /** Dotted path of the field at fault, or null when the request as a whole is. */
    readonly field: string | null;
    readonly message: string;
    /** On a stale edit: what is stored now, and what was sent. */
    readonly stored?: unknown;
    readonly sent?: unknown;
  };
}

/** An id made by us or by a device: letters, digits, dash; never empty. */
export const ID_PATTERN = /^[A-Za-z0-9-]{1,64}$/;
export const idSchema = Joi.string()
  .pattern(ID_PATTERN)
  .messages({ 'string.pattern.base': '{{#label}} must be 1 to 64 letters, digits or dashes, not "{{#value}}"' });

/** A plain date that exists, as `2031-04-09`. */
const NO_DAY = '{{#label}} must be a date that exists, written 2031-04-09, not "{{#value}}"';
export const daySchema = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}$/)
  .custom((value: string, helpers) => (parseDay(value) === undefined ? helpers.error('day.plain') : value))
  .messages({ 'day.plain': NO_DAY, 'string.pattern.base': NO_DAY });

export const versionSchema = Joi.number().integer().min(1);

/** Text without line ends and other control characters: it stands in names of files, mails and calendars. */
const ONE_LINE = /^[^\p{Cc}\u2028\u2029]*$/u;
/** One line of text a person typed. */
export const lineSchema = (max: number): Joi.StringSchema =>
  Joi.string()
    .trim()
    .max(max)
    .pattern(ONE_LINE)
    .messages({ 'string.pattern.base': '{{#label}} must be one line: please take line ends and tabs out' });

/** Joi's options everywhere: no guessing of types, no unknown keys, all in one label style. */
export const STRICT: Joi.ValidationOptions = {
  abortEarly: true,
  convert: false,
  allowUnknown: false,
  errors: { wrap: { label: false } },
};

export interface Invalid {
  readonly field: string;
  readonly message: string;
}

/** Checks a value against a schema: the typed value, or field and sentence. */
export function checked<T>(
  schema: Joi.ObjectSchema<T> | Joi.ArraySchema<T>,
  value: unknown,
): { readonly ok: true; readonly value: T } | { readonly ok: false; readonly error: Invalid } {
  const outcome = schema.required().validate(value, STRICT);
  if (outcome.error) {
    const [first] = outcome.error.details;
    const field = first?.path.join('.') ?? '';
    return { ok: false, error: { field, message: `${outcome.error.message}${wayOut(first?.type ?? '')}.` } };
  }
  return { ok: true, value: outcome.value };
}

/** What to do about the usual faults, added to the sentence that names field and value. */
function wayOut(type: string): string {
  if (type === 'any.required') return ': please add it';
  if (type === 'object.unknown') return ': please leave it out';
  if (type.endsWith('.base')) return ': please send it in that form';
  return '';
}
