/** What was felt, what it means for each zone, and where the work stops. */
export {
  FINGER_GRADES,
  TUG_GRADES,
  COMB_GRADES,
  TIE_GRADES,
  SKIN_FINDINGS,
  FINGER_SCALE,
  TUG_SCALE,
  COMB_SCALE,
  TIE_SCALE,
  SKIN_SCALE,
  type Grade,
  type FingerGrade,
  type TugGrade,
  type CombGrade,
  type TieGrade,
  type SkinFinding,
  type ZoneFindings,
} from './scales.ts';
export {
  INSPECTION,
  INSPECTION_ITEMS,
  INSPECTION_ANSWERS,
  type Inspection,
  type InspectionItem,
  type InspectionAnswer,
  type InspectionRow,
} from './inspection.ts';
export {
  GUARD_PLACES,
  type GuardPlace,
  type GuardLengths,
  type CoatCheck,
  type Air,
  guardLengthMm,
  zoneEntries,
} from './check.ts';
export { STOPPING_SKIN, type Stops, type DogStop, type DogStopCode, type ZoneStop, stopsOf } from './stops.ts';
export {
  HOLD_FINDINGS,
  HOLD_SOURCES,
  VET_ALLOWS,
  type FoundStop,
  type Hold,
  type HoldFact,
  type HoldFinding,
  type HoldPlace,
  type HoldSource,
  type OwnerFinding,
  type VetAllows,
  type VetWord,
  asHeld,
  byWaiting,
  holdsOf,
  stopsMet,
  placesHeld,
  stopsFound,
  waitsForVet,
} from './holds.ts';
export {
  CONDITION_OF_TIE,
  CONDITION_KINDS,
  TIED,
  type ConditionKind,
  type WholeCondition,
  type ConditionReason,
  type Readings,
  type ZoneCondition,
  zoneConditions,
  conditionShares,
  wholeCondition,
} from './condition.ts';
export { ZONE_QUESTIONS, type ZoneQuestion, type Contradiction, contradictions } from './contradictions.ts';
export { URGENCIES, SKIN_WORDS, type Urgency, type Referral, type ReferralItem, referralOf } from './referral.ts';
export { type ClassHint, type ClassReason, classHint } from './class-hint.ts';
