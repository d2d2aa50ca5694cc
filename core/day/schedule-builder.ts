/**
 * Decides the times of a day when its order is given: a list of what is laid next, each as early as people and places allow
 * (a serial schedule generation scheme). Stages that must follow at once are laid as one. Any best day by its end can be had
 * from some list and some choice of people (active schedules hold an optimum: Sprecher, Kolisch and Drexl 1995), so what is
 * searched is the list.
 */
import {
  DAY_WORTH,
  type DayAsked,
  type DaySheet,
  type DayWorth,
  type LaidPause,
  type ScheduledStage,
} from './asked.ts';
import { jobsOf, NOBODY, type Block, type Jobs, type Part } from './jobs.ts';
import { Layout } from './layout.ts';
import { costOf, keptWorth, scoreOf } from './score.ts';

/**
 * A list to lay: jobs, each as often as it has blocks; wished people, NOBODY for whoever is free; and of each pair that must not
 * meet, 1 where the second begins only when the first has gone home, 0 where it need not wait: what their meeting costs is the
 * score's matter, and an owner who comes at an agreed time is there whether or not work begins.
 */
export interface Order {
  readonly list: Int16Array;
  readonly who: Int16Array;
  readonly waits: Uint8Array;
}

export const copyOf = ({ list, who, waits }: Order): Order => ({
  list: list.slice(),
  who: who.slice(),
  waits: waits.slice(),
});
export const copyInto = (to: Order, from: Order): void => {
  to.list.set(from.list);
  to.who.set(from.who);
  to.waits.set(from.waits);
};

/** An order and what it gave: whatever begins alike is laid alike. */
interface Kept {
  readonly order: Order;
  readonly at: Float64Array;
  readonly by: Int16Array;
  readonly in: Int16Array;
  /** Jobs in the order in which their blocks were laid, and the place in the list at which that was. */
  readonly jobs: Int16Array;
  readonly places: Int16Array;
  /** The same place, by part. */
  readonly placeOf: Int16Array;
}

export class ScheduleBuilder {
  private readonly fixed: Jobs;
  private readonly day: Layout;
  private readonly visitCount: number;
  private readonly laidJobs: Int16Array;
  private readonly laidPlaces: Int16Array;
  private readonly placeOf: Int16Array;
  private laidCount = 0;
  private readonly kept: Kept;
  private isKept = false;
  /** Parts in all, who may do each, and whose each is. */
  readonly genes: number;
  readonly able: readonly (readonly number[])[];
  readonly partsOf: readonly (readonly number[])[];
  readonly length: number;
  /** The first minute of the day that is laid. */
  readonly starts: number;

  /** Throws RangeError when a stage can be done by nobody or nowhere. */
  constructor(
    private readonly asked: DayAsked,
    private readonly worth: DayWorth = DAY_WORTH,
  ) {
    const found = jobsOf(asked);
    this.fixed = found;
    this.day = new Layout(asked, found);
    this.starts = found.starts;
    this.visitCount = asked.visits.length;
    this.genes = found.genes;
    this.able = found.jobs.flatMap((j) => j.blocks.flatMap((b) => b.parts.map((p) => p.able)));
    this.partsOf = found.jobs.map((j) => j.blocks.flatMap((b) => b.parts.map((_, k) => b.gene + k)));
    this.length = found.jobs.reduce((t, j) => t + j.blocks.length, 0);
    this.laidJobs = new Int16Array(this.length);
    this.laidPlaces = new Int16Array(this.length);
    this.placeOf = new Int16Array(this.genes);
    this.kept = {
      order: copyOf(this.plainOrder()),
      at: new Float64Array(found.genes),
      by: new Int16Array(found.genes),
      in: new Int16Array(found.genes),
      jobs: new Int16Array(this.length),
      places: new Int16Array(this.length),
      placeOf: new Int16Array(found.genes),
    };
  }

