/** What of a day is still to be laid: each visit as chains of stages that follow at once, each pause, and what stands already. */
import { sum } from '../quantity/index.ts';
import { HEAVY_KG, type DayAsked, type DayVisit, type Pause, type ScheduledStage, type Stage } from './asked.ts';
import { handsFor } from './hands.ts';
import { doseOf } from './noise.ts';

export const NOBODY = -1;

export interface Part {
  readonly stage: number;
  readonly minutes: number;
  readonly offset: number;
  readonly able: readonly number[];
  readonly units: readonly number[];
  readonly clean: number;
  /** Share of a day's noise, by person. */
  readonly doses: Float64Array;
  readonly lifts: boolean;
}
/** Stages of one visit that follow at once, or a pause. */
export interface Block {
  readonly parts: readonly Part[];
  readonly ready: number;
  /** Place of its first part among all choices of a person. */
  readonly gene: number;
}
export interface ScheduleJob {
  readonly blocks: readonly Block[];
  readonly from: number;
  readonly to: number;
  readonly leaveTo: number;
  /** Jobs of dogs that it must not meet, each with the place of the pair in the day's list. */
  readonly apart: readonly { readonly job: number; readonly pair: number }[];
  /** A pause's person and its latest end. */
  readonly pauseOf: number;
  /** First minute and last of what has begun. */
  readonly begunFrom: number;
  readonly begunEnd: number;
  /** Minutes of work in all, with those begun. */
  readonly minutes: number;
  readonly lastPerson: number;
}

/** Who or what is taken, from and to. */
type Fixed = readonly [number, number, number];

export interface Jobs {
  /** Visits in the day's order, then pauses. */
  readonly jobs: readonly ScheduleJob[];
  /** Parts in all. */
  readonly genes: number;
  /** What has begun: spans of people and places, and what people have had of noise and of lifting. */
  readonly people: readonly Fixed[];
  readonly places: readonly Fixed[];
  readonly doses: Float64Array;
  readonly heavies: Float64Array;
  /** The first minute of the day that is laid. */
  readonly starts: number;
}

/** What has begun, as it takes people and places and leaves them. */
class Begun {
  readonly people: Fixed[] = [];
  readonly places: Fixed[] = [];
  readonly doses: Float64Array;
  readonly heavies: Float64Array;
  private readonly placeAt: ReadonlyMap<string, number>;

  constructor(
    private readonly asked: DayAsked,
    private readonly personAt: ReadonlyMap<string, number>,
  ) {
    this.placeAt = new Map(asked.places.map((p, i) => [p.id, i]));
    this.doses = new Float64Array(asked.people.length);
    this.heavies = new Float64Array(asked.people.length);
    for (const visit of asked.visits) for (const l of this.of(visit)) this.add(visit, l);
  }

  of({ id }: DayVisit): readonly ScheduledStage[] {
    return this.asked.begun.filter((b) => b.visit === id);
  }

  /** A pause that was had; false where it was not. */
  hadPause(person: number, pause: number): boolean {
    const id = this.asked.people[person]?.id;
    const had = this.asked.paused.find((x) => x.person === id && x.pause === pause);
    if (had) this.people.push([person, had.start, had.end]);
    return had !== undefined;
  }

  private add(visit: DayVisit, { stage, person, place, start, end }: ScheduledStage): void {
    const s = visit.stages[stage];
    if (!s) return;
    const who = person === undefined ? undefined : this.personAt.get(person);
    const where = place === undefined ? undefined : this.placeAt.get(place);
    const about = who === undefined ? undefined : this.asked.people[who];
    if (who !== undefined && about) {
      this.people.push([who, start, end]);
      this.doses[who] = (this.doses[who] ?? 0) + doseOf(s, s.minutes, about);
      if (lifts(visit, s)) this.heavies[who] = (this.heavies[who] ?? 0) + 1;
    }
    if (where !== undefined) this.places.push([where, start, end + s.cleanMinutes]);
  }
}

