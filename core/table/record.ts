/**
 * What a session's events add up to. The log is append-only; this fold is the only reading of it.
 *
 * Events carry their own id and time. The fold sorts by time, then id, and takes each id once, so the order and number
 * of deliveries do not matter. Acts that make no sense where they stand (a pause while paused) change nothing.
 */
import { sum } from '../quantity/index.ts';
import type { PlanStep } from '../bench/index.ts';
import type { Air, CombGrade, ZoneFindings } from '../check/index.ts';
import type { ZoneId } from '../dog/index.ts';
import type { ToolKind } from '../kit/index.ts';
import {
  standingEvents,
  type ActKind,
  type Correction,
  type LeftZone,
  type Met,
  type Paid,
  type ReplanReason,
  type SessionAct,
  type SessionEvent,
} from './acts.ts';

export type SessionState = 'waiting' | 'running' | 'paused' | 'finished';

/** A dog none of whose visits was finished here: it does not know the table yet. */
export const isNewHere = (visits: readonly { readonly state: SessionState }[]): boolean =>
  visits.every((v) => v.state !== 'finished');

export interface StepRecord {
  readonly id: string;
  /** As it was last planned; one that was begun keeps its place. */
  readonly plan: PlanStep;
  readonly state: 'waiting' | 'working' | 'done' | 'skipped';
  /** Milliseconds on the clock, breaks left out. */
  readonly workedMs: number;
  /** Hands' time by zone, where the hands said where they are. */
  readonly zoneMs: Partial<Readonly<Record<ZoneId, number>>>;
  /** Zones that the hands have been on and left. */
  readonly zonesDone: readonly ZoneId[];
  /** Hands' time by name; '' where nobody said who works. */
  readonly by: Readonly<Record<string, number>>;
  readonly grams?: number | undefined;
  readonly gramsByZone: Partial<Readonly<Record<ZoneId, number>>>;
  readonly did?: { readonly tool: ToolKind; readonly minutes: number } | undefined;
  readonly skippedWhy?: string | undefined;
  /** Zones whose skin turned pink under it. */
  readonly pink: readonly ZoneId[];
  /** Whose it is, and whose some of its zones are, where it was handed over. */
  readonly to?: string | undefined;
  readonly zonesTo: Partial<Readonly<Record<ZoneId, string>>>;
  readonly heard?: { readonly dbA: number; readonly minutes: number } | undefined;
}

/** Where the hands at one device are. */
export interface Hand {
  readonly device: string;
  readonly name: string;
  readonly step: string;
  readonly zone?: ZoneId | undefined;
}

/** What happened to the coat, in order: work by visit of a step, and what was felt or met in between. */
export type Moment =
  | {
      readonly kind: 'work';
      readonly step: string;
      readonly zoneMs: Partial<Readonly<Record<ZoneId, number>>>;
      /** Hands' time on the step as a whole. */
      readonly restMs: number;
    }
  | { readonly kind: 'done'; readonly step: string }
  | { readonly kind: 'comb'; readonly zone: ZoneId; readonly result: CombGrade }
  | { readonly kind: 'pink'; readonly zone: ZoneId; readonly tool: ToolKind }
  | ({ readonly kind: 'met' } & Met);

export interface SessionPhoto {
  readonly id: string;
  readonly when: 'before' | 'after';
  readonly zone: ZoneId | null;
}
export interface SessionNote {
  readonly atMs: number;
  readonly text: string;
  readonly by: string;
}

