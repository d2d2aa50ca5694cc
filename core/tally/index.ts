/** What the log teaches: pace and yield by tool, person, coat and zone, and which steps promise too much. */
export {
  effects,
  student80,
  studentQuantile,
  type Effects,
  type EffectsStart,
  type Estimate,
  type Measured,
} from './effects.ts';
export {
  gramsFor,
  learn,
  learntFor,
  overPromised,
  paceByPerson,
  paceFor,
  peopleIn,
  type LoggedSession,
  type OffPromise,
  type Taught,
} from './learn.ts';
export { stepKey, stepLessons, type Reckoned, type StepLesson } from './lessons.ts';
export { gramsByStage, meanGrade, stageOf, STAGES, type GramsByStage, type Stage } from './history.ts';
export {
  TALLY_BY,
  TALLY_OF,
  entryOf,
  filtered,
  monthOf,
  quantile,
  tallied,
  type TallyBy,
  type TallyFilter,
  type TallyGroup,
  type TallyOf,
  type ToolEntry,
  type VisitEntry,
} from './ledger.ts';
export {
  YEAR_DAYS,
  countsDiffer,
  meansDiffer,
  sinceLastYear,
  type ChangeWhat,
  type HomeDay,
  type YearChange,
} from './changed.ts';
export { takings, type Takings } from './takings.ts';
