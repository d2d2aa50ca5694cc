/** Days and instants in words, against Temporal: the clock of any zone, over its changes, in the device's forms. */
import { expect } from 'chai';
import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { dateOf, clockText, dateText, instantText, longDay, minuteText, shortDay } from '../../web/words/dates.ts';
import { onDay } from '../../web/words/on-day.ts';

const ZONES = ['Europe/Mariehamn', 'America/New_York', 'Pacific/Kiritimati', 'Asia/Kathmandu', 'Australia/Lord_Howe'];
const instants = fc
  .integer({ min: Date.UTC(1990, 0, 1), max: Date.UTC(2090, 0, 1) })
  .map((ms) => new Date(ms - (ms % 1000)).toISOString());

describe('days and instants in words', () => {
  it('say the date and the clock of a zone as Temporal does', () => {
    fc.assert(
      fc.property(instants, fc.constantFrom(...ZONES), (instant, zone) => {
        const z = Temporal.Instant.from(instant).toZonedDateTimeISO(zone);
        expect(dateOf(instant, zone)).to.equal(z.toPlainDate().toString());
        expect(clockText(instant, zone)).to.equal(z.toPlainTime().toString({ smallestUnit: 'minute' }));
        const on = z.toPlainDate().toLocaleString('en-GB', { weekday: 'short', day: 'numeric', month: 'short' });
        expect(instantText(instant, zone)).to.equal(`${on}, ${clockText(instant, zone)}`);
      }),
      { numRuns: 500, seed: 4 },
    );
  });

  it('say plain days as Temporal does', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 40_000 }), (value) => {
        const plain = Temporal.PlainDate.from('1970-01-01').add({ days: value });
        const said = (options: Intl.DateTimeFormatOptions): string => plain.toLocaleString('en-GB', options);
        expect(shortDay(value)).to.equal(said({ weekday: 'short', day: 'numeric', month: 'short' }));
        expect(longDay(value)).to.equal(said({ weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' }));
        expect(dateText(plain.toString())).to.equal(said({ day: 'numeric', month: 'short', year: 'numeric' }));
      }),
      { numRuns: 300, seed: 5 },
    );
    expect(() => dateText('2031-02-30')).to.throw(RangeError);
  });

  it('say minutes after midnight in two digits', () => {
    expect([0, 485, 1439, 1440].map(minuteText)).to.deep.equal(['00:00', '08:05', '23:59', '00:00']);
  });

  it('keep the clock time when a date moves over a change of the clock', () => {
    expect(onDay('2031-03-28T08:30:00Z', 'Europe/Mariehamn', 22369)).to.equal('2031-03-31T07:30:00Z');
  });
});
