/** What a session at the table adds up to, how its plan follows what happens, and what its devices say. */
export {
  CORRECTABLE,
  inOrder,
  PAID_HOW,
  standingEvents,
  type ActKind,
  type Correction,
  type LeftZone,
  type Met,
  type Paid,
  type ReplanReason,
  type SessionAct,
  type SessionEvent,
  type StandingEvents,
} from './acts.ts';
export {
  asOf,
  isNewHere,
  sessionRecord,
  type Hand,
  type Moment,
  type SessionNote,
  type SessionPhoto,
  type SessionRecord,
  type SessionState,
  type StepRecord,
} from './record.ts';
export {
  clockOffset,
  restamped,
  stampMs,
  UNASKED,
  type ClockOffset,
  type ClockReading,
  type Stamped,
} from './clock.ts';
export {
  BENCH_SCALE,
  heard,
  NEW_SCALE,
  scaleView,
  tared,
  type ScaleMake,
  type ScaleMemory,
  type ScaleReading,
  type ScaleState,
  type ScaleView,
} from './scale.ts';
export { airChanged, meanLevel, type LevelReading } from './level.ts';
export { cautionsAt, tableNow, walks, WORKED_MS, type TableCase, type TableNow, type Used } from './now.ts';
export { checkNow, lateBy, propose, type Proposal } from './follow.ts';
export { beginAct, lastTap, nextStep, zonesToFeel, zonesToWalk } from './guide.ts';
export { gramsByZone, minutesByName, workedMinutes, workedStair } from './worked.ts';
