/**
 * Decides the times of a day when its order is given: a list of what is laid next, each as early as people and places allow.
 * Stages that must follow at once are laid as one. Any best day by its end can be had from some list and some choice of people
 * (active schedules hold an optimum: Sprecher, Kolisch and Drexl 1995), so what is searched is the list.
 */
import { Taken } from './board.ts';
import { jobsOf, NOBODY, type ScheduleJob, type Jobs, type Part } from './jobs.ts';
import {
  DAY_WORTH,
  type DayAsked,
  type DayScore,
  type DaySheet,
  type DayWorth,
  type ScheduledStage,
  type LaidPause,
} from './asked.ts';

/** An owner who is kept so many minutes minds each of them twice. Guess. */
const LATE_DOUBLES = 60;

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

export class ScheduleBuilder {
  private readonly jobs: readonly ScheduleJob[];
  private readonly fixed: Jobs;
  private readonly takenPeople: Taken[];
  private readonly takenPlaces: Taken[];
  private readonly next: Int16Array;
  private readonly ready: Float64Array;
  private readonly first: Float64Array;
  private readonly last: Float64Array;
  private readonly lastPerson: Int16Array;
  private readonly doses: Float64Array;
  private readonly heavies: Float64Array;
  private readonly busy: Float64Array;
  private readonly ends: Float64Array;
  private readonly visitCount: number;
  /** Start, person and place of each part, in the order of genes. */
  private readonly at: Float64Array;
  private readonly by: Int16Array;
  private readonly in: Int16Array;
  /** Parts in all, and who may do each. */
  readonly genes: number;
  readonly able: readonly (readonly number[])[];
  readonly length: number;

  /** Throws RangeError when a stage can be done by nobody or nowhere. */
  constructor(
    private readonly asked: DayAsked,
    private readonly worth: DayWorth = DAY_WORTH,
  ) {
    const { people, places, visits } = asked;
    const found = jobsOf(asked);
    const { jobs } = found;
    this.visitCount = visits.length;
    this.fixed = found;
    this.jobs = jobs;
    this.genes = found.genes;
    this.able = jobs.flatMap((j) => j.blocks.flatMap((b) => b.parts.map((p) => p.able)));
    this.length = jobs.reduce((t, j) => t + j.blocks.length, 0);
    this.takenPeople = people.map(() => new Taken());
    this.takenPlaces = places.map(() => new Taken());
    this.next = new Int16Array(jobs.length);
    this.ready = new Float64Array(jobs.length);
    this.first = new Float64Array(jobs.length);
    this.last = new Float64Array(jobs.length);
    this.lastPerson = new Int16Array(jobs.length);
    this.doses = new Float64Array(people.length);
    this.heavies = new Float64Array(people.length);
    this.busy = new Float64Array(people.length);
    this.ends = new Float64Array(people.length);
    this.at = new Float64Array(found.genes);
    this.by = new Int16Array(found.genes);
    this.in = new Int16Array(found.genes);
  }

  /** Jobs in the order they are ready, round by round; everybody free. */
  plainOrder(): Order {
    const order = this.jobs.map((_, i) => i);
    order.sort((a, b) => (this.jobs[a]?.from ?? 0) - (this.jobs[b]?.from ?? 0) || a - b);
    const list = order.flatMap((i) =>
      (this.jobs[i]?.blocks ?? []).map((_, k) => ({ i, at: k * 1000 + order.indexOf(i) })),
    );
    list.sort((a, b) => a.at - b.at);
    return {
      list: Int16Array.from(list, (x) => x.i),
      who: new Int16Array(this.genes).fill(NOBODY),
      waits: this.allWait(),
    };
  }

  private allWait(): Uint8Array {
    return new Uint8Array(this.asked.apart.length).fill(1);
  }

