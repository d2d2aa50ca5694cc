/**
 * Decides the demo salon from a seed, relative to the day it is made: years behind it, a week that went as this program had
 * proposed it, and dates ahead.
 */
import type { SalonEdit } from '../contract/salon.ts';
import type { ZoneFindings } from '../core/check/index.ts';
import { DEFAULT_HOUSE } from '../core/kit/index.ts';
import { addDays, day, formatDay, seededRandom, type Day } from '../core/quantity/index.ts';
import { nextOpenDay } from '../core/tide/index.ts';
import { newMemos, type Memos } from '../server/context.ts';
import { acting, UNTRAILED } from '../server/auth/acting.ts';
import type { Stores } from '../server/db/index.ts';
import { salonDay, salonInstant } from '../server/salon-time.ts';
import { fillAccounts } from './accounts.ts';
import { AgreedDates, proposalsAt, type Filling } from './agreed-dates.ts';
import { CAST, DEMO_KIT, DEMO_UPKEEP, HOME_BRUSHES, ON_PURPOSE } from './cast.ts';
import { townShifts } from './coat-of-years.ts';
import { stationReading } from './devices/weather-station.ts';
import { dogId, fillHomes } from './homes.ts';
import { DemoDog, KEPT_DAYS, type DemoSalon } from './past-visits.ts';
import { fillRoster, fillWishes } from './roster.ts';
import { WorkClock } from './work-clock.ts';

export const DEMO_SALON: SalonEdit = {
  name: 'The Slipway Dog Room',
  town: 'Tarnholm',
  latitudeDeg: 60.2,
  longitudeDeg: 21.4,
  timeZone: 'Europe/Helsinki',
  house: {
    ...DEFAULT_HOUSE,
    tables: 2,
    tubs: 1,
    dryPlaces: 2,
    openWeekdays: [1, 2, 3, 4, 5, 6],
    hours: { openMinute: 8 * 60, closeMinute: 18 * 60 },
    // The rest of the week goes to clips and puppies.
    shedHoursPerWeek: 20,
  },
  version: 1,
};

const SEED = 20260404;
/** Years of the town's weather. */
const WEATHER_DAYS = 3 * 365 + 120;
/** So long ago the dates of today were proposed. */
const PROPOSED_DAYS = 7;
/** Dates are agreed so far ahead. */
const DATED_DAYS = 56;
const DAY_MS = 86_400_000;

/** Fills an empty database. Same day, same salon. */
export function fillDemo(stores: Stores, nowMs: number, { minutes }: Pick<Memos, 'minutes'> = newMemos()): void {
  // What the demo was filled with is nobody's doing.
  acting.run(UNTRAILED, () => stores.write(() => fill({ stores, minutes }, nowMs)));
}

function fill(filling: Filling, nowMs: number): void {
  const { stores } = filling;
  const random = seededRandom(SEED);
  stores.salon.insert(DEMO_SALON);
  const { timeZone, house } = DEMO_SALON;
  const today = salonDay(nowMs, timeZone);
  fillKit(stores, today);
  for (let d = addDays(today, -WEATHER_DAYS); d < today; d = day(d + 1))
    stores.tide.read(stationReading(DEMO_SALON, d), true);
  const roster = fillRoster(stores, today, house);
  const intake = 'demo-paper';
  const since = addDays(today, -KEPT_DAYS);
  stores.intake.begin({ id: intake, atMs: Date.parse(salonInstant(since, 9 * 60, timeZone)), who: 'Runa' });
  const salon: DemoSalon = {
    stores,
    salon: DEMO_SALON,
    clock: new WorkClock(roster, house.openWeekdays),
    random,
    today,
    shifts: townShifts(DEMO_SALON, today, random),
    intake,
  };
  const dogs = CAST.map((cast) => new DemoDog(salon, cast));
  fillWishes(stores, today, house);
  const newcomers: readonly string[] = ON_PURPOSE.newcomers;
  const known = dogs.filter((d) => !newcomers.includes(d.cast.name));
  for (const dog of known) dog.live(addDays(today, -PROPOSED_DAYS));
  stores.intake.finish(intake);
  HOME_BRUSHES.forEach(([name, tool], i) =>
    stores.kit.insert(`home-brush-${i}`, { ...tool, costCents: null, since: null, homeOf: dogId(name) }),
  );
  fillHomes(stores, today, seededRandom(SEED + 1));
  liveTheWeek(filling, salon, known, nowMs);
  fillAccounts(stores, nowMs);
}

