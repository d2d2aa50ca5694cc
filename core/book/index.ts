/** Decides where visits fit: in the salon's day, and over a year of every dog's tide. */
export {
  ANY_TIME,
  atWork,
  dayRefusals,
  isClosed,
  weekMinutes,
  workMinutes,
  type Absence,
  type DayRefusal,
  type Roster,
  type RosterPerson,
  type VisitWish,
} from './roster.ts';
export { dayPeople, type NamedPerson } from './day-people.ts';
export { type Span, busiest, freeStarts } from './slots.ts';
export { CoatWalk, PACKS_ABOVE, restOf, SCENARIO_WEIGHTS, WORTH, type CoatYear, type Worth } from './coat-year.ts';
export { dogArcs, MOST_LATE_DAYS, partsOf, usualRests, type DogArcs, type Rests, type YearDog } from './arcs.ts';
export { dayCost, hoursFrom, lastDayOf, weeksOf, type Hours, type HoursKind } from './hours.ts';
export { cheapestYear, PathRoom, yearThrough, type DayCosts, type Year } from './paths.ts';
export { planYear, YEAR_EFFORT, type YearEffort, type YearPlan, type YearProgress, type YearStart } from './year.ts';
export { withinLimits, type DayLimit } from './day-limits.ts';
export { account, dogAccount, dogCost, type Account, type DogAccount } from './account.ts';
export { firstFit, type Rule } from './rules.ts';
export {
  planBook,
  planTide,
  restsAfter,
  startFrom,
  type BookPlan,
  type BookProgress,
  type BookStart,
} from './plan-book.ts';
export {
  AT_ONCE,
  hoursWithout,
  movesOf,
  NOTICE,
  noticeCost,
  pushed,
  repair,
  wholeDays,
  WITH_TIME,
  type Loss,
  type Move,
  type Repair,
  type RepairEffort,
} from './repair.ts';
export {
  coatOf,
  hoursOf,
  OVERTIME,
  PLAN_DAYS,
  PLANNED_SHARE,
  yearOfTide,
  type YearBook,
  type YearFacts,
  type YearOf,
} from './from-tide.ts';
export {
  bookSummary,
  gapOf,
  movedProposals,
  otherwiseNear,
  secondDay,
  workOf,
  type BookSummary,
  type MovedProposal,
  type Otherwise,
  type PlannedVisit,
  type PlannedWeek,
} from './summary.ts';
export { awayAnswers, lossOf, type AwayAnswer, type AwayMove } from './away.ts';
export { rulesAgainst, type DayRule } from './day-rules.ts';
export { weeksOverIfEarly, whoComesSooner, type Sooner, type WeekOver } from './early.ts';
export {
  AS_TODAY,
  changedYear,
  MOST_CHANGE,
  soonerWithTub,
  STRONGER_LEAVES,
  yearOutcome,
  type YearChange,
  type YearOutcome,
} from './what-if.ts';