  /** The order that a sheet is in, with its people. Stages that it does not hold come last. */
  orderOf(sheet: Pick<DaySheet, 'laid' | 'pauses'>): Order {
    const who = new Int16Array(this.genes).fill(NOBODY);
    const at = this.startsOf(sheet);
    const list: { readonly i: number; readonly at: number }[] = [];
    for (const [i, job] of this.jobs.entries())
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

  /** Lays an order; its cost. */
  lay(order: Order, notBefore?: Float64Array): number {
    this.reset();
    for (const i of order.list) this.layNext(i, order, notBefore);
    return this.score().cost;
  }

  /** What was laid last. */
  sheet(): DaySheet {
    const laid: ScheduledStage[] = [...this.asked.begun];
    const pauses: LaidPause[] = [...this.asked.paused];
    const { people, places, visits } = this.asked;
    for (const [i, job] of this.jobs.entries())
      for (const b of job.blocks)
        for (const [k, part] of b.parts.entries()) {
          const start = this.at[b.gene + k] ?? 0;
          const person = people[this.by[b.gene + k] ?? NOBODY]?.id;
          const end = start + part.minutes;
          const visit = visits[i]?.id;
          if (visit !== undefined && i < this.visitCount)
            laid.push({
              visit,
              stage: part.stage,
              person,
              place: places[this.in[b.gene + k] ?? NOBODY]?.id,
              start,
              end,
            });
          else if (person !== undefined) pauses.push({ person, pause: part.stage, start, end });
        }
    laid.sort((a, b) => a.start - b.start || a.stage - b.stage);
    pauses.sort((a, b) => a.start - b.start);
    return { laid, pauses, ends: Math.max(this.fixed.starts, ...laid.map((l) => l.end)), score: this.score() };
  }

  /** Starts of what a sheet holds, by gene: nothing of it begins sooner when its order is laid again. */
  startsOf(sheet: Pick<DaySheet, 'laid' | 'pauses'>): Float64Array {
    const at = new Float64Array(this.genes).fill(-Infinity);
    for (const [i, job] of this.jobs.entries())
      for (const b of job.blocks)
        for (const [k, part] of b.parts.entries()) at[b.gene + k] = this.thereOf(sheet, i, part)?.start ?? -Infinity;
    return at;
  }

  private thereOf(
    sheet: Pick<DaySheet, 'laid' | 'pauses'>,
    i: number,
    part: Part,
  ): ScheduledStage | LaidPause | undefined {
    const job = this.jobs[i];
    if (job && job.pauseOf !== NOBODY) {
      const id = this.asked.people[job.pauseOf]?.id;
      return sheet.pauses.find((p) => p.pause === part.stage && p.person === id);
    }
    const id = this.asked.visits[i]?.id;
    return sheet.laid.find((l) => l.visit === id && l.stage === part.stage);
  }

  private reset(): void {
    for (const t of this.takenPeople) t.clear();
    for (const t of this.takenPlaces) t.clear();
    this.busy.fill(0);
    this.ends.fill(0);
    for (const [k, from, to] of this.fixed.people) {
      this.takenPeople[k]?.take(from, to);
      this.busy[k] = (this.busy[k] ?? 0) + to - from;
      this.ends[k] = Math.max(this.ends[k] ?? 0, to);
    }
    for (const [k, from, to] of this.fixed.places) this.takenPlaces[k]?.take(from, to);
    this.doses.set(this.fixed.doses);
    this.heavies.set(this.fixed.heavies);
    this.next.fill(0);
    for (const [i, job] of this.jobs.entries()) {
      this.first[i] = job.begunFrom;
      this.last[i] = job.begunEnd;
      this.ready[i] = Math.max(job.from, job.begunEnd, this.asked.now);
      this.lastPerson[i] = job.lastPerson;
    }
  }

  private started(i: number): boolean {
    return (this.first[i] ?? Infinity) < Infinity;
  }

  private layNext(i: number, order: Order, notBefore: Float64Array | undefined): void {
    const { who, waits } = order;
    const job = this.jobs[i];
    const block = job?.blocks[this.next[i] ?? 0];
    if (!job || !block) return;
    let from = Math.max(this.ready[i] ?? 0, block.ready, notBefore?.[block.gene] ?? -Infinity);
    if (!this.started(i)) {
      // Where it waits for a dog that it must not meet, that one goes home first.
      for (const { job: other, pair } of job.apart) {
        if (waits[pair] !== 1 || !this.started(other)) continue;
        const blocks = this.jobs[other]?.blocks.length ?? 0;
        while ((this.next[other] ?? 0) < blocks) this.layNext(other, order, notBefore);
        from = Math.max(from, this.last[other] ?? 0);
      }
    }
    const { parts, gene } = block;
    // The earliest time at which each part has a place and a person: waits only grow, so this ends at the earliest.
    let t = from;
    for (let again = true; again;) {
      again = false;
      for (let k = 0; k < parts.length; k++) {
        const part = parts[k];
        if (!part) continue;
        const at = t + part.offset;
        let free = at;
        if (part.units.length > 0) {
          free = Infinity;
          for (const u of part.units)
            free = Math.min(free, this.takenPlaces[u]?.free(at, part.minutes + part.clean) ?? Infinity);
        }
        if (part.able.length > 0) {
          const wish = who[gene + k] ?? NOBODY;
          let soonest = Infinity;
          if (wish !== NOBODY) soonest = this.personFree(wish, at, part.minutes);
          else for (const p of part.able) soonest = Math.min(soonest, this.personFree(p, at, part.minutes));
          free = Math.max(free, soonest);
        }
        if (free > at) {
          t = free - part.offset;
          again = true;
        }
      }
    }
    for (let k = 0; k < parts.length; k++) {
      const part = parts[k];
      if (!part) continue;
      const at = t + part.offset;
      const end = at + part.minutes;
      let person = NOBODY;
      if (part.able.length > 0) {
        const wish = who[gene + k] ?? NOBODY;
        person = wish !== NOBODY ? wish : this.whoIsFree(i, part, at);
        this.takenPeople[person]?.take(at, end);
        this.busy[person] = (this.busy[person] ?? 0) + part.minutes;
        this.ends[person] = Math.max(this.ends[person] ?? 0, end);
        this.doses[person] = (this.doses[person] ?? 0) + (part.doses[person] ?? 0);
        if (part.lifts) this.heavies[person] = (this.heavies[person] ?? 0) + 1;
        this.lastPerson[i] = person;
      }
      let unit = NOBODY;
      for (const u of part.units)
        if (this.takenPlaces[u]?.isFree(at, part.minutes + part.clean)) {
          unit = u;
          this.takenPlaces[u]?.take(at, end + part.clean);
          break;
        }
      this.at[gene + k] = at;
      this.by[gene + k] = person;
      this.in[gene + k] = unit;
      this.ready[i] = end;
      this.last[i] = end;
    }
    if (!this.started(i)) this.first[i] = t;
    this.next[i] = (this.next[i] ?? 0) + 1;
  }

  private personFree(p: number, at: number, minutes: number): number {
    return this.takenPeople[p]?.free(Math.max(at, this.asked.people[p]?.hours.from ?? 0), minutes) ?? Infinity;
  }

  /** Of those free: who has the dog, unless it is too loud or too heavy for them; else who has worked least. */
  private whoIsFree(i: number, part: Part, at: number): number {
    let best = NOBODY;
    let least = Infinity;
    for (const p of part.able) {
      if (this.personFree(p, at, part.minutes) !== at) continue;
      const dose = part.doses[p] ?? 0;
      const loud = dose > 0 && (this.doses[p] ?? 0) + dose > 1 ? 1e6 : 0;
      const heavy = part.lifts && (this.heavies[p] ?? 0) >= (this.asked.people[p]?.mostHeavy ?? Infinity) ? 1e6 : 0;
      const has = this.lastPerson[i] === p ? -1e5 : 0;
      const weight = (this.busy[p] ?? 0) + loud + heavy + has;
      if (weight < least) {
        least = weight;
        best = p;
      }
    }
    return best;
  }

  private score(): DayScore {
    const { people } = this.asked;
    let [waiting, late, kept, over, meeting, ends] = [0, 0, 0, 0, 0, this.fixed.starts];
    for (const [i, job] of this.jobs.entries()) {
      const last = this.last[i] ?? 0;
      if (job.pauseOf !== NOBODY) {
        over += Math.max(0, last - job.leaveTo);
        continue;
      }
      let worked = job.begunMinutes;
      for (const b of job.blocks) for (const p of b.parts) worked += p.minutes;
      const first = this.first[i] ?? 0;
      const came = Math.min(first, Math.max(job.from, job.to));
      waiting += Math.max(0, last - came - worked);
      const after = Math.max(0, last - job.leaveTo);
      late += after;
      // One owner is not kept for hours so that the others need not wait for minutes.
      kept += after * (1 + after / LATE_DOUBLES);
      ends = Math.max(ends, last);
      for (const { job: other } of job.apart) {
        if (other < i) continue;
        const o = this.jobs[other];
        const otherCame = Math.min(this.first[other] ?? 0, Math.max(o?.from ?? 0, o?.to ?? 0));
        meeting += Math.max(0, Math.min(last, this.last[other] ?? 0) - Math.max(came, otherCame));
      }
    }
    let [noise, heavy, handovers] = [0, 0, 0];
    for (const [k, p] of people.entries()) {
      over += Math.max(0, (this.ends[k] ?? 0) - p.hours.to);
      noise += Math.max(0, (this.doses[k] ?? 0) - 1);
      heavy += Math.max(0, (this.heavies[k] ?? 0) - p.mostHeavy);
    }
    for (const [i, job] of this.jobs.entries()) {
      if (i >= this.visitCount) break;
      let before = job.lastPerson;
      for (const b of job.blocks)
        for (let k = 0; k < b.parts.length; k++) {
          const who = this.by[b.gene + k] ?? NOBODY;
          if (who === NOBODY) continue;
          if (before !== NOBODY && before !== who) handovers++;
          before = who;
        }
    }
    const w = this.worth;
    const length = ends - this.fixed.starts;
    const cost =
      w.length * length +
      w.waiting * waiting +
      w.late * kept +
      w.over * over +
      w.handovers * handovers +
      w.noise * noise +
      w.heavy * heavy +
      w.meeting * meeting;
    return { length, waiting, late, over, handovers, noise, heavy, meeting, cost };
  }
}
