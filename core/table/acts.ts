/**
 * What can happen at the table, and which of it stands. Acts are facts: each is an event with its own id and
 * time, made on the device that saw it. Nothing is ever changed: what was wrong is undone or corrected by a later event.
 */
import type { PlanStep } from '../bench/index.ts';
import type { CombGrade, SkinFinding, TieGrade, ZoneFindings } from '../check/index.ts';
import type { ZoneId } from '../dog/index.ts';
import type { ToolKind } from '../kit/index.ts';

/** What was met in a zone on the way, beside what the check had found. */
export interface Met {
  readonly zone: ZoneId;
  readonly skin?: SkinFinding | undefined;
  readonly tie?: TieGrade | undefined;
}

/** What a plan was made again for. */
export type ReplanReason =
  | { readonly code: 'dragged'; readonly zone: ZoneId; readonly result: CombGrade }
  | { readonly code: 'pink'; readonly zone: ZoneId; readonly tool: ToolKind }
  | ({ readonly code: 'met' } & Met)
  | { readonly code: 'late'; readonly minutes: number };

export const PAID_HOW = ['cash', 'card', 'transfer', 'later'] as const;
/** What a visit cost, as the owner was told, and what was taken for it: hundredths of the salon's currency. Nothing yet: later. */
export interface Paid {
  readonly toldCents: number;
  readonly cents: number;
  readonly how: (typeof PAID_HOW)[number];
}

/** Work that was left for another day. */
export interface LeftZone {
  readonly zone: ZoneId;
  /** Minutes of hand work that it had in the plan and does not get. */
  readonly minutes: number;
}

export type SessionAct =
  | { readonly kind: 'started' }
  /** A break: everybody's clock stands. */
  | { readonly kind: 'paused' }
  | { readonly kind: 'resumed' }
  /** This device's hands are now on a step. */
  | { readonly kind: 'step'; readonly step: string }
  /** This device's hands are now on a zone of a step. */
  | { readonly kind: 'zone'; readonly step: string; readonly zone: ZoneId }
  | { readonly kind: 'step-done'; readonly step: string }
  | { readonly kind: 'step-skipped'; readonly step: string; readonly why: string }
  /** What was used in place of the plan. */
  | { readonly kind: 'did'; readonly step: string; readonly tool: ToolKind; readonly minutes: number }
  | { readonly kind: 'comb'; readonly zone: ZoneId; readonly result: CombGrade }
  /** The skin turned pink under a tool. */
  | { readonly kind: 'pink'; readonly step: string; readonly zone: ZoneId }
  | ({ readonly kind: 'met' } & Met)
  /** Hair of a step, or of one zone of it; adds: beside what was weighed there before, else in its place. */
  | {
      readonly kind: 'weighed';
      readonly step: string;
      readonly grams: number;
      readonly zone?: ZoneId | undefined;
      readonly by?: 'scale' | 'hand' | undefined;
      readonly adds?: boolean | undefined;
    }
  | { readonly kind: 'dog-weighed'; readonly kg: number; readonly by?: 'scale' | 'hand' | undefined }
  | { readonly kind: 'air'; readonly temperatureC: number; readonly humidityPct: number }
  /** Mean level at the ear over a step, dB(A). */
  | { readonly kind: 'heard'; readonly step: string; readonly dbA: number; readonly minutes: number }
  /** The steps as they stand from here: those in work and those to come. */
  | {
      readonly kind: 'replanned';
      readonly because: ReplanReason;
      readonly steps: readonly PlanStep[];
      readonly left?: readonly LeftZone[] | undefined;
      /** A zone to which no piece comes any more today: what is wet there is rinsed and dried by hand. */
      readonly closed?: ZoneId | undefined;
    }
  /** A step, or some of its zones, goes to somebody by name. */
  | {
      readonly kind: 'handed';
      readonly step: string;
      readonly zones?: readonly ZoneId[] | undefined;
      readonly to: string;
    }
  /** The second check: what hands find at the end. */
  | { readonly kind: 'felt'; readonly zone: ZoneId; readonly findings: ZoneFindings }
  | {
      readonly kind: 'photo';
      readonly photo: string;
      readonly when: 'before' | 'after';
      readonly zone: ZoneId | null;
    }
  | { readonly kind: 'note'; readonly text: string }
  | ({ readonly kind: 'paid' } & Paid)
  /** Who works at this device, by the name the salon knows; the last one said counts from there on. */
  | { readonly kind: 'worker'; readonly name: string }
  | { readonly kind: 'finished' }
  /** These events are taken back. Taking back an undoing brings them again. */
  | { readonly kind: 'undone'; readonly of: readonly string[] }
  /** An event said something wrong; this act of the same kind stands in its place. */
  | { readonly kind: 'corrected'; readonly of: string; readonly act: SessionAct };

