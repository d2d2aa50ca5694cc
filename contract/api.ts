/**
 * The API as one table: every route with who may ask it, the schema that guards it, and what it answers. Routes are opened
 * from this table alone, so that none can be without a row.
 */
import type Joi from 'joi';
import type { Plan } from '../core/bench/index.ts';
import type { KeysPage, MePage } from './account.ts';
import type { BenchCases, BenchPage } from './bench.ts';
import type { BookingRecord, BookingsPage, NextPage, ReadIn, StartsPage } from './booking.ts';
import type { CheckRecord, ChecksPage } from './check.ts';
import type { Health, Removed } from './common.ts';
import type { DayPage } from './day.ts';
import type { DevicesPage } from './devices.ts';
import type { DogPage, DogRecord, DogsPage } from './dog.ts';
import type { HomeDeskPage, HomeLink, HomeLinkMade, HomeReport, HomeReportsPage, OwnerPage } from './home.ts';
import type { Coverage, KitPage, RankingsPage, RulesPage, ToolRecord } from './kit.ts';
import type { PhotoRecord, PhotosPage } from './photo.ts';
import type { OwnerPostRecord, PostPage } from './post.ts';
import type { BoutRecord, PracticePage, PracticePeople } from './practice.ts';
import type { ProductsPage } from './product.ts';
import type { CallsPage, RosterPage, SheetPage, WishRecord } from './roster.ts';
import type { ChangesPage, Forgotten, IntakePreview, IntakeRecord, IntakesPage, JobRecord, SafePage } from './safe.ts';
import type { HousePreview, PlacesPage, SalonPage, SalonRecord } from './salon.ts';
import type { ClockPage, SessionLog, SessionPage, SessionsPage } from './session.ts';
import type { TallyLedger, TallyPage } from './tally.ts';
import type { DogLog, TideFile, TideLearntAnswer, WeatherPage } from './tide.ts';
import { ROLES, type Role } from './account.ts';
import {
  accountDraftSchema,
  accountEditSchema,
  confirmSchema,
  firstOwnerSchema,
  handOverSchema,
  newPassphraseSchema,
  newPinSchema,
  signInSchema,
} from './account.ts';
import {
  bookingDraftSchema,
  cancelSchema,
  bookingEditSchema,
  csvSchema,
  tentativeSchema,
  icsSchema,
  splitSchema,
  standingSchema,
} from './booking.ts';
import { offerChoiceSchema, offerSchema, type OfferRecord, type OffersPage } from './offer.ts';
import { checkDraftSchema, checkEditSchema } from './check.ts';
import { standInSchema } from './devices.ts';
import { careChoiceSchema, clipOrdersSchema, dogEditSchema, newDogSchema } from './dog.ts';
import {
  homeSetupSchema,
  homeLinkSchema,
  homeBoutSchema,
  homeCareSchema,
  homeStartedSchema,
  homeReportSchema,
  reportAnswerSchema,
} from './home.ts';
import { newToolSchema, toolEditSchema, upkeepBatchSchema } from './kit.ts';
import { ownPostSchema, ownerPostSchema } from './post.ts';
import { answerSchema, boutSchema } from './practice.ts';
import { productMoveSchema } from './product.ts';
import { personSchema, absenceSchema, apartSchema, wishSchema, pinsSchema, markSchema, callSchema } from './roster.ts';
import { setUpSchema, salonEditSchema, housePreviewSchema } from './salon.ts';
import { sessionDraftSchema, eventBatchSchema } from './session.ts';
import { vetWordSchema, type DogHolds, type HoldsPage } from './hold.ts';
import { homeNoteSchema, lifeNoteSchema, weatherCsvSchema } from './tide.ts';
import { keptYearSchema, type YearsPage } from './year.ts';

import { PHOTO_LIMIT_BYTES } from './photo.ts';
import { forgetSchema, intakePreviewSchema, intakeSchema, jobSchema } from './safe.ts';

/** Who may ask a route: these roles, anyone who holds an owner's link, or anyone who can reach the machine. */
export type Who = readonly Role[] | 'link' | 'anyone';

/** JSON of a type that server and client share. */
export interface JsonReply<T = unknown> {
  readonly kind: 'json';
  /** For the compiler alone: no row has a value here. */
  readonly of?: T;
}
export interface FileReply {
  readonly kind: 'file';
  /** Its content type. */
  readonly type: string;
}
/** Server-sent events, each with JSON of a type: first what stands, then each change. */
export interface StreamReply<T = unknown> {
  readonly kind: 'stream';
  readonly of?: T;
}
export type ReplyKind = JsonReply | FileReply | StreamReply;
const json = <T>(): JsonReply<T> => ({ kind: 'json' });
const stream = <T>(): StreamReply<T> => ({ kind: 'stream' });
const file = (type: string): FileReply => ({ kind: 'file', type });

