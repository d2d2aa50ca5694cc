/** A check's message as core reads it, apart from its schema: pages read many and check none. */
import type { CoatCheck } from '../core/check/index.ts';
import { parseDay } from '../core/quantity/index.ts';
import type { CheckDraft } from './check.ts';

/** A message's check as core reads it. Throws RangeError on a date that the schema would have refused. */
export function coatCheck(message: Omit<CheckDraft, 'id'>): CoatCheck {
  const day = parseDay(message.day);
  if (day === undefined) throw new RangeError(`check day is not a date: ${message.day}`);
  const { weightKg, guardMm, zones, inspection, note, air } = message;
  return { day, weightKg, guardMm, zones, inspection, note, air };
}
