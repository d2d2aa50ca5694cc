/** Decides who works on a day, and how many minutes that is. */
import { isoWeekday, sum, type Day } from '../quantity/index.ts';
import { STAGE_KINDS, type StageKind } from '../day/index.ts';

export interface RosterPerson {
  readonly id: string;
  readonly name: string;
  /** ISO weekdays, 1 Monday to 7 Sunday. */
  readonly weekdays: readonly number[];
  /** Minutes after midnight. */
  readonly from: number;
  readonly to: number;
  /** A pause of so many minutes, begun and ended within; 0: none. */
  readonly pause: { readonly minutes: number; readonly from: number; readonly to: number };
  readonly can: readonly StageKind[];
  /** Heavy dogs that they bathe in a day at most. */
  readonly mostHeavy: number;
  /** Decibels that their ear protection takes off. */
  readonly protectDb: number;
}
/** Somebody away, or nobody in particular: the salon closed. Both days count. */
export interface Absence {
  readonly id: string;
  readonly person: string | null;
  readonly from: Day;
  readonly to: Day;
  readonly reason: string;
}
export interface Roster {
  readonly people: readonly RosterPerson[];
  readonly away: readonly Absence[];
}

const within = (a: Absence, on: Day): boolean => a.from <= on && on <= a.to;

/** Is the salon closed on a day, for a reason or by its week. */
export const isClosed = ({ away }: Pick<Roster, 'away'>, openWeekdays: readonly number[], on: Day): boolean =>
  !openWeekdays.includes(isoWeekday(on)) || away.some((a) => a.person === null && within(a, on));

/** Who works on a day, in the roster's order; nobody where the salon is closed. */
export const atWork = (roster: Roster, openWeekdays: readonly number[], on: Day): readonly RosterPerson[] =>
  isClosed(roster, openWeekdays, on)
    ? []
    : roster.people.filter(
        (p) => p.weekdays.includes(isoWeekday(on)) && !roster.away.some((a) => a.person === p.id && within(a, on)),
      );

/** Minutes that a person works on a day that they are there. */
const workedMinutes = ({ from, to, pause }: RosterPerson): number => Math.max(0, to - from - pause.minutes);

/** Minutes of work that a day has. */
export const workMinutes = (roster: Roster, openWeekdays: readonly number[], on: Day): number =>
  atWork(roster, openWeekdays, on).reduce((t, p) => t + workedMinutes(p), 0);

/** Minutes of a usual week, nobody away. */
export const weekMinutes = (people: readonly RosterPerson[], openWeekdays: readonly number[]): number =>
  sum(people.map((p) => workedMinutes(p) * p.weekdays.filter((w) => openWeekdays.includes(w)).length));

/** What an owner wishes of visits; empty weekdays: any day. */
export interface VisitWish {
  readonly weekdays: readonly number[];
  /** They can bring the dog from and to, minutes after midnight. */
  readonly from: number;
  readonly to: number;
  /** Visits a year that they pay for; null: as many as are worth it. */
  readonly mostVisits: number | null;
  /** Dogs with the same word here come together; empty: alone. */
  readonly household: string;
  /** Who is to work the dog. */
  readonly person: string | null;
}
export const ANY_TIME: VisitWish = { weekdays: [], from: 0, to: 1440, mostVisits: null, household: '', person: null };

/** Somebody is there for an owner's hours where these and theirs share so many minutes. Guess. */
const LEAST_MINUTES = 30;

/** Why a dog cannot come on a day, as the house and its people are and its owner wishes. */
export type DayRefusal =
  | { readonly code: 'closed'; readonly reason: string | undefined }
  | { readonly code: 'nobody' }
  | { readonly code: 'owner'; readonly weekdays: readonly number[] }
  /** Nobody works in the hours in which the owner can bring it. */
  | { readonly code: 'owner-hours'; readonly from: number; readonly to: number }
  /** Nobody who is there does these, and somebody of the house does. */
  | { readonly code: 'nobody-does'; readonly stages: readonly StageKind[] }
  /** Whom the owner wishes for is not there. */
  | { readonly code: 'person'; readonly name: string };

/** All that stands against a day. What nobody of the roster does, this house does not do; without a roster everybody does all. */
export function dayRefusals(
  roster: Roster,
  openWeekdays: readonly number[],
  on: Day,
  wish: VisitWish,
): readonly DayRefusal[] {
  const { people, away } = roster;
  const found: DayRefusal[] = [];
  const closed = isClosed(roster, openWeekdays, on);
  const there = atWork(roster, openWeekdays, on);
  if (closed) found.push({ code: 'closed', reason: away.find((a) => a.person === null && within(a, on))?.reason });
  else if (people.length > 0 && there.length === 0) found.push({ code: 'nobody' });
  if (wish.weekdays.length > 0 && !wish.weekdays.includes(isoWeekday(on)))
    found.push({ code: 'owner', weekdays: wish.weekdays });
  if (there.length === 0) return found;
  if (!there.some((p) => Math.min(p.to, wish.to) - Math.max(p.from, wish.from) >= LEAST_MINUTES))
    found.push({ code: 'owner-hours', from: wish.from, to: wish.to });
  const does = (of: readonly RosterPerson[], k: StageKind): boolean => of.some((p) => p.can.includes(k));
  const stages = STAGE_KINDS.filter((k) => does(people, k) && !does(there, k));
  if (stages.length > 0) found.push({ code: 'nobody-does', stages });
  const wished = people.find((p) => p.id === wish.person);
  if (wished && !there.includes(wished)) found.push({ code: 'person', name: wished.name });
  return found;
}
