/** What `wt tide` prints: each dog's forecasts with their quantiles, dates as plain dates. */
import type { TideFile } from '../contract/tide.ts';
import { day, ended, formatDay, type Day, type Interval80 } from '../core/quantity/index.ts';
import { bookAsOf, inHundredths, learnBook, outlooks, type Outlook } from '../core/tide/index.ts';

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

/** What every room says of a dog. */
const outlookReport = (o: Outlook | undefined) =>
  o && {
    ...(o.due && { due: dates({ low: o.due.earliest, likely: o.due.day, high: o.due.latest }) }),
    ...(o.booked && { booked: formatDay(o.booked.day) }),
    visit: formatDay(o.visit),
    minutes: amounts(o.minutes),
    priceCents: o.priceCents,
    grams: amounts(o.grams),
  };

/** Forecasts of a salon as known on a day: nothing that was logged later is read. */
export function tideReport(file: TideFile, asOf: Day) {
  const book = bookAsOf(file, asOf);
  const learnt = inHundredths(ended(learnBook(book, { asOf })));
  const known = outlooks(book, learnt);
  const names = new Map(file.dogs.map((d) => [d.id, d.name]));
  const { town, dogs } = learnt;
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
      ...outlookReport(known.get(d.id)),
      sampled: d.sampled,
    })),
  };
}
