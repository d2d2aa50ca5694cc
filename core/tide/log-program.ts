/**
 * A dog's log as a program for the walk of its store: on which day somebody looked or worked, and what was seen then.
 *
 * The one place that says what happens first on a day: a look, then the visits, then the bouts at home. What was written
 * twice counts once.
 */
import { clamp, day, mean, type Day } from '../quantity/index.ts';
import { lifeRelease, type LifeEvent } from './life.ts';
import type { StoreProgram } from './store-walk.ts';
import {
  AMOUNT_SD,
  amountBetween,
  FINGER_SD,
  fingerBetween,
  forgets,
  HOME_WEIGHT_SD,
  LAPSE,
  LAPSE_SAYS,
  SILENCE_SPEAKS,
  SLIPPED_POINT,
  STARTED_SD_DAYS,
  TUG_SD,
  tugBetween,
  WEIGHT_SD,
  type Sighting,
} from './sightings.ts';

/** How a sighting is weighed: a measured value with a Student-t error, or a grade between two bounds. */
export const WEIGHT = 0;
export const GRADE = 1;
type Like = typeof WEIGHT | typeof GRADE;

/** Sightings as the likelihood reads them, one place each. */
export interface Likes {
  readonly kind: Uint8Array;
  /** Logarithm of a weight, or days; lower end of a grade. */
  readonly low: Float64Array;
  readonly high: Float64Array;
  readonly sd: Float64Array;
  /** Of a weight: the chance that its point slipped. Of a grade: that it says nothing of the coat, and how likely it is said then. */
  readonly lapse: Float64Array;
  readonly anyway: Float64Array;
}

/** What a place of the likelihood reads: all that stands, by touch, what a bout takes, or that by the owner's eye. */
export const STORE = 0;
export const TOUCHED = 1;
export const BOUT = 2;
export const BOUT_BY_EYE = 3;
type What = typeof STORE | typeof TOUCHED | typeof BOUT | typeof BOUT_BY_EYE;

/** Who says a shed has started: a place of the likelihood, and the shed. */
export interface SaidStart {
  readonly like: number;
  readonly shed: number;
}

/** Entries that do not fit what is known of seasons: to be asked about. */
export type LogQuestion =
  | { readonly code: 'started-out-of-season'; readonly day: Day }
  | { readonly code: 'started-twice'; readonly first: Day; readonly day: Day };

export interface LogProgram {
  readonly program: StoreProgram;
  readonly likes: Likes;
  readonly count: number;
  /** Of each step the first place that reads it, and behind the last step the number of places that read one. */
  readonly step: Int32Array;
  readonly what: Uint8Array;
  /** Logarithm of the share of the store that a place weighs. */
  readonly share: Float64Array;
  readonly started: readonly SaidStart[];
  /** The day on which somebody first said that a shed has started, by the shed's place. */
  readonly said: ReadonlyMap<number, Day>;
  readonly questions: readonly LogQuestion[];
  readonly from: Day;
  readonly lastDay: Day;
  readonly lastVisit: Day | undefined;
  readonly lastTouch: Day | undefined;
  /** Days with bouts at home, and how many. */
  readonly boutDays: ReadonlyMap<number, number>;
}

/** A shed as the log needs it. */
interface ShedDay {
  readonly tide: string;
  readonly usual: Day;
}

/** A dog is worked and brushed no more often on one day: more is the same written again. Guess. */
const MOST_VISITS_A_DAY = 2;
const MOST_BOUTS_A_DAY = 3;
/** A scale that says 0 stands below so many grams: in a salon, and at home. */
const UNWEIGHABLE_G = { salon: 1, home: 0.5 };
/** So far from every season's usual start, *it has started* is of none. */
const STARTS_WITHIN_DAYS = 75;
/** A season starts once: said again so much later, one of the two is wrong. */
const SAID_AGAIN_DAYS = 14;
/** No visit takes all that stands in a coat. */
export const MOST_TAKEN = 0.97;

/** Everything of one day, in the order in which it happens. */
interface LogDay {
  readonly day: Day;
  readonly touches: { finger: number[]; tug: number[] };
  readonly visits: Extract<Sighting, { kind: 'visit' }>[];
  readonly bouts: Extract<Sighting, { kind: 'brushed' }>[];
}

