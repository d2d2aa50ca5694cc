/** Pieces that every message shares: ids, days, versions, the one shape of an error. */
import Joi from 'joi';
import { civilFromDay, dayFromCivil, formatDay, parseDay, type Day } from '../core/quantity/index.ts';

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

/**
 * The days that there are: what lies outside is a slip of the hand, and would be calculated with for ever. What is booked or
 * planned lies within ten years from today besides.
 */
export const DAY_RANGE = { firstYear: 1970, lastYear: 2199, yearsAhead: 10 } as const;
const inRange = (on: Day): boolean => {
  const { year } = civilFromDay(on);
  return year >= DAY_RANGE.firstYear && year <= DAY_RANGE.lastYear;
};
/** `2031-04-09` to a day in the range; undefined for any other text. */
export function dayInRange(text: string): Day | undefined {
  const on = parseDay(text);
  return on !== undefined && inRange(on) ? on : undefined;
}
/** The last day for which something can be booked or planned: the end of a year. */
export function lastBookable(today: Day): Day {
  return dayFromCivil({ year: civilFromDay(today).year + DAY_RANGE.yearsAhead, month: 12, dayOfMonth: 31 });
}
/** Why nothing can be booked or planned on a day, as the end of a sentence; undefined where it can. */
export function unbookable(on: Day, today: Day): string | undefined {
  if (inRange(on) && on <= lastBookable(today)) return undefined;
  return `must lie between ${DAY_RANGE.firstYear} and ${formatDay(lastBookable(today))}`;
}

/** A plain date that exists, as `2031-04-09`. */
const NO_DAY = `{{#label}} must be a date that exists, from ${DAY_RANGE.firstYear} to ${DAY_RANGE.lastYear}, written 2031-04-09, not "{{#value}}"`;
export const daySchema = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}$/)
  .custom((value: string, helpers) => (dayInRange(value) === undefined ? helpers.error('day.plain') : value))
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

/** Letters, digits or signs that can be seen: a name of spaces and joiners alone is none. */
const SEEN = /[\p{L}\p{N}\p{S}\p{P}]/u;
const UNSEEN = /[\p{Cf}\u115F\u1160\u3164\uFFA0\u2800]/gu;
/** A name that a person typed: one line, with something in it that can be seen. */
export const nameLine = (max: number): Joi.StringSchema =>
  lineSchema(max)
    .min(1)
    .custom((text: string, helpers) => (SEEN.test(text.replace(UNSEEN, '')) ? text : helpers.error('name.unseen')))
    .messages({ 'name.unseen': '{{#label}} has no letter that can be seen: please write the name out' });

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

/** Is somebody there, and which interface is served, by the name of its script. */
export interface Health {
  readonly ok: boolean;
  readonly build: string | null;
}
/** What is no longer there, by its id. */
export interface Removed {
  readonly removed: string;
}
