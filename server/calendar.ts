/** What bookings, an owner's days and a person's work look like in a calendar (RFC 5545). */
import ical, { ICalCalendarMethod, ICalEventStatus, ICalEventTransparency, type ICalCalendar } from 'ical-generator';
import type { BookingRecord } from '../contract/booking.ts';
import type { OwnerDog } from '../contract/home.ts';
import type { SalonRecord } from '../contract/salon.ts';
import { homePartRow, type HomeCareKind } from '../core/home/index.ts';
import type { Absence } from '../core/book/index.ts';
import { addDays, formatDay, type Day } from '../core/quantity/index.ts';

/** The name of a calendar stands in its head as it is: on one line. */
const oneLine = (name: string): string => name.replace(/\s+/g, ' ').trim();
const calendarOf = (name: string): ICalCalendar =>
  ical({ name: oneLine(name), prodId: { company: 'Woolly Tide', product: 'Woolly Tide', language: 'EN' } });

/** One booking as an .ics text. Times are UTC; the UID never changes and the sequence grows with each edit. */
export function bookingIcs(booking: BookingRecord, salon: Pick<SalonRecord, 'name' | 'town'>, nowMs: number): string {
  const calendar = calendarOf(salon.name);
  calendar.method(booking.cancelled ? ICalCalendarMethod.CANCEL : ICalCalendarMethod.PUBLISH);
  addVisit(calendar, booking, salon, nowMs);
  return calendar.toString();
}

/** All bookings as one .ics text that depends on nothing but them. */
export function bookingsIcs(bookings: readonly BookingRecord[], salon: Pick<SalonRecord, 'name' | 'town'>): string {
  const calendar = calendarOf(salon.name);
  for (const b of bookings) addVisit(calendar, b, salon, Date.parse(b.startsAt));
  return calendar.toString();
}

/** A visit under the same UID wherever it is written: a calendar that has both sees one. */
function addVisit(
  calendar: ICalCalendar,
  booking: BookingRecord,
  salon: Pick<SalonRecord, 'name' | 'town'>,
  nowMs: number,
): void {
  const start = new Date(booking.startsAt);
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
}

const CARE_WORDS: Readonly<Partial<Record<HomeCareKind, string>>> = { bath: 'bath', nails: 'nails' };

export interface Feed {
  readonly dogs: readonly OwnerDog[];
  readonly visits: readonly BookingRecord[];
  readonly salon: Pick<SalonRecord, 'name' | 'town'>;
  readonly nowMs: number;
  /** Grows with whatever may change a plan: a subscriber takes the newer of two. */
  readonly sequence: number;
}

/** A home's days: brushing, baths and nails as whole days, visits at their time. */
export function homeFeed({ dogs, visits, salon, nowMs, sequence }: Feed): string {
  const calendar = calendarOf(`${dogs.map((d) => d.name).join(', ')} at home`);
  calendar.method(ICalCalendarMethod.PUBLISH).ttl(6 * 3600);
  const wholeDay = (uid: string, on: Day, summary: string, description: string): void => {
    calendar.createEvent({
      id: `${uid}@woolly-tide`,
      sequence,
      stamp: new Date(nowMs),
      start: new Date(`${formatDay(on)}T00:00:00Z`),
      timezone: 'UTC',
      allDay: true,
      summary,
      description,
      transparency: ICalEventTransparency.TRANSPARENT,
    });
  };
  for (const dog of dogs) {
    for (const { day: on, bouts } of dog.week.days) {
      if (bouts.length === 0) continue;
      const minutes = Math.round(bouts.reduce((t, b) => t + b.minutes, 0));
      const parts = [...new Set(bouts.flatMap((b) => b.parts))].map((p) => homePartRow(p).name);
      wholeDay(`brush-${dog.id}-${on}`, on, `${dog.name}: brush ${minutes} min`, parts.join(', '));
    }
    for (const { kind, due } of dog.due) {
      const word = CARE_WORDS[kind];
      if (word) wholeDay(`${kind}-${dog.id}`, due, `${dog.name}: ${word}`, '');
    }
  }
  for (const visit of visits) addVisit(calendar, visit, salon, nowMs);
  return calendar.toString();
}

/** A visit with the time from a person's first to their last act on the dog; not sure: it may yet be somebody else's. */
export interface PersonVisit {
  readonly booking: BookingRecord;
  readonly startMs: number;
  readonly endMs: number;
  readonly sure: boolean;
}
export interface PersonFeed {
  readonly person: { readonly id: string; readonly name: string };
  readonly visits: readonly PersonVisit[];
  readonly away: readonly Absence[];
  readonly salon: Pick<SalonRecord, 'name' | 'town'>;
  readonly nowMs: number;
}

/** A person's work as a feed: busy for the dogs they work, free elsewhere; days away as whole days. */
export function personFeed({ person, visits, away, salon, nowMs }: PersonFeed): string {
  const calendar = calendarOf(`${person.name}, ${salon.name}`);
  calendar.method(ICalCalendarMethod.PUBLISH).ttl(3600);
  for (const { booking, startMs, endMs, sure } of visits)
    calendar.createEvent({
      // Several people may work a dog: each has an event of their own.
      id: `${booking.id}-${person.id}@woolly-tide`,
      sequence: booking.version - 1,
      stamp: new Date(nowMs),
      start: new Date(startMs),
      end: new Date(endMs),
      summary: booking.dogName,
      status: sure ? ICalEventStatus.CONFIRMED : ICalEventStatus.TENTATIVE,
      location: [salon.name, salon.town].filter(Boolean).join(', '),
      transparency: ICalEventTransparency.OPAQUE,
    });
  for (const a of away)
    calendar.createEvent({
      id: `away-${a.id}@woolly-tide`,
      stamp: new Date(nowMs),
      start: new Date(`${formatDay(a.from)}T00:00:00Z`),
      end: new Date(`${formatDay(addDays(a.to, 1))}T00:00:00Z`),
      timezone: 'UTC',
      allDay: true,
      summary: a.reason || (a.person === null ? 'Closed' : 'Away'),
      transparency: ICalEventTransparency.OPAQUE,
    });
  return calendar.toString();
}
