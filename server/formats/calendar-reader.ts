/**
 * Another calendar read in (RFC 5545): its events from a day up to another, what repeats each time by its own. Runs in a
 * thread with a limit, as a rule can repeat without ever coming to a day.
 */
import ICAL from 'ical.js';
import { Temporal } from 'temporal-polyfill';
import { findIana } from 'windows-iana';
import { addDays, parseDay, type Day } from '../../core/quantity/index.ts';
import { Problem } from '../problem.ts';
import { salonInstant } from '../salon-time.ts';

export interface CalendarFile {
  /** Text of the .ics file. */
  readonly ics: string;
  /** IANA zone of the salon: times that name no zone are its own. */
  readonly timeZone: string;
  /** First and last day of the window that is read. */
  readonly from: Day;
  readonly to: Day;
}

/** What another calendar holds: whole days, both ends counted, and times. */
export type ReadEvent =
  | { readonly kind: 'days'; readonly uid: string; readonly summary: string; readonly from: Day; readonly to: Day }
  | {
      readonly kind: 'time';
      readonly uid: string;
      readonly summary: string;
      readonly startMs: number;
      readonly endMs: number;
    };
/** An event that could not be read, and why. */
export interface UnreadEvent {
  readonly summary: string;
  readonly why: 'too-often' | 'bad-rule' | 'bad-time' | 'unknown-zone';
  /** Zone that is not known. */
  readonly zone?: string;
}
export interface ReadCalendar {
  readonly events: readonly ReadEvent[];
  readonly unread: readonly UnreadEvent[];
}

/** Most times that are read from one file: some years of a busy salon. */
export const MOST_TIMES = 5_000;
/** What repeats within a day is no visit and no day off. */
const TOO_OFTEN = new Set(['SECONDLY', 'MINUTELY', 'HOURLY']);

class Unread extends Error {
  constructor(
    readonly why: UnreadEvent['why'],
    readonly zone?: string,
  ) {
    super(why);
  }
}

/** A zone by its IANA or Windows name (Unicode CLDR's table of Windows zones); undefined when it is neither. */
function namedZone(tzid: string): string | undefined {
  const name = findIana(tzid)[0] ?? tzid;
  try {
    return Temporal.Now.zonedDateTimeISO(name).timeZoneId;
  } catch {
    return undefined;
  }
}

const dayOf = (t: ICAL.Time): Day => {
  const on = parseDay(t.toString().slice(0, 10));
  if (on === undefined) throw new Unread('bad-time');
  return on;
};

const isCancelled = (component: ICAL.Component): boolean => component.getFirstPropertyValue('status') === 'CANCELLED';

/** Reads a calendar. Throws a Problem when it is none, or holds more than is read at once. */
export function readCalendar({ ics, timeZone, from, to }: CalendarFile): ReadCalendar {
  const root = rootOf(ics);
  const zones = new Map<string, string | undefined>();
  /** The zone of a property's times: its file's own, a named one, or the salon's where it names none. */
  const zoneOf = (property: ICAL.Property | null): string | undefined => {
    const tzid = property?.getParameter('tzid');
    if (typeof tzid !== 'string' || root.getTimeZoneByID(tzid)) return undefined;
    if (!zones.has(tzid)) zones.set(tzid, namedZone(tzid));
    const zone = zones.get(tzid);
    if (zone === undefined) throw new Unread('unknown-zone', tzid.slice(0, 60));
    return zone;
  };
  const msOf = (t: ICAL.Time, zone: string | undefined): number =>
    t.zone === ICAL.Timezone.localTimezone
      ? Date.parse(salonInstant(dayOf(t), t.hour * 60 + t.minute, zone ?? timeZone))
      : t.toUnixTime() * 1000;

  const events: ReadEvent[] = [];
  const add = (uid: string, event: ICAL.Event, start: ICAL.Time, end: ICAL.Time): void => {
    const [first, last] = [dayOf(start), dayOf(end)];
    if (last < from || first > to) return;
    if (events.length >= MOST_TIMES)
      throw new Problem(
        413,
        'ics',
        `This calendar holds more than ${MOST_TIMES} times from today on; that many are read at once. Nothing was read in. Export fewer events.`,
      );
    const summary = event.summary ?? '';
    if (start.isDate) {
      // A whole day ends on the morning after.
      events.push({ kind: 'days', uid, summary, from: first, to: last > first ? addDays(last, -1) : first });
      return;
    }
    const startMs = msOf(start, zoneOf(event.component.getFirstProperty('dtstart')));
    // By its length: a clock that is changed in between has hours that are not there, or are twice.
    const endMs =
      start.zone === end.zone
        ? startMs + end.subtractDate(start).toSeconds() * 1000
        : msOf(end, zoneOf(event.component.getFirstProperty('dtend')));
    events.push({ kind: 'time', uid, summary, startMs, endMs });
  };

  const unread: UnreadEvent[] = [];
  const components = root.getAllSubcomponents('vevent');
  // Grouped once: the library would look through the whole file for each event, and take other events' exceptions for its own.
  const exceptions = new Map<string, ICAL.Component[]>();
  for (const component of components) {
    if (!component.hasProperty('recurrence-id')) continue;
    const uid = String(component.getFirstPropertyValue('uid') ?? '');
    exceptions.set(uid, [...(exceptions.get(uid) ?? []), component]);
  }
  for (const component of components) {
    const before = events.length;
    try {
      if (isCancelled(component) || component.hasProperty('recurrence-id')) continue;
      const own = exceptions.get(String(component.getFirstPropertyValue('uid') ?? '')) ?? [];
      const event = new ICAL.Event(component, { exceptions: own });
      const { uid, startDate } = event;
      if (!uid || !startDate) throw new Unread('bad-time');
      if (event.isRecurring()) addTimes(event, uid, to, add);
      else add(uid, event, startDate, event.endDate);
    } catch (problem) {
      if (problem instanceof Problem) throw problem;
      events.length = before;
      const summary = String(component.getFirstPropertyValue('summary') ?? '').slice(0, 80);
      unread.push(
        problem instanceof Unread
          ? { summary, why: problem.why, ...(problem.zone !== undefined && { zone: problem.zone }) }
          : // The library throws for rules and values that contradict each other or the standard.
            { summary, why: 'bad-rule' },
      );
    }
  }
  return { events, unread };
}

function rootOf(ics: string): ICAL.Component {
  let root: ICAL.Component | undefined;
  try {
    root = new ICAL.Component(ICAL.parse(ics));
  } catch {
    root = undefined;
  }
  if (root?.name === 'vcalendar') return root;
  throw new Problem(400, 'ics', 'This is no calendar that can be read: it must be an .ics file. Nothing was read in.');
}

/** Each time of an event that repeats, up to a day. What began years ago is gone through from its first time on. */
function addTimes(
  event: ICAL.Event,
  uid: string,
  to: Day,
  add: (uid: string, event: ICAL.Event, start: ICAL.Time, end: ICAL.Time) => void,
): void {
  for (const rule of event.component.getAllProperties('rrule')) {
    const value = rule.getFirstValue();
    if (value instanceof ICAL.Recur && TOO_OFTEN.has(value.freq)) throw new Unread('too-often');
  }
  const times = event.iterator();
  for (let next = times.next(); next; next = times.next()) {
    if (dayOf(next) > to) return;
    const { item, startDate, endDate } = event.getOccurrenceDetails(next);
    if (isCancelled(item.component)) continue;
    add(`${uid} ${next.toString()}`, item, startDate, endDate);
  }
}
