/** Remarks on the whole visit: what cut it, what was not felt, what is to be expected, what the house asks of it. */
import { sum } from '../quantity/index.ts';
import { usualStandingMinutes } from '../dog/index.ts';
import type { ZoneCondition } from '../check/index.ts';
import { BATH_GAP_DAYS, BLADES } from '../kit/index.ts';
import { bathedLately } from './compare.ts';
import type { MethodPlan, PlanNote } from './plan.ts';
import type { PlanRequest } from './request.ts';

export function notesOn(
  plan: Omit<MethodPlan, 'score'>,
  request: PlanRequest,
  conditions: readonly ZoneCondition[],
  clean: boolean,
): readonly PlanNote[] {
  const { dog, house, daysSinceBath } = request;
  const blade = sum(plan.steps.filter((s) => BLADES.includes(s.tool.kind)).map((s) => s.minutes));
  const assumed = conditions.filter((c) => c.assumed && c.kind !== 'stop').length;
  const notes: PlanNote[] = [];
  for (const order of request.clipOrders ?? []) notes.push({ code: 'clip-ordered', order });
  if (clean) notes.push({ code: 'clean' });
  if (plan.later.length > 0) {
    notes.push({ code: 'over-visits', visits: plan.later.length + 1, bears: usualStandingMinutes(dog) });
  }
  if (plan.cut) notes.push({ code: 'cut-short', full: plan.cut.fullMinutes, minutes: plan.minutes, for: plan.cut.for });
  if (dog.traits.includes('previously-clipped')) notes.push({ code: 'clipped-before' });
  if (conditions.some((c) => c.readings.skin === 'dander')) notes.push({ code: 'flaking' });
  if (assumed > 0) notes.push({ code: 'zones-assumed', zones: assumed });
  if (blade > 0 && blade >= house.bladeMinutes) notes.push({ code: 'blade-capped', minutes: house.bladeMinutes });
  if (daysSinceBath !== undefined && bathedLately(request)) {
    notes.push({ code: 'bathed-lately', days: daysSinceBath, gap: BATH_GAP_DAYS[house.bath] });
  }
  return notes;
}