export interface ApiRow<May extends Who = Who, Body = unknown, Reply extends ReplyKind = ReplyKind> {
  readonly may: May;
  /** Guards the body; a route without one reads none. */
  readonly body?: Joi.ObjectSchema<Body> | undefined;
  /** The body is the bytes of a JPEG instead. */
  readonly jpeg?: true | undefined;
  /** Largest body in bytes, where it is not the usual one. */
  readonly limit?: number | undefined;
  /** An owner's act: only for whoever has shown their passphrase within the last ten minutes. */
  readonly confirmed?: true | undefined;
  /** Keys of the query that it reads. */
  readonly query?: readonly string[] | undefined;
  readonly reply: Reply;
  readonly sends?: string | undefined;
  readonly answers: string;
}
const row = <const May extends Who, const Reply extends ReplyKind, Body = undefined>(
  r: ApiRow<May, Body, Reply>,
): ApiRow<May, Body, Reply> => r;
/** A row whose body is a photo. */
const photoRow = <const May extends Who, const Reply extends ReplyKind>(
  r: Omit<ApiRow<May, undefined, Reply>, 'body'>,
): ApiRow<May, Uint8Array, Reply> => ({
  ...r,
  jpeg: true,
  limit: PHOTO_LIMIT_BYTES,
});

const ALL = ROLES;
/** Those who have a dog under their hands. */
const HANDS = ['owner', 'groomer', 'bather'] as const;
/** Those who speak with owners. */
const FRONT = ['owner', 'groomer', 'desk'] as const;
/** Those who answer for the craft. */
const CRAFT = ['owner', 'groomer'] as const;
const OWNER = ['owner'] as const;
const JPEG = 'image/jpeg';
const CALENDAR = 'text/calendar';
const CSV_LIMIT = 4_500_000;

