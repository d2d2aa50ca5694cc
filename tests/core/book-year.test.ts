/** Rules of a book's year that must never break, over random books: agreed visits, intervals, budgets, repairs. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  account,
  CoatWalk,
  dayCost,
  dogArcs,
  firstFit,
  MOST_LATE_DAYS,
  planBook,
  planYear,
  repair,
  restsAfter,
  startFrom,
  wholeDays,
  WITH_TIME,
  WORTH,
  yearThrough,
  YEAR_EFFORT,
  type BookPlan,
  type DayLimit,
  type YearDog,
} from '../../core/book/index.ts';
import { ended, seededRandom } from '../../core/quantity/index.ts';
import { randomBook, randomCoat, type SmallBook } from './random-book.ts';

const QUICK = { ...YEAR_EFFORT, evaluations: 20, triesPerDog: 20, nudgesPerTry: 10 };
const planned = ({ dogs, hours }: Pick<SmallBook, 'dogs' | 'hours'>): BookPlan =>
  ended(planBook(dogs, hours, WORTH, QUICK));
const seeds = fc.integer({ min: 1, max: 1e6 });
const bookOf = (seed: number): SmallBook => randomBook(seededRandom(seed), 12);
/** Agreed for that day, or as good as: few other days lie about it. */
const isStuck = (dog: YearDog | undefined, d: number): boolean =>
  dog === undefined || dog.fixed.includes(d) || dog.days.filter((x) => x !== d && Math.abs(x - d) <= 21).length < 2;
const own = (d: YearDog): ReadonlySet<number> => new Set([...d.days, ...d.fixed]);

