/**
 * Decides which parts of a dog are brushed on which day: the cheapest week that fits the minutes there are, found exactly.
 *
 * A part costs more each day that it waits, by the square of its wait against its rhythm, and steeply beyond its limit; a
 * brushing costs its minutes, and a day with any brushing costs the fetching of dog and brushes. A part's week is one of
 * the 2^days patterns of days; a set of patterns must fit every day's minutes. Bounded by Lagrange's prices on the days'
 * minutes, for every set of brushing days at once; what the bound leaves open is searched through.
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
/** Nodes that one search may visit: small weeks need a few thousand. */
const MOST_NODES = 400_000;
const PRICE_STEPS = 60;
const EXACT = 1e-7;

/** What a part costs on a day on which it has waited so long. */
export function waitCost({ minutes, rhythmDays, limitDays, weight }: RotaPart, waited: number): number {
  // At this value of a minute a part that is alone comes round in its rhythm.
  const value = (1.5 * minutes * weight) / rhythmDays;
  return value * (waited / rhythmDays) ** 2 + STARVING * value * Math.max(0, waited - limitDays);
}

/** Cost of every pattern of a part over the days; a day after the last still waits for what was left. */
function patternCosts(part: RotaPart, days: number): Float64Array {
  const costs = new Float64Array(1 << days);
  for (let mask = 0; mask < costs.length; mask++) {
    let waited = part.waited;
    let cost = 0;
    for (let d = 0; d < days; d++) {
      waited = (mask >> d) & 1 ? 0 : waited + 1;
      cost += waitCost(part, waited) + (waited === 0 ? part.minutes : 0);
    }
    costs[mask] = cost + waitCost(part, waited + 1);
  }
  return costs;
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
  /** Cost of each pattern, part by part. */
  readonly costs: readonly Float64Array[];
}

/** Costs with the days' minutes at their prices. */
function priced({ days, minutes, costs }: Problem, prices: Float64Array): Float64Array[] {
  const sets = 1 << days;
  const priceOf = new Float64Array(sets);
  for (let mask = 1; mask < sets; mask++) {
    const low = 31 - Math.clz32(mask & -mask);
    priceOf[mask] = (priceOf[mask & (mask - 1)] ?? 0) + (prices[low] ?? 0);
  }
  return costs.map((own, z) => own.map((c, mask) => c + (minutes[z] ?? 0) * (priceOf[mask] ?? 0)));
}

/** Prices that raise the bound of one set of days, from prices to start with. */
function raisePrices(problem: Problem, set: number, start: Float64Array, best: number): Float64Array {
  const { days, minutes, room, costs } = problem;
  let prices = Float64Array.from(start);
  let kept = prices;
  let highest = -Infinity;
  let pace = 1;
  for (let step = 0; step < PRICE_STEPS; step++) {
    const used = new Float64Array(days);
    let bound = FETCHING * bits(set);
    for (let d = 0; d < days; d++) if ((set >> d) & 1) bound -= (prices[d] ?? 0) * (room[d] ?? 0);
    for (const [z, own] of priced(problem, prices).entries()) {
      let least = Infinity;
      let at = 0;
      for (let mask = set; ; mask = (mask - 1) & set) {
        const v = own[mask] ?? Infinity;
        if (v < least) {
          least = v;
          at = mask;
        }
        if (mask === 0) break;
      }
      bound += least;
      for (let d = 0; d < days; d++) if ((at >> d) & 1) used[d] = (used[d] ?? 0) + (minutes[z] ?? 0);
    }
    if (bound > highest + EXACT) {
      highest = bound;
      kept = Float64Array.from(prices);
    } else pace *= 0.8;
    const over = used.map((u, d) => ((set >> d) & 1 ? u - (room[d] ?? 0) : 0));
    let square = 0;
    for (let d = 0; d < days; d++) if ((over[d] ?? 0) > 0 || (prices[d] ?? 0) > 0) square += (over[d] ?? 0) ** 2;
    if (square === 0 || costs.length === 0) break;
    const far = Math.max(0.05 * Math.abs(bound), (Number.isFinite(best) ? best : 1.2 * bound + 1) - bound);
    const by = (pace * far) / square;
    prices = prices.map((p, d) => Math.max(0, p + by * (over[d] ?? 0)));
  }
  return kept;
}

