/** A day that is offered to an owner: whether the dog can come on it, and the first start on it that suits everybody. */
import type { DogRecord } from '../../contract/dog.ts';
import type { SalonRecord } from '../../contract/salon.ts';
import { ANY_TIME, atWork, dayRefusals, freeStarts, type DayRefusal, type Roster } from '../../core/book/index.ts';
import { formatDay, type Day } from '../../core/quantity/index.ts';
import type { AppContext } from '../context.ts';
import { Problem } from '../problem.ts';
import { isoMinute, salonInstant } from '../salon-time.ts';
import { takenOn } from './taken.ts';

const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;
const clock = (minute: number): string =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;

function sentence(r: DayRefusal): string {
  switch (r.code) {
    case 'closed':
      return r.reason ? `The salon is closed that day: ${r.reason}.` : 'The salon is closed that day.';
    case 'nobody':
      return 'Nobody works that day.';
    case 'owner':
      return `The owner comes on ${r.weekdays.map((w) => WEEKDAYS[w - 1]).join(' or ')}.`;
    case 'owner-hours':
      return `Nobody works between ${clock(r.from)} and ${clock(r.to)}, when the owner can come.`;
    case 'nobody-does':
      return `Nobody there does this: ${r.stages.join(', ')}.`;
    case 'person':
      return `${r.name} is not there that day.`;
  }
}

/** Dogs that this one must not meet. */
const apartFrom = ({ stores }: AppContext, dogId: string): ReadonlySet<string> =>
  new Set(stores.roster.apart().flatMap(({ a, b }) => (a === dogId ? [b] : b === dogId ? [a] : [])));

/** Starts on a day, or what stands against all of it. */
export interface StartsOn {
  readonly starts: readonly string[];
  readonly against: string | null;
}

/**
 * The starts on this very day at which a table is free, the owner can come, somebody who may work the dog is there
 * throughout, and no dog that it must not meet.
 */
export function startsOn(context: AppContext, salon: SalonRecord, dog: DogRecord, on: Day, minutes: number): StartsOn {
  const { stores } = context;
  const roster: Roster = { people: stores.roster.people(), away: stores.roster.away(on) };
  const wish = stores.roster.wishes().get(dog.id) ?? ANY_TIME;
  const { openWeekdays, hours, tables } = salon.house;
  const refuse = (why: string): StartsOn => ({ starts: [], against: why });
  const [first] = dayRefusals(roster, openWeekdays, on, wish);
  if (first) return refuse(sentence(first));

  const wished = roster.people.find((p) => p.id === wish.person);
  const there = atWork(roster, openWeekdays, on).filter((p) => !wished || p.id === wished.id);
  const booked = takenOn(context, salon, on, { dogId: dog.id });
  const now = isoMinute(context.nowMs());
  const free = freeStarts(minutes, booked, hours, tables).filter((s) => salonInstant(on, s, salon.timeZone) > now);
  if (free.length === 0) return refuse(`No table is free for ${minutes} minutes.`);
  const suits = free.filter(
    (s) =>
      s >= wish.from &&
      s <= wish.to &&
      (roster.people.length === 0 || there.some((p) => p.from <= s && s + minutes <= p.to)),
  );
  if (suits.length === 0)
    return refuse(`Nobody works for ${minutes} minutes at a time when a table is free and the owner can come.`);
  const apart = apartFrom(context, dog.id);
  const met = (s: number): boolean =>
    booked.some((b) => apart.has(b.dogId) && s < b.start + b.minutes && b.start < s + minutes);
  const starts = suits.filter((s) => !met(s));
  if (starts.length === 0) {
    const names = booked.flatMap((b) => (apart.has(b.dogId) ? (stores.dogs.find(b.dogId)?.name ?? []) : []));
    return refuse(`It would meet ${names.join(' and ')}, and they must not.`);
  }
  return { starts: starts.map((s) => salonInstant(on, s, salon.timeZone)), against: null };
}

/** The first of them, or the one that was offered. Throws a Problem of 409 that says what stands against it. */
export function startOn(
  context: AppContext,
  salon: SalonRecord,
  dog: DogRecord,
  on: Day,
  minutes: number,
  offered?: string,
): string {
  const { starts, against } = startsOn(context, salon, dog, on, minutes);
  if (against !== null)
    throw new Problem(409, 'day', `${dog.name} cannot come on ${formatDay(on)}. ${against} Choose another day.`);
  const start = starts.find((s) => offered === undefined || s === offered);
  if (start === undefined)
    throw new Problem(409, 'startsAt', `${dog.name} cannot come at that time any more. Choose another.`);
  return start;
}
