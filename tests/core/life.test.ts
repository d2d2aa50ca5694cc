/** What events of a life do to the year's shedding, and how warm the weeks before a season were: rules that hold for any life. */
import { readingsFromCsv } from '../../server/formats/weather-table.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { addDays, civilFromDay, dayFromCivil, formatDay, parseDay, type Day } from '../../core/quantity/index.ts';
import {
  LIFE,
  LIFE_EVENTS,
  lifeLength,
  lifeRelease,
  lifeRow,
  lifeSheds,
  outdoorShareOn,
  type LifeEvent,
} from '../../core/tide/life.ts';
import { usualCelsius, WARMTH_DAYS, warmthOf, type Reading } from '../../core/tide/weather.ts';

const DAY = dayFromCivil({ year: 2031, month: 4, dayOfMonth: 9 });
const SEED = { seed: 20261204, numRuns: 300 };

describe('an event of a life', () => {
  it('has a row with its reason and where that is from, and no other has', () => {
    for (const kind of LIFE_EVENTS) expect(lifeRow(kind).reason, kind).to.match(/^[A-Z].*\.$/);
    expect(LIFE.map((r) => r.kind)).to.have.members([...LIFE_EVENTS, 'puppy-coat']);
    expect(new Set(LIFE.map((r) => r.kind)).size).to.equal(LIFE.length);
    for (const r of LIFE) expect([r.source, r.figures]).to.not.include(undefined);
  });
  it('brings a shed so many days after it, and a puppy its change of coat', () => {
    const events: LifeEvent[] = [
      { kind: 'season', day: DAY },
      { kind: 'neutered', day: DAY },
    ];
    // Some ten weeks after a season; neutering brings none of its own.
    expect(lifeSheds(events, undefined).map((s) => [s.kind, s.usual - DAY])).to.deep.equal([['season', 75]]);
    const born = addDays(DAY, -100);
    const [puppy] = lifeSheds([], born);
    expect(puppy).to.include({ kind: 'puppy-coat', usual: addDays(born, 190) });
    // Between the fifth and the tenth month.
    expect((puppy?.afterDays ?? 0) / 30.4).to.be.within(5, 10);
  });

  const events = fc.array(
    fc.record({
      kind: fc.constantFrom(...LIFE_EVENTS),
      day: fc.integer({ min: -2000, max: 2000 }).map((offset) => addDays(DAY, offset)),
      outdoorShare: fc.double({ min: 0, max: 1, noNaN: true }),
    }),
    { maxLength: 6 },
  );
  it('changes nothing before it happens (property)', () => {
    fc.assert(
      fc.property(events, fc.double({ min: 0, max: 1, noNaN: true }), (all, share) => {
        const before = Math.min(DAY, ...all.map((e) => e.day)) - 1;
        expect(lifeRelease(all, before)).to.equal(1);
        expect(lifeLength(all, before)).to.equal(1);
        expect(outdoorShareOn(all, share, before)).to.equal(share);
      }),
      SEED,
    );
  });
  it('comes to the same in whatever order it is told (property)', () => {
    fc.assert(
      fc.property(events, fc.integer({ min: -2500, max: 4000 }), (all, offset) => {
        const on = DAY + offset;
        const other = [...all].reverse();
        expect(lifeRelease(other, on)).to.be.closeTo(lifeRelease(all, on), 1e-12);
        expect(lifeLength(other, on)).to.be.closeTo(lifeLength(all, on), 1e-12);
        const keys = (of: readonly LifeEvent[]) => lifeSheds(of, undefined).map((s) => s.key);
        expect(keys(other).sort()).to.deep.equal(keys(all).sort());
      }),
      SEED,
    );
  });
  it('that was clipped grows back, never beyond what it was, and is whole after its time', () => {
    const clipped: LifeEvent[] = [{ kind: 'clipped', day: DAY }];
    const factors = Array.from({ length: 60 }, (_, i) => lifeRelease(clipped, DAY + 10 * i));
    expect(factors[0]).to.be.closeTo(0.55, 1e-12);
    for (const [i, f] of factors.entries()) expect(f).to.be.within(i === 0 ? 0.5 : (factors[i - 1] ?? 0), 1);
    expect(lifeRelease(clipped, DAY + 540)).to.equal(1);
    expect(lifeRelease(clipped, DAY + 5000)).to.equal(1);
  });
  it('of a move holds until the next one', () => {
    const moves: LifeEvent[] = [
      { kind: 'moved', day: addDays(DAY, 100), outdoorShare: 0.9 },
      { kind: 'moved', day: DAY, outdoorShare: 0.1 },
      { kind: 'moved', day: addDays(DAY, 50) },
    ];
    expect([-1, 0, 60, 99, 100, 900].map((o) => outdoorShareOn(moves, 0.4, DAY + o))).to.deep.equal([
      0.4, 0.1, 0.1, 0.1, 0.9, 0.9,
    ]);
  });
});

