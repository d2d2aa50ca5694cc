/** Who works on a day, and how many minutes that is: closed days, days off and pauses, on any roster. */
import { expect } from 'chai';
import fc from 'fast-check';
import { atWork, isClosed, weekMinutes, workMinutes, type Absence, type RosterPerson } from '../../core/book/index.ts';
import { addDays, dayFromCivil, isoWeekday, type Day } from '../../core/quantity/index.ts';

const MONDAY = dayFromCivil({ year: 2031, month: 4, dayOfMonth: 7 });
const SEED = { seed: 20261203, numRuns: 300 };

const personOf = (id: string, more: Partial<RosterPerson> = {}): RosterPerson => ({
  id,
  name: id,
  weekdays: [1, 2, 3, 4, 5],
  from: 480,
  to: 960,
  pause: { minutes: 30, from: 660, to: 780 },
  can: ['bath'],
  mostHeavy: 2,
  protectDb: 20,
  ...more,
});
const awayOf = (person: string | null, from: Day, to: Day): Absence => ({
  id: `${person ?? 'all'} ${from} ${to}`,
  person,
  from,
  to,
  reason: '',
});
const WEEK = [1, 2, 3, 4, 5, 6];

interface Drawn {
  readonly weekdays: readonly number[];
  readonly from: number;
  readonly length: number;
  readonly pause: number;
}

describe('who works on a day', () => {
  it('is whoever has that weekday and is not away, on a day on which the salon is open', () => {
    const people = [personOf('ada'), personOf('bo', { weekdays: [1, 3] })];
    const roster = { people, away: [awayOf('ada', addDays(MONDAY, 2), addDays(MONDAY, 3))] };
    const names = (offset: number) => atWork(roster, WEEK, addDays(MONDAY, offset)).map((p) => p.id);
    expect([0, 1, 2, 3, 4, 5, 6].map(names)).to.deep.equal([['ada', 'bo'], ['ada'], ['bo'], [], ['ada'], [], []]);
  });
  it('is nobody while the salon is shut, first and last day counted', () => {
    const roster = { people: [personOf('ada')], away: [awayOf(null, addDays(MONDAY, 1), addDays(MONDAY, 2))] };
    expect([0, 1, 2, 3].map((o) => isClosed(roster, WEEK, addDays(MONDAY, o)))).to.deep.equal([
      false,
      true,
      true,
      false,
    ]);
    expect(workMinutes(roster, WEEK, addDays(MONDAY, 1))).to.equal(0);
    expect(workMinutes(roster, WEEK, MONDAY)).to.equal(450);
  });
  it('works no less than nothing where the pause is longer than the day', () => {
    const short = personOf('ada', { from: 600, to: 610 });
    expect(workMinutes({ people: [short], away: [] }, WEEK, MONDAY)).to.equal(0);
    expect(weekMinutes([short], WEEK)).to.equal(0);
  });

  const weekdays = fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { maxLength: 7 });
  const people = fc.array(
    fc.record({
      weekdays,
      from: fc.integer({ min: 300, max: 700 }),
      length: fc.integer({ min: 0, max: 600 }),
      pause: fc.integer({ min: 0, max: 90 }),
    }),
    { maxLength: 5 },
  );
  const rosterOf = (drawn: readonly Drawn[]): readonly RosterPerson[] =>
    drawn.map((d, i) =>
      personOf(`p${i}`, {
        weekdays: d.weekdays,
        from: d.from,
        to: d.from + d.length,
        pause: { minutes: d.pause, from: d.from, to: d.from + d.length },
      }),
    );
  it('adds up to the usual week where nobody is away (property)', () => {
    fc.assert(
      fc.property(people, weekdays, fc.integer({ min: 0, max: 3000 }), (drawn, open, offset) => {
        const all = rosterOf(drawn);
        const start = addDays(MONDAY, offset);
        const days = Array.from({ length: 7 }, (_, i) =>
          workMinutes({ people: all, away: [] }, open, addDays(start, i)),
        );
        expect(days.reduce((t, m) => t + m, 0)).to.equal(weekMinutes(all, open));
      }),
      SEED,
    );
  });
  it('never gains by somebody being away, and loses just their minutes (property)', () => {
    fc.assert(
      fc.property(people, weekdays, fc.nat(6), fc.nat(4), (drawn, open, offset, who) => {
        const all = rosterOf(drawn);
        const on = addDays(MONDAY, offset);
        const whole = workMinutes({ people: all, away: [] }, open, on);
        const without = { people: all, away: [awayOf(`p${who}`, on, on)] };
        const alone = workMinutes({ people: all.filter((p) => p.id === `p${who}`), away: [] }, open, on);
        expect(workMinutes(without, open, on)).to.equal(whole - alone);
        expect(atWork(without, open, on).some((p) => p.id === `p${who}`)).to.equal(false);
        const shut = { people: all, away: [awayOf(null, addDays(on, -1), addDays(on, 1))] };
        expect(workMinutes(shut, open, on)).to.equal(0);
        expect(isClosed({ away: [] }, open, on)).to.equal(!open.includes(isoWeekday(on)));
      }),
      SEED,
    );
  });
});
