/**
 * The model of one dog's coat that learning turns round: what is known before its log, and the parameters that the log
 * is to tell. Release in grams a day = a baseline + a pulse for each season of light and each shed of life.
 */
import { clamp, day, type Day } from '../quantity/index.ts';
import { bodySurfaceM2, coatRow, type CoatClass } from '../dog/index.ts';
import { lifeLength, lifeRelease, lifeSheds, outdoorShareOn, type LifeEvent } from './life.ts';
import { homeTakesPerDay, type HomeCare } from './home-care.ts';
import { homeHabit, type HomeHabit } from './home-habit.ts';
import { compileLog, type LogProgram } from './log-program.ts';
import { LENGTH_DAYS, lightSeason, lightSeasons, lightTrust, type Place, type TideName } from './seasons.ts';
import type { ReleasePulse } from './store-walk.ts';
import type { Sighting } from './sightings.ts';

/** What the prior of a dog rests on. */
export interface TideDog {
  readonly coatClass: CoatClass;
  readonly weightKg: number;
  readonly outdoorShare: number;
  readonly homeCare: HomeCare;
  readonly born?: Day | undefined;
  readonly life: readonly LifeEvent[];
  /** Sheds in four lesser waves a year. */
  readonly fourTides?: boolean | undefined;
}

/** Parameters that hold for all of a dog's years; natural logarithms of factors unless said otherwise. */
export const GLOBALS = ['release', 'share', 'length', 'loss', 'home', 'handful', 'touch', 'start', 'now'] as const;
export type Global = (typeof GLOBALS)[number];
export const [RELEASE, SHARE, LENGTH, LOSS, HOME, HANDFUL, TOUCH, START, NOW] = [0, 1, 2, 3, 4, 5, 6, 7, 8];
export const N_GLOBALS = GLOBALS.length;

/** Doubts about them before anything is logged. Guesses: of factors as logarithms, of `share` and `home` as log odds. */
export const GLOBAL_SD: Readonly<Record<Global, number>> = {
  release: 0.35,
  share: 0.5,
  length: 0.16,
  loss: 0.35,
  home: 0.5,
  handful: 0.35,
  touch: 0.25,
  start: 0.7,
  // What the newest check finds beyond what its history explains: hair that nobody saw come, work that took less than was said.
  now: 0.4,
};
/** Doubt about one season's size against the dog's usual, and of a shed of life. Guess. */
const AMPLITUDE_SD = 0.22;
const LIFE_AMPLITUDE_SD = 0.5;
/** Share of what stands in the coat that one bout at home takes. Guess. */
const HOME_BOUT_TAKES = 0.07;
/** Of the usual home brushing, what goes on unlogged where bouts are logged. Guess. */
const UNLOGGED_BESIDE_LOG = 0.3;
/** A dog under lamps all day keeps this share of its seasons; half its time outdoors gives all. Guess. */
const INDOOR_SEASON = 0.45;
/** Seasons that were under way this long before the first sighting are still in the coat. */
const BEFORE_DAYS = 110;
/** A start moves no further than this from its usual day. */
const MOVES_DAYS = 120;

/**
 * What was logged longer ago is of another dog: it has grown, aged or moved. Each year more also costs more than the one before,
 * and a year that was mistyped as 203 would cost for ever.
 */
export const HEEDED_DAYS = 6 * 366;

/** One shed of a dog: of light, or of life. */
export interface Shed {
  readonly key: string;
  readonly tide: TideName | 'life';
  readonly year: number;
  /** The day on which it usually starts, as far as light and life alone know. */
  readonly usual: Day;
  readonly lengthDays: number;
  /** Grams that it usually sets free: of a year's release (life), or of the seasonal release (light). */
  readonly part: number;
  /** Days of doubt of a shed of life; light's are the salon's. */
  readonly sdDays: number;
}

