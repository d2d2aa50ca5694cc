/**
 * Decides what a session's events add up to. The log is append-only; this fold is the only reading of it.
 *
 * Events carry their own id and time. The fold sorts by time, then id, and takes each id once, so the order
 * and number of deliveries do not matter. Acts that make no sense where they stand (a pause while paused)
 * change nothing.
 */
import { unreachable } from '../quantity/index.ts';
import type { CombGrade } from '../check/index.ts';
import type { ZoneId } from '../dog/index.ts';
import type { ToolKind } from '../kit/index.ts';

export type SessionAct =
  | { readonly kind: 'started' }
  | { readonly kind: 'paused' }
  | { readonly kind: 'resumed' }
  /** The step of this index is now being worked. */
  | { readonly kind: 'step'; readonly step: number }
  | { readonly kind: 'step-done'; readonly step: number }
  | { readonly kind: 'step-skipped'; readonly step: number; readonly why: string }
  /** What was used in place of the plan. */
  | { readonly kind: 'did'; readonly step: number; readonly tool: ToolKind; readonly minutes: number }
  | { readonly kind: 'comb'; readonly zone: ZoneId; readonly result: CombGrade }
  | { readonly kind: 'weighed'; readonly step: number; readonly grams: number }
  | { readonly kind: 'note'; readonly text: string }
  /** Who works, by the name the salon knows; the last one said counts. */
  | { readonly kind: 'worker'; readonly name: string }
  | { readonly kind: 'finished' };

export interface SessionEvent {
  /** Made where the act happened. */
  readonly id: string;
  /** UTC milliseconds by the device that saw it. */
  readonly atMs: number;
  readonly act: SessionAct;
}

export type SessionState = 'waiting' | 'running' | 'paused' | 'finished';

export interface StepRecord {
  readonly state: 'waiting' | 'working' | 'done' | 'skipped';
  /** Milliseconds worked, pauses left out. */
  readonly workedMs: number;
  readonly grams?: number | undefined;
  readonly did?: { readonly tool: ToolKind; readonly minutes: number } | undefined;
  readonly skippedWhy?: string | undefined;
}

export interface SessionRecord {
  readonly state: SessionState;
  readonly startedMs?: number | undefined;
  readonly finishedMs?: number | undefined;
  /** Index of the step in work, or undefined before the first and after the last. */
  readonly current?: number | undefined;
  /** When the clock of the current step last began to run; undefined while paused. */
  readonly runningSinceMs?: number | undefined;
  readonly steps: readonly StepRecord[];
  readonly comb: Partial<Readonly<Record<ZoneId, CombGrade>>>;
  readonly gramsOut: number;
  readonly workedMs: number;
  readonly notes: readonly string[];
  readonly worker?: string | undefined;
}

/** Events in the order they happened, each id once. */
export function inOrder(events: readonly SessionEvent[]): readonly SessionEvent[] {
  const byId = new Map(events.map((e) => [e.id, e]));
  return [...byId.values()].sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0));
}

/** The record of a session whose plan has stepCount steps. Events that name a step outside it are passed over. */
export function sessionRecord(events: readonly SessionEvent[], stepCount: number): SessionRecord {
  const steps: { -readonly [K in keyof StepRecord]: StepRecord[K] }[] = Array.from({ length: stepCount }, () => ({
    state: 'waiting',
    workedMs: 0,
  }));
  const comb: Partial<Record<ZoneId, CombGrade>> = {};
  const notes: string[] = [];
  let state: SessionState = 'waiting';
  let startedMs: number | undefined;
  let finishedMs: number | undefined;
  let current: number | undefined;
  let runningSinceMs: number | undefined;
  let worker: string | undefined;

  const stopClock = (atMs: number): void => {
    const step = current === undefined ? undefined : steps[current];
    if (step && runningSinceMs !== undefined) step.workedMs += Math.max(0, atMs - runningSinceMs);
    runningSinceMs = undefined;
  };
  const leaveStep = (atMs: number): void => {
    stopClock(atMs);
    const step = current === undefined ? undefined : steps[current];
    if (step?.state === 'working') step.state = 'waiting';
    current = undefined;
  };

  for (const { atMs, act } of inOrder(events)) {
    const step = 'step' in act ? steps[act.step] : undefined;
    if ('step' in act && !step) continue;
    switch (act.kind) {
      case 'started':
        if (state === 'waiting') {
          state = 'running';
          startedMs = atMs;
        }
        break;
      case 'paused':
        if (state === 'running') {
          stopClock(atMs);
          state = 'paused';
        }
        break;
      case 'resumed':
        if (state === 'paused') {
          state = 'running';
          if (current !== undefined) runningSinceMs = atMs;
        }
        break;
      case 'step':
        if (step && state !== 'waiting' && state !== 'finished') {
          leaveStep(atMs);
          current = act.step;
          step.state = 'working';
          if (state === 'running') runningSinceMs = atMs;
        }
        break;
      case 'step-done':
      case 'step-skipped':
        if (step && state !== 'waiting' && state !== 'finished') {
          if (current === act.step) leaveStep(atMs);
          step.state = act.kind === 'step-done' ? 'done' : 'skipped';
          if (act.kind === 'step-skipped') step.skippedWhy = act.why;
        }
        break;
      case 'did':
        if (step) step.did = { tool: act.tool, minutes: act.minutes };
        break;
      case 'weighed':
        if (step) step.grams = act.grams;
        break;
      case 'comb':
        comb[act.zone] = act.result;
        break;
      case 'note':
        notes.push(act.text);
        break;
      case 'worker':
        worker = act.name;
        break;
      case 'finished':
        if (state === 'running' || state === 'paused') {
          leaveStep(atMs);
          state = 'finished';
          finishedMs = atMs;
        }
        break;
      default:
        unreachable(act);
    }
  }
  return {
    state,
    startedMs,
    finishedMs,
    current,
    runningSinceMs,
    steps,
    comb,
    gramsOut: steps.reduce((total, s) => total + (s.grams ?? 0), 0),
    workedMs: steps.reduce((total, s) => total + s.workedMs, 0),
    notes,
    worker,
  };
}