export interface SessionRecord {
  readonly state: SessionState;
  readonly startedMs?: number | undefined;
  readonly finishedMs?: number | undefined;
  /** Time of the newest event: clocks of hands run on from there. */
  readonly asOfMs: number;
  readonly steps: readonly StepRecord[];
  /** Where hands are, by device. */
  readonly hands: readonly Hand[];
  /** Names at the devices, in the order in which they were first said. */
  readonly people: readonly string[];
  readonly nameOf: Readonly<Record<string, string>>;
  readonly comb: Partial<Readonly<Record<ZoneId, CombGrade>>>;
  readonly pink: readonly { readonly zone: ZoneId; readonly tool: ToolKind }[];
  readonly met: readonly Met[];
  readonly felt: Partial<Readonly<Record<ZoneId, ZoneFindings>>>;
  readonly air?: Air | undefined;
  readonly dogKg?: number | undefined;
  /** What was taken, where somebody wrote it down. */
  readonly paid?: Paid | undefined;
  readonly gramsOut: number;
  readonly workedMs: number;
  readonly breakMs: number;
  readonly notes: readonly SessionNote[];
  readonly photos: readonly SessionPhoto[];
  readonly replans: readonly {
    readonly atMs: number;
    readonly because: ReplanReason;
    readonly left: readonly LeftZone[];
  }[];
  /** Zones to which no piece comes any more today. */
  readonly closed: readonly ZoneId[];
  readonly corrections: readonly Correction[];
  readonly moments: readonly Moment[];
  /** Who worked most of it, where anybody said. */
  readonly worker?: string | undefined;
}

type Writable<T> = { -readonly [K in keyof T]: T[K] };
type OpenStep = Writable<Omit<StepRecord, 'zoneMs' | 'zonesDone' | 'by' | 'gramsByZone' | 'pink' | 'zonesTo'>> & {
  zoneMs: Partial<Record<ZoneId, number>>;
  zonesDone: ZoneId[];
  by: Record<string, number>;
  gramsByZone: Partial<Record<ZoneId, number>>;
  pink: ZoneId[];
  zonesTo: Partial<Record<ZoneId, string>>;
  /** Hair of the step as a whole, beside what was weighed by zone. */
  wholeG?: number | undefined;
};

interface OpenWork {
  readonly kind: 'work';
  readonly step: string;
  readonly zoneMs: Partial<Record<ZoneId, number>>;
  restMs: number;
}

const opened = (plan: PlanStep): OpenStep => ({
  id: plan.id,
  plan,
  state: 'waiting',
  workedMs: 0,
  zoneMs: {},
  zonesDone: [],
  by: {},
  gramsByZone: {},
  pink: [],
  zonesTo: {},
});

const begun = (s: OpenStep): boolean => s.state !== 'waiting' || s.workedMs > 0 || s.zonesDone.length > 0;

/** The fold's state while it reads: everything a session is, at one moment. */
class Reading {
  state: SessionState = 'waiting';
  startedMs: number | undefined;
  finishedMs: number | undefined;
  steps: OpenStep[];
  readonly hands = new Map<string, { step: string; zone?: ZoneId | undefined }>();
  readonly names = new Map<string, string>();
  readonly people: string[] = [];
  readonly comb: Partial<Record<ZoneId, CombGrade>> = {};
  readonly pink: { zone: ZoneId; tool: ToolKind }[] = [];
  readonly met: Met[] = [];
  readonly felt: Partial<Record<ZoneId, ZoneFindings>> = {};
  air: Air | undefined;
  dogKg: number | undefined;
  paid: Paid | undefined;
  readonly notes: SessionNote[] = [];
  readonly photos: SessionPhoto[] = [];
  readonly replans: { atMs: number; because: ReplanReason; left: readonly LeftZone[] }[] = [];
  readonly closed: ZoneId[] = [];
  readonly moments: Moment[] = [];
  private work: OpenWork | undefined;
  breakMs = 0;
  lastMs: number | undefined;

  constructor(planned: readonly PlanStep[]) {
    this.steps = planned.map(opened);
  }

  step(id: string): OpenStep | undefined {
    return this.steps.find((s) => s.id === id);
  }

  atWork(): boolean {
    return this.state === 'running' || this.state === 'paused';
  }

