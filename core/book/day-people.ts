/** Who works on a day, as its sheet needs them: the roster's people, or a pair of hands for each table where nobody is named. */
import { STAGE_KINDS, type DayPerson } from '../day/index.ts';
import type { HouseRules } from '../kit/index.ts';
import type { Day } from '../quantity/index.ts';
import { atWork, isClosed, type Roster } from './roster.ts';

/** Pauses as is common practice. */
const UNNAMED_PAUSE = { minutes: 30, within: { from: 11 * 60, to: 15 * 60 } };
/** Heavy dogs that hands without a name lift: as many as come. */
const NO_LIMIT = 50;

export type NamedPerson = DayPerson & { readonly name: string };

/** In the roster's order; nobody on a closed day. */
export function dayPeople(
  roster: Roster,
  house: Pick<HouseRules, 'openWeekdays' | 'hours' | 'tables'>,
  on: Day,
): readonly NamedPerson[] {
  if (roster.people.length > 0)
    return atWork(roster, house.openWeekdays, on).map((p) => ({
      id: p.id,
      name: p.name,
      hours: { from: p.from, to: p.to },
      can: p.can,
      pauses: p.pause.minutes > 0 ? [{ minutes: p.pause.minutes, within: { from: p.pause.from, to: p.pause.to } }] : [],
      mostHeavy: p.mostHeavy,
      protectDb: p.protectDb,
    }));
  if (isClosed(roster, house.openWeekdays, on)) return [];
  return Array.from({ length: house.tables }, (_, i) => ({
    id: `hands-${i + 1}`,
    name: `Hands ${i + 1}`,
    hours: { from: house.hours.openMinute, to: house.hours.closeMinute },
    can: STAGE_KINDS,
    pauses: [UNNAMED_PAUSE],
    mostHeavy: NO_LIMIT,
    protectDb: 0,
  }));
}
