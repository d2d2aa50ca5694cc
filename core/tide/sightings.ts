/**
 * What counts as evidence of a coat, and how far each kind is to be trusted.
 * Every figure is a guess in the range of common practice; how well bands hold is measured (docs/model.md).
 */
import { LOAD_BY_FINGER } from '../bench/index.ts';
import type { Day } from '../quantity/index.ts';

/** Hair that came out at home, as owners can tell it. */
export const HOME_AMOUNTS = ['none', 'pinch', 'handful', 'bowl', 'bag'] as const;
export type HomeAmount = (typeof HOME_AMOUNTS)[number];

/** Grams at which one amount ends and the next begins, for an owner of usual hands. Guess. */
export const AMOUNT_BOUNDS_G = [0.6, 3, 13, 55] as const;

export type Sighting =
  /** The five touches of a coat check: means over the dog's surface, 0..4 and 0..3. */
  | {
      readonly kind: 'touch';
      readonly day: Day;
      readonly finger?: number | undefined;
      readonly tug?: number | undefined;
    }
  /** A worked visit: the share of what stood in the coat that it took, and what was weighed, of which share. */
  | {
      readonly kind: 'visit';
      readonly day: Day;
      readonly takes: number;
      readonly weighed?: { readonly grams: number; readonly share: number } | undefined;
    }
  /** A bout at home. */
  | {
      readonly kind: 'brushed';
      readonly day: Day;
      readonly amount?: HomeAmount | undefined;
      readonly grams?: number | undefined;
    }
  /** "It has started." */
  | { readonly kind: 'started'; readonly day: Day };

/** Doubt of the logarithm of a weight: scale, hair on the floor, how far the plan knows what the work took. Guesses. */
export const WEIGHT_SD = 0.22;
export const HOME_WEIGHT_SD = 0.3;
/** Freedom of Student's distribution: the fewer, the less a slip of the pen counts. Guess. */
export const WEIGHT_FREEDOM = 4;
/** A weight is written ten times too large with this chance, or too small. Guess. */
export const SLIPPED_POINT = 0.01;
/** Doubt of the logarithm of the load behind a grade, and of the grams behind an amount. Guesses. */
export const FINGER_SD = 0.4;
export const TUG_SD = 0.6;
export const AMOUNT_SD = 0.45;
/** A share of all grades and amounts says nothing: another hand, another dog, a slip; any of the five may be said then. Guess. */
export const LAPSE = 0.04;
export const LAPSE_SAYS = 0.2;
/** Days between the start of a blow and the owner's word that it has started, and their doubt. Guess. */
export const STARTED_LATE_DAYS = 1;
export const STARTED_SD_DAYS = 4.5;
/** An owner who has said it so far in every season forgets the next one with this chance, and more where fewer were said. */
export const forgets = (said: number, seasons: number): number => 1 - (said + 0.5) / (seasons + 2);
/** So long after a season's usual day silence says nothing any more; so long before it, nothing yet. Guess. */
export const SILENCE_SPEAKS = { beforeDays: 45, afterDays: 75 } as const;

/** Load, as a share of the class's full load, that a tug grade stands for; finger grades as the bench reads them. */
const TUG_LOADS = [0.06, 0.22, 0.5, 0.9] as const;

/** Logarithm of the load of a grade that may lie between two whole ones. */
function logLoad(loads: readonly number[], grade: number): number {
  const at = Math.min(loads.length - 1, Math.max(0, grade));
  const low = Math.floor(at);
  const [a, b] = [loads[low] ?? 1, loads[Math.min(loads.length - 1, low + 1)] ?? 1];
  return Math.log(a) + (at - low) * (Math.log(b) - Math.log(a));
}

/** The logarithms of load between which a mean grade lies; open at the ends of the scale. */
function between(loads: readonly number[], grade: number): { readonly low: number; readonly high: number } {
  const half = 0.25;
  return {
    low: grade <= half ? -Infinity : logLoad(loads, grade - half),
    high: grade >= loads.length - 1 - half ? Infinity : logLoad(loads, grade + half),
  };
}

/** Load, as a share of the class's full load, that a mean finger grade stands for. */
export const loadOfFinger = (grade: number): number => Math.exp(logLoad(LOAD_BY_FINGER, grade));

export const fingerBetween = (grade: number) => between(LOAD_BY_FINGER, grade);
export const tugBetween = (grade: number) => between(TUG_LOADS, grade);

/** The logarithms of grams between which an amount lies, for usual hands. */
export function amountBetween(amount: HomeAmount): { readonly low: number; readonly high: number } {
  const i = HOME_AMOUNTS.indexOf(amount);
  const [low, high] = [AMOUNT_BOUNDS_G[i - 1], AMOUNT_BOUNDS_G[i]];
  return { low: low === undefined ? -Infinity : Math.log(low), high: high === undefined ? Infinity : Math.log(high) };
}
