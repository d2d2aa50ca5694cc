/** Rules that must never break, over random dogs, checks, kits and houses. Seeds are fixed; a failure prints its case. */
import { expect } from 'chai';
import fc from 'fast-check';
import { METHODS, planVisit, type MethodPlan, type Plan } from '../../core/bench/index.ts';
import { TIED } from '../../core/check/index.ts';
import { zone } from '../../core/dog/index.ts';
import { forbiddenBy } from '../../core/kit/index.ts';
import { samples } from '../samples.ts';
import { planFaults } from './plan-rules.ts';
import { cases, dayCases } from './random-case.ts';

const SEED = 4102;

const openPlans = (plan: Plan): readonly MethodPlan[] => plan.methods.flatMap((m) => (m.kind === 'open' ? [m] : []));

describe('plans of random cases', () => {
  it('hold what a groomer asks of any plan: every zone somewhere, what the dog bears, dry, proved, priced, never nothing', function () {
    this.timeout(900_000);
    const seen = { open: 0, several: 0, instead: 0, left: 0, cut: 0, lastResort: 0 };
    fc.assert(
      fc.property(dayCases, (request) => {
        const plan = planVisit(request);
        const open = openPlans(plan);
        seen.open += open.length;
        seen.several += open.filter((m) => m.later.length > 0).length;
        seen.left += open.filter((m) => m.left.length > 0).length;
        seen.cut += open.filter((m) => m.cut).length;
        seen.lastResort += open.filter((m) => m.method === 'what-there-is').length;
        if (plan.instead) seen.instead++;
        expect(planFaults(plan, request)).to.deep.equal([]);
      }),
      { numRuns: samples(600, 20_000), seed: SEED },
    );
    // The sample really reached what is tested.
    for (const [what, times] of Object.entries(seen)) expect(times, what).to.be.greaterThan(20);
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
      { numRuns: samples(200, 600), seed: SEED },
    );
    expect(steps).to.be.greaterThan(10_000);
  });

  it('answer the same to the same facts', () => {
    fc.assert(
      fc.property(cases, (request) => {
        expect(planVisit(request)).to.deep.equal(planVisit(structuredClone(request)));
      }),
      { numRuns: samples(40, 100), seed: SEED },
    );
  });

  it('never lose from one more tool in hand on the same phase', () => {
    fc.assert(
      fc.property(cases, (request) => {
        // A last resort closes where something better opens.
        const before = openPlans(planVisit(request))
          .map((m) => m.method)
          .filter((id) => !METHODS.find((m) => m.id === id)?.needs.lastResort);
        const more = { ...request, kit: [...request.kit, { id: 'extra', kind: 'comb' as const, name: 'comb' }] };
        expect(openPlans(planVisit(more)).map((m) => m.method)).to.include.members(before);
      }),
      { numRuns: samples(100, 300), seed: SEED },
    );
  });
});
