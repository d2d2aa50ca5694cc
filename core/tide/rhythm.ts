/** How long a dog of this coat may wait between visits, as its house takes it, and on which days that house is open. */
import { addDays, isoWeekday, type Day } from '../quantity/index.ts';
import { coatRow, type Dog } from '../dog/index.ts';
import type { Quarrels } from '../kit/index.ts';
import type { HomeCare } from './home-care.ts';

/**
 * The longest interval of a coat by what the home does. Common practice: 4–6 weeks where it does nothing, 8–12 where it does
 * its share; between the two the coat's own.
 */
const LONGEST_BY_COAT: Readonly<Record<HomeCare, (coatDays: number) => number>> = {
  none: (coatDays) => Math.min(coatDays, 42),
  some: (coatDays) => coatDays,
  steady: (coatDays) => Math.min(84, coatDays + 28),
};
/** Four to six weeks whatever the home does; up to twelve where it does its share. Common practice. */
const FOUR_TO_SIX = { shortest: 28, longest: 42 };
const HOME_SHARE_LONGEST: Readonly<Record<HomeCare, number>> = { none: 42, some: 63, steady: 84 };

/** The shortest and longest interval for this dog in days, in a house that took this side. */
export function rhythm(
  dog: Pick<Dog, 'coatClass' | 'traits'>,
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
    : { shortest, longest: LONGEST_BY_COAT[homeCare](longest) };
}

/** The first day from `from` on whose ISO weekday is open. */
export function nextOpenDay(from: Day, openWeekdays: readonly number[]): Day {
  for (let i = 0; i < 7; i++) {
    const candidate = addDays(from, i);
    if (openWeekdays.includes(isoWeekday(candidate))) return candidate;
  }
  throw new RangeError('a salon is open on at least one weekday, 1 Monday to 7 Sunday');
}
