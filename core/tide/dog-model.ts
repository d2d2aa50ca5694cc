/**
 * What a dog's log would read like if its coat ran so or so: the model that learning turns round.
 *
 * Release in grams a day = a baseline + a pulse for each season of light and each shed of life. In the coat stands what
 * was released − what fell − what was taken out. Between two sightings that is a closed form in time (pulse.ts), so a
 * log of years is read in a few microseconds.
 */
import { clamp, day, type Day } from '../quantity/index.ts';
import { bodySurfaceM2, coatRow, type CoatClass } from '../dog/index.ts';
import { lifeLength, lifeRelease, lifeSheds, outdoorShareOn, type LifeEvent } from './life.ts';
import { HOME_TAKES_PER_WEEK, type HomeCare } from './home-care.ts';
import { isOver, LENGTH_IN_SCALES, pulseHeld, START_IN_SCALES } from './pulse.ts';
import { LENGTH_DAYS, lightSeason, lightSeasons, lightTrust, type Place, type TideName } from './seasons.ts';
import {
  AMOUNT_SD,
  amountBetween,
  FINGER_SD,
  fingerBetween,
  HOME_WEIGHT_SD,
  forgets,
  LAPSE,
  LAPSE_SAYS,
  SILENCE_SPEAKS,
  STARTED_LATE_DAYS,
  STARTED_SD_DAYS,
  TUG_SD,
  tugBetween,
  WEIGHT_SD,
  type Sighting,
} from './sightings.ts';

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
export const GLOBALS = ['release', 'share', 'length', 'loss', 'home', 'handful', 'touch', 'start'] as const;
export type Global = (typeof GLOBALS)[number];
const [RELEASE, SHARE, LENGTH, LOSS, HOME, HANDFUL, TOUCH, START] = [0, 1, 2, 3, 4, 5, 6, 7];
const N_GLOBALS = GLOBALS.length;

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
/** A start moves no further than this from its usual day, and gives nothing worth a thought after so long. */
const MOVES_DAYS = 120;
const GIVES_FOR_DAYS = 300;

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

/** How a sighting is weighed: a measured value with a Student-t error, or a grade between two bounds. */
export const WEIGHT = 0;
export const GRADE = 1;
type Like = typeof WEIGHT | typeof GRADE;

export interface DogModel {
  readonly sheds: readonly Shed[];
  readonly size: number;
  readonly sightings: number;
  /** Prior means and standard deviations of the parameters; the starts' are the salon's to give. */
  readonly mean: Float64Array;
  readonly sd: Float64Array;
  /** How far light is trusted as a clock, 0..1. */
  readonly trust: number;
  readonly fullG: number;
  readonly from: Day;
  readonly lastDay: Day;
  /** What took hair out, by day: shares of the store that visits took, and number of bouts at home. */
  readonly visits: ReadonlyMap<number, number>;
  readonly bouts: ReadonlyMap<number, number>;
  /** Fills what each sighting would read; returns the store after the last one. */
  readonly read: (theta: Float64Array, reads: Float64Array) => number;
  /** Fills what each sighting would read, and its slope by each parameter: parameter by parameter, a row each. */
  readonly slopes: (theta: Float64Array, reads: Float64Array, slopes: Float64Array) => void;
  readonly likes: Likes;
  readonly rates: (theta: Float64Array) => Rates;
}

/** Sightings as the likelihood reads them, one place each. */
export interface Likes {
  readonly kind: Uint8Array;
  /** Logarithm of a weight, or days; lower end of a grade. */
  readonly low: Float64Array;
  readonly high: Float64Array;
  readonly sd: Float64Array;
  /** Of a grade: the chance that it says nothing of the coat, and how likely it is said then. */
  readonly lapse: Float64Array;
  readonly anyway: Float64Array;
}

