/** How a request is refused: a status, the field, and a sentence with the way out. */
import type Joi from 'joi';
import { checked } from '../contract/common.ts';

/** Thrown inside a request; the transaction rolls back and the client gets the sentence. */
export class Problem extends Error {
  override readonly name = 'Problem';
  constructor(
    readonly status: number,
    readonly field: string | null,
    message: string,
    readonly more: { readonly stored?: unknown; readonly sent?: unknown } = {},
  ) {
    super(message);
  }
}

/** The value, or a 404 that names what was asked for. */
export function found<T>(value: T | undefined, what: string, id: string): T {
  if (value === undefined)
    throw new Problem(
      404,
      'id',
      `There is no ${what} "${id.slice(0, 80)}". It may have been removed; go back to the list.`,
    );
  return value;
}

/** The body as its schema types it, or a 400 with field and sentence. */
export function parsed<T>(schema: Joi.ObjectSchema<T>, body: unknown): T {
  const outcome = checked(schema, body);
  if (outcome.ok) return outcome.value;
  throw new Problem(400, outcome.error.field === '' ? null : outcome.error.field, outcome.error.message);
}

/** A 409 with both versions, so that nothing is lost on either side. */
export const stale = (stored: unknown, sent: unknown): Problem =>
  new Problem(
    409,
    'version',
    'Somebody else changed this in the meantime. Both versions are here: choose what to keep.',
    {
      stored,
      sent,
    },
  );
