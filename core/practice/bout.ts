/**
 * What a practice coat answers to what a hand does: the release model of the bench, worked act by act. A bout is the
 * list of its acts; everything else is computed from it, so that the same acts always end the same way.
 */
import { sum } from '../quantity/index.ts';
import type { ZoneId } from '../dog/index.ts';
import type { ConditionKind, Readings } from '../check/index.ts';
import type { Tool, ToolKind, Wetness } from '../kit/index.ts';
import {
  barOf,
  bestAgain,
  clockShare,
  faultsOnly,
  figuresOf,
  handWorking,
  isLegal,
  layOut,
  method,
  PHASES,
  planVisit,
  proofOf,
  roomOf,
  scriptFrom,
  scriptOf,
  seenIn,
  stateFor,
  wetnessOf,
  workMinutes,
  workScript,
  worksite,
  type Bar,
  type Coat,
  type CoatZone,
  type Fault,
  type MethodId,
  type MethodPlan,
  type PhaseId,
  type Plan,
  type PlanRequest,
  type PlanStep,
  type Script,
  type ScriptStep,
  type ScriptZone,
  type Worksite,
  type ZoneSeen,
} from '../bench/index.ts';
import type { PracticeCase } from './cases.ts';
import { afterRest, LIES_SLOWS, moodOf, PULL, strainOf, type Mood } from './patience.ts';

export const FEEL_TESTS = ['finger', 'tug', 'comb', 'tie', 'skin'] as const;
export type FeelTest = (typeof FEEL_TESTS)[number];

export type Act =
  /** Eyes to rear, before the coat. */
  | { readonly kind: 'look' }
  | { readonly kind: 'feel'; readonly tests: readonly FeelTest[]; readonly zones: readonly ZoneId[] }
  /** Say what a zone is; where only reading is asked. */
  | { readonly kind: 'call'; readonly as: ConditionKind; readonly zones: readonly ZoneId[] }
  | {
      readonly kind: 'work';
      readonly phase: PhaseId;
      readonly toolId: string;
      readonly zones: readonly ScriptZone[];
    }
  | { readonly kind: 'rest'; readonly minutes: number }
  /** No groom today: a vet first. */
  | { readonly kind: 'refer' }
  | { readonly kind: 'end' };

/** Minutes of looking a dog over, and of one test in one zone. Guess. */
export const LOOK_MINUTES = 3;
export const TEST_MINUTES = 0.05;
/** A rest no longer than this at a time. */
export const LONGEST_REST = 15;

/** A case with its best stair, found once. */
export interface Opened {
  readonly case: PracticeCase;
  readonly request: PlanRequest;
  readonly site: Worksite;
  readonly plan: Plan;
  /** The best stair that the bench finds for who knows everything; undefined where nothing is to be done today. */
  readonly best: MethodPlan | undefined;
  readonly bar: Bar;
  /** Minutes until the next dog. */
  readonly clockMinutes: number;
}

/** An appointment leaves so much more than the best work takes, and time for the check. Guess. */
const CLOCK = { share: 1.35, check: 15 };

export function openCase(c: PracticeCase): Opened {
  const request: PlanRequest = { dog: c.dog, check: c.truth, kit: c.kit, house: c.house };
  const plan = planVisit(request);
  const site = worksite(request);
  const bar = barOf(request, plan, site);
  const best = c.goal === 'read' ? undefined : bestStair(plan, site, bar);
  const clockMinutes = best ? 5 * Math.ceil((best.minutes * CLOCK.share + CLOCK.check) / 5) : NO_WORK_CLOCK;
  return { case: c, request, site, plan, best, bar, clockMinutes };
}
const NO_WORK_CLOCK = 30;

/** Hand work of a stair is tried in these shares of what the bench gives it. */
const SHORTER = [1, 0.85, 0.7] as const;

