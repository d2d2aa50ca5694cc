/**
 * How good the forecasts are, on the salon's own log: each past season is forecast again as it would have been a month
 * before it, from what was logged until then and nothing later, and held against what somebody saw.
 */
import { addDays, mean, sum, type Day, type Interval80 } from '../quantity/index.ts';
import { bandOf, inBlow, shareDays, startBand, visitGrams } from './ahead.ts';
import { fitBook, modelOf, type Progress } from './caseload.ts';
import type { Fit } from './fit.ts';
import { LENGTH_IN_SCALES, START_IN_SCALES } from './pulse.ts';
import { bandScore, BAND_SHARE, leastPercent, stretchOf } from './score.ts';
import { lightSeasons } from './seasons.ts';
import { STARTED_LATE_DAYS } from './sightings.ts';
import type { BookDog, TideBook } from './tide-book.ts';
import type { Town } from './town.ts';

/** Days before a season's usual start on which its forecast is made again. */
export const ISSUED_BEFORE = 30;
/** A log shorter than this before a season has no forecast to judge. */
const LEAST_LOG_DAYS = 330;

export interface StartScore {
  readonly dogId: string;
  readonly key: string;
  readonly forecast: Interval80;
  /** The start as somebody saw it. */
  readonly truth: number;
  /** Share of the forecast's draws that lay before the truth: evenly spread where bands are honest. */
  readonly before: number;
  /** The usual day of the season in this salon, as far as was known then: what a calendar would have said. */
  readonly calendar: number;
}
export interface GramsScore {
  readonly dogId: string;
  readonly on: Day;
  readonly forecast: Interval80;
  readonly truth: number;
  readonly blow: boolean;
  /** The dog's visit before: the rule that most people go by. */
  readonly last: number;
}
export interface Honest {
  readonly starts: readonly StartScore[];
  readonly grams: readonly GramsScore[];
  /** How far bands of grams must be stretched in this salon. */
  readonly stretch: { readonly blow: number; readonly calm: number };
}

const weighedAfter = (d: BookDog, asOf: Day) =>
  d.sightings.find((s) => s.kind === 'visit' && s.day > asOf && s.weighed !== undefined);

/** Forecasts of past seasons against what happened; yields how far it is. */
export function* honestBook(book: TideBook): Generator<Progress, Honest> {
  let first = book.today;
  // One by one: hundreds of dogs with years of entries are more than a call takes as arguments.
  for (const d of book.dogs) for (const s of d.sightings) if (s.day < first) first = s.day;
  const seasons = lightSeasons(book.place, addDays(first, LEAST_LOG_DAYS), addDays(book.today, -50));
  const of = seasons.length * 2 * book.dogs.length;
  let past = 0;
  const seen = new Map(book.dogs.map((d) => [d.id, seenStarts(d, book)]));
  const starts: StartScore[] = [];
  const grams: GramsScore[] = [];
  for (const season of seasons) {
    const asOf = addDays(season.usual, -ISSUED_BEFORE);
    const logged = book.dogs.filter((d) => d.sightings.some((s) => s.day <= asOf - LEAST_LOG_DAYS + 60));
    const judge = (dog: BookDog, fit: Fit, town: Town): void => {
      const offset = town.offsets.find((o) => o.tide === season.tide)?.days ?? 0;
      const truth = seen.get(dog.id)?.get(season.key);
      const forecast = startBand(fit, season.key);
      const draws = shareDays(fit, season.key, START_IN_SCALES);
      if (truth !== undefined && forecast && draws) {
        starts.push({
          dogId: dog.id,
          key: season.key,
          forecast,
          truth,
          before: draws.filter((d) => d < truth).length / draws.length,
          calendar: season.usual + offset + startDelay(fit, season.key),
        });
      }
      const row = gramsScore(dog, fit, asOf);
      if (row) grams.push(row);
    };
    yield* counted(fitBook({ ...book, dogs: logged }, asOf, judge), past, of);
    past += 2 * book.dogs.length;
  }
  const scores = (blow: boolean): number[] =>
    grams.filter((g) => g.blow === blow).map((g) => bandScore(g.forecast, g.truth));
  return { starts, grams, stretch: { blow: stretchOf(scores(true)), calm: stretchOf(scores(false)) } };
}

/** Starts that somebody saw, by season: people say it a little after. */
function seenStarts(dog: BookDog, book: TideBook): ReadonlyMap<string, number> {
  const { sheds, log } = modelOf(dog, book, book.today);
  return new Map([...log.said].flatMap(([i, on]) => (sheds[i] ? [[sheds[i].key, on - STARTED_LATE_DAYS]] : [])));
}

/** Days from the onset of a shed to the day on which a tenth of it is out, as usual. */
function startDelay(fit: Fit, key: string): number {
  const shed = fit.model.sheds.find((s) => s.key === key);
  return shed ? (START_IN_SCALES * shed.lengthDays) / LENGTH_IN_SCALES : 0;
}

function gramsScore(dog: BookDog, fit: Fit, asOf: Day): GramsScore | undefined {
  const visit = weighedAfter(dog, asOf);
  const before = dog.sightings.flatMap((s) => (s.kind === 'visit' && s.day <= asOf && s.weighed ? [s.weighed] : []));
  const last = before.at(-1);
  if (visit?.kind !== 'visit' || !visit.weighed || !last || visit.day > asOf + 120) return undefined;
  const draws = visitGrams(fit, visit.day, sum(before.map((w) => w.share)) / before.length);
  return {
    dogId: dog.id,
    on: visit.day,
    forecast: { ...bandOf(draws), likely: leastPercent(draws) },
    truth: visit.weighed.grams,
    blow: inBlow(fit, visit.day),
    last: last.grams,
  };
}

function* counted<T>(steps: Generator<Progress, T>, past: number, of: number): Generator<Progress, T> {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    yield { done: past + step.value.done, of };
  }
}

/** What the scores come to. */
export interface HonestSummary {
  readonly starts: number;
  readonly meanError: number;
  readonly calendarError: number;
  readonly held: number;
  /** Of a band of each nominal share, the share of truths inside it. */
  readonly calibration: readonly { readonly said: number; readonly held: number }[];
  readonly grams: number;
  readonly gramsError: number;
  readonly lastError: number;
  readonly gramsHeld: number;
}

const SAID = [0.2, 0.4, 0.6, BAND_SHARE, 0.95] as const;

export function honestSummary({ starts, grams, stretch }: Honest): HonestSummary {
  const inside = (said: number): number => mean(starts.map((s) => (Math.abs(s.before - 0.5) <= said / 2 ? 1 : 0)));
  return {
    starts: starts.length,
    meanError: mean(starts.map((s) => Math.abs(s.forecast.likely - s.truth))),
    calendarError: mean(starts.map((s) => Math.abs(s.calendar - s.truth))),
    held: inside(BAND_SHARE),
    calibration: SAID.map((said) => ({ said, held: inside(said) })),
    grams: grams.length,
    gramsError: mean(grams.map((g) => Math.abs(g.forecast.likely / g.truth - 1))),
    lastError: mean(grams.map((g) => Math.abs(g.last / g.truth - 1))),
    gramsHeld: mean(
      grams.map((g) => (bandScore(g.forecast, g.truth) <= (g.blow ? stretch.blow : stretch.calm) ? 1 : 0)),
    ),
  };
}
