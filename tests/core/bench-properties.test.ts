/** Rules of the bench that must never break, over random dogs, checks, kits, houses and methods. Seeds are fixed. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  answerOf,
  applyEdit,
  workCoat,
  faultsOnly,
  FIGURES,
  isLegal,
  layOut,
  METHODS,
  planByHand,
  planVisit,
  problemsOf,
  rested,
  scriptOf,
  solveZone,
  workMinutes,
  workScript,
  worksite,
  type MethodPlan,
  type PlanRequest,
  type Script,
  type Worksite,
} from '../../core/bench/index.ts';
import { zone } from '../../core/dog/index.ts';
import { BLADES } from '../../core/kit/index.ts';
import { cases } from './random-case.ts';
import { samples } from '../samples.ts';

const SEED = 9117;
const RUNS = samples(1_000, 20_000);

const tried = fc.tuple(
  cases,
  fc.record({
    /** Which of the methods of its class is tried. */
    nth: fc.nat(METHODS.length),
    appointmentMinutes: fc.option(fc.integer({ min: 15, max: 120 }), { nil: undefined, freq: 3 }),
    helper: fc.boolean(),
    lying: fc.boolean(),
    /** Which step is changed, and by how much. */
    at: fc.nat(30),
    to: fc.nat(30),
    more: fc.double({ min: 0.1, max: 30, noNaN: true }),
  }),
);

/** The nth method that has a case for this dog, where it is open. */
function openPlan(request: PlanRequest, nth: number): MethodPlan | undefined {
  const { coatClass, traits } = request.dog;
  const own = METHODS.filter(
    ({ needs }) =>
      needs.classes.includes(coatClass) && (!needs.forTraits || needs.forTraits.some((t) => traits.includes(t))),
  );
  const method = own[nth % own.length];
  const [outcome] = method ? planVisit(request, [method.id]).methods : [];
  return outcome?.kind === 'open' ? outcome : undefined;
}

const hairLeft = (script: Script, { found, job }: Worksite): number => {
  return workCoat(script, found, job).zones.reduce((t, z) => t + z.pools.freeG + z.pools.deepG + z.pools.packedG, 0);
};

/** Written out here on purpose, apart from the rule table under test. */
const NO_BLADE_HERE = new Set([
  'ears',
  'forefoot',
  'hindfoot',
  'belly',
  'rump',
  'breeches',
  'hindleg',
  'foreleg',
  'tail',
  'face',
  'armpit',
  'groin',
]);

/** On hair so short a towel is enough: no dryer comes. */
const bladeFaults = (m: MethodPlan, short: boolean): readonly string[] =>
  m.steps
    .filter((s) => BLADES.includes(s.tool.kind))
    .flatMap((s) => [
      ...(s.wetness === 'dry' ? [] : [`${s.id} on a ${s.wetness} coat`]),
      ...s.zones.filter((z) => NO_BLADE_HERE.has(zone(z.zone).region)).map((z) => `${s.id} on ${z.zone}`),
      ...(driedBefore(m, s.id, short) ? [] : [`${s.id} after water with no drying`]),
    ]);

/** Between the last water and this step somebody dried the coat. */
function driedBefore(m: MethodPlan, id: string, short: boolean): boolean {
  let wet = false;
  for (const s of m.steps) {
    if (s.id === id) return !wet;
    if (s.phase === 'drying' || (short && s.phase === 'towel')) wet = false;
    else if (s.wetness !== 'dry') wet = true;
  }
  return false;
}

