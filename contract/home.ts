/** The home as it travels: the owner's card and page, what a home is like, what it did and found, its links. */
import type { Hold } from '../core/check/index.ts';
import type { Interval80 } from '../core/quantity/index.ts';
import Joi from 'joi';
import type { BodyShape, CoatClass, MindAdviceId } from '../core/dog/index.ts';
import {
  HOME_CARES,
  HOME_PARTS,
  REPORT_KINDS,
  type DueCare,
  type HomeCareKind,
  type HomePart,
  type HomeSetup,
  type HomeTools,
  type HomeWeek,
  type ReportKind,
  type TwoMinutes,
} from '../core/home/index.ts';
import { TOOL_KINDS } from '../core/kit/index.ts';
import { HOME_AMOUNTS, type HomeAmount, type Outlook } from '../core/tide/index.ts';
import type { BookingRecord } from './booking.ts';
import type { OfferRecord } from './offer.ts';
import type { OwnerPostRecord, OwnPostPage } from './post.ts';
import { daySchema, idSchema, lineSchema, versionSchema } from './common.ts';

/** What a home is like as it is stored: its brushes stand in the kit. */
export type HomeSetupFacts = Omit<HomeSetup, 'brushes'>;
export interface HomeSetupRecord extends HomeSetupFacts {
  /** 0 while nobody has said. */
  readonly version: number;
}

const partsSchema = Joi.array()
  .items(Joi.string().valid(...HOME_PARTS))
  .unique()
  .required();
const setupFields = {
  minutesByWeekday: Joi.array().items(Joi.number().min(0).max(180).required()).length(7).required(),
  patienceMinutes: Joi.number().min(1).max(90).required(),
  beginner: Joi.boolean().required(),
  severalHands: Joi.boolean().required(),
  seedWalks: Joi.boolean().required(),
  pins: partsSchema,
  without: Joi.array()
    .items(Joi.string().valid(...TOOL_KINDS))
    .unique()
    .required(),
  note: Joi.string().max(600).allow('').required(),
};
export const homeSetupSchema: Joi.ObjectSchema<HomeSetupRecord> = Joi.object<HomeSetupRecord>({
  ...setupFields,
  version: versionSchema.min(0).required(),
}).label('home');

/** A bout at home. */
export interface HomeBoutNote {
  readonly id: string;
  readonly day: string;
  readonly parts: readonly HomePart[];
  readonly minutes: number;
  readonly amount: HomeAmount | null;
  readonly author: string;
}
const author = lineSchema(60).allow('').required();
export const homeBoutSchema: Joi.ObjectSchema<HomeBoutNote> = Joi.object<HomeBoutNote>({
  id: idSchema.required(),
  day: daySchema.required(),
  parts: partsSchema.min(1),
  minutes: Joi.number().min(0).max(240).required(),
  amount: Joi.string()
    .valid(...HOME_AMOUNTS)
    .allow(null)
    .required(),
  author,
}).label('bout');

export interface HomeCareNote {
  readonly id: string;
  readonly day: string;
  readonly kind: HomeCareKind;
  readonly author: string;
}
export const homeCareSchema: Joi.ObjectSchema<HomeCareNote> = Joi.object<HomeCareNote>({
  id: idSchema.required(),
  day: daySchema.required(),
  kind: Joi.string()
    .valid(...HOME_CARES)
    .required(),
  author,
}).label('care');

/** "It is starting", said by an owner. */
export interface HomeStarted {
  readonly id: string;
  readonly day: string;
  readonly author: string;
}
export const homeStartedSchema: Joi.ObjectSchema<HomeStarted> = Joi.object<HomeStarted>({
  id: idSchema.required(),
  day: daySchema.required(),
  author,
}).label('word');

export interface HomeReportDraft {
  readonly id: string;
  readonly day: string;
  readonly kind: ReportKind;
  readonly part: HomePart | null;
  readonly note: string;
  readonly author: string;
}
export interface HomeReport extends HomeReportDraft {
  readonly dogId: string;
  readonly photo: boolean;
  /** Somebody at the salon has answered. What must be looked at is held until a check or a vet has seen it. */
  readonly closed: boolean;
  /** What the salon answered; empty where it said nothing. */
  readonly answer: string;
}
/** What the salon answers to what an owner found. */
export const reportAnswerSchema = Joi.object<{ readonly answer: string }>({
  answer: Joi.string().max(600).allow('').required(),
}).label('answer');
export const homeReportSchema: Joi.ObjectSchema<HomeReportDraft> = Joi.object<HomeReportDraft>({
  id: idSchema.required(),
  day: daySchema.required(),
  kind: Joi.string()
    .valid(...REPORT_KINDS)
    .required(),
  part: Joi.string()
    .valid(...HOME_PARTS)
    .allow(null)
    .required(),
  note: Joi.string().max(600).allow('').required(),
  author,
}).label('report');

