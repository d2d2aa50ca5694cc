/**
 * What a salon wants to know of one dog today: what stands in its coat, when it is due and why, what its next visit asks and
 * costs, whether a vet comes first, how badly it needs a date. The one place that answers; every room reads it here.
 */
import { ceilTo, day, type Day, type Interval80 } from '../quantity/index.ts';
import { priceCents } from '../bench/index.ts';
import type { Hold } from '../check/index.ts';
import type { VisitLengths } from '../kit/index.ts';
import { visitNeed, type Need } from './need.ts';
import { dueOf, type Due } from './due.ts';
import type { CoatAhead, StartAhead } from './look-ahead.ts';
import { minutesAtLoad, type BookDog, type BookedVisit, type TideBook } from './tide-book.ts';

export interface Outlook {
  readonly id: string;
  /** Undefined where nobody has felt or worked this coat. */
  readonly due?: Due | undefined;
  readonly booked?: BookedVisit | undefined;
  /** The day of the next visit: as booked, else when the coat is due, today at the soonest. */
  readonly visit: Day;
  /** Loose grams in the coat on that day, minutes of the visit, and its price in hundredths. */
  readonly grams: Interval80;
  readonly minutes: Interval80;
  readonly priceCents: number;
  /** The length at which it would be booked now; moved: it is booked at another that fits no more. */
  readonly length: number;
  readonly moved?: MovedLength | undefined;
  /** Loose grams that stand in the coat today. */
  readonly now: Interval80;
  /** Bouts a week at home that this counts on, where a home notes them. */
  readonly boutsPerWeek?: number | undefined;
  readonly blow: boolean;
  /** The season that runs or comes next. */
  readonly start?: StartAhead | undefined;
  /** What waits for a vet, or is to be left alone. */
  readonly holds: readonly Hold[];
  readonly lastCheck?: Day | undefined;
  readonly lastVisit?: Day | undefined;
  readonly need: Need;
}

/** What an outlook rests on besides the dog and its tide. */
export type OutlookHouse = Pick<TideBook, 'today' | 'openWeekdays' | 'rates' | 'lengths'>;

/** A start so long ago is no longer the season at hand. */
const PAST_SEASON_DAYS = 45;

/** Grams in the coat at the end of a day, if nobody works it before then. from: the day the tide was learnt on. */
export function gramsOn({ bare, now }: Pick<CoatAhead, 'bare' | 'now'>, from: Day, on: Day): Interval80 {
  const i = Math.min(on - from, bare.likely.length) - 1;
  return i < 0 ? now : { low: bare.low[i]!, likely: bare.likely[i]!, high: bare.high[i]! };
}

/** Minutes of a visit of this dog with so many grams in the coat, whole ones. */
const minutesWith = ({ minutesAt }: BookDog, { fullG }: Pick<CoatAhead, 'fullG'>, grams: number): number =>
  Math.round(minutesAtLoad(minutesAt, grams / fullG));

/** What a visit finds in the coat, and the minutes that it takes. */
export type VisitAhead = Pick<Outlook, 'grams' | 'minutes'>;

/** A visit of a dog on a day, if nobody works its coat before then. from: the day its tide was learnt on. */
export function visitOn(dog: BookDog, tide: CoatAhead, from: Day, on: Day): VisitAhead {
  const grams = gramsOn(tide, from, on);
  return {
    grams,
    minutes: {
      low: minutesWith(dog, tide, grams.low),
      likely: minutesWith(dog, tide, grams.likely),
      high: minutesWith(dog, tide, grams.high),
    },
  };
}

/** The length at which a visit of so many minutes is booked: whole steps of the house. */
export const bookedLength = (minutes: number, { step, shortest }: VisitLengths): number =>
  ceilTo(Math.max(minutes, shortest), step);

/** A visit that is likely to take so much longer or shorter than was told, as a share of that, is told again. */
const TOLD_AGAIN = 0.25;

