/**
 * Decides which parts of a dog are brushed on which day: the cheapest week that fits the minutes there are, found exactly.
 *
 * A part costs more each day that it waits, by the square of its wait against its rhythm, and steeply beyond its limit; a
 * brushing costs its minutes, and a day with any brushing costs the fetching of dog and brushes. A part's week is one of
 * the 2^days patterns of days; a set of patterns must fit every day's minutes. The bound is a Lagrangian relaxation of those
 * minutes, for every set of brushing days at once, raised by subgradient ascent (Held, Wolfe and Crowder 1974; from memory);
 * what the bound leaves open is searched by branch and bound.
 */

/** A part of the dog, as the week is planned. */
export interface RotaPart {
  readonly key: string;
  /** Minutes that one brushing of it takes; above 0. */
  readonly minutes: number;
  /** Days from one brushing to the next that it asks for; 1 = daily. */
  readonly rhythmDays: number;
  /** Days after which it must not wait any longer; not below the rhythm. */
  readonly limitDays: number;
  /** How much it matters against others; 1 usual. */
  readonly weight: number;
  /** Days since it was last brushed, as of the day before the first. */
  readonly waited: number;
}

export interface RotaRequest {
  readonly parts: readonly RotaPart[];
  /** Minutes that each day has, first day first; at most MOST_DAYS of them. 0: nobody brushes. */
  readonly dayMinutes: readonly number[];
  /** How far to search; a week that is cut short says so by its bound. */
  readonly mostNodes?: number | undefined;
}

export interface Rota {
  /** Keys brushed on each day. */
  readonly days: readonly (readonly string[])[];
  readonly cost: number;
  /** No plan costs less than this; equal to the cost unless the search was cut. */
  readonly bound: number;
}

export const MOST_DAYS = 8;
/** Fetching dog and brushes, in minutes of the owner's. Guess. */
export const FETCHING = 1.5;
/** A day beyond the limit costs so many times a wait of one rhythm. Guess: nothing is starved while minutes are there. */
const STARVING = 12;
/** Nodes that a search may visit unless told otherwise: usual weeks need some hundred. */
const MOST_NODES = 12_000;
const PRICE_STEPS = 120;
const NODE_STEPS = 8;
const MOST_ROUNDS = 30;
const EXACT = 1e-7;

/** What a part costs on a day on which it has waited so long. */
export function waitCost({ minutes, rhythmDays, limitDays, weight }: RotaPart, waited: number): number {
  // At this value of a minute a part that is alone comes round in its rhythm.
  const value = (1.5 * minutes * weight) / rhythmDays;
  return value * (waited / rhythmDays) ** 2 + STARVING * value * Math.max(0, waited - limitDays);
}

/** Patterns of days that a part may have, and what each costs. */
interface Patterns {
  readonly masks: Int32Array;
  readonly costs: Float64Array;
}

/** Patterns of a part that its days have room for; a day after the last still waits for what was left. */
function patternsOf(part: RotaPart, dayMinutes: readonly number[]): Patterns {
  const days = dayMinutes.length;
  const never = dayMinutes.reduce((set, m, d) => (m < part.minutes - 1e-9 ? set | (1 << d) : set), 0);
  const all = new Float64Array(1 << days).fill(Infinity);
  for (let mask = 0; mask < all.length; mask++) {
    if ((mask & never) !== 0) continue;
    let waited = part.waited;
    let cost = 0;
    for (let d = 0; d < days; d++) {
      waited = (mask >> d) & 1 ? 0 : waited + 1;
      cost += waitCost(part, waited) + (waited === 0 ? part.minutes : 0);
    }
    all[mask] = cost + waitCost(part, waited + 1);
  }
  // A pattern that costs no less than one within it is never needed: it only takes more room.
  const below = leastWithin(all, days);
  const masks: number[] = [];
  for (let mask = 0; mask < all.length; mask++) {
    let inside = Infinity;
    for (let d = 0; d < days; d++) if ((mask >> d) & 1) inside = Math.min(inside, below[mask ^ (1 << d)] ?? Infinity);
    if ((all[mask] ?? Infinity) < inside) masks.push(mask);
  }
  return { masks: Int32Array.from(masks), costs: Float64Array.from(masks, (m) => all[m] ?? Infinity) };
}

const bits = (mask: number): number => {
  let n = 0;
  for (let m = mask; m > 0; m &= m - 1) n++;
  return n;
};

