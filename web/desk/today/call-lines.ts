/** Whom to ring today, one line a dog and one call a household: who agreed to a day that is closed now, who is due, who has not agreed. */
import type { BookingRecord } from '../../../contract/booking.ts';
import type { OffersPage } from '../../../contract/offer.ts';
import type { CallOutcome, CallRecord } from '../../../contract/roster.ts';
import type { TideFile } from '../../../contract/tide.ts';
import { isClosed, secondDay, type BookSummary, type PlannedVisit } from '../../../core/book/index.ts';
import { addDays, day, parseDay, type Day } from '../../../core/quantity/index.ts';
import { callList, type Call, type LearntBook } from '../../../core/tide/index.ts';
import { dateOf } from '../../words/dates.ts';

/** After an answer the dog is left alone for so many days; who could not be reached is tried again tomorrow. */
const QUIET: Readonly<Record<CallOutcome, number>> = { agreed: 1, 'no-answer': 1, later: 4, declined: 28 };

export interface DueLine {
  readonly kind: 'due';
  readonly dogId: string;
  readonly call: Call;
  readonly visit: PlannedVisit | undefined;
  readonly dates: readonly [Day, Day];
}
export interface StandingLine {
  readonly kind: 'standing';
  readonly dogId: string;
  readonly booking: BookingRecord;
  readonly why: string;
}
export type CallLine = DueLine | StandingLine;

export interface CallFacts {
  readonly file: TideFile;
  readonly learnt: LearntBook;
  readonly plan: BookSummary;
  readonly bookings: readonly BookingRecord[];
  readonly calls: readonly CallRecord[];
  readonly offers: OffersPage | undefined;
  readonly timeZone: string;
}

/** The most pressing first. Who was rung lately, and for whom dates are held, is not in it. */
export function callLines({ file, learnt, plan, bookings, calls, offers, timeZone }: CallFacts): readonly CallLine[] {
  const quiet = new Set(
    calls.filter((c) => (parseDay(c.day) ?? day(0)) + QUIET[c.outcome] > learnt.from).map((c) => c.dogId),
  );
  const offered = new Set([...(offers?.held ?? []), ...(offers?.ring ?? [])].map((o) => o.dogId));
  const roster = file.roster ?? { people: [], away: [] };
  const ahead = bookings.flatMap((booking) => {
    const on = parseDay(dateOf(booking.startsAt, timeZone));
    return on === undefined || on <= learnt.from || quiet.has(booking.dogId) ? [] : [{ booking, on }];
  });
  const standing = (those: typeof ahead, why: string): readonly CallLine[] =>
    those.map(({ booking }) => ({ kind: 'standing', dogId: booking.dogId, booking, why }));
  const due = callList(file, learnt)
    .filter(
      (c) =>
        !quiet.has(c.dog.id) &&
        !offered.has(c.dog.id) &&
        !bookings.some((b) => b.dogId === c.dog.id && b.service === 'coat'),
    )
    .map((call): CallLine => {
      const visit = plan.visits.find((v) => v.dogId === call.dog.id && !v.agreed);
      const first = visit?.day ?? call.outlook.due.offer;
      const dates = [first, secondDay(visit, first) ?? addDays(first, 7)] as const;
      return { kind: 'due', dogId: call.dog.id, call, visit, dates };
    });
  return [
    ...standing(
      ahead.filter(({ booking, on }) => booking.agreed && isClosed(roster, file.openWeekdays, on)),
      'The salon is closed that day. Ask for another.',
    ),
    ...due,
    ...standing(
      ahead.filter(({ booking }) => !booking.agreed),
      'Held for them, and not agreed yet.',
    ),
  ];
}

/** Lines of one household: one number, one call. */
export interface HouseholdCall {
  readonly key: string;
  readonly lines: readonly CallLine[];
}

/** Lines by household, each at the place of its most pressing one. keyOf: the same for dogs of one owner. */
export function byHousehold(lines: readonly CallLine[], keyOf: (dogId: string) => string): readonly HouseholdCall[] {
  const calls = new Map<string, CallLine[]>();
  for (const line of lines) {
    const key = keyOf(line.dogId);
    const own = calls.get(key);
    if (own) own.push(line);
    else calls.set(key, [line]);
  }
  return [...calls].map(([key, own]) => ({ key, lines: own }));
}
