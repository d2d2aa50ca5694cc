/** Bookings: a dog, a start, a length. */
import Joi from 'joi';
import { SERVICES, type Service } from '../core/dog/index.ts';
import type { Due, Outlook } from '../core/tide/index.ts';
import { dayInRange, daySchema, idSchema, versionSchema } from './common.ts';

export interface BookingDraft {
  readonly id: string;
  readonly dogId: string;
  /** UTC instant, `2031-04-09T07:30:00Z`. */
  readonly startsAt: string;
  readonly minutes: number;
  readonly note: string;
  /** What it is for: the coat, where nothing is said. */
  readonly service?: Service | undefined;
  /** Has the owner said yes: so it is, where nothing is said. */
  readonly agreed?: boolean | undefined;
}
export interface BookingEdit extends Omit<BookingDraft, 'id' | 'dogId' | 'service' | 'agreed'> {
  readonly version: number;
}
export interface BookingRecord extends BookingDraft {
  readonly service: Service;
  readonly dogName: string;
  /** Did the owner say yes; until then the salon may move it. */
  readonly agreed: boolean;
  readonly version: number;
  readonly cancelled: boolean;
  /** Likely minutes when it was booked, or looked at last; null where nobody knew. */
  readonly told: number | null;
  /** Why it was cancelled, where somebody said so. */
  readonly cancelledWhy: CancelReason | null;
}

export const CANCEL_REASONS = ['salon', 'owner', 'late', 'no-show'] as const;
export type CancelReason = (typeof CANCEL_REASONS)[number];

/** Starts that a dog could have on some days: a table is free then, somebody is there, and its owner can come. */
export interface StartsPage {
  readonly minutes: number;
  /** What the minutes come from: what is known of its coat, what such dogs usually take, or what the visit is for. */
  readonly by: 'coat' | 'usual' | 'service' | 'asked';
  readonly days: readonly {
    readonly day: string;
    readonly starts: readonly string[];
    /** What stands against the whole day, as a sentence; null where there are starts. */
    readonly against: string | null;
  }[];
}

/** What the "next date" room shows. Free slots are starts within the salon's day that no other booking takes. */
export interface NextPage {
  readonly dogId: string;
  readonly dogName: string;
  readonly outlook: Outlook & { readonly due: Due };
  /** Length of the visit that is offered. */
  readonly minutes: number;
  readonly currency: string;
  readonly slots: readonly string[];
  readonly booked: readonly BookingRecord[];
}

/** A UTC instant on the minute. */
export const instantSchema = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:00Z$/)
  .custom((value: string, helpers) => {
    const ms = Date.parse(value);
    const exists = !Number.isNaN(ms) && new Date(ms).toISOString().slice(0, 16) === value.slice(0, 16);
    return !exists || dayInRange(value.slice(0, 10)) === undefined ? helpers.error('instant.none') : value;
  })
  .messages({
    'string.pattern.base':
      '{{#label}} must be a UTC instant on the minute, written 2031-04-09T07:30:00Z, not "{{#value}}"',
    'instant.none': '{{#label}} names a moment that does not exist: "{{#value}}"',
  });

/** What came of a file that was read in, and what was left out, each in a few words. */
export interface ReadIn {
  readonly booked: number;
  readonly moved: number;
  readonly closed: number;
  readonly left: readonly string[];
}

/** A date put down at once, which its owner has still to agree to: the first start that suits everybody on that very day. */
export interface TentativeDraft {
  readonly id: string;
  readonly dogId: string;
  readonly day: string;
  readonly minutes: number;
  /** Has the owner said yes already. */
  readonly agreed?: boolean | undefined;
  /** The very start that was offered, where one was: it must still suit everybody. */
  readonly startsAt?: string | undefined;
}

/** How long a visit may be booked for. */
export const BOOKABLE_MINUTES = { least: 10, most: 600 } as const;
export const bookableMinutesSchema = Joi.number().integer().min(BOOKABLE_MINUTES.least).max(BOOKABLE_MINUTES.most);
const fields = {
  startsAt: instantSchema.required(),
  minutes: bookableMinutesSchema.required(),
  note: Joi.string().max(500).allow('').required(),
};
export const bookingDraftSchema: Joi.ObjectSchema<BookingDraft> = Joi.object<BookingDraft>({
  id: idSchema.required(),
  dogId: idSchema.required(),
  ...fields,
  service: Joi.string().valid(...SERVICES),
  agreed: Joi.boolean(),
}).label('booking');
export const tentativeSchema: Joi.ObjectSchema<TentativeDraft> = Joi.object<TentativeDraft>({
  id: idSchema.required(),
  dogId: idSchema.required(),
  day: daySchema.required(),
  minutes: fields.minutes,
  agreed: Joi.boolean(),
  startsAt: instantSchema,
}).label('booking');
export const bookingEditSchema: Joi.ObjectSchema<BookingEdit> = Joi.object<BookingEdit>({
  ...fields,
  version: versionSchema.required(),
}).label('booking');

/** What is done to a booking as it stood when somebody looked. */
export const standingSchema = Joi.object<{ version: number }>({ version: versionSchema.required() }).label('booking');

/** A booking is cancelled, and why. */
export const cancelSchema = Joi.object<{ version: number; why?: CancelReason | undefined }>({
  version: versionSchema.required(),
  why: Joi.string().valid(...CANCEL_REASONS),
}).label('booking');

/** A booking in two visits: the second under an id of its own. */
export const splitSchema = Joi.object<{ version: number; second: string }>({
  version: versionSchema.required(),
  second: idSchema.required(),
}).label('booking');

/** Another calendar, and a table of bookings, as their files' text. */
const fileText = Joi.string().min(1).max(900_000).required();
export const icsSchema = Joi.object<{ ics: string }>({ ics: fileText }).label('calendar');
export const csvSchema = Joi.object<{ csv: string }>({ csv: fileText }).label('table');

/** Bookings that stand, from today on. */
export interface BookingsPage {
  readonly bookings: readonly BookingRecord[];
  /** Likely minutes of those whose length fits no more, by their ids. */
  readonly likely: Readonly<Record<string, number>>;
}
