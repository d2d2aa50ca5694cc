/**
 * What a delay does to the rest of a day: what it comes to if everybody goes on in the order of the sheet, and what a
 * new order would save, told by dog.
 */
import { DAY_WORTH, type DayAsked, type DaySheet, type DayWorth, type Pin } from './asked.ts';
import { ScheduleBuilder } from './schedule-builder.ts';
import { DAY_EFFORT, planDay, type DayEffort } from './plan-day.ts';

/** The sheet's own order, its own people, nothing sooner than it says; what has begun is as it is. */
export function rippled(
  asked: DayAsked,
  before: Pick<DaySheet, 'laid' | 'pauses'>,
  worth: DayWorth = DAY_WORTH,
): DaySheet {
  const builder = new ScheduleBuilder(asked, worth);
  builder.layNotBefore(builder.orderOf(before), builder.startsOf(before));
  return builder.sheet();
}

/** A dog that is ready at another time than the sheet before said. */
export interface Shift {
  readonly visit: string;
  readonly readyBefore: number;
  readonly ready: number;
}
export interface Delay {
  readonly rippled: DaySheet;
  readonly again: DaySheet;
  /** Minutes of cost that a new order saves; 0: the order stays. */
  readonly saves: number;
  /** Of the sheet that is better. */
  readonly shifts: readonly Shift[];
}

/** A day that goes on is searched from where it stands: fewer tries find what helps, and hands wait for the answer. */
export const LATE_EFFORT: DayEffort = { ...DAY_EFFORT, triesPerPair: 40, fewestTries: 10_000, mostTries: 40_000 };

/** A new order has to save so many minutes, or people would be confused for nothing. Guess. */
const WORTH_A_CHANGE = 5;

const readyAt = (sheet: Pick<DaySheet, 'laid'>, visit: string): number | undefined => {
  const mine = sheet.laid.filter((l) => l.visit === visit).map((l) => l.end);
  return mine.length > 0 ? Math.max(...mine) : undefined;
};

/** Dogs whose time to go home is another. */
export const shiftsBetween = (
  asked: DayAsked,
  before: Pick<DaySheet, 'laid'>,
  after: Pick<DaySheet, 'laid'>,
): Shift[] =>
  asked.visits.flatMap(({ id }) => {
    const [was, is] = [readyAt(before, id), readyAt(after, id)];
    return was === undefined || is === undefined || was === is ? [] : [{ visit: id, readyBefore: was, ready: is }];
  });

/** Both answers to a delay. */
export function delayed(
  asked: DayAsked,
  before: Pick<DaySheet, 'laid' | 'pauses'>,
  worth: DayWorth = DAY_WORTH,
  effort: DayEffort = LATE_EFFORT,
): Delay {
  const on = rippled(asked, before, worth);
  const again = planDay(asked, worth, effort, on);
  const gain = on.score.cost - again.score.cost;
  const saves = gain >= WORTH_A_CHANGE ? gain : 0;
  return { rippled: on, again, saves, shifts: shiftsBetween(asked, before, saves > 0 ? again : on) };
}

/** A sheet on which one stage was dragged, all else where it was: to be checked while it is dragged. */
export function dropped(
  asked: DayAsked,
  sheet: Pick<DaySheet, 'laid' | 'pauses'>,
  to: { readonly visit: string; readonly stage: number; readonly start: number; readonly person?: string | undefined },
): Pick<DaySheet, 'laid' | 'pauses'> {
  const visit = asked.visits.find((v) => v.id === to.visit);
  const move = sheet.laid.find((l) => l.visit === to.visit && l.stage === to.stage);
  if (!visit || !move) return sheet;
  // What follows at once comes with it.
  let [from, until] = [to.stage, to.stage];
  while (visit.stages[from]?.atOnce) from--;
  while (visit.stages[until + 1]?.atOnce) until++;
  const by = to.start - move.start;
  return {
    ...sheet,
    laid: sheet.laid.map((l) => {
      if (l.visit !== to.visit || l.stage < from || l.stage > until) return l;
      const person = l.stage === to.stage && l.person !== undefined ? (to.person ?? l.person) : l.person;
      return { ...l, start: l.start + by, end: l.end + by, person };
    }),
  };
}

/** Pins with one more, or another instead of one that stood for the same stage. */
export const pinned = (pins: readonly Pin[], pin: Pin): readonly Pin[] => [
  ...pins.filter((p) => p.visit !== pin.visit || p.stage !== pin.stage),
  pin,
];
