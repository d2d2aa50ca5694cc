/** How the dogs of one day are laid over people, tables, tubs and dryers. */
export {
  DAY_WORTH,
  HEAVY_KG,
  PLACE_KINDS,
  STAGE_KINDS,
  unbegun,
  type DayAsked,
  type DayPerson,
  type DayPlace,
  type DayScore,
  type DaySheet,
  type DayVisit,
  type DayWorth,
  type ScheduledStage,
  type LaidPause,
  type Pause,
  type Pin,
  type PlaceKind,
  type Stage,
  type StageKind,
} from './asked.ts';
export { soonestEnd, stagesWithoutHands } from './bound.ts';
export { breachesOf, IMPOSSIBLE, type Breach } from './breaches.ts';
export { delayed, dropped, pinned, rippled, shiftsBetween, type Delay, type Shift } from './delays.ts';
export { DAY_EFFORT, dayInSteps, planDay, type BestSoFar, type DayEffort } from './plan-day.ts';
export { CHECK_MINUTES, CLEAN_MINUTES, stagesOf, USUAL_SHARES, careStage, usualStages, type StepOf } from './stages.ts';
export { troubles, waysOut, type Movable, type WayOut } from './ways-out.ts';
