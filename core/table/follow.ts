/**
 * How the plan follows what really happens at the table: a zone that drags gets more minutes or another piece,
 * skin that turns pink a milder one or none, what is met stops what it must, and what there is no time for is left for
 * another day. Every proposal keeps the limits of skin, topcoat, blade and clock that the plan kept.
 */
import { sum } from '../quantity/index.ts';
import {
  applyEdit,
  bestAgain,
  clockShare,
  combFalls,
  copyOf,
  faultsOnly,
  figuresOf,
  handWorking,
  houseYield,
  isLegal,
  looseNowG,
  PHASES,
  rankingIn,
  stateFor,
  stepsFor,
  workMinutes,
  workCoat,
  workScript,
  type CoatZone,
  type PhaseId,
  type PlanStep,
  type Script,
  type ScriptStep,
} from '../bench/index.ts';
import { stopsOf, zoneEntries, type CoatCheck, type ZoneFindings } from '../check/index.ts';
import type { ZoneId } from '../dog/index.ts';
import type { Tool, ToolKind } from '../kit/index.ts';
import type { LeftZone, ReplanReason } from './acts.ts';
import { tableNow, walks, type TableCase, type TableNow } from './now.ts';
import type { SessionRecord } from './record.ts';

/** What the table may do next, in place of the plan as it stands. */
export interface Proposal {
  readonly because: ReplanReason;
  /** Steps in work and to come. */
  readonly steps: readonly PlanStep[];
  /** Minutes on the clock still to come, as planned before and now. */
  readonly minutes: { readonly before: number; readonly after: number };
  /** Hand minutes that zones get more (or, below 0, less) than before; most first. */
  readonly moved: readonly { readonly zone: ZoneId; readonly minutes: number }[];
  /** What works the zone that it is about, where a piece was put in. */
  readonly piece?:
    { readonly step: string; readonly tool: Tool; readonly phase: PhaseId; readonly minutes: number } | undefined;
  readonly left: readonly LeftZone[];
  /** The same with no piece put in: the zone is left as it is. */
  readonly otherwise?: Proposal | undefined;
  /** What of the dog or zone is not worked on any more. */
  readonly stop?: 'zone' | 'dog' | undefined;
  /** A zone to which no piece comes any more today: what is wet there is rinsed and dried by hand. */
  readonly closed?: ZoneId | undefined;
  /** Does the comb fall in the zone that it is about, before and after. */
  readonly falls?: { readonly before: boolean; readonly after: boolean } | undefined;
}

/** Changes of less are not worth a word, minutes. */
const WORTH_MINUTES = 0.4;
/** Pieces tried for one zone. */
const MOST_PIECES = 4;
/** A piece is milder when a pass of it loads the skin by at most this share of the other's. Guess. */
const MILDER = 0.75;
/** Phases in which hands lift hair, coarse before fine: where another piece is looked for. */
const HAND_PHASES: readonly PhaseId[] = [
  'soapy-work',
  'dry-rake',
  'dry-slicker',
  'dry-rubber',
  'damp-slicker',
  'edge',
  'finish',
  'comb',
];
/** Steps without which a wet dog may not go home. */
const WATER_OFF: readonly PhaseId[] = ['rewash', 'towel', 'drying'];

const without = (script: Script, zone: ZoneId, from: (s: ScriptStep) => boolean): Script =>
  script.flatMap((s): ScriptStep[] => {
    if (!from(s)) return [s];
    const zones = s.zones.filter((z) => z.zone !== zone);
    return zones.length === 0 ? [] : [{ ...s, zones }];
  });

const kindOf = (s: ScriptStep, now: TableNow, record: SessionRecord): ToolKind | undefined =>
  record.steps.find((own) => own.id === s.id)?.plan.tool.kind ?? now.job.kit.find((t) => t.id === s.toolId)?.kind;

/** Pieces that made skin pink in a zone do not come there again. */
function spared(script: Script, now: TableNow, record: SessionRecord): Script {
  return record.pink.reduce(
    (rest, { zone, tool }) => without(rest, zone, (s) => kindOf(s, now, record) === tool),
    script,
  );
}

