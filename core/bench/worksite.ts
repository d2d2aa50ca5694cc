/** What a request is worked with: the coat as its check found it and its log corrects it, and all that the work looks up. */
import { coatRow } from '../dog/index.ts';
import { zoneConditions, type ZoneCondition } from '../check/index.ts';
import { coatAsFound, orderClip, workedIn, type Coat } from './coat.ts';
import { paceByKind } from './doubt.ts';
import { FIGURES, type Figures } from './figures.ts';
import { noLookups, type BenchJob } from './rankings.ts';
import type { PlanRequest } from './request.ts';
import type { Choices } from './simulate.ts';
import type { TieDecision } from './plan.ts';
import { decideTies } from './ties.ts';

/** Found once for a script that is changed again and again. */
export interface Worksite {
  readonly job: BenchJob;
  /** The coat before any work. A zone whose tie is left to somebody else is not worked in it, as one that stops. */
  readonly found: Coat;
  /** What is done about each tie. */
  readonly ties: readonly TieDecision[];
  /** Why pieces were taken, where a plan has told it already. */
  readonly choices?: Choices | undefined;
}

/** A request as the bench works it: the air of its check, what its log has taught, lookups of its own. */
export const jobOf = (request: PlanRequest): BenchJob => ({
  ...workedIn(request),
  figures: figuresIn(request),
  pace: paceByKind(request.learnt),
  seen: noLookups(),
});

/** The figures as this dog's log corrects them: its weighed hair against what touch said. */
function figuresIn({ figures = FIGURES, learnt }: PlanRequest): Figures {
  const heavier = learnt?.grams?.mean ?? 1;
  return heavier === 1 ? figures : { ...figures, columnLoad: figures.columnLoad * heavier };
}

/** The coat of a request as its check found it, with what its log has taught. */
export const coatIn = (
  request: PlanRequest,
  conditions = zoneConditions(request.check, coatRow(request.dog.coatClass)),
): Coat => coatAsFound(request.dog, request.check, conditions, figuresIn(request));

/** All that the work on a request looks at. */
export function worksite(request: PlanRequest, conditions?: readonly ZoneCondition[]): Worksite {
  const job = jobOf(request);
  const coat = coatIn(request, conditions);
  const ordered = new Set(request.clipOrders?.flatMap((o) => o.zones));
  for (const z of coat.zones) if (ordered.has(z.id) && z.condition !== 'stop') orderClip(z);
  const ties = decideTies(coat, job);
  const left = new Set(ties.filter((t) => t.way === 'leave').map((t) => t.zone));
  for (const z of coat.zones) if (left.has(z.id)) z.condition = 'stop';
  return { job, found: coat, ties };
}
