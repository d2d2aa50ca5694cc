/** What each answer is computed from and what each write touches, by topic: by this a page knows what to ask for again. */
import type { ApiKey, KeyOf } from './api.ts';

export type Topic =
  | 'dogs'
  | 'checks'
  | 'photos'
  | 'sessions'
  | 'bookings'
  /** Kit and its upkeep. */
  | 'kit'
  /** The salon with its house rules, hours and place. */
  | 'salon'
  /** People, absences, dogs that are kept apart, and wishes. */
  | 'roster'
  /** What the tide is told beside visits: notes from home, events of a life, the weather. */
  | 'coats'
  /** What homes are like, did and reported, and their links. */
  | 'homes'
  | 'reminders'
  | 'products'
  | 'years'
  | 'practice'
  /** Pins and marks on a day's sheet, and calls that were made. */
  | 'days'
  | 'accounts'
  | 'imports'
  /** Backups and what is taken out. */
  | 'copies';

/** A write that only asks. */
export type Question = 'POST /house/preview' | 'POST /intake/preview';
export type ReadKey = KeyOf<'GET'> | Question;
export type WriteKey = Exclude<ApiKey, ReadKey>;

/** What stands in a coat, and so a plan of it: all that its log holds. */
const PLAN = ['dogs', 'checks', 'sessions', 'kit', 'salon', 'imports', 'coats', 'homes'] as const;
/** A dog's outlook. */
const COAT = [...PLAN, 'bookings'] as const;
const TIDE = [...COAT, 'roster'] as const;
const DAY = [...TIDE, 'days', 'products'] as const;
const EVERYTHING: readonly Topic[] = [...DAY, 'photos', 'reminders', 'practice', 'accounts', 'copies', 'years'];
const NOTHING: readonly Topic[] = [];

const COMPUTED_FROM: Readonly<Record<ReadKey, readonly Topic[]>> = {
  'GET /bench/cases': [...PLAN, 'roster'],
  'GET /bookings': COAT,
  'GET /bookings.csv': ['bookings', 'dogs', 'salon'],
  'GET /bookings/:id/calendar.ics': ['bookings', 'dogs', 'salon'],
  'GET /calls': [...TIDE, 'days'],
  'GET /changes': EVERYTHING,
  'GET /checks/:id': ['checks'],
  'GET /checks/:id/bench': [...PLAN, 'roster'],
  'GET /checks/:id/photos': ['photos', 'checks'],
  'GET /checks/:id/plan': PLAN,
  'GET /checks/:id/rankings/:zone/:method': PLAN,
  'GET /clock': NOTHING,
  'GET /day': DAY,
  'GET /devices': NOTHING,
  'GET /devices/stream': NOTHING,
  'GET /dogs': COAT,
  'GET /dogs/:id': COAT,
  'GET /dogs/:id/checks': ['checks', 'dogs'],
  'GET /dogs/:id/home': [...TIDE, 'reminders'],
  'GET /dogs/:id/log': ['coats', 'homes', 'dogs'],
  'GET /dogs/:id/next': [...COAT, 'roster'],
  'GET /dogs/:id/starts': [...COAT, 'roster'],
  'GET /dogs/:id/wish': ['roster', 'dogs'],
  'GET /exports/:id': ['copies'],
  'GET /health': NOTHING,
  'GET /holds': ['checks', 'sessions', 'homes', 'coats', 'dogs'],
  'GET /home-reports': ['homes', 'dogs'],
  'GET /home-reports/:id/photo': ['homes'],
  'GET /intake': ['imports'],
  'GET /keys': ['accounts'],
  'GET /kit': ['kit', 'sessions', 'salon'],
  'GET /kit/coverage': PLAN,
  'GET /me': ['accounts', 'salon'],
  'GET /openapi.json': NOTHING,
  'GET /offers': ['bookings', 'dogs', 'salon'],
  'GET /owner': [...TIDE, 'reminders', 'photos'],
  'GET /photos/:id': ['photos'],
  'GET /places': NOTHING,
  'GET /post': ['reminders', 'dogs', 'homes', 'salon'],
  'GET /post/:id/eml': ['reminders'],
  'GET /practice': ['practice', 'accounts'],
  'GET /practice/bouts/:id': ['practice'],
  'GET /practice/people': ['practice', 'accounts'],
  'GET /products': ['products', 'salon'],
  'GET /years': ['years'],
  'GET /roster': ['roster', 'dogs'],
  'GET /roster/people/:id/calendar.ics': DAY,
  'GET /rules': ['salon', 'kit', 'checks', 'dogs', 'sessions'],
  'GET /safe': ['copies'],
  'GET /salon': ['salon'],
  'GET /sessions': ['sessions', 'dogs'],
  'GET /sessions/:id': [...PLAN, 'roster'],
  'GET /sessions/:id/stream': ['sessions'],
  'GET /sheet': DAY,
  'GET /tally': ['sessions', 'dogs'],
  'GET /tally/ledger': ['sessions', 'dogs', 'kit', 'products', 'salon'],
  'GET /tide': TIDE,
  'GET /tide/learnt': TIDE,
  'GET /weather': ['coats', 'salon'],
  'POST /house/preview': [...PLAN, 'bookings'],
  'POST /intake/preview': ['dogs', 'imports'],
};

