/** Decides what a visit of the plan is called in an address, and which booking it is. */
import type { BookingRecord } from '../../../contract/booking.ts';
import type { PlannedVisit } from '../../../core/book/index.ts';
import { formatDay } from '../../../core/quantity/index.ts';
import { dateOf } from '../../words/dates.ts';

export const visitKey = (v: Pick<PlannedVisit, 'dogId' | 'day'>): string => `${v.dogId}~${v.day}`;

/** The booking that a visit stands for, where it stands in the book. */
export const bookingOf = (
  v: Pick<PlannedVisit, 'dogId' | 'day'>,
  bookings: readonly BookingRecord[],
  timeZone: string,
): BookingRecord | undefined =>
  bookings.find((b) => b.dogId === v.dogId && dateOf(b.startsAt, timeZone) === formatDay(v.day));

export type VisitState = 'agreed' | 'held' | 'proposed';
export const stateOf = (booking: BookingRecord | undefined): VisitState =>
  booking ? (booking.agreed ? 'agreed' : 'held') : 'proposed';
export const STATE_WORDS: Readonly<Record<VisitState, string>> = {
  agreed: 'agreed',
  held: 'held, not agreed yet',
  proposed: 'proposed',
};
