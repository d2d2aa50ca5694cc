/** A year that is wondered about: what each change does to the facts, and that a plan of them comes to what the account says. */
import { expect } from 'chai';
import {
  account,
  AS_TODAY,
  changedYear,
  coatOf,
  dayCost,
  planBook,
  planTide,
  soonerWithTub,
  weekMinutes,
  WORTH,
  YEAR_EFFORT,
  yearOfTide,
  yearOutcome,
  type RosterPerson,
  type YearBook,
  type YearChange,
} from '../../core/book/index.ts';
import { STAGE_KINDS } from '../../core/day/index.ts';
import { DEFAULT_HOUSE, EVEN_DAYS } from '../../core/kit/index.ts';
import { addDays, ended, seededRandom, sum } from '../../core/quantity/index.ts';
import { learnBook } from '../../core/tide/index.ts';
import { dogsInBook, makeTown, STUDY_PLACE, WORLDS } from '../../study/worlds.ts';
import { changeText, limitsText } from '../../web/words/year.ts';

const [WORLD] = WORLDS;
if (!WORLD) throw new Error('no world');
const TOWN = makeTown(WORLD, seededRandom(31), 6);
const RUNA: RosterPerson = {
  id: 'runa',
  name: 'Runa',
  weekdays: [2, 3, 4, 5],
  from: 540,
  to: 960,
  pause: { minutes: 30, from: 660, to: 840 },
  can: STAGE_KINDS,
  mostHeavy: 3,
  protectDb: 20,
};
const BOOK: YearBook = {
  today: TOWN.issue,
  place: STUDY_PLACE,
  openWeekdays: [2, 3, 4, 5],
  minutesPerWeek: 400,
  rates: DEFAULT_HOUSE.rates,
  lengths: { step: 5, shortest: 30 },
  readings: [],
  roster: { people: [RUNA], away: [] },
  dogs: dogsInBook(TOWN).map((d, i) =>
    i === 0 ? { ...d, booked: [{ day: addDays(TOWN.issue, 20), minutes: 90, agreed: true }] } : d,
  ),
};
const LEARNT = ended(learnBook(BOOK));
const FACTS = { book: BOOK, learnt: LEARNT };
const with_ = (change: Partial<YearChange>) => changedYear(FACTS, { ...AS_TODAY, ...change });
const hoursOf = (change: Partial<YearChange>): number => {
  const { book, learnt } = with_(change);
  return sum([...yearOfTide(book, learnt).hours.minutes]);
};
const QUICK = { ...YEAR_EFFORT, evaluations: 20, triesPerDog: 20, nudgesPerTry: 10 };
const planOf = (change: Partial<YearChange>) => {
  const { book, learnt } = with_(change);
  const year = yearOfTide(book, learnt);
  const plan = ended(planTide(year, QUICK));
  return { book, year, plan, outcome: yearOutcome(year, plan, book, learnt.from) };
};

