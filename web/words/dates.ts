/** How days and instants are said. */
import { kept, parseDay } from '../../core/quantity/index.ts';
import { view } from '../app/view.ts';
import { wholeMinute } from './clock.ts';
import { dayIn, type DateKind } from './date-forms.ts';

/** Forms of this device: asked again each time, as they can be changed while a page is open. */
const forms = () => view().dates;

/** Making a formatter takes a hundred times as long as using one, and lists say the same kind of date in every row. */
const FORMATTERS = new Map<string, Intl.DateTimeFormat>();
const sayer = (locale: string, timeZone: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat =>
  kept(
    FORMATTERS,
    `${locale} ${timeZone} ${JSON.stringify(options)}`,
    () => new Intl.DateTimeFormat(locale, { ...options, timeZone }),
  );
const said = (kind: DateKind, value: number): string => dayIn(forms(), kind, value);

/** "Wed 9 Apr". */
export const shortDay = (value: number): string => said('short', value);

/** "Wednesday 9 April 2031". */
export const longDay = (value: number): string => said('long', value);

/** The day of a plain date text. Throws RangeError for what is none. */
function dayOf(iso: string): number {
  const found = parseDay(iso.slice(0, 10));
  if (found === undefined) throw new RangeError(`no such day: ${iso}`);
  return found;
}

/** "9 Apr 2031" of a plain date text. */
export const dateText = (iso: string): string => said('date', dayOf(iso));

/** "Wednesday 9 April" of a plain date text. */
export const weekdayText = (iso: string): string => said('weekday', dayOf(iso));

/** "Wed 9 Apr, 09:30" in the salon's zone. */
export const instantText = (instant: string, timeZone: string): string =>
  `${sayer(forms(), timeZone, { weekday: 'short', day: 'numeric', month: 'short' }).format(Date.parse(instant))}, ${clockText(instant, timeZone)}`;

/** Of an instant in a zone, in this device's clock: always two digits by 24 hours, as it stands in columns. */
const timeText = (atMs: number, timeZone: string): string =>
  view().clock === '24'
    ? sayer('en-GB', timeZone, { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).format(atMs)
    : sayer(forms(), timeZone, { hour: 'numeric', minute: '2-digit', hour12: true }).format(atMs);
/** "09:30", or "9:30 am". */
export const clockText = (instant: string, timeZone: string): string => timeText(Date.parse(instant), timeZone);
/** The plain date of an instant in a zone, `2031-04-09`. */
export const dateOf = (instant: string, timeZone: string): string => {
  const parts = sayer('en-GB', timeZone, { year: 'numeric', month: '2-digit', day: '2-digit' }).formatToParts(
    Date.parse(instant),
  );
  const part = (type: Intl.DateTimeFormatPartTypes): string => parts.find((p) => p.type === type)?.value ?? '';
  return `${part('year')}-${part('month')}-${part('day')}`;
};

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

/** "08:05", or "8:05 am", of minutes after midnight. */
export const minuteText = (minute: number): string => timeText(wholeMinute(minute) * 60_000, 'UTC');
const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
/** "Mon" of an ISO weekday. */
export const weekdayName = (iso: number): string => WEEKDAYS[iso - 1] ?? '';
/** ISO weekdays with their names, from the one with which this device’s week begins. */
export const weekdaysHere = (): readonly { readonly value: number; readonly word: string }[] =>
  WEEKDAYS.map((_, i) => ((view().weekStart - 1 + i) % 7) + 1).map((value) => ({ value, word: weekdayName(value) }));
/** "April 2031". */
export const monthYear = (value: number): string => said('month-year', value);
/** "Apr 31" of `2031-04`. */
export const monthName = (yearMonth: string): string => said('month', dayOf(`${yearMonth}-01`));
/** "9 April". */
export const dayMonth = (value: number): string => said('day-month', Math.round(value));
