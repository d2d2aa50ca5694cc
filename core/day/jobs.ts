/** What of a day is still to be laid: each visit as chains of stages that follow at once, each pause, and what stands already. */
import { HEAVY_KG, type DayAsked, type ScheduledStage } from './asked.ts';
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
  /** Minutes already in the house at work, when it was begun. */
  readonly begunFrom: number;
  readonly begunEnd: number;
  readonly begunMinutes: number;
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

/** Throws RangeError when a stage can be done by nobody or nowhere. */
export function jobsOf(asked: DayAsked): Jobs {
  const { people, places, visits, now } = asked;
  const personAt = new Map(people.map((p, i) => [p.id, i]));
  const placeAt = new Map(places.map((p, i) => [p.id, i]));
  const visitAt = new Map(visits.map((v, i) => [v.id, i]));
  const opens = Math.min(...people.map((p) => p.hours.from), Infinity);
  const starts = opens === Infinity ? now : Math.max(now, opens);
  const fixedPeople: Fixed[] = [];
  const fixedPlaces: Fixed[] = [];
  const fixedDose = new Float64Array(people.length);
  const fixedHeavy = new Float64Array(people.length);
  let genes = 0;
  const jobs = visits.map((v): ScheduleJob => {
    const pins = asked.pins.filter((p) => p.visit === v.id);
    const begun = asked.begun.filter((b) => b.visit === v.id);
    const wished = v.with === undefined ? undefined : personAt.get(v.with);
    const done = new Map(begun.map((b) => [b.stage, b]));
    const blocks: Block[] = [];
    let parts: Part[] = [];
    let ready = -Infinity;
    let offset = 0;
    const close = (): void => {
      if (parts.length === 0) return;
      blocks.push({ parts, ready, gene: genes });
      genes += parts.length;
      parts = [];
      offset = 0;
      ready = -Infinity;
    };
    for (const [i, s] of v.stages.entries()) {
      const doses = Float64Array.from(people, (p) => doseOf(s, s.minutes, p));
      const lifts = s.kind === 'bath' && v.weightKg >= HEAVY_KG;
      const there = done.get(i);
      if (there) {
        const who = there.person === undefined ? undefined : personAt.get(there.person);
        const where = there.place === undefined ? undefined : placeAt.get(there.place);
        if (who !== undefined) {
          fixedPeople.push([who, there.start, there.end]);
          fixedDose[who] = (fixedDose[who] ?? 0) + (doses[who] ?? 0);
          if (lifts) fixedHeavy[who] = (fixedHeavy[who] ?? 0) + 1;
        }
        if (where !== undefined) fixedPlaces.push([where, there.start, there.end + s.cleanMinutes]);
        continue;
      }
      if (!s.atOnce) close();
      const pin = pins.find((p) => p.stage === i);
      const pinned = pin?.person === undefined ? undefined : personAt.get(pin.person);
      const able = !s.hands
        ? []
        : pinned !== undefined
          ? [pinned]
          : people.flatMap((p, k) => (p.can.includes(s.kind) && (wished === undefined || wished === k) ? [k] : []));
      // Who the dog knows may not be able to do it all: then anybody who is does.
      const hands = able.length > 0 || !s.hands ? able : people.flatMap((p, k) => (p.can.includes(s.kind) ? [k] : []));
      const units = places.flatMap((p, k) => (p.kind === s.place ? [k] : []));
      if (s.hands && hands.length === 0) throw new RangeError(`nobody at work can do the ${s.kind} of ${v.id}`);
      if (s.place !== undefined && units.length === 0)
        throw new RangeError(`there is no ${s.place} for the ${s.kind} of ${v.id}`);
      ready = Math.max(ready, (pin?.notBefore ?? -Infinity) - offset);
      parts.push({ stage: i, minutes: s.minutes, offset, able: hands, units, clean: s.cleanMinutes, doses, lifts });
      offset += s.minutes;
    }
    close();
    const lastBegun = begun.reduce<ScheduledStage | undefined>((t, b) => (!t || b.stage > t.stage ? b : t), undefined);
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
      begunFrom: Math.min(...begun.map((b) => b.start), Infinity),
      begunEnd: lastBegun?.end ?? -Infinity,
      begunMinutes: begun.reduce((t, b) => t + b.end - b.start, 0),
      lastPerson: lastBegun?.person === undefined ? NOBODY : (personAt.get(lastBegun.person) ?? NOBODY),
    };
  });
  for (const [k, p] of people.entries()) {
    for (const [i, pause] of p.pauses.entries()) {
      const had = asked.paused.find((x) => x.person === p.id && x.pause === i);
      if (had) {
        fixedPeople.push([k, had.start, had.end]);
        continue;
      }
      jobs.push({
        blocks: [
          {
            parts: [
              {
                stage: i,
                minutes: pause.minutes,
                offset: 0,
                able: [k],
                units: [],
                clean: 0,
                doses: new Float64Array(people.length),
                lifts: false,
              },
            ],
            ready: pause.within.from,
            gene: genes++,
          },
        ],
        from: pause.within.from,
        to: Infinity,
        leaveTo: pause.within.to,
        apart: [],
        pauseOf: k,
        begunFrom: Infinity,
        begunEnd: -Infinity,
        begunMinutes: 0,
        lastPerson: NOBODY,
      });
    }
  }
  return { jobs, genes, people: fixedPeople, places: fixedPlaces, doses: fixedDose, heavies: fixedHeavy, starts };
}
