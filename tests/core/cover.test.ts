/** Buying: the exact cover against trying every set, and what the kit lacks on dogs whose answer is known. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  coverage,
  passesUntil,
  poolsTotalG,
  effectOfPasses,
  shareLeftBy,
  workPools,
  type Coverage,
} from '../../core/bench/index.ts';
import {
  actionOf,
  bestCover,
  DEFAULT_HOUSE,
  DEFAULT_QUARRELS,
  SHOP,
  TOOLS,
  WETNESS,
  type Tool,
} from '../../core/kit/index.ts';
import { checkOf, dogOf, kitOf } from './examples.ts';

const worth = (gains: readonly Float64Array[], set: readonly number[]): number =>
  Array.from({ length: gains[0]?.length ?? 0 }, (_, d) => Math.max(0, ...set.map((c) => gains[c]?.[d] ?? 0))).reduce(
    (a, b) => a + b,
    0,
  );
function everySet(n: number, most: number): readonly (readonly number[])[] {
  const grow = (sets: readonly (readonly number[])[]): readonly (readonly number[])[] =>
    sets.flatMap((s) =>
      Array.from({ length: n }, (_, i) => i)
        .filter((i) => i > (s.at(-1) ?? -1))
        .map((i) => [...s, i]),
    );
  let sets: readonly (readonly number[])[] = [[]];
  const all = [...sets];
  for (let i = 0; i < most; i++) {
    sets = grow(sets);
    all.push(...sets);
  }
  return all;
}

const instances = fc
  .tuple(fc.integer({ min: 1, max: 7 }), fc.integer({ min: 1, max: 6 }))
  .chain(([n, m]) =>
    fc.array(fc.array(fc.integer({ min: 0, max: 9 }), { minLength: m, maxLength: m }), { minLength: n, maxLength: n }),
  )
  .map((rows) => rows.map((row) => Float64Array.from(row)));

describe('the best few of many', () => {
  it('are worth as much as the best of all sets, and no set of fewer is worth the same', () => {
    fc.assert(
      fc.property(instances, fc.integer({ min: 1, max: 3 }), (gains, most) => {
        const { chosen, gain } = bestCover(gains, most);
        const sets = everySet(gains.length, most);
        const best = Math.max(...sets.map((s) => worth(gains, s)));
        expect(gain).to.equal(best);
        expect(worth(gains, chosen)).to.equal(best);
        const fewest = Math.min(...sets.filter((s) => worth(gains, s) === best).map((s) => s.length));
        expect(chosen.length).to.equal(fewest);
      }),
      { numRuns: 800, seed: 17 },
    );
  });
  it('gain no less when one more may be taken', () => {
    fc.assert(
      fc.property(instances, (gains) => {
        const of = (most: number): number => bestCover(gains, most).gain;
        expect(of(2)).to.be.at.least(of(1));
        expect(of(3)).to.be.at.least(of(2));
        // Each further piece adds no more than the one before: the gain is submodular.
        expect(of(2) - of(1)).to.be.at.most(of(1) + 1e-9);
      }),
      { numRuns: 300, seed: 18 },
    );
  });
  it('are none where nothing helps, and ragged gains are refused', () => {
    expect(bestCover([], 3)).to.deep.equal({ chosen: [], gain: 0 });
    expect(bestCover([Float64Array.of(0, 0)], 3)).to.deep.equal({ chosen: [], gain: 0 });
    expect(() => bestCover([Float64Array.of(1), Float64Array.of(1, 2)], 1)).to.throw(RangeError);
  });
});

describe('how long a piece needs', () => {
  const share = fc.double({ min: 0, max: 1, noNaN: true });
  const gram = fc.double({ min: 0.01, max: 400, noNaN: true });
  it('is the passes after which just so much is left, or never', () => {
    fc.assert(
      fc.property(
        fc.record({ freeG: gram, deepG: gram, packedG: gram }),
        fc.record({ free: share, deep: share, open: share }),
        share,
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        (pools, take, reach, target) => {
          const passes = passesUntil(pools, take, reach, target);
          const leftAt = (p: number): number =>
            poolsTotalG(workPools(pools, take, reach, effectOfPasses(p))) / poolsTotalG(pools);
          expect(shareLeftBy(pools, take, reach, effectOfPasses(2))).to.be.closeTo(leftAt(2), 1e-9);
          if (passes === Infinity) expect(leftAt(60)).to.be.at.least(target - 1e-9);
          else if (passes < 25) expect(leftAt(passes)).to.be.closeTo(target, 1e-6);
        },
      ),
      { numRuns: 4000, seed: 21 },
    );
  });
});

describe('a piece in the hand of a house', () => {
  it('does what its kind does while nothing was measured and the house takes the usual sides', () => {
    for (const row of TOOLS) {
      for (const wetness of WETNESS) {
        const action = actionOf({ kind: row.kind }, wetness, DEFAULT_QUARRELS);
        const take = row.take[wetness];
        if (!take) expect(action, `${row.kind} ${wetness}`).to.equal(undefined);
        else {
          expect(action?.take).to.deep.equal({ ...take });
          expect(action?.skinPerPass).to.be.closeTo(row.skinPerPass, 1e-12);
          expect(action?.cm2PerMinute).to.equal(row.cm2PerMinute);
        }
      }
    }
  });
  it('loads skin by its tips, gentler with a head that flexes and pins that turn', () => {
    const skin = (more: Partial<Tool>): number =>
      actionOf({ kind: 'rake', ...more }, 'dry', DEFAULT_QUARRELS)?.skinPerPass ?? 0;
    expect(skin({ tip: 'rounded' })).to.be.lessThan(skin({ tip: 'blunt' }));
    expect(skin({ tip: 'blunt' })).to.be.lessThan(skin({ tip: 'pointed' }));
    expect(skin({ turning: true })).to.be.lessThan(skin({}));
    expect(skin({ flexing: true })).to.be.lessThan(skin({}));
  });
  it('is quicker when wider, though not in proportion', () => {
    const pace = (widthMm: number): number =>
      actionOf({ kind: 'comb', widthMm }, 'dry', DEFAULT_QUARRELS)?.cm2PerMinute ?? 0;
    expect(pace(200)).to.be.greaterThan(pace(100));
    expect(pace(200)).to.be.lessThan(2 * pace(100));
  });
});

describe('what a kit lacks', () => {
  const LOOSE = { finger: 2, tug: 2, comb: 'drags' } as const;
  const giant = { dog: dogOf('heavy-double', 50), check: checkOf(50, 90, { finger: 4, tug: 3, comb: 'stops' }) };
  const smooth = { dog: dogOf('smooth-double', 30), check: checkOf(30, 26, LOOSE) };
  const of = (kit: readonly Tool[], dogs = [giant, smooth]): Coverage =>
    coverage({ dogs, kit, shop: SHOP, house: DEFAULT_HOUSE });

  it('is everything without a tool, and each zone says so', () => {
    const none = of([]);
    expect(new Set(none.badly.map((b) => b.why))).to.deep.equal(new Set(['nothing-allowed']));
    expect(none.badly.reduce((t, b) => t + b.zones, 0)).to.equal(none.zones);
    expect(none.forMinutes.map((p) => p.tools.length)).to.deep.equal([1, 2, 3]);
  });
  it('is reach, where pins are short for the coat', () => {
    const short = of([{ id: 's', kind: 'rake', name: 'short', pinMm: 8 }, ...kitOf(['comb', 'fine-comb'])], [giant]);
    const long = of(
      [{ id: 'l', kind: 'rotating-rake', name: 'long', pinMm: 45 }, ...kitOf(['comb', 'fine-comb'])],
      [giant],
    );
    expect(long.minutes).to.be.lessThan(short.minutes);
  });
  it('is nothing that the wall has already', () => {
    const all = of([...SHOP]);
    expect(all.badly).to.deep.equal([]);
    expect([all.forMinutes, all.forSkin]).to.deep.equal([[], []]);
  });
  it('leaves stopped zones and empty books alone', () => {
    const sore = { ...smooth, check: checkOf(30, 26, { ...LOOSE, skin: 'wound' }) };
    expect(of([], [sore]).zones).to.equal(0);
    expect(of([], [])).to.deep.include({ dogs: 0, zones: 0, minutes: 0, badly: [] });
  });
  it('counts a dog that comes twice twice', () => {
    const [one, two] = [of(kitOf(['comb']), [giant]), of(kitOf(['comb']), [giant, giant])];
    expect(two.minutes).to.be.closeTo(2 * one.minutes, 1e-6);
    expect(two.zones).to.equal(2 * one.zones);
  });
});
