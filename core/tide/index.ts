/** Decides when a coat sets its undercoat free, how much stands in it, and when the dog should come. */
export { type Place, type TideName, TIDES, LENGTH_DAYS, lightSeason, lightSeasons, lightTrust } from './seasons.ts';
export { pulseShare, pulseOut, pulseHeld, START_IN_SCALES, LENGTH_IN_SCALES } from './pulse.ts';
export { type Pulse, releaseCurve } from './prior.ts';
export { HOME_CARE, type HomeCare } from './home-care.ts';
export {
  LIFE,
  LIFE_EVENTS,
  type LifeEvent,
  type LifeEventKind,
  lifeRow,
  lifeRelease,
  lifeLength,
  lifeSheds,
} from './life.ts';
export { HOME_AMOUNTS, loadOfFinger, type HomeAmount, type Sighting } from './sightings.ts';
export { type TideDog, type DogModel, type Shed, type Rates, GLOBALS, HEEDED_DAYS, dogModel } from './dog-model.ts';
export { type Fit, type StartPrior, fitDog } from './fit.ts';
export { type Town, type SeasonShift, freshTown, townFrom, fitInTown } from './town.ts';
export type { OnsetSpread, Warmth } from './onset-prior.ts';
export {
  type Course,
  type CareAhead,
  course,
  drawnCoats,
  quantilesOf,
  bandOf,
  startBand,
  pastCourse,
  shareDays,
  visitGrams,
  inBlow,
} from './ahead.ts';
export {
  AHEAD_DAYS,
  MINUTE_LOADS,
  type BookDog,
  type DogTide,
  type FitKeep,
  type LearntBook,
  type Levels,
  type Progress,
  type Sea,
  type StartAhead,
  type TideBook,
  byWeek,
  factsWord,
  fitBook,
  inHundredths,
  learnBook,
  learnOne,
  minutesAtLoad,
  usualTakes,
} from './caseload.ts';
export { type Call, CALL_WITHIN_DAYS, WAIT_DAYS, callList, minutesAhead } from './call.ts';
export {
  type Advice,
  type BandLine,
  type DogStory,
  type Lesson,
  type WhatIf,
  type WhatIfAnswer,
  type YearLine,
  dogStory,
} from './story.ts';
export {
  type GramsScore,
  type Honest,
  type HonestSummary,
  type StartScore,
  honestBook,
  honestSummary,
} from './honest.ts';
export { touchOf, visitOf } from './from-log.ts';
export { type Reading, WARMTH_DAYS, readingsFromCsv, usualCelsius, warmthOf } from './weather.ts';
export { BAND_SHARE, bandScore, stretchOf, stretched, leastPercent } from './score.ts';
export {
  type NextReason,
  type NextVisit,
  type NextVisitRequest,
  dueLoadG,
  looseStore,
  rhythm,
  nextVisit,
  nextOpenDay,
  tideBehind,
} from './next-visit.ts';
export { type Need, type NeedReason, type NeedRequest, visitNeed } from './need.ts';
export { type SessionOutcome, leftAfter } from './learn.ts';
export { type Outlook, type OutlookRequest, type WorkedSession, outlook, leftBySession } from './outlook.ts';
export { homeEffect, type HomeEffect } from './home-effect.ts';
export { FitMemory } from './fit-memory.ts';
