/** Open quarrels: every side has its reason and an effect, and none takes a safety rule away. */
import { expect } from 'chai';
import { openMethod, planVisit, type Plan, type PlanRequest } from '../../core/bench/index.ts';
import {
  DEFAULT_HOUSE,
  DEFAULT_QUARRELS,
  forbiddenBy,
  QUARRELS,
  RULES,
  TOOL_KINDS,
  WETNESS,
  type HouseRules,
  type Quarrels,
  type RuleContext,
} from '../../core/kit/index.ts';
import { houseSchema } from '../../contract/salon.ts';
import { rhythm } from '../../core/tide/index.ts';
import { checkOf, dogOf, HAND_KIT } from './examples.ts';

const KEYS = Object.values(QUARRELS).map((q) => q.key);

/** Dogs on whom some quarrel shows: a tied long coat, a packed smooth giant, a harsh and a plush coat; all bathed five days ago. */
const DOGS: readonly Omit<PlanRequest, 'house'>[] = [
  {
    dog: dogOf('long-double', 26),
    check: checkOf(26, 80, { finger: 2, tug: 2, comb: 'drags' }, { 'breeches.left': { finger: 3, tie: 'mat' } }),
    kit: HAND_KIT,
    daysSinceBath: 5,
  },
  {
    dog: dogOf('smooth-double', 75),
    check: checkOf(75, 24, { finger: 3, tug: 2, comb: 'stops' }),
    kit: HAND_KIT,
    daysSinceBath: 5,
  },
  {
    dog: dogOf('harsh-double', 20),
    check: checkOf(20, 24, { finger: 2, tug: 2, comb: 'drags' }),
    kit: HAND_KIT,
    daysSinceBath: 5,
  },
  {
    dog: dogOf('medium-double', 30),
    check: checkOf(30, 36, { finger: 3, tug: 2, comb: 'stops' }),
    kit: HAND_KIT,
    daysSinceBath: 5,
  },
];
/** What people see of a plan. */
const seen = (plan: Plan): string =>
  JSON.stringify([
    plan.recommended?.method,
    plan.notes,
    ...plan.methods.map((m) =>
      m.kind === 'open' ? [m.method, m.minutes, m.shareLeft, m.steps.map((s) => [s.id, s.minutes, s.cautions])] : m.why,
    ),
  ]);
const visible = (house: HouseRules): string =>
  [
    ...DOGS.map((d) => seen(planVisit({ ...d, house }))),
    ...(['none', 'some', 'steady'] as const).map((care) =>
      JSON.stringify(rhythm(dogOf('heavy-double', 40), care, house.rhythm)),
    ),
  ].join();

describe('open quarrels', () => {
  it('have two sides or more, each with a reason of its own, and the usual one among them', () => {
    for (const { key, sides, question } of Object.values(QUARRELS)) {
      expect(sides.length, key).to.be.at.least(2);
      expect(question.length, key).to.be.greaterThan(5);
      expect(new Set(sides.map((s) => s.reason)).size, key).to.equal(sides.length);
      expect(
        sides.map((s) => s.value),
        key,
      ).to.include(DEFAULT_QUARRELS[key]);
    }
    expect(KEYS).to.have.members(Object.keys(DEFAULT_QUARRELS));
  });

  it('can be taken on every side, each other one refused', () => {
    for (const { key, sides } of Object.values(QUARRELS)) {
      for (const { value } of sides) {
        expect(houseSchema.validate({ ...DEFAULT_HOUSE, [key]: value }).error, `${key} ${value}`).to.equal(undefined);
      }
      const wrong = houseSchema.validate({ ...DEFAULT_HOUSE, [key]: 'sideways' });
      expect(wrong.error?.message, key).to.contain(key);
    }
  });

  it('show somewhere whichever side is taken', () => {
    const usual = visible(DEFAULT_HOUSE);
    const without: string[] = [];
    const sidesOf = <K extends keyof Quarrels>(key: K): readonly HouseRules[] =>
      QUARRELS[key].sides.map((s) => ({ ...DEFAULT_HOUSE, [key]: s.value }));
    for (const key of KEYS) {
      for (const house of sidesOf(key)) {
        if (house[key] !== DEFAULT_HOUSE[key] && visible(house) === usual) without.push(`${key} ${house[key]}`);
      }
    }
    expect(without, 'sides without an effect').to.deep.equal([]);
  });

  it('take no safety rule away: what is forbidden in one house by no house rule is forbidden in all', () => {
    const base: RuleContext = {
      region: 'back',
      wetness: 'dry',
      coatClass: 'medium-double',
      condition: 'loose',
      grade: 2,
      tie: 'none',
      skin: 'clear',
      traits: ['show-coat'],
      guardMm: 30,
      house: DEFAULT_QUARRELS,
    };
    const houses = KEYS.flatMap((key) =>
      QUARRELS[key].sides.map((s): Quarrels => ({ ...DEFAULT_QUARRELS, [key]: s.value })),
    );
    const byHouse = new Set(RULES.filter((r) => r.when.house).map((r) => r.id));
    expect(byHouse.size).to.be.at.least(5);
    let held = 0;
    for (const region of ['back', 'belly', 'tail', 'face'] as const) {
      for (const skin of ['clear', 'pink', 'wound'] as const) {
        for (const wetness of WETNESS) {
          for (const kind of TOOL_KINDS) {
            const here = { ...base, region, skin, wetness };
            const safety = forbiddenBy({ kind }, here);
            if (!safety || byHouse.has(safety.id)) continue;
            for (const house of houses) {
              held++;
              expect(forbiddenBy({ kind }, { ...here, house }), `${kind} ${region} ${skin}`).to.not.equal(undefined);
            }
          }
        }
      }
    }
    expect(held).to.be.greaterThan(1000);
  });

  it('keep a house that brushes nothing wet to the dry school, on every coat that has one', () => {
    for (const d of DOGS) {
      const plan = planVisit({ ...d, house: { ...DEFAULT_HOUSE, wetBrushing: 'never' } });
      const best = plan.recommended && openMethod(plan, plan.recommended.method);
      for (const s of best?.steps ?? []) {
        if (['soapy', 'wet', 'damp'].includes(s.wetness)) expect(s.tool.kind).to.match(/bath|towel|dryer|mister/);
      }
    }
  });
});
