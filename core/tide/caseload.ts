/**
 * What a whole book of dogs will ask of a salon: each dog's tide ahead, and the sea that they make together.
 *
 * Every dog is drawn many times; in each draw it comes when it is booked, and after that when its coat is due. Draws of
 * different dogs belong together as far as what they do not know is the same: the town's shift of the season.
 */
import {
  addDays,
  clamp,
  day,
  isoWeekday,
  normalQuantile,
  randomNormal,
  seededRandom,
  type Day,
  type Interval80,
} from '../quantity/index.ts';
import { bandOf, course, drawOf, evenDraws, quantilesOf, startBand } from './ahead.ts';
import { dogModel, GLOBALS, type TideDog } from './dog-model.ts';
import { fitDog, type Fit } from './fit.ts';
import { DUE_LOAD_SHARE } from './next-visit.ts';
import type { Place, TideName } from './seasons.ts';
import type { Sighting } from './sightings.ts';
import { fitInTown, freshTown, townAsSaid, townFrom, type Town } from './town.ts';
import { warmthOf, type Reading } from './weather.ts';

/** Loads, as shares of the class's full load, at which the bench says how long a visit takes. */
export const MINUTE_LOADS = [0.05, 0.16, 0.42, 0.75, 1] as const;

/** A dog as the tide reads it. */
export interface BookDog {
  readonly id: string;
  readonly name: string;
  readonly owner: string;
  readonly dog: TideDog;
  readonly sightings: readonly Sighting[];
  /** Minutes of a visit at each of MINUTE_LOADS. */
  readonly minutesAt: readonly number[];
  readonly rhythm: { readonly shortest: number; readonly longest: number };
  /** Days on which it is booked, today or later. */
  readonly booked: readonly Day[];
}

export interface TideBook {
  readonly today: Day;
  readonly place: Place;
  readonly openWeekdays: readonly number[];
  /** Minutes of this work the salon has in a week. */
  readonly minutesPerWeek: number;
  readonly readings: readonly Reading[];
  readonly dogs: readonly BookDog[];
}

/** Days ahead that a tide is drawn for. */
export const AHEAD_DAYS = 365;
/** Draws that stand for a dog, and for the sea. */
const SCENARIOS = 60;
/** Share of what stands in a coat that a visit takes, where a dog's log does not say. Guess. */
const USUAL_TAKES = 0.8;

/** A figure for each day ahead; plain lists of numbers are what it is when it has travelled. */
export type Levels = ArrayLike<number> & Iterable<number>;

/** A season ahead or under way: when a tenth of it is out. */
export interface StartAhead extends Interval80 {
  readonly key: string;
  readonly tide: TideName | 'life';
}

/** What is known of one dog's days ahead. */
export interface DogTide {
  readonly id: string;
  /** Grams in the coat at the end of each day ahead if it does not come at all: 80 % band. */
  readonly bare: Sea['grams'];
  /** The coat today and how it fades: grams that stand, share that stands a day later, share of the rest that falls at home. */
  readonly coat: { readonly storeG: number; readonly keep: number; readonly fallShare: number; readonly takes: number };
  /** Expected grams there if it comes as booked, and then when it is due. */
  readonly wave: Levels;
  /** Expected minutes of its visits on each day ahead. */
  readonly minutes: Levels;
  readonly starts: readonly StartAhead[];
  /** Day on which it is due if nothing is booked, and what a visit then would be. */
  readonly due: Interval80;
  readonly dueMinutes: Interval80;
  readonly dueGrams: Interval80;
  /** Grams that fall at home until it is due. */
  readonly floorG: Interval80;
  /** Full load in grams. */
  readonly fullG: number;
  readonly sampled: boolean;
  /** Sightings its log holds. */
  readonly seen: number;
  /** Visits whose hair was weighed: below two, only ranges are said. */
  readonly weighed: number;
}

