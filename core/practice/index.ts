/** What a beginner practises on, what the coat answers, what a bout was worth, and what is asked again and when. */
export {
  LADDER,
  LADDER_CASES,
  findingsOver,
  ladderCase,
  practiceKit,
  type Goal,
  type PracticeCase,
  type Rung,
} from './cases.ts';
export { MOODS, TEMPERS, moodOf, type Mood, type Temper } from './patience.ts';
export {
  FEEL_TESTS,
  LONGEST_REST,
  LOOK_MINUTES,
  TEST_MINUTES,
  boutOf,
  byHabit,
  minutesFor,
  openCase,
  phaseFor,
  rackOf,
  readingsNow,
  type Act,
  type Bout,
  type FeelTest,
  type Opened,
  type ActResult,
  type Rack,
} from './bout.ts';
export {
  MISTAKES,
  likestMethod,
  verdictOf,
  type Mistake,
  type MistakeCode,
  type SlipCode,
  type SlipRow,
  type Verdict,
  type Went,
} from './verdict.ts';
export { HARDNESS, freeId, madeCase, pastCase, type Hardness } from './make-case.ts';
export {
  DRILL_CARDS,
  askCard,
  rightAnswer,
  type DrillCard,
  type DrillScene,
  type DrillSubject,
  type Question,
} from './drills.ts';
export {
  BOX_DAYS,
  NEW_A_DAY,
  boxesOf,
  dueCards,
  type CardState,
  type DrillAnswer,
  type DueCards,
} from './leitner-boxes.ts';
