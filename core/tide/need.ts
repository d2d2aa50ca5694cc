/** Decides which dogs most need a visit, and the one reason to say first. */
import { clamp, type Day } from '../quantity/index.ts';
import type { Due } from './due.ts';
import type { TideName } from './seasons.ts';

export type NeedReason =
  | { readonly code: 'never-checked' }
  /** Its log has not been read yet. */
  | { readonly code: 'learning' }
  | { readonly code: 'never-worked'; readonly checked: Day }
  | { readonly code: 'vet-first'; readonly checked: Day }
  | { readonly code: 'overdue'; readonly days: number }
  | { readonly code: 'blow-unbooked'; readonly tide: TideName; readonly due: Day }
  | { readonly code: 'due-soon'; readonly due: Day }
  | { readonly code: 'booked-late'; readonly booked: Day; readonly due: Day }
  | { readonly code: 'booked'; readonly booked: Day }
  | { readonly code: 'rests'; readonly due: Day };

export interface Need {
  /** 0 none … 100 now; only the order matters. */
  readonly urgency: number;
  readonly reason: NeedReason;
}

export interface NeedRequest {
  readonly today: Day;
  readonly lastCheck?: Day | undefined;
  readonly lastVisit?: Day | undefined;
  /** Day of the check that found what a vet should see first, where nothing was worked since. */
  readonly vetFirst: Day | undefined;
  readonly due?: Due | undefined;
  readonly booked?: Day | undefined;
}

const SOON_DAYS = 14;

/** How much a dog needs a visit on a day and why. */
export function visitNeed({ today, lastCheck, lastVisit, vetFirst, due, booked }: NeedRequest): Need {
  if (vetFirst !== undefined) return { urgency: 95, reason: { code: 'vet-first', checked: vetFirst } };
  if (booked !== undefined && due && booked > due.latest) {
    return {
      urgency: 55 + clamp(booked - due.latest, 0, 20) / 2,
      reason: { code: 'booked-late', booked, due: due.day },
    };
  }
  if (booked !== undefined) return { urgency: clamp(20 - (booked - today), 0, 20), reason: { code: 'booked', booked } };
  if (lastVisit === undefined && lastCheck !== undefined)
    return { urgency: 58, reason: { code: 'never-worked', checked: lastCheck } };
  if (!due)
    return lastVisit === undefined
      ? { urgency: 60, reason: { code: 'never-checked' } }
      : { urgency: 40, reason: { code: 'learning' } };
  const late = today - due.day;
  if (late > 0) return { urgency: 70 + clamp(late, 0, 60) / 3, reason: { code: 'overdue', days: late } };
  if (-late > SOON_DAYS) return { urgency: clamp(15 + late / 10, 1, 15), reason: { code: 'rests', due: due.day } };
  const full = due.reasons.find((r) => r.code === 'load');
  return full && full.tide !== 'baseline'
    ? { urgency: 65, reason: { code: 'blow-unbooked', tide: full.tide, due: due.day } }
    : { urgency: 45 + late, reason: { code: 'due-soon', due: due.day } };
}
