/**
 * The gamma distribution against a statistics library (jStat, on the npm registry) and against closed forms: for whole
 * shapes the upper tail is a Poisson sum, and shape 1 is the exponential distribution.
 */
import { expect } from 'chai';
import jStat from 'jstat';
import { gammaQuantile, gammaShare, lnGamma } from '../../core/quantity/index.ts';

const SHAPES = [0.3, 0.5, 1, 1.7, 2.5, 5, 11.1, 16, 40, 120, 400];

describe('gamma and exponential numerics, against a statistics library', () => {
  it('agree on ln Γ', () => {
    for (const x of [0.1, 0.5, 1, 1.5, 2, 3.7, 10, 55.5, 300]) {
      expect(lnGamma(x), `ln Γ(${x})`).to.be.closeTo(jStat.gammaln(x), 1e-9 * Math.max(1, Math.abs(lnGamma(x))));
    }
  });

  it('agree on the share below a value', () => {
    for (const shape of SHAPES) {
      for (const part of [0.05, 0.4, 0.9, 1, 1.3, 2, 3]) {
        expect(gammaShare(shape, shape * part), `P(${shape}, ${shape * part})`).to.be.closeTo(
          jStat.gamma.cdf(shape * part, shape, 1),
          2e-8,
        );
      }
    }
  });

  it('agree on quantiles', () => {
    for (const shape of SHAPES) {
      for (const share of [0.01, 0.1, 0.25, 0.5, 0.9, 0.99]) {
        const own = gammaQuantile(share, shape, 3.5);
        expect(own / jStat.gamma.inv(share, shape, 3.5), `${share} of ${shape}`).to.be.closeTo(1, 1e-6);
        expect(gammaShare(shape, own / 3.5)).to.be.closeTo(share, 1e-10);
      }
    }
  });

  it('are the exponential distribution at shape 1 and a Poisson sum at whole shapes', () => {
    for (const x of [0.01, 0.3, 1, 2.5, 9]) {
      expect(gammaShare(1, x)).to.be.closeTo(1 - Math.exp(-x), 1e-13);
      let term = Math.exp(-x);
      let tail = 0;
      for (let n = 0; n < 6; n++) {
        tail += term;
        term *= x / (n + 1);
      }
      expect(gammaShare(6, x)).to.be.closeTo(1 - tail, 1e-12);
    }
    expect(gammaQuantile(0.5, 1, 2)).to.be.closeTo(2 * Math.LN2, 1e-10);
  });

  it('refuse what has no meaning', () => {
    expect(() => gammaShare(0, 1)).to.throw(RangeError);
    expect(() => gammaQuantile(0, 2)).to.throw(RangeError);
    expect(() => gammaQuantile(1, 2)).to.throw(RangeError);
  });
});
