/** Decides between instants and the salon's plain days: one IANA zone a salon. */
import { Temporal } from 'temporal-polyfill';
import { formatDay, parseDay, type Day } from '../core/quantity/index.ts';

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

/** The instant of a clock minute on a plain day in the salon, as `2031-04-09T07:30:00Z`. */
export function salonInstant(day: Day, minute: number, timeZone: string): string {
  const at = Temporal.PlainDate.from(formatDay(day)).toZonedDateTime({
    timeZone,
    plainTime: Temporal.PlainTime.from({ hour: Math.floor(minute / 60), minute: minute % 60 }),
  });
  return isoMinute(at.epochMilliseconds);
}

/** UTC milliseconds as the text that bookings carry. */
export const isoMinute = (ms: number): string => `${new Date(ms).toISOString().slice(0, 16)}:00Z`;
