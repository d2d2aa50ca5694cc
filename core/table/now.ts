/**
 * How the coat stands at this moment of a session: the release model run over what was really worked, corrected
 * by what hands and comb said on the way; and what of the dog's limits is used.
 */
import { sum } from '../quantity/index.ts';
import {
  bearsInAll,
  clockShare,
  coatIn,
  copyOf,
  figuresOf,
  jobOf,
  meet,
  PHASES,
  roomOf,
  seenIn,
  setLoose,
  standingShare,
  stateFor,
  stepCautions,
  workStepOn,
  type Coat,
  type CoatZone,
  type Crew,
  type BenchJob,
  type PlanRequest,
  type PlanStep,
  type Script,
  type ScriptStep,
  type ZoneSeen,
} from '../bench/index.ts';
import { usualStandingMinutes, type ZoneId } from '../dog/index.ts';
import { BLADES, type Tool } from '../kit/index.ts';
import type { CombGrade } from '../check/index.ts';
import type { Moment, SessionRecord, StepRecord } from './record.ts';

const MS_PER_MINUTE = 60_000;
/** A step that took less was tapped away, not worked: it is taken as planned. */
export const WORKED_MS = 30_000;
/** A zone that took less was passed over with a tap, after its work: it is taken as planned. Guess. */
const TAPPED_MS = 5_000;
/** Loose hair at which a comb drags, and stops, as multiples of that at which it falls through. Guess. */
const DRAGS_AT = 1.8;
const STOPS_AT = 3;
/** A comb that falls through leaves at most this share of the hair at which it just would. Guess. */
const GLIDES_AT = 0.9;

/** A session as the table computes with it. */
export interface TableCase {
  readonly request: PlanRequest;
  readonly record: SessionRecord;
}

/** What is used of a limit, and what there is. */
export interface Used {
  readonly used: number;
  readonly of: number;
}

export interface TableNow {
  readonly coat: Coat;
  readonly job: BenchJob;
  /** Work still to do, as planned, in order. */
  readonly rest: Script;
  readonly zones: readonly ZoneSeen[];
  /** Minutes on the clock since the start, breaks left out, and those of the plan as it stands. */
  readonly minutes: Used;
  /** Minutes for which the dog stood, and those it usually stands. */
  readonly standing: Used;
  readonly blade: Used;
  /** Minutes on the clock that the dog still bears, or the appointment still leaves. */
  readonly minutesLeft: number;
}

/** The piece of a step; what is not on the wall any more works as its kind does. */
const plannedPiece = ({ tool }: PlanStep, job: BenchJob): Tool => roomOf(job.kit).find((t) => t.id === tool.id) ?? tool;

/** The piece that worked a step: the planned one, or one of the kind that was written down in its place. */
const pieceOf = ({ plan, did }: StepRecord, job: BenchJob): Tool =>
  did && did.tool !== plan.tool.kind
    ? (roomOf(job.kit).find((t) => t.kind === did.tool) ?? { id: `any-${did.tool}`, kind: did.tool, name: did.tool })
    : plannedPiece(plan, job);

/** Hands' minutes for a millisecond on the clock, where two people share one device. */
const handsPerMs = (s: StepRecord, crew: Crew | undefined, people: number, job: BenchJob): number =>
  1 / MS_PER_MINUTE / (people > 1 ? 1 : clockShare(PHASES[s.plan.phase].work, crew, figuresOf(job)));

/** Work that goes from zone to zone; water and air go over them all. */
export const walks = ({ phase }: Pick<PlanStep, 'phase'>): boolean =>
  PHASES[phase].work === 'hands' || PHASES[phase].work === 'ties';

/** What a comb said of a zone, against what was computed: the comb is right. */
function combSaid(z: CoatZone, result: CombGrade, job: BenchJob): void {
  const falls = figuresOf(job).combGlides * z.fullG;
  const now = z.pools.freeG + z.pools.deepG + z.pools.packedG;
  if (result === 'glides') {
    if (now > falls * GLIDES_AT) setLoose(z, falls * GLIDES_AT);
    return;
  }
  const least = falls * (result === 'drags' ? DRAGS_AT : STOPS_AT);
  if (now < least) setLoose(z, least);
}

const plannedMinutes = (s: StepRecord): ReadonlyMap<ZoneId, number> =>
  new Map(s.plan.zones.map((z) => [z.zone, z.minutes]));

/** Minutes of a step shared out over its zones as they were planned. */
const spread = ({ plan: { zones } }: StepRecord, minutes: number): ReadonlyMap<ZoneId, number> => {
  const all = sum(zones.map((z) => z.minutes));
  return new Map(zones.map((z) => [z.zone, all > 0 ? (z.minutes * minutes) / all : minutes / zones.length]));
};

/** Hands' minutes by zone of one spell of work; a zone that was tapped away in passing is taken as planned. */
function walkedMinutes(s: StepRecord, m: Work, perMs: number): ReadonlyMap<ZoneId, number> {
  const minutes = new Map<ZoneId, number>();
  for (const { zone, minutes: planned } of s.plan.zones) {
    const ms = m.zoneMs[zone];
    if (ms === undefined) continue;
    const tapped = (s.zoneMs[zone] ?? 0) < TAPPED_MS && s.zonesDone.includes(zone);
    minutes.set(zone, tapped ? planned : ms * perMs);
  }
  return minutes;
}
type Work = Extract<Moment, { kind: 'work' }>;

