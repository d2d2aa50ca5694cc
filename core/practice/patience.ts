/**
 * How a practice dog bears what is done: strain grows with the minutes it stands, lies and is afraid, and with every
 * pull; rest takes some away. A strained dog shifts, then lies down, then moves away until it has rested. All figures guesses,
 * so scaled that a dog of usual temper bears what the bench says its kind bears.
 */
import { usualStandingMinutes, zone, type Dog, type Region, type ZoneId } from '../dog/index.ts';
import { standingShare, type Crew, type PhaseWork } from '../bench/index.ts';

export const TEMPERS = ['patient', 'fair', 'impatient'] as const;
export type Temper = (typeof TEMPERS)[number];

export const MOODS = ['easy', 'shifts', 'lies', 'away'] as const;
export type Mood = (typeof MOODS)[number];

/** Strain of a minute against a dog of fair temper. */
const TEMPER: Readonly<Record<Temper, number>> = { patient: 0.75, fair: 0.9, impatient: 1.15 };
/** Strain from which a dog is so. */
const FROM: readonly (readonly [Mood, number])[] = [
  ['away', 1.15],
  ['lies', 0.9],
  ['shifts', 0.6],
];
/** A minute lying costs a dog this share of a minute standing. */
const LYING = 0.4;
/** Air and head for dogs that fear them; anything, for a nervous one. */
const FEAR = { dryer: 2, head: 1.6, nervous: 1.15 };
const HEAD: readonly Region[] = ['face', 'ears', 'ruff', 'throat'];
/** Strain of one pull at a tie, of a tool where it must not be, and of skin worked past its limit, each by the zone. */
export const PULL = { tie: 0.02, forbidden: 0.04, skin: 0.05 };
/** Strain that a minute of rest takes, and the share of the visit's worst that no rest takes. */
const REST = { perMinute: 0.03, keeps: 0.35 };
/** A dog that has lain down is turned and coaxed: the clock runs so much slower for hands. */
export const LIES_SLOWS = 1.1;

export const moodOf = (strain: number): Mood => FROM.find(([, from]) => strain >= from)?.[0] ?? 'easy';

/** Strain of so many minutes of one kind of work on these zones. */
export function strainOf(
  dog: Dog,
  temper: Temper,
  work: PhaseWork | 'check',
  minutes: number,
  zones: readonly ZoneId[],
  crew: Crew | undefined,
): number {
  const has = (...traits: Dog['traits']): boolean => traits.some((t) => dog.traits.includes(t));
  const stands = work === 'check' ? 0.5 : standingShare(work, dog, crew);
  const air = work === 'drying' || work === 'air';
  const atHead = zones.some((id) => HEAD.includes(zone(id).region));
  const fear =
    (air && has('dryer-shy', 'head-shy') ? FEAR.dryer : 1) *
    (work !== 'check' && !air && atHead && has('head-shy') ? FEAR.head : 1) *
    (has('nervous') ? FEAR.nervous : 1);
  return (TEMPER[temper] * fear * minutes * (stands + (1 - stands) * LYING)) / usualStandingMinutes(dog);
}

/** Strain after a rest: down, but never under a share of the worst there was. */
export const afterRest = (strain: number, worst: number, minutes: number): number =>
  Math.max(Math.min(strain, worst * REST.keeps), strain - REST.perMinute * minutes);
