/** The day's dogs at tub and dryer: what their plans take of water and air, and how loud that air is. */
import type { MethodId } from '../core/bench/index.ts';
import type { CoatClass } from '../core/dog/index.ts';

/** A dryer as a plan uses it on one dog. */
export interface DryerUse {
  readonly toolId: string;
  readonly name: string;
  readonly minutes: number;
  /** Level at the ear, dB(A): measured, or a guess for its kind. */
  readonly dbA: number;
  readonly measured: boolean;
}

export interface DayDog {
  readonly dogId: string;
  readonly name: string;
  readonly startsAt: string;
  readonly weightKg: number;
  readonly coatClass: CoatClass;
  /** The recommended way; null when nothing is known of the coat, or no way is open. */
  readonly method: MethodId | null;
  readonly bathes: boolean;
  readonly dryers: readonly DryerUse[];
}

export interface DayPage {
  readonly today: number;
  readonly timeZone: string;
  readonly dogs: readonly DayDog[];
  /** Dryers on the wall, for what swapping would change. */
  readonly dryers: readonly {
    readonly toolId: string;
    readonly name: string;
    readonly dbA: number;
    readonly measured: boolean;
  }[];
}
