/**
 * What moves when hours are lost: the dogs concerned at once, each to where it is best with all others left where they
 * are; then, with time, the same search as for a year, in which leaving an agreed day costs by how little notice is left.
 * What was confirmed to an owner is asked about, not moved: it is listed, and stays in every answer until it is let go.
 */
import { seededRandom, sum } from '../quantity/index.ts';
import { costlier, type DogArcs } from './arcs.ts';
import { allDaysCost, lastDayOf, type Hours } from './hours.ts';
import { arcBetween, cheapestYear, daysOf, PathRoom, put, yearThrough, type Year } from './paths.ts';
import { Search } from './search.ts';

/** Moving a visit so soon costs so many minutes, falling to what any move costs at the far end: fewest first. Guesses. */
export const NOTICE = { soonest: 8, days: 28, any: 3.5 } as const;
/** Moving a visit that lies so many days ahead. */
export const noticeCost = (daysAhead: number): number =>
  NOTICE.any + (NOTICE.soonest - NOTICE.any) * Math.max(0, 1 - Math.max(0, daysAhead) / NOTICE.days);

/** Minutes lost by day. A day that loses all it had is shut; on one that loses some, visits may move but need not. */
export type Loss = ReadonlyMap<number, number>;
/** Days that are lost whole. */
export const wholeDays = (days: readonly number[]): Loss => new Map(days.map((d) => [d, Infinity]));
const shutBy = (hours: Hours, lost: Loss): ReadonlySet<number> =>
  new Set([...lost].filter(([d, m]) => m >= (hours.minutes[d] ?? 0) - 1e-9).map(([d]) => d));

/** The hours without what is lost. */
export function hoursWithout(hours: Hours, lost: Loss): Hours {
  const minutes = hours.minutes.slice();
  const overtime = hours.overtime.slice();
  for (const [d, m] of lost) {
    const had = minutes[d] ?? 0;
    const less = Math.min(m, had);
    minutes[d] = had - less;
    overtime[d] = (overtime[d] ?? 0) * (had > 0 ? 1 - less / had : 1);
  }
  return { ...hours, minutes, overtime };
}

export interface Move {
  /** Place of the dog in the book. */
  readonly dog: number;
  readonly from: number;
  /** Day of the visit that takes its place: the nearest new one; undefined where none does. */
  readonly to: number | undefined;
}
export interface Repair {
  readonly years: readonly Year[];
  readonly moves: readonly Move[];
  /** Cost of all years with overtime, without what the moves cost owners. */
  readonly cost: number;
}

/** Visits that left their day, with the nearest that came in their place. */
export function movesOf(dogs: readonly DogArcs[], before: readonly Year[], after: readonly Year[]): readonly Move[] {
  return dogs.flatMap((a, dog) => {
    const [b, c] = [before[dog], after[dog]];
    if (!b || !c || b === c) return [];
    const was = daysOf(a, b);
    const is = daysOf(a, c);
    const fresh = new Set(is.filter((d) => !was.includes(d)));
    return was
      .filter((d) => !is.includes(d))
      .map((from): Move => {
        const [to] = [...fresh].sort((x, y) => Math.abs(x - from) - Math.abs(y - from));
        if (to !== undefined) fresh.delete(to);
        return { dog, from, to };
      });
  });
}

const total = (hours: Hours, load: Float64Array, years: readonly Year[]): number =>
  sum(years.map((y) => y.cost)) + allDaysCost(hours, load);

/** Costs more than any year: nobody works on a lost day but for what is agreed. */
const NEVER = 1e7;

/**
 * A dog's steps in which each planned day ahead is worth what leaving it would cost, no lost day may be taken, and what is past
 * is as it was: the same dog, with the wish to stay.
 */
function attached(a: DogArcs, y: Year, today: number, lost: ReadonlySet<number>): DogArcs {
  const end = a.end.slice();
  const planned = new Set(y.nodes);
  const way = pastWay(a, y, today);
  const dayOfNode = (k: number): number => a.day[k] ?? 0;
  /** What a step to a node costs more, from where no step is laid down. */
  const wish = (k: number): number => {
    const ahead = dayOfNode(k) - today;
    if (ahead <= 0) return Infinity;
    if (lost.has(dayOfNode(k))) return NEVER;
    return planned.has(k) ? -noticeCost(ahead) : 0;
  };
  for (const j of way.keys()) end[j] = Infinity;
  const steps = costlier(a, (from, to) => {
    const must = way.get(from);
    return must === undefined ? wish(to) : to === must ? 0 : Infinity;
  });
  return { ...steps, end };
}

/** From today and from each visit that was, the way to the next one that was: the only one there is. */
function pastWay(a: DogArcs, y: Year, today: number): ReadonlyMap<number, number> {
  const past = y.nodes.filter((k) => (a.day[k] ?? 0) <= today);
  return new Map(past.map((k, i) => [past[i - 1] ?? 0, k]));
}

/** A year as these steps cost it. */
const costed = (a: DogArcs, y: Year): Year => yearThrough(a, y.nodes) ?? y;

