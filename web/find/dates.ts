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

/** dayFirst: is 4/9 the fourth of September. */
export function dayTyped(text: string, today: Day, dayFirst: boolean): Day | undefined {
  const typed = text.trim().toLowerCase().replace(/,/g, ' ').replace(/\s+/g, ' ');
  const plain = parseDay(typed);
  if (plain !== undefined) return plain;
  if (typed === 'today') return today;
  if (typed === 'tomorrow') return addDays(today, 1);
  if (typed === 'yesterday') return addDays(today, -1);
  const weekday = typed.replace(/^(next|on) /, '');
  const nth = weekday.length < LEAST ? -1 : WEEKDAYS.findIndex((w) => w.startsWith(weekday));
  if (nth >= 0) return addDays(today, ((nth + 1 - isoWeekday(today) + 6) % 7) + 1);
  const words = /^(\d{1,2})(?:st|nd|rd|th|\.)? ([a-z]+)\.?(?: (\d{4}))?$/.exec(typed);
  const turned = /^([a-z]+)\.? (\d{1,2})(?:st|nd|rd|th)?(?: (\d{4}))?$/.exec(typed);
  const [d, m, y] = words
    ? [Number(words[1]), monthOf(words[2] ?? ''), words[3]]
    : turned
      ? [Number(turned[2]), monthOf(turned[1] ?? ''), turned[3]]
      : [0, 0, undefined];
  if (d > 0 && m > 0) return nextOf(d, m, today, y === undefined ? undefined : Number(y));
  const dotted = /^(\d{1,2})([./-])(\d{1,2})(?:\2(\d{4})?)?$/.exec(typed);
  if (dotted) {
    const [a, b] = [Number(dotted[1]), Number(dotted[3])];
    const first = dotted[2] === '.' || dayFirst;
    const [dd, mm] = first ? [a, b] : [b, a];
    if (mm >= 1 && mm <= 12) return nextOf(dd, mm, today, dotted[4] === undefined ? undefined : Number(dotted[4]));
  }
  return undefined;
}
