/** Decides which day somebody means who types one: 2031-04-09, 9 Apr, 9.4., tomorrow, friday. Undefined where it is no day. */
import { addDays, civilFromDay, isoWeekday, parseDay, type Day } from '../../core/quantity/index.ts';

const MONTHS = [
  'january',
  'february',
  'march',
  'april',
  'may',
  'june',
  'july',
  'august',
  'september',
  'october',
  'november',
  'december',
];
const WEEKDAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'];
/** Fewer letters could be anything. */
const LEAST = 3;

const monthOf = (text: string): number => (text.length < LEAST ? 0 : MONTHS.findIndex((m) => m.startsWith(text)) + 1);

/** A day and a month as the next time they come; undefined for 31 February. */
function nextOf(dayOfMonth: number, month: number, today: Day, year?: number): Day | undefined {
  const of = (y: number): Day | undefined =>
    parseDay(`${y}-${String(month).padStart(2, '0')}-${String(dayOfMonth).padStart(2, '0')}`);
  if (year !== undefined) return of(year);
  const { year: now } = civilFromDay(today);
  const found = of(now);
  return found !== undefined && found < today ? of(now + 1) : found;
}

const NEAR: Readonly<Record<string, number>> = { yesterday: -1, today: 0, tomorrow: 1 };

/** The next day of a weekday's name: "friday", "next fri". */
function weekdayTyped(typed: string, today: Day): Day | undefined {
  const weekday = typed.replace(/^(next|on) /, '');
  const nth = weekday.length < LEAST ? -1 : WEEKDAYS.findIndex((w) => w.startsWith(weekday));
  return nth < 0 ? undefined : addDays(today, ((nth + 1 - isoWeekday(today) + 6) % 7) + 1);
}

const year = (text: string | undefined): number | undefined => (text === undefined ? undefined : Number(text));

/** "9 Apr", "April 9th 2031". */
function wordsTyped(typed: string, today: Day): Day | undefined {
  const found =
    /^(?<d>\d{1,2})(?:st|nd|rd|th|\.)? (?<m>[a-z]+)\.?(?: (?<y>\d{4}))?$/.exec(typed) ??
    /^(?<m>[a-z]+)\.? (?<d>\d{1,2})(?:st|nd|rd|th)?(?: (?<y>\d{4}))?$/.exec(typed);
  const { d, m = '', y } = found?.groups ?? {};
  const [dayOfMonth, month] = [Number(d ?? 0), monthOf(m)];
  return dayOfMonth > 0 && month > 0 ? nextOf(dayOfMonth, month, today, year(y)) : undefined;
}

/** "9.4.", "4/9/2031": with dots the day comes first. */
function dottedTyped(typed: string, today: Day, dayFirst: boolean): Day | undefined {
  const dotted = /^(\d{1,2})([./-])(\d{1,2})(?:\2(\d{4})?)?$/.exec(typed);
  if (!dotted) return undefined;
  const [a, b] = [Number(dotted[1]), Number(dotted[3])];
  const [d, m] = dotted[2] === '.' || dayFirst ? [a, b] : [b, a];
  return m >= 1 && m <= 12 ? nextOf(d, m, today, year(dotted[4])) : undefined;
}

/** dayFirst: is 4/9 the fourth of September. */
export function dayTyped(text: string, today: Day, dayFirst: boolean): Day | undefined {
  const typed = text.trim().toLowerCase().replace(/,/g, ' ').replace(/\s+/g, ' ');
  const near = Object.hasOwn(NEAR, typed) ? NEAR[typed] : undefined;
  return (
    parseDay(typed) ??
    (near === undefined ? undefined : addDays(today, near)) ??
    weekdayTyped(typed, today) ??
    wordsTyped(typed, today) ??
    dottedTyped(typed, today, dayFirst)
  );
}
