/** Decides a dog's cheapest year when the salon's minutes have a price on each day. */
import type { DogArcs } from './arcs.ts';
import { dayCost, type Hours } from './hours.ts';

/**
 * What a visit of so many minutes adds to a day. With prices: a price a minute. Softly: a price that rises with what is
 * booked there, from 0 at `from` minutes by twice `half` a minute. Else what it adds to the day's own cost.
 */
export interface DayCosts {
  readonly perMinute?: Float64Array | undefined;
  readonly soft?: { readonly from: Float64Array; readonly half: Float64Array } | undefined;
  /** Minutes booked on each day by others. */
  readonly load: Float64Array;
  readonly hours: Hours;
}

/** A year of one dog: its visits in order, by node, and the arcs that lead to them. */
export interface Year {
  readonly nodes: readonly number[];
  readonly arcs: readonly number[];
  /** Cost without prices and overtime. */
  readonly cost: number;
}

export const minutesOf = (a: DogArcs, y: Year, i: number): number => a.minutes[y.arcs[i] ?? 0] ?? 0;
export const dayOf = (a: DogArcs, y: Year, i: number): number => a.day[y.nodes[i] ?? 0] ?? 0;

/** Adds a year's minutes to the days, or takes them off. */
export function put(a: DogArcs, y: Year, load: Float64Array, sign: 1 | -1): void {
  for (let i = 0; i < y.nodes.length; i++) {
    const d = dayOf(a, y, i);
    load[d] = (load[d] ?? 0) + sign * minutesOf(a, y, i);
  }
}

/** Days of a year's visits. */
export const daysOf = (a: DogArcs, y: Year): number[] => y.nodes.map((k) => a.day[k] ?? 0);

/** The arc from one node to another; -1 where the dog takes no such step. */
export function arcBetween(a: DogArcs, from: number, to: number): number {
  const i = to - (a.first[from] ?? 0);
  return i >= 0 && i < (a.count[from] ?? 0) ? (a.row[from] ?? 0) + i : -1;
}

/** A year through given nodes; undefined where a step is none of the dog's. */
export function yearThrough(a: DogArcs, nodes: readonly number[]): Year | undefined {
  let j = 0;
  let cost = 0;
  const arcs: number[] = [];
  for (const k of nodes) {
    const arc = arcBetween(a, j, k);
    if (arc < 0) return undefined;
    arcs.push(arc);
    cost += a.cost[arc] ?? 0;
    j = k;
  }
  return { nodes, arcs, cost: cost + (a.end[j] ?? Infinity) };
}

/**
 * Room for the search, reused over calls; grows with the largest dog. By node: the cost of the best year from it on, and the
 * arc that begins it; and what its day costs, so that the loop over arcs looks up nothing by day.
 */
export class PathRoom {
  value = new Float64Array(512);
  via = new Int32Array(512);
  /** By node, see the way of pricing. */
  p = new Float64Array(512);
  q = new Float64Array(512);
  r = new Float64Array(512);
  s = new Float64Array(512);
  t = new Float64Array(512);
  /** Of the last row that was looked through. */
  least = 0;

  fit(n: number, states: number): void {
    if (this.p.length < n) {
      this.p = new Float64Array(2 * n);
      this.q = new Float64Array(2 * n);
      this.r = new Float64Array(2 * n);
      this.s = new Float64Array(2 * n);
      this.t = new Float64Array(2 * n);
    }
    if (this.value.length >= states) return;
    this.value = new Float64Array(2 * states);
    this.via = new Int32Array(2 * states);
  }
}

/** The best arc of a row, whose targets' values begin at `at`; -1 where none leads on. Its value is left in the room. */
type Look = (a: DogArcs, room: PathRoom, row: number, first: number, count: number, at: number) => number;

/** p: price of a minute. */
const byPrice: Look = ({ cost, minutes }, room, row, first, count, at) => {
  const { p, value } = room;
  let least = Infinity;
  let best = -1;
  for (let i = 0; i < count; i++) {
    const k = first + i;
    const v = (cost[row + i] ?? 0) + (p[k] ?? 0) * (minutes[row + i] ?? 0) + (value[at + k] ?? Infinity);
    if (v < least) {
      least = v;
      best = row + i;
    }
  }
  room.least = least;
  return best;
};

