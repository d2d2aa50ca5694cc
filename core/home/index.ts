/** Decides the owner's share of the work. */
export { brushPlaces, firstParts, homeDonts, rhythmsOf, type CardRhythm, type HomeDont } from './card.ts';
export { visitSummary, type VisitFinding, type VisitSummary, type VisitWatch } from './visit.ts';
export { rota, waitCost, FETCHING, MOST_DAYS, type Rota, type RotaPart, type RotaRequest } from './rota.ts';
export {
  HOME_PARTS,
  HOME_PART_ROWS,
  homeNeeds,
  homePartRow,
  partOf,
  seedSeason,
  WATCHED,
  zonesOfPart,
  type HomePart,
  type HomePartRow,
  type PartNeed,
  type PartReason,
} from './parts.ts';
export {
  HOME_BRUSHES,
  SHORT_BOUT_MINUTES,
  homeTools,
  homeWeek,
  longestBout,
  usableBrushes,
  usualSetup,
  EDGE_AT_HOME,
  type HomeBout,
  type HomeBoutStep,
  type HomeDay,
  type HomeSetup,
  type HomeTools,
  type HomeWeek,
  type HomeWeekRequest,
  type KeepOff,
} from './plan.ts';
export { type TwoMinutes, TWO_MINUTE_PLACES, twoMinutes } from './two-minutes.ts';
export { HOME_CARES, HOME_CARE_ROWS, dueCare, type DueCare, type HomeCareKind, type HomeCareRow } from './care.ts';
export { closesPart, REPORT_KINDS, type ReportKind } from './report.ts';
export {
  BLOW_AHEAD_DAYS,
  isQuiet,
  MISSED_DAYS,
  postFor,
  QUIET_HOURS,
  REMINDER_ROWS,
  REMINDERS,
  VISIT_AHEAD_DAYS,
  type Post,
  type PostRequest,
  type QuietHours,
  type Reminder,
  type ReminderDog,
  type ReminderKind,
  type ReminderRow,
  type Silence,
  type SentReminder,
} from './remind.ts';
