/**
 * Plain days in the forms of English, by d3-time-format: the first date that a browser's own formatter says takes a slow tablet a
 * tenth of a second, and lists of dates stand on first pages. The forms are those of the Unicode CLDR; a test holds them to it.
 */
import { timeFormatLocale } from 'd3';
import { kept } from '../../core/quantity/index.ts';
import type { DATE_FORMS } from '../app/view.ts';

type DateForm = (typeof DATE_FORMS)[number];
/** "Wed 9 Apr", "Wednesday 9 April 2031", "9 Apr 2031", "Wednesday 9 April", "9 April", "April 2031", "Apr 31". */
export type DateKind = 'short' | 'long' | 'date' | 'weekday' | 'day-month' | 'month-year' | 'month';

const AMERICAN: Readonly<Record<DateKind, string>> = {
  short: '%a, %b %-d',
  long: '%A, %B %-d, %Y',
  date: '%b %-d, %Y',
  weekday: '%A, %B %-d',
  'day-month': '%B %-d',
  'month-year': '%B %Y',
  month: '%b %y',
};
const BRITISH: Readonly<Record<DateKind, string>> = {
  short: '%a %-d %b',
  long: '%A, %-d %B %Y',
  date: '%-d %b %Y',
  weekday: '%A %-d %B',
  'day-month': '%-d %B',
  'month-year': '%B %Y',
  month: '%b %y',
};
const PATTERNS: Readonly<Record<DateForm, Readonly<Record<DateKind, string>>>> = {
  'en-GB': BRITISH,
  'en-US': AMERICAN,
  'en-CA': AMERICAN,
  'en-AU': { ...BRITISH, short: '%a, %-d %b', long: '%A %-d %B %Y' },
  'en-NZ': { ...BRITISH, short: '%a, %-d %b', weekday: '%A, %-d %B' },
  'en-IE': { ...BRITISH, short: '%a, %-d %b', long: '%A %-d %B %Y', weekday: '%A, %-d %B' },
  'en-ZA': { ...BRITISH, short: '%a, %d %b', date: '%d %b %Y', weekday: '%A, %d %B' },
};

const localeOf = (form: DateForm) =>
  timeFormatLocale({
    dateTime: '%c',
    date: '%x',
    time: '%X',
    periods: ['AM', 'PM'],
    days: ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'],
    shortDays: ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'],
    months: [
      ...(['January', 'February', 'March', 'April', 'May', 'June'] as const),
      ...(['July', 'August', 'September', 'October', 'November', 'December'] as const),
    ],
    // Where the day comes first, September is cut to four letters; Australia cuts no name of four.
    shortMonths: [
      ...(['Jan', 'Feb', 'Mar', 'Apr', 'May'] as const),
      ...(form === 'en-AU' ? (['June', 'July'] as const) : (['Jun', 'Jul'] as const)),
      ...(['Aug', PATTERNS[form] === AMERICAN ? 'Sep' : 'Sept', 'Oct', 'Nov', 'Dec'] as const),
    ],
  });

const DAY_MS = 86_400_000;
const SAYERS = new Map<string, (at: Date) => string>();
/** A plain day in a form. */
export const dayIn = (form: DateForm, kind: DateKind, day: number): string =>
  kept(SAYERS, `${form} ${kind}`, () => localeOf(form).utcFormat(PATTERNS[form][kind]))(new Date(day * DAY_MS));
