/** How a salon's tide becomes a year to plan: each dog's coat ahead with its band, its days, and the salon's hours. */
import { addDays, isoWeekday, kept, sum, type Day } from '../quantity/index.ts';
import { waitsForVet } from '../check/index.ts';
import { evenDays, type EvenDays } from '../kit/index.ts';
import {
  AHEAD_DAYS,
  dueOf,
  type BookDog,
  type DogTide,
  type LearntBook,
  type Levels,
  type TideBook,
} from '../tide/index.ts';
import { HEAVY_KG } from '../day/index.ts';
import type { YearDog } from './arcs.ts';
import type { CoatYear } from './coat-year.ts';
import {
  ANY_TIME,
  atWork,
  isClosed,
  dayRefusals,
  weekMinutes,
  workMinutes,
  type Roster,
  type VisitWish,
} from './roster.ts';
import type { DayLimit } from './day-limits.ts';
import { hoursFrom, type Hours, type HoursKind } from './hours.ts';

/** The plan holds whole weeks. */
export const PLAN_DAYS = 364;
/** Days beyond it that coats are known for. */
const TAIL_DAYS = 140;
/** Share of the hours that is planned: a day's minutes do not split evenly over people, and somebody always walks in. Guess. */
export const PLANNED_SHARE = 0.93;
/** Price of the last minute of a full day, by the house's taste: guesses. */
const EVEN_PRICE: Readonly<Record<EvenDays, number>> = { filled: 0, even: 0.05, alike: 0.2 };
/** First overtime as a share of a day, prices of a minute of it and beyond it: guesses. */
export const OVERTIME: HoursKind = { overtimeShare: 0.12, even: EVEN_PRICE.even, dear: 0.5, dearest: 4 };

/** Grams that release alone would put into an empty coat by the end of each day: what stands if nothing is done, less today's. */
function grownOf(bare: Levels, { storeG, keep }: DogTide['coat']): Float64Array {
  const row = new Float64Array(PLAN_DAYS + TAIL_DAYS + 1);
  let faded = storeG;
  for (let d = 1; d <= Math.min(AHEAD_DAYS, row.length - 1); d++) {
    faded *= keep;
    row[d] = Math.max(0, (bare[d - 1] ?? 0) - faded);
  }
  // Beyond what is forecast, release is what it was a year before.
  for (let d = AHEAD_DAYS + 1; d < row.length; d++) {
    const before = d - AHEAD_DAYS;
    const release = Math.max(0, (row[before] ?? 0) - keep * (row[before - 1] ?? 0));
    row[d] = keep * (row[d - 1] ?? 0) + release;
  }
  return row;
}

/** A dog's coat over the year, with the band of its tide. */
export const coatOf = (d: BookDog, t: DogTide, today: Day): CoatYear => ({
  ...t.coat,
  // Who comes today has been when the plan begins.
  storeG: t.coat.storeG * (comesOn(d, today) ? 1 - t.coat.takes : 1),
  fullG: t.fullG,
  grown: [t.bare.low, t.bare.likely, t.bare.high].map((row) => grownOf(row, t.coat)),
  minutesAt: d.minutesAt,
});

const comesOn = ({ booked }: BookDog, on: Day): boolean => booked.some((b) => b.day === on);

/** What a year needs beyond the tide: who works when, what owners wish, what a dog bears at a time. */
export interface YearFacts {
  readonly roster?: Roster | undefined;
  readonly wishes?: Readonly<Record<string, VisitWish>> | undefined;
  readonly mostMinutes?: Readonly<Record<string, number>> | undefined;
  /** Dogs that must not meet, by their ids. */
  readonly apart?: readonly (readonly [string, string])[] | undefined;
  /** How evenly the house would have its days. */
  readonly evenDays?: EvenDays | undefined;
  /** Minutes of visits that are for something else than the coat, by their days: they take of the hours. */
  readonly others?: readonly { readonly day: Day; readonly minutes: number }[] | undefined;
}
export type YearBook = TideBook & YearFacts;