  /** Lets time pass until an instant, for everybody whose clock runs. */
  until(atMs: number): void {
    const passed = this.lastMs === undefined ? 0 : Math.max(0, atMs - this.lastMs);
    this.lastMs = Math.max(this.lastMs ?? atMs, atMs);
    if (passed === 0) return;
    if (this.state === 'paused') this.breakMs += passed;
    if (this.state !== 'running') return;
    const clocked = new Set<OpenStep>();
    for (const [device, { step: id, zone }] of this.hands) {
      const step = this.step(id);
      if (!step) continue;
      if (!clocked.has(step)) step.workedMs += passed;
      clocked.add(step);
      const name = this.names.get(device) ?? '';
      step.by[name] = (step.by[name] ?? 0) + passed;
      if (zone !== undefined) step.zoneMs[zone] = (step.zoneMs[zone] ?? 0) + passed;
      const work = this.workOn(id);
      if (zone === undefined) work.restMs += passed;
      else work.zoneMs[zone] = (work.zoneMs[zone] ?? 0) + passed;
    }
  }

  /** The visit of a step that work now belongs to. */
  private workOn(id: string): OpenWork {
    if (this.work?.step === id) return this.work;
    const work: OpenWork = { kind: 'work', step: id, zoneMs: {}, restMs: 0 };
    this.work = work;
    this.moments.push(work);
    return work;
  }

  say(moment: Moment): void {
    this.work = undefined;
    this.moments.push(moment);
  }

  /** Hands of a device leave where they are. A step that nobody is on any more waits again. */
  leave(device: string): void {
    const hand = this.hands.get(device);
    if (!hand) return;
    this.hands.delete(device);
    const step = this.step(hand.step);
    if (!step) return;
    if (hand.zone !== undefined && !step.zonesDone.includes(hand.zone)) step.zonesDone.push(hand.zone);
    const others = [...this.hands.values()].some((h) => h.step === hand.step);
    if (step.state === 'working' && !others) step.state = 'waiting';
  }

  take(device: string, step: OpenStep, zone: ZoneId | undefined): void {
    const now = this.hands.get(device);
    if (now && now.step === step.id && now.zone === zone) return; // said twice
    this.leave(device);
    this.hands.set(device, { step: step.id, zone });
    step.state = 'working';
  }

  close(step: OpenStep, state: 'done' | 'skipped'): void {
    for (const [device, hand] of [...this.hands]) if (hand.step === step.id) this.leave(device);
    step.state = state;
  }

  /** What is over stays as it was; what is open is what the new plan says, in its order. */
  replan(steps: readonly PlanStep[]): void {
    const listed = new Set(steps.map((s) => s.id));
    const given = new Map(this.steps.map((s) => [s.id, s]));
    const isOpen = (s: OpenStep): boolean => s.state === 'waiting' || s.state === 'working';
    // What was begun and has no place in the new plan ends here.
    for (const s of this.steps) if (begun(s) && isOpen(s) && !listed.has(s.id)) this.close(s, 'done');
    const over = this.steps.filter((s) => !isOpen(s));
    const open = steps.flatMap((plan): OpenStep[] => {
      const own = given.get(plan.id);
      if (own && !isOpen(own)) return [];
      if (own) own.plan = plan;
      return [own ?? opened(plan)];
    });
    this.steps = [...over, ...open];
  }

  weigh(step: OpenStep, grams: number, zone: ZoneId | undefined, adds: boolean): void {
    if (zone === undefined) step.wholeG = grams + (adds ? (step.wholeG ?? 0) : 0);
    else step.gramsByZone[zone] = grams + (adds ? (step.gramsByZone[zone] ?? 0) : 0);
    step.grams = (step.wholeG ?? 0) + sum(Object.values(step.gramsByZone));
  }
}

/** When and on which device an act was done. */
interface At {
  readonly atMs: number;
  readonly device: string;
}
type Acts = { readonly [A in SessionAct as A['kind']]: A };
type StepKind = { readonly [K in ActKind]: Acts[K] extends { readonly step: string } ? K : never }[ActKind];
type DogKind = Exclude<ActKind, StepKind>;

