import { expect } from 'chai';
import fc from 'fast-check';
import { effectOfPasses, poolsFromReadings, poolsTotalG, skinLoadPerPass, workPools } from '../../core/bench/index.ts';
import { coatRow, regionRow } from '../../core/dog/index.ts';
import { forbiddenBy, RULES, fitTool, reachOf, TOOLS, type RuleContext, type ToolKind } from '../../core/kit/index.ts';

const share = fc.double({ min: 0, max: 1, noNaN: true });
const gram = fc.double({ min: 0, max: 500, noNaN: true });
const pools = fc.record({ freeG: gram, deepG: gram, packedG: gram });
const take = fc.record({ free: share, deep: share, open: share });

describe('the release of hair', () => {
  it('makes no grams and leaves none negative', () => {
    fc.assert(
      fc.property(pools, take, share, share, (p, t, reach, effect) => {
        const after = workPools(p, t, reach, effect);
        for (const g of [after.freeG, after.deepG, after.packedG]) expect(g).to.be.at.least(-1e-9);
        expect(poolsTotalG(after)).to.be.at.most(poolsTotalG(p) + 1e-9);
      }),
      { seed: 1, numRuns: 5000 },
    );
  });

  it('never leaves more hair after more passes', () => {
    fc.assert(
      fc.property(
        pools,
        take,
        share,
        fc.double({ min: 0, max: 6, noNaN: true }),
        share,
        (p, t, reach, passes, more) => {
          const few = poolsTotalG(workPools(p, t, reach, effectOfPasses(passes)));
          const many = poolsTotalG(workPools(p, t, reach, effectOfPasses(passes + more)));
          expect(many).to.be.at.most(few + 1e-9);
        },
      ),
      { seed: 2, numRuns: 5000 },
    );
  });

  it('grows with the finger grade and the tug grade', () => {
    const total = (finger: 0 | 1 | 2 | 3 | 4, tug: 0 | 1 | 2 | 3): number =>
      poolsTotalG(
        poolsFromReadings(
          { finger, tug, comb: 'drags', tie: 'none', skin: 'clear' },
          coatRow('heavy-double'),
          regionRow('ruff'),
          0.1,
        ),
      );
    expect(total(1, 1)).to.be.lessThan(total(2, 1)).and.greaterThan(total(0, 1));
    expect(total(4, 1)).to.be.greaterThan(total(3, 1));
    expect(total(2, 3)).to.be.greaterThan(total(2, 0));
  });

  it('loads bare skin more than shielded skin, and soap spares it', () => {
    expect(skinLoadPerPass(0.1, 0, false)).to.be.greaterThan(skinLoadPerPass(0.1, 1, false));
    expect(skinLoadPerPass(0.1, 1, true)).to.be.lessThan(skinLoadPerPass(0.1, 1, false));
  });
});

describe('rules', () => {
  const base: RuleContext & { readonly tool: ToolKind } = {
    tool: 'blade-comb',
    region: 'back',
    wetness: 'dry',
    coatClass: 'smooth-double',
    condition: 'loose',
    tie: 'none',
    skin: 'clear',
    traits: [],
    guardMm: 25,
    houseBlade: 'smooth-doubles',
  };
  const cases: readonly [string, Partial<typeof base>, string | undefined][] = [
    ['a blade on a dry smooth back', {}, undefined],
    ['damp', { wetness: 'damp' }, 'blade-dry-only'],
    ['tail', { region: 'tail' }, 'blade-torso-only'],
    ['show coat', { traits: ['show-coat'] }, 'blade-not-show'],
    ['pink skin', { skin: 'pink' }, 'blade-sound-skin'],
    ['41 mm hair', { guardMm: 41 }, 'blade-not-long'],
    ['40 mm hair', { guardMm: 40 }, undefined],
    ['a house without blades', { houseBlade: 'never' }, 'house-no-blade'],
    ['smooth doubles only, medium coat', { coatClass: 'medium-double' }, 'house-blade-smooth'],
    ['a stopped zone', { condition: 'stop' }, 'stop-zone'],
    ['rake on the face', { tool: 'rake', region: 'face' }, 'face-comb-only'],
    ['rake in soap', { tool: 'rake', wetness: 'soapy' }, 'rake-not-sopping'],
    ['bath over a tie', { tool: 'hand-bath', wetness: 'soapy', condition: 'matted', tie: 'mat' }, 'no-bath-tied'],
    ['dryer at the ears', { tool: 'force-dryer', region: 'ears' }, 'dryer-not-head'],
    [
      'dryer at the ruff of a head-shy dog',
      { tool: 'force-dryer', region: 'ruff', traits: ['head-shy'] },
      'dryer-head-shy',
    ],
    ['comb on a show coat', { tool: 'comb', traits: ['show-coat'] }, undefined],
    ['clipper on a knot', { tool: 'clipper', condition: 'knotted', tie: 'knot' }, 'clip-pelts-only'],
  ];
  for (const [what, change, id] of cases) {
    it(`${what}: ${id ?? 'allowed'}`, () =>
      expect(forbiddenBy(change.tool ?? base.tool, { ...base, ...change })?.id).to.equal(id));
  }
  it('have unique ids, a reason each, and name only what exists', () => {
    expect(new Set(RULES.map((r) => r.id)).size).to.equal(RULES.length);
    for (const r of RULES) expect(r.reason.length, r.id).to.be.greaterThan(3);
  });
});

describe('fit', () => {
  const context = {
    region: 'ruff' as const,
    wetness: 'dry' as const,
    coatClass: 'heavy-double' as const,
    condition: 'packed' as const,
    tie: 'none' as const,
    skin: 'clear' as const,
    traits: [],
    guardMm: 100,
    houseBlade: 'never' as const,
  };
  it('falls when pins are too short to touch the bottom', () => {
    expect(reachOf({ kind: 'rake', pinMm: 12 }, 90)).to.be.lessThan(reachOf({ kind: 'rake', pinMm: 25 }, 90));
  });
  it('names the rule that rules a piece out, or the state in which it does nothing', () => {
    expect(fitTool({ id: 'b', kind: 'blade-comb', name: 'b' }, context).kind).to.equal('forbidden');
    expect(fitTool({ id: 'b', kind: 'bather', name: 'b' }, context)).to.deep.include({
      kind: 'useless',
      wetness: 'dry',
    });
  });
  it('lies within 0 and 1 for every kind', () => {
    for (const { kind } of TOOLS) {
      const f = fitTool({ id: 'x', kind, name: 'x' }, context);
      if (f.kind === 'fits') expect(f.fit).to.be.within(0, 1);
    }
  });
});
