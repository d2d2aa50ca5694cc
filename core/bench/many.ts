/** How a whole book of dogs is planned: one after another, so that anyone who waits can see how far it is, and stop it. */
import { openMethod, type Bands } from './plan.ts';
import { planVisit } from './planner.ts';
import type { PlanRequest } from './request.ts';
import type { MethodId } from './methods.ts';

/** What a plan comes to for one dog of many. */
export interface Outline {
  readonly method?: MethodId | undefined;
  /** Nobody grooms this dog today: a vet looks first. */
  readonly stopped: boolean;
  readonly minutes: number;
  readonly bands?: Bands | undefined;
  readonly priceCents: number;
  readonly gramsOut: number;
  readonly shareLeft: number;
  /** Visits that the work takes, each within what the dog bears. */
  readonly visits: number;
}

/** The best outline of one request. */
export function outlineOf(request: PlanRequest): Outline {
  const plan = planVisit(request);
  const best = plan.recommended && openMethod(plan, plan.recommended.method);
  return {
    method: best?.method,
    stopped: plan.stops.dog.length > 0,
    minutes: best?.minutes ?? 0,
    bands: best?.bands,
    priceCents: best?.priceCents ?? 0,
    gramsOut: best?.gramsOut ?? 0,
    shareLeft: best?.shareLeft ?? 1,
    visits: best ? 1 + best.later.length : 0,
  };
}

/** Dogs between two messages: often enough to be seen moving. */
const A_FEW = 5;

/** Some outlines of a list, and how many came before them. */
export interface FewOutlines {
  readonly outlines: readonly Outline[];
  readonly before: number;
}

/** Outlines of many requests, a few at each step: anyone who takes them may say how far it is, and stop at any. */
export function* outlines(requests: readonly PlanRequest[]): Generator<FewOutlines, void, undefined> {
  for (let before = 0; before < requests.length; before += A_FEW) {
    yield { outlines: requests.slice(before, before + A_FEW).map(outlineOf), before };
  }
}
