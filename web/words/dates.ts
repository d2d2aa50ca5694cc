/** How days and instants are said. */
import { Temporal } from 'temporal-polyfill';
import { day, formatDay, kept } from '../../core/quantity/index.ts';
import { view } from '../app/view.ts';

/** Forms of this device: asked anew each time, as they can be changed while a page is open. */
const forms = (): string => view().dates;
const plain = (value: number): Temporal.PlainDate => Temporal.PlainDate.from(formatDay(day(value)));

const DAY_MS = 86_400_000;
/** Making a formatter takes a hundred times as long as using one, and lists say the same kind of date in every row. */
const FORMATTERS = new Map<string, Intl.DateTimeFormat>();
const said = (value: number, options: Intl.DateTimeFormatOptions): string =>
  kept(
    FORMATTERS,
    `${forms()} ${JSON.stringify(options)}`,
    () => new Intl.DateTimeFormat(forms(), { ...options, timeZone: 'UTC' }),
  ).format(value * DAY_MS);

/** "Wed 9 Apr". */
export const shortDay = (value: number): string => said(value, { weekday: 'short', day: 'numeric', month: 'short' });

/** "Wednesday 9 April 2031". */
export const longDay = (value: number): string =>
  said(value, { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' });

/** "9 Apr 2031" of a plain date text. */
export const dateText = (iso: string): string =>
  Temporal.PlainDate.from(iso).toLocaleString(forms(), { day: 'numeric', month: 'short', year: 'numeric' });

/** "Wednesday 9 April" of a plain date text. */
export const weekdayText = (iso: string): string =>
  Temporal.PlainDate.from(iso).toLocaleString(forms(), { weekday: 'long', day: 'numeric', month: 'long' });

const zoned = (instant: string, timeZone: string): Temporal.ZonedDateTime =>
  Temporal.Instant.from(instant).toZonedDateTimeISO(timeZone);

/** "Wed 9 Apr, 09:30" in the salon's zone. */
export function instantText(instant: string, timeZone: string): string {
  const z = zoned(instant, timeZone);
  return `${z.toPlainDate().toLocaleString(forms(), { weekday: 'short', day: 'numeric', month: 'short' })}, ${clockText(instant, timeZone)}`;
}
const timeText = (time: Temporal.PlainTime): string =>
  view().clock === '24'
    ? time.toString({ smallestUnit: 'minute' })
    : time.toLocaleString(forms(), { hour: 'numeric', minute: '2-digit', hour12: true });
/** "09:30", or "9:30 am". */
export const clockText = (instant: string, timeZone: string): string =>
  timeText(zoned(instant, timeZone).toPlainTime());
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
/** "08:05", or "8:05 am", of minutes after midnight. */
export const minuteText = (minute: number): string =>
  timeText(Temporal.PlainTime.from({ hour: Math.floor(minute / 60) % 24, minute: Math.round(minute) % 60 }));
/** "08:05" of minutes after midnight, as fields for times take it. */
export const minuteClock = (minute: number): string =>
  [Math.floor(minute / 60) % 24, Math.round(minute) % 60].map((n) => String(n).padStart(2, '0')).join(':');
const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
/** "Mon" of an ISO weekday. */
export const weekdayName = (iso: number): string => WEEKDAYS[iso - 1] ?? '';
/** "April 2031". */
export const monthYear = (value: number): string => said(value, { month: 'long', year: 'numeric' });
/** "Apr 31" of `2031-04`. */
export const monthName = (yearMonth: string): string =>
  Temporal.PlainDate.from(`${yearMonth}-01`).toLocaleString(forms(), { month: 'short', year: '2-digit' });