/** Of each set of days, the least over the patterns within it. */
function leastWithin(values: Float64Array, days: number): Float64Array {
  const least = Float64Array.from(values);
  for (let d = 0; d < days; d++)
    for (let mask = 0; mask < least.length; mask++)
      if ((mask >> d) & 1) least[mask] = Math.min(least[mask] ?? 0, least[mask ^ (1 << d)] ?? 0);
  return least;
}

interface Problem {
  readonly days: number;
  readonly minutes: readonly number[];
  readonly room: readonly number[];
  readonly patterns: readonly Patterns[];
}

/** What of the problem is still open: brushing days, their room, the parts from one on. */
interface Open {
  readonly set: number;
  readonly room: Float64Array;
  readonly from: number;
}

/** Days of a set that have room for so many minutes. */
function roomy(set: number, room: Float64Array, minutes: number): number {
  let days = 0;
  for (let d = 0; d < room.length; d++) if ((set >> d) & 1 && (room[d] ?? 0) >= minutes - 1e-9) days |= 1 << d;
  return days;
}

/** The relaxed problem at some prices: its bound, with the minutes that the cheapest patterns use on each day. */
function relaxed({ days, minutes, patterns }: Problem, may: readonly number[], from: number, priceOf: Float64Array) {
  const used = new Float64Array(days);
  let bound = 0;
  for (let z = from; z < patterns.length; z++) {
    const { masks, costs } = patterns[z]!;
    const not = ~may[z]!;
    const m = minutes[z]!;
    let least = Infinity;
    let at = 0;
    for (let i = 0; i < masks.length; i++) {
      const mask = masks[i]!;
      if ((mask & not) !== 0) continue;
      const v = costs[i]! + m * priceOf[mask]!;
      if (v < least) {
        least = v;
        at = mask;
      }
    }
    bound += least;
    for (let d = 0; d < days; d++) if ((at >> d) & 1) used[d]! += m;
  }
  return { bound, used };
}

/** Subgradient ascent: prices that raise the bound of what is open, from prices to start with, up to a cost that is known. */
function raisePrices(problem: Problem, open: Open, start: Float64Array, best: number, steps: number) {
  const { set, room, from } = open;
  const may = problem.minutes.map((m, z) => (z < from ? 0 : roomy(set, room, m)));
  const inSet = Float64Array.from(room, (minutes, d) => ((set >> d) & 1 ? minutes : 0));
  let prices = start;
  let dearest = start;
  let highest = -Infinity;
  let pace = 1.2;
  const priceOf = new Float64Array(1 << problem.days);
  for (let step = 0; step < steps; step++) {
    addUp(prices, priceOf);
    const { bound: ofParts, used } = relaxed(problem, may, from, priceOf);
    const bound = ofParts - prices.reduce((all, price, d) => all + price * inSet[d]!, 0);
    if (bound > highest + EXACT) {
      highest = bound;
      dearest = prices;
    } else pace *= 0.93;
    if (highest >= best) break;
    // The subgradient: by how much the days are overdrawn. One that has room and costs nothing cannot be cheaper.
    const over = used.map((minutes, d) => ((set >> d) & 1 ? minutes - room[d]! : 0));
    const square = over.reduce((all, o, d) => (o > 0 || prices[d]! > 0 ? all + o * o : all), 0);
    if (square === 0) break;
    const by = (pace * (Math.min(best, 1.3 * Math.abs(highest) + 5) - bound)) / square;
    prices = prices.map((price, d) => Math.max(0, price + by * over[d]!));
  }
  return { bound: highest, prices: dearest };
}

/** Prices of all patterns from those of the days. */
function addUp(prices: Float64Array, into: Float64Array): void {
  for (let mask = 1; mask < into.length; mask++) {
    const low = 31 - Math.clz32(mask & -mask);
    into[mask] = (into[mask & (mask - 1)] ?? 0) + (prices[low] ?? 0);
  }
}