describe('a book’s year', function () {
  this.timeout(120_000);
  it('keeps agreed visits, own days, intervals and budgets, and says what it costs (150 random books)', () => {
    const seen = { fixed: 0, budget: 0, late: 0, crowded: 0 };
    fc.assert(
      fc.property(seeds, (seed) => {
        const book = bookOf(seed);
        const { dogs, hours } = book;
        const plan = planned(book);
        for (const [i, dog] of dogs.entries()) {
          const days = plan.visits[i] ?? [];
          const can = own(dog);
          let last = dog.lastVisit;
          for (const d of days) {
            if (!can.has(d)) throw new Error(`${dog.id} comes on day ${d}, which is none of its own`);
            const agreed = dog.fixed.includes(d);
            if (d - last < dog.shortest && !agreed) throw new Error(`${dog.id} comes after ${d - last} days`);
            if (d - last > dog.longest + MOST_LATE_DAYS) seen.late++;
            last = d;
          }
          for (const f of dog.fixed) if (!days.includes(f)) throw new Error(`${dog.id} lost its agreed day ${f}`);
          if (dog.fixed.length > 0) seen.fixed++;
          if (dog.mostVisits !== undefined) {
            seen.budget++;
            if (days.length > Math.max(dog.mostVisits, dog.fixed.length)) throw new Error(`${dog.id} comes too often`);
          }
        }
        const load = new Float64Array(hours.minutes.length);
        for (const [i, y] of plan.years.entries())
          for (const [k, arc] of y.arcs.entries()) {
            const d = plan.visits[i]?.[k] ?? 0;
            load[d] = (load[d] ?? 0) + (plan.arcs[i]?.minutes[arc] ?? 0);
          }
        const over = load.reduce((t, l, d) => t + dayCost(hours, d, l), 0);
        expect(plan.cost).to.be.closeTo(plan.years.reduce((t, y) => t + y.cost, 0) + over, 1e-6);
        expect(plan.bound).to.be.at.most(plan.cost + 1e-6);
        if (over > 0) seen.crowded++;
      }),
      { seed: 5, numRuns: 150 },
    );
    for (const [what, n] of Object.entries(seen)) expect(n, what).to.be.greaterThan(0);
  });

  it('keeps apart what must not be on one day, wherever another day is open, and never below its bound', () => {
    const seen = { met: 0, crowded: 0 };
    fc.assert(
      fc.property(seeds, (seed) => {
        const { dogs, hours } = bookOf(seed);
        if (dogs.length < 4) return;
        const pair: DayLimit = { dogs: [0, 1], most: () => 1 };
        const few: DayLimit = { dogs: dogs.map((_, i) => i), most: () => 1 };
        const free = ended(planBook(dogs, hours, WORTH, QUICK));
        const plan = ended(planBook(dogs, hours, WORTH, QUICK, undefined, [pair, few]));
        const on = (i: number, d: number): boolean => plan.visits[i]?.includes(d) ?? false;
        for (const d of new Set(plan.visits.flat())) {
          const there = dogs.flatMap((_, i) => (on(i, d) ? [i] : []));
          const bound = there.filter((i) => dogs[i]?.fixed.includes(d));
          if (there.length > Math.max(1, bound.length) && !there.every((i) => isStuck(dogs[i], d)))
            throw new Error(`${there.length} come on day ${d}`);
          if (on(0, d) && on(1, d)) {
            expect(
              [0, 1].every((i) => isStuck(dogs[i], d)),
              `both on day ${d}`,
            ).to.equal(true);
          }
        }
        if (free.visits[0]?.some((d) => free.visits[1]?.includes(d))) seen.met++;
        const freely = free.visits.flat();
        if (freely.some((d) => freely.filter((x) => x === d).length > 1)) seen.crowded++;
        expect(plan.bound).to.be.at.most(plan.cost + 1e-6);
      }),
      { seed: 8, numRuns: 60 },
    );
    expect(seen.met).to.be.greaterThan(0);
    expect(seen.crowded).to.be.greaterThan(3);
  });

  it('is the same when it is planned again, and never worse with more hours', () => {
    fc.assert(
      fc.property(seeds, fc.double({ min: 1, max: 2, noNaN: true }), (seed, more) => {
        const book = bookOf(seed);
        const plan = planned(book);
        expect(planned(book).visits).to.deep.equal(plan.visits);
        const hours = { ...book.hours, minutes: book.hours.minutes.map((m) => m * more) };
        const start = { prices: plan.prices, nodes: plan.years.map((y) => y.nodes) };
        expect(ended(planYear(plan.arcs, hours, QUICK, start)).cost).to.be.at.most(plan.cost + 1e-6);
      }),
      { seed: 6, numRuns: 40 },
    );
  });

  it('is as good from the year of before, when a dog has agreed to one of its days', () => {
    const shares: number[] = [];
    fc.assert(
      fc.property(seeds, (seed) => {
        const { dogs, hours } = bookOf(seed);
        const before = planned({ dogs, hours });
        const i = before.visits.findIndex((days) => days.length > 0);
        const [agreed] = before.visits[i] ?? [];
        if (agreed === undefined) return;
        const next = dogs.map((d, k) =>
          k === i ? { ...d, fixed: [...new Set([agreed, ...d.fixed])].sort((a, b) => a - b) } : d,
        );
        const cold = planned({ dogs: next, hours });
        const warm = ended(planBook(next, hours, WORTH, QUICK, startFrom(dogs, before)));
        for (const [k, d] of next.entries())
          expect(
            d.fixed.every((f) => warm.visits[k]?.includes(f)),
            `${d.id} keeps what it agreed to`,
          ).to.equal(true);
        expect(warm.bound).to.be.at.most(warm.cost + 1e-6);
        shares.push(warm.cost / cold.cost);
      }),
      { seed: 9, numRuns: 30 },
    );
    expect(Math.max(...shares), 'at worst').to.be.below(1.03);
    expect(shares.reduce((t, s) => t + s, 0) / shares.length, 'on the whole').to.be.below(1.003);
    const { dogs, hours } = bookOf(1);
    const start = { prices: new Float64Array(3), visits: new Map<string, number[]>() };
    expect(() => ended(planBook(dogs, hours, WORTH, QUICK, start))).to.throw(RangeError, 'the start has 3 days');
  });

  it('is repaired without touching what is past, agreed, or free of the loss', () => {
    let moved = 0;
    fc.assert(
      fc.property(seeds, fc.integer({ min: 1, max: 70 }), (seed, today) => {
        const book = bookOf(seed);
        const plan = planned(book);
        const open = [...book.hours.minutes.keys()].filter((d) => d > today && (book.hours.minutes[d] ?? 0) > 0);
        const lost = open.slice(0, 2);
        expect(repair(plan.arcs, plan.years, book.hours, today, new Map(), WITH_TIME).years).to.equal(plan.years);
        // With leave to wait beyond the lost days, as absences are answered.
        const arcs = book.dogs.map((dog, i) =>
          dogArcs({ ...dog, lost: new Set(lost) }, book.hours, WORTH, restsAfter(dog, plan.visits[i] ?? [])),
        );
        const before = arcs.map((a, i) => yearThrough(a, plan.years[i]?.nodes ?? []) ?? expect.fail('another year'));
        const { years, moves } = repair(arcs, before, book.hours, today, wholeDays(lost), { ...WITH_TIME, tries: 40 });
        for (const [i, y] of years.entries()) {
          const dog = book.dogs[i];
          const days = y.nodes.map((k) => plan.arcs[i]?.day[k] ?? 0);
          const past = (all: readonly number[]): readonly number[] => all.filter((d) => d <= today);
          expect(past(days), 'what is past').to.deep.equal(past(plan.visits[i] ?? []));
          for (const f of dog?.fixed ?? []) expect(days, 'what is agreed').to.include(f);
          for (const d of days)
            if (lost.includes(d) && !dog?.fixed.includes(d)) throw new Error(`${dog?.id} still comes on lost day ${d}`);
        }
        for (const m of moves) expect(m.from).to.be.greaterThan(today);
        moved += moves.length;
      }),
      { seed: 7, numRuns: 60 },
    );
    expect(moved).to.be.greaterThan(20);
  });

  it('lets a coat walk as its days add up, and rest where its visits settle', () => {
    fc.assert(
      fc.property(seeds, fc.integer({ min: 1, max: 60 }), (seed, days) => {
        const random = seededRandom(seed);
        const coat = randomCoat(random, 80);
        const row = coat.grown[coat.grown.length >> 1] ?? new Float64Array();
        const walk = new CoatWalk(coat);
        const left = coat.fullG * random() * 0.5;
        walk.begin(5, left);
        walk.walkTo(5 + days);
        // The closed form: what was left has faded, what came since stands.
        const fade = coat.keep ** days;
        const stands = fade * (left - (row[5] ?? 0)) + (row[5 + days] ?? 0);
        expect(walk.grams).to.be.closeTo(stands, 1e-6 * coat.fullG);
        // Mass: what was there and came is what stands, fell at home, or left by the home's own hands.
        let released = 0;
        for (let d = 6; d <= 5 + days; d++) released += (row[d] ?? 0) - coat.keep * (row[d - 1] ?? 0);
        const gone = coat.fallShare > 1e-3 ? walk.fellG / coat.fallShare : left + released - walk.grams;
        expect(left + released).to.be.closeTo(walk.grams + gone, 1e-6 * coat.fullG);
      }),
      { seed: 8, numRuns: 300 },
    );
  });

  it('spreads the visits of an owner who pays for few, and costs less than those spent at once', () => {
    let won = 0;
    fc.assert(
      fc.property(seeds, (seed) => {
        const book = randomBook(seededRandom(seed), 40, 1);
        const [one] = book.dogs;
        if (!one) return;
        const { mostVisits: _, ...free } = one;
        const dog: YearDog = { ...free, fixed: [], days: one.days, mostVisits: 2, longest: Math.max(one.longest, 93) };
        const plan = planned({ ...book, dogs: [dog] });
        const [visits = []] = plan.visits;
        expect(visits.length).to.be.at.most(2);
        const cost = (of: readonly number[]): number => account([dog], [of], book.hours, WORTH).cost;
        // As soon as it may, and again as soon as it may: what a purse that is spent by spring comes to.
        const open = dog.days.filter((d) => d - dog.lastVisit >= dog.shortest);
        const second = open.find((d) => d - (open[0] ?? 0) >= dog.shortest);
        if (open[0] === undefined || second === undefined) return;
        if (cost(visits) < cost([open[0], second]) - 1) won++;
      }),
      { seed: 10, numRuns: 30 },
    );
    expect(won).to.be.above(24);
  });

  it('is counted: a rule’s visits and a plan’s come to what their days hold', () => {
    const random = seededRandom(4);
    for (let c = 0; c < 20; c++) {
      const { dogs, hours, lastDay } = randomBook(random, 16);
      for (const visits of [
        firstFit(dogs, hours, { kind: 'every', days: 28 }),
        firstFit(dogs, hours, { kind: 'load', share: 0.4 }),
      ]) {
        const a = account(dogs, visits, hours, WORTH);
        expect(a.visits).to.equal(visits.reduce((t, v) => t + v.length, 0));
        // What the days hold is the work at the table and, with each visit, coming and going.
        expect(a.labour + WORTH.visit * a.visits).to.be.closeTo(
          a.load.reduce((t, l) => t + l, 0),
          1e-6,
        );
        for (const [i, days] of visits.entries()) {
          const can = own(dogs[i] ?? expect.fail());
          for (const d of days) expect(can.has(d) && d <= lastDay).to.equal(true);
        }
      }
      const [dog] = dogs;
      const arcs = dog && dogArcs(dog, hours, WORTH);
      expect(arcs?.count.every((n, j) => (arcs.first[j] ?? 0) + n <= arcs.day.length)).to.equal(true);
    }
  });
});