/** A dog's coat under one set of parameters. */
export interface Rates {
  /** Grams in the coat at the end of the model's first day. */
  readonly startG: number;
  /** Baseline of a day against the usual, by events of life. */
  readonly baseAt: (on: number) => number;
  /** Grams a day outside the sheds. */
  readonly baseG: number;
  /** Share of the store that goes each day: falls, and at home without a log. */
  readonly loss: number;
  readonly fallShare: number;
  /** Share of the store that a bout at home takes. */
  readonly bout: number;
  readonly sheds: readonly { readonly onset: number; readonly lengthDays: number; readonly grams: number }[];
}

const logit = (p: number): number => Math.log(p / (1 - p));
const sigmoid = (x: number): number => 1 / (1 + Math.exp(-x));

/** What happens to the coat at a sighting. */
const LOOK = 0;
const VISIT = 1;
const BOUT = 2;
type Op = typeof LOOK | typeof VISIT | typeof BOUT;

/** How much of the seasons this life leaves, 0..1. */
export const lifeLight = (outdoorShare: number): number =>
  INDOOR_SEASON + (1 - INDOOR_SEASON) * clamp(outdoorShare * 2, 0, 1);

/**
 * The model of one dog. sightings in any order; those after `asOf`, and those longer ago than HEEDED_DAYS, are not read. until: the day up to which seasons
 * are looked ahead.
 */
