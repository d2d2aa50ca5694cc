/**
 * What one dog's tide looks like to somebody who asks: its years side by side, what its log has taught and what the
 * newest entry changed, what cannot be told apart yet, and what would be if it lived or was brushed otherwise.
 */
import { day, mean, type Day, type Interval80 } from '../quantity/index.ts';
import { bandOf, coatsNow, evenDraws, inBlow, startBand, visitGrams } from './ahead.ts';
import { fitAsSaid, type LearntBook } from './caseload.ts';
import type { Fit } from './fit.ts';
import { adviceOf, lessonsOf, type Advice, type Lesson } from './lessons.ts';
import type { LogQuestion } from './log-program.ts';
import { startsOf, type DogTide, type StartAhead } from './look-ahead.ts';
import { outlookOf } from './outlook.ts';
import { leastPercent } from './score.ts';
import type { Sighting } from './sightings.ts';
import { usualTakes, type BookDog, type TideBook } from './tide-book.ts';
import { packingOf, whatIfAnswers, type PackingRisk, type WhatIfAnswer } from './what-if.ts';
import { yearLines, type BandLine, type YearLine } from './year-lines.ts';

/** Draws of which its bands are taken: more show on no line. Guess. */
const DRAWS = 80;

export interface DogStory {
  readonly id: string;
  readonly today: Day;
  readonly years: readonly YearLine[];
  /** Grams in the coat: from eight months back to six months ahead. */
  readonly store: BandLine;
  /** Starts of past seasons, as the log tells them now. */
  readonly pastStarts: readonly StartAhead[];
  readonly lessons: readonly Lesson[];
  readonly advice: readonly Advice[];
  /** Entries of the log that do not fit a season. */
  readonly questions: readonly LogQuestion[];
  readonly newest: { readonly day: Day; readonly before: StartAhead; readonly after: StartAhead } | undefined;
  readonly whatIfs: readonly WhatIfAnswer[];
  readonly packing: readonly PackingRisk[];
  /** What the next visit's hair should weigh, before this salon's stretch; undefined before it was ever weighed. */
  readonly nextGrams: Interval80 | undefined;
  readonly nextInBlow: boolean;
}

/** The story of one dog in its town; tide: what was learnt of it, so that story and lists say the same. */
export function dogStory(
  book: TideBook,
  dog: BookDog,
  tide: DogTide,
  learnt: Pick<LearntBook, 'town' | 'from'>,
): DogStory {
  const { today } = book;
  const fitOf = (sightings: readonly Sighting[]): Fit => fitAsSaid(book, { ...dog, sightings }, learnt).fit;
  const fit = fitOf(dog.sightings);
  const { model } = fit;
  const takes = usualTakes(dog.sightings, today);
  const coats = coatsNow(fit, evenDraws(fit, DRAWS));
  const outlook = outlookOf(dog, tide, learnt.from, book);
  return {
    id: dog.id,
    today,
    ...yearLines(fit, DRAWS, new Map(dog.booked.map((b) => [b.day, takes]))),
    pastStarts: startsOf(fit, (s) => s < today - 60),
    lessons: lessonsOf(fit, learnt),
    advice: adviceOf(fit, dog.sightings, learnt),
    questions: model.log.questions,
    newest: newestOf(dog, tide, today, fitOf),
    whatIfs: whatIfAnswers(dog, outlook, tide.fullG, model, coats),
    packing: packingOf(model, tide.fullG, coats, outlook.visit),
    nextGrams: weightOf(fit, dog.sightings, outlook.visit),
    nextInBlow: inBlow(fit, outlook.visit),
  };
}

/** What the newest day of the log did to the next start. */
function newestOf(
  dog: BookDog,
  { starts }: DogTide,
  today: Day,
  fitOf: (sightings: readonly Sighting[]) => Fit,
): DogStory['newest'] {
  const on = dog.sightings.reduce((d, s) => (s.day <= today ? Math.max(d, s.day) : d), -Infinity);
  const after = starts.find((s) => s.tide !== 'life' && s.high > today);
  if (!after || !Number.isFinite(on)) return undefined;
  const band = startBand(fitOf(dog.sightings.filter((s) => s.day < on)), after.key);
  return band && { day: day(on), before: { key: after.key, tide: after.tide, ...band }, after };
}

function weightOf(fit: Fit, sightings: readonly Sighting[], on: Day): Interval80 | undefined {
  const weighed = sightings.flatMap((s) => (s.kind === 'visit' && s.weighed ? [s.weighed.share] : []));
  if (weighed.length === 0) return undefined;
  const draws = visitGrams(fit, on, mean(weighed));
  return { ...bandOf(draws), likely: leastPercent(draws) };
}
