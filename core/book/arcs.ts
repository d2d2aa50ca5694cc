/**
 * Decides which visits may follow each other for one dog, or for the dogs of a household that come together, and what each
 * step from visit to visit costs. Rows of arcs lie one behind the other: from each visit the next may fall on a run of the
 * dog's own days, so an arc needs no target of its own.
 */
import { lastDayOf, type Hours } from './hours.ts';
import { CoatWalk, restOf, type CoatYear, type Worth } from './coat-year.ts';

/** Who comes. Days are counted from today, which is 0; the plan holds days 1 to the last. */
export interface YearDog {
  readonly id: string;
  readonly coats: readonly CoatYear[];
  /** Days on which it can come, ascending. */
  readonly days: readonly number[];
  /** The same without the rest before and after visits that are agreed: what it could change to; absent: the same days. */
  readonly open?: readonly number[] | undefined;
  /** Days since its last visit, negative or 0; of a household, of the dog that came longest ago. */
  readonly lastVisit: number;
  /** The first day on which it may come again, where that is not its shortest interval after `lastVisit`. */
  readonly notBefore?: number | undefined;
  readonly shortest: number;
  readonly longest: number;
  /** The day on which it is due next, as every room says; absent: by its longest interval. */
  readonly due?: number | undefined;
  /** Visits that are agreed: every plan holds them, whatever their interval. */
  readonly fixed: readonly number[];
  /** Minutes for which an agreed visit is booked, by its day, and of no other day; absent: as long as its coat is likely to take. */
  readonly lengths?: ReadonlyMap<number, number> | undefined;
  /** Visits the owner pays for in this time, at least those agreed; absent: as many as are worth it. */
  readonly mostVisits?: number | undefined;
  /** Days that the salon loses: where the last of its days are among them, it may wait beyond them. */
  readonly lost?: ReadonlySet<number> | undefined;
  /** Longest that each of its coats may be worked at a time: a longer visit is split over days of the same week, each with its own way. */
  readonly mostMinutes?: readonly (number | undefined)[] | undefined;
}

/** Parts that a visit comes to in which each coat takes so many minutes: as many as the dog that bears least for its coat. */
export const partsOf = (minutes: readonly number[], { mostMinutes = [] }: Pick<YearDog, 'mostMinutes'>): number =>
  minutes.reduce((most, m, i) => Math.max(most, partsAt(m, mostMinutes[i])), 1);
const partsAt = (minutes: number, most: number | undefined): number =>
  most === undefined ? 1 : Math.ceil(minutes / most - 1e-9);

/** A dog's possible visits and steps. Node 0 is today; node n > 0 is a visit on day[n]. */
export interface DogArcs {
  readonly id: string;
  readonly day: Int32Array;
  /** From a node: first target node, number of targets, place of the row. */
  readonly first: Int32Array;
  readonly count: Int32Array;
  readonly row: Int32Array;
  /** Of an arc: cost without the salon's hours being short, and minutes that it takes of the day it ends on. */
  readonly cost: Float32Array;
  readonly minutes: Float32Array;
  /** Cost of the time from a node to the end of the plan, when no visit follows; Infinity where one does. */
  readonly end: Float64Array;
  readonly mostVisits: number | undefined;
}

/** What it costs that a visit is not on the day it is due: its next one as every room says, any later by its longest interval. */
export function waitCost(
  { due, longest }: Pick<YearDog, 'due' | 'longest'>,
  { since, on, isNext }: { readonly since: number; readonly on: number; readonly isNext: boolean },
  worth: Worth,
): number {
  // What is overdue already cannot be helped: only the days from today on are counted, each dearer the longer it is.
  if (isNext && due !== undefined)
    return on > due ? worth.overdueDay * ((on - due) ** 2 - Math.min(0, due) ** 2) : worth.earlyDay * (on - due) ** 2;
  return worth.lateDay * Math.max(0, on - since - longest) ** 2;
}

/** Beyond its longest interval a dog may wait so many days more, at a price. */
export const MOST_LATE_DAYS = 21;
/** Days that two of its visits may lie apart: where the owner pays for few, twice as far as those would lie evenly. */
const spanOf = ({ longest, mostVisits }: YearDog, lastDay: number): number =>
  Math.max(longest + MOST_LATE_DAYS, mostVisits === undefined ? 0 : Math.ceil((2 * lastDay) / (mostVisits + 1)));