/** The least of a script that breaks nothing: zones of what must never be are left out, most damning first. */
function legal(script: Script, now: TableNow): Script | undefined {
  let tried = script;
  for (let i = 0; i < 6; i++) {
    const never = faultsOnly(tried, now.coat, now.job).find((f) => f.severity === 'never');
    if (!never) return tried;
    if (never.zones.length === 0) return undefined;
    tried = applyEdit(tried, { kind: 'leave-out', id: never.step, zones: never.zones });
  }
  return isLegal(tried, now.coat, now.job) ? tried : undefined;
}

const clockOf = (script: Script, now: TableNow, c: TableCase): number =>
  sum(script.map((s) => workMinutes(s) * clockShare(PHASES[s.phase].work, c.request.crew, figuresOf(now.job))));

const handMinutes = (script: Script): number =>
  sum(script.filter((s) => PHASES[s.phase].work === 'hands').map(workMinutes));

/** A script with the best minutes that keep the clock; undefined where even the least of it breaks a limit. */
function fitted(script: Script, now: TableNow, c: TableCase, mostClock: number): Script | undefined {
  const keeps = (most: number): Script | undefined => legal(bestAgain(script, now.coat, now.job, most), now);
  let best = keeps(Infinity);
  if (!best) return undefined;
  const share = clockShare('hands', c.request.crew, figuresOf(now.job));
  let most = handMinutes(best);
  for (let i = 0; i < 6; i++) {
    const over = clockOf(best, now, c) - mostClock;
    if (over <= 0.25 || most <= 0) break;
    most = Math.max(0, Math.min(most, handMinutes(best)) - over / share);
    best = keeps(most) ?? best;
  }
  return best;
}

const minutesIn = (script: Script, zone: ZoneId): number =>
  sum(
    script
      .filter((s) => PHASES[s.phase].work === 'hands')
      .map((s) => s.zones.find((z) => z.zone === zone)?.minutes ?? 0),
  );

/** Grams left and minutes at what the house asks of one: less is better. */
const costOf = (script: Script, now: TableNow): number =>
  looseNowG(workCoat(script, now.coat, now.job)) + houseYield(now.job) * sum(script.map(workMinutes));

const zoneAfter = (script: Script, zone: ZoneId, now: TableNow): CoatZone | undefined =>
  workCoat(script, now.coat, now.job).zones.find((z) => z.id === zone);

const fallsAfter = (script: Script, zone: ZoneId, now: TableNow): boolean => {
  const z = zoneAfter(script, zone, now);
  return z !== undefined && combFalls(z, now.job);
};

/** Steps that work one zone at once with another piece, by rank, in the phases that its wetness allows. */
function otherPieces(
  zone: ZoneId,
  now: TableNow,
  record: SessionRecord,
  allowed: (tool: Tool, z: CoatZone, phase: PhaseId) => boolean,
): readonly ScriptStep[] {
  const z = now.coat.zones.find((own) => own.id === zone);
  if (!z || z.condition === 'stop') return [];
  const spares = new Set(record.pink.filter((p) => p.zone === zone).map((p) => p.tool));
  const seen = new Set<string>();
  const steps: (ScriptStep & { readonly fit: number })[] = [];
  for (const id of HAND_PHASES) {
    const wetness = stateFor('hands', id, z);
    if ((id === 'soapy-work') !== (wetness === 'soapy')) continue;
    for (const { tool, fit } of rankingIn(z, PHASES[id], wetness, now.job).fits) {
      if (seen.has(tool.id) || spares.has(tool.kind) || !allowed(tool, z, id)) continue;
      const w = handWorking(z, id, tool, wetness, now.job);
      if (!w) continue;
      seen.add(tool.id);
      steps.push({
        id: `${id}/${tool.id}@${zone}`,
        phase: id,
        toolId: tool.id,
        zones: [{ zone, minutes: w.minutesPerPass * 2 }],
        fit,
      });
    }
  }
  return steps.sort((a, b) => b.fit - a.fit).slice(0, MOST_PIECES);
}

/** Ids of a script that no other step of the session has. */
function named(step: ScriptStep, record: SessionRecord): ScriptStep {
  const taken = new Set(record.steps.map((s) => s.id));
  let { id } = step;
  for (let n = 2; taken.has(id); n++) id = `${step.id}+${n}`;
  return { ...step, id };
}

