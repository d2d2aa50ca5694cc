/**
 * Keeps from one day what must not be on it together: dogs that must not meet, more heavy dogs than the people at work lift.
 * Whom it costs least comes on another day; a year's bound stays one, for these limits only take plans away.
 */
import { costlier, type DogArcs, type YearDog } from './arcs.ts';
import { allDaysCost, type Hours } from './hours.ts';
import { cheapestYear, daysOf, PathRoom, put, type Year } from './paths.ts';

/** At most so many of these dogs (places in the book) on a day. */
export interface DayLimit {
  readonly dogs: readonly number[];
  readonly most: (day: number) => number;
}

/** The same steps, none of them to these days. */
const without = (a: DogArcs, days: ReadonlySet<number>): DogArcs =>
  costlier(a, (_, to) => (days.has(a.day[to] ?? 0) ? Infinity : 0));

class Crowd {
  private readonly on: Set<number>[];
  constructor(
    private readonly dogs: readonly YearDog[],
    private readonly arcs: readonly DogArcs[],
    readonly years: Year[],
    private readonly hours: Hours,
    private readonly load: Float64Array,
  ) {
    this.on = years.map((y, i) => new Set(arcs[i] ? daysOf(arcs[i], y) : []));
  }

  others({ dogs }: DayLimit, dog: number, day: number): number {
    return dogs.filter((i) => i !== dog && this.on[i]?.has(day)).length;
  }

  /** Days on which more come than may. */
  crowded(limit: DayLimit): readonly number[] {
    const days = new Set(limit.dogs.flatMap((i) => [...(this.on[i] ?? [])]));
    return [...days].filter((d) => this.others(limit, -1, d) > limit.most(d)).sort((a, b) => a - b);
  }

  /** A dog's best year that leaves a crowded day and makes no other crowded; what it costs more; undefined where there is none. */
  away(dog: number, day: number, limits: readonly DayLimit[], room: PathRoom) {
    const [a, now] = [this.arcs[dog], this.years[dog]];
    if (!a || !now || !this.on[dog]?.has(day) || this.dogs[dog]?.fixed.includes(day)) return undefined;
    const fixed = this.dogs[dog]?.fixed ?? [];
    const mine = limits.filter((l) => l.dogs.includes(dog));
    const full = new Set(
      [...a.day].filter((d) => !fixed.includes(d) && mine.some((l) => this.others(l, dog, d) >= l.most(d))),
    );
    put(a, now, this.load, -1);
    const { year } = cheapestYear(without(a, full), { load: this.load, hours: this.hours }, room);
    const costOf = (y: Year): number => {
      put(a, y, this.load, 1);
      const cost = y.cost + allDaysCost(this.hours, this.load);
      put(a, y, this.load, -1);
      return cost;
    };
    const more = costOf(year) - costOf(now);
    put(a, now, this.load, 1);
    return year.cost < Infinity ? { dog, year, more } : undefined;
  }

  move(dog: number, year: Year): void {
    const [a, now] = [this.arcs[dog], this.years[dog]];
    if (!a || !now) return;
    put(a, now, this.load, -1);
    put(a, year, this.load, 1);
    this.years[dog] = year;
    this.on[dog] = new Set(daysOf(a, year));
  }
}

/** Years in which the limits hold wherever they can: what is agreed stays, and who has no other day. */
export function withinLimits(
  dogs: readonly YearDog[],
  arcs: readonly DogArcs[],
  { years, load }: { readonly years: readonly Year[]; readonly load: Float64Array },
  hours: Hours,
  limits: readonly DayLimit[],
): readonly Year[] {
  const crowd = new Crowd(dogs, arcs, [...years], hours, load.slice());
  const room = new PathRoom();
  for (const limit of limits)
    for (const day of crowd.crowded(limit))
      while (crowd.others(limit, -1, day) > limit.most(day)) {
        const ways = limit.dogs.flatMap((i) => crowd.away(i, day, limits, room) ?? []);
        const [best] = ways.sort((a, b) => a.more - b.more);
        if (!best) break;
        crowd.move(best.dog, best.year);
      }
  return crowd.years;
}
