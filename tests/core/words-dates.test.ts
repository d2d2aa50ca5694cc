/** Days, clocks and spans in words: by the device's forms, in the salon's zone, against the platform's own calendar. */
import { expect } from 'chai';
import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { day, formatDay, parseDay, type Day } from '../../core/quantity/index.ts';
import { DATE_FORMS } from '../../web/app/view.ts';
import { minuteClock } from '../../web/words/clock.ts';
import {
  clockText,
  dateOf,
  dateText,
  dayMonth,
  fromToday,
  instantText,
  longDay,
  minuteText,
  monthName,
  monthYear,
  shortDay,
  weekdayName,
  weekdayText,
} from '../../web/words/dates.ts';
import { shownBy } from '../on-device.ts';

const dayOf = (text: string): Day => parseDay(text) ?? expect.fail(text);
const APRIL_9 = dayOf('2031-04-09');
/** Spaces that keep words together are spaces to a reader. */
const plain = (text: string): string => text.replaceAll(/[\u00a0\u202f]/g, ' ');
const SEED = { seed: 20261201, numRuns: 400 };

describe('days in words', () => {
  it('are said short, long and by month, in the forms that the device has', () => {
    shownBy({ dates: 'en-GB' }, () => {
      expect(shortDay(APRIL_9)).to.equal('Wed 9 Apr');
      expect(longDay(APRIL_9)).to.match(/^Wednesday,? 9 April 2031$/);
      expect(monthYear(APRIL_9)).to.equal('April 2031');
      expect(dateText('2031-04-09')).to.equal('9 Apr 2031');
      expect(weekdayText('2031-04-09')).to.match(/^Wednesday,? 9 April$/);
      expect(monthName('2031-04')).to.equal('Apr 31');
    });
    shownBy({ dates: 'en-US' }, () => {
      expect(shortDay(APRIL_9)).to.equal('Wed, Apr 9');
      expect(dateText('2031-04-09')).to.equal('Apr 9, 2031');
    });
  });
  it('are what the Unicode CLDR says, in each form, on every day of a year (against the platform’s formatter)', () => {
    const kinds: readonly (readonly [(day: number) => string, Intl.DateTimeFormatOptions])[] = [
      [shortDay, { weekday: 'short', day: 'numeric', month: 'short' }],
      [longDay, { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' }],
      [(d) => dateText(formatDay(day(d))), { day: 'numeric', month: 'short', year: 'numeric' }],
      [(d) => weekdayText(formatDay(day(d))), { weekday: 'long', day: 'numeric', month: 'long' }],
      [dayMonth, { day: 'numeric', month: 'long' }],
      [monthYear, { month: 'long', year: 'numeric' }],
      [(d) => monthName(formatDay(day(d)).slice(0, 7)), { month: 'short', year: '2-digit' }],
    ];
    for (const dates of DATE_FORMS)
      for (const [say, options] of kinds) {
        const platform = new Intl.DateTimeFormat(dates, { ...options, timeZone: 'UTC' });
        shownBy({ dates }, () => {
          for (let d = APRIL_9; d < APRIL_9 + 366; d++)
            expect(plain(say(d)), `${dates} ${JSON.stringify(options)}`).to.equal(
              plain(platform.format(d * 86_400_000)),
            );
        });
      }
  });
  it('change with the device’s forms while a page is open', () => {
    const said = DATE_FORMS.map((dates) => shownBy({ dates }, () => dateText('2031-04-09')));
    expect(new Set(said).size).to.be.above(1);
    for (const text of said) expect(text).to.match(/2031/);
    expect(DATE_FORMS.map((dates) => shownBy({ dates }, () => dateText('2031-04-09')))).to.deep.equal(said);
  });
  it('name the weekday that the calendar has (property, against Temporal)', () => {
    fc.assert(
      fc.property(fc.integer({ min: dayOf('1970-01-01'), max: dayOf('2199-12-31') }), (value) => {
        const date = Temporal.PlainDate.from('1970-01-01').add({ days: value });
        shownBy({ dates: 'en-GB' }, () => {
          expect(shortDay(value).startsWith(weekdayName(date.dayOfWeek))).to.equal(true);
          expect(shortDay(value)).to.match(new RegExp(` ${date.day} `));
          expect(longDay(value)).to.match(new RegExp(` ${date.year}$`));
        });
      }),
      SEED,
    );
  });
  it('are no days where the text is none', () => {
    for (const text of ['', '2031-02-29', 'soon', '2031-13-01']) {
      expect(() => dateText(text), text).to.throw(RangeError, 'no such day');
      expect(() => weekdayText(text), text).to.throw(RangeError);
    }
    expect(weekdayName(0)).to.equal('');
    expect(weekdayName(8)).to.equal('');
  });
});

describe('spans from today in words', () => {
  const CASES: readonly (readonly [number, string])[] = [
    [0, 'today'],
    [1, 'tomorrow'],
    [-1, 'yesterday'],
    [2, 'in 2 days'],
    [-20, '20 days ago'],
    [21, 'in 3 weeks'],
    [-364, '52 weeks ago'],
    [365, 'in a year'],
    [-639, 'a year ago'],
    [730, 'in 2 years'],
    [-1095, '3 years ago'],
  ];
  for (const [days, words] of CASES)
    it(`${days} days are “${words}”`, () => expect(fromToday(APRIL_9 + days, APRIL_9)).to.equal(words));
  it('read the same both ways (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 5000 }), (n) => {
        expect(fromToday(n, 0).replace(/^in /, '')).to.equal(fromToday(-n, 0).replace(/ ago$/, ''));
      }),
      SEED,
    );
  });
});

