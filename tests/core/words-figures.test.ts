/** Figures in words: sizes, shares and money as people read them, and days that keep their clock over its changes. */
import { expect } from 'chai';
import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { day, formatDay } from '../../core/quantity/index.ts';
import { bytesText, capital, grams, listText, minutesText, money, percent } from '../../web/words/figures.ts';
import { onDay } from '../../web/words/on-day.ts';
import { shownBy } from '../on-device.ts';

const plain = (text: string): string => text.replaceAll(/[\u00a0\u202f]/g, ' ');
const SEED = { seed: 20261202, numRuns: 500 };

describe('figures in words', () => {
  it('say minutes as hours once there is one, and no empty minutes', () => {
    expect([0, 1, 59, 60, 61, 75, 120, 605].map(minutesText).map(plain)).to.deep.equal([
      '0 min',
      '1 min',
      '59 min',
      '1 h',
      '1 h 01',
      '1 h 15',
      '2 h',
      '10 h 05',
    ]);
  });
  it('come back as the minutes that were said (property)', () => {
    fc.assert(
      fc.property(fc.nat(3000), (minutes) => {
        const [, h = '0', m = '0'] = /^(?:(\d+) h ?)?(?:(\d+)(?: min)?)?$/.exec(plain(minutesText(minutes))) ?? [];
        expect(Number(h) * 60 + Number(m)).to.equal(minutes);
      }),
      SEED,
    );
  });
  it('never part a figure from its unit', () => {
    for (const text of [
      minutesText(45),
      minutesText(95),
      grams(12.4),
      percent(0.385),
      bytesText(3_400_000),
      bytesText(9),
    ])
      expect(text, text).to.not.include(' ');
    expect(
      [grams(12.5), percent(0.385), bytesText(3_400_000), bytesText(9), bytesText(999_499)].map(plain),
    ).to.deep.equal(['13 g', '39 %', '3.4 MB', '1 kB', '999 kB']);
  });
  it('list one, two and more as people do', () => {
    expect(listText([])).to.equal('');
    expect(listText(['ruff'])).to.equal('ruff');
    expect(listText(['ruff', 'tail'])).to.equal('ruff and tail');
    expect(listText(['ruff', 'tail', 'rump'], 'or')).to.equal('ruff, tail or rump');
    expect([capital(''), capital('éclair'), capital('Ears')]).to.deep.equal(['', 'Éclair', 'Ears']);
  });
  it('say money with cents only where there are some, in any currency (property)', () => {
    shownBy({ dates: 'en-GB' }, () => {
      fc.assert(
        fc.property(
          fc.integer({ min: -1_000_000, max: 1_000_000 }),
          fc.constantFrom('EUR', 'GBP', 'USD'),
          (cents, of) => {
            const text = money(cents, of);
            expect(/\.\d\d$/.test(text), text).to.equal(cents % 100 !== 0);
            expect(Math.round(Number(text.replaceAll(/[^\d.]/g, '')) * 100)).to.equal(Math.abs(cents));
          },
        ),
        SEED,
      );
    });
  });
});

describe('a visit on another day', () => {
  it('keeps its time by the salon’s clock, over the changes of the clock', () => {
    const nine = '2031-03-29T08:00:00Z';
    const sunday = Number(day(Temporal.PlainDate.from('1970-01-01').until('2031-03-30').days));
    expect(onDay(nine, 'Europe/Oslo', sunday)).to.equal('2031-03-30T07:00:00Z');
    expect(onDay(nine, 'UTC', sunday)).to.equal('2031-03-30T08:00:00Z');
  });
  it('is on that day in the salon’s zone, whatever day it is elsewhere (property)', () => {
    const zones = fc.constantFrom('Europe/Oslo', 'America/New_York', 'Pacific/Auckland', 'Asia/Kathmandu');
    fc.assert(
      fc.property(zones, fc.integer({ min: 20_000, max: 30_000 }), fc.nat(287), (timeZone, value, fifth) => {
        // By night a clock skips or repeats an hour: nobody grooms then.
        const hour = 4 + (Math.floor(fifth / 12) % 19);
        const at = Temporal.PlainDate.from(formatDay(day(value)))
          .toZonedDateTime({ timeZone, plainTime: { hour, minute: 5 * (fifth % 12) } })
          .toInstant()
          .toString({ smallestUnit: 'second' });
        for (const other of [value - 200, value, value + 1]) {
          const moved = Temporal.Instant.from(onDay(at, timeZone, other)).toZonedDateTimeISO(timeZone);
          expect(moved.toPlainDate().toString()).to.equal(formatDay(day(other)));
          expect([moved.hour, moved.minute]).to.deep.equal([hour, 5 * (fifth % 12)]);
        }
        expect(onDay(at, timeZone, value)).to.equal(at);
      }),
      SEED,
    );
  });
});
