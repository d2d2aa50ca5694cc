/**
 * Decides a day's sheet: orders are laid, changed a little, and worse ones taken for better at a temperature that falls with
 * the count of tries, so that a run repeats.
 */
import { randomInt, seededRandom, type Random } from '../quantity/index.ts';
import { DAY_WORTH, type DayAsked, type DaySheet, type DayWorth } from './asked.ts';
import { ScheduleBuilder, type Order } from './schedule-builder.ts';

export interface DayEffort {
  /** Orders tried at most, and for each pair of a day's parts. */
  readonly tries: number;
  readonly triesPerPair: number;
  /** Times it begins again from the best. */
  readonly rounds: number;
  readonly seed: number;
}
export const DAY_EFFORT: DayEffort = { tries: 9_000, triesPerPair: 60, rounds: 3, seed: 1 };
/** Temperature at the first try, minutes; a hundredth at the last. */
const HOT = 12;

const copied = (to: Order, from: Order): void => {
  to.list.set(from.list);
  to.who.set(from.who);
  to.waits.set(from.waits);
};

/** How often it is asked anew whether one of a pair waits for the other to go home. */
const WAITS_SHARE = 0.06;

/** Changes an order in place: somebody sooner or later, two changed over, somebody else's hands, a pair that waits or not. */
function change(order: Order, able: readonly (readonly number[])[], random: Random): void {
  const { list, who, waits } = order;
  if (waits.length > 0 && random() < WAITS_SHARE) {
    const pair = randomInt(random, 0, waits.length - 1);
    waits[pair] = waits[pair] === 1 ? 0 : 1;
    return;
  }
  const what = random();
  if (what < 0.35 && who.length > 0) {
    const g = randomInt(random, 0, who.length - 1);
    const can = able[g] ?? [];
    if (can.length > 1) {
      const pick = randomInt(random, -1, can.length - 1);
      who[g] = pick < 0 ? -1 : (can[pick] ?? -1);
      return;
    }
  }
  if (list.length > 1) changeList(list, what, random);
}

/** Two of the list change places (what below 0.6), or one goes sooner or later. */
function changeList(list: Int16Array, what: number, random: Random): void {
  const a = randomInt(random, 0, list.length - 1);
  // Mostly to somewhere near: far moves rarely help.
  const far = what > 0.9 ? list.length : Math.max(2, Math.round(list.length / 5));
  const b = Math.min(list.length - 1, Math.max(0, a + randomInt(random, -far, far)));
  const x = list[a] ?? 0;
  if (what < 0.6) {
    list[a] = list[b] ?? 0;
    list[b] = x;
  } else if (a < b) {
    list.copyWithin(a, a + 1, b + 1);
    list[b] = x;
  } else {
    list.copyWithin(b + 1, b, a);
    list[b] = x;
  }
}

/** Plans a day; the same facts give the same sheet. From `start` it begins at a sheet that stands. */
export function planDay(
  asked: DayAsked,
  worth: DayWorth = DAY_WORTH,
  effort: DayEffort = DAY_EFFORT,
  start?: Pick<DaySheet, 'laid' | 'pauses'>,
): DaySheet {
  const builder = new ScheduleBuilder(asked, worth);
  const random = seededRandom(effort.seed);
  const now = start ? builder.orderOf(start) : builder.plainOrder();
  let cost = builder.lay(now);
  const best: Order = { list: now.list.slice(), who: now.who.slice(), waits: now.waits.slice() };
  let least = cost;
  const tried: Order = { list: now.list.slice(), who: now.who.slice(), waits: now.waits.slice() };
  const each = Math.max(
    1,
    Math.floor(Math.min(effort.tries, effort.triesPerPair * builder.length ** 2) / effort.rounds),
  );
  for (let round = 0; round < effort.rounds; round++) {
    copied(now, best);
    cost = least;
    const hot = HOT / (1 + round);
    for (let t = 0; t < each; t++) {
      copied(tried, now);
      change(tried, builder.able, random);
      if (random() < 0.3) change(tried, builder.able, random);
      const c = builder.lay(tried);
      if (c > cost && random() >= Math.exp((cost - c) / (hot * 0.01 ** (t / each)))) continue;
      copied(now, tried);
      cost = c;
      if (c < least - 1e-9) {
        least = c;
        copied(best, tried);
      }
    }
  }
  builder.lay(best);
  return builder.sheet();
}