/** The best stair that can be found: every open school, with its own minutes, those of habit, and fewer. */
function bestStair(plan: Plan, { found, job }: Worksite, bar: Bar): MethodPlan | undefined {
  let best: MethodPlan | undefined;
  const consider = (id: MethodId, script: Script): void => {
    if (!isLegal(script, found, job)) return;
    const own = bar.of(id, script);
    if (!best || own.score > best.score) best = own;
  };
  for (const m of plan.methods) {
    if (m.kind !== 'open') continue;
    const script = scriptOf(m.steps);
    const hands = sum(script.filter((s) => PHASES[s.phase].work === 'hands').map(workMinutes));
    consider(m.method, script);
    for (const share of SHORTER) consider(m.method, bestAgain(script, found, job, hands * share));
    const habit = byHabit(m.method, found, job);
    if (habit) consider(m.method, habit);
  }
  return best;
}

/** A school laid out with the minutes of habit; undefined where it is closed. */
export function byHabit(id: MethodId, found: Coat, job: Worksite['job']): Script | undefined {
  const laid = layOut(method(id), job, found);
  if (!laid.ok) return undefined;
  const hands = laid.value.map((s) => s.zones.map((z) => z.minutes));
  return workScript(scriptFrom(laid.value, found, hands), found, job, { waterAsNeeded: true }).script;
}

/** What one act came to. */
export interface ActResult {
  readonly act: Act;
  /** The dog had moved away: nothing was done. */
  readonly refused: boolean;
  readonly minutes: number;
  readonly gramsOut: number;
  /** Zones whose skin now is past what it bears, whose tie drew tight, and whose tie is settled. */
  readonly reddened: readonly ZoneId[];
  readonly tightened: readonly ZoneId[];
  readonly settled: readonly ZoneId[];
  /** Zones over which the comb now falls through, and did not before. */
  readonly opened: readonly ZoneId[];
  /** The piece did nothing in the state in which it met these zones. */
  readonly idle: readonly ZoneId[];
  readonly mood: Mood;
}

export interface Bout {
  readonly told: readonly ActResult[];
  /** All that was worked, acts in a row with one piece made one step. */
  readonly script: Script;
  readonly steps: readonly PlanStep[];
  readonly coat: Coat;
  readonly seen: readonly ZoneSeen[];
  readonly faults: readonly Fault[];
  /** What hands found, by zone, as it was when they were last laid on. */
  readonly felt: ReadonlyMap<ZoneId, Partial<Readings>>;
  /** Tests done in a zone before water first came to it or a tool worked it. */
  readonly feltFirst: ReadonlyMap<ZoneId, ReadonlySet<FeelTest>>;
  readonly calls: ReadonlyMap<ZoneId, ConditionKind>;
  readonly looked: boolean;
  readonly minutes: number;
  readonly testMinutes: number;
  readonly restMinutes: number;
  readonly strain: number;
  readonly mood: Mood;
  /** Times the dog moved away. */
  readonly wentAway: number;
  readonly ended: 'end' | 'refer' | undefined;
  readonly proof: ReturnType<typeof proofOf>;
}

const SKIN_DUST = 1e-9;

/** Acts of work as a script: those in a row with one piece in one phase are one step, as somebody would write it down. */
function addTo(script: readonly ScriptStep[], act: Extract<Act, { kind: 'work' }>): readonly ScriptStep[] {
  const last = script.at(-1);
  if (last?.phase === act.phase && last.toolId === act.toolId) {
    const minutes = new Map(last.zones.map((z) => [z.zone, z.minutes]));
    for (const z of act.zones) minutes.set(z.zone, (minutes.get(z.zone) ?? 0) + z.minutes);
    return [...script.slice(0, -1), { ...last, zones: [...minutes].map(([id, m]) => ({ zone: id, minutes: m })) }];
  }
  return [...script, { id: `act-${script.length + 1}`, phase: act.phase, toolId: act.toolId, zones: act.zones }];
}

/** What a hand feels in a zone as it is now. */
export function readingsNow(z: CoatZone, seen: ZoneSeen, untouched: boolean): Readings {
  if (untouched) return z.readings;
  const { readings } = z;
  const came = seen.shareLeft;
  return {
    finger: seen.grade,
    tug: came > 0.9 ? readings.tug : came > 0.5 && readings.tug >= 2 ? 2 : came > 0.15 && readings.tug >= 1 ? 1 : 0,
    comb: seen.falls ? 'glides' : seen.grade >= 3 || seen.tie !== 'none' ? 'stops' : 'drags',
    tie: seen.tie,
    skin: seen.skin > 1 && readings.skin === 'clear' ? 'pink' : readings.skin,
  };
}

