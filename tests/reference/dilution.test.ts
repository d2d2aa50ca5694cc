/** Dilution by worked examples (common practice: 1:10 is one part to ten parts, eleven in all). */
import { expect } from 'chai';
import fc from 'fast-check';
import { COAT_CLASSES } from '../../core/dog/index.ts';
import { concentrateShare, mixOf, partsOf, productFor, washesMl } from '../../core/water/index.ts';

describe('dilution', () => {
  const EXAMPLES: readonly (readonly [string, number, { parts: number } | { percent: number }, number, number])[] = [
    ['1:10, eleven parts of 1100 mL', 1100, { parts: 10 }, 100, 1000],
    ['1:1, half and half', 500, { parts: 1 }, 250, 250],
    ['1:4 of a litre', 1000, { parts: 4 }, 200, 800],
    ['1:32 of 3.3 litres', 3300, { parts: 32 }, 100, 3200],
    ['2 % of two litres', 2000, { percent: 2 }, 40, 1960],
    ['neat', 250, { parts: 0 }, 250, 0],
    ['100 %', 250, { percent: 100 }, 250, 0],
  ];
  for (const [what, total, dilution, concentrate, water] of EXAMPLES) {
    it(what, () => {
      const mix = mixOf(total, dilution);
      expect(mix.concentrateMl).to.be.closeTo(concentrate, 1e-9);
      expect(mix.waterMl).to.be.closeTo(water, 1e-9);
    });
  }
  it('is not ten per cent: 1:10 is 9.09 %, and 10 % is 1:9', () => {
    expect(concentrateShare({ parts: 10 }) * 100).to.be.closeTo(9.0909, 1e-4);
    expect(partsOf({ percent: 10 })).to.be.closeTo(9, 1e-12);
  });
  it('adds up, and parts and per cent say the same', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 1e5, noNaN: true }),
        fc.double({ min: 0, max: 200, noNaN: true }),
        (total, parts) => {
          const mix = mixOf(total, { parts });
          expect(mix.concentrateMl + mix.waterMl).to.be.closeTo(total, total * 1e-12);
          const same = mixOf(total, { percent: concentrateShare({ parts }) * 100 });
          expect(same.concentrateMl).to.be.closeTo(mix.concentrateMl, total * 1e-9);
        },
      ),
      { numRuns: 500, seed: 4 },
    );
  });
  it('refuses what is no dilution', () => {
    for (const d of [{ parts: -1 }, { parts: NaN }, { percent: 0 }, { percent: 101 }]) {
      expect(() => concentrateShare(d), JSON.stringify(d)).to.throw(RangeError);
    }
  });
  it('takes more on more dog and more coat, less in the second wash', () => {
    for (const coat of COAT_CLASSES) {
      const [first, second] = washesMl(30, coat);
      expect(second).to.be.lessThan(first);
      expect(productFor(40, coat, { parts: 10 }).concentrateMl).to.be.greaterThan(
        productFor(20, coat, { parts: 10 }).concentrateMl,
      );
    }
    expect(washesMl(30, 'heavy-double')[0]).to.be.greaterThan(washesMl(30, 'smooth-single')[0]);
  });
});
