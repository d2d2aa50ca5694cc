/** What is left of a product, and how often a coat may be bathed by its skin. */
import { expect } from 'chai';
import fc from 'fast-check';
import { day } from '../../core/quantity/index.ts';
import { bathRhythm, skinState, STOCK_KINDS, stockOf, type StockMove } from '../../core/water/index.ts';

const TODAY = day(20_000);
const move = (on: number, kind: StockMove['kind'], ml: number, product = 'Oat wash'): StockMove => ({
  id: `${on} ${kind} ${ml}`,
  product,
  day: day(on),
  kind,
  ml,
});

describe('stock', () => {
  it('adds what was bought, takes what was mixed, and believes a count', () => {
    const moves = [
      move(19_900, 'bought', 5000),
      move(19_950, 'mixed', 700),
      move(19_990, 'counted', 4000),
      move(19_995, 'mixed', 400),
    ];
    expect(stockOf(moves, TODAY)).to.deep.equal([{ product: 'Oat wash', leftMl: 3600, mixedMl: 400, lastsDays: 252 }]);
  });

  it('says how long it lasts only where something was mixed, and passes over what is yet to come', () => {
    expect(stockOf([move(19_999, 'bought', 1000)], TODAY)[0]).to.deep.include({ leftMl: 1000, lastsDays: undefined });
    expect(stockOf([move(20_005, 'bought', 1000)], TODAY)[0]?.leftMl).to.equal(0);
    expect(stockOf([move(19_999, 'mixed', 300)], TODAY)[0]).to.deep.include({ leftMl: -300, lastsDays: 0 });
    expect(
      stockOf([move(19_000, 'mixed', 300, 'A'), move(19_999, 'bought', 5, 'B')], TODAY).map((s) => s.product),
    ).to.deep.equal(['A', 'B']);
  });

  it('keeps products apart and needs no order of days', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            product: fc.constantFrom('A', 'B'),
            on: fc.integer({ min: 19_900, max: 20_000 }),
            kind: fc.constantFrom(...STOCK_KINDS),
            ml: fc.integer({ min: 0, max: 5000 }),
          }),
        ),
        (list) => {
          const moves = list.map((m) => move(m.on, m.kind, m.ml, m.product));
          const own = (p: string) => stockOf(moves, TODAY).find((s) => s.product === p);
          const alone = (p: string) =>
            stockOf(
              moves.filter((m) => m.product === p),
              TODAY,
            ).find((s) => s.product === p);
          expect(own('A')).to.deep.equal(alone('A'));
          expect(own('B')).to.deep.equal(alone('B'));
        },
      ),
      { numRuns: 300, seed: 4 },
    );
  });
});

describe('the rhythm of baths', () => {
  it('is weekly at most and about monthly on sound skin, slower on dry or red skin, and a vet’s where skin is open', () => {
    const house = { bath: 'each-visit' } as const;
    expect(bathRhythm(['clear', undefined], [], house)).to.deep.equal({ skin: 'sound', least: 7, most: 35 });
    expect(bathRhythm(['clear', 'dander'], [], house).least).to.be.greaterThan(7);
    expect(bathRhythm(['dander', 'pink'], [], house).skin).to.equal('sore');
    expect(bathRhythm(['hot-spot'], [], house).skin).to.equal('vet');
    expect(skinState(['clear'], ['skin-trouble'])).to.equal('vet');
  });

  it('follows the house where it leaves longer gaps', () => {
    expect(bathRhythm([], [], { bath: 'monthly' })).to.deep.equal({ skin: 'sound', least: 28, most: 35 });
  });
});
