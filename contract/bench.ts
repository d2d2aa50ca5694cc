/** The bench: what a plan is computed from, so that a browser can change it and see what comes of it at once. */
import type { Learnt, Plan, PlanRequest } from '../core/bench/index.ts';
import type { HouseRules, Tool } from '../core/kit/index.ts';

export interface BenchPage {
  readonly request: PlanRequest;
  /** What comes of it as it stands: a page computes again only what it changes. */
  readonly plan: Plan;
  /** What the log has taught about each person's hands. */
  readonly people: Readonly<Record<string, Learnt['pace']>>;
}

/** One dog of the book with its newest check; the room is the same for all. */
export interface BenchCase {
  readonly dogId: string;
  readonly checkId: string;
  readonly name: string;
  readonly case: Omit<PlanRequest, 'kit' | 'house'>;
}
export interface BenchCases {
  readonly kit: readonly Tool[];
  readonly house: HouseRules;
  readonly cases: readonly BenchCase[];
}
