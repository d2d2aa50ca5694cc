/** What a visit of the plan is called in an address, and which booking it is. */
import type { BookingRecord } from '../../../contract/booking.ts';
import type { PlannedVisit } from '../../../core/book/index.ts';
import { parseDay } from '../../../core/quantity/index.ts';
import { dateOf } from '../../words/dates.ts';

export const visitKey = (v: Pick<PlannedVisit, 'dogId' | 'day'>): string => `${v.dogId}~${v.day}`;

/** Bookings by the visits that they stand for, under visitKey. */
export const bookingsByVisit = (
  bookings: readonly BookingRecord[],
  timeZone: string,
): ReadonlyMap<string, BookingRecord> =>
  new Map(
    bookings.flatMap((b) => {
      const on = parseDay(dateOf(b.startsAt, timeZone));
      return on === undefined ? [] : [[visitKey({ dogId: b.dogId, day: on }), b] as const];
    }),
  );

export type VisitState = 'agreed' | 'tentative' | 'proposed';
export const stateOf = (booking: BookingRecord | undefined): VisitState =>
  booking ? (booking.agreed ? 'agreed' : 'tentative') : 'proposed';
export const STATE_WORDS: Readonly<Record<VisitState, string>> = {
  agreed: 'agreed',
  tentative: 'not agreed yet',
  proposed: 'proposed',
};
