/** Reads a draft of a check that was kept as text: nothing that is no draft gets into a room. */
import Joi from 'joi';
import { checkDraftSchema, type CheckDraft } from '../../../contract/check.ts';
import { STRICT } from '../../../contract/common.ts';

/** The draft, or undefined where the text does not read as one. */
export function readDraft(text: string): CheckDraft | undefined {
  try {
    const outcome = checkDraftSchema.validate(JSON.parse(text), STRICT);
    return Joi.isError(outcome.error) ? undefined : outcome.value;
  } catch {
    return undefined;
  }
}
