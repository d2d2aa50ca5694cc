/** Dogs and their owners: what is sent and stored about who comes to the salon. */
import Joi from 'joi';
import {
  BODY_SHAPES,
  CARE_ITEMS,
  CLIP_REASONS,
  COAT_CLASSES,
  DOG_TRAITS,
  SEXES,
  ZONE_IDS,
  type BodyShape,
  type CareItem,
  type ClipOrder,
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
  /** What else is done to it on a visit; nothing where it is absent. */
  readonly care?: readonly CareItem[] | undefined;
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
/** An order to clip as it travels: its day as a plain date. */
export interface ClipOrderRecord extends Omit<ClipOrder, 'day'> {
  readonly day: string;
}
export interface ClipOrders {
  readonly orders: readonly ClipOrderRecord[];
}
const MOST_ORDERS = 20;
export const clipOrderSchema: Joi.ObjectSchema<ClipOrderRecord> = Joi.object<ClipOrderRecord>({
  day: daySchema.required(),
  who: lineSchema(80).required(),
  why: Joi.string()
    .valid(...CLIP_REASONS)
    .required(),
  zones: Joi.array()
    .items(Joi.string().valid(...ZONE_IDS))
    .unique()
    .min(1)
    .required(),
}).label('order');
export const clipOrdersSchema: Joi.ObjectSchema<ClipOrders> = Joi.object<ClipOrders>({
  orders: Joi.array().items(clipOrderSchema).max(MOST_ORDERS).required(),
}).label('orders');

export interface DogRecord extends DogDraft {
  readonly id: string;
  readonly clipOrders: readonly ClipOrderRecord[];
  readonly care: readonly CareItem[];
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
  /** Likely minutes of what is booked, where that length fits no more. */
  readonly movedTo: number | null;
  readonly holds: ReturnType<typeof placesHeld>;
}

/** A row of the Desk's list. Day numbers are core's plain days. */
export interface DogListItem {
  readonly id: string;
  readonly name: string;
  readonly breed: string;
  readonly coatClass: CoatClass;
  readonly ownerName: string;
  readonly phone: string;
  readonly lastVisit: number | null;
  readonly booked: number | null;
  readonly need: Need;
  /** Null as long as nothing was learnt of its coat. */
  readonly outlook: OutlookLine | null;
}

/** Everything the dog's page shows. */
export interface DogPage {
  readonly dog: DogRecord;
  /** Its traits as of today: those that are ticked, and what its birthday makes. */
  readonly traits: readonly DogTrait[];
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

const careSchema = Joi.array()
  .items(Joi.string().valid(...CARE_ITEMS))
  .unique();
/** What else is done to a dog on a visit, chosen at a check or a booking, and remembered. */
export interface CareChoice {
  readonly care: readonly CareItem[];
}
export const careChoiceSchema: Joi.ObjectSchema<CareChoice> = Joi.object<CareChoice>({
  care: careSchema.required(),
}).label('care');

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
  care: careSchema,
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
export const dogEditSchema: Joi.ObjectSchema<DogEdit> = Joi.object<DogEdit & Partial<DogRecord>>({
  ...fields,
  // A record that comes back whole brings its orders along: they are written by a route of their own.
  clipOrders: Joi.any().strip(),
  version: versionSchema.required(),
}).label('dog');

/** Those who come, or those who were looked for. */
export interface DogsPage {
  readonly today: number;
  readonly dogs: readonly DogListItem[];
}