describe('the warmth before a season', () => {
  const OSLO = { latitudeDeg: 59.9, longitudeDeg: 10.7 };
  const yearsOf = (count: number, off: (year: number) => number): readonly Reading[] =>
    Array.from({ length: 366 * count }, (_, i): Reading => {
      const on = addDays(DAY, -i);
      return { day: on, celsius: usualCelsius(OSLO, on) + off(civilFromDay(on).year) };
    });

  it('is warmest in summer and coldest in winter, on both sides of the equator', () => {
    const on = (month: number): Day => dayFromCivil({ year: 2031, month, dayOfMonth: 22 });
    expect(usualCelsius(OSLO, on(7))).to.be.above(usualCelsius(OSLO, on(1)) + 15);
    const south = { latitudeDeg: -37.8, longitudeDeg: 145 };
    expect(usualCelsius(south, on(1))).to.be.above(usualCelsius(south, on(7)) + 5);
    // Near the equator a year has hardly any.
    const equator = { latitudeDeg: 1, longitudeDeg: 30 };
    expect(Math.abs(usualCelsius(equator, on(1)) - usualCelsius(equator, on(7)))).to.be.below(1);
  });
  it('is nothing where nothing was read, or too little', () => {
    expect(warmthOf([], OSLO, DAY)).to.deep.equal({});
    expect(warmthOf(yearsOf(1, () => 3).slice(0, 12), OSLO, DAY)).to.deep.equal({});
  });
  it('is told against the town’s own other years: a thermometer that is always two degrees off does no harm', () => {
    const warm = (always: number) =>
      warmthOf(
        yearsOf(5, (year) => always + (year === 2031 ? 3 : 0)),
        OSLO,
        DAY,
      );
    const [true0, off2] = [warm(0), warm(2)];
    expect(Object.keys(true0).length).to.be.above(5);
    for (const [key, value] of Object.entries(true0)) expect(off2[key], key).to.be.closeTo(value, 1e-9);
    const spring = Object.entries(true0).filter(([key]) => key.includes('spring'));
    // The spring of the warm year stands out by what it was warmer.
    expect(Math.max(...spring.map(([, v]) => v))).to.be.closeTo(3, 1e-9);
  });
  it('heeds nothing read after the day that is asked for', () => {
    const readings = yearsOf(4, () => 1);
    const later = Array.from({ length: 200 }, (_, i): Reading => ({ day: addDays(DAY, 1 + i), celsius: 40 }));
    expect(warmthOf([...readings, ...later], OSLO, DAY)).to.deep.equal(warmthOf(readings, OSLO, DAY));
    expect(WARMTH_DAYS.from).to.be.above(WARMTH_DAYS.to);
  });
});

describe('a file of temperatures', () => {
  const parse = (text: string): Day | undefined => parseDay(text);
  const readings = fc.array(
    fc.record({
      day: fc.integer({ min: 20_000, max: 25_000 }).map((d) => addDays(DAY, d - DAY)),
      tenths: fc.integer({ min: -400, max: 450 }),
    }),
    { minLength: 1, maxLength: 40 },
  );
  /** Ways in which thermometers and tables write a line. */
  const WAYS: readonly (readonly [string, string, (date: string, celsius: string) => string])[] = [
    ['commas and points', 'date,mean', (d, c) => `${d},${c}`],
    ['semicolons and commas', 'date;mean', (d, c) => `${d};${c.replace('.', ',')}`],
    ['tabs', 'date\tmean', (d, c) => `${d}\t${c}`],
    ['the temperature first', 'mean;date', (d, c) => `${c};${d}`],
    ['everything in quotes', '"date","mean"', (d, c) => `"${d}","${c.replace('.', ',')}"`],
  ];
  for (const [name, head, line] of WAYS)
    it(`is read whole, written with ${name}, with a head or without one (property)`, () => {
      fc.assert(
        fc.property(readings, fc.boolean(), fc.constantFrom('\n', '\r\n'), (drawn, headed, end) => {
          const lines = drawn.map(({ day, tenths }) => line(formatDay(day), (tenths / 10).toFixed(1)));
          const read = readingsFromCsv([...(headed ? [head] : []), ...lines, ''].join(end), parse);
          expect(read.refused).to.deep.equal([]);
          expect(read.readings).to.deep.equal(drawn.map(({ day, tenths }) => ({ day, celsius: tenths / 10 })));
        }),
        SEED,
      );
    });
  it('names each line that it cannot read, and reads the others', () => {
    const text = 'date,mean\n2031-01-01,3.5\n2031-01-02,warm\nsoon,4\n2031-01-04,99\n2031-01-05,-2\n';
    const { readings: read, refused } = readingsFromCsv(text, parse);
    expect(read.map((r) => r.celsius)).to.deep.equal([3.5, -2]);
    expect(refused.map((r) => r.line)).to.deep.equal([3, 4, 5]);
  });
});
