/**
 * What one dog's tide looks like to somebody who asks: its years side by side, what its log has taught and what the
 * newest entry changed, what cannot be told apart yet, and what would be if it lived or was brushed otherwise.
 */
import { addDays, civilFromDay, clamp, day, dayFromCivil, sum, type Day, type Interval80 } from '../quantity/index.ts';
import { regionRow, ZONES, type Region } from '../dog/index.ts';
import { LOAD_BY_FINGER } from '../bench/index.ts';
import {
  bandOf,
  coatsOn,
  course,
  drawOf,
  evenDraws,
  inBlow,
  pastCourse,
  quantilesOf,
  startBand,
  visitGrams,
  type CoatOn,
  type Course,
  type CareAhead,
} from './ahead.ts';
import {
  AHEAD_DAYS,
  minutesAtLoad,
  usualTakes,
  type BookDog,
  type LearntBook,
  type StartAhead,
  type TideBook,
} from './caseload.ts';
import { dogModel, GLOBALS, lifeLight, type DogModel, type Global } from './dog-model.ts';
import { fitDog, type Fit } from './fit.ts';
import { leastPercent } from './score.ts';
import type { Sighting } from './sightings.ts';
import { townAsSaid } from './town.ts';

const DRAWS = 80;
/** A dog that was never here comes in so many days. */
const FIRST_VISIT_IN_DAYS = 14;
/** No visit takes all that stands in a coat. */
const MOST_TAKEN = 0.97;

/** A line of days with its 80 % band; element i is day from + i. */
export interface BandLine {
  readonly from: Day;
  readonly low: Float32Array;
  readonly likely: Float32Array;
  readonly high: Float32Array;
}

/** One calendar year of release, grams a day. */
export interface YearLine extends BandLine {
  readonly year: number;
  /** The part from today on is a forecast. */
  readonly ahead: boolean;
}

/** What the log has taught: a figure against where it started. */
export interface Lesson {
  readonly what: 'spring-start' | 'autumn-start' | 'length' | 'seasonal' | 'release' | 'loss' | 'home' | 'handful';
  /** Days against the town's usual for starts; days for length; factors else. */
  readonly value: number;
  readonly low: number;
  readonly high: number;
  /** How much of the first doubt is left, 0..1. */
  readonly doubtLeft: number;
}

/** What nobody can say yet, and the entry that would tell. */
export type Advice =
  'weigh-a-visit' | 'weigh-at-home' | 'say-when-it-starts' | 'first-visit-only-a-range' | 'light-gives-none';

export const WHAT_IFS = ['as-now', 'skip-visit', 'brush-daily', 'indoors', 'outdoors'] as const;
export type WhatIf = (typeof WHAT_IFS)[number];

/** What would be: until its next visit falls due or comes as booked, at that visit, and over the year from today. */
export interface WhatIfAnswer {
  readonly what: WhatIf;
  readonly visit: Day;
  readonly minutes: Interval80;
  readonly floorG: Interval80;
  readonly yearMinutes: Interval80;
  readonly yearFloorG: Interval80;
}

export interface PackingRisk {
  readonly region: Region;
  /** Chance that it is packed on the day of the next visit, 0..1. */
  readonly chance: number;
}

export interface DogStory {
  readonly id: string;
  readonly today: Day;
  readonly years: readonly YearLine[];
  /** Grams in the coat: from eight months back to six months ahead. */
  readonly store: BandLine;
  readonly starts: readonly StartAhead[];
  /** Starts of past seasons, as the log tells them now. */
  readonly pastStarts: readonly StartAhead[];
  readonly lessons: readonly Lesson[];
  readonly advice: readonly Advice[];
  readonly newest: { readonly day: Day; readonly before: StartAhead; readonly after: StartAhead } | undefined;
  readonly whatIfs: readonly WhatIfAnswer[];
  readonly packing: readonly PackingRisk[];
  /** What the next visit's hair should weigh, before this salon's stretch; undefined before it was ever weighed. */
  readonly nextGrams: Interval80 | undefined;
  readonly nextInBlow: boolean;
  readonly sampled: boolean;
}

