/**
 * Decides what a year would be if the salon were another: its facts with one more pair of hands, an open day, a stronger dryer,
 * more dogs or homes that brush, and what a plan of such a year comes to.
 */
import { priceCents } from '../bench/index.ts';
import {
  DAY_EFFORT,
  DAY_WORTH,
  planDay,
  STAGE_KINDS,
  stagesWithoutHands,
  USUAL_SHARES,
  usualStages,
  type DayAsked,
  type DayPlace,
  type DayVisit,
} from '../day/index.ts';
import type { HouseRules } from '../kit/index.ts';
import { addDays, mean, sum, type Day } from '../quantity/index.ts';
import { homeTakesPerDay, type BookDog, type DogTide, type LearntBook, type Levels } from '../tide/index.ts';
import { account, dogAccount } from './account.ts';
import { WORTH } from './coat-year.ts';
import { type YearBook, type YearOf } from './from-tide.ts';
import { dayPeople } from './day-people.ts';
import { lastDayOf } from './hours.ts';
import type { BookPlan } from './plan-book.ts';
import { weekMinutes, type RosterPerson } from './roster.ts';
import { weeksFilled, type PlannedWeek } from './summary.ts';

/** What is otherwise than today. */
export interface YearChange {
  /** One more person, on so many days a week. */
  readonly handDays: number;
  /** A weekday, 1 to 7, on which the salon is open too; null: none. */
  readonly openWeekday: number | null;
  readonly strongerDryer: boolean;
  readonly moreDogs: number;
  readonly homesBrush: boolean;
  readonly secondTub: boolean;
}
export const AS_TODAY: YearChange = {
  handDays: 0,
  openWeekday: null,
  strongerDryer: false,
  moreDogs: 0,
  homesBrush: false,
  secondTub: false,
};
/** How far a change may go. */
export const MOST_CHANGE = { handDays: 6, moreDogs: 200 } as const;

/** Share of its drying time that a stronger dryer leaves. Guess. */
export const STRONGER_LEAVES = 0.75;

interface Facts {
  readonly book: YearBook;
  readonly learnt: LearntBook;
}

/** The facts of a changed year. */
export function changedYear(facts: Facts, change: YearChange): Facts {
  const steps = [withBrushing, withDogs, withDryer, withOpenDay, withHands];
  return steps.reduce((now, step) => step(now, change), facts);
}

const withBook = ({ book, learnt }: Facts, more: Partial<YearBook>): Facts => ({ book: { ...book, ...more }, learnt });

/** Dogs like those of the book, taken from all over it; nothing is agreed with them and they come alone. */
function withDogs(facts: Facts, { moreDogs }: YearChange): Facts {
  const { book, learnt } = facts;
  const tides = new Map(learnt.dogs.map((t) => [t.id, t]));
  const known = book.dogs.filter((d) => tides.has(d.id) && d.holds.length === 0);
  if (moreDogs === 0 || known.length === 0) return facts;
  const dogs: BookDog[] = [];
  const coats: DogTide[] = [];
  for (let k = 0; k < moreDogs; k++) {
    const like = known[Math.floor((k * known.length) / moreDogs) % known.length];
    const tide = like && tides.get(like.id);
    if (!like || !tide) continue;
    const id = `more-${k}`;
    dogs.push({ ...like, id, owner: id, booked: [] });
    coats.push({ ...tide, id });
  }
  return {
    book: { ...book, dogs: [...book.dogs, ...dogs] },
    learnt: { ...learnt, dogs: [...learnt.dogs, ...coats] },
  };
}