/** Stages of a visit that are still to do, those that follow at once together. Genes are counted on from `gene`. */
function blocksOf(
  asked: DayAsked,
  visit: DayVisit,
  done: ReadonlySet<number>,
  personAt: ReadonlyMap<string, number>,
  gene: number,
): readonly Block[] {
  const chains: (readonly [number, Stage])[][] = [];
  for (const [i, s] of visit.stages.entries()) {
    if (done.has(i)) continue;
    const last = chains.at(-1);
    if (s.atOnce && last) last.push([i, s]);
    else chains.push([[i, s]]);
  }
  let first = gene;
  return chains.map((chain) => {
    let offset = 0;
    let ready = -Infinity;
    const parts = chain.map(([i, s]): Part => {
      const pin = asked.pins.find((p) => p.visit === visit.id && p.stage === i);
      ready = Math.max(ready, (pin?.notBefore ?? -Infinity) - offset);
      const part = {
        stage: i,
        minutes: s.minutes,
        offset,
        able: s.hands ? handsFor(asked, visit, i).flatMap((id) => personAt.get(id) ?? []) : [],
        units: asked.places.flatMap((p, k) => (p.kind === s.place ? [k] : [])),
        clean: s.cleanMinutes,
        doses: Float64Array.from(asked.people, (p) => doseOf(s, s.minutes, p)),
        lifts: lifts(visit, s),
      };
      offset += s.minutes;
      if (s.hands && part.able.length === 0) throw new RangeError(`nobody at work can do the ${s.kind} of ${visit.id}`);
      if (s.place !== undefined && part.units.length === 0)
        throw new RangeError(`there is no ${s.place} for the ${s.kind} of ${visit.id}`);
      return part;
    });
    const block = { parts, ready, gene: first };
    first += parts.length;
    return block;
  });
}

const lifts = ({ weightKg }: DayVisit, { kind }: Stage): boolean => kind === 'bath' && weightKg >= HEAVY_KG;

/** A pause, laid like a visit of one stage that only its person can do. */
const pauseJob = (
  { minutes, within }: Pause,
  person: number,
  pause: number,
  people: number,
  gene: number,
): ScheduleJob => ({
  blocks: [
    {
      parts: [
        {
          stage: pause,
          minutes,
          offset: 0,
          able: [person],
          units: [],
          clean: 0,
          doses: new Float64Array(people),
          lifts: false,
        },
      ],
      ready: within.from,
      gene,
    },
  ],
  from: within.from,
  to: Infinity,
  leaveTo: within.to,
  apart: [],
  pauseOf: person,
  begunFrom: Infinity,
  begunEnd: -Infinity,
  minutes,
  lastPerson: NOBODY,
});

/** Throws RangeError when a stage can be done by nobody or nowhere. */
export function jobsOf(asked: DayAsked): Jobs {
  const { people, visits, now } = asked;
  const personAt = new Map(people.map((p, i) => [p.id, i]));
  const visitAt = new Map(visits.map((v, i) => [v.id, i]));
  const begun = new Begun(asked, personAt);
  let genes = 0;
  const jobs = visits.map((v): ScheduleJob => {
    const mine = begun.of(v);
    const blocks = blocksOf(asked, v, new Set(mine.map((b) => b.stage)), personAt, genes);
    genes += sum(blocks.map((b) => b.parts.length));
    const last = mine.reduce<ScheduledStage | undefined>((t, b) => (!t || b.stage > t.stage ? b : t), undefined);
    return {
      blocks,
      from: v.arrive.from,
      to: v.arrive.to,
      leaveTo: v.leave.to,
      apart: asked.apart.flatMap(([a, b], pair) => {
        const other = a === v.id ? b : b === v.id ? a : undefined;
        const k = other === undefined ? undefined : visitAt.get(other);
        return k === undefined ? [] : [{ job: k, pair }];
      }),
      pauseOf: NOBODY,
      begunFrom: Math.min(...mine.map((b) => b.start), Infinity),
      begunEnd: last?.end ?? -Infinity,
      minutes: sum([...mine.map((b) => b.end - b.start), ...blocks.flatMap((b) => b.parts.map((p) => p.minutes))]),
      lastPerson: last?.person === undefined ? NOBODY : (personAt.get(last.person) ?? NOBODY),
    };
  });
  for (const [k, p] of people.entries())
    for (const [i, pause] of p.pauses.entries())
      if (!begun.hadPause(k, i)) jobs.push(pauseJob(pause, k, i, people.length, genes++));
  const opens = Math.min(...people.map((p) => p.hours.from), Infinity);
  return {
    jobs,
    genes,
    people: begun.people,
    places: begun.places,
    doses: begun.doses,
    heavies: begun.heavies,
    starts: opens === Infinity ? now : Math.max(now, opens),
  };
}