const BACK_DAYS = 240;
const STORE_AHEAD = 180;

/** The story of one dog in its town. */
export function dogStory(book: TideBook, dog: BookDog, learnt: Pick<LearntBook, 'town'>): DogStory {
  const today = book.today;
  const model = dogModel(dog.dog, book.place, dog.sightings, today, addDays(today, AHEAD_DAYS + 30));
  const townFor = (m: DogModel) => townAsSaid(m, learnt.town);
  const fit = fitDog(model, townFor(model).priorOf(model));
  const draws = evenDraws(fit, DRAWS);
  const { years, store } = lines(fit, draws, today, dog.booked, usualTakes(dog.sightings, today));
  const starts = startsOf(fit, (s) => s >= today - 60 && s <= today + AHEAD_DAYS);
  const coats = coatsOn(fit, draws, today);
  const whatIfs = answers(book, dog, model, coats, today);
  const next = whatIfs[0];
  return {
    id: dog.id,
    today,
    years,
    store,
    starts,
    pastStarts: startsOf(fit, (s) => s < today - 60),
    lessons: lessonsOf(fit, learnt),
    advice: adviceOf(fit, dog.sightings, learnt),
    newest: newestOf(book, dog, starts, townFor),
    whatIfs,
    packing: next ? packingOf(model, coats, today, next.visit) : [],
    nextGrams: next && weightOf(fit, dog.sightings, next.visit),
    nextInBlow: next !== undefined && inBlow(fit, next.visit),
    sampled: fit.sampled,
  };
}

function startsOf(fit: Fit, when: (usual: number) => boolean): readonly StartAhead[] {
  return fit.model.sheds.flatMap((s): StartAhead[] => {
    const band = when(s.usual) ? startBand(fit, s.key) : undefined;
    return band ? [{ key: s.key, tide: s.tide, ...band }] : [];
  });
}

/** Past and future of every draw, as lines with bands. */
function lines(fit: Fit, draws: Int32Array, today: Day, booked: readonly Day[], takes: number) {
  const { model } = fit;
  const visits = new Map<number, number>(booked.map((b) => [b, takes]));
  const runs = Array.from(draws, (r) => {
    const past = pastCourse(fit, r, today);
    const stands = past.store.at(-1) ?? 0;
    const ahead = course(model.rates(drawOf(fit, r)), today, stands, AHEAD_DAYS, { visits });
    return {
      store: Float64Array.from([...past.store, ...ahead.store]),
      released: Float64Array.from([...past.released, ...ahead.released]),
    };
  });
  const first = addDays(model.from, 1);
  const column = new Float64Array(runs.length);
  const bands = (of: (run: (typeof runs)[number]) => Float64Array, from: Day, to: Day): BandLine => {
    const n = Math.max(0, to - from + 1);
    const [low, likely, high] = [new Float32Array(n), new Float32Array(n), new Float32Array(n)];
    for (let i = 0; i < n; i++) {
      for (const [k, run] of runs.entries()) column[k] = of(run)[from - first + i] ?? 0;
      const [a = 0, b = 0, c = 0] = quantilesOf(column, [0.1, 0.5, 0.9]);
      low[i] = a;
      likely[i] = b;
      high[i] = c;
    }
    return { from, low, likely, high };
  };
  const last = addDays(today, AHEAD_DAYS);
  const years: YearLine[] = [];
  for (let year = civilFromDay(first).year; year <= civilFromDay(last).year; year++) {
    const from = later(first, dayFromCivil({ year, month: 1, dayOfMonth: 1 }));
    const to = earlier(last, dayFromCivil({ year, month: 12, dayOfMonth: 31 }));
    if (to - from < 40) continue;
    years.push({ year, ahead: to > today, ...bands((run) => run.released, from, to) });
  }
  return {
    years,
    store: bands((run) => run.store, later(first, addDays(today, -BACK_DAYS)), addDays(today, STORE_AHEAD)),
  };
}

const later = (a: Day, b: Day): Day => (a > b ? a : b);
const earlier = (a: Day, b: Day): Day => (a < b ? a : b);

