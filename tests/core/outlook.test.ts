/** The outlook: when a dog is due and why, what its next visit asks, and that all of it follows from one tide. */
import { expect } from 'chai';
import fc from 'fast-check';
import { priceCents } from '../../core/bench/index.ts';
import { DEFAULT_HOUSE } from '../../core/kit/index.ts';
import { addDays, dayFromCivil, day, isoWeekday, type Day } from '../../core/quantity/index.ts';
import {
  freshLearnt,
  gramsOn,
  learnOne,
  minutesAtLoad,
  needOf,
  outlookOf,
  rhythm,
  tideInHundredths,
  type BookDog,
  type Outlook,
  type Sighting,
  type TideBook,
} from '../../core/tide/index.ts';
import { dogOf } from './examples.ts';
import { NORTH, sightings, tideDog, TODAY } from './random-tide.ts';

const on = (month: number, dayOfMonth: number): Day => dayFromCivil({ year: 2031, month, dayOfMonth });
const MINUTES = [40, 55, 80, 110, 140];
const visit = (d: Day, takes = 0.85): Sighting => ({ kind: 'visit', day: d, takes });
const touch = (d: Day, finger: number): Sighting => ({ kind: 'touch', day: d, finger, tug: Math.min(3, finger) });

const bookDog = (more: Partial<BookDog> = {}): BookDog => ({
  id: 'a',
  name: 'A',
  owner: '',
  dog: { coatClass: 'medium-double', weightKg: 25, outdoorShare: 0.6, homeCare: 'none', life: [] },
  sightings: [],
  minutesAt: MINUTES,
  rhythm: rhythm(dogOf('medium-double', 25), 'none'),
  booked: [],
  holds: [],
  ...more,
});
const bookOf = (dog: BookDog, today: Day): TideBook => ({
  today,
  place: NORTH,
  openWeekdays: [1, 2, 3, 4, 5],
  minutesPerWeek: 2400,
  rates: DEFAULT_HOUSE.rates,
  lengths: { step: 15, shortest: 30 },
  readings: [],
  dogs: [dog],
});
/** A dog's tide and outlook on a day, in a town that nobody has said anything of. */
function ask(dog: BookDog, today: Day) {
  const book = bookOf(dog, today);
  const tide = learnOne(book, dog, { town: freshLearnt(book) });
  return { tide, book, outlook: outlookOf(dog, tide, today, book) };
}
const dueAfter = (dog: BookDog, last: Day): number => (ask(dog, addDays(last, 1)).outlook.due?.day ?? NaN) - last;

describe('the due day', () => {
  it('comes sooner in a blow than after it, and says what the season does', () => {
    const spring = ask(bookDog({ sightings: [visit(on(3, 10))] }), on(3, 11)).outlook.due;
    const summer = ask(bookDog({ sightings: [visit(on(6, 20))] }), on(6, 21)).outlook.due;
    expect((spring?.day ?? 0) - on(3, 10)).to.be.lessThan((summer?.day ?? 0) - on(6, 20));
    expect(spring?.reasons[0]).to.deep.include({ code: 'load', tide: 'spring' });
    expect(spring?.reasons.find((r) => r.code === 'season')?.days).to.be.greaterThan(0);
    expect(summer?.reasons[0]?.code).to.equal('longest');
  });

  it('keeps the rhythm: 4 to 8 weeks alone, 8 to 13 where the home does its share', () => {
    expect(dueAfter(bookDog({ sightings: [visit(on(6, 20))] }), on(6, 20))).to.be.within(28, 58);
    const steady = bookDog();
    const kept = { ...steady.dog, homeCare: 'steady' } as const;
    const of = { ...steady, dog: kept, rhythm: rhythm(dogOf('medium-double', 25), 'steady') };
    expect(dueAfter({ ...of, sightings: [visit(on(6, 20))] }, on(6, 20))).to.be.within(56, 93);
    const puppy = rhythm(dogOf('medium-double', 25, { traits: ['puppy-coat'] }), 'none');
    expect(dueAfter(bookDog({ rhythm: puppy, sightings: [visit(on(6, 20))] }), on(6, 20))).to.be.at.most(36);
  });

  it('lets skin rest after work, not after a mere look, and says when it was reached already', () => {
    const full = bookDog({ sightings: [touch(on(6, 2), 4)] });
    expect(dueAfter(full, on(6, 2))).to.be.at.most(3);
    const left = bookDog({ sightings: [touch(on(6, 2), 4), visit(on(6, 2), 0.1)] });
    expect(dueAfter(left, on(6, 2))).to.equal(28);
    const late = ask(left, on(8, 20)).outlook;
    expect(late.due?.day, 'overdue').to.equal(addDays(on(6, 2), 28));
    expect(late.due?.offer).to.be.greaterThan(on(8, 20));
    expect(late.visit).to.equal(on(8, 20));
    expect(late.need.reason).to.deep.equal({ code: 'overdue', days: on(8, 20) - on(6, 2) - 28 });
  });

  it('is at once where hair was found packed or tied and nobody has worked it since', () => {
    const dog = bookDog({ sightings: [visit(on(6, 1)), touch(on(7, 10), 3)] });
    const found = { day: on(7, 10), load: 0.75, packed: true };
    const { outlook, tide } = ask({ ...dog, found }, on(7, 10));
    expect(outlook.due?.day).to.be.at.most(on(7, 10));
    const gap = bookDog({ sightings: [visit(on(6, 1)), touch(on(7, 10), 1)] });
    const spot = { day: on(7, 10), load: 0.16, packed: true };
    expect(ask({ ...gap, found: spot }, on(7, 10)).outlook.due).to.deep.include({ day: on(7, 10) });
    // What was felt is what its minutes rest on.
    expect(outlook.minutes.likely).to.be.closeTo(minutesAtLoad(MINUTES, 0.75), 1);
    expect(outlook.grams.likely).to.be.closeTo(tide.checked?.grams.likely ?? NaN, 1e-6);
  });

  it('is unknown of a coat that nobody has felt or worked', () => {
    const { outlook } = ask(bookDog(), on(6, 1));
    expect(outlook.due).to.equal(undefined);
    expect(outlook.need.reason.code).to.equal('never-checked');
    expect(needOf(bookDog({ sightings: [visit(on(5, 1))] }), on(6, 1), undefined).need.reason.code).to.equal(
      'learning',
    );
  });

  it('takes a check into what stands: hands that find more than the log explains are believed half', () => {
    const log = [0, 1, 2, 3].map((k) => visit(addDays(on(1, 5), 40 * k)));
    const last = addDays(on(1, 5), 120);
    const today = addDays(last, 20);
    const calm = ask(bookDog({ sightings: log }), today).outlook.now.likely;
    const felt = (finger: number): Outlook =>
      ask(bookDog({ sightings: [...log, touch(today, finger)] }), today).outlook;
    expect(felt(4).now.likely).to.be.greaterThan(1.5 * calm);
    expect(felt(0).now.likely).to.be.lessThan(calm);
  });
});

