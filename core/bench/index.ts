/** What to do to a coat, in which order and for how long, and what a worked session adds up to. */
export {
  METHODS,
  METHOD_IDS,
  PHASES,
  PHASE_IDS,
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
  LOAD_BY_FINGER,
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
  type Instead,
  type KeptPlan,
  type LaterVisit,
  type TieDecision,
  type TieWay,
  type LeftZone,
} from './plan.ts';
export { planVisit } from './planner.ts';
export { openMethod } from './plan.ts';
export { jobOf, coatIn, worksite, type Worksite } from './worksite.ts';
export { planByHand, barOf, type Bar } from './by-hand.ts';
export { bearsInAll, standingMinutes } from './visit.ts';
export { wholeOf } from './measure.ts';
export { looseUndercoatG } from './coat.ts';
export { careIn, priceCents, visitPrice } from './price.ts';
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
export {
  FIGURE_ROWS,
  FIGURE_KEYS,
  FIGURES,
  figuresWith,
  type FigureKey,
  type Figures,
  type FigureRow,
} from './figures.ts';
export { type Script, type ScriptStep, type ScriptZone, ALWAYS, roomOf, workMinutes } from './script.ts';
export {
  type Asked,
  type Worked,
  type ZoneSeen,
  workCoat,
  workScript,
  coatAfter,
  seenIn,
  scriptOf,
  proofOf,
  combFalls,
} from './simulate.ts';
export { type Edit, applyEdit, stepsFor, bestAgain, piecesFor } from './edit.ts';
export { FAULT_CODES, type Fault, type FaultCode, faultsOf, faultsOnly, isLegal } from './faults.ts';
export { type Crew, clockShare, lies, standingShare } from './crew.ts';
export { courseOf, bathesIn, type Course, type VisitLimits } from './course.ts';
export { asWorked, scriptFrom } from './allotted.ts';
export { type Care, type StepCare, type Support, type Hold, careOf } from './care.ts';
export { type Change, type Rival, CHANGES, changed, rivals } from './rival.ts';
export { decideTies, dematCeiling } from './ties.ts';
export { bandAbout, paceByKind } from './doubt.ts';
export type { Learnt, PlanRequest, Ratio } from './request.ts';
export { type Bands } from './plan.ts';
export { type LaidStep, layOut } from './layout.ts';
export { type BenchJob, noLookups, pressing, rankingIn, stepCautions } from './rankings.ts';
export {
  type Allotment,
  type ZoneProblem,
  type ZoneAnswer,
  allot,
  problemsOf,
  solveZone,
  answerOf,
  houseYield,
} from './allot/index.ts';
export {
  type Coat,
  type CoatZone,
  coatOf,
  coatAsFound,
  copyOf,
  looseNowG,
  meet,
  rested,
  setLoose,
  skinTolerance,
  wearLimit,
  wetnessOf,
} from './coat.ts';
export { workStepOn, figuresOf, handWorking, stateFor } from './work.ts';
export { type FewOutlines, type Outline, outlineOf, outlines } from './many.ts';
