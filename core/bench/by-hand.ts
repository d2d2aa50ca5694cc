/** What a script that hands have changed comes to, and how it stands against the plan. */
import { houseYield } from './allot/index.ts';
import { score, worthByHand } from './compare.ts';
import { measure, wholeOf, type Measured } from './measure.ts';
import { method, type MethodId } from './methods.ts';
import type { MethodPlan, Plan } from './plan.ts';
import type { PlanRequest } from './request.ts';
import type { Script } from './script.ts';
import { workScript } from './simulate.ts';
import { worksite, type Worksite } from './worksite.ts';

/**
 * The plan that a script comes to, in place of what the method would do by itself. Its score is 0: it is compared with
 * nothing. Throws RangeError where a step names a piece that does not hang in this room.
 */
export const planByHand = (request: PlanRequest, methodId: MethodId, script: Script, known?: Worksite): MethodPlan => ({
  ...measuredByHand(request, methodId, script, known).plan,
  score: 0,
});

/** What a script comes to, measured as a planned one is: one visit, today. */
function measuredByHand(request: PlanRequest, methodId: MethodId, script: Script, known = worksite(request)): Measured {
  const { job, found, choices } = known;
  const visit = workScript(script, found, job, { crew: request.crew, choices });
  const allotment = { stopYield: houseYield(job), gap: 0 };
  return measure(method(methodId), { visits: [visit], allotment }, request, known);
}

/**
 * How work done by hand stands against what a plan found open: by the score that a recommendation goes by, told apart
 * further down, where no plan ever comes.
 */
export interface Bar {
  /** The plan that a script comes to, with its score; throws RangeError as planByHand does. */
  readonly of: (methodId: MethodId, script: Script) => MethodPlan;
  /** Score that is lost when `left` of the loose hair stays and not `least`, 0..1 each. */
  readonly hairCost: (left: number, least: number) => number;
  /** Score that is lost by so many minutes where fewer would have done. */
  readonly minutesCost: (minutes: number, enough: number) => number;
}
export function barOf(request: PlanRequest, plan: Plan, known: Worksite = worksite(request)): Bar {
  const open = plan.methods.filter((m) => m.kind === 'open').map(wholeOf);
  const fastest = Math.min(...open.map((m) => m.minutes));
  const leastLeft = Math.min(1, ...open.map((m) => m.shareLeft));
  const w = request.house.weights;
  const all = w.hairOut + w.minutes + w.skin + w.comfort + w.dust || 1;
  const hair = (left: number): number => worthByHand(left - leastLeft, leastLeft);
  const quick = (minutes: number): number => Math.min(1, fastest / Math.max(minutes, 1));
  return {
    of: (methodId, script) => {
      const measured = measuredByHand(request, methodId, script, known);
      return { ...measured.plan, score: score(measured, request, { fastest, leastLeft }, worthByHand) };
    },
    hairCost: (left, least) => (w.hairOut * Math.max(0, hair(least) - hair(left))) / all,
    minutesCost: (minutes, enough) => (w.minutes * Math.max(0, quick(enough) - quick(minutes))) / all,
  };
}