/** A booked visit whose length no longer means what it did. */
export interface MovedLength {
  readonly told: number;
  readonly likely: number;
  /** At which it would be booked now. */
  readonly length: number;
}
function movedLength(
  { minutes, told = minutes }: BookedVisit,
  likely: number,
  lengths: VisitLengths,
): MovedLength | undefined {
  const length = bookedLength(likely, lengths);
  return length !== minutes && Math.abs(likely - told) > TOLD_AGAIN * told ? { told, likely, length } : undefined;
}

const newest = ({ sightings }: BookDog, kind: 'touch' | 'visit', today: Day) =>
  sightings.findLast((s) => s.kind === kind && s.day <= today);

/** How badly a dog needs a date, and what is known of it without any forecast. */
export function needOf(
  dog: BookDog,
  today: Day,
  due: Due | undefined,
): Pick<Outlook, 'holds' | 'lastCheck' | 'lastVisit' | 'booked' | 'need'> {
  const { holds } = dog;
  const lastCheck = newest(dog, 'touch', today)?.day;
  const lastVisit = newest(dog, 'visit', today)?.day;
  const booked = dog.booked.find((b) => b.day >= today);
  const need = visitNeed({
    today,
    lastCheck,
    lastVisit,
    vetFirst: holds.find((h) => !h.seen)?.since,
    due,
    booked: booked?.day,
  });
  return { holds, lastCheck, lastVisit, booked, need };
}

/** The outlook of one dog; from: the day its tide was learnt on, today or the day before. */
export function outlookOf(dog: BookDog, tide: CoatAhead, from: Day, house: OutlookHouse): Outlook {
  const { today } = house;
  const visited = newest(dog, 'visit', today);
  const due = dueOf(dog, tide, house, visited?.kind === 'visit' ? 1 - visited.takes : 0);
  const facts = needOf(dog, today, due);
  const { booked } = facts;
  const visit = booked?.day ?? day(Math.max(today, due?.day ?? today));
  const { grams, minutes } = visitOn(dog, tide, from, visit);
  // What is done around the coat is in the minutes; what the house charges apart is not charged by them.
  const apart = dog.apart ?? { minutes: 0, cents: 0 };
  return {
    id: dog.id,
    due,
    ...facts,
    visit,
    grams,
    minutes,
    priceCents: priceCents(Math.max(0, minutes.likely - apart.minutes), house.rates) + apart.cents,
    length: bookedLength(minutes.likely, house.lengths),
    moved: booked && movedLength(booked, minutes.likely, house.lengths),
    now: tide.now,
    ...(tide.boutsPerWeek !== undefined && { boutsPerWeek: tide.boutsPerWeek }),
    blow: tide.blow,
    start: tide.starts.find((s) => s.tide !== 'life' && s.high > today - PAST_SEASON_DAYS),
  };
}

/** Outlooks of all dogs of a book, by dog. */
export function outlooks(
  book: TideBook,
  { from, dogs }: { readonly from: Day; readonly dogs: readonly CoatAhead[] },
): ReadonlyMap<string, Outlook> {
  const tides = new Map(dogs.map((t) => [t.id, t]));
  return new Map(
    book.dogs.flatMap((dog) => {
      const tide = tides.get(dog.id);
      return tide ? [[dog.id, outlookOf(dog, tide, from, book)] as const] : [];
    }),
  );
}

/** Answers what the next visit of a dog of a book would be on a day; of one that still comes today nothing is said. */
export function nextVisits(
  book: TideBook,
  { from, dogs }: { readonly from: Day; readonly dogs: readonly CoatAhead[] },
): (dogId: string, on: Day) => VisitAhead | undefined {
  const tides = new Map(dogs.map((t) => [t.id, t]));
  const coming = new Map(book.dogs.map((d) => [d.id, d]));
  return (dogId, on) => {
    const [dog, tide] = [coming.get(dogId), tides.get(dogId)];
    return dog && tide && !dog.booked.some((b) => b.day === book.today) ? visitOn(dog, tide, from, on) : undefined;
  };
}
