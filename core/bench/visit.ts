/**
 * A method as it is done to one dog: laid out, its minutes allotted, worked, and kept to what the dog bears and to the
 * time there is. What one visit does not hold is cut where hardly anything is given up for it, else spread over several.
 */
import { err, ok, sum, type Result } from '../quantity/index.ts';
import { usualStandingMinutes, type Dog } from '../dog/index.ts';
import { visitLengths } from '../kit/index.ts';
import { allotter, type Allotment } from './allot/index.ts';
import { asWorked, scriptFrom } from './allotted.ts';
import { looseNowG, type Coat } from './coat.ts';
import { courseOf, held, type Course, type VisitLimits } from './course.ts';
import { clockShare, lies, standingShare, type Crew } from './crew.ts';
import { layOut } from './layout.ts';
import { PHASES, type Method } from './methods.ts';
import type { MethodPlan, MethodRuling, PlanStep } from './plan.ts';
import type { BenchJob } from './rankings.ts';
import type { PlanRequest } from './request.ts';
import { choicesOf, proofOf, workScript, type Worked } from './simulate.ts';
import { dematCeiling } from './ties.ts';
import { figuresOf } from './work.ts';
import type { Worksite } from './worksite.ts';

/** What a method comes to on a dog, in its visits. */
export interface Visits {
  /** Today's first. */
  readonly visits: readonly Worked[];
  readonly gapDays?: Course['gapDays'] | undefined;
  readonly allotment: Pick<Allotment, 'stopYield' | 'gap'>;
  readonly cut?: MethodPlan['cut'];
}

/** Minutes a dog bears at the table in all, lying as well as standing, against those it stands: lying is rest. Guess. */
const LYING_BEARS = 1.5;
export const bearsInAll = (dog: Dog, crew: Crew | undefined): number =>
  Math.floor(usualStandingMinutes(dog) * (lies(dog, crew) ? LYING_BEARS : 1));

export const standingMinutes = (
  steps: readonly Pick<PlanStep, 'phase' | 'minutes'>[],
  dog: Dog,
  crew: Crew | undefined,
): number => Math.round(sum(steps.map((s) => s.minutes * standingShare(PHASES[s.phase].work, dog, crew))));

/** Minutes of steps on the clock. */
export const clockOf = (steps: readonly Pick<PlanStep, 'minutes'>[]): number => sum(steps.map((s) => s.minutes));

/** Does a dog bear a visit of these steps: on its feet, and at the table in all. */
export const bears = (steps: readonly PlanStep[], dog: Dog, crew: Crew | undefined): boolean =>
  clockOf(steps) <= bearsInAll(dog, crew) && standingMinutes(steps, dog, crew) <= usualStandingMinutes(dog);

/** Surface that need not be proved, and hair that may stay, to keep a dog's time: more, and the work is spread. Guess. */
const GIVEN_UP = { proof: 0.03, hair: 0.03 };
/** So many times as much is given up to keep the time there is, or to spare a visit so short that the house books none. Guess. */
const MORE_GIVEN_UP = 4;

/** A method on this dog in its visits; or what rules it out. */
export function visitsOf(m: Method, request: PlanRequest, { job, found }: Worksite): Result<Visits, MethodRuling> {
  const laid = layOut(m, job, found);
  if (!laid.ok) return laid;
  const choices = choicesOf(laid.value);
  const { crew, dog } = request;
  const within = allotter(laid.value, found, job);
  const worked = (most: number): { readonly visit: Worked; readonly allotment: Allotment } => {
    const allotment = within(most);
    const script = asWorked(scriptFrom(laid.value, found, allotment.minutes), found, job, crew);
    return { visit: workScript(script, found, job, { crew, choices, waterAsNeeded: true }), allotment };
  };
  const there = Math.min(request.appointmentMinutes ?? Infinity, m.needs.boutMinutes ?? Infinity);
  const limits: VisitLimits = {
    holds: (steps, visit) =>
      bears(steps, dog, crew) && clockOf(steps) <= (visit === 0 ? there : (m.needs.boutMinutes ?? Infinity)),
    dematMinutes: dematCeiling(job.house, dog),
  };

  const full = worked(Infinity);
  if (full.visit.steps.length === 0) return err({ code: 'nothing-to-work-with' });
  if (held(full.visit, 0, limits, job)) return ok({ visits: [full.visit], allotment: full.allotment });

  const fullMinutes = clockOf(full.visit.steps);
  const forTime = fullMinutes > there;
  const cut = cutTo(Math.min(there, bearsInAll(dog, crew)), full, worked, clockShare('hands', crew, figuresOf(job)));
  const cutVisits: Visits | undefined =
    cut && held(cut.visit, 0, limits, job)
      ? { visits: [cut.visit], allotment: cut.allotment, cut: { fullMinutes, for: forTime ? 'time' : 'dog' } }
      : undefined;
  // A routine of short bouts is one of them a visit: the rest is not worth a word.
  if (cutVisits && (m.needs.boutMinutes !== undefined || keeps(cut, full, found, job, forTime ? MORE_GIVEN_UP : 1))) {
    return ok(cutVisits);
  }
  const course = courseOf({ script: full.visit.script, found, job, crew, choices }, limits);
  const { shortest } = visitLengths(job.house);
  const hasStub = course?.visits.some((v) => clockOf(v.steps) < shortest) ?? false;
  if (cutVisits && hasStub && keeps(cut, full, found, job, MORE_GIVEN_UP)) return ok(cutVisits);
  const spread = course && { visits: course.visits, gapDays: course.gapDays, allotment: full.allotment };
  // All of it over several visits before a part of it in one, and that before a part of it over several.
  const best = course?.left.length === 0 ? spread : (cutVisits ?? spread);
  return best
    ? ok(best)
    : err({ code: 'needs-minutes', minutes: fullMinutes, most: Math.min(there, bearsInAll(dog, crew)) });
}

type Cut = { readonly visit: Worked; readonly allotment: Allotment };

/** The work cut to so many minutes on the clock; undefined where hands have not so much to give. */
function cutTo(limit: number, full: Cut, worked: (most: number) => Cut, share: number): Cut | undefined {
  const fullMinutes = clockOf(full.visit.steps);
  const hands = full.allotment.handMinutes;
  // Whole minutes of a step may round up against us; half a minute a step is kept back.
  let slack = 1;
  for (let i = 0; i < 2; i++) {
    const most = hands - (fullMinutes - limit + slack) / share;
    if (most <= 0) return undefined;
    const cut = worked(most);
    const minutes = clockOf(cut.visit.steps);
    if (minutes <= limit) return cut;
    slack += minutes - limit;
  }
  return undefined;
}

/** Is hardly any proof and hair given up by a cut. */
function keeps(cut: Cut | undefined, full: Cut, found: Coat, job: BenchJob, more: number): boolean {
  if (!cut) return false;
  const proof = proofOf(full.visit.coat, job).share - proofOf(cut.visit.coat, job).share;
  const hair = (looseNowG(cut.visit.coat) - looseNowG(full.visit.coat)) / Math.max(1e-9, found.startG);
  return proof <= GIVEN_UP.proof * more && hair <= GIVEN_UP.hair * more;
}