describe('the next visit', () => {
  it('asks what the coat of its day asks: as booked, else as it is due', () => {
    const sight = [visit(on(3, 1)), visit(on(4, 20))];
    const free = ask(bookDog({ sightings: sight }), on(5, 1));
    expect(free.outlook.visit).to.equal(free.outlook.due?.day);
    const booked = [{ day: on(5, 30), minutes: 60, agreed: true }];
    const agreed = ask(bookDog({ sightings: sight, booked }), on(5, 1));
    expect(agreed.outlook.visit).to.equal(on(5, 30));
    expect(agreed.outlook.due, 'a booking changes nothing of when it is due').to.deep.equal(free.outlook.due);
    const { likely } = gramsOn(agreed.tide, on(5, 1), on(5, 30));
    expect(agreed.outlook.grams.likely).to.equal(likely);
    expect(agreed.outlook.minutes.likely).to.equal(Math.round(minutesAtLoad(MINUTES, likely / agreed.tide.fullG)));
    expect(agreed.outlook.priceCents).to.equal(priceCents(agreed.outlook.minutes.likely, DEFAULT_HOUSE.rates));
  });

  it('counts on what the home has brushed until now, with its doubt', () => {
    const bouts = (every: number): readonly Sighting[] =>
      Array.from({ length: Math.floor(120 / every) }, (_, k) => ({
        kind: 'brushed' as const,
        day: day(on(9, 1) - 1 - every * k),
        amount: 'pinch' as const,
      }));
    const after = (log: readonly Sighting[]): number => {
      const dog = bookDog({ sightings: [visit(on(5, 1)), visit(on(8, 30)), ...log], booked: [] });
      return gramsOn(ask(dog, on(9, 1)).tide, on(9, 1), on(10, 20)).likely;
    };
    expect(after(bouts(1))).to.be.lessThan(0.75 * after(bouts(8)));
    // Who stopped noting long ago is taken as its page says.
    const stopped = bouts(1).map((s) => ({ ...s, day: day(s.day - 100) }));
    expect(after(stopped)).to.be.greaterThan(after(bouts(1)));
  });

  it('is in order, whatever the log: bands, days, price, and the same from what has travelled (property)', () => {
    fc.assert(
      fc.property(tideDog, sightings, fc.integer({ min: -3, max: 60 }), (dog, log, ahead) => {
        const booked = ahead < 0 ? [] : [{ day: addDays(TODAY, ahead), minutes: 60, agreed: ahead % 2 === 0 }];
        const of = bookDog({ dog, sightings: [...log].sort((a, b) => a.day - b.day), booked });
        const { outlook, tide, book } = ask(of, TODAY);
        for (const band of [outlook.grams, outlook.minutes, outlook.now]) {
          expect(band.low).to.be.at.most(band.likely);
          expect(band.likely).to.be.at.most(band.high);
          expect(band.low).to.be.at.least(0);
        }
        const { due } = outlook;
        if (due) {
          expect(due.earliest).to.be.at.most(due.day);
          expect(due.day).to.be.at.most(due.latest);
          expect(due.offer).to.be.greaterThan(TODAY);
          expect(isoWeekday(due.offer)).to.be.at.most(5);
        }
        expect(outlook.visit).to.equal(booked[0]?.day ?? Math.max(TODAY, due?.day ?? TODAY));
        const sent: typeof tide = JSON.parse(JSON.stringify(tideInHundredths(tide)));
        const told = outlookOf(of, sent, TODAY, book);
        expect(told.due).to.deep.equal(due);
        expect(Math.abs(told.minutes.likely - outlook.minutes.likely)).to.be.at.most(1);
      }),
      { numRuns: 60, seed: 71 },
    );
  });
});
