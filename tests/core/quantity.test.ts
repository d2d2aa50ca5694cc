import { expect } from 'chai';
import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import {
  addDays,
  ceilTo,
  civilFromDay,
  day,
  dayFromCivil,
  formatDay,
  isoWeekday,
  parseDay,
  pick,
  randomInt,
  seededRandom,
  wholeYears,
} from '../../core/quantity/index.ts';

const must = (text: string): ReturnType<typeof day> => {
  const value = parseDay(text);
  if (value === undefined) throw new Error(text);
  return value;
};

describe('days', () => {
  it('begin at 1970-01-01, a Thursday', () => {
    expect(dayFromCivil({ year: 1970, month: 1, dayOfMonth: 1 })).to.equal(0);
    expect(isoWeekday(day(0))).to.equal(4);
  });

  it('agree with Temporal on date, weekday and sums, leap years and centuries included', () => {
    fc.assert(
      fc.property(fc.integer({ min: -150_000, max: 400_000 }), fc.integer({ min: -800, max: 800 }), (n, more) => {
        const date = Temporal.PlainDate.from('1970-01-01').add({ days: n });
        const { year, month, dayOfMonth } = civilFromDay(day(n));
        expect([year, month, dayOfMonth]).to.deep.equal([date.year, date.month, date.day]);
        expect(isoWeekday(day(n))).to.equal(date.dayOfWeek);
        expect(formatDay(addDays(day(n), more))).to.equal(date.add({ days: more }).toString());
        expect(parseDay(date.toString())).to.equal(n);
      }),
      { seed: 7, numRuns: 2000 },
    );
  });

  for (const bad of ['2031-02-29', '2031-13-01', '2031-00-10', '2031-4-9', '', '31-04-09', '2031-04-31', 'today']) {
    it(`refuses "${bad}"`, () => expect(parseDay(bad)).to.equal(undefined));
  }

  it('refuses half a day', () => expect(() => day(0.5)).to.throw(RangeError, '0.5'));

  it('counts whole years on birthdays, the day before, and on 29 February', () => {
    expect(wholeYears(must('2020-05-10'), must('2026-05-09'))).to.equal(5);
    expect(wholeYears(must('2020-05-10'), must('2026-05-10'))).to.equal(6);
    expect(wholeYears(must('2024-02-29'), must('2025-02-28'))).to.equal(0);
  });
});

describe('chance', () => {
  it('repeats from its seed and differs between seeds', () => {
    const take = (seed: number): number[] => {
      const random = seededRandom(seed);
      return Array.from({ length: 20 }, random);
    };
    expect(take(5)).to.deep.equal(take(5));
    expect(take(5)).to.not.deep.equal(take(6));
  });

  it('is even enough: mean and variance of a uniform', () => {
    const random = seededRandom(99);
    const xs = Array.from({ length: 20_000 }, random);
    const mean = xs.reduce((a, b) => a + b) / xs.length;
    const variance = xs.reduce((a, b) => a + (b - mean) ** 2, 0) / xs.length;
    expect(mean).to.be.closeTo(0.5, 0.01);
    expect(variance).to.be.closeTo(1 / 12, 0.003);
    expect(Math.max(...xs)).to.be.lessThan(1);
  });

  it('draws both ends of a range, and nothing from an empty list', () => {
    const random = seededRandom(3);
    const drawn = new Set(Array.from({ length: 200 }, () => randomInt(random, 2, 4)));
    expect([...drawn].sort()).to.deep.equal([2, 3, 4]);
    expect(() => pick(random, [])).to.throw(RangeError);
  });
});

describe('rounding up', () => {
  it('forgives floating dust just above a multiple', () => {
    expect(ceilTo(0.1 + 0.2, 0.1)).to.be.closeTo(0.3, 1e-12);
    expect(ceilTo(101, 5)).to.equal(105);
  });
});
