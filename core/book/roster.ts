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

/** An owner who can bring the dog for less of a day than this cannot bring it, minutes. Guess. */
const LEAST_MINUTES = 30;

/**
 * May a dog with these wishes come on an open day: its weekday, somebody at work in its hours, everything done by somebody
 * who does it, and the person it wishes for. What nobody of the roster does, this house does not do; without a roster
 * everybody does all.
 */
export function mayCome(roster: Roster, openWeekdays: readonly number[], on: Day, wish: VisitWish): boolean {
  if (wish.weekdays.length > 0 && !wish.weekdays.includes(isoWeekday(on))) return false;
  if (roster.people.length === 0) return true;
  const there = atWork(roster, openWeekdays, on);
  if (!there.some((p) => Math.min(p.to, wish.to) - Math.max(p.from, wish.from) >= LEAST_MINUTES)) return false;
  const missing = STAGE_KINDS.some(
    (k) => roster.people.some((p) => p.can.includes(k)) && !there.some((p) => p.can.includes(k)),
  );
  const wished = wish.person !== null && roster.people.some((p) => p.id === wish.person);
  return !missing && (!wished || there.some((p) => p.id === wish.person));
}