/** The cheapest week. Throws RangeError for more than MOST_DAYS days. */
export function rota({ parts, dayMinutes }: RotaRequest): Rota {
  const days = dayMinutes.length;
  if (days > MOST_DAYS) throw new RangeError(`a rota is planned over at most ${MOST_DAYS} days`);
  // The longest first: they leave the least choice.
  const order = [...parts].sort((a, b) => b.minutes - a.minutes || b.weight - a.weight || (a.key < b.key ? -1 : 1));
  const problem: Problem = {
    days,
    minutes: order.map((p) => p.minutes),
    room: dayMinutes,
    costs: order.map((p) => patternCosts(p, days)),
  };
  const sets = 1 << days;
  let best = Infinity;
  let chosen: number[] = order.map(() => 0);
  const take = (patterns: readonly number[], cost: number): void => {
    if (cost < best - EXACT) {
      best = cost;
      chosen = [...patterns];
    }
  };
  const nothing = order.map(() => 0);
  take(
    nothing,
    problem.costs.reduce((t, own) => t + (own[0] ?? 0), 0),
  );
  const open = dayMinutes.reduce((set, m, d) => (m > 0 ? set | (1 << d) : set), 0);
  const shared = raisePrices(problem, open, new Float64Array(days), Infinity);
  const bounds = boundsOf(problem, shared);
  const queue = Array.from({ length: sets }, (_, set) => set)
    .filter((set) => set !== 0 && (set & ~open) === 0)
    .sort((a, b) => (bounds[a] ?? 0) - (bounds[b] ?? 0) || a - b);
  let nodes = 0;
  let lowest = Infinity;
  for (const set of queue) {
    if ((bounds[set] ?? 0) >= best - EXACT) continue;
    const prices = raisePrices(problem, set, shared, best);
    const own = priced(problem, prices);
    let fixed = FETCHING * bits(set);
    for (let d = 0; d < days; d++) if ((set >> d) & 1) fixed -= (prices[d] ?? 0) * (dayMinutes[d] ?? 0);
    const within: { readonly mask: number; readonly value: number }[][] = own.map((values) => {
      const of: { mask: number; value: number }[] = [];
      for (let mask = set; ; mask = (mask - 1) & set) {
        of.push({ mask, value: values[mask] ?? Infinity });
        if (mask === 0) break;
      }
      return of.sort((a, b) => a.value - b.value || a.mask - b.mask);
    });
    // What the parts from here on cost at least.
    const rest = new Float64Array(order.length + 1);
    for (let z = order.length - 1; z >= 0; z--) rest[z] = (rest[z + 1] ?? 0) + (within[z]?.[0]?.value ?? 0);
    const room = Float64Array.from(dayMinutes);
    const patterns = [...nothing];
    const search = (z: number, soFar: number): void => {
      if (z === order.length) {
        // Days of the set that nobody uses cost nothing: that is another set's plan.
        const usedDays = patterns.reduce((all, p) => all | p, 0);
        take(patterns, costOf(problem, patterns) + FETCHING * bits(usedDays));
        return;
      }
      const m = problem.minutes[z] ?? 0;
      for (const { mask, value } of within[z] ?? []) {
        if (soFar + value + (rest[z + 1] ?? 0) >= best - EXACT) return;
        if (++nodes > MOST_NODES) {
          lowest = Math.min(lowest, soFar + (rest[z] ?? 0));
          return;
        }
        if (!fits(room, mask, m)) continue;
        spend(room, mask, m);
        patterns[z] = mask;
        search(z + 1, soFar + value);
        patterns[z] = 0;
        spend(room, mask, -m);
      }
    };
    search(0, fixed);
  }
  const days$ = dayMinutes.map((_, d) => order.filter((_p, z) => ((chosen[z] ?? 0) >> d) & 1).map((p) => p.key));
  return { days: days$, cost: best, bound: Math.min(best, lowest) };
}

/** A bound for every set of brushing days at one set of prices. */
function boundsOf(problem: Problem, prices: Float64Array): Float64Array {
  const { days, room } = problem;
  const bounds = new Float64Array(1 << days);
  for (const own of priced(problem, prices)) {
    const least = leastWithin(own, days);
    for (let set = 0; set < bounds.length; set++) bounds[set] = (bounds[set] ?? 0) + (least[set] ?? 0);
  }
  for (let set = 0; set < bounds.length; set++) {
    let b = (bounds[set] ?? 0) + FETCHING * bits(set);
    for (let d = 0; d < days; d++) if ((set >> d) & 1) b -= (prices[d] ?? 0) * (room[d] ?? 0);
    bounds[set] = b;
  }
  return bounds;
}

const costOf = ({ costs }: Problem, patterns: readonly number[]): number =>
  patterns.reduce((t, mask, z) => t + (costs[z]?.[mask] ?? 0), 0);

function fits(room: Float64Array, mask: number, minutes: number): boolean {
  for (let m = mask, d = 0; m > 0; m >>= 1, d++) if (m & 1 && (room[d] ?? 0) < minutes - 1e-9) return false;
  return true;
}

function spend(room: Float64Array, mask: number, minutes: number): void {
  for (let m = mask, d = 0; m > 0; m >>= 1, d++) if (m & 1) room[d] = (room[d] ?? 0) - minutes;
}
