/** The book's figures: a year planned on one core with its steps built, a repair, a day's sheet; each beside the simplest way to do the same. */
import { firstFit, planBook, repair, wholeDays, AT_ONCE, WITH_TIME, pushed } from '../core/book/index.ts';
import { DAY_EFFORT, planDay } from '../core/day/index.ts';
import { ended, seededRandom } from '../core/quantity/index.ts';
import { makeSalon } from '../study/salons.ts';
import { randomDay } from '../tests/core/random-day.ts';

type Say = (name: string, value: number, unit: string, reference: string, ratio: number) => void;

function timed<T>(work: () => T): { readonly value: T; readonly ms: number } {
  const began = performance.now();
  const value = work();
  return { value, ms: performance.now() - began };
}

export function bookFigures(say: Say): void {
  for (const size of [300, 1000]) {
    const salon = makeSalon(seededRandom(size), size);
    const rule = timed(() => firstFit(salon.dogs, salon.hours, { kind: 'every', days: 42 }));
    const plan = timed(() => ended(planBook(salon.dogs, salon.hours)));
    say(
      `book-${size}`,
      plan.ms / 1000,
      's',
      `six-week first fit ${(rule.ms / 1000).toPrecision(3)} s`,
      plan.ms / rule.ms,
    );
    if (size !== 300) continue;
    const { arcs, years } = plan.value;
    const from = salon.peak + 8;
    const lost = wholeDays(salon.openDays.filter((d) => d >= from).slice(0, 3));
    const push = timed(() => pushed(arcs, years, salon.hours, lost));
    for (const [name, effort] of [
      ['book-illness-at-once', AT_ONCE],
      ['book-illness-repaired', WITH_TIME],
    ] as const) {
      const { ms } = timed(() => repair(arcs, years, salon.hours, from - 1, lost, effort));
      say(name, ms, 'ms', `push to the next day ${push.ms.toPrecision(3)} ms`, ms / push.ms);
    }
  }
  const day = randomDay(seededRandom(14), { dogs: [14, 14], people: [4, 4], grain: 10, whole: true });
  const once = timed(() => planDay(day, undefined, { ...DAY_EFFORT, fewestTries: 0, mostTries: 0 }));
  const laid = timed(() => planDay(day));
  say('day-sheet-14', laid.ms, 'ms', `first come, first laid ${once.ms.toPrecision(3)} ms`, laid.ms / once.ms);
}
