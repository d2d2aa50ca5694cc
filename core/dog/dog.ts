/** What is known of a dog before anyone touches it. */
import type { Day } from '../quantity/index.ts';
import type { CareItem } from './care-items.ts';
import type { CoatClass } from './coats.ts';
import type { DogTrait } from './traits.ts';

export const SEXES = ['female', 'male'] as const;
export type Sex = (typeof SEXES)[number];

/** What the home has to brush with; a subset of tool kinds that owners can be trusted with. */
export interface Dog {
  readonly name: string;
  readonly breed: string;
  readonly sex: Sex;
  readonly born?: Day | undefined;
  readonly coatClass: CoatClass;
  /** Typical weight in kilograms, used until a check weighs the dog. */
  readonly weightKg: number;
  readonly traits: readonly DogTrait[];
  /** Share of life outdoors, 0 lamp light only … 1 kennel; sharpens the tides. */
  readonly outdoorShare: number;
  /** What else is done to it on a visit, as somebody chose last. */
  readonly care?: readonly CareItem[] | undefined;
  /** Minutes of standing this dog bears in one visit, when somebody has noted it. */
  readonly standingMinutes?: number | undefined;
}

/** Minutes a sound dog stands, and one that bears less. Guess. */
const SOUND_DOG_STANDS = 150;
const STANDS_MINUTES: Partial<Readonly<Record<DogTrait, number>>> = {
  'puppy-coat': 45,
  'sore-joints': 60,
  'heart-trouble': 60,
  senior: 90,
};

/** Usual standing time in minutes when nobody has noted one. Guess. */
export function usualStandingMinutes(dog: Pick<Dog, 'traits' | 'standingMinutes'>): number {
  if (dog.standingMinutes !== undefined) return dog.standingMinutes;
  const own = dog.traits.map((t) => STANDS_MINUTES[t] ?? SOUND_DOG_STANDS);
  return Math.min(SOUND_DOG_STANDS, ...own);
}