export interface RepairEffort {
  /** Rebuilds of the search; 0: the dogs concerned only. */
  readonly tries: number;
  readonly nudgesPerTry: number;
  readonly seed: number;
}
export const AT_ONCE: RepairEffort = { tries: 0, nudgesPerTry: 0, seed: 1 };
export const WITH_TIME: RepairEffort = { tries: 800, nudgesPerTry: 20, seed: 1 };

/** Repairs a year when, on the evening of a day, hours of some days ahead are lost. Years are those of the plan that stood. */
export function repair(
  dogs: readonly DogArcs[],
  years: readonly Year[],
  hours: Hours,
  today: number,
  lost: Loss,
  { tries, nudgesPerTry, seed }: RepairEffort,
): Repair {
  const gone = shutBy(hours, lost);
  const without = hoursWithout(hours, lost);
  const load = new Float64Array(hours.minutes.length);
  const concerned: number[] = [];
  for (const [i, a] of dogs.entries()) {
    const y = years[i];
    if (!y) continue;
    if (daysOf(a, y).some((d) => lost.has(d))) concerned.push(i);
    else put(a, y, load, 1);
  }
  // Nobody is concerned: nobody is disturbed, though the search might find a better year.
  if (concerned.length === 0) return { years, moves: [], cost: total(without, load, years) };
  const held = dogs.map((a, i) => {
    const y = years[i];
    return y && (tries > 0 || concerned.includes(i)) ? attached(a, y, today, gone) : a;
  });
  const room = new PathRoom();
  const now = years.map((y, i) => {
    const a = held[i];
    return a && a !== dogs[i] ? costed(a, y) : y;
  });
  // The longest at the table first: they are hardest to place.
  const most = (i: number): number => Math.max(0, ...(years[i]?.arcs ?? []).map((arc) => dogs[i]?.minutes[arc] ?? 0));
  for (const i of concerned.sort((x, y) => most(y) - most(x))) {
    const a = held[i];
    if (!a) continue;
    const { year } = cheapestYear(a, { load, hours: without }, room);
    now[i] = year;
    put(a, year, load, 1);
  }
  if (tries > 0) {
    const prices = new Float64Array(load.length);
    // The search looks where days were lost, and where what was there went.
    for (const d of lost.keys())
      for (let x = Math.max(1, d - 10); x <= Math.min(lastDayOf(hours), d + 30); x++) prices[x] = hours.dear;
    const search = new Search(held, without, now, load, prices, seededRandom(seed), room);
    for (let t = 0; t < tries; t++) {
      search.at(t / tries);
      search.rebuild();
      for (let k = 0; k < nudgesPerTry; k++) search.nudge();
    }
    search.settle();
  }
  const after = now.map((y, i) => {
    const a = dogs[i];
    const before = years[i];
    const same = before && before.nodes.length === y.nodes.length && before.nodes.every((k, j) => k === y.nodes[j]);
    return same ? before : a ? costed(a, y) : y;
  });
  return { years: after, moves: movesOf(dogs, years, after), cost: total(without, load, after) };
}

/** What a phone and a calendar do: each visit of a lost day goes to the dog's next day that has room, whatever comes after. */
export function pushed(dogs: readonly DogArcs[], years: readonly Year[], hours: Hours, lost: Loss): Repair {
  const gone = shutBy(hours, lost);
  const without = hoursWithout(hours, lost);
  const load = new Float64Array(hours.minutes.length);
  for (const [i, a] of dogs.entries()) {
    const y = years[i];
    if (y) put(a, y, load, 1);
  }
  const after = years.map((y, i) => {
    const a = dogs[i];
    if (!a || !daysOf(a, y).some((d) => gone.has(d))) return y;
    put(a, y, load, -1);
    const nodes = [...y.nodes];
    for (const [p, k] of nodes.entries()) {
      if (!gone.has(a.day[k] ?? 0)) continue;
      const u = p > 0 ? (nodes[p - 1] ?? 0) : 0;
      const v = nodes[p + 1] ?? a.day.length;
      const can = (z: number): boolean =>
        !gone.has(a.day[z] ?? 0) && arcBetween(a, u, z) >= 0 && (v === a.day.length || arcBetween(a, z, v) >= 0);
      const fits = (z: number): boolean => {
        const d = a.day[z] ?? 0;
        return (load[d] ?? 0) + (a.minutes[arcBetween(a, u, z)] ?? 0) <= (without.minutes[d] ?? 0);
      };
      const later = Array.from({ length: v - k - 1 }, (_, j) => k + 1 + j).filter(can);
      const to = later.find(fits) ?? later[0];
      if (to !== undefined) nodes[p] = to;
      else nodes.splice(p, 1);
    }
    const moved = yearThrough(a, nodes) ?? cheapestYear(a, { load, hours: without }, new PathRoom()).year;
    put(a, moved, load, 1);
    return moved;
  });
  return { years: after, moves: movesOf(dogs, years, after), cost: total(without, load, after) };
}