/** Every home brushes steadily: what it takes out of the coat each day comes off what stands and what falls. */
function withBrushing({ book, learnt }: Facts, { homesBrush }: YearChange): Facts {
  if (!homesBrush) return { book, learnt };
  const careOf = new Map(book.dogs.map((d) => [d.id, d.dog.homeCare]));
  const dogs = learnt.dogs.map((tide): DogTide => {
    const care = careOf.get(tide.id) ?? 'none';
    const more = 1 - (1 - homeTakesPerDay('steady')) / (1 - homeTakesPerDay(care));
    if (more <= 0 || (tide.boutsPerWeek ?? 0) >= STEADY_BOUTS) return tide;
    const { keep, fallShare } = tide.coat;
    const kept = keep * (1 - more);
    const less = (row: Levels): Float32Array => {
      const out = new Float32Array(row.length);
      let [was, is] = [tide.coat.storeG, tide.coat.storeG];
      for (let d = 0; d < row.length; d++) {
        const released = Math.max(0, (row[d] ?? 0) - keep * was);
        was = row[d] ?? 0;
        is = kept * is + released;
        out[d] = is;
      }
      return out;
    };
    const { low, likely, high } = tide.bare;
    return {
      ...tide,
      bare: { low: less(low), likely: less(likely), high: less(high) },
      coat: { ...tide.coat, keep: kept, fallShare: (fallShare * (1 - keep)) / (1 - kept) },
    };
  });
  return { book, learnt: { ...learnt, dogs } };
}
/** Bouts a week that count as steady brushing. Common practice: a few minutes every other day. */
const STEADY_BOUTS = 3;

/** Drying is the usual share of a visit, and a stronger dryer leaves a part of it. */
function withDryer(facts: Facts, { strongerDryer }: YearChange): Facts {
  if (!strongerDryer) return facts;
  const left = 1 - USUAL_SHARES.drying * (1 - STRONGER_LEAVES);
  const dogs = facts.book.dogs.map((d) => ({ ...d, minutesAt: d.minutesAt.map((m) => m * left) }));
  return withBook(facts, { dogs });
}

/** Everybody of the house works on one day more. */
function withOpenDay(facts: Facts, { openWeekday }: YearChange): Facts {
  const { book } = facts;
  if (openWeekday === null || book.openWeekdays.includes(openWeekday)) return facts;
  const openWeekdays = [...book.openWeekdays, openWeekday].sort((a, b) => a - b);
  const people = (book.roster?.people ?? []).map((p) => ({
    ...p,
    weekdays: [...new Set([...p.weekdays, openWeekday])],
  }));
  return withPeople(facts, openWeekdays, people, openWeekdays.length / Math.max(1, book.openWeekdays.length));
}

/** One more person who does all, on the days that have the fewest hours by now. */
function withHands(facts: Facts, { handDays }: YearChange): Facts {
  const { book } = facts;
  const days = Math.min(handDays, book.openWeekdays.length);
  if (days === 0) return facts;
  const people = book.roster?.people ?? [];
  const first = people[0];
  if (!first) return withPeople(facts, book.openWeekdays, [], 1 + days / Math.max(1, book.openWeekdays.length));
  const hoursOn = (w: number): number => weekMinutes(people, [w]);
  const weekdays = [...book.openWeekdays].sort((a, b) => hoursOn(a) - hoursOn(b) || a - b).slice(0, days);
  const more: RosterPerson = { ...first, id: 'one-more', weekdays, can: STAGE_KINDS };
  return withPeople(facts, book.openWeekdays, [...people, more], 1);
}

/** Other people or days; of their hours as much goes to this work as before. Without a roster the week grows by `grows`. */
function withPeople(
  facts: Facts,
  openWeekdays: readonly number[],
  people: readonly RosterPerson[],
  grows: number,
): Facts {
  const { book } = facts;
  const before = weekMinutes(book.roster?.people ?? [], book.openWeekdays);
  const factor = before > 0 ? weekMinutes(people, openWeekdays) / before : grows;
  const roster = book.roster && { ...book.roster, people };
  return withBook(facts, { openWeekdays, roster, minutesPerWeek: book.minutesPerWeek * factor });
}

/** What a planned year comes to. */
export interface YearOutcome {
  readonly dogs: number;
  readonly visits: number;
  /** Minutes at the table, and beyond the hours that are planned with. */
  readonly labour: number;
  readonly overtime: number;
  /** Days whose hours are filled to within a twentieth, and days of coats that stand packed. */
  readonly fullDays: number;
  readonly packedDays: number;
  readonly incomeCents: number;
  /** Grams on owners' floors. */
  readonly homeG: number;
  readonly hours: number;
  readonly weeks: readonly PlannedWeek[];
  readonly noDay: number;
  readonly cost: number;
  readonly bound: number;
}

