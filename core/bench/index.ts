/** Decides what to do to a coat, in which order and for how long, and what a worked session adds up to. */
export {
  METHODS,
  METHOD_IDS,
  PHASE_WORDS,
  type Method,
  type MethodId,
  type Phase,
  type PhaseId,
  type PhaseWork,
  method,
} from './methods.ts';
export {
  type HairPools,
  poolsTotalG,
  poolsFromReadings,
  effectOfPasses,
  workPools,
  shareLeftBy,
  passesUntil,
  skinLoadPerPass,
} from './release.ts';
export {
  type Plan,
  type PlanStep,
  type PlanZoneWork,
  type PlanNote,
  type ToolChoice,
  type MethodPlan,
  type MethodOutcome,
  type MethodRuling,
  type Comparison,
} from './plan.ts';
export { type PlanRequest, planVisit, openMethod } from './planner.ts';
export { looseUndercoatG } from './coat.ts';
export { priceCents } from './price.ts';
export {
  type SessionAct,
  type SessionEvent,
  type SessionRecord,
  type SessionState,
  type StepRecord,
  inOrder,
  sessionRecord,
} from './record.ts';
export { type PhaseRanking, zoneRankings, rulesSpoken } from './look.ts';
export {
  MOST_PURCHASES,
  coverage,
  type BadlyServed,
  type Coverage,
  type CoverageDog,
  type CoverageRequest,
  type Purchase,
} from './coverage.ts';