/** All that is known of a dog before its parameters are: plain facts, the same for every reader. */
export interface DogModel {
  readonly sheds: readonly Shed[];
  readonly size: number;
  /** Places of the likelihood. */
  readonly sightings: number;
  readonly log: LogProgram;
  /** Prior means and standard deviations of the parameters; the starts' are the salon's to give. */
  readonly mean: Float64Array;
  readonly sd: Float64Array;
  /** How far light is trusted as a clock, 0..1. */
  readonly trust: number;
  readonly fullG: number;
  /** Usual figures that the parameters are factors of: grams a year, grams at the log's beginning, share that goes each day. */
  readonly usual: {
    readonly yearG: number;
    readonly startG: number;
    readonly loss: number;
    /** Of that, what falls by itself and what goes at home without a note: while bouts are noted, and while none are. */
    readonly falls: number;
    readonly unnoted: number;
  };
  readonly habit: HomeHabit;
  readonly life: readonly LifeEvent[];
  readonly from: Day;
  readonly lastDay: Day;
  /** The log is read up to this day. */
  readonly asOf: Day;
  /** Where this dog's chance begins: two dogs share none. */
  readonly stream: number;
}

/** A dog's coat under one set of parameters. */
export interface Rates {
  /** Grams in the coat at the end of the model's first day. */
  readonly startG: number;
  /** Grams a day outside the sheds, before events of life. */
  readonly baseG: number;
  /** Share of the store that goes each day: falls, and at home without a log. */
  readonly loss: number;
  readonly fallShare: number;
  /** Share of the store that a bout at home takes. */
  readonly bout: number;
  /** One for each shed of the model, in its order. */
  readonly sheds: readonly ReleasePulse[];
  readonly life: readonly LifeEvent[];
}

const logit = (p: number): number => Math.log(p / (1 - p));
export const sigmoid = (x: number): number => 1 / (1 + Math.exp(-x));

/** How much of the seasons this life leaves, 0..1. */
export const lifeLight = (outdoorShare: number): number =>
  INDOOR_SEASON + (1 - INDOOR_SEASON) * clamp(outdoorShare * 2, 0, 1);

/**
 * The model of one dog. sightings in any order; those after `asOf`, and those longer ago than HEEDED_DAYS, are not read.
 * until: the day up to which seasons are looked ahead. stream: a whole number from 0 of the dog's own.
 */
export function dogModel(
  dog: TideDog,
  place: Place,
  sightings: readonly Sighting[],
  asOf: Day,
  until: Day,
  stream = 0,
): DogModel {
  const coat = coatRow(dog.coatClass);
  const surface = bodySurfaceM2(dog.weightKg);
  const fullG = coat.fullLoadGPerM2 * surface;
  const yearG = coat.yearlyReleaseGPerM2 * surface;
  const seen = sightings.filter((s) => s.day <= asOf && s.day >= asOf - HEEDED_DAYS);
  const light = lightSeason(place, asOf);
  const tides: readonly TideName[] = dog.fourTides ? ['spring', 'summer', 'autumn', 'winter'] : ['spring', 'autumn'];
  const shedsFrom = (from: Day): readonly Shed[] => shedsOf(dog, place, tides, day(from - BEFORE_DAYS), until);
  const log = compileLog({ sightings: seen, asOf, life: dog.life, fullG }, shedsFrom);
  const sheds = shedsFrom(log.from);
  const n = sheds.length;
  const size = N_GLOBALS + 2 * n;

  const unnoted = homeTakesPerDay(dog.homeCare);
  const loss = coat.fallPerDay + unnoted * (log.boutDays.size > 0 ? UNLOGGED_BESIDE_LOG : 1);
  const share = clamp(coat.seasonalShare * light * lifeLight(dog.outdoorShare), 0.02, 0.95);

  const mean = new Float64Array(size);
  const sd = new Float64Array(size);
  mean.set([0, logit(share), 0, 0, logit(HOME_BOUT_TAKES), 0, 0, 0, 0]);
  sd.set(GLOBALS.map((g) => GLOBAL_SD[g]));
  // Where light gives hardly a season only the log can say how much of one there is.
  sd[SHARE] = GLOBAL_SD.share * (1 + 1.5 * (1 - clamp(light * 2, 0, 1)));
  for (const [i, s] of sheds.entries()) {
    sd[N_GLOBALS + i] = s.sdDays;
    sd[N_GLOBALS + n + i] = s.tide === 'life' ? LIFE_AMPLITUDE_SD : AMPLITUDE_SD;
  }
  return {
    sheds,
    size,
    sightings: log.count,
    log,
    mean,
    sd,
    trust: lightTrust(place, asOf),
    fullG,
    usual: {
      yearG,
      startG: Math.min(0.6 * fullG, (yearG / 365.25) * Math.min(45, 1 / loss)),
      loss,
      falls: coat.fallPerDay,
      unnoted,
    },
    habit: homeHabit(log, sheds, asOf),
    life: dog.life,
    from: log.from,
    lastDay: log.lastDay,
    asOf,
    stream,
  };
}