/** The coat after everything that happened so far. */
function replayed(record: SessionRecord, found: Coat, job: BenchJob, crew: Crew | undefined): Coat {
  const coat = copyOf(found);
  const zoneOf = new Map<ZoneId, CoatZone>(coat.zones.map((z) => [z.id, z]));
  const steps = new Map(record.steps.map((s) => [s.id, s]));
  const waterMs = new Map<string, number>();
  const lastVisit = new Map<string, Moment>();
  for (const m of record.moments) if (m.kind === 'work' || m.kind === 'done') lastVisit.set(m.step, m);

  const work = (s: StepRecord, minutes: ReadonlyMap<ZoneId, number>): void => {
    const zones = [...minutes.keys()].flatMap((id) => zoneOf.get(id) ?? []);
    workStepOn(coat, s.plan.phase, pieceOf(s, job), zones, (z) => minutes.get(z.id) ?? 0, job);
  };
  const worked = (s: StepRecord, m: Work): void => {
    // A step that was tapped away is taken as planned once it is said to be done.
    if (s.state === 'done' && s.workedMs < WORKED_MS) return;
    const perMs = handsPerMs(s, crew, record.people.length, job);
    if (walks(s.plan)) {
      const minutes = walkedMinutes(s, m, perMs);
      if (minutes.size > 0) work(s, minutes);
      if (m.restMs > 0) work(s, spread(s, m.restMs * perMs));
      return;
    }
    const all = (waterMs.get(s.id) ?? 0) + m.restMs + sum(Object.values(m.zoneMs));
    waterMs.set(s.id, all);
    // Water and air have one effect for all their time: it is computed where they end.
    if (lastVisit.get(s.id) === m) work(s, spread(s, all * perMs));
  };
  const done = (s: StepRecord): void => {
    if (s.state !== 'done') return;
    const all = walks(s.plan) ? 0 : (waterMs.get(s.id) ?? 0);
    if (s.workedMs < WORKED_MS) work(s, plannedMinutes(s));
    else if (all > 0) work(s, spread(s, all * handsPerMs(s, crew, record.people.length, job)));
  };

  for (const m of record.moments) {
    if (m.kind === 'work' || m.kind === 'done') {
      const s = steps.get(m.step);
      if (s && m.kind === 'work') worked(s, m);
      else if (s) done(s);
      continue;
    }
    const z = zoneOf.get(m.zone);
    if (!z) continue;
    if (m.kind === 'comb') combSaid(z, m.result, job);
    else meet(z, m.kind === 'pink' ? { skin: 'pink' } : m);
  }
  return coat;
}

/** Less is no work, minutes. */
const SPENT = 1e-9;

/** Work of the plan that is still to do: zones that hands have left are done, the one in hand has its rest. */
function restOf(record: SessionRecord, job: BenchJob, crew: Crew | undefined): Script {
  return record.steps.flatMap((s): ScriptStep[] => {
    if (s.state === 'done' || s.state === 'skipped') return [];
    const perMs = handsPerMs(s, crew, record.people.length, job);
    const walked = walks(s.plan) && Object.keys(s.zoneMs).length > 0;
    const all = sum(s.plan.zones.map((z) => z.minutes));
    const spent = s.workedMs * perMs;
    const zones = s.plan.zones.flatMap((z) => {
      if (walked && s.zonesDone.includes(z.zone)) return [];
      const used = walked ? (s.zoneMs[z.zone] ?? 0) * perMs : all > 0 ? (spent * z.minutes) / all : 0;
      const minutes = z.minutes - used;
      return minutes > SPENT ? [{ zone: z.zone, minutes }] : [];
    });
    return zones.length === 0 ? [] : [{ id: s.id, phase: s.plan.phase, toolId: s.plan.tool.id, zones }];
  });
}

/** Clock minutes of a record's steps that a test picks. */
const clockOf = (record: SessionRecord, picks: (s: StepRecord) => boolean): number =>
  sum(record.steps.filter(picks).map((s) => s.workedMs)) / MS_PER_MINUTE;

/** How a session stands. The record must be as of the instant that is asked about. */
export function tableNow({ request, record }: TableCase): TableNow {
  const { dog, crew } = request;
  const plain = jobOf(request);
  const coat = replayed(record, coatIn(request), plain, crew);
  for (const z of coat.zones) if (record.closed.includes(z.id)) z.condition = 'stop';
  const bladed = clockOf(record, (s) => BLADES.includes(s.plan.tool.kind));
  const bladeLeft = Math.max(0, request.house.bladeMinutes - bladed);
  const job = jobOf({ ...request, house: { ...request.house, bladeMinutes: bladeLeft } });
  const worked = clockOf(record, () => true);
  const planned = sum(record.steps.map((s) => s.plan.minutes));
  const stood = sum(
    record.steps.map((s) => (s.workedMs / MS_PER_MINUTE) * standingShare(PHASES[s.plan.phase].work, dog, crew)),
  );
  const most = Math.min(request.appointmentMinutes ?? Infinity, bearsInAll(dog, crew));
  return {
    coat,
    job,
    rest: restOf(record, job, crew),
    zones: seenIn(coat, job),
    minutes: { used: worked, of: planned },
    standing: { used: stood, of: usualStandingMinutes(dog) },
    blade: { used: bladed, of: request.house.bladeMinutes },
    minutesLeft: most - worked,
  };
}

/** Cautions that stand beside a step in one zone as it is now, most specific first. */
export function cautionsAt(now: TableNow, plan: PlanStep, zone: ZoneId): readonly string[] {
  const z = now.coat.zones.find((own) => own.id === zone);
  if (!z) return plan.cautions;
  const wetness = stateFor(PHASES[plan.phase].work, plan.phase, z);
  return stepCautions(plannedPiece(plan, now.job), [z], wetness, now.job);
}