export const API = {
  'GET /health': row({
    may: 'anyone',
    reply: json<Health>(),
    answers: '`{ok: true, build}`: the interface that is served, by its script',
  }),
  'GET /openapi.json': row({ may: 'anyone', reply: json<object>(), answers: 'this table as OpenAPI 3.1' }),
  'GET /me': row({
    may: 'anyone',
    reply: json<MePage>(),
    answers: 'who is signed in on this device, and what a page must show first',
  }),
  'POST /first-owner': row({
    may: 'anyone',
    body: firstOwnerSchema,
    sends: '`{name, login, passphrase, code?}`; the code the machine printed, when asked from another one',
    reply: json<MePage>(),
    answers: '201, the same: the first account, signed in; 409 when there is one',
  }),
  'POST /sign-in': row({
    may: 'anyone',
    body: signInSchema,
    sends: '`{login, passphrase, shared}`',
    reply: json<MePage>(),
    answers: 'the same, with a cookie; 401 when they do not fit, 429 when it was tried too often',
  }),
  'POST /sign-out': row({ may: 'anyone', reply: json<MePage>(), answers: 'the same, nobody signed in' }),
  'POST /hand-over': row({
    may: 'anyone',
    body: handOverSchema,
    sends: '`{accountId, pin}`, on a shared tablet',
    reply: json<MePage>(),
    answers: 'the same, somebody else signed in',
  }),
  'POST /lock': row({ may: ALL, reply: json<MePage>(), answers: 'the same, the shared tablet waiting for a PIN' }),
  'POST /me/confirm': row({
    may: ALL,
    body: confirmSchema,
    sends: '`{own}`: the own passphrase',
    reply: json<MePage>(),
    answers: 'the same; owner’s acts are open for ten minutes. They answer 403 with the field `confirm` otherwise',
  }),
  'PUT /me/passphrase': row({
    may: ALL,
    body: newPassphraseSchema,
    sends: '`{own, passphrase}`',
    reply: json<MePage>(),
    answers: 'the same; other devices of the account are signed out',
  }),
  'PUT /me/pin': row({
    may: ALL,
    body: newPinSchema,
    sends: '`{own, pin}`',
    reply: json<MePage>(),
    answers: 'the same',
  }),
  'GET /keys': row({ may: OWNER, reply: json<KeysPage>(), answers: '`{accounts, signIns}`' }),
  'POST /accounts': row({
    may: OWNER,
    confirmed: true,
    body: accountDraftSchema,
    sends: '`{id, name, login, role, personId, passphrase}`',
    reply: json<KeysPage>(),
    answers: '201, the keys',
  }),
  'PUT /accounts/:id': row({
    may: OWNER,
    confirmed: true,
    body: accountEditSchema,
    sends: '`{name, role, personId, ended, version}`',
    reply: json<KeysPage>(),
    answers: 'the keys; an ended account is signed out everywhere',
  }),
  'PUT /accounts/:id/passphrase': row({
    may: OWNER,
    confirmed: true,
    body: newPassphraseSchema,
    sends: '`{own, passphrase}`: the owner’s own first',
    reply: json<KeysPage>(),
    answers: 'the keys; the account is signed out everywhere',
  }),
  'DELETE /sign-ins/:id': row({
    may: OWNER,
    confirmed: true,
    reply: json<KeysPage>(),
    answers: 'the keys, that device signed out',
  }),
  'GET /changes': row({
    may: OWNER,
    sends: '`?before=` an id, `?dog=` a dog',
    query: ['before', 'dog'],
    reply: json<ChangesPage>(),
    answers: '`{changes, before}`: who changed what, newest first',
  }),
  'GET /safe': row({
    may: OWNER,
    reply: json<SafePage>(),
    answers: 'backups, what was taken out, sentences on what is wrong with the machine',
  }),
  'POST /backups': row({
    may: OWNER,
    body: jobSchema,
    sends: '`{id}`',
    reply: json<JobRecord>(),
    answers: '202, the job: a backup is made and verified',
  }),
  'POST /exports': row({
    may: OWNER,
    confirmed: true,
    body: jobSchema,
    sends: '`{id}`',
    reply: json<JobRecord>(),
    answers: '202, the job: everything as a zip',
  }),
  'GET /exports/:id': row({ may: OWNER, confirmed: true, reply: file('application/zip'), answers: 'the zip' }),
  'POST /intake/preview': row({
    may: FRONT,
    body: intakePreviewSchema,
    limit: CSV_LIMIT,
    sends: '`{csv, columns?}`',
    reply: json<IntakePreview>(),
    answers: 'what would come of each line, with the columns guessed. Writes nothing',
  }),
  'POST /intake': row({
    may: FRONT,
    body: intakeSchema,
    limit: CSV_LIMIT,
    sends: '`{id, csv, columns}`',
    reply: json<IntakeRecord>(),
    answers: '201, what came in; 409 and nothing when one line cannot be taken',
  }),
  'GET /intake': row({ may: FRONT, reply: json<IntakesPage>(), answers: '`{intakes}`, newest first' }),
  'DELETE /intake/:id': row({
    may: FRONT,
    reply: json<IntakesPage>(),
    answers: 'the same, that one undone; 409 when its dogs were worked with since',
  }),
  'POST /forget': row({
    may: OWNER,
    confirmed: true,
    body: forgetSchema,
    sends: '`{dogId}`: the owner of that dog',
    reply: json<Forgotten>(),
    answers: '`{dogs, sessions, removed}`: the owner is gone, work stays without names',
  }),
  'GET /dogs/:id/next': row({
    may: ALL,
    reply: json<NextPage>(),
    answers: 'when to come again and why, minutes, price, free times',
  }),
  'GET /dogs/:id/starts': row({
    may: ALL,
    sends: '`?days=2031-04-09,2031-04-16`, `?minutes=` a length, `?service=` what it is for',
    query: ['days', 'minutes', 'service'],
    reply: json<StartsPage>(),
    answers:
      '`{minutes, by, days: [{day, starts, against}]}`: when it could come on those days, or what stands against it',
  }),
  'POST /bookings/tentative': row({
    may: FRONT,
    body: tentativeSchema,
    sends: '`{id, dogId, day, minutes, agreed?, startsAt?}`, startsAt: the start that was offered',
    reply: json<BookingRecord>(),
    answers:
      '201, a booking at the first start on that day that suits owner, people, tables and dogs that must not meet; 409 says what stands against it',
  }),
  'GET /offers': row({
    may: ALL,
    reply: json<OffersPage>(),
    answers: '`{held, ring}`: starts that are held for dogs, and whose owners asked to be rung instead',
  }),
  'POST /offers': row({
    may: FRONT,
    body: offerSchema,
    sends: '`{id, dogId, minutes, starts}`: one to three starts, held for 48 hours or until the first of them',
    reply: json<OfferRecord>(),
    answers: '201, the offer: its owner sees it on the page; what was held for the dog before is let go',
  }),
  'DELETE /offers/:id': row({
    may: FRONT,
    reply: json<OffersPage>(),
    answers: 'the same as `GET /offers`, that one let go',
  }),
  'GET /bookings': row({ may: ALL, reply: json<BookingsPage>(), answers: '`{bookings}` from today on' }),
  'POST /bookings': row({
    may: FRONT,
    body: bookingDraftSchema,
    sends: '`{id, dogId, startsAt, minutes, note, service?, agreed?}`',
    reply: json<BookingRecord>(),
    answers: '201, the booking',
  }),
  'PUT /bookings/:id': row({
    may: FRONT,
    body: bookingEditSchema,
    sends: '`{startsAt, minutes, note, version}`',
    reply: json<BookingRecord>(),
    answers: 'the booking',
  }),
  'POST /bookings/:id/cancel': row({
    may: FRONT,
    body: cancelSchema,
    sends: '`{version, why?}`, why: `salon`, `owner`, `late` or `no-show`',
    reply: json<BookingRecord>(),
    answers: 'the booking',
  }),
  'POST /bookings/:id/agree': row({
    may: FRONT,
    body: standingSchema,
    sends: '`{version}`',
    reply: json<BookingRecord>(),
    answers: 'the booking: its owner said yes',
  }),
  'POST /bookings/:id/unagree': row({
    may: FRONT,
    body: standingSchema,
    sends: '`{version}`',
    reply: json<BookingRecord>(),
    answers: 'the booking, as it was before its owner said yes',
  }),
  'POST /bookings/:id/leave': row({
    may: FRONT,
    body: standingSchema,
    sends: '`{version}`',
    reply: json<BookingRecord>(),
    answers: 'the booking as it was: that its length fits no more has been seen; 409 `stale`',
  }),
  'POST /bookings/:id/split': row({
    may: FRONT,
    body: splitSchema,
    sends: '`{version, second}`; second: the id of the other visit',
    reply: json<BookingRecord>(),
    answers: '201, the second visit, within a week; both are half as long as is likely; 409 where no table is free',
  }),
  'POST /bookings/:id/restore': row({
    may: FRONT,
    body: standingSchema,
    sends: '`{version}`',
    reply: json<BookingRecord>(),
    answers: 'the booking that was cancelled, as it was; 409 when its time is taken',
  }),
  'GET /bookings/:id/calendar.ics': row({ may: ALL, reply: file(CALENDAR), answers: '`text/calendar` (RFC 5545)' }),
  'GET /dogs/:id/checks': row({ may: ALL, reply: json<ChecksPage>(), answers: '`{checks}`, newest first' }),
  'POST /dogs/:id/checks': row({
    may: HANDS,
    body: checkDraftSchema,
    sends: 'a coat check with its own `id`',
    reply: json<CheckRecord>(),
    answers: '201, the check',
  }),
  'GET /checks/:id': row({ may: ALL, reply: json<CheckRecord>(), answers: 'the check' }),
  'PUT /checks/:id': row({
    may: HANDS,
    body: checkEditSchema,
    sends: 'the whole check with its `version`',
    reply: json<CheckRecord>(),
    answers: 'the check',
  }),
  'GET /checks/:id/plan': row({
    may: ALL,
    reply: json<Plan>(),
    answers: 'the plan, computed with today’s kit and house rules',
  }),
  'GET /checks/:id/bench': row({
    may: ALL,
    reply: json<BenchPage>(),
    answers:
      '`{request, plan, people}`: all a plan is computed from, the plan that comes of it, and what the log has taught of each person’s pace',
  }),
  'GET /bench/cases': row({
    may: ALL,
    reply: json<BenchCases>(),
    answers: '`{kit, house, cases}`: the same for the newest check of every dog',
  }),
  'GET /checks/:id/rankings/:zone/:method': row({
    may: ALL,
    reply: json<RankingsPage>(),
    answers: 'the kit ranked in a zone at each phase of a method, with reasons',
  }),
  'GET /day': row({
    may: ALL,
    reply: json<DayPage>(),
    answers:
      'today’s booked dogs: whether they are bathed, minutes at each dryer and its level; the dryers on the wall',
  }),
  'GET /clock': row({
    may: ALL,
    reply: json<ClockPage>(),
    answers: '`{nowMs}`: the salon’s time, for devices whose clock is wrong',
  }),
  'GET /devices': row({
    may: ALL,
    reply: json<DevicesPage>(),
    answers: 'what scale, sound meter and room sensor say, and what is put on their stand-ins',
  }),
  'GET /devices/stream': row({
    may: ALL,
    reply: stream<DevicesPage>(),
    answers: 'the same as server-sent events, about three a second',
  }),
  'POST /devices/scale/tare': row({
    may: HANDS,
    reply: json<DevicesPage>(),
    answers: 'what stands on the scale counts as nothing; 409 while it moves',
  }),
  'PUT /devices/stand-ins': row({
    may: HANDS,
    body: standInSchema,
    sends:
      'any of `bowl`, `hairG`, `dogKg`, `restless`, `driftGPerMinute`, `scaleOn`, `dbA`, `meterOn`, `temperatureC`, `humidityPct`, `sensorOn`',
    reply: json<DevicesPage>(),
    answers: 'what the devices then say',
  }),
  'GET /dogs': row({
    may: ALL,
    sends: '`?find=` part of a name',
    query: ['find'],
    reply: json<DogsPage>(),
    answers:
      '`{today, dogs}`: those who come these years, or whose name or owner holds that text; those who most need a visit first, each with its `need.reason`',
  }),
  'POST /dogs': row({
    may: FRONT,
    body: newDogSchema,
    sends: 'a dog with its own `id`',
    reply: json<DogRecord>(),
    answers: '201, the dog',
  }),
  'GET /dogs/:id': row({
    may: ALL,
    reply: json<DogPage>(),
    answers: 'the dog’s page: facts, need, next visit, checks, sessions, bookings',
  }),
  'PUT /dogs/:id/clip-orders': row({
    may: CRAFT,
    body: clipOrdersSchema,
    sends: '`{orders}`: all orders of a vet to clip, each with its day, who gave it, why and which zones',
    reply: json<DogRecord>(),
    answers: 'the dog',
  }),
  'PUT /dogs/:id/care': row({
    may: ALL,
    body: careChoiceSchema,
    sends: '`care`: what else is done to the dog on a visit, remembered for the next',
    reply: json<DogRecord>(),
    answers: 'the dog',
  }),
  'PUT /dogs/:id': row({
    may: FRONT,
    body: dogEditSchema,
    sends: 'the whole dog with its `version`',
    reply: json<DogRecord>(),
    answers: 'the dog',
  }),
  'GET /roster/people/:id/calendar.ics': row({
    may: ALL,
    reply: file(CALENDAR),
    answers: 'that person’s work, `text/calendar`',
  }),
  'POST /calendar/read': row({
    may: FRONT,
    body: icsSchema,
    sends: '`{ics}`',
    reply: json<ReadIn>(),
    answers: 'the same, of another calendar’s events',
  }),
  'GET /bookings.csv': row({ may: ALL, reply: file('text/csv'), answers: 'bookings from today on as a table' }),
  'POST /bookings/read': row({
    may: FRONT,
    body: csvSchema,
    sends: '`{csv}`',
    reply: json<ReadIn>(),
    answers: '`{booked, moved, closed, left}`: what came of each line',
  }),
  'GET /dogs/:id/home': row({
    may: ALL,
    reply: json<HomeDeskPage>(),
    answers:
      'what the home is like, the week as its owner sees it, links, how much of the plan was done, how its owner is reminded',
  }),
  'PUT /dogs/:id/home': row({
    may: FRONT,
    body: homeSetupSchema,
    sends:
      '`{minutesByWeekday, patienceMinutes, beginner, severalHands, seedWalks, pins, without, note, version}`; version 0 the first time',
    reply: json<HomeDeskPage>(),
    answers: 'the same page',
  }),
  'POST /home-links': row({
    may: FRONT,
    body: homeLinkSchema,
    sends: '`{dogIds}`: dogs of one owner',
    reply: json<HomeLinkMade>(),
    answers: '201, the link with its `token` and `feedToken`: they are shown once, only hashes are kept',
  }),
  'DELETE /home-links/:id': row({ may: FRONT, reply: json<HomeLink>(), answers: 'the link, ended' }),
  'GET /holds': row({
    may: ALL,
    reply: json<HoldsPage>(),
    answers:
      '`{today, dogs}`: dogs that something of waits for a vet or is to be left alone, each with its `holds` and the vets’ `words`',
  }),
  'POST /dogs/:id/vet-words': row({
    may: FRONT,
    body: vetWordSchema,
    sends:
      '`{id, day, who, places, findings, allows, note}`; places: zones, or dog for all of it; findings: what had been found there; allows: as-usual, not-there',
    reply: json<DogHolds>(),
    answers: '201, what is held of the dog now',
  }),
  'DELETE /vet-words/:id': row({ may: FRONT, reply: json<DogHolds>(), answers: 'what is held of the dog without it' }),
  'GET /home-reports': row({
    may: ALL,
    reply: json<HomeReportsPage>(),
    answers: '`{reports}`: what owners found and nobody has answered yet',
  }),
  'POST /home-reports/:id/close': row({
    may: FRONT,
    body: reportAnswerSchema,
    sends: '`{answer}`, what the owner reads on their page; may be empty',
    reply: json<HomeReport>(),
    answers: 'the report, answered',
  }),
  'GET /home-reports/:id/photo': row({ may: ALL, reply: file(JPEG), answers: 'its photo, `image/jpeg`' }),
  'GET /kit': row({
    may: ALL,
    reply: json<KitPage>(),
    answers:
      '`{tools, wear, upkeep, today, currency}`: pieces of the salon and of owners (`homeOf`), what each has worked and what is due',
  }),
  'GET /kit/coverage': row({
    may: CRAFT,
    reply: json<Coverage>(),
    answers: 'how the kit serves every dog: zones served badly, the best one, two and three pieces to buy',
  }),
  'POST /kit': row({
    may: CRAFT,
    body: newToolSchema,
    sends: 'a piece with its own `id`: `{id, kind, name, costCents, since, homeOf}` and its measures',
    reply: json<ToolRecord>(),
    answers: '201, the piece',
  }),
  'PUT /kit/:id': row({
    may: CRAFT,
    body: toolEditSchema,
    sends: 'the whole piece with `retired` and its `version`',
    reply: json<ToolRecord>(),
    answers: 'the piece',
  }),
  'DELETE /kit/:id': row({ may: CRAFT, reply: json<Removed>(), answers: '`{removed}`' }),
  'POST /kit/upkeep': row({
    may: HANDS,
    body: upkeepBatchSchema,
    sends: '`{entries: [{id, toolId, act, day}, …]}`, 1 to 200',
    reply: json<KitPage>(),
    answers: '201, the kit',
  }),
  'DELETE /kit/upkeep/:id': row({ may: HANDS, reply: json<Removed>(), answers: '`{removed}`' }),
  'GET /owner': row({
    may: 'link',
    reply: json<OwnerPage>(),
    answers: 'what a link opens: its dogs’ weeks, what is due, visits',
  }),
  'POST /owner/dogs/:id/bouts': row({
    may: 'link',
    body: homeBoutSchema,
    sends: '`{id, day, parts, minutes, amount, author}`',
    reply: json<OwnerPage>(),
    answers: '201, the page',
  }),
  'POST /owner/dogs/:id/cares': row({
    may: 'link',
    body: homeCareSchema,
    sends: '`{id, day, kind, author}`; kind: look-over, teeth, ears, pads, nails, bath',
    reply: json<OwnerPage>(),
    answers: '201, the page',
  }),
  'POST /owner/dogs/:id/offers': row({
    may: 'link',
    body: offerChoiceSchema,
    sends: '`{id, startsAt}`; id: of the offer, startsAt: one of its starts, or null to be rung',
    reply: json<OwnerPage>(),
    answers: '201, the page, with the visit; 409 when that time is taken or ran out',
  }),
  'POST /owner/dogs/:id/started': row({
    may: 'link',
    body: homeStartedSchema,
    sends: '`{id, day, author}`: the blow is starting',
    reply: json<OwnerPage>(),
    answers: '201, the page',
  }),
  'POST /owner/dogs/:id/reports': row({
    may: 'link',
    body: homeReportSchema,
    sends: '`{id, day, kind, part, note, author}`; kind: lump, knot, red-skin, ticks, other',
    reply: json<OwnerPage>(),
    answers: '201, the page',
  }),
  'PUT /owner/dogs/:id/reports/:reportId/photo': photoRow({
    may: 'link',
    sends: 'JPEG bytes',
    reply: json<OwnerPage>(),
    answers: 'the page',
  }),
  'PUT /owner/post': row({
    may: 'link',
    body: ownPostSchema,
    sends: '`{channel, quiet}`',
    reply: json<OwnerPage>(),
    answers: 'the page',
  }),
  'GET /checks/:id/photos': row({
    may: ALL,
    reply: json<PhotosPage>(),
    answers: '`{photos}`: id, zone or null, size in pixels',
  }),
  'PUT /checks/:id/photos/:photoId': photoRow({
    may: HANDS,
    sends: 'JPEG bytes up to 3 MB, `Content-Type: image/jpeg`; `?zone=` for one zone',
    query: ['zone'],
    reply: json<PhotoRecord>(),
    answers: '201, the photo; what a camera wrote beside the picture is not kept',
  }),
  'GET /photos/:id': row({ may: ALL, reply: file(JPEG), answers: '`image/jpeg`' }),
  'DELETE /photos/:id': row({ may: HANDS, reply: json<Removed>(), answers: '`{removed}`' }),
  'GET /post': row({
    may: FRONT,
    reply: json<PostPage>(),
    answers:
      '`{sent, households, at, timeZone}`: reminders in the outbox, and what each household that asked would be told next',
  }),
  'POST /post/run': row({
    may: FRONT,
    reply: json<PostPage>(),
    answers: 'the same, after the outbox was gone through',
  }),
  'GET /post/:id/eml': row({
    may: FRONT,
    reply: file('message/rfc822'),
    answers: 'the mail with its calendar, `message/rfc822`',
  }),
  'POST /post/:id/stop': row({
    may: FRONT,
    reply: json<PostPage>(),
    answers: 'the same page: who answered STOP gets no more',
  }),
  'PUT /dogs/:id/post': row({
    may: FRONT,
    body: ownerPostSchema,
    sends:
      '`{channel, email, quiet: {fromMinute, toMinute}, version}`; channel: off, mail, text; for the owner of that dog, version 0 the first time',
    reply: json<OwnerPostRecord>(),
    answers: 'the same',
  }),
  'GET /places': row({
    may: OWNER,
    sends: '`?find=` how a town’s name begins',
    query: ['find'],
    reply: json<PlacesPage>(),
    answers: '`{places}`: towns of the gazetteer with latitude, longitude and time zone, the largest first',
  }),
  'GET /practice': row({
    may: ALL,
    reply: json<PracticePage>(),
    answers: '`{today, bouts, answers}`: what whoever is signed in practised and answered',
  }),
  'GET /practice/people': row({
    may: CRAFT,
    reply: json<PracticePeople>(),
    answers: '`{people}`: the best of each case by person, and answers',
  }),
  'GET /practice/bouts/:id': row({
    may: ALL,
    reply: json<BoutRecord>(),
    answers: 'one bout of one’s own, with its acts',
  }),
  'POST /practice/bouts': row({
    may: ALL,
    body: boutSchema,
    sends: '`{id, caseId, acts, share}`: what was done to a practice coat, and what it was told to be worth',
    reply: json<PracticePage>(),
    answers: '201, the practice page',
  }),
  'POST /practice/answers': row({
    may: ALL,
    body: answerSchema,
    sends: '`{id, card, seed, answer}`: an answer to a drill',
    reply: json<PracticePage>(),
    answers: '201, the practice page; the salon’s computer says whether it is right',
  }),
  'GET /products': row({
    may: ALL,
    reply: json<ProductsPage>(),
    answers: '`{stock, moves}`: what should be left of each product, the newest 20 moves',
  }),
  'POST /products/moves': row({
    may: HANDS,
    body: productMoveSchema,
    sends: '`{id, product, day, kind, ml}`; kind: bought, mixed, counted',
    reply: json<ProductsPage>(),
    answers: '201, the same page',
  }),
  'DELETE /products/moves/:id': row({
    may: HANDS,
    reply: json<ProductsPage>(),
    answers: 'the same page, the move taken back',
  }),
  'GET /years': row({
    may: HANDS,
    reply: json<YearsPage>(),
    answers: '`{years}`: years that the salon wonders about, each `{id, name, change}`',
  }),
  'POST /years': row({
    may: HANDS,
    body: keptYearSchema,
    sends:
      '`{id, name, change}`; change: `{handDays, openWeekday, strongerDryer, moreDogs, homesBrush, secondTub}`, what would be otherwise',
    reply: json<YearsPage>(),
    answers: '201, the same page; 409 when there are forty',
  }),
  'DELETE /years/:id': row({ may: HANDS, reply: json<YearsPage>(), answers: 'the same page' }),
  'GET /roster': row({ may: ALL, reply: json<RosterPage>(), answers: '`{people, away, apart}`' }),
  'PUT /roster/people/:id': row({
    may: OWNER,
    body: personSchema,
    sends: '`{id, name, weekdays, from, to, pause, can, mostHeavy, protectDb, version}`; version 0 the first time',
    reply: json<RosterPage>(),
    answers: 'the roster',
  }),
  'DELETE /roster/people/:id': row({ may: OWNER, reply: json<RosterPage>(), answers: 'the roster' }),
  'POST /roster/away': row({
    may: FRONT,
    body: absenceSchema,
    sends: '`{id, person, from, to, reason}`; person null: the salon is closed',
    reply: json<RosterPage>(),
    answers: '201, the roster',
  }),
  'DELETE /roster/away/:id': row({ may: FRONT, reply: json<RosterPage>(), answers: 'the roster' }),
  'POST /roster/apart': row({
    may: FRONT,
    body: apartSchema,
    sends: '`{a, b}`: dogs that must not meet',
    reply: json<RosterPage>(),
    answers: '201, the roster',
  }),
  'DELETE /roster/apart/:a/:b': row({ may: FRONT, reply: json<RosterPage>(), answers: 'the roster' }),
  'GET /dogs/:id/wish': row({ may: ALL, reply: json<WishRecord>(), answers: 'what its owner wishes of visits' }),
  'PUT /dogs/:id/wish': row({
    may: FRONT,
    body: wishSchema,
    sends: '`{weekdays, from, to, mostVisits, household, person, version}`; version 0 the first time',
    reply: json<WishRecord>(),
    answers: 'the same',
  }),
  'GET /salon': row({
    may: ALL,
    reply: json<SalonPage>(),
    answers: '`{salon, today}`: place, time zone, house rules, version',
  }),
  'POST /salon': row({
    may: OWNER,
    body: setUpSchema,
    sends: '`{name, town, latitudeDeg, longitudeDeg, timeZone}`, once',
    reply: json<SalonRecord>(),
    answers: '201, the salon with the usual house rules',
  }),
  'PUT /salon': row({
    may: OWNER,
    body: salonEditSchema,
    sends: 'the whole salon with its `version`',
    reply: json<SalonRecord>(),
    answers: 'the salon',
  }),
  'POST /house/preview': row({
    may: CRAFT,
    body: housePreviewSchema,
    sends: '`{house}`',
    reply: json<HousePreview>(),
    answers: 'what those house rules would change: plans of the dogs booked next, next dates. Writes nothing',
  }),
  'GET /rules': row({
    may: ALL,
    reply: json<RulesPage>(),
    answers:
      '`{rules, dogs, spoken}`: every rule with statement, reason, source; in how many dogs and zones each speaks today',
  }),
  'GET /sessions': row({ may: ALL, reply: json<SessionsPage>(), answers: '`{sessions}`: the newest 40' }),
  'POST /sessions': row({
    may: HANDS,
    body: sessionDraftSchema,
    sends:
      '`{id, checkId, method, script?, crew?}`: `script` are the steps as they were changed by hand, refused where they break a rule',
    reply: json<SessionPage>(),
    answers: '201, the session, with the plan kept as it was seen',
  }),
  'GET /sessions/:id': row({
    may: ALL,
    reply: json<SessionPage>(),
    answers: 'snapshot, events, the record they add up to, and what a plan is made anew with',
  }),
  'GET /sessions/:id/stream': row({
    may: ALL,
    reply: stream<SessionLog>(),
    answers: 'server-sent events: first `{events, nowMs}` with all there are, then the same with those that are new',
  }),
  'POST /sessions/:id/events': row({
    may: HANDS,
    body: eventBatchSchema,
    sends: '`{events: [{id, atMs, device?, clockMs?, act}, …]}`, 1 to 500; sending one twice is once',
    reply: json<SessionLog>(),
    answers: '201, `{events, nowMs}`: all that the session holds',
  }),
  'GET /sheet': row({
    may: ALL,
    sends: '`?day=2031-04-09`, today without',
    query: ['day'],
    reply: json<SheetPage>(),
    answers: 'the day’s sheet as it is laid from: people, places, stages, pins, what has begun',
  }),
  'PUT /sheet/pins': row({
    may: FRONT,
    body: pinsSchema,
    sends: '`{pins: [{bookingId, stage, person, notBefore}]}`',
    reply: json<SheetPage>(),
    answers: 'the sheet',
  }),
  'DELETE /sheet/pins': row({
    may: FRONT,
    sends: '`?day=2031-04-09`',
    query: ['day'],
    reply: json<SheetPage>(),
    answers: 'the sheet, without what was set by hand',
  }),
  'POST /sheet/marks': row({
    may: ALL,
    body: markSchema,
    sends: '`{bookingId, stage, person, place, started, ends, done}`, minutes after midnight',
    reply: json<SheetPage>(),
    answers: 'the sheet',
  }),
  'DELETE /sheet/marks/:booking/:stage': row({
    may: ALL,
    reply: json<SheetPage>(),
    answers: 'the sheet, that stage and later ones not begun',
  }),
  'GET /calls': row({ may: ALL, reply: json<CallsPage>(), answers: '`{calls}` of the last four weeks' }),
  'POST /calls': row({
    may: FRONT,
    body: callSchema,
    sends: '`{id, dogId, outcome, offered}`; outcome: agreed, no-answer, later, declined',
    reply: json<CallsPage>(),
    answers: '201, the same',
  }),
  'DELETE /calls/:id': row({ may: FRONT, reply: json<CallsPage>(), answers: 'the same' }),
  'GET /tally/ledger': row({
    may: CRAFT,
    reply: json<TallyLedger>(),
    answers: '`{entries, moves, home, today, currency}`: finished visits of two years and more, for charts',
  }),
  'GET /tally': row({
    may: CRAFT,
    reply: json<TallyPage>(),
    answers: 'what finished sessions have taught: minutes and grams against plan, with 80 % intervals',
  }),
  'GET /tide': row({
    may: ALL,
    reply: json<TideFile>(),
    answers:
      'all that forecasts rest on, as `wt tide` reads it: place, hours, weather, each dog’s sightings, visits by load, bookings',
  }),
  'GET /tide/learnt': row({
    may: ALL,
    reply: json<TideLearntAnswer>(),
    answers:
      '`{known, newer}`: what the salon’s computer has learnt from the tide last, `{facts, learnt}` or null, and dogs learnt again since; it learns on by itself, ask again',
  }),
  'GET /dogs/:id/log': row({
    may: ALL,
    reply: json<DogLog>(),
    answers: '`{notes, life}`: what its home wrote down, events of its life',
  }),
  'POST /dogs/:id/home-notes': row({
    may: FRONT,
    body: homeNoteSchema,
    sends:
      '`{id, day, what, amount, grams, author}`; what: brushed, started; amount: none, pinch, handful, bowl, bag or null',
    reply: json<DogLog>(),
    answers: '201, the log',
  }),
  'DELETE /home-notes/:id': row({ may: FRONT, reply: json<DogLog>(), answers: 'the log without it' }),
  'POST /dogs/:id/life-events': row({
    may: FRONT,
    body: lifeNoteSchema,
    sends: '`{id, day, kind, outdoorShare}`; kind: season, litter, neutered, clipped, illness, moved',
    reply: json<DogLog>(),
    answers: '201, the log',
  }),
  'DELETE /life-events/:id': row({ may: FRONT, reply: json<DogLog>(), answers: 'the log without it' }),
  'GET /weather': row({
    may: ALL,
    reply: json<WeatherPage>(),
    answers: 'how many temperatures are on record, own and the station’s, from when to when',
  }),
  'PUT /weather': row({
    may: OWNER,
    body: weatherCsvSchema,
    sends: '`{csv}`: a date and the day’s mean temperature in degrees C a line',
    reply: json<WeatherPage>(),
    answers: 'the same; all lines or none',
  }),
  'POST /weather/station': row({
    may: OWNER,
    reply: json<WeatherPage>(),
    answers: 'the same, after the station was asked for the last four years',
  }),
  'DELETE /weather': row({ may: OWNER, reply: json<WeatherPage>(), answers: 'the same, empty' }),
} as const;

