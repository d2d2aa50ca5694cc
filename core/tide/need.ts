/** Decides which dogs most need a visit, and the one reason to say first. */
import { clamp, type Day } from '../quantity/index.ts';
import type { Due } from './due.ts';
import type { TideName } from './seasons.ts';

export type NeedReason =
  | { readonly code: 'never-checked' }
  /** Its log has not been read yet. */
  | { readonly code: 'learning' }
  | { readonly code: 'never-worked'; readonly checked: Day }
  | { readonly code: 'vet-first'; readonly since: Day }
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
  /** The day since which something waits for a vet who has not seen it. */
  readonly vetFirst: Day | undefined;
  readonly due?: Due | undefined;
  readonly booked?: Day | undefined;
}

/** A coat that is due within so many days is worth a date now. Guess: two weeks are as far ahead as most owners are rung. */
const SOON_DAYS = 14;

/** A date that lies no more days than this beyond the due one is left alone. Guess: nobody is asked to move a date for less. */
export const WORTH_ASKING_DAYS = 3;

/**
 * How badly each reason wants a date, 0 none … 100 now; only the order matters. Guesses: what may harm goes first, then what
 * waiting makes dearer, then what nobody knows yet, then what has a date or rests. Two figures: from … to, as it presses.
 */
const URGENCY = {
  'vet-first': 95,
  overdue: { from: 70, to: 90, overDays: 60 },
  'blow-unbooked': 65,
  'never-checked': 60,
  'never-worked': 58,
  'booked-late': { from: 55, to: 65, overDays: 20 },
  'due-soon': { from: 45 - SOON_DAYS, to: 45, overDays: SOON_DAYS },
  learning: 40,
  booked: { from: 0, to: 20, overDays: 20 },
  rests: { from: 1, to: 15 - SOON_DAYS / 10, overDays: 126 },
} as const;

/** An urgency that grows by the day. */
const pressing = (
  { from, to, overDays }: { readonly from: number; readonly to: number; readonly overDays: number },
  days: number,
): number => from + ((to - from) * clamp(days, 0, overDays)) / overDays;

/** How much a dog needs a visit on a day and why. */
export function visitNeed({ today, lastCheck, lastVisit, vetFirst, due, booked }: NeedRequest): Need {
  if (vetFirst !== undefined) return { urgency: URGENCY['vet-first'], reason: { code: 'vet-first', since: vetFirst } };
  if (booked !== undefined && due && booked > Math.max(due.latest, due.day + WORTH_ASKING_DAYS))
    return {
      urgency: pressing(URGENCY['booked-late'], booked - due.latest),
      reason: { code: 'booked-late', booked, due: due.day },
    };
  if (booked !== undefined)
    return {
      urgency: pressing(URGENCY.booked, URGENCY.booked.overDays - (booked - today)),
      reason: { code: 'booked', booked },
    };
  if (lastVisit === undefined && lastCheck !== undefined)
    return { urgency: URGENCY['never-worked'], reason: { code: 'never-worked', checked: lastCheck } };
  if (!due)
    return lastVisit === undefined
      ? { urgency: URGENCY['never-checked'], reason: { code: 'never-checked' } }
      : { urgency: URGENCY.learning, reason: { code: 'learning' } };
  const late = today - due.day;
  if (late > 0) return { urgency: pressing(URGENCY.overdue, late), reason: { code: 'overdue', days: late } };
  if (-late > SOON_DAYS)
    return {
      urgency: pressing(URGENCY.rests, SOON_DAYS + URGENCY.rests.overDays + late),
      reason: { code: 'rests', due: due.day },
    };
  const full = due.reasons.find((r) => r.code === 'load');
  return full && full.tide !== 'baseline'
    ? { urgency: URGENCY['blow-unbooked'], reason: { code: 'blow-unbooked', tide: full.tide, due: due.day } }
    : {
        urgency: pressing(URGENCY['due-soon'], SOON_DAYS + late),
        reason: { code: 'due-soon', due: due.day },
      };
}
