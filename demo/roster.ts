/** Decides who works in the demo salon, who is away, who must not meet, and what owners wish. */
import { ANY_TIME, type Roster } from '../core/book/index.ts';
import { STAGE_KINDS } from '../core/day/index.ts';
import type { HouseRules } from '../core/kit/index.ts';
import { addDays, isoWeekday, type Day } from '../core/quantity/index.ts';
import { nextOpenDay } from '../core/tide/index.ts';
import type { Stores } from '../server/db/index.ts';
import { CAST, ON_PURPOSE } from './cast.ts';
import { dogId } from './homes.ts';

const LUNCH = { minutes: 30, from: 11 * 60 + 30, to: 14 * 60 };

/** Puts the people and their days away into a file, and says who they are. */
export function fillRoster({ roster }: Stores, today: Day, { openWeekdays }: Pick<HouseRules, 'openWeekdays'>): Roster {
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
  return { people: roster.people(), away: roster.away(today) };
}

/** Who must not meet, and what an owner wishes. */
export function fillWishes({ roster }: Stores, today: Day, { openWeekdays }: Pick<HouseRules, 'openWeekdays'>): void {
  const [a, b] = ON_PURPOSE.today.map(dogId);
  if (a === undefined || b === undefined) return;
  roster.addApart(b, a);
  // Who comes today comes on a day that suits its home.
  const first = nextOpenDay(today, openWeekdays);
  const weekdays = [...new Set([0, 1, 3].map((d) => isoWeekday(nextOpenDay(addDays(first, d), openWeekdays))))];
  for (const { name, weekdays } of CAST) if (weekdays) roster.wish(dogId(name), { ...ANY_TIME, weekdays, version: 0 });
  roster.wish(a, { ...ANY_TIME, weekdays: weekdays.sort(), person: 'demo-runa', version: 0 });
}