/** A log by its days, each thing once: several touches of a day are one, the mean of them. */
function byDay(sightings: readonly Sighting[]): readonly LogDay[] {
  const days = new Map<Day, LogDay>();
  const of = (on: Day): LogDay => {
    const known = days.get(on) ?? { day: on, touches: { finger: [], tug: [] }, visits: [], bouts: [] };
    days.set(on, known);
    return known;
  };
  for (const s of sightings) {
    if (s.kind === 'touch') {
      const { touches } = of(s.day);
      if (s.finger !== undefined) touches.finger.push(s.finger);
      if (s.tug !== undefined) touches.tug.push(s.tug);
    } else if (s.kind === 'visit') {
      const { visits } = of(s.day);
      const again = visits.some((v) => v.takes === s.takes && v.weighed?.grams === s.weighed?.grams);
      if (!again && visits.length < MOST_VISITS_A_DAY) visits.push(s);
    } else if (s.kind === 'brushed') {
      const { bouts } = of(s.day);
      if (bouts.length < MOST_BOUTS_A_DAY) bouts.push(s);
    }
  }
  return [...days.values()].sort((a, b) => a.day - b.day);
}

interface LikeRow {
  readonly kind: Like;
  readonly low: number;
  readonly high: number;
  readonly sd: number;
  readonly lapse: number;
  readonly anyway: number;
}
const weight = (value: number, sd: number, lapse = 0): LikeRow => ({
  kind: WEIGHT,
  low: value,
  high: value,
  sd,
  lapse,
  anyway: 0,
});
const grade = (
  { low, high }: { readonly low: number; readonly high: number },
  sd: number,
  lapse = LAPSE,
  says = LAPSE_SAYS,
): LikeRow => ({ kind: GRADE, low, high, sd, lapse, anyway: lapse * says });
/** A measured weight; 0 is a weight too. */
const weighed = (grams: number, sd: number, least: number): LikeRow =>
  grams > least ? weight(Math.log(grams), sd, SLIPPED_POINT) : grade({ low: -Infinity, high: Math.log(least) }, sd);

/** What of a bout is read, if anything was noted of it. */
function boutLike({ grams, amount }: LogDay['bouts'][number]): readonly [LikeRow, What] | undefined {
  if (grams !== undefined) return [weighed(grams, HOME_WEIGHT_SD, UNWEIGHABLE_G.home), BOUT];
  return amount === undefined ? undefined : [grade(amountBetween(amount), AMOUNT_SD), BOUT_BY_EYE];
}

interface CompileRequest {
  readonly sightings: readonly Sighting[];
  readonly asOf: Day;
  readonly life: readonly LifeEvent[];
  readonly fullG: number;
}

