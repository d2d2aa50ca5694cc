/** Offers: starts are held for a dog, its owner takes one of them or asks to be rung, and what is settled is held no more. */
import type { BookingDraft } from '../../contract/booking.ts';
import {
  HELD_HOURS,
  type OfferChoice,
  type OfferDraft,
  type OfferRecord,
  type OffersPage,
} from '../../contract/offer.ts';
import type { DogRecord } from '../../contract/dog.ts';
import type { AppContext } from '../context.ts';
import { mustBeBookable } from '../facts.ts';
import { found, Problem } from '../problem.ts';
import { isoMinute, salonDay, salonInstant } from '../salon-time.ts';
import { salonOf, todayOf } from '../today.ts';
import { startOn, startsOn } from './offer.ts';
import { likelyMinutesAt } from './outlooks.ts';

const HOUR_MS = 3_600_000;
/** A wish to be rung is dropped after so many days: the call list has the dog again by its coat. */
const RING_DAYS = 14;

const now = (context: AppContext): string => isoMinute(context.nowMs());

/** What is held, and who asks to be rung: without a visit of the coat ahead. */
export function offersPage(context: AppContext): OffersPage {
  const { stores } = context;
  const salon = salonOf(context);
  const from = salonInstant(todayOf(context, salon), 0, salon.timeZone);
  const since = isoMinute(context.nowMs() - RING_DAYS * 24 * HOUR_MS);
  const isOpen = ({ dogId }: OfferRecord): boolean => stores.bookings.coatVisitsFrom(dogId, from).length === 0;
  return { held: stores.offers.held(now(context)), ring: stores.offers.ring(since).filter(isOpen) };
}

/** What is held for a dog. */
export const offerOf = (context: AppContext, dogId: string): OfferRecord | undefined =>
  context.stores.offers.held(now(context)).find((o) => o.dogId === dogId);

/** Books a visit. One for the coat is told the minutes that are likely, and what was held for the dog beside it is free again. */
export function bookVisit(context: AppContext, dog: DogRecord, draft: BookingDraft): void {
  const { stores } = context;
  const isForCoat = (draft.service ?? 'coat') === 'coat';
  const told = isForCoat ? likelyMinutesAt(context, dog, draft.startsAt) : null;
  stores.bookings.insert(draft, { agreed: draft.agreed ?? true, told });
  if (isForCoat) stores.offers.settle(dog.id, now(context));
}

/** Holds starts for a dog; what was held for it before is let go. Throws a Problem of 409 where one of them does not suit. */
export function holdStarts(context: AppContext, dog: DogRecord, draft: OfferDraft): void {
  const salon = salonOf(context);
  for (const startsAt of draft.starts) {
    const on = salonDay(Date.parse(startsAt), salon.timeZone);
    mustBeBookable(context, 'starts', on);
    startOn(context, salon, dog, on, draft.minutes, startsAt);
  }
  const soonest = draft.starts.reduce((a, b) => (a < b ? a : b));
  const ends = isoMinute(context.nowMs() + HELD_HOURS * HOUR_MS);
  context.stores.offers.settle(dog.id, now(context));
  context.stores.offers.insert(draft, ends < soonest ? ends : soonest);
}

/** What an owner is told where a date is gone: never why, which may name another dog. */
const gone = (): Problem =>
  new Problem(409, 'startsAt', 'That time is no longer free. Choose another, or ask us to ring you.');

/** An owner takes one of the starts, which is then a visit under the id of the offer, or asks to be rung. */
export function answerOffer(context: AppContext, dog: DogRecord, { id, startsAt }: OfferChoice): void {
  const { stores } = context;
  const offer = found(stores.offers.find(id), 'offer', id);
  if (startsAt === null) {
    stores.offers.answer(id, 'ring', now(context));
    return;
  }
  if (offer.answer !== null || offer.endsAt <= now(context) || !offer.starts.includes(startsAt)) throw gone();
  const salon = salonOf(context);
  const on = salonDay(Date.parse(startsAt), salon.timeZone);
  if (!startsOn(context, salon, dog, on, offer.minutes).starts.includes(startsAt)) throw gone();
  stores.offers.answer(id, 'taken', now(context));
  bookVisit(context, dog, { id, dogId: dog.id, startsAt, minutes: offer.minutes, note: '' });
}