/** What an act on a step of the plan does; at work: the session has begun and is not finished. */
const ON_STEP: {
  readonly [K in StepKind]: (r: Reading, step: OpenStep, act: Acts[K], device: string, atWork: boolean) => void;
} = {
  step: (r, step, _, device, atWork) => {
    if (atWork) r.take(device, step, undefined);
  },
  zone: (r, step, { zone }, device, atWork) => {
    if (atWork) r.take(device, step, zone);
  },
  'step-done': (r, step, _, __, atWork) => {
    if (!atWork) return;
    r.close(step, 'done');
    r.say({ kind: 'done', step: step.id });
  },
  'step-skipped': (r, step, { why }, _, atWork) => {
    if (!atWork) return;
    r.close(step, 'skipped');
    step.skippedWhy = why;
  },
  did: (_, step, { tool, minutes }) => {
    step.did = { tool, minutes };
  },
  weighed: (r, step, { grams, zone, adds }) => r.weigh(step, grams, zone, adds === true),
  heard: (_, step, { dbA, minutes }) => {
    step.heard = { dbA, minutes };
  },
  pink: (r, step, { zone }) => {
    const tool = step.plan.tool.kind;
    if (!step.pink.includes(zone)) step.pink.push(zone);
    r.pink.push({ zone, tool });
    r.say({ kind: 'pink', zone, tool });
  },
  handed: (_, step, { zones, to }) => {
    if (zones) for (const zone of zones) step.zonesTo[zone] = to;
    else step.to = to;
  },
};

/** What any other act does. */
const ON_DOG: { readonly [K in DogKind]: (r: Reading, act: Acts[K], at: At) => void } = {
  started: (r, _, { atMs }) => {
    if (r.state !== 'waiting') return;
    r.state = 'running';
    r.startedMs = atMs;
  },
  paused: (r) => {
    if (r.state === 'running') r.state = 'paused';
  },
  resumed: (r) => {
    if (r.state === 'paused') r.state = 'running';
  },
  finished: (r, _, { atMs }) => {
    if (!r.atWork()) return;
    for (const device of [...r.hands.keys()]) r.leave(device);
    r.state = 'finished';
    r.finishedMs = atMs;
  },
  comb: (r, { zone, result }) => {
    r.comb[zone] = result;
    r.say({ kind: 'comb', zone, result });
  },
  met: (r, act) => {
    const { kind: _kind, ...met } = act;
    r.met.push(met);
    r.say(act);
  },
  replanned: (r, { because, steps, left = [], closed }, { atMs }) => {
    if (r.state === 'finished') return;
    r.replan(steps);
    r.replans.push({ atMs, because, left });
    if (closed !== undefined && !r.closed.includes(closed)) r.closed.push(closed);
  },
  felt: (r, { zone, findings }) => {
    r.felt[zone] = findings;
  },
  photo: (r, { photo, when, zone }) => void r.photos.push({ id: photo, when, zone }),
  'dog-weighed': (r, { kg }) => {
    r.dogKg = kg;
  },
  air: (r, { temperatureC, humidityPct }) => {
    r.air = { temperatureC, humidityPct };
  },
  note: (r, { text }, { atMs, device }) => void r.notes.push({ atMs, text, by: r.names.get(device) ?? '' }),
  paid: (r, { toldCents, cents, how }) => {
    r.paid = { toldCents, cents, how };
  },
  worker: (r, { name }, { device }) => {
    r.names.set(device, name);
    if (!r.people.includes(name)) r.people.push(name);
  },
  // Taken into account before the fold.
  undone: () => undefined,
  corrected: () => undefined,
};