interface Candidate {
  readonly script: Script;
  readonly added?: ScriptStep | undefined;
  /** A zone to which no piece comes any more today: what is wet there is rinsed and dried by hand. */
  readonly closed?: ZoneId | undefined;
}

/** How it stands with a zone closed. */
function closing(now: TableNow, zone: ZoneId | undefined): TableNow {
  if (zone === undefined) return now;
  const coat = copyOf(now.coat);
  for (const z of coat.zones) if (z.id === zone) z.condition = 'stop';
  return { ...now, coat };
}

/** A step put in where the work stands; a soapy coat is rinsed again afterwards by the plan that follows. */
const putFirst = (rest: Script, step: ScriptStep): Script => [step, ...rest];

function dragged(zone: ZoneId, now: TableNow, record: SessionRecord): readonly Candidate[] {
  const rest = spared(now.rest, now, record);
  const inHand = record.hands.map((h) => h.step);
  const more: Candidate[] = record.steps.flatMap((s): Candidate[] => {
    const open = s.state === 'working' && inHand.includes(s.id) && PHASES[s.plan.phase].work === 'hands';
    if (!open) return [];
    const there = rest.find((own) => own.id === s.id);
    const zones = there?.zones.filter((z) => z.zone !== zone) ?? [];
    const step: ScriptStep = {
      id: s.id,
      phase: s.plan.phase,
      toolId: s.plan.tool.id,
      zones: [{ zone, minutes: s.plan.zones.find((z) => z.zone === zone)?.minutes || 1 }, ...zones],
    };
    return [{ script: there ? rest.map((own) => (own.id === s.id ? step : own)) : putFirst(rest, step) }];
  });
  const others = otherPieces(zone, now, record, () => true).map((step): Candidate => {
    const added = named(step, record);
    return { script: putFirst(rest, added), added };
  });
  return [{ script: rest }, ...more, ...others];
}

function pinked(zone: ZoneId, tool: ToolKind, now: TableNow, record: SessionRecord): readonly Candidate[] {
  const rest = spared(now.rest, now, record);
  const harsh = (t: Pick<Tool, 'id' | 'kind' | 'name'>, z: CoatZone, phase: PhaseId): number =>
    handWorking(z, phase, t, stateFor('hands', phase, z), now.job)?.skinPerPass ?? 0;
  const was = now.job.kit.find((t) => t.kind === tool) ?? { id: tool, kind: tool, name: tool };
  const milder = otherPieces(zone, now, record, (t, z, phase) => harsh(t, z, phase) <= MILDER * harsh(was, z, phase));
  return [
    { script: rest },
    ...milder.map((step): Candidate => {
      const added = named(step, record);
      return { script: putFirst(rest, added), added };
    }),
  ];
}

/** The check with what was met on the way. */
export function checkNow(check: CoatCheck, record: SessionRecord): CoatCheck {
  const zones: Partial<Record<ZoneId, ZoneFindings>> = Object.fromEntries(zoneEntries(check));
  for (const { zone, skin, tie } of record.met) {
    zones[zone] = { ...zones[zone], ...(skin !== undefined && { skin }), ...(tie !== undefined && { tie }) };
  }
  return { ...check, zones };
}

/** What gets a dog dry that may not be groomed further: rinse where soap stands, towel, air. */
function homeDry(now: TableNow): Script {
  const wet = now.coat.zones.some((z) => z.soap || z.wet > 0.05);
  if (!wet) return [];
  let script: Script = [];
  for (const phase of WATER_OFF) {
    if (phase === 'rewash' && !now.coat.zones.some((z) => z.soap)) continue;
    const planned = now.rest.find((s) => s.phase === phase);
    const steps = planned ? [planned] : stepsFor(phase, script, script.length, now.coat, now.job);
    script = [...script, ...steps];
  }
  return script;
}

