/** Holds as they travel: what waits for a vet, and what a vet has said. */
import Joi from 'joi';
import { HOLD_FINDINGS, HOLD_SOURCES, VET_ALLOWS, type Hold, type VetWord } from '../core/check/index.ts';
import { ZONE_IDS } from '../core/dog/index.ts';
import { daySchema, idSchema, lineSchema } from './common.ts';

/** What a vet has said of some places, as it is sent; who: the vet, or the owner for them. */
export interface VetWordDraft extends Omit<VetWord, 'day'> {
  readonly id: string;
  readonly day: string;
}
/** The same as it is told: it can be taken back by its id. */
export interface VetWordTold extends VetWord {
  readonly id: string;
}

const placeSchema = Joi.string().valid('dog', ...ZONE_IDS);
const findingSchema = Joi.string().valid(...HOLD_FINDINGS);
const wordFields = {
  places: Joi.array().items(placeSchema).min(1).unique().required(),
  findings: Joi.array().items(findingSchema).min(1).unique().required(),
  allows: Joi.string()
    .valid(...VET_ALLOWS)
    .required(),
  note: Joi.string().max(600).allow('').required(),
};
export const vetWordSchema: Joi.ObjectSchema<VetWordDraft> = Joi.object<VetWordDraft>({
  id: idSchema.required(),
  day: daySchema.required(),
  who: lineSchema(80).required(),
  ...wordFields,
}).label('word');

const plainDay = Joi.number().integer().required();
/** A hold in a tide book. */
export const vetHoldSchema: Joi.ObjectSchema<Hold> = Joi.object<Hold>({
  place: placeSchema.required(),
  since: plainDay,
  finding: findingSchema.required(),
  source: Joi.string()
    .valid(...HOLD_SOURCES)
    .required(),
  note: Joi.string().max(2000).allow('').required(),
  seen: Joi.object({ day: plainDay, who: Joi.string().max(80).required(), ...wordFields }),
});

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
