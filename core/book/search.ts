/**
 * Improves a book's year by large neighbourhood search (Shaw 1998) with the acceptance rule of simulated annealing (Kirkpatrick,
 * Gelatt and Vecchi 1983; both from memory): a few dogs about an expensive day are taken out and put in again, each at its best
 * with the others where they are. The temperature falls with the count of tries, not with the clock, so that a run repeats. A
 * rebuild finds the best year of each dog that was taken out, a nudge moves one visit of each.
 */
import { randomInt, type Random } from '../quantity/index.ts';
import type { DogArcs } from './arcs.ts';
import { dayCost, type Hours } from './hours.ts';
import {
  arcBetween,
  cheapestYear,
  minutesOf,
  dayOf,
  put,
  yearThrough,
  type DayCosts,
  type PathRoom,
  type Year,
} from './paths.ts';

/** Dogs that one neighbourhood takes out at most, and days of a year about its own from which it takes them. */
const MOST_OUT = 6;
const MOST_NUDGED = 6;
const ABOUT_DAYS = 8;
/** How often a day is shut for the first dog of a neighbourhood, and by how many minutes. */
const SHUT_SHARE = 0.4;
const SHUT_MINUTES = 5_000;
/** How often a dog joins that was found on no day. */
const ANYBODY_SHARE = 0.1;
/** Temperature at the first try, in minutes, for a hundred dogs; small books have higher walls. A thousandth at the last. */
const HOT = { least: 0.4, hundred: 1, most: 20 } as const;
/** Days are weighed again after so many steps: what was dear may be so no longer. */
const WEIGH_EVERY = 400;
/** Weight of a day that is neither dear nor over its hours. */
const ANY_DAY = 0.02;

/** A year with one visit moved to where it is cheapest, or the same year. The dog's minutes are not in the load. */
export function nudged(a: DogArcs, y: Year, p: number, { load, hours }: DayCosts): Year {
  const u = p > 0 ? (y.nodes[p - 1] ?? 0) : 0;
  const v = y.nodes[p + 1];
  const k0 = a.first[u] ?? 0;
  const row = (a.row[u] ?? 0) - k0;
  const last = k0 + (a.count[u] ?? 0);
  const vDay = v === undefined ? 0 : (a.day[v] ?? 0);
  const vLoad = load[vDay] ?? 0;
  const vBefore = v === undefined ? 0 : dayCost(hours, vDay, vLoad);
  let best = Infinity;
  let at = -1;
  for (let k = k0; k < last && (v === undefined || k < v); k++) {
    let tail = a.end[k] ?? Infinity;
    if (v !== undefined) {
      const arc = arcBetween(a, k, v);
      if (arc < 0) continue;
      tail = (a.cost[arc] ?? 0) + dayCost(hours, vDay, vLoad + (a.minutes[arc] ?? 0)) - vBefore;
    }
    if (tail === Infinity) continue;
    const day = a.day[k] ?? 0;
    const on = load[day] ?? 0;
    const value =
      tail + (a.cost[row + k] ?? 0) + dayCost(hours, day, on + (a.minutes[row + k] ?? 0)) - dayCost(hours, day, on);
    if (value < best) {
      best = value;
      at = k;
    }
  }
  if (at < 0 || at === y.nodes[p]) return y;
  return yearThrough(a, y.nodes.with(p, at)) ?? y;
}

/** What one visit would take and cost on each other day its neighbours leave it, against the day it is on; all else as planned. */
export function moveCost(
  a: DogArcs,
  y: Year,
  p: number,
  { load, hours }: DayCosts,
): readonly { readonly day: number; readonly minutes: number; readonly cost: number }[] {
  const without = load.slice();
  put(a, y, without, -1);
  const worth = (year: Year): number => year.cost + moved(a, year, without.slice(), hours, 1);
  const u = p > 0 ? (y.nodes[p - 1] ?? 0) : 0;
  const k0 = a.first[u] ?? 0;
  const now = worth(y);
  const was = minutesOf(a, y, p);
  const found: { readonly day: number; readonly minutes: number; readonly cost: number }[] = [];
  for (let k = k0; k < k0 + (a.count[u] ?? 0); k++) {
    const other = k === y.nodes[p] ? undefined : yearThrough(a, y.nodes.with(p, k));
    if (!other || other.cost === Infinity) continue;
    found.push({ day: a.day[k] ?? 0, minutes: minutesOf(a, other, p) - was, cost: worth(other) - now });
  }
  return found;
}

export class Search {
  private readonly onDay: number[][];
  private readonly best: Year[];
  /** Dogs whose year differs from the best. */
  private readonly changed = new Set<number>();
  private readonly cumulated: Float64Array;
  private readonly hot: number;
  private readonly costs: DayCosts;
  private temperature = 0;
  private steps = 0;
  private now = 0;
  private least = 0;

  /** years and load are changed in place. */
  constructor(
    private readonly dogs: readonly DogArcs[],
    private readonly hours: Hours,
    private readonly years: Year[],
    private readonly load: Float64Array,
    private readonly prices: Float64Array,
    private readonly random: Random,
    private readonly room: PathRoom,
  ) {
    this.onDay = Array.from(load, () => []);
    for (let i = 0; i < dogs.length; i++) this.mark(i, true);
    this.best = [...years];
    this.cumulated = new Float64Array(load.length);
    this.hot = Math.min(HOT.most, Math.max(HOT.least, (100 * HOT.hundred) / dogs.length));
    this.costs = { load, hours };
  }

  /** Sets the temperature by how much of the search is done. */
  at(share: number): void {
    this.temperature = this.hot * 0.001 ** share;
  }