/** The cheapest week. Throws RangeError for more than MOST_DAYS days. */
export function rota({ parts, dayMinutes, mostNodes = MOST_NODES }: RotaRequest): Rota {
  const days = dayMinutes.length;
  if (days > MOST_DAYS) throw new RangeError(`a rota is planned over at most ${MOST_DAYS} days`);
  // The longest first: they leave the least choice.
  const order = [...parts].sort((a, b) => b.minutes - a.minutes || b.weight - a.weight || (a.key < b.key ? -1 : 1));
  const problem: Problem = {
    days,
    minutes: order.map((p) => p.minutes),
    room: dayMinutes,
    patterns: order.map((p) => patternsOf(p, dayMinutes)),
  };
  const sets = 1 << days;
  let best = Infinity;
  let chosen: readonly number[] = [];
  const take = (masks: readonly number[], cost: number): void => {
    if (cost < best - EXACT) {
      best = cost;
      chosen = [...masks];
    }
  };
  const nothing = order.map(() => 0);
  const good = byTurns(problem);
  take(good.masks, good.cost);
  const open = dayMinutes.reduce((set, m, d) => (m > 0 ? set | (1 << d) : set), 0);
  const shared = raisePrices(
    problem,
    { set: open, room: Float64Array.from(dayMinutes), from: 0 },
    new Float64Array(days),
    best,
    PRICE_STEPS,
  ).prices;
  const bounds = boundsOf(problem, shared);
  const queue = Array.from({ length: sets }, (_, set) => set)
    .filter((set) => set !== 0 && (set & ~open) === 0)
    .sort((a, b) => (bounds[a] ?? 0) - (bounds[b] ?? 0) || a - b);
  let nodes = 0;
  let lowest = Infinity;
  for (const set of queue) {
    if ((bounds[set] ?? 0) >= best - EXACT) continue;
    const masks = [...nothing];
    const fetching = FETCHING * bits(set);
    /** Parts from z on, in the room that is left, after what came before has cost so much. */
    const search = (z: number, soFar: number, room: Float64Array, from: Float64Array): void => {
      if (z === order.length) {
        // Days of the set that nobody uses cost nothing: that is another set's plan.
        const usedDays = masks.reduce((all, p) => all | p, 0);
        take(masks, soFar - fetching + FETCHING * bits(usedDays));
        return;
      }
      const { bound, prices } = raisePrices(problem, { set, room, from: z }, from, best - soFar, NODE_STEPS);
      if (soFar + bound >= best - EXACT) return;
      const m = problem.minutes[z] ?? 0;
      const may = roomy(set, room, m);
      const priceOf = new Float64Array(sets);
      addUp(prices, priceOf);
      const own = problem.patterns[z];
      const choices: { readonly mask: number; readonly cost: number; readonly value: number }[] = [];
      own?.masks.forEach((mask, i) => {
        const cost = own.costs[i] ?? Infinity;
        if ((mask & ~may) === 0) choices.push({ mask, cost, value: cost + m * (priceOf[mask] ?? 0) });
      });
      choices.sort((p, q) => p.value - q.value || p.mask - q.mask);
      const least = choices[0]?.value ?? 0;
      for (const { mask, cost, value } of choices) {
        // The bound with this pattern in place of the part's best.
        const atLeast = soFar + bound - least + value;
        if (atLeast >= best - EXACT) return;
        if (++nodes > mostNodes) {
          lowest = Math.min(lowest, atLeast);
          return;
        }
        spend(room, mask, m);
        masks[z] = mask;
        search(z + 1, soFar + cost, room, prices);
        masks[z] = 0;
        spend(room, mask, -m);
      }
    };
    const room = Float64Array.from(dayMinutes);
    // Most sets are seen to be dear after a few steps.
    const near = raisePrices(problem, { set, room, from: 0 }, shared, best, NODE_STEPS);
    if (near.bound + fetching >= best - EXACT) continue;
    search(0, fetching, room, raisePrices(problem, { set, room, from: 0 }, near.prices, best, PRICE_STEPS).prices);
  }
  const days$ = dayMinutes.map((_, d) => order.filter((_p, z) => ((chosen[z] ?? 0) >> d) & 1).map((p) => p.key));
  return { days: days$, cost: best, bound: Math.min(best, lowest) };
}

