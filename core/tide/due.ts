/** When a coat is due and why: how it fills, kept within the rhythm of the dog and what the last check found. */
import { addDays, day, type Day } from '../quantity/index.ts';
import { DUE_LOAD_SHARE, dueAfter } from './filling.ts';
import { type CoatAhead } from './look-ahead.ts';
import { nextOpenDay } from './rhythm.ts';
import type { TideName } from './seasons.ts';
import type { BookDog, TideBook } from './tide-book.ts';

export type DueReason =
  | { readonly code: 'load'; readonly share: number; readonly tide: TideName | 'baseline' }
  | { readonly code: 'longest'; readonly days: number }
  | { readonly code: 'rest'; readonly days: number }
  | { readonly code: 'packed'; readonly found: Day }
  /** Days sooner (+) or later (−) by the season, and by what the home brushes. */
  | { readonly code: 'season'; readonly days: number }
  | { readonly code: 'home'; readonly days: number }
  | { readonly code: 'left-last-time'; readonly share: number };

export interface Due {
  /** The day on which the coat was or will be due; 80 % band. */
  readonly day: Day;
  readonly earliest: Day;
  readonly latest: Day;
  readonly reasons: readonly DueReason[];
  /** The first open day from then on that is still ahead. */
  readonly offer: Day;
}

/** A load that is reached from so long before a start to so long after it is the blow's. Guess. */
const BLOW_FILLS = { beforeDays: 7, afterDays: 42 };
/** Less left in the coat by the last visit is not worth a word. */
const LEFT_WORTH_SAYING = 0.2;

/** When a dog is due; undefined where nobody has felt or worked its coat. left: share of the loose coat that its last visit left. */
export function dueOf(
  dog: BookDog,
  tide: CoatAhead,
  house: Pick<TideBook, 'today' | 'openWeekdays'>,
  left = 0,
): Due | undefined {
  const { fills, starts } = tide;
  if (!fills) return undefined;
  const dayAfter = (days: number): Day => day(fills.since + Math.round(dueAfter(days, dog, fills)));
  const on = dayAfter(fills.likely);
  const waits = on - fills.since;
  const { shortest, longest } = dog.rhythm;
  const blow = starts.find(
    (s) => on >= s.likely - BLOW_FILLS.beforeDays && on <= s.likely + BLOW_FILLS.afterDays,
  )?.tide;
  const reasons: DueReason[] = [];
  if (dog.found?.packed && dog.found.day === on && waits <= Math.round(fills.likely))
    reasons.push({ code: 'packed', found: dog.found.day });
  else if (fills.worked && waits <= shortest && fills.likely < shortest) reasons.push({ code: 'rest', days: shortest });
  else if (fills.likely > longest) reasons.push({ code: 'longest', days: longest });
  else reasons.push({ code: 'load', share: DUE_LOAD_SHARE, tide: blow && blow !== 'life' ? blow : 'baseline' });
  const bySeason = dayAfter(fills.even) - on;
  const byHome = on - dayAfter(fills.alone);
  if (bySeason !== 0) reasons.push({ code: 'season', days: bySeason });
  if (byHome !== 0) reasons.push({ code: 'home', days: byHome });
  if (left > LEFT_WORTH_SAYING) reasons.push({ code: 'left-last-time', share: left });
  return {
    day: on,
    earliest: dayAfter(fills.low),
    latest: dayAfter(fills.high),
    reasons,
    offer: nextOpenDay(day(Math.max(on, addDays(house.today, 1))), house.openWeekdays),
  };
}