/** Its own days that it may choose from however late they are: one of them may be lost. */
const LEAST_CHOICE = 4;

/** The day up to which there are a few of its own to choose from, without those that are lost. */
function leastChoice(day: Int32Array, from: number, lost: YearDog['lost']): number {
  let k = from;
  for (let open = 0; k < day.length; k++) if (!lost?.has(day[k] ?? 0) && ++open === LEAST_CHOICE) break;
  return day[Math.min(day.length - 1, k)] ?? 0;
}

/** Days between the ends that are tried for the time that is left. */
const END_STEP = 3;

/** Room for one dog's rows while they are built, reused over dogs; empty rows are full of noughts. */
export class ArcRoom {
  cost = new Float32Array(8192);
  minutes = new Float32Array(8192);
  /** Makes room for so many arcs. */
  fit(size: number): void {
    while (this.cost.length < size) {
      const [c, m] = [new Float32Array(2 * this.cost.length), new Float32Array(2 * this.cost.length)];
      c.set(this.cost);
      m.set(this.minutes);
      this.cost = c;
      this.minutes = m;
    }
  }
  clear(used: number): void {
    this.cost.fill(0, 0, used);
    this.minutes.fill(0, 0, used);
  }
}
const minutesNow = (walks: readonly CoatWalk[]): number => {
  let m = 0;
  for (const walk of walks) m += walk.minutes();
  return m;
};
const costNow = (walks: readonly CoatWalk[], minutes: number, worth: Worth): number => {
  let c = worth.visit + minutes;
  for (const walk of walks) c += worth.homeGram * walk.fellG + worth.packedDay * walk.packedDays;
  return c;
};

/** Grams that a visit on each node's day leaves in each coat. */
export type Rests = (coat: CoatYear, index: number, day: number) => number;

/** Where nobody knows yet when it came before: as if it came in its usual rhythm. */
export const usualRests =
  ({ shortest, longest }: Pick<YearDog, 'shortest' | 'longest'>): Rests =>
  (coat, _i, w) =>
    restOf(coat, w, Math.round((shortest + longest) / 2));

/** One dog while its rows are built: its days, and those that are agreed. */
interface Build {
  readonly dog: YearDog;
  readonly worth: Worth;
  readonly day: Int32Array;
  /** Agreed days in order, and by node whether it is one. */
  readonly fixed: readonly number[];
  readonly isFixed: Uint8Array;
  readonly walks: readonly CoatWalk[];
  readonly lastDay: number;
  readonly mostApart: number;
}

/** Targets of the steps from a node: the first, and how many; and whether an agreed visit follows it. */
function targetsFrom({ dog, day, fixed, isFixed, lastDay, mostApart }: Build, j: number) {
  const n = day.length;
  const w = day[j] ?? 0;
  const since = j === 0 ? dog.lastVisit : w;
  const from = j === 0 && dog.notBefore !== undefined ? dog.notBefore : since + dog.shortest;
  let first = j + 1;
  while (first < n && (day[first] ?? 0) < from && isFixed[first] === 0) first++;
  const mustAt = fixed.find((f) => f > w);
  // As far as the next agreed visit, else the latest day; at least over the first few days there are.
  const latest = mustAt ?? Math.min(lastDay, Math.max(since + mostApart, leastChoice(day, first, dog.lost)));
  let many = 0;
  while (first + many < n && (day[first + many] ?? 0) <= latest) many++;
  return { since, from, first, many, mustAt };
}

/** The row of one node: its first target, how many there are, and its place in the room. */
interface RowOf {
  readonly first: number;
  readonly many: number;
  readonly at: number;
}

/** Writes what the coats take and cost on each target into the row; parts that each visit is split into. */
function walkRow(
  { dog, worth, day, walks }: Build,
  { first, many, at }: RowOf,
  { cost, minutes }: ArcRoom,
): Uint8Array {
  const parts = new Uint8Array(many).fill(1);
  for (const [i, walk] of walks.entries()) {
    const most = dog.mostMinutes?.[i];
    const before = most === undefined ? undefined : minutes.slice(at, at + many);
    walk.addVisits(day, first, many, minutes, cost, at, worth);
    before?.forEach((m, v) => (parts[v] = Math.max(parts[v] ?? 1, partsAt((minutes[at + v] ?? 0) - m, most))));
  }
  return parts;
}