function tied(zone: ZoneId, now: TableNow, record: SessionRecord): readonly Candidate[] {
  const rest = without(now.rest, zone, (s) => s.phase === 'ties');
  const out: Candidate = { script: without(rest, zone, () => true), closed: zone };
  const ways: Candidate[] = [];
  for (let at = 0; at <= rest.length; at++) {
    // Settled before anything else gets to it, or else as soon as it may be.
    const steps = stepsFor('ties', rest, at, now.coat, now.job).flatMap((s): ScriptStep[] => {
      const zones = s.zones.filter((z) => z.zone === zone);
      return zones.length === 0 ? [] : [named({ ...s, id: `${s.id}@${zone}`, zones }, record)];
    });
    const [added] = steps;
    if (!added) continue;
    const before = rest.slice(0, at).map((s) => ({ ...s, zones: s.zones.filter((z) => z.zone !== zone) }));
    const script = [...before.filter((s) => s.zones.length > 0), ...steps, ...rest.slice(at)];
    if (legal(script, now)?.some((s) => s.id === added.id)) {
      ways.push({ script, added });
      break;
    }
  }
  return [...ways, out];
}

/** Steps of a script as the plan shows them; a step in work keeps what it had done before. */
function shown(script: Script, now: TableNow, c: TableCase): readonly PlanStep[] {
  const { steps } = workScript(script, now.coat, now.job, { crew: c.request.crew });
  return steps.map((s): PlanStep => {
    const own = c.record.steps.find((r) => r.id === s.id);
    if (!own || (own.workedMs === 0 && own.zonesDone.length === 0)) return s;
    const rest = now.rest.find((r) => r.id === s.id);
    const restMinutes = rest ? workMinutes(rest) : 0;
    const all = sum(own.plan.zones.map((z) => z.minutes));
    const doneShare = all > 0 ? Math.max(0, Math.min(1, 1 - restMinutes / all)) : 1;
    const coming = new Map(s.zones.map((z) => [z.zone, z]));
    const spent = (zone: ZoneId): number =>
      (own.plan.zones.find((z) => z.zone === zone)?.minutes ?? 0) -
      (rest?.zones.find((z) => z.zone === zone)?.minutes ?? 0);
    const before = own.plan.zones.flatMap((z) => {
      const begun = own.zonesDone.includes(z.zone) || (own.zoneMs[z.zone] ?? 0) > 0;
      return walks(own.plan) && begun && !coming.has(z.zone) ? [{ ...z, minutes: spent(z.zone) }] : [];
    });
    const zones = [...before, ...s.zones.map((z) => ({ ...z, minutes: z.minutes + Math.max(0, spent(z.zone)) }))];
    const clocked = own.workedMs / 60_000;
    return {
      ...s,
      zones,
      minutes: Math.max(1, Math.round(clocked + s.minutes)),
      gramsOut: own.plan.gramsOut * doneShare + s.gramsOut,
    };
  });
}

function proposal(
  because: ReplanReason,
  chosen: Candidate,
  now: TableNow,
  c: TableCase,
  stop?: Proposal['stop'],
): Proposal {
  const { script, added } = chosen;
  const zones = new Set([...now.rest, ...script].flatMap((s) => s.zones.map((z) => z.zone)));
  const moved = [...zones]
    .map((zone) => ({ zone, minutes: minutesIn(script, zone) - minutesIn(now.rest, zone) }))
    .filter((m) => Math.abs(m.minutes) >= WORTH_MINUTES)
    .sort((a, b) => b.minutes - a.minutes);
  const about = 'zone' in because ? because.zone : undefined;
  const step = added && script.find((s) => s.id === added.id);
  const tool = step && now.job.kit.find((t) => t.id === step.toolId);
  return {
    because,
    steps: shown(script, now, c),
    minutes: { before: clockOf(now.rest, now, c), after: clockOf(script, now, c) },
    moved,
    piece: step && tool && { step: step.id, tool, phase: step.phase, minutes: workMinutes(step) },
    left: moved
      .filter((m) => m.minutes < 0 && (because.code === 'late' || minutesIn(script, m.zone) < WORTH_MINUTES))
      .map((m) => ({ zone: m.zone, minutes: -m.minutes })),
    stop,
    closed: chosen.closed,
    falls:
      about === undefined
        ? undefined
        : { before: fallsAfter(now.rest, about, now), after: fallsAfter(script, about, now) },
  };
}

