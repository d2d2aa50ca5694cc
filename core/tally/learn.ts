/**
 * Decides what finished sessions teach about the next plan: how long this house's hands take with each kind of tool,
 * and how much hair this dog gives against what touch said. Few sessions move the start values a little, many all the
 * way (core/bench/doubt.ts).
 */
import { kept, sum } from '../quantity/index.ts';
import {
  ratioOf,
  type Learnt,
  type MethodPlan,
  type Observed,
  type Ratio,
  type SessionRecord,
} from '../bench/index.ts';
import type { ToolKind } from '../kit/index.ts';

export interface LoggedSession {
  readonly dogId: string;
  readonly plan: Pick<MethodPlan, 'steps'>;
  readonly record: Pick<SessionRecord, 'steps' | 'worker'>;
}

export interface Taught {
  /** What all hands together have taught. */
  readonly house: Learnt['pace'];
  /** By person, shrunk toward the house. */
  readonly people: Readonly<Record<string, Learnt['pace']>>;
  /** By dog, shrunk toward the house. */
  readonly grams: Readonly<Record<string, Ratio>>;
}

/** A step that took under half a minute was tapped away, not worked. */
const WORKED_MS = 30_000;

/** What sessions teach. Steps left out, done otherwise or tapped away say nothing about pace; unweighed ones none about grams. */
export function learn(sessions: readonly LoggedSession[]): Taught {
  const all = new Map<ToolKind, Observed[]>();
  const byPerson = new Map<string, Map<ToolKind, Observed[]>>();
  const gramsBy = new Map<string, Observed[]>();
  for (const { dogId, plan, record } of sessions) {
    const own =
      record.worker === undefined ? undefined : kept(byPerson, record.worker, () => new Map<ToolKind, Observed[]>());
    const weighed: Observed[] = [];
    for (const [i, step] of plan.steps.entries()) {
      const done = record.steps[i];
      if (done?.grams !== undefined) weighed.push({ planned: step.gramsOut, measured: done.grams });
      if (done?.state !== 'done' || done.did || done.workedMs < WORKED_MS) continue;
      const seen: Observed = { planned: step.minutes, measured: done.workedMs / 60_000 };
      kept(all, step.tool.kind, (): Observed[] => []).push(seen);
      if (own) kept(own, step.tool.kind, (): Observed[] => []).push(seen);
    }
    if (weighed.length > 0) {
      kept(gramsBy, dogId, (): Observed[] => []).push({
        planned: sum(weighed.map((w) => w.planned)),
        measured: sum(weighed.map((w) => w.measured)),
      });
    }
  }
  const house = paceOf(all, {});
  const overall = ratioOf([...gramsBy.values()].flat(), 'grams');
  return {
    house,
    people: Object.fromEntries([...byPerson].map(([name, own]) => [name, paceOf(own, house)])),
    grams: Object.fromEntries([...gramsBy].map(([dog, seen]) => [dog, ratioOf(seen, 'grams', overall)])),
  };
}

const paceOf = (seen: ReadonlyMap<ToolKind, readonly Observed[]>, from: Learnt['pace']): Learnt['pace'] => ({
  ...from,
  ...Object.fromEntries([...seen].map(([kind, list]) => [kind, ratioOf(list, 'minutes', from[kind])])),
});
