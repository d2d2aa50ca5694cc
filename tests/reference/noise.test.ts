/** Noise rules against the tables they were published with; the tables' figures are from memory. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  allowedMinutes,
  dayLevelDbA,
  EU_ACTION,
  minutesLeft,
  noiseDose,
  noiseRule,
  NOISE_ROWS,
  protectedDbA,
} from '../../core/sound/index.ts';

const [NIOSH, OSHA, EU] = [noiseRule('niosh'), noiseRule('osha'), noiseRule('eu')];

describe('allowed time beside noise', () => {
  // NIOSH Publication 98-126, table 1-1: level, hours, minutes, seconds.
  const NIOSH_TABLE: readonly (readonly [number, number, number, number])[] = [
    [80, 25, 24, 0],
    [82, 16, 0, 0],
    [83, 12, 42, 0],
    [85, 8, 0, 0],
    [86, 6, 21, 0],
    [88, 4, 0, 0],
    [90, 2, 31, 0],
    [91, 2, 0, 0],
    [94, 1, 0, 0],
    [97, 0, 30, 0],
    [100, 0, 15, 0],
    [103, 0, 7, 30],
    [106, 0, 3, 45],
    [109, 0, 1, 53],
  ];
  for (const [level, h, m, s] of NIOSH_TABLE) {
    it(`NIOSH 98-126: ${level} dB(A) for ${h} h ${m} min ${s} s`, () => {
      const printed = h * 60 + m + s / 60;
      // The table is printed in whole minutes down to ten minutes, below that in seconds.
      expect(allowedMinutes(level, NIOSH)).to.be.closeTo(printed, printed > 10 ? 1 : 1 / 60);
    });
  }

  // 29 CFR 1910.95, table G-16: duration per day in hours, slow response dB(A).
  const OSHA_TABLE: readonly (readonly [number, number])[] = [
    [8, 90],
    [6, 92],
    [4, 95],
    [3, 97],
    [2, 100],
    [1.5, 102],
    [1, 105],
    [0.5, 110],
    [0.25, 115],
  ];
  for (const [hours, level] of OSHA_TABLE) {
    it(`OSHA table G-16: ${level} dB(A) for ${hours} h`, () => {
      // The table rounds 92, 97 and 102 dB(A) to half hours; table G-16a gives 6.1, 3.0 and 1.5 h.
      expect(allowedMinutes(level, OSHA) / 60).to.be.closeTo(hours, 0.08);
    });
  }

  // 29 CFR 1910.95, appendix A, table G-16a: level, reference duration in hours.
  for (const [level, hours] of [
    [80, 32],
    [85, 16],
    [92, 6.1],
    [97, 3],
    [102, 1.5],
    [105, 1],
    [115, 0.25],
    [130, 0.031],
  ] as const) {
    it(`OSHA table G-16a: ${level} dB(A) for ${hours} h`, () => {
      expect(allowedMinutes(level, OSHA) / 60).to.be.closeTo(hours, hours < 0.1 ? 0.0005 : 0.05);
    });
  }

  it('Directive 2003/10/EC: 80 and 85 dB(A) are the action values, 87 the limit, all over 8 hours', () => {
    expect(EU_ACTION).to.deep.equal({ lowerDbA: 80, upperDbA: 85, limitDbA: 87 });
    for (const level of Object.values(EU_ACTION)) {
      expect(dayLevelDbA(noiseDose([{ levelDbA: level, minutes: 480 }], EU), EU)).to.be.closeTo(level, 1e-9);
    }
    expect(allowedMinutes(87, EU)).to.equal(480);
  });
});

describe('a day beside dryers', () => {
  it('adds up: half a day’s time at each of two levels is the whole', () => {
    // 29 CFR 1910.95, appendix A: D = 100 (C1/T1 + C2/T2 + …).
    expect(
      noiseDose(
        [
          { levelDbA: 90, minutes: 240 },
          { levelDbA: 95, minutes: 120 },
        ],
        OSHA,
      ),
    ).to.be.closeTo(1, 1e-12);
    expect(minutesLeft(0.5, 88, NIOSH)).to.equal(120);
    expect(minutesLeft(1.2, 88, NIOSH)).to.equal(0);
  });
  it('counts nothing below the level that a rule begins with', () => {
    expect(noiseDose([{ levelDbA: 79, minutes: 480 }], NIOSH)).to.equal(0);
    expect(noiseDose([{ levelDbA: 79, minutes: 480 }], OSHA)).to.equal(0);
  });
  it('derates protectors: muffs rated 29 dB leave 85.25 of 100 dB(A)', () => {
    // NIOSH 98-126, 6.4: A-weighted level − (derated NRR − 7).
    expect(protectedDbA(100, 'muffs', 29)).to.be.closeTo(85.25, 1e-9);
    expect(protectedDbA(100, 'formable-plugs', 30)).to.be.closeTo(92, 1e-9);
    expect(protectedDbA(100, 'other-plugs', 20)).to.equal(100);
  });
  it('never falls with more minutes or more decibels, and splits as one likes', () => {
    const minutes = fc.double({ min: 0, max: 600, noNaN: true });
    const level = fc.double({ min: 60, max: 120, noNaN: true });
    fc.assert(
      fc.property(level, level, minutes, minutes, (a, b, m, n) => {
        for (const rule of NOISE_ROWS) {
          const [low, high] = [Math.min(a, b), Math.max(a, b)];
          const dose = (levelDbA: number, t: number): number => noiseDose([{ levelDbA, minutes: t }], rule);
          expect(dose(high, m)).to.be.at.least(dose(low, m));
          expect(dose(a, m + n)).to.be.closeTo(dose(a, m) + dose(a, n), 1e-9);
        }
      }),
      { numRuns: 500, seed: 8 },
    );
  });
});