/** A parameter's draws, in their own units. */
function parameter(fit: Fit, at: number): Float64Array {
  return Float64Array.from(evenDraws(fit, 200), (r) => fit.draws[r * fit.model.size + at] ?? 0);
}

function lessonsOf(fit: Fit, learnt: Pick<LearntBook, 'town'>): readonly Lesson[] {
  const { model, told } = fit;
  const lessons: Lesson[] = [];
  for (const tide of ['spring', 'autumn'] as const) {
    // Its habit: the mean over the seasons it has lived through, against the town's.
    const own = model.sheds
      .map((s, i) => ({ s, i }))
      .filter(({ s }) => s.tide === tide && s.usual < model.lastDay - 30);
    const offset = learnt.town.offsets.find((o) => o.tide === tide)?.days ?? 0;
    if (own.length === 0) continue;
    const means = Float64Array.from(evenDraws(fit, 200), (r) => {
      let sum = 0;
      for (const { s, i } of own) {
        const shift = learnt.town.shifts.find((t) => t.key === s.key)?.days ?? 0;
        sum += (fit.draws[r * model.size + GLOBALS.length + i] ?? 0) - offset - shift;
      }
      return sum / own.length;
    });
    const { low, likely, high } = bandOf(means);
    const doubtLeft = own.reduce((t, { i }) => t + (told[GLOBALS.length + i] ?? 1), 0) / own.length;
    lessons.push({ what: tide === 'spring' ? 'spring-start' : 'autumn-start', value: likely, low, high, doubtLeft });
  }
  const spring = model.sheds.find((s) => s.tide === 'spring');
  const push = (what: Lesson['what'], global: Global, of: (v: number) => number): void => {
    const at = GLOBALS.indexOf(global);
    const { low, likely, high } = bandOf(parameter(fit, at).map(of));
    lessons.push({ what, value: likely, low, high, doubtLeft: told[at] ?? 1 });
  };
  if (spring) push('length', 'length', (v) => spring.lengthDays * Math.exp(v));
  push('seasonal', 'share', (v) => 1 / (1 + Math.exp(-v)));
  push('loss', 'loss', Math.exp);
  push('handful', 'handful', Math.exp);
  return lessons;
}

/** Left of the first doubt above which nothing has been learnt. */
const UNTOLD = 0.85;

function adviceOf(fit: Fit, sightings: readonly Sighting[], learnt: Pick<LearntBook, 'town'>): readonly Advice[] {
  const weighed = sightings.filter((s) => s.kind === 'visit' && s.weighed).length;
  const weighedHome = sightings.some((s) => s.kind === 'brushed' && s.grams !== undefined);
  const said = sightings.some((s) => s.kind === 'started');
  const doubt = (g: Global): number => fit.told[GLOBALS.indexOf(g)] ?? 1;
  const advice: Advice[] = [];
  if (learnt.town.trust < 0.5) advice.push('light-gives-none');
  if (weighed < 2) advice.push('first-visit-only-a-range');
  // Salon weights alone cannot part how much is released from how much falls at home.
  if (weighed >= 2 && !weighedHome && doubt('loss') > UNTOLD) advice.push('weigh-at-home');
  if (weighed < 4 && doubt('release') > 0.5) advice.push('weigh-a-visit');
  if (!said) advice.push('say-when-it-starts');
  return advice;
}

/** What the newest day of the log did to the next start. */
function newestOf(
  book: TideBook,
  dog: BookDog,
  starts: readonly StartAhead[],
  townFor: (m: DogModel) => ReturnType<typeof townAsSaid>,
): DogStory['newest'] {
  const on = dog.sightings.reduce((d, s) => Math.max(d, s.day), -Infinity);
  const after = starts.find((s) => s.tide !== 'life' && s.high > book.today);
  if (!after || !Number.isFinite(on)) return undefined;
  const older = dog.sightings.filter((s) => s.day < on);
  const model = dogModel(dog.dog, book.place, older, book.today, addDays(book.today, AHEAD_DAYS + 30));
  const band = startBand(fitDog(model, townFor(model).priorOf(model)), after.key);
  return band && { day: day(on), before: { key: after.key, tide: after.tide, ...band }, after };
}

