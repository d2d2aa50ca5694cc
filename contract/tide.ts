/** The tide as it travels: what a dog's forecast rests on, what homes and lives add to the log, the weather. */
import Joi from 'joi';
import { COAT_CLASSES } from '../core/dog/index.ts';
import { day } from '../core/quantity/index.ts';
import {
  HOME_AMOUNTS,
  HOME_CARE,
  LIFE_EVENTS,
  MINUTE_LOADS,
  type DogTide,
  type HomeAmount,
  type LearntBook,
  type LifeEventKind,
  type Sighting,
} from '../core/tide/index.ts';
import type { YearBook } from '../core/book/index.ts';
import { rosterSchema, wishFields } from './roster.ts';
import { evenDaysSchema, lengthsSchema, ratesSchema } from './salon.ts';
import { vetHoldSchema } from './hold.ts';
import { checked, daySchema, idSchema, lineSchema, type Invalid } from './common.ts';

export const TIDE_FORMAT = 'woolly-tide/tide-book';
export const TIDE_VERSION = 3;

/** What forecasts of a whole salon rest on: sent to the page's worker, and read by the command line. */
export interface TideFile extends YearBook {
  readonly format: typeof TIDE_FORMAT;
  readonly version: typeof TIDE_VERSION;
  readonly salon: string;
  readonly town: string;
}

/** What the salon's computer has learnt last; null before it has learnt anything. */
export interface TideLearnt {
  /** The word (factsWord) of the tide book it was learnt from: another word than the book's own, and a newer one is on its way. */
  readonly facts: string;
  readonly learnt: LearntBook;
}
export interface TideLearntAnswer {
  readonly known: TideLearnt | null;
  /** Dogs that were learnt again since, one by one. */
  readonly newer: readonly DogTide[];
}

const plainDay = Joi.number().integer().min(-200_000).max(200_000).required();
const positive = Joi.number().min(0).max(100_000).required();
const sightingOf: Readonly<Record<Sighting['kind'], Joi.ObjectSchema>> = {
  touch: Joi.object({
    kind: Joi.string().required(),
    day: plainDay,
    finger: Joi.number().min(0).max(4),
    tug: Joi.number().min(0).max(3),
  }),
  visit: Joi.object({
    kind: Joi.string().required(),
    day: plainDay,
    takes: Joi.number().min(0).max(1).required(),
    weighed: Joi.object({ grams: positive, share: Joi.number().min(0).max(1).required() }),
  }),
  brushed: Joi.object({
    kind: Joi.string().required(),
    day: plainDay,
    amount: Joi.string().valid(...HOME_AMOUNTS),
    grams: Joi.number().min(0).max(100_000),
  }),
  started: Joi.object({ kind: Joi.string().required(), day: plainDay }),
};
/** By its kind, so that what is wrong with an entry is said of the key that is wrong. */
const sighting = Joi.alternatives().conditional('.kind', {
  switch: Object.entries(sightingOf).map(([is, then]) => ({ is, then })),
  otherwise: Joi.object({
    kind: Joi.string()
      .valid(...Object.keys(sightingOf))
      .required(),
  }),
});
const lifeEvent = Joi.object({
  kind: Joi.string()
    .valid(...LIFE_EVENTS)
    .required(),
  day: plainDay,
  outdoorShare: Joi.number().min(0).max(1),
});