type ActOf<K extends Act['kind']> = Extract<Act, { kind: K }>;
/** What is told of an act, before its mood is known. */
type Heard = Omit<ActResult, 'act' | 'mood'>;

const NOTHING: Heard = {
  refused: false,
  minutes: 0,
  gramsOut: 0,
  reddened: [],
  tightened: [],
  settled: [],
  opened: [],
  idle: [],
};

/** A bout while it goes on: the coat, the dog, and what hands know. */
class Ongoing {
  script: readonly ScriptStep[] = [];
  worked: ReturnType<typeof workScript>;
  seen: readonly ZoneSeen[];
  faults: readonly Fault[] = [];
  readonly felt = new Map<ZoneId, Partial<Readings>>();
  readonly feltFirst = new Map<ZoneId, ReadonlySet<FeelTest>>();
  readonly calls = new Map<ZoneId, ConditionKind>();
  looked = false;
  testMinutes = 0;
  restMinutes = 0;
  strain = 0;
  worst = 0;
  ended: Bout['ended'];
  private readonly touched = new Set<ZoneId>();

  constructor(private readonly opened: Opened) {
    this.worked = this.workedAs(this.script);
    this.seen = seenIn(this.worked.coat, opened.site.job);
  }

  private workedAs(script: Script) {
    const { request, site } = this.opened;
    return workScript(script, site.found, site.job, { crew: request.crew });
  }

  private strainOf(work: Parameters<typeof strainOf>[2], minutes: number, zones: readonly ZoneId[]): number {
    const { request, case: own } = this.opened;
    return strainOf(request.dog, own.temper, work, minutes, zones, request.crew);
  }

  does(act: Act): Heard {
    switch (act.kind) {
      case 'look':
        return this.look();
      case 'feel':
        return this.feel(act);
      case 'call':
        for (const id of act.zones) this.calls.set(id, act.as);
        return NOTHING;
      case 'rest':
        return this.rest(act);
      case 'work':
        return moodOf(this.strain) === 'away' ? { ...NOTHING, refused: true } : this.work(act);
      case 'refer':
      case 'end':
        this.ended = act.kind;
        return NOTHING;
    }
  }

  private test(minutes: number, zones: readonly ZoneId[]): Heard {
    this.testMinutes += minutes;
    this.strain += this.strainOf('check', minutes, zones);
    return { ...NOTHING, minutes };
  }

  private look(): Heard {
    if (this.looked) return NOTHING;
    this.looked = true;
    return this.test(LOOK_MINUTES, []);
  }

  private feel({ tests, zones }: ActOf<'feel'>): Heard {
    for (const [at, z] of this.worked.coat.zones.entries()) {
      const here = this.seen[at];
      if (!zones.includes(z.id) || !here) continue;
      const untouched = !this.touched.has(z.id);
      const all = readingsNow(z, here, untouched);
      this.felt.set(z.id, { ...this.felt.get(z.id), ...Object.fromEntries(tests.map((t) => [t, all[t]])) });
      if (untouched) this.feltFirst.set(z.id, new Set([...(this.feltFirst.get(z.id) ?? []), ...tests]));
    }
    return this.test(TEST_MINUTES * tests.length * zones.length, zones);
  }

  private rest({ minutes }: ActOf<'rest'>): Heard {
    const rested = Math.min(LONGEST_REST, Math.max(0, minutes));
    this.restMinutes += rested;
    this.strain = afterRest(this.strain, this.worst, rested);
    return { ...NOTHING, minutes: rested };
  }