/** Compiles a log of days from `since` to `asOf` into the steps of a walk. Sheds may be asked for when its first day is known. */
export function compileLog(
  { sightings, asOf, life, fullG }: CompileRequest,
  shedsFrom: (from: Day) => readonly ShedDay[],
): LogProgram {
  const days = byDay(sightings);
  const starts = sightings.flatMap((s) => (s.kind === 'started' ? [s.day] : [])).sort((a, b) => a - b);
  const first = Math.min(days[0]?.day ?? asOf, starts[0] ?? asOf);
  const from = day(first - 1);
  const likes: LikeRow[] = [];
  const places: { readonly step: number; readonly what: What; readonly share: number }[] = [];
  const at: number[] = [];
  const takes: number[] = [];
  const bouts: number[] = [];
  const step = (on: Day, take: number, bout: number): number => {
    takes.push(take);
    bouts.push(bout);
    return at.push(on) - 1;
  };
  const seen = (row: LikeRow, of: number, what: What, share = 1): void => {
    likes.push(row);
    places.push({ step: of, what, share: Math.log(share) });
  };
  const lastTouch = days.findLast((d) => d.touches.finger.length + d.touches.tug.length > 0)?.day;
  let liftAt: number | undefined;
  const full = Math.log(fullG);
  const ofFull = ({ low, high }: { low: number; high: number }) => ({ low: low + full, high: high + full });
  for (const { day: on, touches, visits, bouts: brushed } of days) {
    if (touches.finger.length + touches.tug.length > 0) {
      // What the newest check finds beyond its history is put in before it is read.
      if (on === lastTouch) liftAt = step(on, 0, 0);
      const k = step(on, 0, 0);
      if (touches.finger.length > 0) seen(grade(ofFull(fingerBetween(mean(touches.finger))), FINGER_SD), k, TOUCHED);
      if (touches.tug.length > 0) seen(grade(ofFull(tugBetween(mean(touches.tug))), TUG_SD), k, TOUCHED);
    }
    for (const { takes: took, weighed: w } of visits) {
      const k = step(on, clamp(took, 0, MOST_TAKEN), 0);
      if (w && w.share > 0) seen(weighed(w.grams, WEIGHT_SD, UNWEIGHABLE_G.salon), k, STORE, clamp(w.share, 0.01, 1));
    }
    for (const bout of brushed) {
      const k = step(on, 0, 1);
      const like = boutLike(bout);
      if (like) seen(like[0], k, like[1]);
    }
  }
  const { started, said, questions } = saidStarts(starts, shedsFrom(from), from, asOf, likes);
  const base = at.map((on, k) => lifeRelease(life, ((at[k - 1] ?? from) + on) / 2));
  return {
    program: {
      from,
      days: Float64Array.from(at),
      base: Float64Array.from(base),
      takes: Float64Array.from(takes),
      bouts: Float64Array.from(bouts),
      liftAt,
    },
    likes: {
      kind: Uint8Array.from(likes, (l) => l.kind),
      low: Float64Array.from(likes, (l) => l.low),
      high: Float64Array.from(likes, (l) => l.high),
      sd: Float64Array.from(likes, (l) => l.sd),
      lapse: Float64Array.from(likes, (l) => l.lapse),
      anyway: Float64Array.from(likes, (l) => l.anyway),
    },
    count: likes.length,
    step: Int32Array.from(places, (p) => p.step),
    what: Uint8Array.from(places, (p) => p.what),
    share: Float64Array.from(places, (p) => p.share),
    started,
    said,
    questions,
    from,
    lastDay: day(at.at(-1) ?? from),
    lastVisit: days.findLast((d) => d.visits.length > 0)?.day,
    lastTouch,
    boutDays: new Map(days.flatMap((d) => (d.bouts.length > 0 ? [[d.day, d.bouts.length] as const] : []))),
  };
}

/** "It has started": each is said of the shed that usually starts nearest, once; who usually says it and has not, says something too. */
function saidStarts(
  days: readonly Day[],
  sheds: readonly ShedDay[],
  from: Day,
  asOf: Day,
  likes: LikeRow[],
): Pick<LogProgram, 'started' | 'said' | 'questions'> {
  const started: SaidStart[] = [];
  const questions: LogQuestion[] = [];
  const firstOf = new Map<number, Day>();
  const say = (row: LikeRow, shed: number): void => void started.push({ like: likes.push(row) - 1, shed });
  for (const on of days) {
    const away = (i: number): number => Math.abs((sheds[i]?.usual ?? Infinity) - on);
    const nearest = sheds.reduce((best, _, i) => (best < 0 || away(i) < away(best) ? i : best), -1);
    const first = firstOf.get(nearest);
    if (away(nearest) >= STARTS_WITHIN_DAYS) questions.push({ code: 'started-out-of-season', day: on });
    else if (first === undefined) {
      firstOf.set(nearest, on);
      say(weight(on, STARTED_SD_DAYS), nearest);
    } else if (on - first > SAID_AGAIN_DAYS) questions.push({ code: 'started-twice', first, day: on });
  }
  // Who usually says it and has not: it has hardly started, unless it was forgotten.
  const past = sheds.flatMap((s, i) =>
    s.tide !== 'life' && s.usual > from && s.usual < asOf - SILENCE_SPEAKS.afterDays ? [i] : [],
  );
  const saidOf = past.filter((i) => firstOf.has(i)).length;
  for (const [i, s] of sheds.entries()) {
    const since = asOf - s.usual;
    if (saidOf === 0 || firstOf.has(i) || s.tide === 'life') continue;
    if (since < -SILENCE_SPEAKS.beforeDays || since > SILENCE_SPEAKS.afterDays) continue;
    say(grade({ low: asOf + 0.5, high: Infinity }, STARTED_SD_DAYS, forgets(saidOf, past.length), 1), i);
  }
  return { started, said: firstOf, questions };
}
