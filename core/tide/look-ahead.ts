/**
 * One dog's year ahead in its town: what stands in its coat, when it is due, what its visits ask.
 *
 * Every dog is drawn many times; in each draw it comes when it is booked, and after that when its coat is due. Draws of
 * different dogs belong together as far as what they do not know is the same: the town's shift of the season.
 */
import {
  clamp,
  day,
  isoWeekday,
  normalQuantile,
  randomNormal,
  seededRandom,
  sum,
  type Day,
  type Interval80,
} from '../quantity/index.ts';
import {
  bandOf,
  boutsAhead,
  course,
  drawOf,
  evenDraws,
  inBlow,
  quantilesOf,
  spread,
  startBand,
  type Course,
} from './ahead.ts';
import { GLOBALS, NOW, ratesAhead, ratesOf, TOUCH, type DogModel, type Rates } from './dog-model.ts';
import type { Fit } from './fit.ts';
import { LogReader } from './log-reader.ts';
import type { TideName } from './seasons.ts';
import { minutesAtLoad, usualTakes, type BookDog } from './tide-book.ts';
import type { Town } from './town.ts';

/** Days ahead that a tide is drawn for. */
export const AHEAD_DAYS = 365;
/** Draws that stand for a dog, and for the sea. */
export const SCENARIOS = 60;
/** Share of the class's full load at which a visit is due: about a finger grade 2 all over. Guess. */
export const DUE_LOAD_SHARE = 0.34;
/** What season and home do to the due day is asked of every so many draws. */
const ASKED_OF_EVERY = 3;

/** A figure for each day ahead; plain lists of numbers are what it is when it has travelled. */
export type Levels = ArrayLike<number> & Iterable<number>;
/** A figure for each day ahead with its 80 % band. */
export interface BandLevels {
  readonly low: Levels;
  readonly likely: Levels;
  readonly high: Levels;
}

/** A season ahead or under way: when a tenth of it is out. */
export interface StartAhead extends Interval80 {
  readonly key: string;
  readonly tide: TideName | 'life';
  /** The day on which somebody saw that it had started; without it all is an estimate. */
  readonly seen?: Day | undefined;
}

/** How a coat fills after it was worked last, or felt where nobody has worked it: days until a visit is due by its load. */
export interface Filling extends Interval80 {
  readonly since: Day;
  readonly worked: boolean;
  /** Likely days if it shed evenly through the year, and if nobody brushed at home. */
  readonly even: number;
  readonly alone: number;
}
/** A coat that does not fill is said to fill after so many days: later than anybody waits. */
const NEVER_DAYS = 400;

/** What is known of one dog's coat ahead, whatever is done in the salon. */
export interface CoatAhead {
  readonly id: string;
  /** Grams in the coat at the end of each day ahead if it does not come at all: 80 % band. */
  readonly bare: BandLevels;
  /** Grams in the coat today. */
  readonly now: Interval80;
  /** The day it was felt last, and the grams that stood in it then, before anything was worked. */
  readonly checked?: { readonly day: Day; readonly grams: Interval80 } | undefined;
  /** How the coat fades: grams that stand, share that stands a day later, share of the rest that falls at home. */
  readonly coat: { readonly storeG: number; readonly keep: number; readonly fallShare: number; readonly takes: number };
  readonly starts: readonly StartAhead[];
  /** Is a blow more likely than not under way today. */
  readonly blow: boolean;
  /** Undefined where nobody has felt or worked this coat. */
  readonly fills?: Filling | undefined;
  /** Grams that are felt as a full load of this dog: its class's, as far as hands read this coat as they read others. */
  readonly fullG: number;
  /** What it was learnt from, in a word (factsOf). */
  readonly facts: string;
  readonly sampled: boolean;
  /** Sightings its log holds. */
  readonly seen: number;
  /** Visits whose hair was weighed: below two, only ranges are said. */
  readonly weighed: number;
}

