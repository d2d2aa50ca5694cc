/** Rules that must never break, over random dogs, checks, kits and houses. Seeds are fixed; a failure prints its case. */
import { expect } from 'chai';
import fc from 'fast-check';
import { planVisit, type MethodId, type MethodPlan, type Plan, type PlanRequest } from '../../core/bench/index.ts';
import { TIED } from '../../core/check/index.ts';
import { zone } from '../../core/dog/index.ts';
import { BLADES, forbiddenBy } from '../../core/kit/index.ts';
import { cases } from './random-case.ts';

const SEED = 4102;
const RUNS = 10_000;

const openPlans = (plan: Plan): readonly MethodPlan[] => plan.methods.flatMap((m) => (m.kind === 'open' ? [m] : []));

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

function bladeFaults(plan: Plan): string[] {
  return openPlans(plan).flatMap((m) =>
    m.steps
      .filter((s) => BLADES.includes(s.tool.kind))
      .flatMap((s) => [
        ...(s.wetness === 'dry' ? [] : [`${m.method}: ${s.id} on a ${s.wetness} coat`]),
        ...s.zones
          .filter((z) => NO_BLADE_HERE.has(zone(z.zone).region))
          .map((z) => `${m.method}: ${s.id} on ${z.zone}`),
        ...(driedBefore(m, s.id) ? [] : [`${m.method}: ${s.id} after water with no drying`]),
      ]),
  );
}

/** Between the last water and this step somebody dried the coat. */
function driedBefore(m: MethodPlan, id: string): boolean {
  let wet = false;
  for (const s of m.steps) {
    if (s.id === id) return !wet;
    if (s.phase === 'drying') wet = false;
    else if (s.wetness !== 'dry') wet = true;
  }
  return false;
}

/** A stop always wins, hair is never made, minutes are whole, limits hold. Plain checks: this runs ten thousand times. */
function limitFaults(plan: Plan, bladeMinutes: number, seen: { bladeSteps: number; stopped: number }): string[] {
  const faults: string[] = [];
  const must = (holds: boolean, what: string): void => {
    if (!holds) faults.push(what);
  };
  const stops = new Set(plan.stops.zones.map((z) => z.zone));
  seen.stopped += stops.size;
  must(plan.stops.dog.length === 0 || plan.methods.length === 0, 'a stopped dog has a method');
  for (const m of openPlans(plan)) {
    let before = 1;
    let blade = 0;
    for (const s of m.steps) {
      if (BLADES.includes(s.tool.kind)) {
        seen.bladeSteps++;
        blade += s.minutes;
      }
      must(!s.zones.some((z) => stops.has(z.zone)), `${m.method} ${s.id} works a stopped zone`);
      must(Number.isInteger(s.minutes) && s.minutes >= 1, `${m.method} ${s.id} takes ${s.minutes} min`);
      must(s.gramsOut >= -1e-9, `${m.method} ${s.id} takes ${s.gramsOut} g`);
      must(s.shareLeft >= 0 && s.shareLeft <= before + 1e-9, `${m.method} ${s.id} leaves ${s.shareLeft}`);
      before = s.shareLeft;
    }
    must(blade <= bladeMinutes, `${m.method} has ${blade} min of blade`);
    must(m.skinLoad <= 1 + 1e-9, `${m.method} loads the skin to ${m.skinLoad}`);
    must(m.gramsOut <= plan.looseG.likely + 1e-6, `${m.method} takes out more than is in`);
  }
  return faults;
}

/** The schools that ever hold a blade, and two that bathe without one. */
const WITH_EDGES: readonly MethodId[] = ['smooth', 'home-smooth', 'dry-first', 'wet-first'];

describe('plans of random cases', () => {
  it(`never hold a blade on a damp coat or on ears, feet, belly, rump, legs or tail (${RUNS} cases)`, function () {
    this.timeout(400_000);
    const seen = { bladeSteps: 0, stopped: 0 };
    fc.assert(
      fc.property(cases, (request: PlanRequest) => {
        const plan = planVisit(request, WITH_EDGES);
        const faults = [...bladeFaults(plan), ...limitFaults(plan, request.house.bladeMinutes, seen)];
        if (faults.length > 0) expect.fail(faults.join('; '));
      }),
      { numRuns: RUNS, seed: SEED },
    );
    // The sample really reached what is tested.
    expect(seen.bladeSteps).to.be.greaterThan(300);
    expect(seen.stopped).to.be.greaterThan(1000);
  });

  it('obey every forbidding rule in every step, as the coat was found', () => {
    let steps = 0;
    fc.assert(
      fc.property(cases, (request) => {
        const plan = planVisit(request);
        for (const m of openPlans(plan)) {
          for (const s of m.steps.filter((x) => x.phase !== 'ties')) {
            for (const { zone: id } of s.zones) {
              const c = plan.conditions.find((x) => x.zone === id);
              if (!c || TIED.includes(c.kind)) continue; // a tie is settled before the step; the coat is not as found
              steps++;
              const hit = forbiddenBy(s.tool, {
                region: zone(id).region,
                wetness: s.wetness,
                coatClass: request.dog.coatClass,
                condition: c.kind,
                tie: c.readings.tie,
                skin: c.readings.skin,
                traits: request.dog.traits,
                guardMm: 20, // length rules have their own tests
                grade: c.readings.finger,
                house: request.house,
              });
              if (hit && hit.when.guardOverMm === undefined && hit.when.guardUnderMm === undefined) {
                expect.fail(`${m.method} ${s.id} ${id}: ${hit.id}`);
              }
            }
          }
        }
      }),
      { numRuns: 600, seed: SEED },
    );
    expect(steps).to.be.greaterThan(10_000);
  });

  it('answer the same to the same facts', () => {
    fc.assert(
      fc.property(cases, (request) => {
        expect(planVisit(request)).to.deep.equal(planVisit(structuredClone(request)));
      }),
      { numRuns: 100, seed: SEED },
    );
  });

  it('never lose from one more tool in hand on the same phase', () => {
    fc.assert(
      fc.property(cases, (request) => {
        const before = openPlans(planVisit(request)).map((m) => m.method);
        const more = { ...request, kit: [...request.kit, { id: 'extra', kind: 'comb' as const, name: 'comb' }] };
        expect(openPlans(planVisit(more)).map((m) => m.method)).to.include.members(before);
      }),
      { numRuns: 300, seed: SEED },
    );
  });
});
