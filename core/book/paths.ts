/** Decides a dog's cheapest year when the salon's minutes have a price on each day. */
import type { DogArcs } from './arcs.ts';

/**
 * What a visit of so many minutes adds to a day. With prices: a price a minute. Softly: a price that rises with what is
 * booked there, from 0 at `from` minutes by twice `half` a minute. Else what it adds to overtime.
 */
export interface DayCosts {
  readonly perMinute?: Float64Array | undefined;
  readonly soft?: { readonly from: Float64Array; readonly half: Float64Array } | undefined;
  /** Minutes booked in each period by others. */
  readonly load: Float64Array;
  readonly hours: Hours;
}

/**
 * The salon's minutes by period: a day, or a week whose minutes may be worked on any of its days. Beyond those of a period
 * comes overtime, and beyond that what nobody should work, at its price.
 */
export interface Hours {
  /** Period of each day of the plan; day 0 is today. */
  readonly period: Int32Array;
  /** Minutes of each day, and of each period. */
  readonly daily: Float64Array;
  readonly minutes: Float64Array;
  /** Minutes of the first overtime in each period. */
  readonly overtime: Float64Array;
  /** Price of a minute of the first and of the second overtime, on top of the work itself. */
  readonly dear: number;
  readonly dearest: number;
}

/** What hours are made of, apart from their minutes. */
export interface HoursKind {
  /** Days in a row whose minutes are one pool: 1, or 7 from the first day of the plan on. */
  readonly pooledDays: number;
  /** First overtime as a share of a period. */
  readonly overtimeShare: number;
  readonly dear: number;
  readonly dearest: number;
}

/** Hours of a plan from the minutes of each day; element 0 is today, which is past. */
export function hoursFrom(daily: Float64Array, { pooledDays, overtimeShare, dear, dearest }: HoursKind): Hours {
  const period = Int32Array.from(daily, (_, d) => (d === 0 ? 0 : 1 + Math.floor((d - 1) / pooledDays)));
  const minutes = new Float64Array((period[period.length - 1] ?? 0) + 1);
  for (const [d, m] of daily.entries()) {
    const p = period[d] ?? 0;
    minutes[p] = (minutes[p] ?? 0) + m;
  }
  return { period, daily, minutes, overtime: minutes.map((m) => m * overtimeShare), dear, dearest };
}

/** Overtime's cost of so many minutes in a period. */
export const overtimeCost = (h: Hours, period: number, minutes: number): number => {
  const over = minutes - (h.minutes[period] ?? 0);
  if (over <= 0) return 0;
  const beyond = over - (h.overtime[period] ?? 0);
  return h.dear * over + (beyond > 0 ? (h.dearest - h.dear) * beyond : 0);
};

/** A year of one dog: its visits in order, by node, and the arcs that lead to them. */
export interface Year {
  readonly nodes: readonly number[];
  readonly arcs: readonly number[];
  /** Cost without prices and overtime. */
  readonly cost: number;
}

export const minutesOf = (a: DogArcs, y: Year, i: number): number => a.minutes[y.arcs[i] ?? 0] ?? 0;
export const dayOf = (a: DogArcs, y: Year, i: number): number => a.day[y.nodes[i] ?? 0] ?? 0;
export const periodOf = (a: DogArcs, y: Year, i: number): number => a.period[y.nodes[i] ?? 0] ?? 0;

/** Adds a year's minutes to the periods, or takes them off. */
export function put(a: DogArcs, y: Year, load: Float64Array, sign: 1 | -1): void {
  for (let i = 0; i < y.nodes.length; i++) {
    const d = periodOf(a, y, i);
    load[d] = (load[d] ?? 0) + sign * minutesOf(a, y, i);
  }
}

/** Days of a year's visits. */
export const daysOf = (a: DogArcs, y: Year): number[] => y.nodes.map((k) => a.day[k] ?? 0);

/** What all periods cost in overtime. */
export function allOvertime(hours: Hours, load: Float64Array): number {
  let t = 0;
  for (let p = 0; p < load.length; p++) t += overtimeCost(hours, p, load[p] ?? 0);
  return t;
}

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

/** Room for the search, reused over calls; grows with the largest dog. */
export class PathRoom {
  dist = new Float64Array(512);
  via = new Int32Array(512);
  from = new Int32Array(512);
  fit(n: number): void {
    if (this.dist.length >= n) return;
    this.dist = new Float64Array(2 * n);
    this.via = new Int32Array(2 * n);
    this.from = new Int32Array(2 * n);
  }
}

/**
 * The cheapest year of a dog, and its cost with what it adds to its days. Exact: days only go forward, and a year has at
 * most one visit a day. With a most number of visits the search has a layer for each.
 */
export function cheapestYear(
  a: DogArcs,
  { perMinute, soft, load, hours }: DayCosts,
  room: PathRoom,
): { readonly year: Year; readonly total: number } {
  const n = a.day.length;
  const layered = a.mostVisits !== undefined;
  const layers = a.mostVisits === undefined ? 1 : Math.max(0, a.mostVisits) + 1;
  room.fit(n * layers);
  const { dist, via, from } = room;
  dist.fill(Infinity, 0, n * layers);
  dist[0] = 0;
  const { period, first, count, row, cost, minutes, end } = a;
  const { minutes: open, overtime, dear, dearest } = hours;
  const more = dearest - dear;
  let best = Infinity;
  let bestAt = -1;
  for (let l = 0; l < layers; l++) {
    const at = l * n;
    const to = layered ? at + n : at;
    const steps = !layered || l + 1 < layers;
    for (let j = 0; j < n; j++) {
      const base = dist[at + j] ?? Infinity;
      if (base === Infinity) continue;
      const total = base + (end[j] ?? Infinity);
      if (total < best) {
        best = total;
        bestAt = at + j;
      }
      if (!steps) continue;
      const k0 = first[j] ?? 0;
      const start = (row[j] ?? 0) - k0;
      const last = k0 + (count[j] ?? 0);
      for (let k = k0; k < last; k++) {
        const m = minutes[start + k] ?? 0;
        const d = period[k] ?? 0;
        let v = base + (cost[start + k] ?? 0);
        if (perMinute) v += (perMinute[d] ?? 0) * m;
        else if (soft) {
          const before = (load[d] ?? 0) - (soft.from[d] ?? 0);
          const after = before + m;
          if (after > 0) v += (soft.half[d] ?? 0) * (after * after - (before > 0 ? before * before : 0));
        } else {
          const before = (load[d] ?? 0) - (open[d] ?? 0);
          const after = before + m;
          if (after > 0) {
            v += dear * (after - (before > 0 ? before : 0));
            const beyond = after - (overtime[d] ?? 0);
            if (beyond > 0) v += more * (beyond - Math.max(0, before - (overtime[d] ?? 0)));
          }
        }
        if (v < (dist[to + k] ?? Infinity)) {
          dist[to + k] = v;
          via[to + k] = start + k;
          from[to + k] = at + j;
        }
      }
    }
  }
  const nodes: number[] = [];
  const arcs: number[] = [];
  let plain = bestAt < 0 ? Infinity : (end[bestAt % n] ?? Infinity);
  for (let i = bestAt; i > 0 && i % n !== 0; i = from[i] ?? 0) {
    const arc = via[i] ?? 0;
    nodes.push(i % n);
    arcs.push(arc);
    plain += cost[arc] ?? 0;
  }
  return { year: { nodes: nodes.reverse(), arcs: arcs.reverse(), cost: plain }, total: best };
}
