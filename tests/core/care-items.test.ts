/** Care around the coat: steps with minutes and a price, where they belong in a visit, on whom they are never done. */
import { expect } from 'chai';
import {
  openMethod,
  planVisit,
  priceCents,
  visitPrice,
  type MethodPlan,
  type PlanRequest,
} from '../../core/bench/index.ts';
import {
  CARE,
  careFor,
  careRow,
  CARE_ITEMS,
  chargedApart,
  zone,
  type CareItem,
  type DogTrait,
} from '../../core/dog/index.ts';
import { DEFAULT_HOUSE, type HouseRules } from '../../core/kit/index.ts';
import { checkOf, dogOf, FULL_KIT } from './examples.ts';
import { planFaults } from './plan-rules.ts';

interface More {
  readonly traits?: readonly DogTrait[];
  readonly house?: Partial<HouseRules>;
  readonly method?: string;
}
const requestWith = (care: readonly CareItem[], { traits = [], house }: More): PlanRequest => ({
  dog: dogOf('medium-double', 25, { traits, care }),
  check: checkOf(25, 50, { finger: 2, tug: 2, comb: 'drags', tie: 'none', skin: 'clear' }),
  kit: FULL_KIT,
  house: { ...DEFAULT_HOUSE, ...house },
});
function planWith(care: readonly CareItem[], more: More = {}): MethodPlan {
  const request = requestWith(care, more);
  const plan = planVisit(request);
  expect(planFaults(plan, request)).to.deep.equal([]);
  const best = openMethod(plan, more.method ?? plan.recommended?.method ?? '');
  if (!best) throw new Error('nothing is open');
  return best;
}
const done = (m: MethodPlan): readonly string[] => m.steps.map((s) => s.phase).filter((p) => p.startsWith('care-'));

describe('care around the coat', () => {
  it('has a reason and a source in every row, and says how, where and for how long', () => {
    for (const c of CARE) {
      expect(c.does.length, c.item).to.be.greaterThan(20);
      expect(c.minutes, c.item).to.be.within(2, 15);
      expect(c.regions, c.item).to.not.have.length(0);
      expect(c.source.kind, c.item).to.equal('common-practice');
    }
    expect(careRow('nails').rhythm).to.match(/4 to 6 weeks/);
  });

  it('is in the visit as steps: nails before the water, all else on the finished coat, each at its own places', () => {
    const m = planWith(['ears', 'nails', 'tidy'], { method: 'dry-first' });
    const phases = m.steps.map((s) => s.phase);
    expect(phases.indexOf('care-nails')).to.be.within(0, phases.indexOf('bath') - 1);
    expect(phases.indexOf('care-ears')).to.be.greaterThan(phases.indexOf('comb'));
    for (const s of m.steps.filter((x) => x.phase === 'care-nails'))
      expect(s.zones.map((z) => zone(z.zone).region)).to.have.members(['hindfoot', 'hindfoot', 'forefoot', 'forefoot']);
    for (const s of m.steps.filter((x) => x.phase.startsWith('care-'))) expect(s.gramsOut, s.id).to.be.closeTo(0, 1e-9);
  });

  it('takes the minutes of the house and is charged by them, or at a price of its own', () => {
    const [bare, nails] = [planWith([]), planWith(['nails'])];
    expect(nails.minutes - bare.minutes).to.equal(careRow('nails').minutes);
    expect(nails.priceCents).to.equal(priceCents(nails.minutes, DEFAULT_HOUSE.rates));
    const own = { care: { nails: { minutes: 10, cents: 1500 } } };
    const apart = planWith(['nails'], { house: own });
    expect(apart.minutes - bare.minutes).to.equal(10);
    expect(apart.priceCents).to.equal(bare.priceCents + 1500);
    expect(visitPrice(apart.steps, { ...DEFAULT_HOUSE, ...own }, undefined)).to.equal(apart.priceCents);
    expect(apart.bands.priceCents.likely).to.equal(apart.priceCents);
    expect(chargedApart(['nails', 'ears'], own)).to.deep.equal({ minutes: 10, cents: 1500 });
  });

  it('tidies no show coat, leaves a foot that a vet must see, and never has a word of glands as a matter of course', () => {
    expect(careFor(['tidy', 'sanitary', 'ears'], ['show-coat'])).to.deep.equal(['ears']);
    expect(done(planWith(['tidy', 'ears'], { traits: ['show-coat'], method: 'show-coat' }))).to.deep.equal([
      'care-ears',
    ]);
    const request = requestWith(['nails'], {});
    const hurt = planVisit({
      ...request,
      check: { ...request.check, zones: { ...request.check.zones, 'hindfoot.left': { skin: 'wound' } } },
    });
    const best = openMethod(hurt, hurt.recommended?.method ?? '');
    const nails = best?.steps.find((s) => s.phase === 'care-nails');
    expect(nails?.zones.map((z) => z.zone)).to.have.members(['hindfoot.right', 'forefoot.left', 'forefoot.right']);
    expect(CARE_ITEMS.join()).to.not.match(/gland/);
  });

  it('is done in every method that is open, once', () => {
    const plan = planVisit(requestWith([...CARE_ITEMS], {}));
    for (const m of plan.methods) {
      if (m.kind !== 'open') continue;
      const all = [m.steps, ...m.later.map((v) => v.steps)].flat().map((s) => s.phase);
      for (const item of CARE_ITEMS)
        expect(all.filter((p) => p === `care-${item}`).length, `${m.method} ${item}`).to.be.at.least(1);
    }
  });
});
