/**
 * A day as far as it is laid: who and what is taken, how far each dog is, and what each part was given. Decides the earliest
 * time at which people and places can have a block together, and gives it to them.
 */
import { Taken } from './board.ts';
import { NOBODY, type Block, type Jobs, type Part, type ScheduleJob } from './jobs.ts';
import type { DayAsked, DayPerson } from './asked.ts';

export class Layout {
  readonly jobs: readonly ScheduleJob[];
  readonly people: readonly DayPerson[];
  /** Jobs before this are visits; after it, pauses. */
  readonly visitCount: number;
  /** The first minute of the day that is laid. */
  readonly starts: number;
  /** By job: blocks laid, earliest next, first start, last end, who had it last. */
  readonly next: Int16Array;
  readonly ready: Float64Array;
  readonly first: Float64Array;
  readonly last: Float64Array;
  readonly lastPerson: Int16Array;
  /** By person: share of a day's noise, heavy dogs, minutes at work, end of the last. */
  readonly doses: Float64Array;
  readonly heavies: Float64Array;
  readonly busy: Float64Array;
  readonly ends: Float64Array;
  /** By part: start, person and place. */
  readonly at: Float64Array;
  readonly by: Int16Array;
  readonly in: Int16Array;
  private readonly takenPeople: readonly Taken[];
  private readonly takenPlaces: readonly Taken[];

  constructor(
    private readonly asked: Pick<DayAsked, 'people' | 'places' | 'visits' | 'now'>,
    private readonly fixed: Jobs,
  ) {
    const { jobs, genes } = fixed;
    const { people, places } = asked;
    this.jobs = jobs;
    this.people = people;
    this.visitCount = asked.visits.length;
    this.starts = fixed.starts;
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
    this.at = new Float64Array(genes);
    this.by = new Int16Array(genes);
    this.in = new Int16Array(genes);
  }

  /** As it is before anything is laid: only what has begun. */
  clear(): void {
    for (const t of this.takenPeople) t.clear();
    for (const t of this.takenPlaces) t.clear();
    this.busy.fill(0);
    this.ends.fill(0);
    for (const [k, from, to] of this.fixed.people) this.takePerson(k, from, to);
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

  started(i: number): boolean {
    return (this.first[i] ?? Infinity) < Infinity;
  }

  isWhole(i: number): boolean {
    return (this.next[i] ?? 0) >= (this.jobs[i]?.blocks.length ?? 0);
  }

  /** When the owner of a job's dog brings it: as it begins, within the times that were said. */
  came(i: number): number {
    const job = this.jobs[i];
    return Math.min(this.first[i] ?? 0, Math.max(job?.from ?? 0, job?.to ?? 0));
  }

  /** The earliest start from `from` on at which each part of a block has a place and the person wished. */
  earliest({ parts, gene }: Block, who: Int16Array, from: number): number {
    let t = from;
    // Waits only grow, so this ends at the earliest.
    for (let again = true; again;) {
      again = false;
      for (let k = 0; k < parts.length; k++) {
        const part = parts[k];
        if (!part) continue;
        const at = t + part.offset;
        const free = Math.max(this.placeFree(part, at), this.handsFree(part, who[gene + k] ?? NOBODY, at));
        if (free > at) {
          t = free - part.offset;
          again = true;
        }
      }
    }
    return t;
  }

  /** Gives a job's next block its time, people and places. */
  put(i: number, block: Block, who: Int16Array, t: number): void {
    for (let k = 0; k < block.parts.length; k++) {
      const part = block.parts[k];
      if (!part) continue;
      const at = t + part.offset;
      const wish = who[block.gene + k] ?? NOBODY;
      const person = part.able.length === 0 ? NOBODY : wish !== NOBODY ? wish : this.whoIsFree(i, part, at);
      const place = part.units.find((u) => this.takenPlaces[u]?.isFree(at, part.minutes + part.clean)) ?? NOBODY;
      this.give(i, part, block.gene + k, at, person, place);
    }
    this.close(i, t);
  }

  /** The same as another layout has it, without asking who is free. */
  repeat(i: number, block: Block, like: { at: Float64Array; by: Int16Array; in: Int16Array }): void {
    const { parts, gene } = block;
    for (let k = 0; k < parts.length; k++) {
      const part = parts[k];
      if (!part) continue;
      const g = gene + k;
      this.give(i, part, g, like.at[g] ?? 0, like.by[g] ?? NOBODY, like.in[g] ?? NOBODY);
    }
    this.close(i, like.at[gene] ?? 0);
  }

  private close(i: number, t: number): void {
    if (!this.started(i)) this.first[i] = t;
    this.next[i] = (this.next[i] ?? 0) + 1;
  }

  private give(i: number, part: Part, gene: number, at: number, person: number, place: number): void {
    const end = at + part.minutes;
    if (person !== NOBODY) {
      this.takePerson(person, at, end);
      this.doses[person] = (this.doses[person] ?? 0) + (part.doses[person] ?? 0);
      if (part.lifts) this.heavies[person] = (this.heavies[person] ?? 0) + 1;
      this.lastPerson[i] = person;
    }
    if (place !== NOBODY) this.takenPlaces[place]?.take(at, end + part.clean);
    this.at[gene] = at;
    this.by[gene] = person;
    this.in[gene] = place;
    this.ready[i] = end;
    this.last[i] = end;
  }

  private takePerson(person: number, from: number, to: number): void {
    this.takenPeople[person]?.take(from, to);
    this.busy[person] = (this.busy[person] ?? 0) + to - from;
    this.ends[person] = Math.max(this.ends[person] ?? 0, to);
  }

  private placeFree({ units, minutes, clean }: Part, at: number): number {
    if (units.length === 0) return at;
    let soonest = Infinity;
    for (const u of units) soonest = Math.min(soonest, this.takenPlaces[u]?.free(at, minutes + clean) ?? Infinity);
    return soonest;
  }

  private handsFree({ able, minutes }: Part, wish: number, at: number): number {
    if (able.length === 0) return at;
    if (wish !== NOBODY) return this.personFree(wish, at, minutes);
    let soonest = Infinity;
    for (const p of able) soonest = Math.min(soonest, this.personFree(p, at, minutes));
    return soonest;
  }

  private personFree(p: number, at: number, minutes: number): number {
    return this.takenPeople[p]?.free(Math.max(at, this.people[p]?.hours.from ?? 0), minutes) ?? Infinity;
  }

  /** Of those free: who has the dog, unless it is too loud or too heavy for them; else who has worked least. */
  private whoIsFree(i: number, part: Part, at: number): number {
    let best = NOBODY;
    let least = Infinity;
    for (const p of part.able) {
      if (this.personFree(p, at, part.minutes) !== at) continue;
      const dose = part.doses[p] ?? 0;
      const loud = dose > 0 && (this.doses[p] ?? 0) + dose > 1 ? 1e6 : 0;
      const heavy = part.lifts && (this.heavies[p] ?? 0) >= (this.people[p]?.mostHeavy ?? Infinity) ? 1e6 : 0;
      const has = this.lastPerson[i] === p ? -1e5 : 0;
      const weight = (this.busy[p] ?? 0) + loud + heavy + has;
      if (weight < least) {
        least = weight;
        best = p;
      }
    }
    return best;
  }
}
