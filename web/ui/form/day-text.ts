/** Days as this device writes them, read and written; kept as `2031-04-09`. */
import { format, isValid, parse } from 'date-fns';
import { enAU, enCA, enGB, enIE, enNZ, enUS, enZA, type Locale } from 'date-fns/locale';

const LOCALES: Readonly<Record<string, Locale>> = {
  'en-GB': enGB,
  'en-US': enUS,
  'en-CA': enCA,
  'en-AU': enAU,
  'en-NZ': enNZ,
  'en-IE': enIE,
  'en-ZA': enZA,
};
export const localeOf = (name: string): Locale => LOCALES[name] ?? enGB;

/** As it is kept, the device's short form, with the month as a word, and without the year where it is this one's. */
const FORMS = ['yyyy-MM-dd', 'P', 'd MMM yyyy', 'd MMMM yyyy', 'MMM d, yyyy', 'd.M.yyyy', 'd MMM', 'd MMMM'] as const;

/** Its date on this device's clock at noon, for a calendar; undefined where it is no day. */
export function dateOf(kept: string): Date | undefined {
  const date = parse(kept, 'yyyy-MM-dd', new Date(2000, 0, 1, 12));
  return isValid(date) ? date : undefined;
}

export const keptDay = (date: Date): string => format(date, 'yyyy-MM-dd');

/** As the device writes it; what is no day stays as it was typed. */
export function shownDay(kept: string, locale: string): string {
  const date = dateOf(kept);
  return date ? format(date, 'P', { locale: localeOf(locale) }) : kept;
}

/** What was typed as a day that is kept; undefined where it is none. `near` gives the year that was not said. */
export function readDay(typed: string, locale: string, near: Date): string | undefined {
  for (const form of FORMS) {
    const date = parse(typed.trim(), form, near, { locale: localeOf(locale) });
    // A year of two digits is not a year of the Romans.
    if (isValid(date) && date.getFullYear() >= 1000) return keptDay(date);
  }
  return undefined;
}
