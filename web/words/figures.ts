/** How figures are said. A figure and its unit are never parted by the end of a line. */
import { kept } from '../../core/quantity/index.ts';
import { view } from '../app/view.ts';

const NBSP = '\u00a0';
export const percent = (share: number): string => `${Math.round(share * 100)}${NBSP}%`;
export const grams = (g: number): string => `${Math.round(g)}${NBSP}g`;
export const minutesText = (minutes: number): string =>
  minutes < 60
    ? `${minutes}${NBSP}min`
    : `${Math.floor(minutes / 60)}${NBSP}h${minutes % 60 ? `${NBSP}${String(minutes % 60).padStart(2, '0')}` : ''}`;
/** Making a formatter takes a hundred times as long as using one. */
const FORMATTERS = new Map<string, Intl.NumberFormat>();
export function money(cents: number, currency: string): string {
  const { dates } = view();
  const minimumFractionDigits = cents % 100 === 0 ? 0 : 2;
  const sayer = kept(
    FORMATTERS,
    `${dates} ${currency} ${minimumFractionDigits}`,
    () => new Intl.NumberFormat(dates, { style: 'currency', currency, minimumFractionDigits }),
  );
  return sayer.format(cents / 100);
}
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
/** "a, b and c". */
export function listText(items: readonly string[], word: 'and' | 'or' = 'and'): string {
  if (items.length < 2) return items.join('');
  // "face and cheeks, and rump": a comma says where an item that is a pair itself ends.
  const pairs = items.slice(0, -1).some((item) => item.includes(` ${word} `));
  return `${items.slice(0, -1).join(', ')}${pairs ? ',' : ''} ${word} ${items.at(-1)}`;
}

/** "3.4 MB" of a file's bytes. */
export const bytesText = (bytes: number): string =>
  bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1e3))}${NBSP}kB` : `${(bytes / 1e6).toFixed(1)}${NBSP}MB`;

/** A number of days in words: "a day", "12 days". */
export const daysText = (n: number): string => (n === 1 ? 'a day' : `${n} days`);