/** A day is full when it has no more than this share of its hours left. */
const FULL = 0.95;

/** What the plan of a year comes to; from: the day on which the tide was learnt. */
export function yearOutcome(
  { dogs, members, hours, noDay }: YearOf,
  plan: BookPlan,
  book: YearBook,
  from: Day,
): YearOutcome {
  const { load, ...all } = account(dogs, plan.visits, hours, WORTH);
  const lastDay = lastDayOf(hours);
  const apartOf = new Map(book.dogs.map((d) => [d.id, d.apart]));
  const incomeCents = sum(
    dogs.map((dog, i) => {
      const apart = (members[i] ?? []).map((id) => apartOf.get(id));
      const [minutes, cents] = [sum(apart.map((a) => a?.minutes ?? 0)), sum(apart.map((a) => a?.cents ?? 0))];
      const { minutes: worked } = dogAccount(dog, plan.visits[i] ?? [], lastDay, WORTH);
      return sum(worked.map((m) => priceCents(Math.max(0, m - minutes), book.rates) + cents));
    }),
  );
  return {
    dogs: sum(members.map((m) => m.length)),
    visits: all.visits,
    labour: all.labour,
    overtime: all.overtime,
    packedDays: all.packedDays,
    homeG: all.homeG,
    fullDays: [...load].filter((l, d) => (hours.minutes[d] ?? 0) > 0 && l >= FULL * (hours.minutes[d] ?? 0)).length,
    incomeCents,
    hours: sum([...hours.minutes]),
    weeks: weeksFilled(from, hours, new Float64Array(load.length), load),
    noDay: noDay.length,
    cost: plan.cost,
    bound: plan.bound,
  };
}

/** So many of the fullest days are laid with a tub more and without. */
const FULLEST = 5;
/** Few tries: what a tub does shows at once. */
const EFFORT = { ...DAY_EFFORT, triesPerPair: 10, fewestTries: 2_000, mostTries: 4_000 };
const ANY = { from: 0, to: 1440 };

/**
 * How much sooner the last dog would be done on the fullest planned days with one tub more, minutes: a year counts people's
 * minutes, so that what a tub does shows on the days alone. Owners are taken to come whenever it suits; 0 where nobody comes.
 */
export function soonerWithTub(
  { dogs, hours }: YearOf,
  plan: BookPlan,
  book: YearBook,
  from: Day,
  room: { readonly places: readonly DayPlace[]; readonly house: Pick<HouseRules, 'hours' | 'tables'> },
): number {
  const { load } = account(dogs, plan.visits, hours, WORTH);
  const days = [...load.keys()].filter((d) => (load[d] ?? 0) > 0);
  const fullest = days.sort((a, b) => (load[b] ?? 0) - (load[a] ?? 0) || a - b).slice(0, FULLEST);
  const tub: DayPlace = { id: 'tub-more', kind: 'tub' };
  const roster = book.roster ?? { people: [], away: [] };
  const minutesOf = dogs.map((dog, i) => dogAccount(dog, plan.visits[i] ?? [], lastDayOf(hours), WORTH).minutes);
  const gains = fullest.map((d) => {
    const visits = dogs.flatMap((dog, i): readonly DayVisit[] => {
      const k = (plan.visits[i] ?? []).indexOf(d);
      const minutes = Math.round(minutesOf[i]?.[k] ?? 0);
      return minutes > 0
        ? [{ id: dog.id, dogId: dog.id, weightKg: 0, stages: usualStages(minutes, undefined), arrive: ANY, leave: ANY }]
        : [];
    });
    const house = { ...room.house, openWeekdays: book.openWeekdays };
    const people = dayPeople(roster, house, addDays(from, d)).map(({ name: _, ...p }) => p);
    const asked: DayAsked = { people, places: room.places, visits, apart: [], pins: [], begun: [], paused: [], now: 0 };
    if (stagesWithoutHands(asked).length > 0) return 0;
    const before = planDay(asked, DAY_WORTH, EFFORT);
    return before.ends - planDay({ ...asked, places: [...room.places, tub] }, DAY_WORTH, EFFORT, before).ends;
  });
  return gains.length > 0 ? mean(gains) : 0;
}
