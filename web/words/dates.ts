/** How days and instants are said. */
import { Temporal } from 'temporal-polyfill';
import { day, formatDay } from '../../core/quantity/index.ts';

const LOCALE = 'en-GB';
const plain = (value: number): Temporal.PlainDate => Temporal.PlainDate.from(formatDay(day(value)));

/** "Wed 9 Apr". */
export const shortDay = (value: number): string =>
  plain(value).toLocaleString(LOCALE, { weekday: 'short', day: 'numeric', month: 'short' });

/** "Wednesday 9 April 2031". */
export const longDay = (value: number): string =>
  plain(value).toLocaleString(LOCALE, { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' });

/** "9 Apr 2031" of a plain date text. */
export const dateText = (iso: string): string =>
  Temporal.PlainDate.from(iso).toLocaleString(LOCALE, { day: 'numeric', month: 'short', year: 'numeric' });

/** "Wednesday 9 April" of a plain date text. */
export const weekdayText = (iso: string): string =>
  Temporal.PlainDate.from(iso).toLocaleString(LOCALE, { weekday: 'long', day: 'numeric', month: 'long' });

const zoned = (instant: string, timeZone: string): Temporal.ZonedDateTime =>
  Temporal.Instant.from(instant).toZonedDateTimeISO(timeZone);

/** "Wed 9 Apr, 09:30" in the salon's zone. */
export function instantText(instant: string, timeZone: string): string {
  const z = zoned(instant, timeZone);
  return `${z.toPlainDate().toLocaleString(LOCALE, { weekday: 'short', day: 'numeric', month: 'short' })}, ${clockText(instant, timeZone)}`;
}
/** "09:30". */
export const clockText = (instant: string, timeZone: string): string =>
  zoned(instant, timeZone).toPlainTime().toString({ smallestUnit: 'minute' });
/** The plain date of an instant in a zone, `2031-04-09`. */
export const dateOf = (instant: string, timeZone: string): string => zoned(instant, timeZone).toPlainDate().toString();

/** "in 3 days", "yesterday", "6 weeks ago". */
export function fromToday(value: number, today: number): string {
  const days = value - today;
  if (days === 0) return 'today';
  if (days === 1) return 'tomorrow';
  if (days === -1) return 'yesterday';
  const n = Math.abs(days);
  const span =
    n < 21 ? `${n} days` : n < 365 ? `${Math.round(n / 7)} weeks` : n < 640 ? 'a year' : `${Math.round(n / 365)} years`;
  return days > 0 ? `in ${span}` : `${span} ago`;
}

/** The same clock time on another day, as an instant. */
export const onDay = (instant: string, timeZone: string, value: number): string =>
  `${plain(value)
    .toZonedDateTime({ timeZone, plainTime: zoned(instant, timeZone).toPlainTime() })
    .toInstant()
    .toString({ smallestUnit: 'second' })}`;
/** "08:05" of minutes after midnight. */
export const minuteClock = (minute: number): string =>
  [Math.floor(minute / 60) % 24, Math.round(minute) % 60].map((n) => String(n).padStart(2, '0')).join(':');
const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
/** "Mon" of an ISO weekday. */
export const weekdayName = (iso: number): string => WEEKDAYS[iso - 1] ?? '';
/** "April 2031". */
export const monthYear = (value: number): string =>
  plain(value).toLocaleString(LOCALE, { month: 'long', year: 'numeric' });
