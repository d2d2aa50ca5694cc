/**
 * What a whole book of dogs will ask of a salon: every dog learnt in its town, and the sea that they make together.
 */
import { addDays, type Day } from '../quantity/index.ts';
import { dogModel } from './dog-model.ts';
import { fitDog, type Fit } from './fit.ts';
import { AHEAD_DAYS } from './coat-draws.ts';
import { SCENARIOS } from './copula.ts';
import { hash } from './hash.ts';
import { bandsByDay, lookAhead, type BandLevels, type DogTide, type Levels } from './look-ahead.ts';
import type { BookDog, TideBook } from './tide-book.ts';
import { fitInTown, freshTown, townAsSaid, townFrom, type Town } from './town.ts';
import { warmthOf } from './weather.ts';

/** The sea: of all dogs together, by day ahead. */
export interface Sea {
  readonly grams: BandLevels;
  readonly minutes: BandLevels;
}

export interface LearntBook {
  readonly from: Day;
  readonly town: Pick<Town, 'shifts' | 'offsets' | 'spread'> & { readonly trust: number };
  readonly dogs: readonly DogTide[];
  readonly sea: Sea;
}

export interface Progress {
  readonly done: number;
  readonly of: number;
}

/** The fit of a dog by itself, or the one that was made for the same facts before. */
export type FitAlone = (dog: BookDog, make: () => Fit) => Fit;

/** The model of a dog of a book on a day. */
export const modelOf = (d: BookDog, book: TideBook, asOf: Day) =>
  dogModel(d.dog, book.place, d.sightings, asOf, addDays(asOf, AHEAD_DAYS + 30), hash(d.id));

/**
 * Fits the whole book on a day, and says of each dog what `hear` makes of its fit once its town has spoken; yields how far it
 * is. What was logged later is not read. A fit is let go when it has been heard: a thousand of them fill a device.
 */
export function* fitBook<T>(
  book: TideBook,
  asOf: Day,
  hear: (dog: BookDog, fit: Fit, town: Town) => T,
  fitAlone: FitAlone = (_, make) => make(),
): Generator<Progress, { readonly town: Town; readonly heard: readonly T[] }> {
  const { dogs } = book;
  const of = 2 * dogs.length;
  const models = dogs.map((d) => modelOf(d, book, asOf));
  const warmth = warmthOf(book.readings, book.place, asOf);
  const fresh = freshTown(models, warmth);
  const alone: Fit[] = [];
  for (const [i, dog] of dogs.entries()) {
    const model = models[i]!;
    alone.push(fitAlone(dog, () => fitDog(model, fresh.priorOf(model))));
    yield { done: i + 1, of };
  }
  const town = townFrom({ fits: alone, warmth });
  const heard: T[] = [];
  for (const dog of dogs) {
    heard.push(hear(dog, fitInTown(town, alone.shift()!), town));
    yield { done: dogs.length + heard.length, of };
  }
  return { town, heard };
}

/** What else is wanted of a learning beside its result. */
export interface Learning {
  readonly asOf?: Day | undefined;
  readonly fitAlone?: FitAlone | undefined;
  /** Told of each dog once its town has spoken. */
  readonly onHeard?: ((dog: BookDog, fit: Fit, tide: DogTide) => void) | undefined;
}

/** Learns a whole book and looks a year ahead; yields how far it is. */
export function* learnBook(
  book: TideBook,
  { asOf = book.today, fitAlone, onHeard }: Learning = {},
): Generator<Progress, LearntBook> {
  const seaG = Array.from({ length: SCENARIOS }, () => new Float64Array(AHEAD_DAYS));
  const seaM = Array.from({ length: SCENARIOS }, () => new Float64Array(AHEAD_DAYS));
  const sea = { grams: seaG, minutes: seaM };
  let trust = 1;
  const hear = (dog: BookDog, fit: Fit, town: Town): DogTide => {
    trust = fit.model.trust;
    const tide = lookAhead(dog, fit, town, book.openWeekdays, sea);
    onHeard?.(dog, fit, tide);
    return tide;
  };
  const { town, heard } = yield* fitBook(book, asOf, hear, fitAlone);
  return {
    from: asOf,
    town: { shifts: town.shifts, offsets: town.offsets, spread: town.spread, trust },
    dogs: heard,
    sea: { grams: bandsByDay(seaG), minutes: bandsByDay(seaM.map(byWeek)) },
  };
}

/** The fit of one dog under what its town said before. */
export function fitAsSaid(
  book: TideBook,
  dog: BookDog,
  before: Pick<LearntBook, 'town'>,
): { readonly fit: Fit; readonly town: Town } {
  const model = modelOf(dog, book, book.today);
  const town = townAsSaid(model, before.town);
  return { fit: fitDog(model, town.priorOf(model)), town };
}

/** One dog again under what its town said before: at once, until the town itself is asked again. */
export function learnOne(book: TideBook, dog: BookDog, before: Pick<LearntBook, 'town'>): DogTide {
  const { fit, town } = fitAsSaid(book, dog, before);
  return lookAhead(dog, fit, town, book.openWeekdays);
}

/** A town that nobody has said anything of yet. */
export function freshLearnt(book: TideBook): LearntBook['town'] {
  const models = book.dogs.map((d) => modelOf(d, book, book.today));
  const { shifts, offsets, spread } = freshTown(models, warmthOf(book.readings, book.place, book.today));
  return { shifts, offsets, spread, trust: models[0]?.trust ?? 1 };
}

/** What was learnt of the whole, with the dogs that were learnt again since. */
export function withNewer(learnt: LearntBook, newer: readonly DogTide[]): LearntBook {
  const since = new Map(newer.map((d) => [d.id, d]));
  return { ...learnt, dogs: learnt.dogs.map((d) => since.get(d.id) ?? d) };
}

/** Work of the seven days about each day. */
export function byWeek(perDay: Levels): Float64Array {
  const out = new Float64Array(perDay.length);
  let sum = 0;
  for (let i = -3; i < perDay.length; i++) {
    sum += (perDay[i + 3] ?? 0) - (perDay[i - 4] ?? 0);
    if (i >= 0) out[i] = sum;
  }
  // The first and last days have only a part of their week on the chart.
  for (let i = 0; i < 3; i++) {
    out[i] = ((out[i] ?? 0) * 7) / (4 + i);
    const j = out.length - 1 - i;
    out[j] = ((out[j] ?? 0) * 7) / (4 + i);
  }
  return out;
}

const hundredths = (levels: Levels): Levels => Array.from(levels, (v) => Math.round(v * 100) / 100);
const bandInHundredths = ({ low, likely, high }: BandLevels): BandLevels => ({
  low: hundredths(low),
  likely: hundredths(likely),
  high: hundredths(high),
});

/** A dog's tide as it travels and is kept: grams and minutes of each day to a hundredth, far finer than anybody knows them. */
export const tideInHundredths = (d: DogTide): DogTide => ({
  ...d,
  bare: bandInHundredths(d.bare),
  wave: hundredths(d.wave),
  minutes: hundredths(d.minutes),
});

/** The same of all that was learnt. */
export const inHundredths = (learnt: LearntBook): LearntBook => ({
  ...learnt,
  dogs: learnt.dogs.map(tideInHundredths),
  sea: { grams: bandInHundredths(learnt.sea.grams), minutes: bandInHundredths(learnt.sea.minutes) },
});

/** What a book's forecasts rest on, in a word: the same facts, the same word on every machine. */
export const factsWord = (book: TideBook): string => hash(JSON.stringify(book)).toString(36);