/** p: minutes beyond those at which the price is 0; q: half its rise; r: what stands there already. */
const bySoftPrice: Look = ({ cost, minutes }, room, row, first, count, at) => {
  const { p, q, r, value } = room;
  let least = Infinity;
  let best = -1;
  for (let i = 0; i < count; i++) {
    const k = first + i;
    const after = (p[k] ?? 0) + (minutes[row + i] ?? 0);
    let v = (cost[row + i] ?? 0) + (value[at + k] ?? Infinity);
    if (after > 0) v += (q[k] ?? 0) * (after * after) - (r[k] ?? 0);
    if (v < least) {
      least = v;
      best = row + i;
    }
  }
  room.least = least;
  return best;
};

/**
 * p: minutes beyond the hours; q: beyond the first overtime; r: what the day costs already; s: half the rise of the price
 * below the hours; t: the hours.
 */
const byDayCost =
  (dear: number, more: number): Look =>
  ({ cost, minutes }, room, row, first, count, at) => {
    const { p, q, r, s, t, value } = room;
    let least = Infinity;
    let best = -1;
    for (let i = 0; i < count; i++) {
      const k = first + i;
      const m = minutes[row + i] ?? 0;
      const after = (p[k] ?? 0) + m;
      const hours = t[k] ?? 0;
      const within = after > 0 ? hours : hours + after;
      let v = (cost[row + i] ?? 0) + (value[at + k] ?? Infinity) + (s[k] ?? 0) * within * within - (r[k] ?? 0);
      if (after > 0) {
        const beyond = (q[k] ?? 0) + m;
        v += dear * after + (beyond > 0 ? more * beyond : 0);
      }
      if (v < least) {
        least = v;
        best = row + i;
      }
    }
    room.least = least;
    return best;
  };

/** Lays each node's day into the room; how its arcs are looked through. */
function priced({ day }: DogArcs, { perMinute, soft, load, hours }: DayCosts, room: PathRoom): Look {
  const { p, q, r, s, t } = room;
  const n = day.length;
  if (perMinute) {
    for (let k = 0; k < n; k++) p[k] = perMinute[day[k] ?? 0] ?? 0;
    return byPrice;
  }
  if (soft) {
    for (let k = 0; k < n; k++) {
      const d = day[k] ?? 0;
      const before = (load[d] ?? 0) - (soft.from[d] ?? 0);
      const half = soft.half[d] ?? 0;
      p[k] = before;
      q[k] = half;
      r[k] = before > 0 ? half * before * before : 0;
    }
    return bySoftPrice;
  }
  for (let k = 0; k < n; k++) {
    const d = day[k] ?? 0;
    const there = hours.minutes[d] ?? 0;
    const on = load[d] ?? 0;
    p[k] = on - there;
    q[k] = on - there - (hours.overtime[d] ?? 0);
    r[k] = dayCost(hours, d, on);
    s[k] = there > 0 ? hours.even / (2 * there) : 0;
    t[k] = there;
  }
  return byDayCost(hours.dear, hours.dearest - hours.dear);
}

/**
 * The cheapest year of a dog, and its cost with what it adds to its days. Exact: days only go forward, and a year has at
 * most one visit a day, so from the last day back each node's best year is known when it is asked for. With a most number of
 * visits there is a layer for each number that is left.
 */
export function cheapestYear(
  a: DogArcs,
  costs: DayCosts,
  room: PathRoom,
): { readonly year: Year; readonly total: number } {
  const { first, count, row, cost, end } = a;
  const n = a.day.length;
  const layered = a.mostVisits !== undefined;
  const layers = a.mostVisits === undefined ? 1 : Math.max(0, a.mostVisits) + 1;
  room.fit(n, n * layers);
  const look = priced(a, costs, room);
  const { value, via } = room;
  for (let l = 0; l < layers; l++) {
    const at = l * n;
    const leads = !layered || l > 0;
    for (let j = n - 1; j >= 0; j--) {
      let best = end[j] ?? Infinity;
      let arc = -1;
      if (leads) {
        const found = look(a, room, row[j] ?? 0, first[j] ?? 0, count[j] ?? 0, layered ? at - n : at);
        if (found >= 0 && room.least < best) {
          best = room.least;
          arc = found;
        }
      }
      value[at + j] = best;
      via[at + j] = arc;
    }
  }
  const nodes: number[] = [];
  const arcs: number[] = [];
  let at = (layers - 1) * n;
  const total = value[at] ?? Infinity;
  let plain = 0;
  let j = 0;
  for (let arc = via[at] ?? -1; arc >= 0; arc = via[at + j] ?? -1) {
    j = (first[j] ?? 0) + arc - (row[j] ?? 0);
    nodes.push(j);
    arcs.push(arc);
    plain += cost[arc] ?? 0;
    if (layered) at -= n;
  }
  return { year: { nodes, arcs, cost: plain + (end[j] ?? Infinity) }, total };
}