/** Share of the hours of people at work that go to this work: all, or what the salon has said of its week. */
function shareOf({ roster, minutesPerWeek, openWeekdays }: YearBook): number {
  const usual = weekMinutes(roster?.people ?? [], openWeekdays);
  return usual > 0 ? minutesPerWeek / usual : 0;
}

/** The salon's hours from a day on: those of who is at work on its open days, without what is kept back. */
export function hoursOf(book: YearBook, today: Day): Hours {
  const daily = new Float64Array(PLAN_DAYS + 1);
  const { roster, openWeekdays, minutesPerWeek } = book;
  const people = (roster?.people.length ?? 0) > 0;
  const share = people ? shareOf(book) : 0;
  const each = minutesPerWeek / Math.max(1, openWeekdays.length);
  const others = new Map<Day, number>();
  for (const { day, minutes } of book.others ?? []) others.set(day, (others.get(day) ?? 0) + minutes);
  for (let d = 1; d <= PLAN_DAYS; d++) {
    const on = addDays(today, d);
    if (roster ? isClosed(roster, openWeekdays, on) : !openWeekdays.includes(isoWeekday(on))) continue;
    const whole = roster && people ? share * workMinutes(roster, openWeekdays, on) : each;
    daily[d] = PLANNED_SHARE * Math.max(0, whole - (others.get(on) ?? 0));
  }
  return hoursFrom(daily, { ...OVERTIME, even: EVEN_PRICE[evenDays(book)] });
}

/** Who comes of a year: a dog, or the dogs of a household that come together. */
export interface YearOf {
  readonly dogs: readonly YearDog[];
  /** Ids of the dogs behind each, in the order of its coats. */
  readonly members: readonly (readonly string[])[];
  readonly hours: Hours;
  /** What must not be on one day together. */
  readonly limits: readonly DayLimit[];
  /** Dogs for which there is no day at all, as their owners wish and people work. */
  readonly noDay: readonly string[];
}

/** A year to plan: dogs that the tide knows, in the book's order. Day 0 is the day the tide was learnt on. */
export function yearOfTide(book: YearBook, learnt: LearntBook): YearOf {
  const today = learnt.from;
  const hours = hoursOf(book, today);
  const open = Array.from({ length: PLAN_DAYS }, (_, i) => i + 1).filter((d) => (hours.minutes[d] ?? 0) > 0);
  const tides = new Map(learnt.dogs.map((t) => [t.id, t]));
  const homes = new Map<string, BookDog[]>();
  for (const d of book.dogs) {
    if (!tides.has(d.id)) continue;
    const home = book.wishes?.[d.id]?.household;
    const key = home ? `home ${home}` : `dog ${d.id}`;
    homes.set(key, [...(homes.get(key) ?? []), d]);
  }
  // Where one of a household waits for a vet only what is agreed stands: nobody is invited.
  const houses = [...homes.values()].filter((of) => !waits(of) || of.some((d) => d.booked.length > 0));
  // Most owners wish for nothing: the days of a wish are found once.
  const roster = book.roster ?? { people: [], away: [] };
  const found = new Map<string, readonly number[]>();
  const daysFor = (w: VisitWish): readonly number[] =>
    kept(found, `${w.weekdays.join()} ${w.from} ${w.to} ${w.person}`, () =>
      open.filter((d) => dayRefusals(roster, book.openWeekdays, addDays(today, d), w).length === 0),
    );
  const dogs = houses.map((of) => yearDog(of, book, tides, today, daysFor));
  const members = houses.map((of) => of.map((d) => d.id));
  const none = houses.map((of, i) => !waits(of) && dogs[i]?.days.length === 0 && dogs[i]?.fixed.length === 0);
  return {
    dogs,
    members,
    hours,
    limits: limitsOf(book, members, today),
    noDay: members.flatMap((ids, i) => (none[i] ? ids : [])),
  };
}