/** What is known of one dog's days ahead. */
export interface DogTide extends CoatAhead {
  /** Expected grams there if it comes as booked, and then when it is due. */
  readonly wave: Levels;
  /** Expected minutes of its visits on each day ahead. */
  readonly minutes: Levels;
}

/** Rows of the sea, one a scenario: what this dog adds to them. */
export interface SeaRows {
  readonly grams: readonly Float64Array[];
  readonly minutes: readonly Float64Array[];
}

/** Bands of some rows, day by day. */
export function bandsByDay(rows: readonly Float64Array[]): BandLevels {
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

/** The day from which a coat fills, and whether it was worked then. */
function lastTouched({ log }: DogModel): Pick<Filling, 'since' | 'worked'> | undefined {
  const since = log.lastVisit ?? log.lastTouch;
  return since && { since, worked: log.lastVisit !== undefined };
}

/** Days until a coat is felt as full as a visit is due at; `store` says what stands so many days on, undefined beyond what is known. */
function filledAfter(dueG: number, feel: number, store: (after: number) => number | undefined): number {
  for (let after = 1; after < NEVER_DAYS; after++) {
    const grams = store(after);
    if (grams === undefined) break;
    if (grams * feel >= dueG) return after;
  }
  return NEVER_DAYS;
}

/** Days after its last visit on which a dog is due, whose coat fills after so many: kept within its rhythm, at once where found packed. */
export function dueAfter(
  after: number,
  { rhythm, found }: Pick<BookDog, 'rhythm' | 'found'>,
  { since, worked }: Pick<Filling, 'since' | 'worked'>,
): number {
  // Skin that was not worked needs no rest: a dog that was only looked at may come at once.
  const shortest = worked ? rhythm.shortest : 1;
  const packed = found?.packed && found.day >= since ? found.day - since : Infinity;
  return clamp(Math.min(after, packed), shortest, Math.max(shortest, rhythm.longest));
}

/** One draw of a dog: its coat since it was worked last, and if nobody works it for a year. */
interface Draw {
  readonly rates: Rates;
  readonly checkedG: number;
  readonly stands: number;
  /** Felt load of a gram against a usual coat of the class. */
  readonly feel: number;
  /** What the last working left, and what stood at the end of each day since. */
  readonly left: number;
  readonly since: Float64Array;
  readonly bouts: Float64Array;
  readonly bare: Course;
}

function drawsOf(fit: Fit, draws: Int32Array, last: Pick<Filling, 'since'> | undefined): readonly Draw[] {
  const { model } = fit;
  const { log, asOf } = model;
  const reader = new LogReader(model);
  const reads = new Float64Array(model.sightings);
  const from = last?.since ?? log.lastDay;
  const noted = Float64Array.from({ length: Math.max(0, asOf - from) }, (_, i) => log.boutDays.get(from + i + 1) ?? 0);
  // What a check since then found beyond its history.
  const lift = (theta: Float64Array): ReadonlyMap<number, number> =>
    new Map(log.lastTouch === undefined ? [] : [[log.lastTouch, 1 - Math.exp(theta[NOW]!)]]);
  return Array.from(draws, (r, k): Draw => {
    const theta = drawOf(fit, r);
    const end = reader.read(theta, reads);
    const past = ratesOf(model, theta);
    const left = last ? reader.leftAfter(last.since) : end;
    const since = course(past, from, left, noted.length, { bouts: noted, visits: lift(theta) }).store;
    const rates = ratesAhead(model, past);
    const stands = since.at(-1) ?? left;
    const bouts = boutsAhead(model, rates, asOf, AHEAD_DAYS, spread(k, draws.length));
    return {
      rates,
      feel: Math.exp(theta[TOUCH]!),
      checkedG: log.lastTouch === undefined ? 0 : reader.checked(),
      stands,
      left,
      since,
      bouts,
      bare: course(rates, asOf, stands, AHEAD_DAYS, { bouts }),
    };
  });
}

const fillsAfter = (dueG: number, { since, bare, feel }: Draw): number =>
  filledAfter(dueG, feel, (after) => since[after - 1] ?? bare.store[after - since.length - 1]);

function fillingOf(
  last: Pick<Filling, 'since' | 'worked'>,
  drawn: readonly Draw[],
  after: Float64Array,
  dueG: number,
): Filling {
  // The same draws with and without, so that chance does not make a difference.
  const asked = drawn.map((draw, k) => ({ ...draw, days: after[k]! })).filter((_, k) => k % ASKED_OF_EVERY === 0);
  const otherwise = asked.map(({ rates, left, feel, bouts, days: now }) => {
    const days = NEVER_DAYS >> 1;
    const seasonal = sum(rates.sheds.filter((s) => Math.abs(s.onset - last.since) < 183).map((s) => s.grams));
    const evenly = { ...rates, sheds: [], baseG: rates.baseG + seasonal / 365.25 };
    const even = course(evenly, last.since, left, days, { bouts: new Float64Array(days).fill(mean(bouts)) }).store;
    const unbrushed = { ...rates, loss: rates.loss * rates.fallShare, fallShare: 1 };
    const alone = course(unbrushed, last.since, left, days).store;
    return {
      even: filledAfter(dueG, feel, (d) => even[d - 1]) - now,
      alone: filledAfter(dueG, feel, (d) => alone[d - 1]) - now,
    };
  });
  const band = bandOf(after);
  const likely = (of: (o: (typeof otherwise)[number]) => number): number =>
    Math.max(1, band.likely + bandOf(Float64Array.from(otherwise, of)).likely);
  return { ...last, ...band, even: likely((o) => o.even), alone: likely((o) => o.alone) };
}

interface Policy {
  readonly takes: number;
  readonly openWeekdays: readonly number[];
  /** First day on which it is due; never where nothing is known of the coat. */
  readonly due: number;
}
interface Year {
  readonly wave: Float64Array;
  readonly minutes: Float64Array;
}

/** One draw's year: the dog comes as it is booked, and after that when it is due. */
function yearOf(draw: Draw, d: BookDog, { asOf, fullG }: DogModel, { takes, openWeekdays, due: first }: Policy): Year {
  const wave = new Float64Array(AHEAD_DAYS);
  const minutes = new Float64Array(AHEAD_DAYS);
  const booked = new Set<number>(d.booked.map((b) => b.day));
  const lastBooked = Math.max(-Infinity, ...booked);
  const { rates, bare, bouts, feel } = draw;
  const fade = Math.exp(-rates.loss);
  let due = first;
  // The store is linear: what a visit takes out fades as the rest does.
  let missing = 0;
  let last = -Infinity;
  for (let i = 0; i < AHEAD_DAYS; i++) {
    const on = asOf + i + 1;
    missing *= fade * (1 - rates.bout) ** bouts[i]!;
    let store = Math.max(0, bare.store[i]! - missing);
    const waited = on - last;
    const full = store * feel >= fullG * DUE_LOAD_SHARE && waited >= d.rhythm.shortest;
    if (last > -Infinity && (full || waited >= d.rhythm.longest)) due = Math.min(due, on);
    if (booked.has(on) || (on >= due && on > lastBooked && openWeekdays.includes(isoWeekday(day(on))))) {
      minutes[i] = minutesAtLoad(d.minutesAt, (store * feel) / fullG);
      missing += store * takes;
      store *= 1 - takes;
      last = on;
      due = Infinity;
    }
    wave[i] = store;
  }
  return { wave, minutes };
}

const mean = (of: ArrayLike<number>): number => {
  let all = 0;
  for (let i = 0; i < of.length; i++) all += of[i]!;
  return all / of.length;
};
const meanByDay = (rows: readonly Float64Array[]): Float32Array =>
  Float32Array.from({ length: AHEAD_DAYS }, (_, i) => {
    let all = 0;
    for (const row of rows) all += row[i]!;
    return all / rows.length;
  });

/** Share of what stands that still stands a day later, and of what leaves by itself the share that falls: a year's mean. */
function fadeOf({ rates, bouts }: Draw): { readonly keep: number; readonly fallShare: number } {
  const brushed = -Math.log(1 - rates.bout) * mean(bouts);
  return { keep: Math.exp(-rates.loss - brushed), fallShare: (rates.fallShare * rates.loss) / (rates.loss + brushed) };
}

/** A fit’s dog as the tide of its salon sees it; what its visits ask is added to the rows of a sea. */
export function lookAhead(d: BookDog, fit: Fit, town: Town, openWeekdays: readonly number[], sea?: SeaRows): DogTide {
  const { model } = fit;
  const { asOf, log } = model;
  const last = lastTouched(model);
  const takes = usualTakes(d.sightings, asOf);
  const dueG = model.fullG * DUE_LOAD_SHARE;
  const drawn = drawsOf(fit, drawsInStep(fit, town, asOf, hash(d.id)), last);
  const after = Float64Array.from(drawn, (draw) => fillsAfter(dueG, draw));
  const years = drawn.map((draw, k) => {
    const due = last ? last.since + dueAfter(after[k]!, d, last) : Infinity;
    return yearOf(draw, d, model, { takes, openWeekdays, due });
  });
  if (sea) {
    for (const [k, { wave, minutes }] of years.entries())
      for (let i = 0; i < AHEAD_DAYS; i++) {
        sea.grams[k]![i]! += wave[i]!;
        sea.minutes[k]![i]! += minutes[i]!;
      }
  }
  const fades = drawn.map(fadeOf);
  const checked = log.lastTouch && {
    day: log.lastTouch,
    grams: bandOf(Float64Array.from(drawn, (draw) => draw.checkedG)),
  };
  return {
    id: d.id,
    bare: bandsByDay(drawn.map((draw) => draw.bare.store)),
    now: bandOf(Float64Array.from(drawn, (draw) => draw.stands)),
    ...(checked && { checked }),
    coat: {
      storeG: mean(drawn.map((draw) => draw.stands)),
      keep: mean(fades.map((f) => f.keep)),
      fallShare: mean(fades.map((f) => f.fallShare)),
      takes,
    },
    wave: meanByDay(years.map((y) => y.wave)),
    minutes: meanByDay(years.map((y) => y.minutes)),
    starts: startsOf(fit, (usual) => usual >= asOf - 60 && usual <= asOf + AHEAD_DAYS),
    blow: inBlow(fit, asOf),
    ...(last && { fills: fillingOf(last, drawn, after, dueG) }),
    fullG: feltFullG(
      d,
      checked?.grams.likely,
      model.fullG / bandOf(Float64Array.from(drawn, (draw) => draw.feel)).likely,
    ),
    facts: factsOf(d),
    sampled: fit.sampled,
    seen: model.sightings,
    weighed: d.sightings.filter((s) => s.kind === 'visit' && s.day <= asOf && s.weighed !== undefined).length,
  };
}

/** All that is learnt of a dog, in a word: the same facts, the same word on every machine. What its minutes are is not learnt. */
export const factsOf = ({ dog, sightings, rhythm, found }: BookDog): string =>
  hash(JSON.stringify([dog, sightings, rhythm, found])).toString(36);

/** Grams that are felt as a full load: as hands read this dog over the years, and as they found it where nobody has worked it since. */
const feltFullG = ({ found }: BookDog, checkedG: number | undefined, usual: number): number =>
  found && checkedG !== undefined ? checkedG / found.load : usual;

/** Starts of a fit's seasons whose usual day is wanted. */
export const startsOf = (fit: Fit, when: (usual: number) => boolean): readonly StartAhead[] =>
  fit.model.sheds.flatMap((s, i): StartAhead[] => {
    const band = when(s.usual) ? startBand(fit, s.key) : undefined;
    const seen = fit.model.log.said.get(i);
    return band ? [{ key: s.key, tide: s.tide, ...band, ...(seen !== undefined && { seen }) }] : [];
  });

/** A whole number of a text (FNV-1a). */
export function hash(text: string): number {
  let h = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
  return h >>> 0;
}
