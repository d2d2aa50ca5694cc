/** Dilution, baths and stock on any figures: nothing is lost in a mix, no skin is bathed too soon, the shelf is the truth. */
import { expect } from 'chai';
import fc from 'fast-check';
import { COAT_CLASSES, DOG_TRAITS } from '../../core/dog/index.ts';
import { SKIN_FINDINGS } from '../../core/check/index.ts';
import { DEFAULT_QUARRELS } from '../../core/kit/index.ts';
import { addDays, dayFromCivil } from '../../core/quantity/index.ts';
import {
  bathRhythm,
  concentrateShare,
  mixOf,
  partsOf,
  productFor,
  skinState,
  STOCK_KINDS,
  stockOf,
  washesMl,
  type StockMove,
} from '../../core/water/index.ts';

const TODAY = dayFromCivil({ year: 2031, month: 4, dayOfMonth: 9 });
const SEED = { seed: 20261205, numRuns: 300 };

describe('a mix', () => {
  const parts = fc.double({ min: 0, max: 200, noNaN: true });
  it('holds what was put into it, and is the same as parts or as a per cent (property)', () => {
    fc.assert(
      fc.property(parts, fc.double({ min: 1, max: 20_000, noNaN: true }), (p, total) => {
        const { concentrateMl, waterMl } = mixOf(total, { parts: p });
        expect(concentrateMl + waterMl).to.be.closeTo(total, 1e-9 * total);
        expect(waterMl).to.be.closeTo(p * concentrateMl, 1e-7 * total);
        const percent = 100 * concentrateShare({ parts: p });
        expect(partsOf({ percent })).to.be.closeTo(p, 1e-7 * (1 + p));
      }),
      SEED,
    );
  });
  it('is refused where it is none', () => {
    for (const wrong of [-1, NaN, Infinity]) expect(() => concentrateShare({ parts: wrong })).to.throw(RangeError);
    for (const wrong of [0, -5, 101, NaN]) expect(() => concentrateShare({ percent: wrong })).to.throw(RangeError);
  });
  it('for a larger dog or one of more coat is never smaller, and the second wash takes less (property)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 80, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.constantFrom(...COAT_CLASSES),
        (kg, more, coat) => {
          const [first, second] = washesMl(kg, coat);
          expect(second).to.be.within(0, first);
          expect(washesMl(kg + more, coat)[0]).to.be.at.least(first);
          const { concentrateMl, waterMl } = productFor(kg, coat, { parts: 10 });
          expect(concentrateMl + waterMl).to.be.closeTo(first + second, 1e-6 * (first + second));
        },
      ),
      SEED,
    );
  });
});

describe('days between baths', () => {
  const findings = fc.array(fc.constantFrom(...SKIN_FINDINGS, undefined), { maxLength: 6 });
  const traits = fc.subarray([...DOG_TRAITS]);
  it('grow with the trouble of the skin, whatever else is found (property)', () => {
    const worse = ['sound', 'dry', 'sore', 'vet'] as const;
    fc.assert(
      fc.property(findings, traits, fc.constantFrom(...SKIN_FINDINGS), (found, has, one) => {
        const before = worse.indexOf(skinState(found, has));
        expect(worse.indexOf(skinState([...found, one], has))).to.be.at.least(before);
        const { skin, least, most } = bathRhythm(found, has, DEFAULT_QUARRELS);
        expect(skin).to.equal(skinState(found, has));
        expect(most).to.be.at.least(least);
        // Weekly at most for any skin that may be bathed at all; the others are their vet's.
        if (skin === 'vet') expect([least, most]).to.deep.equal([0, 0]);
        else expect(least).to.be.at.least(7);
      }),
      SEED,
    );
  });
});

describe('what is left on the shelf', () => {
  const moves = fc
    .array(
      fc.record({
        product: fc.constantFrom('Oat wash', 'Rinse', 'Blue soap'),
        ago: fc.integer({ min: -3, max: 60 }),
        kind: fc.constantFrom(...STOCK_KINDS),
        ml: fc.integer({ min: 0, max: 5000 }),
      }),
      { maxLength: 25 },
    )
    .map((all) => all.map(({ ago, ...m }, i): StockMove => ({ ...m, id: `m${i}`, day: addDays(TODAY, -ago) })));
  it('is what was counted last, and what came and went since (property)', () => {
    fc.assert(
      fc.property(moves, (all) => {
        for (const { product, leftMl, mixedMl, lastsDays } of stockOf(all, TODAY)) {
          const own = all
            .filter((m) => m.product === product && m.day <= TODAY)
            .map((m, i) => ({ m, i }))
            .sort((a, b) => a.m.day - b.m.day || a.i - b.i)
            .map(({ m }) => m);
          const at = own.findLastIndex((m) => m.kind === 'counted');
          const since = own.slice(at + 1).reduce((t, m) => t + (m.kind === 'bought' ? m.ml : -m.ml), 0);
          expect(leftMl).to.equal((at < 0 ? 0 : (own[at]?.ml ?? 0)) + since);
          expect(mixedMl).to.be.at.least(0);
          if (lastsDays !== undefined) expect(lastsDays).to.be.at.least(0);
        }
      }),
      SEED,
    );
  });
  it('does not hang on what other products did, nor on what is still to come (property)', () => {
    fc.assert(
      fc.property(moves, (all) => {
        const whole = stockOf(all, TODAY);
        for (const s of whole) {
          const alone = stockOf(
            all.filter((m) => m.product === s.product),
            TODAY,
          );
          expect(alone).to.deep.equal([s]);
        }
        const past = stockOf(
          all.map((m) => (m.day > TODAY ? { ...m, ml: 1 } : m)),
          TODAY,
        );
        expect(past).to.deep.equal(whole);
      }),
      SEED,
    );
  });
});
