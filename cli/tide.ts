/** What `wt tide` prints: each dog's forecasts with their quantiles, dates as plain dates. */
import type { TideFile } from '../contract/tide.ts';
import { day, ended, formatDay, type Day, type Interval80 } from '../core/quantity/index.ts';
import { learnBook } from '../core/tide/index.ts';

const dates = ({ low, likely, high }: Interval80) => ({
  '10 %': formatDay(day(Math.round(low))),
  '50 %': formatDay(day(Math.round(likely))),
  '90 %': formatDay(day(Math.round(high))),
});
const amounts = ({ low, likely, high }: Interval80) => ({
  '10 %': Math.round(low),
  '50 %': Math.round(likely),
  '90 %': Math.round(high),
});

/** Forecasts of a salon as known on a day: nothing that was logged later is read. */
export function tideReport(file: TideFile, asOf: Day) {
  const { town, dogs } = ended(learnBook(file, asOf));
  const names = new Map(file.dogs.map((d) => [d.id, d.name]));
  return {
    format: 'woolly-tide/tide',
    version: 1,
    asOf: formatDay(asOf),
    town: {
      lightTrust: Number(town.trust.toFixed(2)),
      shifts: town.shifts.map((s) => ({
        season: s.key,
        days: Number(s.days.toFixed(1)),
        sd: Number(s.sd.toFixed(1)),
      })),
    },
    dogs: dogs.map((d) => ({
      id: d.id,
      name: names.get(d.id) ?? d.id,
      sightings: d.seen,
      starts: d.starts.map((s) => ({ season: s.key, ...dates(s) })),
      due: dates(d.due),
      minutes: amounts(d.dueMinutes),
      gramsOut: amounts(d.dueGrams),
      gramsOnFloorUntilDue: amounts(d.floorG),
      sampled: d.sampled,
    })),
  };
}
