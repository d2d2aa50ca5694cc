/** From instants to the salon's plain days and back: one IANA zone a salon. */
import { Temporal } from 'temporal-polyfill';
import { addDays, formatDay, parseDay, type Day } from '../core/quantity/index.ts';

/** The salon's plain day at an instant in UTC milliseconds. */
export function salonDay(ms: number, timeZone: string): Day {
  const date = Temporal.Instant.fromEpochMilliseconds(ms).toZonedDateTimeISO(timeZone).toPlainDate();
  const day = parseDay(date.toString());
  if (day === undefined) throw new RangeError(`instant out of range: ${ms}`);
  return day;
}

/** Minutes after the salon's midnight at an instant; clock minutes, so a changed clock does not shift them. */
export function salonMinute(ms: number, timeZone: string): number {
  const t = Temporal.Instant.fromEpochMilliseconds(ms).toZonedDateTimeISO(timeZone);
  return t.hour * 60 + t.minute;
}

const DAY_MINUTES = 1440;

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
