/**
 * What a plan must hold for any dog, kit, house and appointment: each rule that a plan breaks, in words. Written apart from
 * the planner on purpose; limits that are common practice stand here as figures.
 */
import {
  bearsInAll,
  dematCeiling,
  METHODS,
  priceCents,
  wholeOf,
  worksite,
  type LeftZone,
  type MethodPlan,
  type Plan,
  type PlanRequest,
  type PlanStep,
} from '../../core/bench/index.ts';
import { bodySurfaceM2, usualStandingMinutes, zone, ZONE_IDS, type ZoneId } from '../../core/dog/index.ts';
import { cautionsFor, HARMS, rule, type Tool } from '../../core/kit/index.ts';

const SMALL = new Set(['face', 'forefoot', 'hindfoot']);
const HANDS = new Set([
  'dry-rubber',
  'dry-pin',
  'dry-rake',
  'dry-slicker',
  'damp-pin',
  'damp-slicker',
  'soapy-work',
  'edge',
  'comb-out',
  'face-feet',
  'comb',
  'finish',
]);
const WATER = new Set(['bath', 'rewash', 'soapy-work']);

const minutesOf = (steps: readonly PlanStep[]): number => steps.reduce((t, s) => t + s.minutes, 0);
const zoneMinutes = (s: PlanStep): number => s.zones.reduce((t, z) => t + z.minutes, 0);
const isSmall = (s: PlanStep): boolean => s.zones.every((z) => SMALL.has(zone(z.zone).region));

/** What a visit of these steps breaks. */
function visitFaults(steps: readonly PlanStep[], request: PlanRequest, today: boolean, bout: number | undefined) {
  const faults: string[] = [];
  const { dog, crew, appointmentMinutes } = request;
  const minutes = minutesOf(steps);
  if (minutes > bearsInAll(dog, crew)) faults.push(`bears ${bearsInAll(dog, crew)}, is worked ${minutes}`);
  if (minutes > usualStandingMinutes(dog) * 1.5) faults.push('longer than any rest makes up for');
  const most = Math.min(bout ?? Infinity, today ? (appointmentMinutes ?? Infinity) : Infinity);
  if (minutes > most) faults.push(`there are ${most}, it takes ${minutes}`);

  const wet = new Set<ZoneId>();
  for (const s of steps) {
    if (WATER.has(s.phase)) for (const z of s.zones) wet.add(z.zone);
    if (s.phase === 'drying') for (const z of s.zones) wet.delete(z.zone);
    if (s.phase === 'towel') for (const z of s.zones) if (towelled(z.zone, request)) wet.delete(z.zone);
    const short = s.minutes < 2 && HANDS.has(s.phase) && s.phase !== 'comb' && !isSmall(s);
    if (short) faults.push(`${s.id} takes ${s.minutes} min`);
    if (!HANDS.has(s.phase) && s.minutes < 2) faults.push(`${s.id} takes ${s.minutes} min`);
  }
  if (wet.size > 0) faults.push(`goes home wet at ${[...wet].join()}`);

  const demat = steps
    .filter((s) => s.phase === 'ties' && s.tool.kind !== 'clipper')
    .reduce((t, s) => t + zoneMinutes(s), 0);
  if (demat > dematCeiling(request.house, dog) + 1e-6) faults.push(`dematted for ${demat.toFixed(1)} min`);
  return faults;
}

const towelled = (id: ZoneId, request: PlanRequest): boolean => {
  const { region } = zone(id);
  if (region === 'face' || region === 'ears') return true;
  const z = worksite(request).found.zones.find((own) => own.id === id);
  return z !== undefined && (z.guardMm <= 12 || z.tieBy === 'clipper');
};

/** The comb proves and does not plough; what comes after it is light; it or a bristle brush is last. */
function proofFaults(steps: readonly PlanStep[], request: PlanRequest): readonly string[] {
  const faults: string[] = [];
  const hands = steps.filter((s) => HANDS.has(s.phase));
  const proof = hands.filter((s) => s.phase === 'comb');
  const all = hands.reduce((t, s) => t + zoneMinutes(s), 0);
  const own = proof.reduce((t, s) => t + zoneMinutes(s), 0);
  const floor = 4.4 * bodySurfaceM2(request.check.weightKg);
  if (own > Math.max(0.1 * all, floor) + 1e-6) faults.push(`the comb takes ${own.toFixed(1)} of ${all.toFixed(1)} min`);
  const finish = hands.filter((s) => s.phase === 'finish').reduce((t, s) => t + zoneMinutes(s), 0);
  if (finish > 5 + 1e-6) faults.push(`the finish takes ${finish.toFixed(1)} min`);
  const at = steps.findLastIndex((s) => s.phase === 'comb');
  const after = at < 0 ? [] : steps.slice(at + 1).filter((s) => HANDS.has(s.phase) && s.phase !== 'comb');
  for (const s of after) if (s.phase !== 'finish') faults.push(`${s.id} comes after the comb`);
  const last = hands.at(-1);
  if (at >= 0 && last && !['comb', 'fine-comb', 'bristle'].includes(last.tool.kind))
    faults.push(`ends with ${last.id}`);
  return faults;
}

