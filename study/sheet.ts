/**
 * npm run study -- sheet [--runs N] [--write]
 *
 * Lays 30 made-up days of 5 to 16 dogs as the product does, and again in many long runs with other seeds: how far from the
 * best of them the product's sheet is, how long it took, and what first come, first laid would have cost. With --write it
 * replaces the table in docs/model.md.
 */
import { DAY_EFFORT, DAY_WORTH, planDay, type DayAsked } from '../core/day/index.ts';
import { mean, seededRandom } from '../core/quantity/index.ts';
import { randomDay } from '../tests/core/random-day.ts';

const SIZES = [
  [5, 8],
  [9, 12],
  [13, 16],
] as const;
const DAYS_EACH = 10;
/** Close enough: nobody would change an order for less. */
const CLOSE = 0.01;

/** A day of so many dogs, with people for them. */
const dayOf = (seed: number, dogs: number): DayAsked =>
  randomDay(seededRandom(seed), {
    dogs: [dogs, dogs],
    people: [Math.max(2, Math.round(dogs / 4)), Math.max(2, Math.round(dogs / 3))],
    grain: 5,
    whole: true,
  });

const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;

/** The table, and how long the long runs were. */
export function sheetStudy(runs: number): string {
  const long = { ...DAY_EFFORT, fewestTries: DAY_EFFORT.mostTries };
  const rows = SIZES.map(([from, to], s) => {
    const days = Array.from({ length: DAYS_EACH }, (_, d) => {
      const asked = dayOf(5_000 + 100 * s + d, from + (d % (to - from + 1)));
      const began = performance.now();
      const ours = planDay(asked).score.cost;
      const seconds = (performance.now() - began) / 1000;
      const plain = planDay(asked, DAY_WORTH, { ...DAY_EFFORT, fewestTries: 0, mostTries: 0 }).score.cost;
      let best = ours;
      for (let seed = 2; seed <= runs + 1; seed++)
        best = Math.min(best, planDay(asked, DAY_WORTH, { ...long, seed }).score.cost);
      process.stderr.write(`${asked.visits.length} dogs: ${ours} against ${best}\n`);
      return { seconds, gap: ours / best - 1, plain: plain / best - 1 };
    });
    const gaps = days.map((d) => d.gap).sort((a, b) => a - b);
    return `| ${[
      `${from} to ${to}`,
      percent(mean(gaps)),
      percent(gaps[Math.floor(gaps.length / 2)] ?? 0),
      percent(gaps.at(-1) ?? 0),
      `${gaps.filter((g) => g <= CLOSE).length} of ${gaps.length}`,
      `${mean(days.map((d) => d.seconds)).toFixed(1)} s`,
      percent(mean(days.map((d) => d.plain))),
    ].join(' | ')} |`;
  });
  const heads = ['dogs', 'above the best: mean', 'median', 'worst', 'within 1 %', 'time', 'first come, first laid'];
  return `| ${heads.join(' | ')} |\n|${heads.map(() => '---').join('|')}|\n${rows.join('\n')}\n\nThe best is that of ${runs} runs of ${DAY_EFFORT.mostTries} orders each, and ours. The days are full: stages of 5 to 20 minutes, owners who wait 100 to 200.`;
}
