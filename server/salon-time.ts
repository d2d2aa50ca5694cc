/** From instants to the salon's plain days and back: one IANA zone a salon. */
import { LRUCache } from 'lru-cache';
import { Temporal } from 'temporal-polyfill';
import type { Span } from '../core/book/index.ts';
import { addDays, day, formatDay, type Day } from '../core/quantity/index.ts';

const DAY_MINUTES = 1440;
const MINUTE_MS = 60_000;
/** Since 1972 every zone changes its clock on a quarter of an hour (IANA tz database): offsets are known by it. */
const QUARTER_MS = 15 * MINUTE_MS;
/** Looking an offset up takes as long as everything else that is said of a booking. */
const OFFSETS = new LRUCache<string, number>({ max: 50_000 });

/** Minutes by which the salon's clock is ahead of UTC at an instant. */
function offsetMinutes(ms: number, timeZone: string): number {
  const quarter = Math.floor(ms / QUARTER_MS);
  const key = `${timeZone} ${quarter}`;
  const known = OFFSETS.get(key);
  if (known !== undefined) return known;
  const at = Temporal.Instant.fromEpochMilliseconds(quarter * QUARTER_MS).toZonedDateTimeISO(timeZone);
  const offset = at.offsetNanoseconds / 60e9;
  OFFSETS.set(key, offset);
  return offset;
}
const localMinutes = (ms: number, timeZone: string): number => Math.floor(ms / MINUTE_MS + offsetMinutes(ms, timeZone));

/** The salon's plain day at an instant in UTC milliseconds. Throws RangeError for what is no instant. */
export const salonDay = (ms: number, timeZone: string): Day =>
  day(Math.floor(localMinutes(ms, timeZone) / DAY_MINUTES));

/** Minutes after the salon's midnight at an instant; clock minutes, so a changed clock does not shift them. */
export function salonMinute(ms: number, timeZone: string): number {
  const minutes = localMinutes(ms, timeZone);
  return minutes - Math.floor(minutes / DAY_MINUTES) * DAY_MINUTES;
}

/**
 * The instant of a clock minute on a plain day in the salon, as `2031-04-09T07:30:00Z`. Minute 1440 is the next day's
 * midnight, and so on. Throws RangeError below 0.
 */
export function salonInstant(on: Day, minuteOfDay: number, timeZone: string): string {
  if (!(minuteOfDay >= 0)) throw new RangeError(`a minute of a day must be 0 or more, got ${minuteOfDay}`);
  const minute = minuteOfDay % DAY_MINUTES;
  const date = addDays(on, Math.floor(minuteOfDay / DAY_MINUTES));
  const at = Temporal.PlainDate.from(formatDay(date)).toZonedDateTime({
    timeZone,
    plainTime: Temporal.PlainTime.from({ hour: Math.floor(minute / 60), minute: minute % 60 }),
  });
  return isoMinute(at.epochMilliseconds);
}

/** UTC milliseconds as the text that bookings carry. */
export const isoMinute = (ms: number): string => `${new Date(ms).toISOString().slice(0, 16)}:00Z`;

/** A booking as minutes of the salon's day. */
export const spanOf = (b: { readonly startsAt: string; readonly minutes: number }, timeZone: string): Span => ({
  start: salonMinute(Date.parse(b.startsAt), timeZone),
  minutes: b.minutes,
});
