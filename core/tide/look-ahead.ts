/**
 * One dog's year ahead in its town: what stands in its coat, when it is due, what its visits ask.
 *
 * Every dog is drawn many times; in each draw it comes when it is booked, and after that when its coat is due. Draws of
 * different dogs belong together as far as what they do not know is the same: the town's shift of the season.
 */
import { day, isoWeekday, mean, type Day, type Interval80 } from '../quantity/index.ts';
import { bandOf, inBlow, quantilesOf, startBand } from './ahead.ts';
import { AHEAD_DAYS, drawsOf, fillingOf, fillsAfter, type Draw } from './coat-draws.ts';
import { drawsInStep } from './copula.ts';
import type { DogModel } from './dog-model.ts';
import { DUE_LOAD_SHARE, dueAfter, lastTouched, type Filling } from './filling.ts';
import type { Fit } from './fit.ts';
import { hash } from './hash.ts';
import type { TideName } from './seasons.ts';
import { minutesAtLoad, usualTakes, type BookDog } from './tide-book.ts';
import type { Town } from './town.ts';

/** A figure for each day ahead; plain lists of numbers are what it is when it has travelled. */
export type Levels = ArrayLike<number> & Iterable<number>;
/** A figure for each day ahead with its 80 % band. */
export interface BandLevels {
  readonly low: Levels;
  readonly likely: Levels;
  readonly high: Levels;
}

/** The same as it is computed. */
export type BandsByDay = Readonly<Record<keyof BandLevels, Float32Array>>;

/** A season ahead or under way: when a tenth of it is out. */
export interface StartAhead extends Interval80 {
  readonly key: string;
  readonly tide: TideName | 'life';
  /** The day on which somebody saw that it had started; without it all is an estimate. */
  readonly seen?: Day | undefined;
}

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
  /** Bouts a week at home that are counted on, as noted; undefined where nothing is noted and its page is believed. */
  readonly boutsPerWeek?: number | undefined;
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

/** Of a dog's tide, what is known of its coat. */
export const coatAhead = ({ wave: _, minutes: _m, ...coat }: DogTide): CoatAhead => coat;

/** Rows of the sea, one a scenario: what this dog adds to them. */
export interface SeaRows {
  readonly grams: readonly Float64Array[];
  readonly minutes: readonly Float64Array[];
}

/** Bands of some rows, day by day. */
export function bandsByDay(rows: readonly Float64Array[]): BandsByDay {
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

interface Policy {
  readonly takes: number;
  /** Days ahead on which the salon is open, and on which it is booked. */
  readonly open: Uint8Array;
  readonly booked: Uint8Array;
  /** First day on which it is due; never where nothing is known of the coat. */
  readonly due: number;
}
interface Year {
  readonly wave: Float64Array;
  readonly minutes: Float64Array;
}

/** One draw's year: the dog comes as it is booked, and after that when it is due. */
function yearOf(draw: Draw, d: BookDog, { asOf, fullG }: DogModel, { takes, open, booked, due: first }: Policy): Year {
  const wave = new Float64Array(AHEAD_DAYS);
  const minutes = new Float64Array(AHEAD_DAYS);
  const lastBooked = asOf + 1 + booked.lastIndexOf(1);
  const { rates, bare, bouts, feel } = draw;
  const fade = Math.exp(-rates.loss);
  let due = first;
  // The store is linear: what a visit takes out fades as the rest does.
  let missing = 0;
  let [many, brushed] = [0, 1];
  let last = -Infinity;
  for (let i = 0; i < AHEAD_DAYS; i++) {
    const on = asOf + i + 1;
    if (bouts[i]! !== many) brushed = (1 - rates.bout) ** (many = bouts[i]!);
    missing *= fade * brushed;
    let store = Math.max(0, bare[i]! - missing);
    const waited = on - last;
    const full = store * feel >= fullG * DUE_LOAD_SHARE && waited >= d.rhythm.shortest;
    if (last > -Infinity && (full || waited >= d.rhythm.longest)) due = Math.min(due, on);
    if (booked[i] === 1 || (on >= due && on > lastBooked && open[i] === 1)) {
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
  const booked = new Uint8Array(AHEAD_DAYS);
  for (const b of d.booked) if (b.day > asOf && b.day <= asOf + AHEAD_DAYS) booked[b.day - asOf - 1] = 1;
  const open = Uint8Array.from({ length: AHEAD_DAYS }, (_, i) =>
    openWeekdays.includes(isoWeekday(day(asOf + i + 1))) ? 1 : 0,
  );
  const years = drawn.map((draw, k) => {
    const due = last ? last.since + dueAfter(after[k]!, d, last) : Infinity;
    return yearOf(draw, d, model, { takes, open, booked, due });
  });
  if (sea) {
    for (const [k, { wave, minutes }] of years.entries())
      for (let i = 0; i < AHEAD_DAYS; i++) {
        sea.grams[k]![i]! += wave[i]!;
        sea.minutes[k]![i]! += minutes[i]!;
      }
  }
  const fades = drawn.map(fadeOf);
  const checked =
    log.lastTouch === undefined
      ? undefined
      : { day: log.lastTouch, grams: bandOf(Float64Array.from(drawn, (draw) => draw.checkedG)) };
  return {
    id: d.id,
    bare: bandsByDay(drawn.map((draw) => draw.bare)),
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
    ...(model.habit.notes && { boutsPerWeek: 7 * model.habit.calm.mean }),
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