export type ActKind = SessionAct['kind'];

export interface SessionEvent {
  /** Made where the act happened. */
  readonly id: string;
  /** UTC milliseconds by the salon's clock, as well as the device knew it. */
  readonly atMs: number;
  /** The device that saw it; absent in sessions of a single device. */
  readonly device?: string | undefined;
  /** What the device's own clock was behind the salon's, as it knew then, ms. */
  readonly clockMs?: number | undefined;
  readonly act: SessionAct;
}

/** Events in the order they happened, each id once. */
export function inOrder(events: readonly SessionEvent[]): readonly SessionEvent[] {
  const byId = new Map<string, SessionEvent>();
  // The first copy counts: sending one again changes nothing.
  for (const e of events) if (!byId.has(e.id)) byId.set(e.id, e);
  return [...byId.values()].sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0));
}

export interface Correction {
  readonly atMs: number;
  readonly was: SessionAct;
  readonly is: SessionAct;
}

export interface StandingEvents {
  /** What stands, in order, each with the act as it was corrected. */
  readonly events: readonly SessionEvent[];
  readonly corrections: readonly Correction[];
  /** Ids that were taken back. */
  readonly undone: ReadonlySet<string>;
}

/** Kinds of act that say what was found or measured, and may be said better later. */
export const CORRECTABLE: ReadonlySet<ActKind> = new Set<ActKind>([
  'did',
  'comb',
  'met',
  'weighed',
  'dog-weighed',
  'air',
  'felt',
  'note',
  'paid',
  'worker',
]);

/** What stands of a log once undoings and corrections are taken into account. An undoing only reaches back. */
export function standingEvents(log: readonly SessionEvent[]): StandingEvents {
  const ordered = inOrder(log);
  const places = new Map(ordered.map((e, i) => [e.id, i]));
  const undone = new Set<string>();
  // From the end: an undoing that is itself taken back undoes nothing.
  for (let i = ordered.length - 1; i >= 0; i--) {
    const e = ordered[i];
    if (e?.act.kind !== 'undone' || undone.has(e.id)) continue;
    for (const id of e.act.of) if ((places.get(id) ?? i) < i) undone.add(id);
  }
  const better = new Map<string, { readonly act: SessionAct; readonly atMs: number }>();
  for (const { id, atMs, act } of ordered) {
    if (act.kind === 'corrected' && !undone.has(id)) better.set(act.of, { act: act.act, atMs });
  }
  const corrections: Correction[] = [];
  const events = ordered.flatMap((e): SessionEvent[] => {
    if (undone.has(e.id) || e.act.kind === 'undone' || e.act.kind === 'corrected') return [];
    const now = better.get(e.id);
    if (!now || now.act.kind !== e.act.kind || !CORRECTABLE.has(e.act.kind)) return [e];
    corrections.push({ atMs: now.atMs, was: e.act, is: now.act });
    return [{ ...e, act: now.act }];
  });
  return { events, corrections, undone };
}
