/** The salon: where it is, its side in the open quarrels, its rates; and what another side would change. */
import Joi from 'joi';
import type { MethodId } from '../core/bench/index.ts';
import { CARE_ITEMS } from '../core/dog/index.ts';
import {
  BATH_RHYTHMS,
  BLADE_USES,
  DEFAULT_QUARRELS,
  EVEN_DAYS,
  LENGTH_STEPS,
  MAT_WAYS,
  SALON_RHYTHMS,
  SLICKER_DEPTHS,
  SLICKER_ORDERS,
  SPRAYS,
  STROKES,
  WET_BRUSHING,
  type HouseRules,
  type VisitLengths,
  type Quarrels,
  type ToolKind,
} from '../core/kit/index.ts';
import { lineSchema, nameLine, versionSchema } from './common.ts';

export interface SalonDraft {
  readonly name: string;
  readonly town: string;
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  /** IANA name. */
  readonly timeZone: string;
  readonly house: HouseRules;
}
export interface SalonEdit extends SalonDraft {
  readonly version: number;
}
export type SalonRecord = SalonEdit;

/** A plan in short: what a house would do with a dog. */
export interface PlanSummary {
  readonly method: MethodId;
  readonly minutes: number;
  readonly priceCents: number;
  readonly shareLeft: number;
  readonly skinLoad: number;
  /** Kinds of tools in the order of the steps. */
  readonly tools: readonly ToolKind[];
  /** Ids of the rules whose cautions stand beside the steps. */
  readonly cautions: readonly string[];
}
/** What other house rules would change, before they are taken. */
export interface HousePreview {
  /** Dogs booked from today on, soonest first; null: nothing is open to the dog. */
  readonly plans: readonly {
    readonly dogId: string;
    readonly name: string;
    /** Day of the booking. */
    readonly day: number;
    readonly before: PlanSummary | null;
    readonly after: PlanSummary | null;
  }[];
  /** Dogs whose next visit moves, and by how many days on the whole. */
  readonly moved: { readonly sooner: number; readonly later: number; readonly days: number };
}

const side = (values: readonly string[]): Joi.StringSchema =>
  Joi.string()
    .valid(...values)
    .required();
const quarrelSchemas: Readonly<Record<keyof Quarrels, Joi.Schema>> = {
  slickerOrder: side(SLICKER_ORDERS),
  slickerDepth: side(SLICKER_DEPTHS),
  stroke: side(STROKES),
  blade: side(BLADE_USES),
  bladeMinutes: Joi.number().integer().min(0).max(20).required(),
  spray: side(SPRAYS),
  wetBrushing: side(WET_BRUSHING),
  mats: side(MAT_WAYS),
  bath: side(BATH_RHYTHMS),
  rhythm: side(SALON_RHYTHMS),
};

const weight = Joi.number().min(0).max(1000).required();
/** What an hour costs, and how prices are rounded. */
export const ratesSchema: Joi.ObjectSchema<HouseRules['rates']> = Joi.object<HouseRules['rates']>({
  currency: Joi.string()
    .pattern(/^[A-Z]{3}$/)
    .required(),
  perHourCents: Joi.number().integer().min(0).max(10_000_000).required(),
  minimumCents: Joi.number().integer().min(0).max(10_000_000).required(),
  roundToCents: Joi.number().integer().min(1).max(100_000).required(),
});

/** How long visits are booked for. */
export const lengthsSchema: Joi.ObjectSchema<VisitLengths> = Joi.object<VisitLengths>({
  step: Joi.number()
    .integer()
    .valid(...LENGTH_STEPS)
    .required(),
  shortest: Joi.number().integer().min(5).max(240).required(),
});

/** How evenly work lies on the days. */
export const evenDaysSchema = Joi.string().valid(...EVEN_DAYS);

export const houseSchema: Joi.ObjectSchema<HouseRules> = Joi.object<HouseRules>({
  ...quarrelSchemas,
  weights: Joi.object({ hairOut: weight, minutes: weight, skin: weight, comfort: weight, dust: weight }).required(),
  rates: ratesSchema.required(),
  openWeekdays: Joi.array().items(Joi.number().integer().min(1).max(7)).unique().min(1).required(),
  hours: Joi.object({
    openMinute: Joi.number().integer().min(0).max(1439).required(),
    closeMinute: Joi.number().integer().min(1).max(1440).greater(Joi.ref('openMinute')).required(),
  }).required(),
  tables: Joi.number().integer().min(1).max(50).required(),
  tubs: Joi.number().integer().min(1).max(50),
  dryPlaces: Joi.number().integer().min(1).max(50),
  shedHoursPerWeek: Joi.number().min(0.5).max(2000),
  dematMinutes: Joi.number().integer().min(0).max(60),
  evenDays: evenDaysSchema,
  care: Joi.object(
    Object.fromEntries(
      CARE_ITEMS.map((item) => [
        item,
        Joi.object({
          minutes: Joi.number().integer().min(1).max(60),
          cents: Joi.number().integer().min(0).max(100_000),
        }),
      ]),
    ),
  ),
  visits: lengthsSchema,
}).label('house');

/** Is the name a time zone that this machine's calendar knows. */
function knownTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

const place = {
  name: nameLine(80).required(),
  town: lineSchema(80).allow('').required(),
  latitudeDeg: Joi.number().min(-90).max(90).required(),
  longitudeDeg: Joi.number().min(-180).max(180).required(),
  timeZone: Joi.string()
    .max(60)
    .custom((value: string, helpers) => (knownTimeZone(value) ? value : helpers.error('zone.unknown')))
    .messages({ 'zone.unknown': '{{#label}} must be an IANA time zone such as Europe/Helsinki, not "{{#value}}"' })
    .required(),
};
/** A town of the gazetteer. */
export interface PlaceFound {
  readonly name: string;
  /** ISO 3166-1 alpha-2. */
  readonly country: string;
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly timeZone: string;
}

/** A salon before its first day: where it is; its house rules are the usual ones until somebody changes them. */
export type SetUp = Omit<SalonDraft, 'house'>;
export const setUpSchema: Joi.ObjectSchema<SetUp> = Joi.object<SetUp>(place).label('salon');
export const salonEditSchema: Joi.ObjectSchema<SalonEdit> = Joi.object<SalonEdit>({
  ...place,
  house: houseSchema.required(),
  version: versionSchema.required(),
}).label('salon');

export const housePreviewSchema: Joi.ObjectSchema<{ readonly house: HouseRules }> = Joi.object<{ house: HouseRules }>({
  house: houseSchema.required(),
}).label('preview');

/** House rules as a case file may hold them: sides that it leaves out are those of a new salon. */
export const caseHouseSchema: Joi.ObjectSchema<HouseRules> = houseSchema.fork(Object.keys(DEFAULT_QUARRELS), (key) =>
  key.optional(),
);

/** Towns whose name begins so. */
export interface PlacesPage {
  readonly places: readonly PlaceFound[];
}

export interface SalonPage {
  readonly salon: SalonRecord;
  readonly today: number;
}
