/**
 * The choice of pieces to buy against HiGHS (branch and cut, highs.dev, MIT) on random instances of its integer
 * programme: choose at most k candidates; each demand is served by the best of those chosen.
 */
import { expect } from 'chai';
import loadHighs from 'highs';
import { bestCover } from '../../core/kit/index.ts';
import { randomInt, seededRandom } from '../../core/quantity/index.ts';

/** max Σ g[c][d]·x[c,d]  s.t.  Σc x[c,d] ≤ 1,  x[c,d] ≤ y[c],  Σ y ≤ k,  y binary. */
function programme(gains: readonly Float64Array[], most: number): string {
  const pairs = gains.flatMap((row, c) => [...row].flatMap((g, d) => (g > 0 ? [{ c, d, g }] : [])));
  const demands = [...new Set(pairs.map((p) => p.d))];
  const lines = [
    'Maximize',
    ` obj: ${pairs.map((p) => `${p.g} x${p.c}_${p.d}`).join(' + ') || '0 y0'}`,
    'Subject To',
    ...demands.map(
      (d) =>
        ` d${d}: ${pairs
          .filter((p) => p.d === d)
          .map((p) => `x${p.c}_${p.d}`)
          .join(' + ')} <= 1`,
    ),
    ...pairs.map((p) => ` l${p.c}_${p.d}: x${p.c}_${p.d} - y${p.c} <= 0`),
    ` most: ${gains.map((_, c) => `y${c}`).join(' + ')} <= ${most}`,
    'Binary',
    ` ${gains.map((_, c) => `y${c}`).join(' ')}`,
    'End',
  ];
  return lines.join('\n');
}

describe('what to buy, against HiGHS', () => {
  const INSTANCES = 200;
  it(`is the optimum on ${INSTANCES} random instances`, async function () {
    this.timeout(120_000);
    const highs = await loadHighs();
    const random = seededRandom(99);
    let different = 0;
    for (let i = 0; i < INSTANCES; i++) {
      const candidates = randomInt(random, 3, 14);
      const demands = randomInt(random, 2, 18);
      const most = randomInt(random, 1, 3);
      const gains = Array.from({ length: candidates }, () =>
        // Many nothings and some equal values, as in a salon; whole numbers, so that sums are exact.
        Float64Array.from({ length: demands }, () => (random() < 0.45 ? 0 : randomInt(random, 1, 30))),
      );
      const ours = bestCover(gains, most);
      const theirs = highs.solve(programme(gains, most));
      expect(theirs.Status, `instance ${i}`).to.equal('Optimal');
      expect(ours.gain, `instance ${i}`).to.be.closeTo(theirs.ObjectiveValue, 1e-6);
      expect(ours.chosen.length).to.be.at.most(most);
      // The set itself is worth what it says.
      const worth = Array.from({ length: demands }, (_, d) =>
        Math.max(0, ...ours.chosen.map((c) => gains[c]?.[d] ?? 0)),
      ).reduce((a, b) => a + b, 0);
      expect(worth).to.be.closeTo(ours.gain, 1e-9);
      // Greedy choice is not always best: the instances are hard enough to tell.
      let served = new Float64Array(demands);
      let greedy = 0;
      for (let k = 0; k < most; k++) {
        const adds = gains.map((row) => row.reduce((t, g, d) => t + Math.max(0, g - (served[d] ?? 0)), 0));
        const best = adds.indexOf(Math.max(...adds));
        greedy += adds[best] ?? 0;
        served = served.map((s, d) => Math.max(s, gains[best]?.[d] ?? 0));
      }
      if (greedy < ours.gain - 1e-9) different++;
    }
    expect(different).to.be.greaterThan(5);
  });
});