describe('the bench, on random cases', () => {
  it(`makes no grams, keeps every limit and every rule, and can be taken back (${RUNS} cases)`, () => {
    const seen = { plans: 0, blades: 0, stopped: 0, cut: 0, longer: 0, moved: 0, spread: 0, habits: 0 };
    fc.assert(
      fc.property(tried, ([drawn, { nth, appointmentMinutes, helper, lying, at, to, more }]) => {
        const request: PlanRequest = { ...drawn, appointmentMinutes, crew: { helper, lying } };
        const plan = openPlan(request, nth);
        if (!plan) return;
        seen.plans++;
        if (plan.cut) seen.cut++;
        const faults: string[] = [];
        const must = (holds: boolean, what: string): void => {
          if (!holds) faults.push(`${plan.method}: ${what}`);
        };
        const site = worksite(request);
        const { found, job } = site;
        const script = scriptOf(plan.steps);

        // Limits and rules, by the same eyes that watch a script changed by hand.
        for (const f of faultsOnly(script, found, job)) {
          must(f.severity !== 'never', `${f.code} ${f.rule ?? ''} at ${f.step} in ${f.zones.join()}`);
        }
        must(plan.skinLoad <= 1 + 1e-6, `skin ${plan.skinLoad}`);
        must(plan.wear <= 1 + 1e-6, `wear ${plan.wear}`);

        // The blade, and what a plan says of itself.
        const short = found.zones.every((z) => z.guardMm <= 12 || z.condition === 'stop');
        for (const fault of bladeFaults(plan, short)) must(false, fault);
        const blade = plan.steps.filter((s) => BLADES.includes(s.tool.kind));
        seen.blades += blade.length;
        must(
          blade.reduce((t, s) => t + s.minutes, 0) <= request.house.bladeMinutes,
          'more blade than the house allows',
        );
        const stopped = new Set(found.zones.filter((z) => z.condition === 'stop').map((z) => z.id));
        seen.stopped += stopped.size;
        for (const s of plan.steps) {
          must(!s.zones.some((z) => stopped.has(z.zone)), `${s.id} works a stopped zone`);
          must(Number.isInteger(s.minutes) && s.minutes >= 1, `${s.id} takes ${s.minutes} min`);
        }

        // Grams: none made, none negative, in any zone.
        const worked = workScript(script, found, job, { crew: request.crew });
        for (const [i, z] of worked.coat.zones.entries()) {
          const { freeG, deepG, packedG } = z.pools;
          must(freeG >= -1e-9 && deepG >= -1e-9 && packedG >= -1e-9, `negative grams in ${z.id}`);
          must(freeG + deepG + packedG <= (found.zones[i]?.startG ?? 0) + 1e-9, `grams made in ${z.id}`);
        }
        const out = worked.steps.reduce((t, s) => t + s.gramsOut, 0);
        must(Math.abs(out + hairLeft(script, site) - found.startG) < 1e-6, 'grams out and left do not add up');
        must(Math.abs(out - plan.gramsOut) < 1e-6, 'the script does not give the plan back');

        // More minutes anywhere never leave more hair. Computing again is dear: every second case.
        const step = more % 1 < 0.5 ? undefined : script[at % Math.max(1, script.length)];
        if (step) {
          const longer = applyEdit(script, { kind: 'minutes', id: step.id, minutes: workMinutes(step) + more });
          const [before, after] = [hairLeft(script, site), hairLeft(longer, site)];
          must(after <= before + 1e-9, `${more} min more of ${step.id} leave ${after - before} g more`);
          if (after < before - 1e-6) seen.longer++;

          // Moved and moved back, it is the same piece of work.
          const place = to % script.length;
          const moved = applyEdit(script, { kind: 'move', id: step.id, to: place });
          const back = applyEdit(moved, { kind: 'move', id: step.id, to: script.indexOf(step) });
          must(JSON.stringify(back) === JSON.stringify(script), 'moved back, the script is another');
          const again = planByHand(request, plan.method, back, site);
          must(
            Math.abs(again.gramsOut - plan.gramsOut) < 1e-9 && again.minutes === plan.minutes,
            'moved back, it gives something else',
          );
          if (moved[script.indexOf(step)] !== step) seen.moved++;
        }

        // What one visit does not hold is spread so that nothing is left worse.
        let between = found;
        for (const steps of plan.later.length > 0 ? [plan.steps, ...plan.later.map((v) => v.steps)] : []) {
          seen.spread++;
          const visit = scriptOf(steps);
          must(isLegal(visit, between, job), `a visit leaves the coat worse: ${steps.map((s) => s.id).join()}`);
          between = rested(workCoat(visit, between, job));
        }

        // Never worse than what habit would do.
        const method = METHODS.find((m) => m.id === plan.method);
        const laid = to % 3 === 0 && method ? layOut(method, job, found) : undefined;
        if (laid?.ok) {
          for (const p of problemsOf(laid.value, found, job).problems.slice(0, 3)) {
            const prices = { minute: plan.stopYield, blade: 0 };
            const habit = answerOf(p, p.habit, prices, FIGURES);
            const own = solveZone(p, prices, FIGURES);
            const bears = habit.skin <= p.bears && habit.wear <= p.wears;
            must(!bears || own.cost <= habit.cost + 1e-9, `costs ${own.cost}, habit ${habit.cost}`);
            if (bears && own.cost < habit.cost - 1e-6) seen.habits++;
          }
        }
        if (faults.length > 0) expect.fail(faults.join('; '));
      }),
      { numRuns: RUNS, seed: SEED },
    );
    // The sample really reached what is tested.
    expect(seen.plans).to.be.greaterThan(RUNS / 5);
    // A blade comes only where coat, house and two minutes of work let it.
    const { blades, ...often } = seen;
    expect(blades, 'blades').to.be.greaterThan(RUNS / 300);
    for (const [what, times] of Object.entries(often)) expect(times, what).to.be.greaterThan(RUNS / 133);
  });
});
