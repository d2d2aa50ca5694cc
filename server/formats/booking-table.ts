/** A table of bookings read in: date, time, minutes and dog of each line, or why a line cannot be taken. */
import Papa from 'papaparse';
import { BOOKABLE_MINUTES } from '../../contract/booking.ts';
import { unbookable } from '../../contract/common.ts';
import { parseDay, type Day } from '../../core/quantity/index.ts';
import { Problem } from '../problem.ts';
import { salonInstant } from '../salon-time.ts';
import { asTyped } from '../table-text.ts';
import { DogNames, type NamedDog } from './dog-names.ts';

export interface BookingTable {
  readonly csv: string;
  readonly timeZone: string;
  readonly today: Day;
  readonly dogs: readonly NamedDog[];
}
export interface ReadBooking {
  readonly dogId: string;
  readonly startsAt: string;
  readonly minutes: number;
  readonly note: string;
  readonly agreed: boolean;
}
export interface ReadBookings {
  readonly bookings: readonly ReadBooking[];
  /** Sentences about lines that cannot be taken. */
  readonly left: readonly string[];
}

export const BOOKING_COLUMNS = ['date', 'time', 'minutes', 'dog', 'owner', 'agreed', 'note'] as const;
const NEEDED = ['date', 'time', 'minutes', 'dog'] as const;
export const MOST_BOOKINGS = 5_000;

/** Reads a table. Throws a Problem when it has not the columns, or too many lines. */
export function readBookings({ csv, timeZone, today, dogs }: BookingTable): ReadBookings {
  const { data, meta } = Papa.parse<Record<string, string>>(csv.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim().toLowerCase(),
    transform: asTyped,
  });
  const missing = NEEDED.filter((c) => !meta.fields?.includes(c));
  if (missing.length > 0)
    throw new Problem(
      400,
      'csv',
      `The first line must name the columns date, time, minutes and dog; ${missing.join(' and ')} is missing. Nothing was read in.`,
    );
  if (data.length > MOST_BOOKINGS)
    throw new Problem(
      413,
      'csv',
      `This table has ${data.length} lines; ${MOST_BOOKINGS} at most are read at once. Nothing was read in. Split it.`,
    );
  const names = new DogNames(dogs);
  const bookings: ReadBooking[] = [];
  const left: string[] = [];
  for (const [i, row] of data.entries()) {
    const cell = (name: (typeof BOOKING_COLUMNS)[number]): string => (row[name] ?? '').trim();
    const refuse = (why: string): void => void left.push(`line ${i + 2}: ${why}`);
    const on = parseDay(cell('date'));
    const at = /^(\d{1,2}):(\d{2})$/.exec(cell('time'));
    const minute = at && Number(at[2]) < 60 ? Number(at[1]) * 60 + Number(at[2]) : NaN;
    const minutes = Number(cell('minutes'));
    const dog = names.find(cell('dog'), cell('owner'));
    if (on === undefined || !(minute < 1440)) refuse('no date and time such as 2031-04-09 and 09:30');
    else if (unbookable(on, today)) refuse(`the date ${cell('date')} ${unbookable(on, today)}`);
    else if (!dog) refuse(`no one dog is called "${cell('dog').slice(0, 40)}"`);
    else if (!Number.isInteger(minutes) || minutes < BOOKABLE_MINUTES.least || minutes > BOOKABLE_MINUTES.most)
      refuse(`minutes must be a whole number from ${BOOKABLE_MINUTES.least} to ${BOOKABLE_MINUTES.most}`);
    else
      bookings.push({
        dogId: dog.id,
        startsAt: salonInstant(on, minute, timeZone),
        minutes,
        note: cell('note').slice(0, 500),
        agreed: (cell('agreed') || 'yes').toLowerCase() !== 'no',
      });
  }
  return { bookings, left };
}
