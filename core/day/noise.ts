/** How much of a day's noise a stage is for who works it. */
import { allowedMinutes, noiseRule } from '../sound/index.ts';
import type { DayPerson, Stage } from './asked.ts';

/** The strictest of the rules. */
const RULE = noiseRule('niosh');

/** Share of a day's noise in so many minutes of a stage, at the ear of a person; 1 is all that is allowed. */
export const doseOf = (
  { dbA }: Pick<Stage, 'dbA'>,
  minutes: number,
  { protectDb }: Pick<DayPerson, 'protectDb'>,
): number => (dbA === undefined ? 0 : minutes / allowedMinutes(dbA - protectDb, RULE));
