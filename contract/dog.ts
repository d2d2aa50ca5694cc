/** Dogs and their owners: what is sent and stored about who comes to the salon. */
import Joi from 'joi';
import {
  BODY_SHAPES,
  COAT_CLASSES,
  DOG_TRAITS,
  SEXES,
  type BodyShape,
  type CoatClass,
  type DogTrait,
  type Sex,
} from '../core/dog/index.ts';
import type { MethodId } from '../core/bench/index.ts';
import type { placesHeld } from '../core/check/index.ts';
import type { SessionRecord } from '../core/table/index.ts';
import type { GramsByStage } from '../core/tally/index.ts';
import { HOME_CARE, type HomeCare, type Need, type Outlook } from '../core/tide/index.ts';
import type { BookingRecord } from './booking.ts';
import type { DogHolds } from './hold.ts';
import { daySchema, idSchema, lineSchema, nameLine, versionSchema } from './common.ts';

/** The facts of a dog as a form sends them. */
export interface DogDraft {
  readonly name: string;
  readonly breed: string;
  readonly sex: Sex;
  /** Plain date, or null when nobody knows. */
  readonly born: string | null;
  readonly coatClass: CoatClass;
  readonly shape: BodyShape;
  readonly weightKg: number;
  /** Last season or litter of an intact bitch, or null. */
  readonly lastSeason: string | null;
  readonly traits: readonly DogTrait[];
  readonly outdoorShare: number;
  readonly standingMinutes: number | null;
  readonly homeCare: HomeCare;
  readonly note: string;
  readonly owner: { readonly name: string; readonly phone: string };
}
export interface NewDog extends DogDraft {
  readonly id: string;
}
export interface DogEdit extends DogDraft {
  readonly version: number;
}
export interface DogRecord extends DogDraft {
  readonly id: string;
  readonly version: number;
}

/** Of a dog's outlook, what a list of thousands says: the likely figures. */
export interface OutlookLine {
  readonly due: number | null;
  readonly visit: number;
  readonly minutes: number;
  readonly grams: number;
  readonly priceCents: number;
  readonly bookedMinutes: number | null;
  readonly holds: ReturnType<typeof placesHeld>;
}

/** A row of the Desk's list. Day numbers are core's plain days. */
export interface DogListItem {
  readonly id: string;
  readonly name: string;
  readonly breed: string;
  readonly coatClass: CoatClass;
  readonly ownerName: string;
  readonly lastVisit: number | null;
  readonly booked: number | null;
  readonly need: Need;
  /** Null as long as nothing was learnt of its coat. */
  readonly outlook: OutlookLine | null;
}

/** Everything the dog's page shows. */
export interface DogPage {
  readonly dog: DogRecord;
  readonly today: number;
  readonly need: Need;
  /** Null as long as nothing was learnt of its coat. */
  readonly outlook: Outlook | null;
  /** What waits for a vet, or is to be left alone, and what vets have said. */
  readonly holds: DogHolds;
  readonly checks: readonly {
    readonly id: string;
    readonly day: string;
    readonly weightKg: number;
    /** Undercoat over the whole dog, 0 bare … 4 plate. */
    readonly meanGrade: number;
  }[];
  readonly sessions: readonly SessionSummary[];
  readonly bookings: readonly BookingRecord[];
}
export interface SessionSummary {
  readonly id: string;
  readonly day: string;
  readonly method: MethodId;
  readonly state: SessionRecord['state'];
  readonly minutes: number;
  readonly plannedMinutes: number;
  readonly gramsOut: number;
  readonly stages: GramsByStage;
}

const fields = {
  name: nameLine(60).required(),
  breed: lineSchema(60).allow('').required(),
  sex: Joi.string()
    .valid(...SEXES)
    .required(),
  born: daySchema.allow(null).required(),
  coatClass: Joi.string()
    .valid(...COAT_CLASSES)
    .required(),
  shape: Joi.string()
    .valid(...BODY_SHAPES)
    .required(),
  weightKg: Joi.number().min(0.5).max(120).required(),
  lastSeason: daySchema.allow(null).required(),
  traits: Joi.array()
    .items(Joi.string().valid(...DOG_TRAITS))
    .unique()
    .required(),
  outdoorShare: Joi.number().min(0).max(1).required(),
  standingMinutes: Joi.number().integer().min(5).max(480).allow(null).required(),
  homeCare: Joi.string()
    .valid(...HOME_CARE)
    .required(),
  note: Joi.string().max(2000).allow('').required(),
  owner: Joi.object({ name: nameLine(80).required(), phone: lineSchema(40).allow('').required() }).required(),
};
export const dogDraftSchema: Joi.ObjectSchema<DogDraft> = Joi.object<DogDraft>(fields).label('dog');
/** A new dog under an id of its own: sent twice it is one. */
export const newDogSchema: Joi.ObjectSchema<NewDog> = Joi.object<NewDog>({ id: idSchema.required(), ...fields }).label(
  'dog',
);
export const dogEditSchema: Joi.ObjectSchema<DogEdit> = Joi.object<DogEdit>({
  ...fields,
  version: versionSchema.required(),
}).label('dog');

/** Those who come, or those who were looked for. */
export interface DogsPage {
  readonly today: number;
  readonly dogs: readonly DogListItem[];
}
