/** Small changes to a day's order, each in place: what a search tries next. */
import { randomInt, type Random } from '../quantity/index.ts';
import { NOBODY } from './jobs.ts';
import type { Order, ScheduleBuilder } from './schedule-builder.ts';

type Parts = Pick<ScheduleBuilder, 'able' | 'partsOf'>;

/** Whether one of a pair waits for the other to go home. */
function flipWait({ waits }: Order, random: Random): void {
  const pair = randomInt(random, 0, waits.length - 1);
  waits[pair] = waits[pair] === 1 ? 0 : 1;
}

/** Gives one part to another person, or to whoever is free. */
function givePart({ who }: Order, { able }: Parts, random: Random): void {
  const part = randomInt(random, 0, who.length - 1);
  const can = able[part] ?? [];
  const pick = randomInt(random, -1, can.length - 1);
  who[part] = can[pick] ?? NOBODY;
}

/** Gives a dog's parts to one person where they can do them, and the others to whoever is free. */
export function giveDog({ who }: Order, { able, partsOf }: Parts, job: number, person: number): void {
  for (const part of partsOf[job] ?? []) who[part] = (able[part] ?? []).includes(person) ? person : NOBODY;
}

/** One entry sooner or later, or two that change places: mostly near each other, far moves rarely help. */
function moveEntry({ list }: Order, random: Random): void {
  const a = randomInt(random, 0, list.length - 1);
  const far = random() < 0.2 ? list.length : Math.max(2, Math.round(list.length / 5));
  const b = Math.min(list.length - 1, Math.max(0, a + randomInt(random, -far, far)));
  const x = list[a] ?? 0;
  if (random() < 0.5) {
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

/** A whole dog taken out of the list and put in again somewhere: its entries together, or with as many others between each. */
function moveDog({ list }: Order, rest: Int16Array, random: Random): void {
  const job = list[randomInt(random, 0, list.length - 1)] ?? 0;
  let others = 0;
  for (const x of list) if (x !== job) rest[others++] = x;
  let mine = list.length - others;
  const between = random() < 0.5 ? 0 : randomInt(random, 1, 6);
  let next = randomInt(random, 0, others);
  let taken = 0;
  for (let p = 0; p < list.length; p++) {
    if (mine > 0 && (taken >= next || taken >= others)) {
      list[p] = job;
      mine--;
      next = taken + between;
    } else list[p] = rest[taken++] ?? 0;
  }
}

/** Two whole dogs change places in the list. */
function swapDogs({ list }: Order, random: Random): void {
  const a = list[randomInt(random, 0, list.length - 1)] ?? 0;
  const b = list[randomInt(random, 0, list.length - 1)] ?? 0;
  if (a === b) return;
  const left = { a: 0, b: 0 };
  for (const x of list) {
    if (x === a) left.a++;
    if (x === b) left.b++;
  }
  for (let p = 0; p < list.length; p++) {
    const x = list[p];
    if (x !== a && x !== b) continue;
    const putsA = left.b === 0 || (x === b && left.a > 0);
    list[p] = putsA ? a : b;
    if (putsA) left.a--;
    else left.b--;
  }
}

/**
 * Changes an order in place. `rest` is room for a list. The shares were found by 16 days of 5 to 16 dogs: they matter little
 * beside whole dogs being moved at all.
 */
export function change(order: Order, parts: Parts, rest: Int16Array, random: Random): void {
  const what = random();
  if (order.waits.length > 0 && what < 0.05) return flipWait(order, random);
  if (what < 0.15) return givePart(order, parts, random);
  if (what < 0.25) {
    const job = randomInt(random, 0, parts.partsOf.length - 1);
    const can = parts.able[parts.partsOf[job]?.[0] ?? 0] ?? [];
    return giveDog(order, parts, job, can[randomInt(random, -1, can.length - 1)] ?? NOBODY);
  }
  if (order.list.length < 2) return;
  if (what < 0.48) moveDog(order, rest, random);
  else if (what < 0.55) swapDogs(order, random);
  else moveEntry(order, random);
}

/** Dogs taken out at once. */
const MOST_OUT = 3;
/** Places in the list of which each is tried. */
const TRIED = 0.5;

/**
 * Takes a few dogs out of an order and puts each in again, whole, where the day is then cheapest (ruin and recreate: Schrimpf
 * and others 2000). How many days were laid for it.
 */
export function reinsert(order: Order, builder: ScheduleBuilder, people: number, random: Random): number {
  const { list } = order;
  const out = new Set<number>();
  const many = randomInt(random, 1, MOST_OUT);
  // Neighbours in the list, or any.
  const near = random() < 0.5;
  const at = randomInt(random, 0, list.length - 1);
  for (let k = 0; out.size < many && k < list.length; k++)
    out.add(list[near ? (at + k) % list.length : randomInt(random, 0, list.length - 1)] ?? 0);
  let rest: Int16Array = list.filter((j) => !out.has(j));
  let laid = 0;
  for (const job of out) {
    const entries = list.filter((j) => j === job).length;
    const trial: Order = { list: new Int16Array(rest.length + entries), who: order.who, waits: order.waits };
    const put = (place: number): void => {
      trial.list.set(rest.subarray(0, place));
      trial.list.fill(job, place, place + entries);
      trial.list.set(rest.subarray(place), place + entries);
    };
    let best = { cost: Infinity, place: 0, person: NOBODY };
    for (const person of [NOBODY, randomInt(random, 0, people - 1)]) {
      giveDog(order, builder, job, person);
      for (let place = 0; place <= rest.length; place++) {
        if (random() >= TRIED) continue;
        put(place);
        const cost = builder.lay(trial, best.cost);
        laid++;
        if (cost < best.cost) best = { cost, place, person };
      }
    }
    giveDog(order, builder, job, best.person);
    put(best.place);
    rest = trial.list;
  }
  list.set(rest);
  return laid;
}
