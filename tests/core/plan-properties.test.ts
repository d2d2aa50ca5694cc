/** Rules that must never break, over random dogs, checks, kits and houses. Seeds are fixed; a failure prints its case. */
import { expect } from 'chai';
import fc from 'fast-check';
import { planVisit, type MethodPlan, type Plan } from '../../core/bench/index.ts';
import { TIED } from '../../core/check/index.ts';
import { zone } from '../../core/dog/index.ts';
import { forbiddenBy } from '../../core/kit/index.ts';
import { samples } from '../samples.ts';
import { cases } from './random-case.ts';

const SEED = 4102;

const openPlans = (plan: Plan): readonly MethodPlan[] => plan.methods.flatMap((m) => (m.kind === 'open' ? [m] : []));

describe('plans of random cases', () => {
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
        const before = openPlans(planVisit(request)).map((m) => m.method);
        const more = { ...request, kit: [...request.kit, { id: 'extra', kind: 'comb' as const, name: 'comb' }] };
        expect(openPlans(planVisit(more)).map((m) => m.method)).to.include.members(before);
      }),
      { numRuns: samples(100, 300), seed: SEED },
    );
  });
});
