/**
 * What learning a tide is made of, against a statistics library (jStat, on the npm registry), plain quadrature and plain
 * day-by-day sums: densities, quantiles, regression, eigenvalues, and what a coat holds in closed form.
 */
import { expect } from 'chai';
import fc from 'fast-check';
import jStat from 'jstat';
import {
  cholesky,
  eigen,
  inverse,
  normalQuantile,
  normalShare,
  product,
  seededRandom,
  solveLower,
  solveUpper,
  times,
} from '../../core/quantity/index.ts';
import { LENGTH_IN_SCALES, pulseHeld, pulseOut, pulseShare, START_IN_SCALES } from '../../core/tide/index.ts';

describe('pulses, against a statistics library and quadrature', () => {
  it('are gamma densities of shape 2 that are 95 % out after their length', () => {
    for (const length of [20, 32, 38, 60]) {
      for (const u of [0.5, 3, 8, 20, 40, 90]) {
        const scale = length / LENGTH_IN_SCALES;
        expect(pulseShare(u, length)).to.be.closeTo(jStat.gamma.pdf(u, 2, scale), 1e-10);
        expect(pulseOut(u, length)).to.be.closeTo(jStat.gamma.cdf(u, 2, scale), 1e-8);
      }
      expect(pulseOut(length, length)).to.be.closeTo(0.95, 1e-8);
    }
    expect(START_IN_SCALES).to.be.closeTo(jStat.gamma.inv(0.1, 2, 1), 1e-6);
    expect(LENGTH_IN_SCALES).to.be.closeTo(jStat.gamma.inv(0.95, 2, 1), 1e-6);
  });

  it('hold in the coat what Simpson’s rule says, also where hair falls as fast as it comes', () => {
    const scales = fc.double({ min: 3, max: 16, noNaN: true });
    const losses = fc.double({ min: 0.001, max: 0.25, noNaN: true });
    const days = fc.double({ min: 0, max: 120, noNaN: true });
    fc.assert(
      fc.property(scales, losses, days, fc.double({ min: 0.1, max: 70, noNaN: true }), (scale, loss, u1, gap) => {
        const u2 = u1 + gap;
        const of = (u: number): number => (u / scale ** 2) * Math.exp(-u / scale) * Math.exp(-loss * (u2 - u));
        const n = 1600;
        let sum = 0;
        for (let i = 0; i <= n; i++) sum += of(u1 + (gap * i) / n) * (i === 0 || i === n ? 1 : i % 2 === 1 ? 4 : 2);
        const own = pulseHeld(
          u1 / scale,
          u2 / scale,
          Math.exp(-u1 / scale),
          Math.exp(-u2 / scale),
          Math.exp(-loss * gap),
          loss * scale,
        );
        expect(own).to.be.closeTo((sum * gap) / n / 3, 1e-7);
      }),
      {
        numRuns: 3000,
        seed: 47,
        examples: [
          [8, 0.125, 0, 30] as [number, number, number, number],
          [8, 0.124, 5, 30] as [number, number, number, number],
        ],
      },
    );
  });
});

describe('normal distribution and small systems, against a statistics library', () => {
  it('agree on shares and quantiles', () => {
    for (const x of [-6, -3, -1.2, -0.1, 0, 0.5, 1.96, 4]) {
      expect(normalShare(x)).to.be.closeTo(jStat.normal.cdf(x, 0, 1), 2e-7);
    }
    for (const p of [0.001, 0.1, 0.25, 0.5, 0.8, 0.975, 0.9995]) {
      expect(normalQuantile(p)).to.be.closeTo(jStat.normal.inv(p, 0, 1), 3e-6);
    }
    expect(() => normalQuantile(1)).to.throw(RangeError);
  });

  it('solve least squares as the library does', () => {
    const random = seededRandom(5);
    const rows = Array.from({ length: 60 }, () => [1, random() * 4, random() * 2 - 1, random() ** 2]);
    const y = rows.map(([a = 0, b = 0, c = 0, d = 0]) => 2 * a - 1.5 * b + 0.3 * c + 4 * d + 0.2 * random());
    const n = 4;
    const gram = new Float64Array(n * n);
    const right = new Float64Array(n);
    rows.forEach((r, k) => {
      for (let i = 0; i < n; i++) {
        right[i] = (right[i] ?? 0) + (r[i] ?? 0) * (y[k] ?? 0);
        for (let j = 0; j < n; j++) gram[i * n + j] = (gram[i * n + j] ?? 0) + (r[i] ?? 0) * (r[j] ?? 0);
      }
    });
    const factor = cholesky(gram, n);
    const own = solveUpper(factor, solveLower(factor, right, n), n);
    const { coef } = jStat.models.ols(y, rows);
    for (let i = 0; i < n; i++) expect(own[i]).to.be.closeTo(coef[i] ?? NaN, 1e-8);
    const byInverse = times(inverse(gram, n), right, n);
    for (let i = 0; i < n; i++) expect(byInverse[i]).to.be.closeTo(coef[i] ?? NaN, 1e-8);
    const theirs = jStat.inv(Array.from({ length: n }, (_, i) => Array.from(gram.slice(i * n, i * n + n)))).flat();
    inverse(gram, n).forEach((v, i) => expect(v).to.be.closeTo(theirs[i] ?? NaN, 1e-9));
  });

  it('find eigenvalues that put the matrix together again', () => {
    const random = seededRandom(9);
    for (const n of [2, 5, 9]) {
      const half = Float64Array.from({ length: n * n }, () => random() - 0.5);
      const back = (m: Float64Array): Float64Array =>
        Float64Array.from(m, (_, k) => m[(k % n) * n + Math.floor(k / n)] ?? 0);
      const matrix = product(half, back(half), n);
      const { values, vectors } = eigen(matrix, n);
      const scaled = Float64Array.from(vectors, (v, k) => v * (values[k % n] ?? 0));
      product(scaled, back(vectors), n).forEach((v, k) => expect(v).to.be.closeTo(matrix[k] ?? NaN, 1e-10));
      expect(Math.min(...values)).to.be.greaterThan(-1e-12);
    }
  });
});