function doesOnStep<K extends StepKind>(r: Reading, kind: K, act: Acts[K], stepId: string, device: string): void {
  const step = r.step(stepId);
  if (step) ON_STEP[kind](r, step, act, device, r.atWork());
}
function doesOnDog<K extends DogKind>(r: Reading, kind: K, act: Acts[K], at: At): void {
  ON_DOG[kind](r, act, at);
}

/** Does the act of an event, if it makes sense where it stands. */
function does(r: Reading, { atMs, device = '', act }: SessionEvent): void {
  if ('step' in act) doesOnStep(r, act.kind, act, act.step, device);
  else doesOnDog(r, act.kind, act, { atMs, device });
}

/** The record of a session whose plan has these steps. Events that name a step outside it are passed over. */
export function sessionRecord(log: readonly SessionEvent[], planned: readonly PlanStep[]): SessionRecord {
  const { events, corrections } = standingEvents(log);
  const r = new Reading(planned);
  for (const e of events) {
    r.until(e.atMs);
    does(r, e);
  }
  const steps = r.steps.map(({ wholeG, ...s }): StepRecord => s);
  const byName = new Map<string, number>();
  for (const s of steps) for (const [name, ms] of Object.entries(s.by)) byName.set(name, (byName.get(name) ?? 0) + ms);
  byName.delete('');
  const [most] = [...byName].sort((a, b) => b[1] - a[1]);
  return {
    state: r.state,
    startedMs: r.startedMs,
    finishedMs: r.finishedMs,
    asOfMs: r.lastMs ?? 0,
    steps,
    hands: [...r.hands].map(([device, { step, zone }]) => ({ device, name: r.names.get(device) ?? '', step, zone })),
    people: r.people,
    nameOf: Object.fromEntries(r.names),
    comb: r.comb,
    pink: r.pink,
    met: r.met,
    felt: r.felt,
    air: r.air,
    dogKg: r.dogKg,
    paid: r.paid,
    gramsOut: sum(steps.map((s) => s.grams ?? 0)),
    workedMs: sum(steps.map((s) => s.workedMs)),
    breakMs: r.breakMs,
    notes: r.notes,
    photos: r.photos,
    replans: r.replans,
    closed: r.closed,
    corrections,
    moments: r.moments,
    worker: most?.[0] ?? r.people[0],
  };
}

/** A record as it stands at a later instant, with nothing new but time: clocks of hands have run on. */
export function asOf(record: SessionRecord, nowMs: number): SessionRecord {
  const passed = nowMs - record.asOfMs;
  if (passed <= 0 || (record.state !== 'running' && record.state !== 'paused')) return record;
  if (record.state === 'paused') return { ...record, asOfMs: nowMs, breakMs: record.breakMs + passed };
  const moments = [...record.moments];
  const steps = record.steps.map((s): StepRecord => {
    const here = record.hands.filter((h) => h.step === s.id);
    if (here.length === 0) return s;
    const zoneMs = { ...s.zoneMs };
    const by = { ...s.by };
    const at = moments.findLastIndex((m) => m.kind === 'work');
    const last = moments[at];
    const own = last?.kind === 'work' && last.step === s.id && at === moments.length - 1 ? last : undefined;
    const visitMs = { ...own?.zoneMs };
    let restMs = own?.restMs ?? 0;
    for (const { zone, name } of here) {
      by[name] = (by[name] ?? 0) + passed;
      if (zone === undefined) restMs += passed;
      else {
        zoneMs[zone] = (zoneMs[zone] ?? 0) + passed;
        visitMs[zone] = (visitMs[zone] ?? 0) + passed;
      }
    }
    const visit: Moment = { kind: 'work', step: s.id, zoneMs: visitMs, restMs };
    if (own) moments[at] = visit;
    else moments.push(visit);
    return { ...s, workedMs: s.workedMs + passed, zoneMs, by };
  });
  return {
    ...record,
    asOfMs: nowMs,
    steps,
    moments,
    workedMs: sum(steps.map((s) => s.workedMs)),
  };
}