/** Cautions of a step stand in the order of harm, and none about a wound, a bite or a burn is left out. */
function cautionFaults(s: PlanStep): readonly string[] {
  const harm = (id: string): number => HARMS.indexOf(rule(id).harm ?? 'habit');
  const order = s.cautions.map(harm);
  return order.some((h, i) => i > 0 && h < (order[i - 1] ?? 0)) ? [`${s.id}: cautions ${s.cautions.join()}`] : [];
}

/** Every zone is in a visit, stopped, settled elsewhere or named as left. */
function zoneFaults(plan: Plan, m: MethodPlan): readonly string[] {
  const visits = [m.steps, ...m.later.map((v) => v.steps)];
  const there = new Set<string>(visits.flatMap((steps) => steps.flatMap((s) => s.zones.map((z) => z.zone))));
  for (const { zone: id } of plan.stops.zones) there.add(id);
  for (const { zone: id } of m.left satisfies readonly LeftZone[]) there.add(id);
  const lost = ZONE_IDS.filter((id) => !there.has(id));
  return lost.length > 0 ? [`nowhere: ${lost.join()}`] : [];
}

/** The price that the shown minutes come to, and what this house charges apart. */
function priceOf(steps: readonly PlanStep[], { house }: PlanRequest): number {
  const apart = Object.entries(house.care ?? {}).filter(([, terms]) => terms.cents !== undefined);
  const isApart = (s: PlanStep): boolean => apart.some(([item]) => s.phase === `care-${item}`);
  const cents = apart.filter(([item]) => steps.some((s) => s.phase === `care-${item}`)).map(([, t]) => t.cents ?? 0);
  return priceCents(minutesOf(steps.filter((s) => !isApart(s))), house.rates) + cents.reduce((a, b) => a + b, 0);
}

/** What one open method of a plan breaks. */
export function methodFaults(plan: Plan, m: MethodPlan, request: PlanRequest): readonly string[] {
  const bout = METHODS.find((own) => own.id === m.method)?.needs.boutMinutes;
  const faults: string[] = [...zoneFaults(plan, m)];
  const visits = [m.steps, ...m.later.map((v) => v.steps)];
  for (const [i, steps] of visits.entries()) {
    faults.push(...visitFaults(steps, request, i === 0, bout), ...proofFaults(steps, request));
    for (const s of steps) faults.push(...cautionFaults(s));
  }
  if (m.minutes !== minutesOf(m.steps)) faults.push(`${m.minutes} min are said, ${minutesOf(m.steps)} are shown`);
  if (!request.crew?.helper && m.workMinutes !== m.minutes) faults.push('work of one person is not the clock');
  // With a helper the minutes of work are more than the clock's; what is charged apart has a price of its own.
  if (!request.crew?.helper) {
    if (m.priceCents !== priceOf(m.steps, request)) faults.push('the price is not that of the minutes');
    for (const v of m.later)
      if (v.priceCents !== priceOf(v.steps, request))
        faults.push('the price of a later visit is not that of its minutes');
  } else if (!request.house.care && m.priceCents !== priceCents(m.workMinutes, request.house.rates)) {
    faults.push('the price is not that of the minutes of work');
  }
  const whole = wholeOf(m);
  if (m.bands.gramsOut.high > plan.looseG.high + 1e-6) faults.push('promises more hair than there may be');
  if (whole.gramsOut > plan.looseG.likely + 1e-6) faults.push('takes more hair than there is');
  if (m.minutes === 0) faults.push('takes no time');
  return faults.map((f) => `${m.method}: ${f}`);
}

/** What a plan breaks as a whole. */
export function planFaults(plan: Plan, request: PlanRequest): readonly string[] {
  const open = plan.methods.flatMap((m) => (m.kind === 'open' ? [m] : []));
  const faults = open.flatMap((m) => methodFaults(plan, m, request));
  if (open.length > 0 && !plan.recommended) faults.push('open and not recommended');
  if (open.length === 0 && !plan.instead) faults.push('nothing is offered');
  return faults;
}

/** Cautions that belong to a step and are worse than a habit, looked up apart. */
export const harmful = (tool: Tool, context: Parameters<typeof cautionsFor>[1]): readonly string[] =>
  cautionsFor(tool, context)
    .filter((r) => r.harm && r.harm !== 'habit')
    .map((r) => r.id);