  rebuild(): void {
    this.step(1 + Math.floor(this.random() * MOST_OUT), (a) => cheapestYear(a, this.costs, this.room).year);
  }

  nudge(): void {
    this.step(1 + Math.floor(this.random() * MOST_NUDGED), (a, y, near) => {
      // The visit nearest to the day that is looked at.
      let p = 0;
      for (let i = 1; i < y.nodes.length; i++)
        if (Math.abs(dayOf(a, y, i) - near) < Math.abs(dayOf(a, y, p) - near)) p = i;
      return y.nodes.length === 0 ? y : nudged(a, y, p, this.costs);
    });
  }

  /** Back to the best that was found. */
  settle(): void {
    this.load.fill(0);
    for (const [i, a] of this.dogs.entries()) {
      const y = this.best[i];
      if (!y) continue;
      this.years[i] = y;
      put(a, y, this.load, 1);
    }
  }

  private mark(i: number, add: boolean): void {
    const [a, y] = [this.dogs[i], this.years[i]];
    if (!a || !y) return;
    for (let v = 0; v < y.nodes.length; v++) {
      const at = this.onDay[dayOf(a, y, v)];
      if (!at) continue;
      if (add) at.push(i);
      else {
        at[at.indexOf(i)] = at[at.length - 1] ?? i;
        at.pop();
      }
    }
  }

  /** Days by how dear they are: overtime first, then price. */
  private weigh(): void {
    const { load, hours, prices, onDay, cumulated } = this;
    let t = 0;
    for (let d = 0; d < load.length; d++) {
      if ((onDay[d]?.length ?? 0) > 0)
        t += ANY_DAY + (prices[d] ?? 0) + ((load[d] ?? 0) > (hours.minutes[d] ?? 0) ? hours.dear : 0);
      cumulated[d] = t;
    }
  }

  private dearDay(): number {
    const { cumulated } = this;
    const wish = this.random() * (cumulated[cumulated.length - 1] ?? 0);
    let [low, high] = [0, cumulated.length - 1];
    while (low < high) {
      const mid = (low + high) >> 1;
      if ((cumulated[mid] ?? 0) < wish) low = mid + 1;
      else high = mid;
    }
    return low;
  }

  private step(many: number, again: (a: DogArcs, y: Year, near: number) => Year): void {
    const { dogs, years, load, hours, random } = this;
    if (this.steps++ % WEIGH_EVERY === 0) this.weigh();
    const centre = this.dearDay();
    const out: number[] = [];
    for (let k = 0; k < 2 * many && out.length < many; k++) {
      const there = this.onDay[centre + (k === 0 ? 0 : randomInt(random, -ABOUT_DAYS, ABOUT_DAYS))];
      const i = there?.[Math.floor(random() * there.length)];
      if (i !== undefined && !out.includes(i)) out.push(i);
    }
    // Who comes at no time is on no day: now and then anybody is looked at.
    if (random() < ANYBODY_SHARE) {
      const i = Math.floor(random() * dogs.length);
      if (!out.includes(i)) out.push(i);
    }
    if (out.length === 0) return;
    let gain = 0;
    // What the days cost by these years: taken off one by one, so that each difference is exact.
    for (const i of out) {
      const [a, y] = [dogs[i], years[i]];
      if (a && y) gain += y.cost + moved(a, y, load, hours, -1);
    }
    const fresh: Year[] = [];
    // Often the first of them finds a day or two shut that are open: the others get them, and it sees what else there is.
    const shut = random() < SHUT_SHARE ? [centre, centre + randomInt(random, -ABOUT_DAYS, ABOUT_DAYS)] : [];
    for (const [k, i] of out.entries()) {
      const [a, y] = [dogs[i], years[i]];
      if (!a || !y) continue;
      if (k === 0) for (const d of shut) load[d] = (load[d] ?? 0) + SHUT_MINUTES;
      const year = again(a, y, centre);
      if (k === 0) for (const d of shut) load[d] = (load[d] ?? 0) - SHUT_MINUTES;
      gain -= year.cost + moved(a, year, load, hours, 1);
      fresh.push(year);
    }
    if (gain > 0 || random() < Math.exp(gain / this.temperature)) this.take(out, fresh, gain);
    else
      for (const [k, i] of out.entries()) {
        const [a, f, y] = [dogs[i], fresh[k], years[i]];
        if (!a || !f || !y) continue;
        put(a, f, load, -1);
        put(a, y, load, 1);
      }
  }

  private take(out: readonly number[], fresh: readonly Year[], gain: number): void {
    for (const [k, i] of out.entries()) {
      const y = fresh[k];
      if (!y || y === this.years[i]) continue;
      this.mark(i, false);
      this.years[i] = y;
      this.mark(i, true);
      this.changed.add(i);
    }
    this.now -= gain;
    if (this.now >= this.least - 1e-9) return;
    this.least = this.now;
    for (const i of this.changed) {
      const y = this.years[i];
      if (y) this.best[i] = y;
    }
    this.changed.clear();
  }
}

/** Puts a year's minutes on the days or takes them off; what the days cost by it. */
function moved(a: DogArcs, y: Year, load: Float64Array, hours: Hours, sign: 1 | -1): number {
  let t = 0;
  for (let i = 0; i < y.nodes.length; i++) {
    const d = dayOf(a, y, i);
    const before = load[d] ?? 0;
    const after = before + sign * minutesOf(a, y, i);
    t += sign * (dayCost(hours, d, after) - dayCost(hours, d, before));
    load[d] = after;
  }
  return t;
}
