/** Practice: bouts as their acts, answers to drills, and how far people are. */
import Joi from 'joi';
import { PHASE_IDS, type PhaseId } from '../core/bench/index.ts';
import { CONDITION_KINDS } from '../core/check/index.ts';
import { ZONE_IDS } from '../core/dog/index.ts';
import { DRILL_CARDS, FEEL_TESTS, LONGEST_REST, type Act } from '../core/practice/index.ts';
import { idSchema } from './common.ts';

export interface BoutDraft {
  readonly id: string;
  /** A rung of the ladder, a seed of free play, or a check of the salon: what the case is made from. */
  readonly caseId: string;
  readonly acts: readonly Act[];
  /** What the person who worked it was told it was worth, against the best stair. */
  readonly share: number;
}
export interface BoutRecord extends BoutDraft {
  readonly madeMs: number;
}
export interface AnswerDraft {
  readonly id: string;
  readonly card: string;
  readonly seed: number;
  readonly answer: string;
}

/** Bouts without their acts, newest first, and what was answered, oldest first. */
export interface PracticePage {
  readonly today: number;
  readonly bouts: readonly Omit<BoutRecord, 'acts'>[];
  readonly answers: readonly { readonly card: string; readonly right: boolean; readonly day: number }[];
}
/** How far each person is. */
export interface PracticePeople {
  readonly people: readonly {
    readonly name: string;
    /** Best share by case. */
    readonly best: Readonly<Record<string, number>>;
    readonly bouts: number;
    readonly answers: number;
    readonly rightAnswers: number;
    readonly lastMs: number | null;
  }[];
}

const MOST_ACTS = 400;
const MOST_MINUTES = 600;
const MOST_SHARE = 1.2;
const zones = Joi.array()
  .items(Joi.string().valid(...ZONE_IDS))
  .min(1)
  .max(ZONE_IDS.length)
  .unique();
const phase = Joi.string<PhaseId>().valid(...PHASE_IDS);

const actSchema = Joi.alternatives()
  .try(
    Joi.object({ kind: Joi.valid('look', 'refer', 'end').required() }),
    Joi.object({
      kind: Joi.valid('feel').required(),
      tests: Joi.array()
        .items(Joi.string().valid(...FEEL_TESTS))
        .min(1)
        .max(FEEL_TESTS.length)
        .unique()
        .required(),
      zones: zones.required(),
    }),
    Joi.object({
      kind: Joi.valid('call').required(),
      as: Joi.string()
        .valid(...CONDITION_KINDS)
        .required(),
      zones: zones.required(),
    }),
    Joi.object({
      kind: Joi.valid('work').required(),
      phase: phase.required(),
      toolId: idSchema.required(),
      zones: Joi.array()
        .items(
          Joi.object({
            zone: Joi.string()
              .valid(...ZONE_IDS)
              .required(),
            minutes: Joi.number().min(0).max(MOST_MINUTES).required(),
          }),
        )
        .min(1)
        .max(ZONE_IDS.length)
        .unique('zone')
        .required(),
    }),
    Joi.object({ kind: Joi.valid('rest').required(), minutes: Joi.number().min(0).max(LONGEST_REST).required() }),
  )
  .label('act');

export const boutSchema: Joi.ObjectSchema<BoutDraft> = Joi.object<BoutDraft>({
  id: idSchema.required(),
  caseId: Joi.string()
    .pattern(/^[a-z0-9-]{1,80}$/i)
    .required(),
  acts: Joi.array().items(actSchema).min(1).max(MOST_ACTS).required(),
  share: Joi.number().min(0).max(MOST_SHARE).required(),
}).label('bout');

const MOST_SEED = 2 ** 31 - 1;
export const answerSchema: Joi.ObjectSchema<AnswerDraft> = Joi.object<AnswerDraft>({
  id: idSchema.required(),
  card: Joi.string()
    .valid(...DRILL_CARDS.map((c) => c.id))
    .required(),
  seed: Joi.number().integer().min(0).max(MOST_SEED).required(),
  answer: Joi.string()
    .pattern(/^[a-z-]{1,40}$/)
    .required(),
}).label('answer');
