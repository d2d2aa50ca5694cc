/**
 * How honest forecasts were: the errors of those that have come true, and how far bands of grams must be stretched
 * in this salon to hold what they say (split conformal prediction, from memory; kept apart for blow and calm).
 */
import { clamp, sum, type Interval80 } from '../quantity/index.ts';

/** A share that should lie inside a band of 80 %. */
export const BAND_SHARE = 0.8;

/** How many times its half width, on the side it fell, a truth lay from what was likely; by logarithms: grams are never negative. */
export function bandScore({ low, likely, high }: Interval80, truth: number): number {
  const off = Math.log(truth / likely);
  const width = off >= 0 ? Math.log(high / likely) : Math.log(likely / low);
  return Math.abs(off) / Math.max(width, 1e-6);
}

/** Scores that were never seen stand at 1 until the log has said so often what they are. Guess. */
const START_SCORES = 12;
const MOST_STRETCH = { low: 0.6, high: 3 };

/** The stretch at which bands with these scores would have held their share. */
export function stretchOf(scores: readonly number[]): number {
  const all = [...scores].sort((a, b) => a - b);
  const own = all[Math.min(all.length - 1, Math.ceil(BAND_SHARE * (all.length + 1)) - 1)];
  if (own === undefined) return 1;
  const trust = all.length / (all.length + START_SCORES);
  return clamp(Math.exp(trust * Math.log(Math.max(0.05, own))), MOST_STRETCH.low, MOST_STRETCH.high);
}

/** A band stretched about what is likely, by logarithms. */
export const stretched = ({ low, likely, high }: Interval80, by: number): Interval80 => ({
  low: likely * Math.exp(by * Math.log(low / likely)),
  likely,
  high: likely * Math.exp(by * Math.log(high / likely)),
});

/** The value whose error in percent is least on average over equal draws: their median weighed by 1/x. */
export function leastPercent(draws: Float64Array): number {
  const sorted = Float64Array.from(draws).sort();
  const half = sum(sorted.map((x) => 1 / x)) / 2;
  let below = 0;
  for (const x of sorted) {
    below += 1 / x;
    if (below >= half) return x;
  }
  return 0;
}