export type ApiKey = keyof typeof API;
type MethodOf<K> = K extends `${infer M} ${string}` ? M : never;
type PathOf<K> = K extends `${string} ${infer P}` ? P : never;
type NamesIn<P> = P extends `${string}:${infer Rest}`
  ? Rest extends `${infer Name}/${infer More}`
    ? Name | NamesIn<`/${More}`>
    : Rest
  : never;
/** Paths that a method has rows for. */
export type PathFor<Method extends string> = PathOf<KeyOf<Method>>;
/** The row of a method and a path. */
export type KeyFor<Method extends string, Path extends string> = ApiKey & `${Method} ${Path}`;
/** What stands in the place of each `:name` of a path. */
export type ParamsOf<K extends ApiKey> = { readonly [N in NamesIn<PathOf<K>>]: string };
export type BodyOf<K extends ApiKey> = (typeof API)[K] extends ApiRow<Who, infer Body> ? Body : never;
export type WhoOf<K extends ApiKey> = (typeof API)[K] extends ApiRow<infer May, unknown> ? May : never;
/** What a row answers with, and the type of its JSON, or of each event of its stream. */
export type ReplyOf<K extends ApiKey> = (typeof API)[K]['reply'];
export type JsonOf<K extends ApiKey> = ReplyOf<K> extends JsonReply<infer T> | StreamReply<infer T> ? T : never;
export type KeyOf<Method extends string> = { [K in ApiKey]: MethodOf<K> extends Method ? K : never }[ApiKey];

/** What a row is asked with, in this order: the ids in its path, then its body, or for one without a body a query. */
export type AskedWith<K extends ApiKey> = readonly [
  ...([NamesIn<PathOf<K>>] extends [never] ? [] : [ids: ParamsOf<K>]),
  ...(MethodOf<K> extends 'GET' | 'DELETE'
    ? [query?: Readonly<Record<string, string>>]
    : [BodyOf<K>] extends [undefined]
      ? []
      : [body: BodyOf<K>]),
];