  private work(act: ActOf<'work'>): Heard {
    const { request, site } = this.opened;
    const { work } = PHASES[act.phase];
    const zones = act.zones.map((z) => z.zone);
    const before = this.seen;
    const idle = idleIn(this.worked.coat, act, site);
    const script = addTo(this.script, act);
    const worked = this.workedAs(script);
    const after = seenIn(worked.coat, site.job);
    const slower = moodOf(this.strain) === 'lies' && work === 'hands' ? LIES_SLOWS : 1;
    const minutes = sum(act.zones.map((z) => z.minutes)) * clockShare(work, request.crew, figuresOf(site.job)) * slower;
    const changed = (test: (was: ZoneSeen, is: ZoneSeen) => boolean): readonly ZoneId[] =>
      after.flatMap((is, at) => {
        const was = before[at];
        return was && test(was, is) ? [is.zone] : [];
      });
    const faults = faultsOnly(script, site.found, site.job);
    const reddened = changed((was, is) => was.skin <= 1 + SKIN_DUST && is.skin > 1 + SKIN_DUST);
    const pulls = work === 'ties' ? zones.length : 0;
    const forbidden = sum(faults.slice(this.faults.length).map((b) => (b.code === 'forbidden' ? b.zones.length : 0)));
    this.strain +=
      this.strainOf(work, minutes, zones) +
      pulls * PULL.tie +
      Math.min(8, forbidden) * PULL.forbidden +
      Math.min(8, reddened.length) * PULL.skin;
    for (const id of zones) this.touched.add(id);
    this.script = script;
    this.worked = worked;
    this.seen = after;
    this.faults = faults;
    return {
      refused: false,
      minutes,
      gramsOut: sum(before.map((z) => z.leftG)) - sum(after.map((z) => z.leftG)),
      reddened,
      tightened: changed((was, is) => TIGHT[is.tie] > TIGHT[was.tie] && was.tie !== 'none'),
      settled: changed((was, is) => was.tie !== 'none' && is.tie === 'none'),
      opened: changed((was, is) => !was.falls && is.falls),
      idle,
    };
  }
}

/** All that a list of acts comes to. Acts after the end say nothing. Throws RangeError for a piece not in the room. */
export function boutOf(opened: Opened, acts: readonly Act[]): Bout {
  const now = new Ongoing(opened);
  const told: ActResult[] = [];
  let wentAway = 0;
  for (const act of acts) {
    if (now.ended) break;
    const before = moodOf(now.strain);
    const heard = now.does(act);
    now.worst = Math.max(now.worst, now.strain);
    const mood = moodOf(now.strain);
    if (mood === 'away' && before !== 'away') wentAway++;
    told.push({ act, ...heard, mood });
  }
  const { script, worked, seen, faults, felt, feltFirst, calls, looked, testMinutes, restMinutes, strain, ended } = now;
  return {
    told,
    script,
    steps: worked.steps,
    coat: worked.coat,
    seen,
    faults,
    felt,
    feltFirst,
    calls,
    looked,
    minutes: sum(told.map((t) => t.minutes)),
    testMinutes,
    restMinutes,
    strain,
    mood: moodOf(strain),
    wentAway,
    ended,
    proof: proofOf(worked.coat, opened.site.job),
  };
}

const TIGHT = { none: 0, knot: 1, mat: 2, pelt: 3 } as const;

/** Zones of an act in which its piece does nothing in the state it meets. */
function idleIn(coat: Coat, act: Extract<Act, { kind: 'work' }>, { job }: Worksite): readonly ZoneId[] {
  const tool = roomOf(job.kit).find((t) => t.id === act.toolId);
  if (!tool || PHASES[act.phase].work !== 'hands') return [];
  return coat.zones
    .filter((z) => act.zones.some((own) => own.zone === z.id && own.minutes > 0))
    .filter((z) => z.condition !== 'stop' && !handWorking(z, act.phase, tool, stateFor('hands', act.phase, z), job))
    .map((z) => z.id);
}