  /** Jobs in the order they are ready, round by round; everybody free. */
  plainOrder(): Order {
    const { jobs } = this.fixed;
    const order = jobs.map((_, i) => i);
    order.sort((a, b) => (jobs[a]?.from ?? 0) - (jobs[b]?.from ?? 0) || a - b);
    const list = order.flatMap((i, rank) => (jobs[i]?.blocks ?? []).map((_, k) => ({ i, at: k * 1000 + rank })));
    list.sort((a, b) => a.at - b.at);
    return {
      list: Int16Array.from(list, (x) => x.i),
      who: new Int16Array(this.genes).fill(NOBODY),
      waits: new Uint8Array(this.asked.apart.length).fill(1),
    };
  }

  /** The order that a sheet is in, with its people. Stages that it does not hold come last. */
  orderOf(sheet: Pick<DaySheet, 'laid' | 'pauses'>): Order {
    const who = new Int16Array(this.genes).fill(NOBODY);
    const at = this.startsOf(sheet);
    const list: { readonly i: number; readonly at: number }[] = [];
    for (const [i, job] of this.fixed.jobs.entries())
      for (const b of job.blocks) {
        list.push({ i, at: at[b.gene] === -Infinity ? Infinity : (at[b.gene] ?? Infinity) });
        for (const [k, part] of b.parts.entries()) {
          const person = this.thereOf(sheet, i, part)?.person;
          const p = this.asked.people.findIndex((x) => x.id === person);
          if (part.able.includes(p)) who[b.gene + k] = p;
        }
      }
    list.sort((x, y) => x.at - y.at);
    return { list: Int16Array.from(list, (x) => x.i), who, waits: this.waitsIn(sheet) };
  }

  /** Of each pair that must not meet, 1 where one is worked only when the other has gone home. */
  private waitsIn({ laid }: Pick<DaySheet, 'laid'>): Uint8Array {
    const span = (id: string): readonly [number, number] => {
      const mine = laid.filter((l) => l.visit === id);
      return [Math.min(...mine.map((l) => l.start)), Math.max(...mine.map((l) => l.end))];
    };
    return Uint8Array.from(this.asked.apart, ([a, b]) => {
      const [x, y] = [span(a), span(b)];
      return x[0] < y[1] && y[0] < x[1] ? 0 : 1;
    });
  }

  /**
   * Lays an order; its cost, or Infinity once it is sure to cost more than `most`. What begins as the kept order does is not
   * searched again.
   */
  lay(order: Order, most = Infinity): number {
    this.begin();
    const same = this.isKept ? this.alike(order) : 0;
    this.repeat(same);
    let sure = this.sureCost();
    for (let p = same; p < order.list.length; p++) {
      const i = order.list[p] ?? 0;
      if (this.layNext(i, p, order, undefined)) sure += this.keptCost(i);
      if (sure > most) return Infinity;
    }
    return costOf(this.day, this.worth);
  }

  /** Lays an order with nothing sooner than so many starts, by part. */
  layNotBefore(order: Order, notBefore: Float64Array): void {
    this.begin();
    for (const [p, i] of order.list.entries()) this.layNext(i, p, order, notBefore);
  }

  /** Keeps what was laid last: orders that begin alike are laid faster. */
  keep(order: Order): void {
    const { kept, day } = this;
    copyInto(kept.order, order);
    kept.at.set(day.at);
    kept.by.set(day.by);
    kept.in.set(day.in);
    kept.jobs.set(this.laidJobs);
    kept.places.set(this.laidPlaces);
    kept.placeOf.set(this.placeOf);
    this.isKept = true;
  }

  /** What was laid last. */
  sheet(): DaySheet {
    const laid: ScheduledStage[] = [...this.asked.begun];
    const pauses: LaidPause[] = [...this.asked.paused];
    const { people, places, visits } = this.asked;
    for (const [i, job] of this.fixed.jobs.entries())
      for (const b of job.blocks)
        for (const [k, part] of b.parts.entries()) {
          const start = this.day.at[b.gene + k] ?? 0;
          const person = people[this.day.by[b.gene + k] ?? NOBODY]?.id;
          const place = places[this.day.in[b.gene + k] ?? NOBODY]?.id;
          const end = start + part.minutes;
          const visit = visits[i]?.id;
          if (visit !== undefined && i < this.visitCount)
            laid.push({ visit, stage: part.stage, person, place, start, end });
          else if (person !== undefined) pauses.push({ person, pause: part.stage, start, end });
        }
    laid.sort((a, b) => a.start - b.start || a.stage - b.stage);
    pauses.sort((a, b) => a.start - b.start);
    return {
      laid,
      pauses,
      ends: Math.max(this.fixed.starts, ...laid.map((l) => l.end)),
      score: scoreOf(this.day, this.worth),
    };
  }

