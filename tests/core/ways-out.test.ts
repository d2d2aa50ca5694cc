/** Ways out of a day that cannot be kept, on days that can be computed by hand; and an order laid from where another ended. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  breachesOf,
  DAY_EFFORT,
  planDay,
  troubles,
  waysOut,
  type DayAsked,
  type DayVisit,
} from '../../core/day/index.ts';
import { change } from '../../core/day/moves.ts';
import { copyOf, ScheduleBuilder } from '../../core/day/schedule-builder.ts';
import { seededRandom } from '../../core/quantity/index.ts';
import { randomDay } from './random-day.ts';

const visit = (id: string, minutes: number, from: number, more: Partial<DayVisit> = {}): DayVisit => ({
  id,
  dogId: id,
  weightKg: 20,
  stages: [{ kind: 'finish', place: 'table', minutes, hands: true, atOnce: false, cleanMinutes: 0 }],
  arrive: { from, to: from },
  leave: { from, to: from + minutes },
  ...more,
});
const day = (visits: readonly DayVisit[], more: Partial<DayAsked> = {}): DayAsked => ({
  people: ['p', 'q'].map((id) => ({
    id,
    hours: { from: 540, to: 1080 },
    can: ['finish'],
    pauses: [],
    mostHeavy: 9,
    protectDb: 0,
  })),
  places: ['table-1', 'table-2'].map((id) => ({ id, kind: 'table' })),
  visits,
  apart: [],
  pins: [],
  begun: [],
  paused: [],
  now: 0,
  ...more,
});
const QUARTERS = Array.from({ length: 36 }, (_, i) => 540 + 15 * i);
const ways = (asked: DayAsked, starts = QUARTERS) =>
  waysOut(
    asked,
    planDay(asked),
    asked.visits.map((v) => ({ visit: v.id, starts })),
  );

describe('ways out of a day that cannot be kept', () => {
  it('are none where it can be', () => {
    expect(ways(day([visit('a', 60, 540), visit('b', 60, 540)]))).to.deep.equal([]);
  });

  it('ask one owner of a pair that must not meet to come when the other has gone home', () => {
    const asked = day([visit('a', 60, 540), visit('b', 60, 540)], { apart: [['a', 'b']] });
    const [way] = ways(asked);
    expect(way).to.deep.include({ kind: 'come', at: 600, left: [] });
    // Where no time is free, nobody is asked for it.
    expect(ways(asked, [540])).to.deep.equal([]);
  });

  it('take other hands than were wished where those are taken', () => {
    const asked = day([visit('a', 60, 540, { with: 'p' }), visit('b', 60, 540, { with: 'p' })]);
    const way = ways(asked, []).find((w) => w.kind === 'hands');
    expect(way?.left).to.deep.equal([]);
    expect(way).to.have.deep.property('stages', [{ stage: 0, person: 'q' }]);
  });

  it('do half of a long coat on another day, and no short one', () => {
    const tooLong = (minutes: number) => [visit('a', minutes, 540, { leave: { from: 540, to: 540 + minutes / 2 } })];
    expect(ways(day(tooLong(120)), []).map((w) => w.kind)).to.deep.equal(['split']);
    expect(ways(day(tooLong(80)), [])).to.deep.equal([]);
  });

  it('never leave more wrong than there is', () => {
    let found = 0;
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const asked = randomDay(seededRandom(seed), { dogs: [3, 6], people: [1, 2], grain: 5, whole: true });
        const sheet = planDay(asked, undefined, { ...DAY_EFFORT, fewestTries: 3_000, mostTries: 3_000 });
        const wrong = troubles(breachesOf(asked, sheet)).length;
        const movable = asked.visits.map((v) => ({ visit: v.id, starts: QUARTERS }));
        for (const way of waysOut(asked, sheet, movable)) {
          expect(way.left.length).to.be.at.most(wrong);
          expect(way.saves).to.be.greaterThan(0);
          found++;
        }
      }),
      { numRuns: 12 },
    );
    expect(found).to.be.greaterThan(3);
  });
});

describe('an order of a day', () => {
  it('costs the same laid from where a kept one began alike as laid from nothing, and is given up only above its limit', () => {
    let givenUp = 0;
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const random = seededRandom(seed);
        const asked = randomDay(random, { dogs: [2, 10], people: [1, 4], grain: 5, whole: true });
        const [kept, fresh] = [new ScheduleBuilder(asked), new ScheduleBuilder(asked)];
        const now = kept.plainOrder();
        const rest = new Int16Array(now.list.length);
        for (let k = 0; k < 60; k++) {
          const next = copyOf(now);
          change(next, kept, rest, random);
          const cost = fresh.lay(next);
          const most = random() < 0.5 ? Infinity : cost * (0.5 + random());
          const laid = kept.lay(next, most);
          if (laid === Infinity) {
            expect(cost).to.be.greaterThan(most);
            givenUp++;
            continue;
          }
          expect(laid).to.be.closeTo(cost, 1e-9);
          expect(kept.sheet()).to.deep.equal(fresh.sheet());
          if (random() < 0.4) {
            now.list.set(next.list);
            now.who.set(next.who);
            now.waits.set(next.waits);
            kept.keep(now);
          }
        }
      }),
      { numRuns: 60 },
    );
    expect(givenUp).to.be.greaterThan(20);
  });
});