describe('clocks in words', () => {
  const AT = '2031-04-09T07:05:00Z';
  it('stand in the salon’s zone, by the device’s clock', () => {
    shownBy({ dates: 'en-GB', clock: '24' }, () => {
      expect(clockText(AT, 'Europe/Helsinki')).to.equal('10:05');
      expect(clockText(AT, 'America/St_Johns')).to.equal('04:35');
      expect(instantText(AT, 'Pacific/Auckland')).to.equal('Wed 9 Apr, 19:05');
    });
    shownBy({ dates: 'en-US', clock: '12' }, () => {
      expect(plain(clockText(AT, 'Europe/Helsinki')).toLowerCase()).to.equal('10:05 am');
      expect(plain(instantText(AT, 'Pacific/Auckland')).toLowerCase()).to.equal('wed, apr 9, 7:05 pm');
    });
  });
  it('say midnight and noon so that nobody comes twelve hours late', () => {
    shownBy({ dates: 'en-GB', clock: '24' }, () => {
      expect([0, 720, 1439].map(minuteText)).to.deep.equal(['00:00', '12:00', '23:59']);
    });
    shownBy({ dates: 'en-US', clock: '12' }, () => {
      expect([0, 720, 1439].map((m) => plain(minuteText(m)).toLowerCase())).to.deep.equal([
        '12:00 am',
        '12:00 pm',
        '11:59 pm',
      ]);
    });
  });
  it('carry a minute that rounds up into its hour (property)', () => {
    expect(minuteClock(59.7)).to.equal('01:00');
    expect(minuteClock(1439.6)).to.equal('00:00');
    shownBy({ clock: '24' }, () => {
      fc.assert(
        fc.property(fc.double({ min: 0, max: 1439, noNaN: true }), (minute) => {
          const [hours = NaN, minutes = NaN] = minuteClock(minute).split(':').map(Number);
          expect(hours * 60 + minutes).to.equal(Math.round(minute) % 1440);
          expect(minuteText(minute)).to.equal(minuteClock(minute));
        }),
        SEED,
      );
    });
  });
  it('know the plain date of an instant in any zone (property, against Temporal)', () => {
    const zones = fc.constantFrom('Europe/Oslo', 'America/New_York', 'Asia/Kathmandu', 'Pacific/Apia', 'UTC');
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 4_000_000_000 }), zones, (second, zone) => {
        const at = new Date(second * 1000).toISOString();
        expect(dateOf(at, zone)).to.equal(Temporal.Instant.from(at).toZonedDateTimeISO(zone).toPlainDate().toString());
      }),
      SEED,
    );
    expect(dateOf('2031-12-31T23:30:00Z', 'Europe/Oslo')).to.equal(formatDay(dayOf('2032-01-01')));
  });
});
