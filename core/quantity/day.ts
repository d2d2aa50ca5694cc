/**
 * Plain days as numbers: whole days since 1970-01-01 in the proleptic Gregorian calendar.
 * A day has no time zone; the salon's zone turns an instant into a day outside core.
 * Method: days-from-civil by 400-year eras (Howard Hinnant, "chrono-compatible low-level date algorithms").
 */
declare const dayBrand: unique symbol;
export type Day = number & { readonly [dayBrand]: 'Day' };

export interface CivilDate {
  readonly year: number;
  /** 1..12 */
  readonly month: number;
  /** 1..31 */
  readonly dayOfMonth: number;
}

const DAYS_PER_ERA = 146097;
const ISO = /^(\d{4})-(\d{2})-(\d{2})$/;

function isDay(value: number): value is Day {
  return Number.isSafeInteger(value);
}

/** A whole number as a Day. Throws RangeError on a fraction or a number that is not finite. */
export function day(value: number): Day {
  if (!isDay(value)) throw new RangeError(`a day must be a whole number, got ${value}`);
  return value;
}

/** Civil date to day number. No range check on month and day of month: see parseDay for text. */
export function dayFromCivil({ year, month, dayOfMonth }: CivilDate): Day {
  const y = month <= 2 ? year - 1 : year;
  const era = Math.floor(y / 400);
  const yearOfEra = y - era * 400;
  const dayOfYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + dayOfMonth - 1;
  const dayOfEra = yearOfEra * 365 + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100) + dayOfYear;
  return day(era * DAYS_PER_ERA + dayOfEra - 719468);
}

/** Day number to civil date, the inverse of dayFromCivil. */
export function civilFromDay(value: Day): CivilDate {
  const z = value + 719468;
  const era = Math.floor(z / DAYS_PER_ERA);
  const dayOfEra = z - era * DAYS_PER_ERA;
  const yearOfEra = Math.floor(
    (dayOfEra - Math.floor(dayOfEra / 1460) + Math.floor(dayOfEra / 36524) - Math.floor(dayOfEra / 146096)) / 365,
  );
  const dayOfYear = dayOfEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100));
  const m = Math.floor((5 * dayOfYear + 2) / 153);
  const month = m + (m < 10 ? 3 : -9);
  return {
    year: yearOfEra + era * 400 + (month <= 2 ? 1 : 0),
    month,
    dayOfMonth: dayOfYear - Math.floor((153 * m + 2) / 5) + 1,
  };
}

/** `2031-04-09` to a day; undefined when the text is not a date that exists. */
export function parseDay(text: string): Day | undefined {
  const match = ISO.exec(text);
  if (!match) return undefined;
  const value = dayFromCivil({ year: Number(match[1]), month: Number(match[2]), dayOfMonth: Number(match[3]) });
  return formatDay(value) === text ? value : undefined;
}

/** A day as `2031-04-09`. Years 0..9999. */
export function formatDay(value: Day): string {
  const { year, month, dayOfMonth } = civilFromDay(value);
  return `${String(year).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(dayOfMonth).padStart(2, '0')}`;
}

export const addDays = (from: Day, days: number): Day => day(from + days);

/** ISO weekday, 1 = Monday … 7 = Sunday. Day 0 (1970-01-01) was a Thursday. */
export const isoWeekday = (value: Day): number => ((((value + 3) % 7) + 7) % 7) + 1;

/** Age in whole years on a day. */
export function wholeYears(born: Day, on: Day): number {
  const b = civilFromDay(born);
  const o = civilFromDay(on);
  const before = o.month < b.month || (o.month === b.month && o.dayOfMonth < b.dayOfMonth);
  return o.year - b.year - (before ? 1 : 0);
}
