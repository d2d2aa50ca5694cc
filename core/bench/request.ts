/** What a plan is asked from: the dog, its check, the kit and the house, and what the log has taught. */
import type { CoatCheck } from '../check/index.ts';
import type { ClipOrder, Dog } from '../dog/index.ts';
import type { HouseRules, Tool, ToolKind } from '../kit/index.ts';
import type { Crew } from './crew.ts';
import type { Figures } from './figures.ts';

/** What is known of a ratio measured : planned. */
export interface Ratio {
  /** Most likely ratio; 1 where nothing was measured. */
  readonly mean: number;
  /** Squared relative doubt about it: variance over mean squared. */
  readonly doubt: number;
  readonly seen: number;
}

/** What the log has taught: pace by kind of tool for the person who works, and grams for this dog. */
export interface Learnt {
  readonly pace: Partial<Readonly<Record<ToolKind, Ratio>>>;
  readonly grams?: Ratio | undefined;
}

export interface PlanRequest {
  readonly dog: Dog;
  readonly check: CoatCheck;
  readonly kit: readonly Tool[];
  readonly house: HouseRules;
  /** The orders to clip that hold, where there are any. */
  readonly clipOrders?: readonly ClipOrder[] | undefined;
  /** Days since the last bath, where it is known. */
  readonly daysSinceBath?: number | undefined;
  /** Who works, and how the dog is held. */
  readonly crew?: Crew | undefined;
  /** Minutes that there are for this visit, where the book leaves fewer than the work asks. */
  readonly appointmentMinutes?: number | undefined;
  /** What the log has taught about this house's hands. */
  readonly learnt?: Learnt | undefined;
  readonly figures?: Figures | undefined;
}
