/** Instants by the salon's clock, over the changes of the clock: of a day and a time, or moved to another day. */
import { Temporal } from 'temporal-polyfill';
import { day, formatDay } from '../../core/quantity/index.ts';

/** The same clock time on another day, as an instant. */
export const onDay = (instant: string, timeZone: string, value: number): string =>
  Temporal.PlainDate.from(formatDay(day(value)))
    .toZonedDateTime({ timeZone, plainTime: Temporal.Instant.from(instant).toZonedDateTimeISO(timeZone).toPlainTime() })
    .toInstant()
    .toString({ smallestUnit: 'second' });

/** A day, `2031-04-09`, and a minute of it, as an instant. */
export const instantOf = (iso: string, minute: number, timeZone: string): string =>
  Temporal.PlainDate.from(iso)
    .toZonedDateTime({
      timeZone,
      plainTime: Temporal.PlainTime.from({ hour: Math.floor(minute / 60), minute: minute % 60 }),
    })
    .toInstant()
    .toString({ smallestUnit: 'second' });
