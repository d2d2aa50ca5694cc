import { expect } from 'chai';
import fc from 'fast-check';
import { effectOfPasses, poolsFromReadings, poolsTotalG, skinLoadPerPass, workPools } from '../../core/bench/index.ts';
import { coatRow, regionRow } from '../../core/dog/index.ts';

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
