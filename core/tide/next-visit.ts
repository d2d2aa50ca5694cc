/**
 * Decides when a dog should come again, from what was left in its coat and what the season will set free.
 *
 * Loose store, day by day: what was there, less what falls and what the home brushes out, plus the release.
 * The visit is due when the store reaches what a maintained visit takes out, within the rhythm of the coat class.
 */
import { addDays, clamp, isoWeekday, type Day } from '../quantity/index.ts';
import { bodySurfaceM2, coatRow, type Dog } from '../dog/index.ts';
import type { Quarrels } from '../kit/index.ts';
import { HOME_TAKES_PER_WEEK, type HomeCare } from './home-care.ts';
import { releaseCurve } from './prior.ts';
import type { Place, TideName } from './seasons.ts';

/** Weeks that a home doing its share adds to the longest interval. Common practice: 4–6 weeks, 8–12 if maintained. */
const HOME_ADDS_DAYS: Readonly<Record<HomeCare, number>> = { none: 0, some: 14, steady: 35 };
/** Share of the class's full load at which a visit is due: about a finger grade 2 all over. Guess. */
export const DUE_LOAD_SHARE = 0.34;
/** Doubt of the prior release as factors: the 80 % band. Guess. */
const RELEASE_BAND = { low: 0.7, high: 1.45 };
const LONGEST_LOOK_DAYS = 200;

export type NextReason =
  | { readonly code: 'store-full'; readonly grams: number; readonly tide: TideName | 'baseline' }
  | { readonly code: 'rhythm-longest'; readonly days: number }
  | { readonly code: 'rhythm-shortest'; readonly days: number }
  | { readonly code: 'left-last-time'; readonly share: number }
  | { readonly code: 'moved-to-open-day'; readonly days: number };

export interface NextVisit {
  readonly day: Day;
  /** 80 % band: due at the earliest and the latest, before closed days are skipped. */
  readonly earliest: Day;
  readonly latest: Day;
  readonly reasons: readonly NextReason[];
  /** Loose grams expected in the coat on that day. */
  readonly expectedG: number;
}

export interface NextVisitRequest {
  readonly dog: Pick<Dog, 'coatClass' | 'weightKg' | 'outdoorShare' | 'traits'>;
  readonly place: Place;
  /** Day of the last visit, or of the last check when there was none. */
  readonly from: Day;
  /** Loose grams left in the coat at the end of that day. */
  readonly leftG: number;
  /** Share of what was found then that was left, 0..1; undefined when nothing was worked that day. */
  readonly leftShare: number | undefined;
  readonly homeCare: HomeCare;
  readonly openWeekdays: readonly number[];
  /** The house's side in how long a dog may wait; as the coat asks when left out. */
  readonly rhythm?: Quarrels['rhythm'] | undefined;
}

/** Loose grams at which a visit of this dog is due. */
export const dueLoadG = (dog: Pick<Dog, 'coatClass' | 'weightKg'>): number =>
  coatRow(dog.coatClass).fullLoadGPerM2 * bodySurfaceM2(dog.weightKg) * DUE_LOAD_SHARE;

/** Loose store in grams at the end of each day after the start, first element one day on. */
export function looseStore(
  gramsPerDay: Float64Array,
  startG: number,
  fallPerDay: number,
  homeCare: HomeCare,
  releaseFactor = 1,
): Float64Array {
  const keep = (1 - fallPerDay) * (1 - HOME_TAKES_PER_WEEK[homeCare]) ** (1 / 7);
  const store = new Float64Array(gramsPerDay.length);
  let grams = startG;
  for (const [i, released] of gramsPerDay.entries()) {
    grams = grams * keep + released * releaseFactor;
    store[i] = grams;
  }
  return store;
}

/** Four to six weeks whatever the home does; up to twelve where it does its share. Common practice. */
const FOUR_TO_SIX = { shortest: 28, longest: 42 };
const HOME_SHARE_LONGEST: Readonly<Record<HomeCare, number>> = { none: 42, some: 63, steady: 84 };

