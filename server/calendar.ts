/** Decides what a booking looks like in a calendar file (RFC 5545). */
import ical, { ICalCalendarMethod } from 'ical-generator';
import type { BookingRecord } from '../contract/booking.ts';
import type { SalonRecord } from '../contract/salon.ts';

/** One booking as an .ics text. Times are UTC; the UID never changes and the sequence grows with each edit. */
export function bookingIcs(booking: BookingRecord, salon: Pick<SalonRecord, 'name' | 'town'>, nowMs: number): string {
  const start = new Date(booking.startsAt);
  const calendar = ical({
    name: salon.name,
    prodId: { company: 'Woolly Tide', product: 'Woolly Tide', language: 'EN' },
  });
  calendar.method(booking.cancelled ? ICalCalendarMethod.CANCEL : ICalCalendarMethod.PUBLISH);
  calendar.createEvent({
    id: `${booking.id}@woolly-tide`,
    sequence: booking.version - 1,
    stamp: new Date(nowMs),
    start,
    end: new Date(start.getTime() + booking.minutes * 60_000),
    summary: `${booking.dogName}: coat day at ${salon.name}`,
    location: [salon.name, salon.town].filter(Boolean).join(', '),
    description:
      booking.note || `About ${booking.minutes} minutes. Please come with a dry, walked dog; leave tied hair as it is.`,
  });
  return calendar.toString();
}
