/** Decides what the log teaches: pace and yield by tool, person, coat and zone, and which steps promise too much. */
export { effects, student80, type Effects, type EffectsStart, type Estimate, type Measured } from './effects.ts';
export {
  gramsFor,
  learn,
  learntFor,
  overPromised,
  paceByPerson,
  paceFor,
  peopleIn,
  stepKey,
  type LoggedSession,
  type OffPromise,
  type Reckoned,
  type Taught,
} from './learn.ts';
export { gramsByStage, meanGrade, stageOf, STAGES, type GramsByStage, type Stage } from './history.ts';
