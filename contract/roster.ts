/** Who works when, what is closed, who must not meet and what owners wish; the day's sheet, and calls to owners. */
import Joi from 'joi';
import { STAGE_KINDS, type DayAsked } from '../core/day/index.ts';
import type { Service } from '../core/dog/index.ts';
import type { Absence, RosterPerson, VisitWish } from '../core/book/index.ts';
import { daySchema, idSchema, lineSchema, nameLine } from './common.ts';

export interface PersonRecord extends RosterPerson {
  readonly version: number;
}
export interface RosterPage {
  readonly people: readonly PersonRecord[];
  /** From today on, soonest first. */
  readonly away: readonly Absence[];
  readonly apart: readonly {
    readonly a: string;
    readonly b: string;
    readonly aName: string;
    readonly bName: string;
  }[];
}
export interface AbsenceDraft {
  readonly id: string;
  readonly person: string | null;
  readonly from: string;
  readonly to: string;
  readonly reason: string;
}
export interface WishRecord extends VisitWish {
  readonly version: number;
}

/** A visit on the sheet, as people read it. */
export interface SheetVisit {
  readonly id: string;
  readonly dogId: string;
  readonly name: string;
  readonly startsAt: string;
  readonly minutes: number;
  readonly service: Service;
  readonly agreed: boolean;
  /** Are its stages those of a plan, or the usual shares of its length. */
  readonly planned: boolean;
  readonly checkId: string | null;
  /** Has its coat been felt on this very day. */
  readonly checked: boolean;
  /** The dog's next visit from today on. */
  readonly isNext: boolean;
  /** Where its length fits no more: what is likely. */
  readonly likely: number | null;
  readonly note: string;
  readonly version: number;
  /** When it could come instead, as minutes after midnight and as instants: a table is free then, and the owner can come. */
  readonly starts: readonly { readonly minute: number; readonly startsAt: string }[];
}
export interface SheetPage {
  readonly day: string;
  readonly today: string;
  readonly timeZone: string;
  readonly asked: DayAsked;
  /** Clock minutes of the salon's day, where it is today. */
  readonly now: number | null;
  readonly visits: readonly SheetVisit[];
  readonly people: readonly { readonly id: string; readonly name: string }[];
  /** Of what has begun, what is over. */
  readonly done: readonly { readonly visit: string; readonly stage: number }[];
}

export interface PinDraft {
  readonly bookingId: string;
  readonly stage: number;
  readonly person: string | null;
  readonly notBefore: number | null;
}
export interface MarkDraft {
  readonly bookingId: string;
  readonly stage: number;
  readonly person: string | null;
  readonly place: string | null;
  readonly started: number;
  readonly ends: number;
  readonly done: boolean;
}

export const CALL_OUTCOMES = ['agreed', 'no-answer', 'later', 'declined'] as const;
export type CallOutcome = (typeof CALL_OUTCOMES)[number];
export interface CallDraft {
  readonly id: string;
  readonly dogId: string;
  readonly outcome: CallOutcome;
  readonly offered: readonly string[];
}
export interface CallRecord {
  readonly id: string;
  readonly dogId: string;
  readonly day: string;
  readonly outcome: CallOutcome;
}

const minute = Joi.number().integer().min(0).max(1440).required();
const weekdays = Joi.array().items(Joi.number().integer().min(1).max(7)).unique().required();
const personFields = {
  name: nameLine(60).required(),
  weekdays,
  from: minute,
  to: minute.greater(Joi.ref('from')),
  pause: Joi.object({
    minutes: Joi.number().integer().min(0).max(180).required(),
    from: minute,
    to: minute,
  }).required(),
  can: Joi.array()
    .items(Joi.string().valid(...STAGE_KINDS))
    .unique()
    .min(1)
    .required(),
  mostHeavy: Joi.number().integer().min(0).max(50).required(),
  protectDb: Joi.number().min(0).max(40).required(),
};
/** A person, new (version 0) or changed. */
export const personSchema: Joi.ObjectSchema<PersonRecord> = Joi.object<PersonRecord>({
  id: idSchema.required(),
  ...personFields,
  version: Joi.number().integer().min(0).required(),
}).label('person');
export const absenceSchema: Joi.ObjectSchema<AbsenceDraft> = Joi.object<AbsenceDraft>({
  id: idSchema.required(),
  person: idSchema.allow(null).required(),
  from: daySchema.required(),
  to: daySchema.required(),
  reason: lineSchema(120).allow('').required(),
}).label('absence');
/** Who works when, as a file may carry it. */
export const rosterSchema = Joi.object({
  people: Joi.array()
    .items(Joi.object({ id: idSchema.required(), ...personFields, version: Joi.number() }))
    .unique('id')
    .required(),
  away: Joi.array()
    .items(
      Joi.object({
        id: Joi.string().max(120).required(),
        person: idSchema.allow(null).required(),
        from: Joi.number().integer().required(),
        to: Joi.number().integer().min(Joi.ref('from')).required(),
        reason: Joi.string().max(200).allow('').required(),
      }),
    )
    .required(),
});
export const wishFields = {
  weekdays,
  from: minute,
  to: minute.greater(Joi.ref('from')),
  mostVisits: Joi.number().integer().min(0).max(200).allow(null).required(),
  household: lineSchema(60).allow('').required(),
  person: idSchema.allow(null).required(),
};
export const wishSchema: Joi.ObjectSchema<WishRecord> = Joi.object<WishRecord>({
  ...wishFields,
  version: Joi.number().integer().min(0).required(),
}).label('wish');
export const apartSchema: Joi.ObjectSchema<{ readonly a: string; readonly b: string }> = Joi.object<{
  a: string;
  b: string;
}>({ a: idSchema.required(), b: idSchema.invalid(Joi.ref('a')).required() }).label('apart');
const stageNumber = Joi.number().integer().min(0).max(20).required();
export const pinsSchema: Joi.ObjectSchema<{ readonly pins: readonly PinDraft[] }> = Joi.object<{
  pins: readonly PinDraft[];
}>({
  pins: Joi.array()
    .items(
      Joi.object({
        bookingId: idSchema.required(),
        stage: stageNumber,
        person: idSchema.allow(null).required(),
        notBefore: minute.allow(null),
      }),
    )
    .max(400)
    .required(),
}).label('pins');
export const markSchema: Joi.ObjectSchema<MarkDraft> = Joi.object<MarkDraft>({
  bookingId: idSchema.required(),
  stage: stageNumber,
  person: idSchema.allow(null).required(),
  place: Joi.string().max(40).allow(null).required(),
  started: minute,
  ends: minute.min(Joi.ref('started')),
  done: Joi.boolean().required(),
}).label('mark');
export const callSchema: Joi.ObjectSchema<CallDraft> = Joi.object<CallDraft>({
  id: idSchema.required(),
  dogId: idSchema.required(),
  outcome: Joi.string()
    .valid(...CALL_OUTCOMES)
    .required(),
  offered: Joi.array().items(daySchema).max(10).required(),
}).label('call');

/** Calls that were made. */
export interface CallsPage {
  readonly calls: readonly CallRecord[];
}