function weightOf(fit: Fit, sightings: readonly Sighting[], on: Day): Interval80 | undefined {
  const weighed = sightings.flatMap((s) => (s.kind === 'visit' && s.weighed ? [s.weighed.share] : []));
  if (weighed.length === 0) return undefined;
  const draws = visitGrams(fit, on, sum(weighed) / weighed.length);
  return { ...bandOf(draws), likely: leastPercent(draws) };
}

/** Days ahead of the next visit: as booked, else when it is due; after it the dog comes in the middle of its rhythm. */
function answers(
  book: TideBook,
  dog: BookDog,
  model: DogModel,
  coats: readonly CoatOn[],
  today: Day,
): readonly WhatIfAnswer[] {
  const since = [...model.visits.keys()].reduce((a, b) => Math.max(a, b), -Infinity);
  const booked = dog.booked.filter((b) => b >= today);
  const every = Math.round((dog.rhythm.shortest + dog.rhythm.longest) / 2);
  const next =
    booked[0] ?? day(Math.max(today + 1, Number.isFinite(since) ? since + every : today + FIRST_VISIT_IN_DAYS));
  const now = lifeLight(dog.dog.outdoorShare);
  const plans: Readonly<Record<WhatIf, { readonly visit: Day; readonly plan: CareAhead }>> = {
    'as-now': { visit: next, plan: {} },
    'skip-visit': { visit: booked[1] ?? addDays(next, dog.rhythm.longest), plan: {} },
    'brush-daily': { visit: next, plan: { boutsPerDay: 1 } },
    indoors: { visit: next, plan: { light: lifeLight(0) / now } },
    outdoors: { visit: next, plan: { light: lifeLight(1) / now } },
  };
  const takes = Math.min(MOST_TAKEN, usualTakes(dog.sightings, today));
  return WHAT_IFS.map((what): WhatIfAnswer => {
    const { visit, plan } = plans[what];
    const days = Math.max(1, visit - today);
    const comes: number[] = [];
    for (let d: number = visit; d <= today + AHEAD_DAYS; d += every) comes.push(d);
    const visits = new Map(comes.map((d) => [d, takes]));
    const runs = coats.map(({ rates, stands }) => course(rates, today, stands, AHEAD_DAYS, { ...plan, visits }));
    const minutesOn = (run: Course, d: number): number =>
      minutesAtLoad(dog.minutesAt, (run.store[d - today - 1] ?? 0) / (1 - takes) / model.fullG);
    const band = (of: (run: Course) => number): Interval80 => bandOf(Float64Array.from(runs, of));
    return {
      what,
      visit,
      minutes: band((run) => minutesOn(run, visit)),
      floorG: band((run) => sum(run.fell.subarray(0, days))),
      yearMinutes: band((run) => sum(comes.map((d) => minutesOn(run, d)))),
      yearFloorG: band((run) => sum(run.fell)),
    };
  });
}

/** A zone counts as packed from halfway between "fingertips get there" and "fingers do not". */
const PACKED_FROM = (LOAD_BY_FINGER[2] + LOAD_BY_FINGER[3]) / 2;

/** Chance that each region is packed on a day, the likeliest first. */
function packingOf(model: DogModel, coats: readonly CoatOn[], today: Day, on: Day): readonly PackingRisk[] {
  const loads = coats.map(({ rates, stands }) => {
    const days = Math.max(1, on - today);
    return (course(rates, today, stands, days).store[days - 1] ?? stands) / model.fullG;
  });
  const regions = [...new Set(ZONES.map((z) => z.region))];
  return regions
    .map((region) => {
      // Where undercoat is deeper, the same load of the dog packs sooner.
      const factor = clamp(0.6 + 0.4 * regionRow(region).undercoatFactor, 0.4, 2);
      return { region, chance: loads.filter((l) => l * factor >= PACKED_FROM).length / loads.length };
    })
    .filter((r) => r.chance >= 0.1)
    .sort((a, b) => b.chance - a.chance);
}