/** The sea: of all dogs together, by day ahead. */
export interface Sea {
  readonly grams: { readonly low: Levels; readonly likely: Levels; readonly high: Levels };
  readonly minutes: { readonly low: Levels; readonly likely: Levels; readonly high: Levels };
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

/** Fits that were made for the same facts before, by dog; what is new is put in. */
export interface FitKeep {
  readonly alone: (dog: BookDog, make: () => Fit) => Fit;
  /** make: from this dog's fit under an earlier word of the town, where there was one. */
  readonly together: (dog: BookDog, make: (before: Fit | undefined) => Fit) => Fit;
}
const KEEP_NOTHING: FitKeep = { alone: (_d, make) => make(), together: (_d, make) => make(undefined) };

/** Minutes of a visit at a load, between what the bench says. */
export function minutesAtLoad(minutesAt: readonly number[], load: number): number {
  const at = clamp(load, MINUTE_LOADS[0], MINUTE_LOADS[MINUTE_LOADS.length - 1] ?? 1);
  let i = 0;
  while (i < MINUTE_LOADS.length - 2 && at > (MINUTE_LOADS[i + 1] ?? 1)) i++;
  const [a, b] = [MINUTE_LOADS[i] ?? 0, MINUTE_LOADS[i + 1] ?? 1];
  const [x, y] = [minutesAt[i] ?? 0, minutesAt[i + 1] ?? 0];
  return x + ((at - a) / (b - a)) * (y - x);
}

/** Share of what stands in its coat that this dog's visits usually take. */
export function usualTakes(sightings: readonly Sighting[], asOf: Day): number {
  const last = sightings.filter((s) => s.kind === 'visit' && s.day <= asOf).slice(-6);
  return last.length === 0
    ? USUAL_TAKES
    : last.reduce((t, s) => t + (s.kind === 'visit' ? s.takes : 0), 0) / last.length;
}

const modelOf = (d: BookDog, book: TideBook, asOf: Day) =>
  dogModel(d.dog, book.place, d.sightings, asOf, addDays(asOf, AHEAD_DAYS + 30));

/** Fits of the whole book on a day; yields how far it is. What was logged later is not read. */
export function* fitBook(
  book: TideBook,
  asOf: Day,
  keep: FitKeep = KEEP_NOTHING,
): Generator<Progress, { readonly town: Town; readonly fits: readonly Fit[] }> {
  const of = 2 * book.dogs.length;
  const models = book.dogs.map((d) => modelOf(d, book, asOf));
  const warmth = warmthOf(book.readings, book.place, asOf);
  const fresh = freshTown(models, warmth);
  const alone: Fit[] = [];
  for (const [i, model] of models.entries()) {
    const dog = book.dogs[i];
    if (!dog) continue;
    alone.push(keep.alone(dog, () => fitDog(model, fresh.priorOf(model))));
    yield { done: alone.length, of };
  }
  const town = townFrom({ fits: alone, warmth });
  const fits: Fit[] = [];
  for (const [i, fit] of alone.entries()) {
    const dog = book.dogs[i];
    if (!dog) continue;
    fits.push(keep.together(dog, (before) => fitInTown(town, fit, before)));
    yield { done: book.dogs.length + fits.length, of };
  }
  return { town, fits };
}

/** Learns a whole book and looks a year ahead; yields how far it is. */
export function* learnBook(book: TideBook, asOf: Day = book.today, keep?: FitKeep): Generator<Progress, LearntBook> {
  const { town, fits } = yield* fitBook(book, asOf, keep);
  const seaG = Array.from({ length: SCENARIOS }, () => new Float64Array(AHEAD_DAYS));
  const seaM = Array.from({ length: SCENARIOS }, () => new Float64Array(AHEAD_DAYS));
  const dogs = fits.flatMap((fit, i) => {
    const dog = book.dogs[i];
    return dog ? [lookAhead(dog, fit, town, book, asOf, seaG, seaM)] : [];
  });
  return {
    from: asOf,
    town: { shifts: town.shifts, offsets: town.offsets, spread: town.spread, trust: fits[0]?.model.trust ?? 1 },
    dogs,
    sea: { grams: bandsByDay(seaG), minutes: bandsByDay(seaM.map(byWeek)) },
  };
}

/** One dog again under what its town said before: at once, until the town itself is asked again. */
export function learnOne(book: TideBook, dog: BookDog, before: LearntBook): DogTide {
  const model = modelOf(dog, book, book.today);
  const town = townAsSaid(model, before.town);
  const fit = fitDog(model, town.priorOf(model));
  const nowhere: readonly Float64Array[] = [];
  return lookAhead(dog, fit, town, book, book.today, nowhere, nowhere);
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

/** As it travels: grams and minutes of each day to a hundredth, far finer than anybody knows them. */
export function inHundredths(learnt: LearntBook): LearntBook {
  const days = (levels: Levels): Levels => Array.from(levels, (v) => Math.round(v * 100) / 100);
  const band = ({ low, likely, high }: Sea['grams']): Sea['grams'] => ({
    low: days(low),
    likely: days(likely),
    high: days(high),
  });
  return {
    ...learnt,
    dogs: learnt.dogs.map((d) => ({ ...d, bare: band(d.bare), wave: days(d.wave), minutes: days(d.minutes) })),
    sea: { grams: band(learnt.sea.grams), minutes: band(learnt.sea.minutes) },
  };
}

/** What a book's forecasts rest on, in a word: the same facts, the same word on every machine. */
export const factsWord = (book: TideBook): string => hash(JSON.stringify(book)).toString(36);

function bandsByDay(rows: readonly Float64Array[]): Sea['grams'] {
  const days = rows[0]?.length ?? 0;
  const [low, likely, high] = [new Float32Array(days), new Float32Array(days), new Float32Array(days)];
  const column = new Float64Array(rows.length);
  for (let d = 0; d < days; d++) {
    for (const [k, row] of rows.entries()) column[k] = row[d] ?? 0;
    const [a = 0, b = 0, c = 0] = quantilesOf(column, [0.1, 0.5, 0.9]);
    low[d] = a;
    likely[d] = b;
    high[d] = c;
  }
  return { low, likely, high };
}

/** The season that starts next for a fit: its place among the sheds. */
function nextShed(fit: Fit, asOf: Day): number {
  return fit.model.sheds.findIndex((s) => s.usual + 20 > asOf && s.tide !== 'life');
}

/**
 * Draws of a dog in an order that goes with the town's: the k-th draws of all dogs share a late or an early season as far
 * as the town explains what each does not know (a Gaussian copula).
 */
function drawsInStep(fit: Fit, town: Town, asOf: Day, stream: number): Int32Array {
  const draws = evenDraws(fit, SCENARIOS);
  const i = nextShed(fit, asOf);
  const shed = fit.model.sheds[i];
  if (!shed) return draws;
  const at = GLOBALS.length + i;
  const startOf = (r: number): number => fit.draws[r * fit.model.size + at] ?? 0;
  const sorted = Array.from(draws).sort((a, b) => startOf(a) - startOf(b));
  const mean = sorted.reduce((t, r) => t + startOf(r), 0) / sorted.length;
  const own = sorted.reduce((t, r) => t + (startOf(r) - mean) ** 2, 0) / sorted.length;
  const shared = town.shifts.find((s) => s.key === shed.key)?.sd ?? 0;
  const together = clamp(shared ** 2 / Math.max(own, 1e-6), 0, 1);
  const random = seededRandom(stream);
  const wanted = Array.from({ length: SCENARIOS }, (_, k) => {
    const z = normalQuantile((k + 0.5) / SCENARIOS);
    return { k, z: Math.sqrt(together) * z + Math.sqrt(1 - together) * randomNormal(random, 0, 1) };
  }).sort((a, b) => a.z - b.z);
  const placed = new Int32Array(SCENARIOS);
  for (const [rank, { k }] of wanted.entries()) placed[k] = sorted[rank] ?? 0;
  return placed;
}

function lookAhead(
  d: BookDog,
  fit: Fit,
  town: Town,
  book: TideBook,
  asOf: Day,
  seaG: readonly Float64Array[],
  seaM: readonly Float64Array[],
): DogTide {
  const { model } = fit;
  const takes = usualTakes(d.sightings, asOf);
  const dueG = model.fullG * DUE_LOAD_SHARE;
  const reads = new Float64Array(model.sightings);
  const rows: Float64Array[] = [];
  const wave = new Float32Array(AHEAD_DAYS);
  const minutes = new Float32Array(AHEAD_DAYS);
  const lastVisit = [...model.visits.keys()].reduce((a, b) => Math.max(a, b), -Infinity);
  const dueDays = new Float64Array(SCENARIOS);
  const dueMinutes = new Float64Array(SCENARIOS);
  const dueGrams = new Float64Array(SCENARIOS);
  const floor = new Float64Array(SCENARIOS);
  const coat = { storeG: 0, keep: 0, fallShare: 0, takes };
  const booked = new Set<number>(d.booked);
  const draws = drawsInStep(fit, town, asOf, hash(d.id));
  for (const [k, r] of draws.entries()) {
    const theta = drawOf(fit, r);
    const rates = model.rates(theta);
    const store0 = model.read(theta, reads);
    const since = asOf - model.lastDay;
    const gap = since > 0 ? course(rates, model.lastDay, store0, since).store : undefined;
    // As nothing is done: then it comes as it is booked, and later when it is due.
    const stands = gap ? (gap[since - 1] ?? store0) : store0;
    const bare = course(rates, asOf, stands, AHEAD_DAYS);
    coat.storeG += stands / SCENARIOS;
    coat.keep += Math.exp(-rates.loss) / SCENARIOS;
    coat.fallShare += rates.fallShare / SCENARIOS;
    const seaGk = seaG[k];
    const seaMk = seaM[k];
    let last = lastVisit;
    let dueSaid = false;
    let fell = 0;
    // The store is linear: what a visit takes out fades as the rest does.
    const keep = Math.exp(-rates.loss);
    let missing = 0;
    for (let i = 0; i < AHEAD_DAYS; i++) {
      const on = asOf + i + 1;
      missing *= keep;
      let store = Math.max(0, (bare.store[i] ?? 0) - missing);
      const waited = on - last;
      const open = book.openWeekdays.includes(isoWeekday(day(on)));
      const isDue = (store >= dueG && waited >= d.rhythm.shortest) || waited >= d.rhythm.longest;
      if (isDue && !dueSaid) {
        dueSaid = true;
        dueDays[k] = on;
        dueMinutes[k] = minutesAtLoad(d.minutesAt, store / model.fullG);
        dueGrams[k] = store * takes;
        floor[k] = fell;
      }
      fell += dueSaid ? 0 : (bare.fell[i] ?? 0);
      const later = d.booked.some((b) => b > on);
      if (booked.has(on) || (isDue && open && !later)) {
        const took = minutesAtLoad(d.minutesAt, store / model.fullG);
        minutes[i] = (minutes[i] ?? 0) + took / SCENARIOS;
        if (seaMk) seaMk[i] = (seaMk[i] ?? 0) + took;
        missing += store * takes;
        store *= 1 - takes;
        last = on;
      }
      wave[i] = (wave[i] ?? 0) + store / SCENARIOS;
      if (seaGk) seaGk[i] = (seaGk[i] ?? 0) + store;
    }
    if (!dueSaid) {
      dueDays[k] = asOf + AHEAD_DAYS;
      dueMinutes[k] = minutesAtLoad(d.minutesAt, (bare.store[AHEAD_DAYS - 1] ?? 0) / model.fullG);
      dueGrams[k] = (bare.store[AHEAD_DAYS - 1] ?? 0) * takes;
      floor[k] = fell;
    }
    rows.push(bare.store);
  }
  const starts = model.sheds.flatMap((s): StartAhead[] => {
    if (s.usual < asOf - 60 || s.usual > asOf + AHEAD_DAYS) return [];
    const band = startBand(fit, s.key);
    return band ? [{ key: s.key, tide: s.tide, ...band }] : [];
  });
  return {
    id: d.id,
    bare: bandsByDay(rows),
    coat,
    wave,
    minutes,
    starts,
    due: bandOf(dueDays),
    dueMinutes: bandOf(dueMinutes),
    dueGrams: bandOf(dueGrams),
    floorG: bandOf(floor),
    fullG: model.fullG,
    sampled: fit.sampled,
    seen: model.sightings,
    weighed: d.sightings.filter((s) => s.kind === 'visit' && s.day <= asOf && s.weighed !== undefined).length,
  };
}

/** A whole number of a text (FNV-1a). */
export function hash(text: string): number {
  let h = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
  return h >>> 0;
}