const TOUCHES: Readonly<Record<WriteKey, readonly Topic[]>> = {
  'DELETE /calls/:id': ['days'],
  'DELETE /home-links/:id': ['homes'],
  'DELETE /home-notes/:id': ['coats'],
  'DELETE /intake/:id': ['imports', 'dogs', 'homes'],
  'DELETE /kit/:id': ['kit'],
  'DELETE /kit/upkeep/:id': ['kit'],
  'DELETE /life-events/:id': ['coats'],
  'DELETE /offers/:id': ['bookings'],
  'DELETE /photos/:id': ['photos'],
  'DELETE /products/moves/:id': ['products'],
  'DELETE /years/:id': ['years'],
  'DELETE /roster/apart/:a/:b': ['roster'],
  'DELETE /roster/away/:id': ['roster'],
  'DELETE /roster/people/:id': ['roster', 'accounts'],
  'DELETE /sheet/marks/:booking/:stage': ['days'],
  'DELETE /sheet/pins': ['days'],
  'DELETE /sign-ins/:id': ['accounts'],
  'DELETE /vet-words/:id': ['coats'],
  'DELETE /weather': ['coats'],
  'POST /accounts': ['accounts'],
  'POST /backups': ['copies'],
  'POST /bookings': ['bookings'],
  'POST /bookings/:id/agree': ['bookings'],
  'POST /bookings/:id/cancel': ['bookings'],
  'POST /bookings/:id/leave': ['bookings'],
  'POST /bookings/:id/restore': ['bookings'],
  'POST /bookings/:id/split': ['bookings'],
  'POST /bookings/:id/unagree': ['bookings'],
  'POST /bookings/tentative': ['bookings'],
  'POST /bookings/read': ['bookings', 'roster'],
  'POST /calendar/read': ['bookings', 'roster'],
  'POST /calls': ['days'],
  'POST /devices/scale/tare': NOTHING,
  'POST /dogs': ['dogs'],
  'POST /dogs/:id/checks': ['checks'],
  'POST /dogs/:id/home-notes': ['coats'],
  'POST /dogs/:id/life-events': ['coats'],
  'POST /dogs/:id/vet-words': ['coats'],
  'POST /exports': ['copies'],
  'POST /first-owner': ['accounts'],
  'POST /forget': EVERYTHING,
  'POST /hand-over': ['accounts'],
  'POST /home-links': ['homes'],
  'POST /home-reports/:id/close': ['homes'],
  'POST /intake': ['imports', 'dogs'],
  'POST /kit': ['kit'],
  'POST /kit/upkeep': ['kit'],
  'POST /lock': ['accounts'],
  'POST /me/confirm': ['accounts'],
  'POST /offers': ['bookings'],
  'POST /owner/dogs/:id/bouts': ['homes'],
  'POST /owner/dogs/:id/cares': ['homes'],
  'POST /owner/dogs/:id/offers': ['bookings'],
  'POST /owner/dogs/:id/reports': ['homes'],
  'POST /owner/dogs/:id/started': ['coats'],
  'POST /post/:id/stop': ['reminders'],
  'POST /post/run': ['reminders'],
  'POST /practice/answers': ['practice'],
  'POST /practice/bouts': ['practice'],
  'POST /products/moves': ['products'],
  'POST /years': ['years'],
  'POST /roster/apart': ['roster'],
  'POST /roster/away': ['roster'],
  'POST /salon': ['salon'],
  'POST /sessions': ['sessions'],
  'POST /sessions/:id/events': ['sessions'],
  'POST /sheet/marks': ['days'],
  'POST /sign-in': ['accounts'],
  'POST /sign-out': ['accounts'],
  'POST /weather/station': ['coats'],
  'PUT /accounts/:id': ['accounts'],
  'PUT /accounts/:id/passphrase': ['accounts'],
  'PUT /bookings/:id': ['bookings'],
  'PUT /checks/:id': ['checks'],
  'PUT /checks/:id/photos/:photoId': ['photos'],
  'PUT /devices/stand-ins': NOTHING,
  'PUT /dogs/:id': ['dogs', 'reminders'],
  'PUT /dogs/:id/care': ['dogs'],
  'PUT /dogs/:id/clip-orders': ['dogs'],
  'PUT /dogs/:id/home': ['homes'],
  'PUT /dogs/:id/post': ['reminders'],
  'PUT /dogs/:id/wish': ['roster'],
  'PUT /kit/:id': ['kit'],
  'PUT /me/passphrase': ['accounts'],
  'PUT /me/pin': ['accounts'],
  'PUT /owner/dogs/:id/reports/:reportId/photo': ['homes'],
  'PUT /owner/post': ['reminders'],
  'PUT /roster/people/:id': ['roster', 'accounts'],
  'PUT /salon': ['salon'],
  'PUT /sheet/pins': ['days'],
  'PUT /weather': ['coats'],
};

export const isWrite = (key: string): key is WriteKey => Object.hasOwn(TOUCHES, key);
const isRead = (key: string): key is ReadKey => Object.hasOwn(COMPUTED_FROM, key);

/** May an answer be another after a write. What no row knows is not the API's. */
export const isStaleAfter = (read: string, write: WriteKey): boolean =>
  isRead(read) && COMPUTED_FROM[read].some((topic) => TOUCHES[write].includes(topic));