/** The day on which a shed begins that is moved by so many days. */
const onsetOf = (usual: Day, moved: number): number => usual + clamp(moved, -MOVES_DAYS, MOVES_DAYS);

/** When a shed begins and how long it lasts under a set of parameters. */
export function spanOf(
  { sheds }: DogModel,
  theta: Float64Array,
  i: number,
): Pick<ReleasePulse, 'onset' | 'lengthDays'> {
  const { usual, lengthDays } = sheds[i]!;
  return {
    onset: onsetOf(usual, theta[N_GLOBALS + i]!),
    lengthDays: lengthDays * Math.exp(theta[LENGTH]!),
  };
}

/** The coat that a set of parameters stands for. */
export function ratesOf({ usual, sheds, life }: DogModel, theta: Float64Array): Rates {
  const n = sheds.length;
  const year = usual.yearG * Math.exp(theta[RELEASE]!);
  const seasonal = year * sigmoid(theta[SHARE]!);
  const stretch = Math.exp(theta[LENGTH]!);
  return {
    startG: usual.startG * Math.exp(theta[START]!),
    baseG: (year - seasonal) / 365.25,
    loss: Math.min(0.6, usual.loss * Math.exp(theta[LOSS]!)),
    fallShare: usual.falls / usual.loss,
    bout: sigmoid(theta[HOME]!),
    sheds: sheds.map((s, i) => ({
      onset: onsetOf(s.usual, theta[N_GLOBALS + i]!),
      lengthDays: s.lengthDays * stretch,
      grams: (s.tide === 'life' ? year : seasonal) * s.part * Math.exp(theta[N_GLOBALS + n + i]!),
    })),
    life,
  };
}

/** The same from today on: what goes at home unnoted is more where nobody notes any longer. */
export function ratesAhead({ usual, habit }: DogModel, rates: Rates): Rates {
  const loss = usual.falls + usual.unnoted * (habit.notes ? UNLOGGED_BESIDE_LOG : 1);
  return { ...rates, loss: Math.min(0.6, (rates.loss * loss) / usual.loss), fallShare: usual.falls / loss };
}

/** The same if nobody brushed: what goes is what falls. */
export const unbrushed = (rates: Rates): Rates => ({ ...rates, loss: rates.loss * rates.fallShare, fallShare: 1 });

/** All sheds of a dog that may matter between two days. */
function shedsOf(dog: TideDog, place: Place, tides: readonly TideName[], from: Day, until: Day): readonly Shed[] {
  const { springPart } = coatRow(dog.coatClass);
  // Four lesser waves share the year; the two main ones are still the larger.
  const main = dog.fourTides ? 0.6 : 1;
  const partOf = (tide: TideName): number =>
    tide === 'spring' || tide === 'autumn' ? main * (tide === 'spring' ? springPart : 1 - springPart) : (1 - main) / 2;
  const now = lifeLight(dog.outdoorShare);
  const light = lightSeasons(place, from, until, tides).map(({ key, tide, year, usual }): Shed => ({
    key,
    tide,
    year,
    usual,
    lengthDays: LENGTH_DAYS[tide] * lifeLength(dog.life, usual),
    part:
      partOf(tide) *
      lifeRelease(dog.life, usual) *
      (lifeLight(outdoorShareOn(dog.life, dog.outdoorShare, usual)) / now),
    sdDays: 0,
  }));
  const life = lifeSheds(dog.life, dog.born)
    .filter((s) => s.usual >= from && s.usual <= until)
    .map((s): Shed => ({
      key: s.key,
      tide: 'life',
      year: 0,
      usual: s.usual,
      lengthDays: s.lengthDays,
      part: s.ofYear,
      sdDays: s.sdDays,
    }));
  return [...light, ...life].sort((a, b) => a.usual - b.usual);
}