/** Writes minutes and cost of the steps from a node, whose walks have begun, into its row. */
function fillRow(build: Build, j: number, row: RowOf, room: ArcRoom): void {
  const { dog, worth, day, isFixed } = build;
  const since = j === 0 ? dog.lastVisit : (day[j] ?? 0);
  const parts = walkRow(build, row, room);
  for (let i = 0; i < row.many; i++) {
    const k = row.first + i;
    const arc = row.at + i;
    const on = day[k] ?? 0;
    const coming = (parts[i] ?? 1) * worth.visit;
    const waits = waitCost(dog, { since, on, isNext: j === 0 }, worth);
    room.cost[arc] = (room.cost[arc] ?? 0) + coming + waits;
    // Welcome, check and clearing are work as well; what is agreed takes what it is booked for.
    const length = (isFixed[k] === 1 ? dog.lengths?.get(on) : undefined) ?? room.minutes[arc] ?? 0;
    room.minutes[arc] = length + coming;
  }
}

/** Cost of the time up to the end: its share of the interval it is part of, at the interval that costs least a day. */
function endCost({ dog, worth, walks, lastDay }: Build, w: number, since: number, from: number): number {
  let least = Infinity;
  const soonest = Math.max(lastDay + 1, from);
  const last = Math.max(soonest, since + dog.longest);
  for (let x = soonest; x <= last; x += END_STEP) {
    for (const walk of walks) walk.walkTo(x);
    const waits = waitCost(dog, { since, on: x, isNext: false }, worth);
    least = Math.min(least, (costNow(walks, minutesNow(walks), worth) + waits) / Math.max(1, x - w));
  }
  return least * (lastDay - w);
}

/** All arcs of a dog over the days that hours are given for. */
export function dogArcs(
  dog: YearDog,
  hours: Pick<Hours, 'minutes'>,
  worth: Worth,
  rests: Rests = usualRests(dog),
  room: ArcRoom = new ArcRoom(),
): DogArcs {
  const lastDay = lastDayOf(hours);
  const fixed = dog.fixed.filter((d) => d >= 1 && d <= lastDay).sort((a, b) => a - b);
  const days = [...new Set([...dog.days.filter((d) => d >= 1 && d <= lastDay), ...fixed])].sort((a, b) => a - b);
  const n = days.length + 1;
  const day = Int32Array.from([0, ...days]);
  const walks = dog.coats.map((c) => new CoatWalk(c));
  const build: Build = {
    dog,
    worth,
    day,
    fixed,
    isFixed: Uint8Array.from(day, (d, k) => (k > 0 && fixed.includes(d) ? 1 : 0)),
    walks,
    lastDay,
    mostApart: spanOf(dog, lastDay),
  };
  const first = new Int32Array(n);
  const count = new Int32Array(n);
  const row = new Int32Array(n);
  const end = new Float64Array(n);
  let used = 0;
  for (let j = 0; j < n; j++) {
    const w = day[j] ?? 0;
    for (const [i, walk] of walks.entries()) {
      const coat = dog.coats[i];
      if (coat) walk.begin(w, j === 0 ? coat.storeG : rests(coat, i, w));
    }
    const { since, from, first: k, many, mustAt } = targetsFrom(build, j);
    first[j] = k;
    row[j] = used;
    count[j] = many;
    room.fit(used + many);
    fillRow(build, j, { first: k, many, at: used }, room);
    used += many;
    // Nor does a year end while days follow that are later than the latest, unless the purse does.
    const goesOn = many > 0 && k + many < n && dog.mostVisits === undefined;
    end[j] = mustAt !== undefined || goesOn ? Infinity : endCost(build, w, since, from);
  }
  const cost = room.cost.slice(0, used);
  const minutes = room.minutes.slice(0, used);
  room.clear(used);
  const mostVisits = dog.mostVisits === undefined ? undefined : Math.max(dog.mostVisits, fixed.length);
  return { id: dog.id, day, first, count, row, cost, minutes, end, mostVisits };
}

/** The same steps, each from a node to a node costing so much more; Infinity: it may not be taken. */
export function costlier(a: DogArcs, more: (from: number, to: number) => number): DogArcs {
  const cost = a.cost.slice();
  for (let j = 0; j < a.day.length; j++) {
    const k0 = a.first[j] ?? 0;
    const row = a.row[j] ?? 0;
    for (let i = 0; i < (a.count[j] ?? 0); i++) cost[row + i] = (cost[row + i] ?? 0) + more(j, k0 + i);
  }
  return { ...a, cost };
}
