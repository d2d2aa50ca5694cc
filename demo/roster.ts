/** Decides who works in the demo salon, who is away, who must not meet, and what owners wish. */
import type { SalonEdit } from '../contract/salon.ts';
import { ANY_TIME, freeStarts, type Span } from '../core/book/index.ts';
import { STAGE_KINDS } from '../core/day/index.ts';
import { addDays, type Day } from '../core/quantity/index.ts';
import { nextOpenDay } from '../core/tide/index.ts';
import type { Stores } from '../server/db/index.ts';
import { salonInstant } from '../server/salon-time.ts';
import { dogId } from './homes.ts';

const LUNCH = { minutes: 30, from: 11 * 60 + 30, to: 14 * 60 };

/** Days whose visits are gathered on one, three days ahead: a full day for the sheet. */
const GATHERED_DAYS = 8;

/** The coming days' visits on one day, each at the first time with a free table. */
function gatherDay(stores: Stores, today: Day, { house, timeZone }: SalonEdit): void {
  const on = nextOpenDay(addDays(today, 3), house.openWeekdays);
  const instant = (d: Day): string => salonInstant(d, 0, timeZone);
  const booked: Span[] = [];
  for (const b of stores.bookings.between(instant(on), instant(addDays(on, GATHERED_DAYS)))) {
    const [start] = freeStarts(b.minutes, booked, house.hours, house.tables);
    if (start === undefined) continue;
    booked.push({ start, minutes: b.minutes });
    const { minutes, note, version } = b;
    stores.bookings.update(b.id, { startsAt: salonInstant(on, start, timeZone), minutes, note, version });
  }
}

export function fillRoster(stores: Stores, today: Day, salon: SalonEdit): void {
  const { openWeekdays } = salon.house;
  gatherDay(stores, today, salon);
  const { roster } = stores;
  roster.insert({
    id: 'demo-runa',
    name: 'Runa',
    weekdays: [1, 2, 3, 4, 5, 6],
    from: 8 * 60,
    to: 17 * 60,
    pause: LUNCH,
    can: STAGE_KINDS,
    mostHeavy: 2,
    protectDb: 12,
    version: 0,
  });
  roster.insert({
    id: 'demo-bertil',
    name: 'Bertil',
    weekdays: [1, 2, 3, 4, 5, 6],
    from: 9 * 60,
    to: 18 * 60,
    pause: LUNCH,
    can: ['check', 'dry-work', 'bath', 'drying', 'rest'],
    mostHeavy: 3,
    protectDb: 12,
    version: 0,
  });
  const away = nextOpenDay(addDays(today, 44), openWeekdays);
  roster.addAway({ id: 'demo-away', person: 'demo-bertil', from: away, to: addDays(away, 5), reason: 'Holiday' });
  const closed = nextOpenDay(addDays(today, 120), openWeekdays);
  roster.addAway({
    id: 'demo-closed',
    person: null,
    from: closed,
    to: addDays(closed, 6),
    reason: 'The floor is laid anew',
  });
  const there = new Set(stores.dogs.all().map((d) => d.id));
  const [a, b] = [dogId('Anchor'), dogId('Kelda')];
  if (there.has(a) && there.has(b)) roster.addApart(a, b);
  if (there.has(b)) roster.wish(b, { ...ANY_TIME, weekdays: [2, 3, 5], person: 'demo-runa', version: 0 });
}
