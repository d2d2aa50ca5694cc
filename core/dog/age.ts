/** What a birthday makes of a dog: a puppy in its first coat, or a senior by its size. Giants age sooner. */
import type { Day } from '../quantity/index.ts';
import type { Dog } from './dog.ts';
import type { DogTrait } from './traits.ts';

const DAYS_PER_YEAR = 365.25;
/** Puppy coat is worn until about here, years. Common practice. */
const FIRST_COAT_YEARS = 1;
/** Dogs over so many kilograms are seniors from so many years. From memory. */
const SENIOR_FROM: readonly { readonly overKg: number; readonly years: number }[] = [
  { overKg: 45, years: 7 },
  { overKg: 25, years: 8 },
  { overKg: 10, years: 10 },
  { overKg: 0, years: 11 },
];

/** Years from a birthday to a day; below 0 before it. */
export const yearsOld = (born: Day, on: Day): number => (on - born) / DAYS_PER_YEAR;

/**
 * The traits of a dog on a day: those that are ticked, and what its birthday makes of it; the ticks alone where somebody
 * has said that they go before it, or nobody knows the birthday.
 */
export function traitsOn(
  { traits, born, weightKg }: Pick<Dog, 'traits' | 'born' | 'weightKg'>,
  on: Day,
): readonly DogTrait[] {
  if (born === undefined || traits.includes('age-as-ticked')) return traits;
  const years = yearsOld(born, on);
  const from = SENIOR_FROM.find((row) => weightKg > row.overKg)?.years ?? Infinity;
  const made: DogTrait | undefined =
    years >= 0 && years < FIRST_COAT_YEARS ? 'puppy-coat' : years >= from ? 'senior' : undefined;
  return made === undefined || traits.includes(made) ? traits : [...traits, made];
}
