/** Decides when a coat sets its undercoat free, how much stands in it, and when the dog should come. */
export {
  type Place,
  type Pulse,
  type ReleaseCurve,
  type TideName,
  lightSeason,
  equalDays,
  pulseShare,
  releaseCurve,
} from './prior.ts';
export {
  HOME_CARE,
  type HomeCare,
  type NextReason,
  type NextVisit,
  type NextVisitRequest,
  dueLoadG,
  looseStore,
  rhythm,
  nextVisit,
  nextOpenDay,
  tideBehind,
} from './next-visit.ts';
export { type Need, type NeedReason, type NeedRequest, visitNeed } from './need.ts';
export { type SessionOutcome, leftAfter } from './learn.ts';
export { type Outlook, type OutlookRequest, type WorkedSession, outlook, leftBySession } from './outlook.ts';
