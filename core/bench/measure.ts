/** What a worked method comes to: the plan that is shown, and the measures by which methods are compared. */
import { sum } from '../quantity/index.ts';
import type { ZoneId } from '../dog/index.ts';
import { bandsOf } from './doubt.ts';
import { looseNowG, skinTolerance, wearLimit, type Coat } from './coat.ts';
import { workOf } from './crew.ts';
import type { Method } from './methods.ts';
import type { Comparison, LaterVisit, LeftZone, MethodPlan, PlanStep, TieDecision } from './plan.ts';
import { visitPrice } from './price.ts';
import type { BenchJob } from './rankings.ts';
import type { PlanRequest } from './request.ts';
import { proofOf, type Worked } from './simulate.ts';
import { clockOf, standingMinutes, type Visits } from './visit.ts';
import { figuresOf } from './work.ts';
import type { Worksite } from './worksite.ts';

export interface Measured {
  readonly plan: Omit<MethodPlan, 'score'>;
  readonly measures: Readonly<Record<Comparison['measure'], number>>;
}

const gramsOf = (steps: readonly PlanStep[]): number => sum(steps.map((s) => s.gramsOut));
const dryerOf = (steps: readonly PlanStep[]): number => clockOf(steps.filter((s) => s.tool.kind === 'force-dryer'));
/** Dry air flings the dirt as well as the hair. Guess. */
const BLOWN_DUST = 1.5;
const dustOf = (steps: readonly PlanStep[]): number =>
  sum(steps.filter((s) => s.wetness === 'dry').map((s) => s.gramsOut * (s.phase === 'air' ? BLOWN_DUST : 1)));

/** Largest loads on skin and topcoat after a visit, and the mean over the dog of the worse of the two. */
function strainOf({ coat }: Worked, { dog }: PlanRequest, job: BenchJob) {
  const wears = wearLimit(dog, figuresOf(job));
  let [skin, wear, mean] = [0, 0, 0];
  for (const z of coat.zones) {
    const load = z.skinLoad / skinTolerance(z);
    skin = Math.max(skin, load);
    wear = Math.max(wear, z.wear / wears);
    // Frayed guard hair is harm as burnt skin is: the worse of the two counts.
    mean += (z.areaM2 * Math.max(load, z.wear / wears)) / coat.surfaceM2;
  }
  return { skin, wear, mean };
}

/** What so many visits come to, today's as it is shown. Throws RangeError where there is no visit. */
export function measure(
  m: Method,
  { visits, gapDays, allotment, cut }: Visits,
  request: PlanRequest,
  { job, found, ties }: Worksite,
): Measured {
  const { dog, house, crew } = request;
  const [today, ...later] = visits;
  const end = visits.at(-1);
  if (!today || !end) throw new RangeError('a method that is open has a visit');
  const { steps } = today;
  const workMinutes = workOf(steps, crew);
  const strains = visits.map((v) => strainOf(v, request, job));
  const most = (of: 'skin' | 'wear' | 'mean'): number => Math.max(...strains.map((s) => s[of]));
  const minutes = clockOf(steps);
  const proof = proofOf(today.coat, job);
  const all = visits.flatMap((v) => v.steps);
  const shareLeft = (v: Worked): number => (found.startG === 0 ? 0 : looseNowG(v.coat) / found.startG);
  const plan = {
    method: m.id,
    steps,
    minutes,
    workMinutes,
    gramsOut: gramsOf(steps),
    shareLeft: shareLeft(today),
    skinLoad: most('skin'),
    wear: most('wear'),
    dryerMinutes: dryerOf(steps),
    dustG: dustOf(steps),
    priceCents: visitPrice(steps, house, crew),
    standingMinutes: standingMinutes(steps, dog, crew),
    falls: proof.share,
    notFalling: proof.notIn,
    stopYield: allotment.stopYield,
    gap: allotment.gap,
    cut,
    bands: bandsOf(steps, request, found.startG),
    later: later.map((v): LaterVisit => ({
      steps: v.steps,
      minutes: clockOf(v.steps),
      priceCents: visitPrice(v.steps, house, crew),
      gramsOut: gramsOf(v.steps),
      shareLeft: shareLeft(v),
    })),
    gapDays,
    left: leftIn(visits, found, ties),
  };
  const measures = {
    'hair-left': shareLeft(end),
    minutes: clockOf(all),
    visits: visits.length,
    skin: most('mean'),
    dryer: dryerOf(all),
    dust: dustOf(all),
  };
  return { plan, measures };
}

/** Zones that no visit comes to, and why. */
function leftIn(visits: readonly Worked[], found: Coat, ties: readonly TieDecision[]): readonly LeftZone[] {
  const worked = new Set<ZoneId>();
  for (const v of visits) for (const s of v.steps) for (const z of s.zones) worked.add(z.zone);
  return found.zones.flatMap(({ id, condition }): LeftZone[] => {
    if (worked.has(id)) return [];
    const tie = ties.find((t) => t.zone === id && t.way === 'leave');
    if (tie) return [{ zone: id, why: 'tie', leftTo: tie.leftTo }];
    // A zone that stops is said among the stops.
    return condition === 'stop' ? [] : [{ zone: id, why: 'not-held' }];
  });
}

/** What a method comes to in all its visits. */
export const wholeOf = (plan: Pick<MethodPlan, 'minutes' | 'priceCents' | 'gramsOut' | 'shareLeft' | 'later'>) => ({
  visits: 1 + plan.later.length,
  minutes: plan.minutes + sum(plan.later.map((v) => v.minutes)),
  priceCents: plan.priceCents + sum(plan.later.map((v) => v.priceCents)),
  gramsOut: plan.gramsOut + sum(plan.later.map((v) => v.gramsOut)),
  shareLeft: plan.later.at(-1)?.shareLeft ?? plan.shareLeft,
});