/** What the tide says to an owner; absent while it is being computed. */
export interface HomeTide {
  readonly blow: boolean;
  /** The blow that is under way or comes next: 80 % band of plain days. */
  readonly start: (Interval80 & { readonly key: string }) | null;
  /** Minutes of the next visit with home brushing as planned, without it, after a missed week. */
  readonly effect: { readonly kept: number; readonly without: number; readonly missedWeek: number } | null;
}

/** Of a dog's outlook, what its owner is told. */
export type OwnerOutlook = Pick<Outlook, 'due' | 'booked' | 'visit' | 'minutes' | 'grams'>;
/** Of a hold, what its owner is told: not what the salon wrote for itself. */
export interface OwnerHold extends Pick<Hold, 'place' | 'since' | 'finding' | 'source'> {
  readonly seen: boolean;
}

/** One dog on its owner's page: only what an owner needs. */
export interface OwnerDog {
  readonly id: string;
  readonly name: string;
  readonly coatClass: CoatClass;
  readonly shape: BodyShape;
  readonly today: number;
  readonly week: HomeWeek;
  readonly tools: HomeTools;
  /** What two minutes do most for, where something is brushed at all. */
  readonly short: TwoMinutes | null;
  /** What its mind asks of a home. */
  readonly mind: readonly MindAdviceId[];
  readonly due: readonly DueCare[];
  readonly tide: HomeTide;
  /** Parts that wait for a vet or for the salon's answer. */
  readonly closed: readonly HomePart[];
  readonly holds: readonly OwnerHold[];
  /** Days since the last bout, and whether today's is done. */
  readonly missedDays: number;
  readonly doneToday: boolean;
  /** What the groomer says. */
  readonly note: string;
  /** What is booked from today on, whatever for, the next first. */
  readonly visits: readonly Pick<BookingRecord, 'startsAt' | 'minutes' | 'service'>[];
  /** Starts that are held until its owner takes one of them. */
  readonly offer: Pick<OfferRecord, 'id' | 'starts' | 'minutes' | 'endsAt'> | null;
  /** What the next visit will be; null as long as nothing was learnt of the coat. */
  readonly outlook: OwnerOutlook | null;
  readonly reports: readonly Omit<HomeReport, 'dogId'>[];
  readonly bouts: readonly HomeBoutNote[];
}
export interface OwnerPage {
  readonly salonName: string;
  readonly timeZone: string;
  /** Where the calendar of these days is, from the salon's address on. */
  readonly feed: string;
  readonly post: OwnPostPage;
  readonly dogs: readonly OwnerDog[];
}

/** A dog's home as the groomer edits it: the same page, and the facts behind it. */
export interface HomeDeskPage {
  readonly setup: HomeSetupRecord;
  readonly dog: OwnerDog;
  readonly salonName: string;
  readonly timeZone: string;
  readonly ownerName: string;
  /** Dogs of the same owner, this one first. */
  readonly household: readonly { readonly id: string; readonly name: string }[];
  readonly links: readonly HomeLink[];
  /** Bouts done of those planned, over the last four weeks, 0..1; null before anything was noted. */
  readonly adherence: number | null;
  /** How the owner of these dogs is reminded. */
  readonly post: OwnerPostRecord;
  /** What a missed week costs at the next visit, by the salon's hour; null while the tide does not say. */
  readonly missedWeekCost: { readonly cents: number; readonly currency: string } | null;
}

export interface HomeLink {
  readonly id: string;
  readonly dogIds: readonly string[];
  readonly created: string;
  readonly ended: boolean;
}
/** A link as it is shown once: afterwards only its hash is kept. */
export interface HomeLinkMade extends HomeLink {
  readonly token: string;
  readonly feedToken: string;
}
export const homeLinkSchema: Joi.ObjectSchema<{ readonly dogIds: readonly string[] }> = Joi.object<{
  readonly dogIds: readonly string[];
}>({ dogIds: Joi.array().items(idSchema).min(1).max(12).unique().required() }).label('link');

/** What homes found and nobody has closed. */
export interface HomeReportsPage {
  readonly reports: readonly (HomeReport & { readonly dogName: string })[];
}
