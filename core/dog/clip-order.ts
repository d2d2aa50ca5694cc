/**
 * The exception to never clipping a double coat: a vet's order, or a surgery. It is recorded with who gave it and when, and
 * stands until somebody takes it back; the plan clips those zones and works nothing else there.
 */
import type { Day } from '../quantity/index.ts';
import type { ZoneId } from './zones.ts';

export const CLIP_REASONS = ['vet', 'surgery'] as const;
export type ClipReason = (typeof CLIP_REASONS)[number];

export interface ClipOrder {
  readonly day: Day;
  /** Who gave it, as the salon calls them. */
  readonly who: string;
  readonly why: ClipReason;
  readonly zones: readonly ZoneId[];
}

/** The orders that hold on a day: all that were given by then, each for its own zones. */
export const clipOrdersOn = (orders: readonly ClipOrder[], on: Day): readonly ClipOrder[] =>
  orders.filter((o) => o.day <= on);