interface Tried {
  readonly candidate: Candidate;
  readonly late: number;
  readonly falls: boolean;
  readonly cost: number;
}
/** The clock first, then the comb's fall where a zone is asked about, then the cost. */
const isBetter = (a: Tried, b: Tried): boolean => {
  if (a.late !== b.late) return a.late < b.late;
  return a.falls === b.falls ? a.cost < b.cost - 1e-9 : a.falls;
};

/** The best of candidates once each has its best minutes. */
function best(
  candidates: readonly Candidate[],
  now: TableNow,
  c: TableCase,
  mostClock: number,
  falls?: ZoneId,
): Candidate | undefined {
  let found: Tried | undefined;
  for (const { script, added, closed } of candidates) {
    const then = closing(now, closed);
    const fit = fitted(script, then, c, mostClock);
    if (!fit || (added && !fit.some((s) => s.id === added.id && workMinutes(s) > 0))) continue;
    const tried = {
      candidate: { script: fit, added, closed },
      late: Math.ceil(Math.max(0, clockOf(fit, now, c) - mostClock - 0.5)),
      falls: falls !== undefined && fallsAfter(fit, falls, then),
      cost: costOf(fit, then),
    };
    if (!found || isBetter(tried, found)) found = tried;
  }
  return found?.candidate;
}

type ReasonOf<K extends ReplanReason['code']> = Extract<ReplanReason, { code: K }>;

/** The piece that made a zone pink is out either way; what is asked is whether a milder one comes. */
function afterPink(c: TableCase, because: ReasonOf<'pink'>, now: TableNow, mostClock: number): Proposal | undefined {
  const [none, ...milder] = pinked(because.zone, because.tool, now, c.record);
  const left = none && best([none], now, c, mostClock);
  const chosen = best(none ? [none, ...milder] : milder, now, c, mostClock);
  if (!chosen) return undefined;
  const otherwise = left && proposal(because, left, now, c, 'zone');
  return chosen.added ? { ...proposal(because, chosen, now, c), otherwise } : otherwise;
}

/** Something was met in a zone: it stops the dog or the zone, or is a tie to be worked. */
function afterMet(c: TableCase, because: ReasonOf<'met'>, now: TableNow, mostClock: number): Proposal | undefined {
  const { zone, tie = 'none' } = because;
  const stops = stopsOf(checkNow(c.request.check, c.record), c.request.dog.traits);
  if (stops.dog.length > 0) return proposal(because, { script: homeDry(now) }, now, c, 'dog');
  if (stops.zones.some((s) => s.zone === zone)) {
    const rest = without(now.rest, zone, () => true);
    const script = fitted(rest, now, c, clockOf(now.rest, now, c));
    return script && proposal(because, { script }, now, c, 'zone');
  }
  if (tie === 'none') return undefined;
  const chosen = best(tied(zone, now, c.record), now, c, mostClock, zone);
  return chosen && proposal(because, chosen, now, c, chosen.added ? undefined : 'zone');
}

/**
 * What to do about something that happened; undefined where the plan need not change. The record must hold the event
 * already, and be as of now.
 */
export function propose(c: TableCase, because: ReplanReason, known?: TableNow): Proposal | undefined {
  const now = known ?? tableNow(c);
  const before = clockOf(now.rest, now, c);
  const mostClock = Math.max(before, now.minutesLeft);
  switch (because.code) {
    case 'dragged': {
      const chosen = best(dragged(because.zone, now, c.record), now, c, mostClock, because.zone);
      return chosen && proposal(because, chosen, now, c);
    }
    case 'pink':
      return afterPink(c, because, now, mostClock);
    case 'met':
      return afterMet(c, because, now, mostClock);
    case 'late': {
      const script = fitted(now.rest, now, c, Math.max(0, before - because.minutes));
      return script && proposal(because, { script }, now, c);
    }
  }
}

/** Behind by less than this nobody is asked, minutes. Guess. */
const WORTH_ASKING = 5;

/** Minutes by which the work still to do is longer than the dog bears or the book leaves; 0 where it fits. */
export function lateBy(now: TableNow, c: TableCase): number {
  const over = clockOf(now.rest, now, c) - now.minutesLeft;
  return over >= WORTH_ASKING ? Math.ceil(over) : 0;
}
