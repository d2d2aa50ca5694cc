/** What comes next at the table: whose step and which zone, what an undo takes back, what is felt at the end. */
import type { ZoneCondition } from '../check/index.ts';
import { stopsMet, TIED } from '../check/index.ts';
import { regionRow, zone as zoneRow, type ZoneId } from '../dog/index.ts';
import { inOrder, type SessionAct, type SessionEvent } from './acts.ts';
import { walks } from './now.ts';
import type { SessionRecord, StepRecord } from './record.ts';

/** Is a step, or a zone of it, somebody else's. Without a name everything is everybody's. */
const isOthers = (to: string | undefined, name: string): boolean => to !== undefined && to !== name;

/** The next step for somebody: the first that waits, is not handed to another, and that no other device has in hand. */
export function nextStep(record: SessionRecord, device: string, name: string): StepRecord | undefined {
  const inHand = new Set(record.hands.filter((h) => h.device !== device).map((h) => h.step));
  return record.steps.find((s) => s.state === 'waiting' && !inHand.has(s.id) && !isOthers(s.to, name));
}

/** Zones of a step that are still to walk for somebody, in working order; none where work does not go by zones. */
export function zonesToWalk(step: StepRecord, record: SessionRecord, device: string, name: string): readonly ZoneId[] {
  if (!walks(step.plan)) return [];
  const held = new Set(record.hands.filter((h) => h.device !== device && h.step === step.id).map((h) => h.zone));
  return step.plan.zones
    .filter((z) => z.minutes > 0 && !step.zonesDone.includes(z.zone))
    .map((z) => z.zone)
    .filter((z) => !held.has(z) && !isOthers(step.zonesTo[z], name));
}

/** The act with which somebody begins a step: at its first zone, where it goes by zones. */
export function beginAct(step: StepRecord, record: SessionRecord, device: string, name: string): SessionAct {
  const [zone] = zonesToWalk(step, record, device, name);
  return zone === undefined ? { kind: 'step', step: step.id } : { kind: 'zone', step: step.id, zone };
}

/** Acts that an undo passes over: who works and what the air is are said again, not taken back. */
const STAYS: readonly string[] = ['worker', 'air', 'undone', 'corrected'];

/**
 * Ids that an undo takes back: the newest tap of a device that stands, with all the acts of that tap. Acts of one tap
 * follow one another by a millisecond each.
 */
export function lastTap(
  events: readonly SessionEvent[],
  device: string,
  undone: ReadonlySet<string>,
): readonly string[] {
  const own = inOrder(events).filter((e) => e.device === device && !undone.has(e.id) && !STAYS.includes(e.act.kind));
  const tap: string[] = [];
  let before: number | undefined;
  for (let i = own.length - 1; i >= 0; i--) {
    const e = own[i];
    if (!e || (before !== undefined && before - e.atMs > 1)) break;
    tap.unshift(e.id);
    before = e.atMs;
  }
  return tap;
}

/** Zones of a second check: more would be a check of its own. */
const MOST_FELT = 6;
const FEWEST_FELT = 3;

/** Where hands feel again at the end: what did not fall through, turned pink or was met, then what was hardest before. */
export function zonesToFeel(record: SessionRecord, conditions: readonly ZoneCondition[]): readonly ZoneId[] {
  // What stops work is not felt again by the way: it waits for a vet, or for a check of its own.
  const stops = record.met.flatMap((m) => stopsMet(m.zone, m.skin));
  if (stops.some((s) => s.place === 'dog')) return [];
  const stopped = new Set(stops.map((s) => s.place));
  const open = new Set(conditions.flatMap((c) => (c.kind === 'stop' || stopped.has(c.zone) ? [] : [c.zone])));
  const short = Object.entries(record.comb).flatMap(([id, result]) =>
    result === 'glides' ? [] : conditions.filter((c) => c.zone === id).map((c) => c.zone),
  );
  const hard = conditions.filter((c) => c.kind === 'packed' || TIED.includes(c.kind));
  const rank = (c: ZoneCondition): number => c.grade * 10 - regionRow(zoneRow(c.zone).region).order / 100;
  const deepest = [...conditions].sort((a, b) => rank(b) - rank(a));
  const first = [...short, ...record.pink.map((p) => p.zone), ...record.met.map((m) => m.zone)];
  const then = [...hard].sort((a, b) => rank(b) - rank(a)).map((c) => c.zone);
  const zones = [...new Set([...first, ...then])].filter((z) => open.has(z)).slice(0, MOST_FELT);
  for (const c of deepest) {
    if (zones.length >= FEWEST_FELT) break;
    if (open.has(c.zone) && !zones.includes(c.zone)) zones.push(c.zone);
  }
  return zones;
}
