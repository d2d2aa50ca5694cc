/** Session logs for tests: acts with their times as events, and sessions worked from a plan at a chosen pace. */
import type { MethodPlan, PlanStep } from '../../core/bench/index.ts';
import type { SessionAct, SessionEvent } from '../../core/table/index.ts';

/** Acts at instants, on one device, with ids in their order. */
export const logOf = (acts: readonly (readonly [number, SessionAct])[], device?: string): SessionEvent[] =>
  acts.map(([atMs, act], i) => ({
    id: `${device ?? 'e'}${String(i).padStart(4, '0')}`,
    atMs,
    ...(device !== undefined && { device }),
    act,
  }));

/** A session worked through from its first step: minutes and grams of each as told; those without grams are not weighed. */
export function workedLog(
  steps: readonly PlanStep[],
  tell: (step: PlanStep) => { readonly minutes: number; readonly grams?: number | undefined },
  worker?: string,
): SessionEvent[] {
  const acts: [number, SessionAct][] = [];
  let atMs = 1_000_000;
  if (worker !== undefined) acts.push([atMs, { kind: 'worker', name: worker }]);
  acts.push([atMs, { kind: 'started' }]);
  for (const s of steps) {
    const { minutes, grams } = tell(s);
    acts.push([(atMs += 1), { kind: 'step', step: s.id }]);
    acts.push([(atMs += Math.round(minutes * 60_000)), { kind: 'step-done', step: s.id }]);
    if (grams !== undefined) acts.push([(atMs += 1), { kind: 'weighed', step: s.id, grams, by: 'scale' }]);
  }
  acts.push([atMs + 1, { kind: 'finished' }]);
  return logOf(acts);
}

/** The acts that work the first steps of a plan, zone by zone, as fast as planned; time starts at 0. */
export function upTo(plan: Pick<MethodPlan, 'steps'>, steps: number, zones: number, pace = 1): [number, SessionAct][] {
  const acts: [number, SessionAct][] = [[0, { kind: 'started' }]];
  let atMs = 1;
  for (const [i, s] of plan.steps.slice(0, steps + 1).entries()) {
    const walked = i < steps ? s.zones : s.zones.slice(0, zones + 1);
    for (const [k, z] of walked.entries()) {
      acts.push([atMs, { kind: 'zone', step: s.id, zone: z.zone }]);
      if (i < steps || k < zones) atMs += Math.round(z.minutes * 60_000 * pace);
    }
    if (i < steps) acts.push([(atMs += 1), { kind: 'step-done', step: s.id }]);
  }
  return acts;
}