/** Racks of the practice room: what the pieces on them are taken for. */
export type Rack = 'hands' | 'ties' | 'air' | 'water';
/** What somebody does who takes a piece to a coat in a state, as the trade calls it; bathed: water was on it before. */
interface TakenFor {
  readonly rack: Rack;
  readonly phase: (state: Wetness, bathed: boolean) => PhaseId;
}
const always = (rack: Rack, phase: PhaseId): TakenFor => ({ rack, phase: () => phase });
const byState = (dry: PhaseId, damp: PhaseId = dry, soapy: PhaseId = damp, wet: PhaseId = soapy): TakenFor => {
  const phases = { dry, damp, soapy, wet };
  return { rack: 'hands', phase: (state) => phases[state] };
};
const RAKED = byState('dry-rake');
const SLICKED = byState('dry-slicker', 'damp-slicker', 'soapy-work', 'damp-slicker');
const EDGED = byState('edge');
const BLOWN: TakenFor = { rack: 'air', phase: (state) => (state === 'dry' ? 'air' : 'drying') };
const BATHED: TakenFor = { rack: 'water', phase: (_, bathed) => (bathed ? 'rewash' : 'bath') };
const TAKEN_FOR: Readonly<Record<ToolKind, TakenFor>> = {
  rake: RAKED,
  'rotating-rake': RAKED,
  'soft-slicker': SLICKED,
  'firm-slicker': SLICKED,
  'long-slicker': SLICKED,
  'two-face-slicker': SLICKED,
  'electric-brush': byState('dry-slicker'),
  'pin-brush': byState('dry-pin', 'damp-pin', 'soapy-work', 'damp-pin'),
  comb: byState('comb'),
  'fine-comb': EDGED,
  'blade-comb': EDGED,
  'plastic-blade-comb': EDGED,
  'carding-blade': EDGED,
  'thinning-shears': EDGED,
  rubber: byState('dry-rubber', 'dry-rubber', 'soapy-work', 'soapy-work'),
  bristle: byState('finish'),
  'mat-splitter': always('ties', 'ties'),
  clipper: always('ties', 'ties'),
  'hand-bath': BATHED,
  bather: BATHED,
  mister: always('water', 'mist'),
  conditioner: always('water', 'condition'),
  towel: always('water', 'towel'),
  'force-dryer': BLOWN,
  'stand-dryer': BLOWN,
  'care-set': always('hands', 'care-nails'),
};
export const rackOf = (kind: ToolKind): Rack => TAKEN_FOR[kind].rack;

/** What somebody does who takes this piece to these zones of the coat as it is; the comb unties where it is told to. */
export function phaseFor(tool: Pick<Tool, 'kind'>, zones: readonly CoatZone[], untie: boolean): PhaseId {
  if (untie) return 'ties';
  const area: Record<Wetness, number> = { dry: 0, damp: 0, soapy: 0, wet: 0 };
  for (const z of zones) area[wetnessOf(z)] += z.areaM2;
  const state = (['soapy', 'wet', 'damp'] as const).reduce<Wetness>((a, b) => (area[b] > area[a] ? b : a), 'dry');
  return TAKEN_FOR[tool.kind].phase(
    state,
    zones.some((z) => z.bathed),
  );
}

/** Minutes that water, air, towel and ties need in zones of the coat as it is, by zone; for hands, those of so many passes. */
export function minutesFor(
  opened: Opened,
  coat: Coat,
  phase: PhaseId,
  toolId: string,
  zones: readonly ZoneId[],
  passes: number,
): readonly ScriptZone[] {
  const { site } = opened;
  const tool = roomOf(site.job.kit).find((t) => t.id === toolId);
  if (!tool) throw new RangeError(`no such piece in this room: ${toolId}`);
  const { work } = PHASES[phase];
  if (work !== 'hands') {
    const step: ScriptStep = { id: 'asked', phase, toolId, zones: zones.map((id) => ({ zone: id, minutes: 0 })) };
    const needed = workScript([step], coat, site.job, { waterAsNeeded: true }).script[0]?.zones ?? [];
    return needed.filter((z) => z.minutes > 0);
  }
  return coat.zones.flatMap((z): ScriptZone[] => {
    if (!zones.includes(z.id)) return [];
    const w = handWorking(z, phase, tool, stateFor('hands', phase, z), site.job);
    // A piece that does nothing here is found out in half a minute a zone.
    return [{ zone: z.id, minutes: w ? passes * w.minutesPerPass : IDLE_MINUTES }];
  });
}
const IDLE_MINUTES = 0.3;