describe('a year that is wondered about', () => {
  it('is today’s where nothing is otherwise, and told as that', () => {
    expect(with_({})).to.deep.equal(FACTS);
    expect(changeText(AS_TODAY)).to.equal('As today');
    expect(changeText({ ...AS_TODAY, handDays: 2, moreDogs: 1 })).to.equal(
      'One more person 2 days a week and one more dog',
    );
  });

  it('has the hours of one more person, on the days with the fewest, and of one more open day', () => {
    const { roster } = with_({ handDays: 2 }).book;
    expect(roster?.people).to.have.length(2);
    expect(roster?.people[1]?.weekdays).to.have.length(2);
    // Two more days of four.
    expect(hoursOf({ handDays: 2 }) / hoursOf({})).to.be.closeTo(1.5, 0.01);
    expect(hoursOf({ openWeekday: 1 }) / hoursOf({})).to.be.closeTo(1.25, 0.01);
    // As much of their hours goes to this work as before.
    const opened = with_({ openWeekday: 1 }).book;
    const share = (b: YearBook): number => b.minutesPerWeek / weekMinutes(b.roster?.people ?? [], b.openWeekdays);
    expect(share(opened)).to.be.closeTo(share(BOOK), 1e-9);
    const nobody = changedYear({ book: { ...BOOK, roster: undefined }, learnt: LEARNT }, { ...AS_TODAY, handDays: 1 });
    expect(nobody.book.minutesPerWeek).to.equal(500);
  });

  it('has more dogs like those there are, with nothing agreed, and never two of one id', () => {
    const { book, learnt } = with_({ moreDogs: 10 });
    expect(book.dogs).to.have.length(16);
    expect(new Set(learnt.dogs.map((t) => t.id)).size).to.equal(16);
    expect(book.dogs.slice(6).every((d) => d.booked.length === 0)).to.equal(true);
    // All over the book, not the first one ten times.
    expect(new Set(book.dogs.slice(6).map((d) => d.dog)).size).to.equal(6);
  });

  it('has shorter visits with a stronger dryer, and less hair where homes brush', () => {
    const [dry] = with_({ strongerDryer: true }).book.dogs;
    expect(dry?.minutesAt[0]).to.be.closeTo(40 * (1 - 0.28 * 0.25), 1e-9);
    const brushed = with_({ homesBrush: true });
    for (const [i, dog] of BOOK.dogs.entries()) {
      const [before, after] = [LEARNT.dogs[i], brushed.learnt.dogs[i]];
      if (!before || !after) throw new Error('no tide');
      const [a, b] = [coatOf(dog, before, LEARNT.from), coatOf(dog, after, LEARNT.from)];
      if (dog.dog.homeCare === 'steady') {
        expect(after).to.deep.equal(before);
        continue;
      }
      expect(b.keep).to.be.lessThan(a.keep);
      // What falls by itself falls as before; the brush takes the rest of what leaves.
      expect((1 - b.keep) * b.fallShare).to.be.closeTo((1 - a.keep) * a.fallShare, 1e-9);
      expect([...after.bare.likely].every((g, d) => g <= (before.bare.likely[d] ?? 0) + 1e-3)).to.equal(true);
      expect(after.bare.likely[200]).to.be.lessThan(before.bare.likely[200] ?? 0);
    }
  });

  it('comes to what the account of its plan says, and to more income with more dogs', () => {
    const [today, more] = [planOf({}), planOf({ moreDogs: 6 })];
    const told = account(today.year.dogs, today.plan.visits, today.year.hours, WORTH);
    expect(today.outcome.visits).to.equal(told.visits);
    expect(sum(today.outcome.weeks.map((w) => w.proposed))).to.be.closeTo(sum([...told.load]), 1e-6);
    expect(sum(today.outcome.weeks.map((w) => w.hours))).to.be.closeTo(hoursOf({}), 1e-6);
    expect(today.outcome.overtime).to.equal(told.overtime);
    expect(more.outcome.dogs).to.equal(12);
    expect(more.outcome.incomeCents).to.be.greaterThan(1.5 * today.outcome.incomeCents);
    expect(more.outcome.cost).to.be.at.least(more.outcome.bound);
    // Never below the smallest price of a visit.
    expect(today.outcome.incomeCents).to.be.at.least(today.outcome.visits * DEFAULT_HOUSE.rates.minimumCents);
  });

  it('ends its fullest days no later with a tub more, and says what it does not know', () => {
    const { book, year, plan } = planOf({ moreDogs: 20, handDays: 4 });
    const room = {
      house: { hours: DEFAULT_HOUSE.hours, tables: 2 },
      places: [
        { id: 'table-1', kind: 'table' },
        { id: 'table-2', kind: 'table' },
        { id: 'tub-1', kind: 'tub' },
        { id: 'dryer-1', kind: 'dryer' },
      ],
    } as const;
    expect(soonerWithTub(year, plan, book, LEARNT.from, room)).to.be.at.least(0);
    // With a dryer each, the one tub is what two people wait for.
    const dryers = [...room.places, { id: 'dryer-2', kind: 'dryer' } as const];
    expect(soonerWithTub(year, plan, book, LEARNT.from, { ...room, places: dryers })).to.be.greaterThan(0);
    expect(limitsText(AS_TODAY)).to.have.length(2);
    expect(limitsText({ ...AS_TODAY, strongerDryer: true }).join(' ')).to.contain('a guess');
  });
});

describe('days as even as the house would have them', () => {
  it('cost nothing below their hours where they may be filled, and lie flatter the more evenness is minded', () => {
    const squares = EVEN_DAYS.map((evenDays) => {
      const { book, learnt } = changedYear(
        { book: { ...BOOK, evenDays }, learnt: LEARNT },
        { ...AS_TODAY, moreDogs: 12 },
      );
      const { dogs, hours } = yearOfTide(book, learnt);
      const open = hours.minutes.findIndex((m) => m > 0);
      const half = dayCost(hours, open, (hours.minutes[open] ?? 0) / 2);
      if (evenDays === 'filled') expect(half).to.equal(0);
      else expect(half).to.be.greaterThan(0);
      const plan = ended(planBook(dogs, hours, WORTH, QUICK));
      return sum([...plan.load].map((l) => l * l));
    });
    expect(squares).to.have.length(3);
    expect(squares[1]).to.be.lessThan(squares[0] ?? 0);
    expect(squares[2]).to.be.lessThan(squares[1] ?? 0);
  });
});