/** A good week to start from: parts choose by turns, alone and in pairs, in the room that the others leave. */
function byTurns({ days, minutes, room, patterns }: Problem): { readonly masks: number[]; readonly cost: number } {
  const masks = patterns.map(() => 0);
  const own = patterns.map(({ costs }) => costs[0] ?? 0);
  const left = Float64Array.from(room);
  const all = (1 << days) - 1;
  const put = (z: number, mask: number, cost: number): void => {
    spend(left, masks[z] ?? 0, -(minutes[z] ?? 0));
    spend(left, mask, minutes[z] ?? 0);
    masks[z] = mask;
    own[z] = cost;
  };
  const usedBut = (a: number, b: number): number => masks.reduce((s, p, z) => (z === a || z === b ? s : s | p), 0);
  const fetching = Float64Array.from({ length: all + 1 }, (_, set) => FETCHING * bits(set));
  const alone = (a: number): boolean => {
    const [mask, cost] = [masks[a] ?? 0, own[a] ?? 0];
    const used = usedBut(a, a);
    spend(left, mask, -(minutes[a] ?? 0));
    const may = roomy(all, left, minutes[a] ?? 0);
    spend(left, mask, minutes[a] ?? 0);
    let best = { worth: cost + (fetching[used | mask] ?? 0) - EXACT, mask, cost };
    patterns[a]?.masks.forEach((m, i) => {
      if ((m & ~may) !== 0) return;
      const c = patterns[a]?.costs[i] ?? Infinity;
      const worth = c + (fetching[used | m] ?? 0);
      if (worth < best.worth) best = { worth, mask: m, cost: c };
    });
    put(a, best.mask, best.cost);
    return best.mask !== mask;
  };
  /** Two parts again, the first given each of its patterns, the second its best beside it. */
  const together = (a: number, b: number): boolean => {
    const before = [masks[a] ?? 0, own[a] ?? 0, masks[b] ?? 0, own[b] ?? 0] as const;
    const worth = before[1] + before[3] + (fetching[usedBut(a, b) | before[0] | before[2]] ?? 0);
    put(b, 0, patterns[b]?.costs[0] ?? 0);
    put(a, 0, patterns[a]?.costs[0] ?? 0);
    const may = roomy(all, left, minutes[a] ?? 0);
    const used = usedBut(a, b);
    let best = { worth: worth - EXACT, at: before };
    patterns[a]?.masks.forEach((m, i) => {
      const c = patterns[a]?.costs[i] ?? Infinity;
      if ((m & ~may) !== 0 || c >= best.worth) return;
      put(a, m, c);
      alone(b);
      const w = c + (own[b] ?? 0) + (fetching[used | m | (masks[b] ?? 0)] ?? 0);
      if (w < best.worth) best = { worth: w, at: [m, c, masks[b] ?? 0, own[b] ?? 0] };
      put(b, 0, patterns[b]?.costs[0] ?? 0);
    });
    const [ma, ca, mb, cb] = best.at;
    put(a, ma, ca);
    put(b, mb, cb);
    return best.at !== before;
  };
  for (let round = 0; round < MOST_ROUNDS; round++) {
    let moved = false;
    for (let a = 0; a < patterns.length; a++) moved = alone(a) || moved;
    if (!moved) for (let a = 0; a < patterns.length; a++) for (let b = 0; b < a; b++) moved = together(a, b) || moved;
    if (!moved) break;
  }
  return { masks, cost: own.reduce((t, c) => t + c, 0) + (fetching[masks.reduce((s, m) => s | m, 0)] ?? 0) };
}

/** A bound for every set of brushing days at one set of prices. */
function boundsOf({ days, minutes, room, patterns }: Problem, prices: Float64Array): Float64Array {
  const priceOf = new Float64Array(1 << days);
  addUp(prices, priceOf);
  const bounds = new Float64Array(1 << days);
  for (const [z, { masks, costs }] of patterns.entries()) {
    const values = new Float64Array(1 << days).fill(Infinity);
    masks.forEach((mask, i) => {
      values[mask] = (costs[i] ?? Infinity) + (minutes[z] ?? 0) * (priceOf[mask] ?? 0);
    });
    for (const [set, least] of leastWithin(values, days).entries()) bounds[set] = (bounds[set] ?? 0) + least;
  }
  for (let set = 0; set < bounds.length; set++) {
    let b = (bounds[set] ?? 0) + FETCHING * bits(set);
    for (let d = 0; d < days; d++) if ((set >> d) & 1) b -= (prices[d] ?? 0) * (room[d] ?? 0);
    bounds[set] = b;
  }
  return bounds;
}

function spend(room: Float64Array, mask: number, minutes: number): void {
  for (let m = mask, d = 0; m > 0; m >>= 1, d++) if (m & 1) room[d] = (room[d] ?? 0) - minutes;
}