  /** Starts of what a sheet holds, by part: nothing of it begins sooner when its order is laid again. */
  startsOf(sheet: Pick<DaySheet, 'laid' | 'pauses'>): Float64Array {
    const at = new Float64Array(this.genes).fill(-Infinity);
    for (const [i, job] of this.fixed.jobs.entries())
      for (const b of job.blocks)
        for (const [k, part] of b.parts.entries()) at[b.gene + k] = this.thereOf(sheet, i, part)?.start ?? -Infinity;
    return at;
  }

  private thereOf(
    sheet: Pick<DaySheet, 'laid' | 'pauses'>,
    i: number,
    part: Part,
  ): ScheduledStage | LaidPause | undefined {
    const job = this.fixed.jobs[i];
    if (job && job.pauseOf !== NOBODY) {
      const id = this.asked.people[job.pauseOf]?.id;
      return sheet.pauses.find((p) => p.pause === part.stage && p.person === id);
    }
    const id = this.asked.visits[i]?.id;
    return sheet.laid.find((l) => l.visit === id && l.stage === part.stage);
  }

  private begin(): void {
    this.day.clear();
    this.laidCount = 0;
  }

  /** How far down the list an order is as the kept one is: the same jobs, the same people asked for. */
  private alike({ list, who, waits }: Order): number {
    const { order } = this.kept;
    for (let k = 0; k < waits.length; k++) if (waits[k] !== order.waits[k]) return 0;
    let p = 0;
    while (p < list.length && list[p] === order.list[p]) p++;
    // From the first part that asks for another person on, all of it is laid again.
    for (let g = 0; g < who.length; g++) if (who[g] !== order.who[g]) p = Math.min(p, this.kept.placeOf[g] ?? 0);
    return p;
  }

  /** Lays what the kept order laid before a place in its list. */
  private repeat(before: number): void {
    const { jobs, places } = this.kept;
    for (let n = 0; n < this.length && (places[n] ?? 0) < before; n++) {
      const i = jobs[n] ?? 0;
      const block = this.fixed.jobs[i]?.blocks[this.day.next[i] ?? 0];
      if (!block) continue;
      this.day.repeat(i, block, this.kept);
      this.noted(i, block, places[n] ?? 0);
    }
  }

  private noted(i: number, block: Block, place: number): void {
    for (let k = 0; k < block.parts.length; k++) this.placeOf[block.gene + k] = place;
    this.laidJobs[this.laidCount] = i;
    this.laidPlaces[this.laidCount++] = place;
  }

  private layNext(i: number, place: number, order: Order, notBefore: Float64Array | undefined): boolean {
    const { day } = this;
    const job = this.fixed.jobs[i];
    const block = job?.blocks[day.next[i] ?? 0];
    if (!job || !block) return false;
    let from = Math.max(day.ready[i] ?? 0, block.ready, notBefore?.[block.gene] ?? -Infinity);
    // Where it waits for a dog that it must not meet, that one goes home first.
    if (!day.started(i))
      for (const { job: other, pair } of job.apart) {
        if (order.waits[pair] !== 1 || !day.started(other)) continue;
        while (!day.isWhole(other)) this.layNext(other, place, order, notBefore);
        from = Math.max(from, day.last[other] ?? 0);
      }
    day.put(i, block, order.who, day.earliest(block, order.who, from));
    this.noted(i, block, place);
    return day.isWhole(i);
  }

  /** What the owners of dogs laid so far are kept for at least: a day costs no less, whatever else is laid. */
  private sureCost(): number {
    let cost = 0;
    for (let i = 0; i < this.visitCount; i++) if (this.day.isWhole(i)) cost += this.keptCost(i);
    return cost;
  }

  private keptCost(i: number): number {
    const late = i < this.visitCount ? (this.day.last[i] ?? 0) - (this.fixed.jobs[i]?.leaveTo ?? Infinity) : 0;
    return late > 0 ? this.worth.late * keptWorth(late) : 0;
  }
}