export function dogModel(dog: TideDog, place: Place, sightings: readonly Sighting[], asOf: Day, until: Day): DogModel {
  const coat = coatRow(dog.coatClass);
  const surface = bodySurfaceM2(dog.weightKg);
  const fullG = coat.fullLoadGPerM2 * surface;
  const yearG = coat.yearlyReleaseGPerM2 * surface;
  const seen = sightings
    .map((s, i) => ({ s, i }))
    .filter(({ s }) => s.day <= asOf && s.day >= asOf - HEEDED_DAYS)
    // A touch of the same day comes before the visit that changes the coat.
    .sort((a, b) => a.s.day - b.s.day || order(a.s) - order(b.s) || a.i - b.i)
    .map(({ s }) => s);
  const from = day((seen[0]?.day ?? asOf) - 1);
  const light = lightSeason(place, asOf);
  const trust = lightTrust(place, asOf);
  const tides: readonly TideName[] = dog.fourTides ? ['spring', 'summer', 'autumn', 'winter'] : ['spring', 'autumn'];
  const sheds = shedsOf(dog, place, tides, day(from - BEFORE_DAYS), until);
  const n = sheds.length;
  const size = N_GLOBALS + 2 * n;

  const logsBouts = seen.some((s) => s.kind === 'brushed');
  const home = 1 - (1 - HOME_TAKES_PER_WEEK[dog.homeCare]) ** (1 / 7);
  const homeLoss = home * (logsBouts ? UNLOGGED_BESIDE_LOG : 1);
  const loss0 = coat.fallPerDay + homeLoss;
  const share0 = clamp(coat.seasonalShare * light * lifeLight(dog.outdoorShare), 0.02, 0.95);
  const start0 = Math.min(0.6 * fullG, (yearG / 365.25) * Math.min(45, 1 / loss0));

  const mean = new Float64Array(size);
  const sd = new Float64Array(size);
  mean.set([0, logit(share0), 0, 0, logit(HOME_BOUT_TAKES), 0, 0, 0]);
  sd.set(GLOBALS.map((g) => GLOBAL_SD[g]));
  // Where light gives hardly a season only the log can say how much of one there is.
  sd[SHARE] = GLOBAL_SD.share * (1 + 1.5 * (1 - clamp(light * 2, 0, 1)));
  sheds.forEach((s, i) => {
    sd[N_GLOBALS + i] = s.sdDays;
    sd[N_GLOBALS + n + i] = s.tide === 'life' ? LIFE_AMPLITUDE_SD : AMPLITUDE_SD;
  });

  const usual = Float64Array.from(sheds, (s) => s.usual);
  const scale0 = Float64Array.from(sheds, (s) => s.lengthDays / LENGTH_IN_SCALES);
  const part = Float64Array.from(sheds, (s) => s.part);
  const ofLife = sheds.map((s) => s.tide === 'life');

  // Sightings as steps of the walk and places of the likelihood.
  const at: number[] = [];
  const ops: Op[] = [];
  const takes: number[] = [];
  const base: number[] = [];
  const say: number[] = [];
  const sayWhat: number[] = [];
  const likes: { kind: Like; low: number; high: number; sd: number; lapse: number; anyway: number }[] = [];
  const shares: number[] = [];
  const like = (kind: Like, low: number, high: number, spread: number, lapse = LAPSE, says = LAPSE_SAYS): number =>
    likes.push({ kind, low, high, sd: spread, lapse, anyway: lapse * says }) - 1;
  const startedOf: { like: number; shed: number }[] = [];
  const step = (d: number, op: Op, taken: number, likeAt: number, what: number, share = 1): void => {
    const before = at.at(-1) ?? from;
    at.push(d);
    ops.push(op);
    takes.push(taken);
    base.push(lifeRelease(dog.life, (before + d) / 2));
    say.push(likeAt);
    sayWhat.push(what);
    shares.push(Math.log(share));
  };
  const STORE = 0;
  const AS_TOUCHED = 1;
  const AT_HOME = 2;
  for (const s of seen) {
    if (s.kind === 'touch') {
      if (s.finger !== undefined) {
        const { low, high } = fingerBetween(s.finger);
        step(s.day, LOOK, 0, like(GRADE, low + Math.log(fullG), high + Math.log(fullG), FINGER_SD), AS_TOUCHED);
      }
      if (s.tug !== undefined) {
        const { low, high } = tugBetween(s.tug);
        step(s.day, LOOK, 0, like(GRADE, low + Math.log(fullG), high + Math.log(fullG), TUG_SD), AS_TOUCHED);
      }
    } else if (s.kind === 'visit') {
      const w = s.weighed;
      const log = w && w.grams > 0 && w.share > 0 ? Math.log(w.grams) : undefined;
      step(
        s.day,
        VISIT,
        clamp(s.takes, 0, 0.99),
        log === undefined ? -1 : like(WEIGHT, log, log, WEIGHT_SD),
        STORE,
        w ? clamp(w.share, 0.01, 1) : 1,
      );
    } else if (s.kind === 'brushed') {
      const { grams, amount } = s;
      let place = -1;
      if (grams !== undefined && grams > 0.5) {
        place = like(WEIGHT, Math.log(grams), Math.log(grams), HOME_WEIGHT_SD);
        step(s.day, BOUT, 0, place, STORE);
      } else {
        const said = grams !== undefined ? 'none' : amount;
        if (said !== undefined) {
          const { low, high } = amountBetween(said);
          place = like(GRADE, low, high, AMOUNT_SD);
        }
        step(s.day, BOUT, 0, place, AT_HOME);
      }
    } else {
      // "It has started" is said of the shed that usually starts nearest.
      let nearest = -1;
      sheds.forEach((shed, i) => {
        const best = sheds[nearest];
        if (!best || Math.abs(shed.usual - s.day) < Math.abs(best.usual - s.day)) nearest = i;
      });
      const shed = sheds[nearest];
      if (shed && Math.abs(shed.usual - s.day) < 75) {
        startedOf.push({ like: like(WEIGHT, s.day, s.day, STARTED_SD_DAYS), shed: nearest });
      }
    }
  }
  // Who usually says it and has not: it has hardly started, unless it was forgotten.
  const said = new Set(startedOf.map((s) => s.shed));
  const past = sheds.filter((s) => s.tide !== 'life' && s.usual > from && s.usual < asOf - SILENCE_SPEAKS.afterDays);
  const saidOf = past.filter((s) => said.has(sheds.indexOf(s))).length;
  for (const [i, s] of sheds.entries()) {
    const since = asOf - s.usual;
    if (saidOf === 0 || said.has(i) || s.tide === 'life') continue;
    if (since < -SILENCE_SPEAKS.beforeDays || since > SILENCE_SPEAKS.afterDays) continue;
    const lapse = forgets(saidOf, past.length);
    startedOf.push({ like: like(GRADE, asOf + 0.5, Infinity, STARTED_SD_DAYS, lapse, 1), shed: i });
  }
  const steps = at.length;
  const days = Float64Array.from(at);
  const opOf = Uint8Array.from(ops);
  const takeOf = Float64Array.from(takes);
  const baseOf = Float64Array.from(base);
  const likeOf = Int32Array.from(say);
  const whatOf = Uint8Array.from(sayWhat);
  const shareOf = Float64Array.from(shares);

  // Sheds that may give hair between a sighting and the one before, however far their starts move.
  const firstShed = new Int32Array(steps);
  const lastShed = new Int32Array(steps);
  for (let k = 0; k < steps; k++) {
    const [t1, t2] = [days[k - 1] ?? from, days[k] ?? from];
    const near = sheds.map((s) => s.usual > t1 - GIVES_FOR_DAYS && s.usual < t2 + MOVES_DAYS);
    firstShed[k] = Math.max(0, near.indexOf(true));
    lastShed[k] = near.lastIndexOf(true) + 1;
  }

  const atHome = new Float64Array(likes.length);
  const touched = new Float64Array(likes.length);
  for (let k = 0; k < steps; k++) {
    const place = likeOf[k] ?? -1;
    if (place >= 0 && whatOf[k] === AT_HOME) atHome[place] = 1;
    if (place >= 0 && whatOf[k] === AS_TOUCHED) touched[place] = 1;
  }

  const onset = new Float64Array(n);
  const scale = new Float64Array(n);
  const grams = new Float64Array(n);
  const out1 = new Float64Array(n);

  /** Onsets, scales and grams of the sheds under a set of parameters. */
  const setSheds = (theta: Float64Array): { year: number; seasonal: number } => {
    const year = yearG * Math.exp(theta[RELEASE] ?? 0);
    const seasonal = year * sigmoid(theta[SHARE] ?? 0);
    const stretch = Math.exp(theta[LENGTH] ?? 0);
    for (let i = 0; i < n; i++) {
      onset[i] = (usual[i] ?? 0) + clamp(theta[N_GLOBALS + i] ?? 0, -MOVES_DAYS, MOVES_DAYS);
      scale[i] = (scale0[i] ?? 1) * stretch;
      grams[i] = (ofLife[i] ? year : seasonal) * (part[i] ?? 0) * Math.exp(theta[N_GLOBALS + n + i] ?? 0);
    }
    return { year, seasonal };
  };
  const lossOf = (theta: Float64Array): number => Math.min(0.6, loss0 * Math.exp(theta[LOSS] ?? 0));

  const read = (theta: Float64Array, reads: Float64Array): number => {
    const { year, seasonal } = setSheds(theta);
    const loss = lossOf(theta);
    const baseG = (year - seasonal) / 365.25;
    const bout = sigmoid(theta[HOME] ?? 0);
    const logBout = Math.log(bout);
    const touch = theta[TOUCH] ?? 0;
    const handful = theta[HANDFUL] ?? 0;
    let store = start0 * Math.exp(theta[START] ?? 0);
    let t1: number = from;
    // What was under way before the first sighting: only its part from there on is added.
    for (let i = 0; i < n; i++) {
      const u = t1 - (onset[i] ?? 0);
      out1[i] = u > 0 ? Math.exp(-u / (scale[i] ?? 1)) : 1;
    }
    for (let k = 0; k < steps; k++) {
      const t2 = days[k] ?? 0;
      const gap = t2 - t1;
      if (gap > 0) {
        const keep = Math.exp(-loss * gap);
        store = store * keep + (baseG * (baseOf[k] ?? 1) * (1 - keep)) / loss;
        const near = lastShed[k] ?? n;
        for (let i = firstShed[k] ?? 0; i < near; i++) {
          const o = onset[i] ?? 0;
          const u2 = t2 - o;
          if (u2 <= 0) continue;
          const s = scale[i] ?? 1;
          const u1 = t1 - o;
          if (isOver(u1 / s)) continue;
          const x2 = u2 / s;
          const out2 = Math.exp(-x2);
          store +=
            (grams[i] ?? 0) *
            (u1 > 0
              ? pulseHeld(u1 / s, x2, out1[i] ?? 0, out2, keep, loss * s)
              : pulseHeld(0, x2, 1, out2, Math.exp(-loss * u2), loss * s));
          out1[i] = out2;
        }
        t1 = t2;
      }
      const place = likeOf[k] ?? -1;
      const op = opOf[k];
      if (place >= 0) {
        const log = Math.log(store) + (shareOf[k] ?? 0);
        const what = whatOf[k];
        reads[place] =
          op === BOUT ? log + logBout - (what === AT_HOME ? handful : 0) : what === AS_TOUCHED ? log + touch : log;
      }
      if (op === VISIT) store *= 1 - (takeOf[k] ?? 0);
      else if (op === BOUT) store *= 1 - bout;
    }
    for (const { like: place, shed } of startedOf) {
      reads[place] = (onset[shed] ?? 0) + START_IN_SCALES * (scale[shed] ?? 1) + STARTED_LATE_DAYS;
    }
    return store;
  };

  const m = likes.length;
  const startPart = new Float64Array(m);
  const basePart = new Float64Array(m);
  const shedPart = new Float64Array(m);
  const shedMoved = new Float64Array(m);
  const aside = new Float64Array(m);
  /** What of the store at each sighting is the first day's and the baseline's: both only fade and are taken. */
  const walkRest = (loss: number, baseG: number, bout: number, start: number): void => {
    let [old, base] = [start, 0];
    let t1: number = from;
    for (let k = 0; k < steps; k++) {
      const gap = (days[k] ?? 0) - t1;
      if (gap > 0) {
        const keep = Math.exp(-loss * gap);
        old *= keep;
        base = base * keep + (baseG * (baseOf[k] ?? 1) * (1 - keep)) / loss;
        t1 = days[k] ?? 0;
      }
      const place = likeOf[k] ?? -1;
      if (place >= 0) {
        startPart[place] = old;
        basePart[place] = base;
      }
      const left = opOf[k] === VISIT ? 1 - (takeOf[k] ?? 0) : opOf[k] === BOUT ? 1 - bout : 1;
      old *= left;
      base *= left;
    }
  };
  /** What of the store at each sighting came from one shed. */
  const walkShed = (into: Float64Array, o: number, s: number, amount: number, loss: number, bout: number): void => {
    into.fill(0);
    let part = 0;
    let t1: number = from;
    let out1 = t1 > o ? Math.exp(-(t1 - o) / s) : 1;
    for (let k = 0; k < steps; k++) {
      const t2 = days[k] ?? 0;
      const u2 = t2 - o;
      const u1 = t1 - o;
      if (t2 > t1) {
        if (part > 0 || u2 > 0) {
          const keep = Math.exp(-loss * (t2 - t1));
          part *= keep;
          if (u2 > 0 && !isOver(u1 / s)) {
            const out2 = Math.exp(-u2 / s);
            part +=
              amount *
              (u1 > 0
                ? pulseHeld(u1 / s, u2 / s, out1, out2, keep, loss * s)
                : pulseHeld(0, u2 / s, 1, out2, Math.exp(-loss * u2), loss * s));
            out1 = out2;
          }
        }
        t1 = t2;
      }
      const place = likeOf[k] ?? -1;
      if (place >= 0) into[place] = part;
      if (opOf[k] === VISIT) part *= 1 - (takeOf[k] ?? 0);
      else if (opOf[k] === BOUT) part *= 1 - bout;
    }
  };

  /** The store is a sum of what came from each source, and each fades alike: most slopes are shares of it. */
  const slopes = (theta: Float64Array, reads: Float64Array, into: Float64Array): void => {
    const h = 1e-4;
    for (const j of [LENGTH, LOSS, HOME]) {
      const probe = Float64Array.from(theta);
      probe[j] = (theta[j] ?? 0) + h;
      read(probe, aside);
      for (let k = 0; k < m; k++) into[j * m + k] = aside[k] ?? 0;
    }
    read(theta, reads);
    for (const j of [LENGTH, LOSS, HOME])
      for (let k = 0; k < m; k++) into[j * m + k] = ((into[j * m + k] ?? 0) - (reads[k] ?? 0)) / h;
    const { year, seasonal } = setSheds(theta);
    const loss = lossOf(theta);
    const bout = sigmoid(theta[HOME] ?? 0);
    const share = sigmoid(theta[SHARE] ?? 0);
    walkRest(loss, (year - seasonal) / 365.25, bout, start0 * Math.exp(theta[START] ?? 0));
    const all = aside;
    for (let k = 0; k < m; k++) all[k] = (startPart[k] ?? 0) + (basePart[k] ?? 0);
    into.fill(0, RELEASE * m, RELEASE * m + 2 * m);
    for (let i = 0; i < n; i++) {
      const [o, s, g] = [onset[i] ?? 0, scale[i] ?? 1, grams[i] ?? 0];
      walkShed(shedPart, o, s, g, loss, bout);
      walkShed(shedMoved, o + 0.01, s, g, loss, bout);
      const moved = (N_GLOBALS + i) * m;
      const grown = (N_GLOBALS + n + i) * m;
      for (let k = 0; k < m; k++) {
        const part = shedPart[k] ?? 0;
        into[moved + k] = ((shedMoved[k] ?? 0) - part) / 0.01;
        into[grown + k] = part;
        all[k] = (all[k] ?? 0) + part;
        if (!ofLife[i]) into[SHARE * m + k] = (into[SHARE * m + k] ?? 0) + part * (1 - share);
      }
    }
    for (let k = 0; k < m; k++) {
      // A place without a store is a day on which somebody said that it has started.
      const by = (all[k] ?? 0) > 0 ? 1 / (all[k] ?? 1) : 0;
      into[RELEASE * m + k] = by > 0 ? 1 - (startPart[k] ?? 0) * by : 0;
      into[START * m + k] = (startPart[k] ?? 0) * by;
      into[SHARE * m + k] = ((into[SHARE * m + k] ?? 0) - (basePart[k] ?? 0) * share) * by;
      for (let j = N_GLOBALS; j < size; j++) into[j * m + k] = (into[j * m + k] ?? 0) * by;
      into[HANDFUL * m + k] = -(atHome[k] ?? 0);
      into[TOUCH * m + k] = touched[k] ?? 0;
    }
    for (const { like: place, shed } of startedOf) into[(N_GLOBALS + shed) * m + place] = 1;
  };

  const rates = (theta: Float64Array): Rates => {
    const { year, seasonal } = setSheds(theta);
    return {
      startG: start0 * Math.exp(theta[START] ?? 0),
      baseAt: (on) => lifeRelease(dog.life, on),
      baseG: (year - seasonal) / 365.25,
      loss: lossOf(theta),
      fallShare: coat.fallPerDay / loss0,
      bout: sigmoid(theta[HOME] ?? 0),
      sheds: sheds.map((_, i) => ({
        onset: onset[i] ?? 0,
        lengthDays: (scale[i] ?? 1) * LENGTH_IN_SCALES,
        grams: grams[i] ?? 0,
      })),
    };
  };

  return {
    sheds,
    size,
    sightings: likes.length,
    mean,
    sd,
    trust,
    fullG,
    from,
    lastDay: day(at.at(-1) ?? from),
    visits: new Map(seen.flatMap((s) => (s.kind === 'visit' ? [[s.day, clamp(s.takes, 0, 0.99)]] : []))),
    bouts: seen.reduce(
      (m, s) => (s.kind === 'brushed' ? m.set(s.day, (m.get(s.day) ?? 0) + 1) : m),
      new Map<number, number>(),
    ),
    read,
    slopes,
    likes: {
      kind: Uint8Array.from(likes, (l) => l.kind),
      low: Float64Array.from(likes, (l) => l.low),
      high: Float64Array.from(likes, (l) => l.high),
      sd: Float64Array.from(likes, (l) => l.sd),
      lapse: Float64Array.from(likes, (l) => l.lapse),
      anyway: Float64Array.from(likes, (l) => l.anyway),
    },
    rates,
  };
}

const order = (s: Sighting): number => (s.kind === 'touch' ? 0 : s.kind === 'visit' ? 1 : 2);

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
