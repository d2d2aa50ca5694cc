/** What to do to a coat, in which order and for how long, and what a worked session adds up to. */
export {
  METHODS,
  METHOD_IDS,
  PHASES,
  PHASE_IDS,
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
} from './plan.ts';
export {
  planVisit,
  openMethod,
  jobOf,
  coatIn,
  planByHand,
  barOf,
  type Bar,
  worksite,
  type Worksite,
  bearsInAll,
  standingMinutes,
} from './planner.ts';
export { looseUndercoatG } from './coat.ts';
export { priceCents } from './price.ts';
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
  scriptFrom,
  proofOf,
  combFalls,
} from './simulate.ts';
export { type Edit, applyEdit, stepsFor, bestAgain, piecesFor } from './edit.ts';
export { FAULT_CODES, type Fault, type FaultCode, faultsOf, faultsOnly, isLegal } from './faults.ts';
export { type Crew, clockShare, lies, standingShare } from './crew.ts';
export { type Split, type SplitVisit, splitOf } from './split.ts';
export { type Care, type StepCare, type Support, type Hold, careOf } from './care.ts';
export { type Change, type Rival, CHANGES, changed, rivals } from './rival.ts';
export { type TieDecision, tiesOf } from './ties.ts';
export { bandAbout, paceByKind } from './doubt.ts';
export type { Learnt, PlanRequest, Ratio } from './request.ts';
export { type Bands } from './plan.ts';
export { type BenchJob, type LaidStep, layOut, noLookups, rankingIn, stepCautions } from './layout.ts';
export {
  type Allotment,
  type ZoneProblem,
  type ZoneAnswer,
  allot,
  problemsOf,
  solveZone,
  answerOf,
  houseYield,
} from './allot.ts';
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
