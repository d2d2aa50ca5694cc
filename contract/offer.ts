/** Offers: two or three starts that are held for a dog until its owner takes one of them on the page. */
import Joi from 'joi';
import { bookableMinutesSchema, instantSchema } from './booking.ts';
import { idSchema } from './common.ts';

/** Taken: one of the starts became a visit. Ring: none suits, the owner asks to be rung. Let go: by the salon, or otherwise settled. */
export const OFFER_ANSWERS = ['taken', 'ring', 'let-go'] as const;
export type OfferAnswer = (typeof OFFER_ANSWERS)[number];

/** Most starts that are held for one dog: each of them is closed to everybody else meanwhile. */
export const MOST_HELD = 3;
/** For so long they are held: an owner reads the page in the evening, and sleeps on it. Guess. */
export const HELD_HOURS = 48;

export interface OfferDraft {
  readonly id: string;
  readonly dogId: string;
  readonly minutes: number;
  /** UTC instants, each once. */
  readonly starts: readonly string[];
}
export interface OfferRecord extends OfferDraft {
  readonly dogName: string;
  /** When it runs out by itself. */
  readonly endsAt: string;
  readonly answer: OfferAnswer | null;
  readonly answeredAt: string | null;
}

/** What is still held, and whom it did not suit and who asks to be rung. */
export interface OffersPage {
  readonly held: readonly OfferRecord[];
  readonly ring: readonly OfferRecord[];
}

export const offerSchema: Joi.ObjectSchema<OfferDraft> = Joi.object<OfferDraft>({
  id: idSchema.required(),
  dogId: idSchema.required(),
  minutes: bookableMinutesSchema.required(),
  starts: Joi.array().items(instantSchema.required()).min(1).max(MOST_HELD).unique().required(),
}).label('offer');

/** What an owner answers: one of the starts, or null to be rung. */
export interface OfferChoice {
  readonly id: string;
  readonly startsAt: string | null;
}
export const offerChoiceSchema: Joi.ObjectSchema<OfferChoice> = Joi.object<OfferChoice>({
  id: idSchema.required(),
  startsAt: instantSchema.allow(null).required(),
}).label('choice');
