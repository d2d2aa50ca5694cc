/** Draws of one dog: its coat since it was worked last and for a year ahead, and when it fills in each of them. */
import { mean, sum } from '../quantity/index.ts';
import { bandOf, boutsAhead, DailyWalk, drawOf, spread } from './ahead.ts';
import { NOW, ratesAhead, ratesOf, TOUCH, unbrushed, type Rates } from './dog-model.ts';
import { filledAfter, type Filling } from './filling.ts';
import type { Fit } from './fit.ts';
import { LogReader } from './log-reader.ts';

/** Days ahead that a tide is drawn for: a year shows each season once. */
export const AHEAD_DAYS = 365;
/** What season and home do to the due day is asked of every so many draws: it is said in whole days. Guess. */
const ASKED_OF_EVERY = 3;
/** And for so many days: nobody waits longer. Guess: eighteen weeks. */
const OTHERWISE_DAYS = 130;

/** One draw of a dog: its coat since it was worked last, and if nobody works it for a year. */
export interface Draw {
  readonly rates: Rates;
  readonly checkedG: number;
  readonly stands: number;
  /** Felt load of a gram against a usual coat of the class. */
  readonly feel: number;
  /** What the last working left, and what stood at the end of each day since. */
  readonly left: number;
  readonly since: Float64Array;
  readonly bouts: Float64Array;
  /** What stands at the end of each day ahead if nobody works it. */
  readonly bare: Float64Array;
}

export function drawsOf(fit: Fit, draws: Int32Array, last: Pick<Filling, 'since'> | undefined): readonly Draw[] {
  const { model } = fit;
  const { log, asOf } = model;
  const reader = new LogReader(model);
  const reads = new Float64Array(model.sightings);
  const from = last?.since ?? log.lastDay;
  const noted = Float64Array.from({ length: Math.max(0, asOf - from) }, (_, i) => log.boutDays.get(from + i + 1) ?? 0);
  // What a check since then found beyond its history.
  const lift = (theta: Float64Array): ReadonlyMap<number, number> =>
    new Map(log.lastTouch === undefined ? [] : [[log.lastTouch, 1 - Math.exp(theta[NOW]!)]]);
  const past = new DailyWalk(model.life, from, noted.length);
  const ahead = new DailyWalk(model.life, asOf, AHEAD_DAYS);
  return Array.from(draws, (r, k): Draw => {
    const theta = drawOf(fit, r);
    const end = reader.read(theta, reads);
    const was = ratesOf(model, theta);
    const left = last ? reader.leftAfter(last.since) : end;
    const since = past.stores(was, left, { bouts: noted, visits: lift(theta) });
    const rates = ratesAhead(model, was);
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
      bare: ahead.stores(rates, stands, { bouts }),
    };
  });
}

/** Days until the coat of a draw has filled. */
export const fillsAfter = (dueG: number, { since, bare, feel }: Draw): number =>
  filledAfter(dueG, feel, (after) => since[after - 1] ?? bare[after - since.length - 1]);

/** The same of all draws, with what season and home do to it. */
export function fillingOf(
  last: Pick<Filling, 'since' | 'worked'>,
  drawn: readonly Draw[],
  after: Float64Array,
  dueG: number,
): Filling {
  // The same draws with and without, so that chance does not make a difference.
  const asked = drawn.map((draw, k) => ({ ...draw, days: after[k]! })).filter((_, k) => k % ASKED_OF_EVERY === 0);
  const days = new DailyWalk(drawn[0]?.rates.life ?? [], last.since, OTHERWISE_DAYS);
  const otherwise = asked.map(({ rates, left, feel, bouts, days: now }) => {
    const seasonal = sum(rates.sheds.filter((s) => Math.abs(s.onset - last.since) < 183).map((s) => s.grams));
    const usual = mean(bouts);
    const evenly = { ...rates, sheds: [], baseG: rates.baseG + seasonal / 365.25 };
    const even = days.stores(evenly, left, { bouts: new Float64Array(OTHERWISE_DAYS).fill(usual) });
    // Where nobody brushes it is as it is.
    const brushes = usual > 0 || rates.fallShare < 1;
    const alone = brushes ? days.stores(unbrushed(rates), left) : undefined;
    return {
      even: filledAfter(dueG, feel, (d) => even[d - 1]) - now,
      alone: alone ? filledAfter(dueG, feel, (d) => alone[d - 1]) - now : 0,
    };
  });
  const band = bandOf(after);
  const likely = (of: (o: (typeof otherwise)[number]) => number): number =>
    Math.max(1, band.likely + bandOf(Float64Array.from(otherwise, of)).likely);
  return { ...last, ...band, even: likely((o) => o.even), alone: likely((o) => o.alone) };
}
