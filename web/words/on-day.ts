/** Moves an instant to another day at the same time by the salon's clock, over the changes of the clock. */
import { Temporal } from 'temporal-polyfill';
import { day, formatDay } from '../../core/quantity/index.ts';

/** The same clock time on another day, as an instant. */
export const onDay = (instant: string, timeZone: string, value: number): string =>
  Temporal.PlainDate.from(formatDay(day(value)))
    .toZonedDateTime({ timeZone, plainTime: Temporal.Instant.from(instant).toZonedDateTimeISO(timeZone).toPlainTime() })
    .toInstant()
    .toString({ smallestUnit: 'second' });
