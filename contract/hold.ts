/** Holds as they travel: what waits for a vet, and what a vet has said. */
import Joi from 'joi';
import {
  HOLD_FINDINGS,
  HOLD_SOURCES,
  VET_ALLOWS,
  type Hold,
  type HoldFinding,
  type HoldPlace,
  type VetAllows,
} from '../core/check/index.ts';
import { ZONE_IDS } from '../core/dog/index.ts';
import { daySchema, idSchema, lineSchema } from './common.ts';

/** What a vet has said of some places. */
export interface VetWordDraft {
  readonly id: string;
  readonly day: string;
  /** Who says so: the vet, or the owner for them. */
  readonly who: string;
  readonly places: readonly HoldPlace[];
  /** What had been found there. */
  readonly findings: readonly HoldFinding[];
  readonly allows: VetAllows;
  readonly note: string;
}
const findingsSchema = Joi.array()
  .items(Joi.string().valid(...HOLD_FINDINGS))
  .required();
export const vetWordSchema: Joi.ObjectSchema<VetWordDraft> = Joi.object<VetWordDraft>({
  id: idSchema.required(),
  day: daySchema.required(),
  who: lineSchema(80).required(),
  places: Joi.array()
    .items(Joi.string().valid('dog', ...ZONE_IDS))
    .min(1)
    .unique()
    .required(),
  findings: findingsSchema.min(1).unique(),
  allows: Joi.string()
    .valid(...VET_ALLOWS)
    .required(),
  note: Joi.string().max(600).allow('').required(),
}).label('word');

const placeSchema = Joi.string().valid('dog', ...ZONE_IDS);
const plainDay = Joi.number().integer().required();
/** A hold in a tide book. */
export const vetHoldSchema: Joi.ObjectSchema<Hold> = Joi.object<Hold>({
  place: placeSchema.required(),
  since: plainDay,
  finding: Joi.string()
    .valid(...HOLD_FINDINGS)
    .required(),
  source: Joi.string()
    .valid(...HOLD_SOURCES)
    .required(),
  note: Joi.string().max(2000).allow('').required(),
  seen: Joi.object({
    day: plainDay,
    who: Joi.string().max(80).required(),
    places: Joi.array().items(placeSchema).required(),
    findings: findingsSchema,
    allows: Joi.string()
      .valid(...VET_ALLOWS)
      .required(),
    note: Joi.string().max(600).allow('').required(),
  }),
});

/** A vet's word as it is told: it can be taken back by its id. */
export interface VetWordTold extends Omit<VetWordDraft, 'day'> {
  readonly day: number;
}

/** The holds of one dog, and what vets have said of it. */
export interface DogHolds {
  readonly dogId: string;
  readonly name: string;
  readonly ownerName: string;
  readonly phone: string;
  readonly holds: readonly Hold[];
  readonly words: readonly VetWordTold[];
}

/** All dogs that something of waits for a vet, or is to be left alone; who waits longest first. */
export interface HoldsPage {
  readonly today: number;
  readonly dogs: readonly DogHolds[];
}