function fillKit({ kit }: Stores, today: Day): void {
  const daysAgo = (days: number): string => formatDay(addDays(today, -days));
  for (const { id, daysInUse, ...tool } of DEMO_KIT) {
    kit.insert(id, { ...tool, since: daysAgo(daysInUse), homeOf: null });
  }
  DEMO_UPKEEP.forEach(([toolId, act, days], i) =>
    kit.addUpkeep({ id: `demo-upkeep-${i}`, toolId, act, day: daysAgo(days) }),
  );
}

/** The week since dates were proposed: who said yes came or is to come, and what is here on purpose happens. */
function liveTheWeek(filling: Filling, salon: DemoSalon, dogs: readonly DemoDog[], nowMs: number): void {
  const { today } = salon;
  const proposals = new Map(proposalsAt(filling, nowMs - PROPOSED_DAYS * DAY_MS).map((p) => [p.dogId, p]));
  const { held, late, early, undecided } = ON_PURPOSE;
  const apart: readonly string[] = [held, late, early, ...ON_PURPOSE.today];
  const asked = dogs.filter((d) => !apart.includes(d.cast.name));
  for (const dog of asked) {
    const [on] = proposals.get(dog.id)?.days ?? [];
    if (on !== undefined && on < today) dog.comes(on);
  }
  for (const dog of dogs) dog.homeUntil(today);
  const { first, felt } = checksOnPurpose(salon, dogs);

  const [packed] = ON_PURPOSE.today;
  const dates = new AgreedDates(filling, nowMs, (b, dogOf) => b.code === 'late' && dogOf(b.visit) === dogId(packed));
  // Where the two of today find no room beside each other, the second comes a day later.
  const soon = [0, 1, 2, 3].map((d) => nextOpenDay(addDays(first, d), DEMO_SALON.house.openWeekdays));
  for (const dog of felt) {
    const proposal = proposals.get(dog.id);
    if (proposal) dates.take(proposal, soon, 0);
  }
  const unsure: readonly string[] = undecided;
  for (const dog of asked) {
    const proposal = unsure.includes(dog.cast.name) ? undefined : proposals.get(dog.id);
    const [on] = proposal?.days ?? [];
    if (!proposal || on === undefined || on < today || on >= today + DATED_DAYS) continue;
    // The first day is that of the two whose coats were felt: of the others minutes are still learnt.
    dates.take(proposal, dates.gathered(proposal, addDays(first, 1), addDays(today, DATED_DAYS)));
  }
}

/** Newest checks, and what a home saw. Says the first day that is worked, and whose coats were felt for it. */
function checksOnPurpose(
  { stores, clock, today }: DemoSalon,
  dogs: readonly DemoDog[],
): { first: Day; felt: readonly DemoDog[] } {
  const { held, early } = ON_PURPOSE;
  const named = (name: string): readonly DemoDog[] => dogs.filter((d) => d.cast.name === name);
  for (const dog of named(held))
    dog.check(clock.dayBefore(today), {
      'hip.left': { finger: 2, tug: 2, comb: 'drags', tie: 'none', skin: 'hot-spot' },
    });
  for (const { id, cast } of named(early))
    stores.tide.addNote(id, {
      id: `${id}-blows`,
      day: formatDay(addDays(today, -3)),
      what: 'started',
      amount: null,
      grams: null,
      author: cast.owner,
    });
  const first = nextOpenDay(today, DEMO_SALON.house.openWeekdays);
  // On a Sunday they were looked at the evening before.
  const on = first === today ? today : clock.dayBefore(today);
  const felt = ON_PURPOSE.today.flatMap(named);
  for (const [i, dog] of felt.entries()) {
    if (i === 0) dog.check(on, MATTED, PACKED);
    else dog.check(on);
  }
  return { first, felt };
}

/** So full, of what its coat can hold, is one that was booked when nobody thought so; in a blow its mats are what is news. */
const PACKED = 0.95;
const MAT: ZoneFindings = { finger: 4, tug: 3, comb: 'stops', tie: 'mat', skin: 'clear' };
const MATTED = { 'breeches.left': MAT, 'breeches.right': MAT };
