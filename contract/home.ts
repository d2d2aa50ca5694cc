/** The owner's card as it travels. */
import type { HomeCard } from '../core/home/index.ts';

export interface HomeCardPage {
  readonly dogId: string;
  readonly dogName: string;
  readonly salonName: string;
  readonly day: string;
  readonly card: HomeCard;
  /** UTC instant of the booked visit, when there is one. */
  readonly bookedAt: string | null;
  readonly timeZone: string;
}
