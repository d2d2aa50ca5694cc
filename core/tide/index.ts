/** Decides when a coat sets its undercoat free, how much stands in it, and when the dog should come. */
export { type Place, type TideName, TIDES, LENGTH_DAYS, lightSeason, lightSeasons, lightTrust } from './seasons.ts';
export { pulseShare, pulseOut, pulseHeld, START_IN_SCALES, LENGTH_IN_SCALES } from './pulse.ts';
export { HOME_CARE, homeTakesPerDay, type HomeCare } from './home-care.ts';
export {
  LIFE,
  LIFE_EVENTS,
  type LifeEvent,
  type LifeEventKind,
  type LifePulse,
  lifeRow,
  lifeRelease,
  lifeLength,
  lifeSheds,
} from './life.ts';
export { HOME_AMOUNTS, loadOfFinger, type HomeAmount, type Sighting } from './sightings.ts';
export {
  type TideDog,
  type DogModel,
  type Shed,
  type Rates,
  GLOBALS,
  HEEDED_DAYS,
  dogModel,
  ratesAhead,
  ratesOf,
} from './dog-model.ts';
export { StoreWalk, type ReleasePulse, type StoreProgram } from './store-walk.ts';
export type { LogQuestion } from './log-program.ts';
export { LogReader } from './log-reader.ts';
export type { HomeHabit } from './home-habit.ts';
export { type Fit, fitDog } from './fit.ts';
export type { StartPrior } from './whitening.ts';
export { type Town, type SeasonShift, freshTown, townAsSaid, townFrom, fitInTown } from './town.ts';
export type { OnsetSpread, Warmth } from './onset-prior.ts';
export {
  type Course,
  type CareAhead,
  course,
  boutsAhead,
  coatsNow,
  courseAhead,
  evenDraws,
  quantilesOf,
  bandOf,
  startBand,
  pastCourse,
  shareDays,
  visitGrams,
  inBlow,
} from './ahead.ts';
export {
  MINUTE_LOADS,
  type BookDog,
  type BookedVisit,
  type FoundCoat,
  type TideBook,
  USUAL_TAKES,
  bookAsOf,
  minutesAtLoad,
  usualTakes,
} from './tide-book.ts';
export { AHEAD_DAYS } from './coat-draws.ts';
export { dueOf } from './due.ts';
export { type Filling } from './filling.ts';
export {
  coatAhead,
  factsOf,
  type BandLevels,
  type CoatAhead,
  type DogTide,
  type Levels,
  type StartAhead,
} from './look-ahead.ts';
export {
  type LearntBook,
  type Progress,
  type Sea,
  byWeek,
  factsWord,
  freshLearnt,
  inHundredths,
  learnBook,
  learnOne,
  tideInHundredths,
  withNewer,
} from './caseload.ts';
export { type Call, CALL_WITHIN_DAYS, WAIT_DAYS, askAfter, callList } from './call.ts';
export type { Advice, Lesson } from './lessons.ts';
export type { WhatIf, WhatIfAnswer } from './what-if.ts';
export type { BandLine, YearLine } from './year-lines.ts';
export { type DogStory, dogStory } from './story.ts';
export {
  type GramsScore,
  type Honest,
  type HonestSummary,
  type StartScore,
  honestBook,
  honestSummary,
} from './honest.ts';
export { checkAtGrade, foundCoat, touchOf, visitOf } from './from-log.ts';
export { type Reading, WARMTH_DAYS, usualCelsius, warmthOf } from './weather.ts';
export { BAND_SHARE, bandScore, stretchOf, stretched, leastPercent } from './score.ts';
export { rhythm, nextOpenDay } from './rhythm.ts';
export type { Due, DueReason } from './due.ts';
export {
  type Outlook,
  type OutlookHouse,
  bookedLength,
  type MovedLength,
  gramsOn,
  needOf,
  nextVisits,
  outlookOf,
  outlooks,
  type VisitAhead,
  visitOn,
} from './outlook.ts';
export { type Need, type NeedReason, type NeedRequest, visitNeed } from './need.ts';
export { type SessionOutcome, type WorkedSession, leftAfter, leftBySession } from './left-after.ts';
export { homeEffect, type HomeEffect } from './home-effect.ts';
export { hash } from './hash.ts';
export { FitMemory } from './fit-memory.ts';
