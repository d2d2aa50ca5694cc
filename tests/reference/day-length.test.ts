/**
 * Day length against two independent libraries: suncalc (npm) and astronomy-engine (npm), latitudes -60 to 60,
 * every day of a year, within 2 minutes.
 */
import * as Astronomy from 'astronomy-engine';
import { expect } from 'chai';
import { getTimes } from 'suncalc';
import { dayLengthHours } from '../../core/sun/index.ts';
import { dayFromCivil, addDays, type Day } from '../../core/quantity/index.ts';

const DAY_MS = 86_400_000;
const LIMIT_MINUTES = 2;
const LATITUDES = Array.from({ length: 25 }, (_, i) => -60 + i * 5);
const FIRST = dayFromCivil({ year: 2028, month: 1, dayOfMonth: 1 }); // a leap year

const noonOf = (day: Day): Date => new Date((day + 0.5) * DAY_MS);

function sunCalcMinutes(day: Day, latitude: number): number {
  const { sunrise, sunset } = getTimes(noonOf(day), latitude, 0);
  if (!sunrise || !sunset) throw new Error(`suncalc knows no rise at ${latitude}`);
  return (sunset.getTime() - sunrise.getTime()) / 60_000;
}

function engineMinutes(day: Day, latitude: number): number {
  const observer = new Astronomy.Observer(latitude, 0, 0);
  const rise = Astronomy.SearchRiseSet(Astronomy.Body.Sun, observer, 1, new Date(day * DAY_MS), 1);
  const set = rise && Astronomy.SearchRiseSet(Astronomy.Body.Sun, observer, -1, rise, 1);
  if (!rise || !set) throw new Error(`astronomy-engine knows no rise at ${latitude}`);
  return (set.date.getTime() - rise.date.getTime()) / 60_000;
}

/** The worst difference in minutes over days and latitudes, with where it was. */
function worst(
  reference: (day: Day, latitude: number) => number,
  everyDays: number,
): { minutes: number; compared: number; where: string } {
  let found = { minutes: 0, compared: 0, where: '' };
  for (const latitude of LATITUDES) {
    for (let d = 0; d < 366; d += everyDays) {
      const day = addDays(FIRST, d);
      const difference = Math.abs(dayLengthHours(day, latitude) * 60 - reference(day, latitude));
      found =
        difference > found.minutes
          ? { minutes: difference, compared: found.compared + 1, where: `${latitude}° day ${d}` }
          : { ...found, compared: found.compared + 1 };
    }
  }
  return found;
}

describe('day length', () => {
  it('is suncalc’s within 2 minutes, every day, latitudes -60 to 60', () => {
    const { minutes, compared, where } = worst(sunCalcMinutes, 1);
    expect(compared).to.equal(25 * 366);
    expect(minutes, where).to.be.lessThan(LIMIT_MINUTES);
  });

  it('is astronomy-engine’s within 2 minutes, every day, latitudes -60 to 60', function () {
    this.timeout(120_000);
    const { minutes, compared, where } = worst(engineMinutes, 1);
    expect(compared).to.equal(25 * 366);
    expect(minutes, where).to.be.lessThan(LIMIT_MINUTES);
  });

  it('is astronomy-engine’s within 2 minutes from 2000 to 2100, latitudes -66 to 66, night and day without end too', function () {
    this.timeout(120_000);
    let compared = 0;
    for (let year = 2000; year <= 2100; year += 4) {
      for (let k = 0; k < 12; k++) {
        // Days and latitudes that walk through each other, so that all of both are met.
        const day = addDays(dayFromCivil({ year, month: 1, dayOfMonth: 1 }), (k * 31 + year * 7) % 365);
        for (let latitude = -66; latitude <= 66; latitude += 11) {
          const observer = new Astronomy.Observer(latitude, 0, 0);
          const rise = Astronomy.SearchRiseSet(Astronomy.Body.Sun, observer, 1, new Date(day * DAY_MS), 1);
          const set = rise && Astronomy.SearchRiseSet(Astronomy.Body.Sun, observer, -1, rise, 1);
          const own = dayLengthHours(day, latitude) * 60;
          compared++;
          if (rise && set) {
            const minutes = (set.date.getTime() - rise.date.getTime()) / 60_000;
            // Near the end of an endless day a rise and its set fall on two days; the library then pairs others.
            if (minutes > 30 && minutes < 1410)
              expect(own, `${latitude}° on ${day}`).to.be.closeTo(minutes, LIMIT_MINUTES);
          } else expect(own < 40 || own > 1400, `${latitude}° on ${day}: ${own}`).to.equal(true);
        }
      }
    }
    expect(compared).to.equal(26 * 12 * 13);
  });

  it('does not mind the longitude by more than the day’s own change', () => {
    for (const longitude of [-179, -90, 90, 179]) {
      expect(Math.abs(dayLengthHours(FIRST, 60, longitude) - dayLengthHours(FIRST, 60)) * 60).to.be.lessThan(6);
    }
  });

  it('refuses a latitude beyond the poles', () => expect(() => dayLengthHours(FIRST, 91)).to.throw(RangeError, '91'));
});