/** Dogs that must not meet, and heavy ones beyond what the people of a day lift. */
function limitsOf(book: YearBook, members: readonly (readonly string[])[], today: Day): readonly DayLimit[] {
  const placeOf = new Map(members.flatMap((ids, i) => ids.map((id) => [id, i] as const)));
  const pairs = (book.apart ?? []).flatMap(([a, b]): readonly DayLimit[] => {
    const [x, y] = [placeOf.get(a), placeOf.get(b)];
    // Of one household they come together, whatever was said.
    return x === undefined || y === undefined || x === y ? [] : [{ dogs: [x, y], most: () => 1 }];
  });
  const { roster } = book;
  if (!roster || roster.people.length === 0) return pairs;
  const heavy = new Set(book.dogs.filter((d) => d.dog.weightKg >= HEAVY_KG).map((d) => d.id));
  const most = (day: number): number =>
    sum(atWork(roster, book.openWeekdays, addDays(today, day)).map((p) => (p.can.includes('bath') ? p.mostHeavy : 0)));
  const dogs = members.flatMap((ids, i) => (ids.some((id) => heavy.has(id)) ? [i] : []));
  return [...pairs, { dogs, most }];
}

const waits = (of: readonly BookDog[]): boolean => of.some((d) => waitsForVet(d.holds));

function yearDog(
  of: readonly BookDog[],
  book: YearBook,
  tides: ReadonlyMap<string, DogTide>,
  today: Day,
  daysFor: (wish: VisitWish) => readonly number[],
): YearDog {
  const wishes = of.map((d) => book.wishes?.[d.id] ?? ANY_TIME);
  const [own = [], ...others] = wishes.map(daysFor);
  const days = waits(of) ? [] : own.filter((d) => others.every((days) => days.includes(d)));
  const fixed = [...new Set(of.flatMap((d) => d.booked.map((b) => b.day - today)))].filter(
    (x) => x >= 1 && x <= PLAN_DAYS,
  );
  // Each dog keeps its own rest, also before a visit that is agreed already.
  const shortest = Math.max(...of.map((d) => d.rhythm.shortest));
  const rested = days.filter((d) => fixed.every((f) => Math.abs(f - d) >= shortest));
  const lastOf = (d: BookDog): number => {
    if (comesOn(d, today)) return 0;
    const last = d.sightings.reduce(
      (t, s) => (s.kind === 'visit' && s.day <= today ? Math.max(t, s.day) : t),
      -Infinity,
    );
    // Who never came may come any day.
    return last === -Infinity ? -d.rhythm.shortest : last - today;
  };
  // Of a household, whose coat is due first says when they come; who comes today is due by what that leaves.
  const dues = of.flatMap((d) => {
    const tide = tides.get(d.id);
    const due = tide && !comesOn(d, today) && dueOf(d, tide, book);
    return due ? [due.day - today] : [];
  });
  const most = wishes.flatMap((w) => w.mostVisits ?? []);
  const mostVisits = most.length > 0 ? Math.min(...most) : undefined;
  // Who pays for few visits has long waits between them, and the best days for them are sought over the whole year.
  const apart = mostVisits === undefined ? 0 : Math.round(PLAN_DAYS / (mostVisits + 1));
  const longest = Math.max(Math.min(...of.map((d) => d.rhythm.longest)), shortest);
  const known = of.flatMap((d) => (tides.has(d.id) ? [d] : []));
  return {
    id: of[0]?.id ?? '',
    coats: known.flatMap((d) => {
      const tide = tides.get(d.id);
      return tide ? [coatOf(d, tide, today)] : [];
    }),
    days: rested,
    open: days,
    lastVisit: Math.min(...of.map(lastOf)),
    notBefore: Math.max(...of.map((d) => lastOf(d) + d.rhythm.shortest)),
    shortest,
    longest: Math.max(longest, apart),
    due: dues.length > 0 && apart <= longest ? Math.min(...dues) : undefined,
    fixed,
    lengths: new Map(fixed.map((f) => [f, sum(of.flatMap((d) => minutesOn(d, addDays(today, f))))])),
    mostVisits,
    mostMinutes: known.map((d) => book.mostMinutes?.[d.id]),
  };
}

/** Minutes for which a dog is booked on a day. */
const minutesOn = ({ booked }: BookDog, on: Day): readonly number[] =>
  booked.flatMap((b) => (b.day === on ? [b.minutes] : []));