const tideFileSchema: Joi.ObjectSchema<TideFile> = Joi.object<TideFile>({
  format: Joi.string().valid(TIDE_FORMAT).required(),
  version: Joi.number().valid(TIDE_VERSION).required(),
  salon: Joi.string().max(120).allow('').required(),
  town: Joi.string().max(120).allow('').required(),
  today: plainDay,
  place: Joi.object({
    latitudeDeg: Joi.number().min(-90).max(90).required(),
    longitudeDeg: Joi.number().min(-180).max(180).required(),
  }).required(),
  openWeekdays: Joi.array().items(Joi.number().integer().min(1).max(7)).min(1).unique().required(),
  minutesPerWeek: positive,
  rates: ratesSchema.required(),
  lengths: lengthsSchema.required(),
  evenDays: evenDaysSchema,
  readings: Joi.array()
    .items(Joi.object({ day: plainDay, celsius: Joi.number().min(-70).max(60).required() }))
    .required(),
  dogs: Joi.array()
    .items(
      Joi.object({
        id: idSchema.required(),
        name: Joi.string().max(60).required(),
        owner: Joi.string().max(80).allow('').required(),
        dog: Joi.object({
          coatClass: Joi.string()
            .valid(...COAT_CLASSES)
            .required(),
          weightKg: Joi.number().min(0.5).max(120).required(),
          outdoorShare: Joi.number().min(0).max(1).required(),
          homeCare: Joi.string()
            .valid(...HOME_CARE)
            .required(),
          born: Joi.number().integer(),
          fourTides: Joi.boolean(),
          life: Joi.array().items(lifeEvent).required(),
        }).required(),
        sightings: Joi.array().items(sighting).required(),
        minutesAt: Joi.array().items(positive).length(MINUTE_LOADS.length).required(),
        rhythm: Joi.object({
          shortest: Joi.number().integer().min(1).max(400).required(),
          longest: Joi.number().integer().min(1).max(400).required(),
        }).required(),
        apart: Joi.object({
          minutes: positive,
          cents: positive.integer(),
        }),
        booked: Joi.array()
          .items(
            Joi.object({
              day: plainDay,
              minutes: positive,
              agreed: Joi.boolean().required(),
              told: Joi.number().min(0).max(100_000),
            }),
          )
          .required(),
        found: Joi.object({
          day: plainDay,
          load: Joi.number().min(0).max(1).required(),
          packed: Joi.boolean().required(),
        }),
        holds: Joi.array().items(vetHoldSchema).required(),
      }),
    )
    .unique('id')
    .required(),
  roster: rosterSchema,
  apart: Joi.array().items(Joi.array().items(idSchema).length(2)),
  others: Joi.array().items(Joi.object({ day: plainDay, minutes: Joi.number().integer().min(1).max(1440).required() })),
  wishes: Joi.object().pattern(idSchema, Joi.object(wishFields)),
  mostMinutes: Joi.object().pattern(idSchema, Joi.number().integer().min(1).max(1440)),
}).label('tide book');

/** Reads a parsed JSON value as a tide book, or says which field stands in the way. */
export function readTideFile(
  value: unknown,
): { readonly ok: true; readonly value: TideFile } | { readonly ok: false; readonly error: Invalid } {
  const outcome = checked(tideFileSchema, value);
  return outcome.ok ? { ok: true, value: { ...outcome.value, today: day(outcome.value.today) } } : outcome;
}

/** What a home saw, as it is sent and answered. */
export interface HomeNote {
  readonly id: string;
  readonly day: string;
  readonly what: 'brushed' | 'started';
  readonly amount: HomeAmount | null;
  readonly grams: number | null;
  readonly author: string;
}
export const homeNoteSchema: Joi.ObjectSchema<HomeNote> = Joi.object<HomeNote>({
  id: idSchema.required(),
  day: daySchema.required(),
  what: Joi.string().valid('brushed', 'started').required(),
  amount: Joi.string()
    .valid(...HOME_AMOUNTS)
    .allow(null)
    .required(),
  grams: Joi.number().min(0).max(5000).allow(null).required(),
  author: lineSchema(60).allow('').required(),
}).label('note');

export interface LifeNote {
  readonly id: string;
  readonly day: string;
  readonly kind: LifeEventKind;
  readonly outdoorShare: number | null;
}
export const lifeNoteSchema: Joi.ObjectSchema<LifeNote> = Joi.object<LifeNote>({
  id: idSchema.required(),
  day: daySchema.required(),
  kind: Joi.string()
    .valid(...LIFE_EVENTS)
    .required(),
  // Only a move says where the dog lives from then on.
  outdoorShare: Joi.number()
    .min(0)
    .max(1)
    .allow(null)
    .when('kind', { is: 'moved', then: Joi.invalid(null) })
    .required(),
}).label('event');

/** A dog's own part of the log beside checks and sessions. */
export interface DogLog {
  readonly notes: readonly HomeNote[];
  readonly life: readonly LifeNote[];
}

export interface WeatherPage {
  /** Readings on record, own and the station's; first and last day, or null. */
  readonly own: number;
  readonly station: number;
  readonly first: string | null;
  readonly last: string | null;
}
export const weatherCsvSchema: Joi.ObjectSchema<{ readonly csv: string }> = Joi.object<{ readonly csv: string }>({
  csv: Joi.string().min(1).max(900_000).required(),
}).label('readings');
