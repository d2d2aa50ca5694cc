/** What takes a table on a day: visits, and starts that are held for an owner who has still to choose. */
import type { SalonRecord } from '../../contract/salon.ts';
import type { Span } from '../../core/book/index.ts';
import type { Day } from '../../core/quantity/index.ts';
import type { AppContext } from '../context.ts';
import { isoMinute, salonDay, spanOf } from '../salon-time.ts';
import { bookingsOn } from './day-schedule.ts';

export interface TakenSpan extends Span {
  readonly dogId: string;
}

/**
 * In minutes after midnight. A visit that is being moved does not stand in its own way, nor do starts that are held for the
 * dog that is booked.
 */
export function takenOn(
  context: AppContext,
  salon: SalonRecord,
  on: Day,
  { dogId, visit }: { readonly dogId: string; readonly visit?: string | undefined },
): readonly TakenSpan[] {
  const held = context.stores.offers
    .held(isoMinute(context.nowMs()))
    .filter((o) => o.dogId !== dogId)
    .flatMap((o) => o.starts.map((startsAt) => ({ dogId: o.dogId, startsAt, minutes: o.minutes })))
    .filter(({ startsAt }) => salonDay(Date.parse(startsAt), salon.timeZone) === on);
  return [...bookingsOn(context, salon, on).filter((b) => b.id !== visit), ...held].map((b) => ({
    dogId: b.dogId,
    ...spanOf(b, salon.timeZone),
  }));
}
