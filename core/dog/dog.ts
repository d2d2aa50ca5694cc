/** What is known of a dog before anyone touches it. */
import type { Day } from '../quantity/index.ts';
import type { CoatClass } from './coats.ts';

/** Lasting traits that change what may be done; each is a rule's handle. */
export const DOG_TRAITS = [
  'puppy-coat',
  'senior',
  'neutered',
  'intact',
  'previously-clipped',
  'four-tides',
  'show-coat',
  'head-shy',
  'dryer-shy',
  'short-nosed',
  'sore-joints',
  'skin-trouble',
  'heart-trouble',
  'medicines',
  'nervous',
  'bites',
] as const;
export type DogTrait = (typeof DOG_TRAITS)[number];

export const TRAIT_WORDS: Readonly<Record<DogTrait, string>> = {
  'puppy-coat': 'puppy coat',
  senior: 'senior',
  neutered: 'neutered',
  intact: 'intact',
  'previously-clipped': 'clipped before',
  'four-tides': 'sheds in four waves',
  'show-coat': 'show coat',
  'head-shy': 'head-shy',
  'dryer-shy': 'dryer-shy',
  'short-nosed': 'short-nosed',
  'sore-joints': 'sore joints',
  'skin-trouble': 'skin trouble',
  'heart-trouble': 'heart trouble',
  medicines: 'on medicines',
  nervous: 'nervous',
  bites: 'may bite',
};

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
  /** Minutes of standing this dog bears in one visit, when somebody has noted it. */
  readonly standingMinutes?: number | undefined;
}

/** Usual standing time in minutes when nobody has noted one. Guess. */
export function usualStandingMinutes(dog: Pick<Dog, 'traits' | 'standingMinutes'>): number {
  if (dog.standingMinutes !== undefined) return dog.standingMinutes;
  if (dog.traits.includes('sore-joints') || dog.traits.includes('heart-trouble')) return 60;
  if (dog.traits.includes('puppy-coat')) return 45;
  return dog.traits.includes('senior') ? 90 : 150;
}