/** The shortest and longest interval for this dog in days, in a house that took this side. */
export function rhythm(
  dog: NextVisitRequest['dog'],
  homeCare: HomeCare,
  side: Quarrels['rhythm'] = 'by-coat',
): { shortest: number; longest: number } {
  const { shortest, longest } = coatRow(dog.coatClass).rhythmDays;
  const young = dog.traits.includes('puppy-coat');
  // Dead fluff felts into the new coat: puppies come more often.
  if (!young && side === 'four-to-six') return FOUR_TO_SIX;
  if (!young && side === 'home-share') return { shortest, longest: HOME_SHARE_LONGEST[homeCare] };
  return young
    ? { shortest: Math.round(shortest * 0.6), longest: Math.round(longest * 0.6) }
    : { shortest, longest: longest + HOME_ADDS_DAYS[homeCare] };
}

/** When to come again and why. Throws RangeError when openWeekdays holds no weekday 1..7. */
export function nextVisit(request: NextVisitRequest): NextVisit {
  const { dog, place, from, homeCare } = request;
  // Skin that was not worked needs no rest: a dog that was only checked may come at once.
  const usual = rhythm(dog, homeCare, request.rhythm);
  const limits = request.leftShare === undefined ? { ...usual, shortest: 0 } : usual;
  const curve = releaseCurve(dog, place, addDays(from, 1), LONGEST_LOOK_DAYS);
  const due = dueLoadG(dog);
  const fall = coatRow(dog.coatClass).fallPerDay;
  const storeAt = (factor: number): Float64Array =>
    looseStore(curve.gramsPerDay, request.leftG, fall, homeCare, factor);
  const fullAfter = (store: Float64Array): number => {
    const i = store.findIndex((grams) => grams >= due);
    return i < 0 ? Infinity : i + 1;
  };
  const store = storeAt(1);
  const full = fullAfter(store);
  const within = (days: number): number => clamp(days, limits.shortest, limits.longest);

  const wanted = within(full);
  const open = nextOpenDay(addDays(from, wanted), request.openWeekdays);
  const reasons: NextReason[] = [];
  if (full > limits.longest) reasons.push({ code: 'rhythm-longest', days: limits.longest });
  else reasons.push({ code: 'store-full', grams: due, tide: tideBehind(curve.pulses, addDays(from, full)) });
  if (full < limits.shortest) reasons.push({ code: 'rhythm-shortest', days: limits.shortest });
  if (request.leftShare !== undefined && request.leftShare > 0.2)
    reasons.push({ code: 'left-last-time', share: request.leftShare });
  if (open > from + wanted) reasons.push({ code: 'moved-to-open-day', days: open - from - wanted });
  return {
    day: open,
    earliest: addDays(from, within(fullAfter(storeAt(RELEASE_BAND.high)))),
    latest: addDays(from, within(fullAfter(storeAt(RELEASE_BAND.low)))),
    reasons,
    expectedG: store[Math.min(open - from, store.length) - 1] ?? request.leftG,
  };
}

/** The tide that is running on a day, or the baseline. */
export function tideBehind(
  pulses: readonly { readonly tide: TideName; readonly onset: Day; readonly lengthDays: number }[],
  on: Day,
): TideName | 'baseline' {
  const running = pulses.find((p) => on >= p.onset && on <= p.onset + p.lengthDays);
  return running?.tide ?? 'baseline';
}

/** The first day from `from` on whose ISO weekday is open. */
export function nextOpenDay(from: Day, openWeekdays: readonly number[]): Day {
  for (let i = 0; i < 7; i++) {
    const candidate = addDays(from, i);
    if (openWeekdays.includes(isoWeekday(candidate))) return candidate;
  }
  throw new RangeError('a salon is open on at least one weekday, 1 Monday to 7 Sunday');
}
