/**
 * Searches for a day's sheet by simulated annealing over orders: restarts a few times, then continues from the best. The
 * temperature is a share of the day's own cost and falls with the number of tries, so that a run repeats.
 */
import { ended, seededRandom, type Random } from '../quantity/index.ts';
import { DAY_WORTH, type DayAsked, type DaySheet, type DayWorth } from './asked.ts';
import { soonestEnd } from './bound.ts';
import { change, reinsert } from './moves.ts';
import { copyInto, copyOf, ScheduleBuilder, type Order } from './schedule-builder.ts';

export interface DayEffort {
  /** Orders tried, for each pair of a day's blocks, and at least and at most in all. */
  readonly triesPerPair: number;
  readonly fewestTries: number;
  readonly mostTries: number;
  readonly seed: number;
}
/**
 * As many as bring days of up to eight dogs within a hundredth of the best of long runs, and those of up to sixteen within two or
 * three (`npm run study -- sheet`); twice as many would gain half a hundredth.
 */
export const DAY_EFFORT: DayEffort = { triesPerPair: 120, fewestTries: 50_000, mostTries: 160_000, seed: 1 };

/** Share of the tries that go into beginnings from the plain order; the others go on from the best. */
const BEGINNINGS_SHARE = 0.5;
/** Beginnings: small days hide their best sheets in corners, large ones want a long way down. */
const FEWEST_BEGINNINGS = 3;
const beginningsOf = (blocks: number): number => Math.max(FEWEST_BEGINNINGS, Math.round(100 / Math.max(1, blocks)));
/** Temperature at the first try and at the last, as a share of the day's cost; going on from the best it begins cooler. */
const HOT = 0.05;
const COLD = 0.003;
const GOING_ON = 1 / 3;
/** How often a few dogs are taken out and reinserted, and how often a second change goes with the first. */
const REINSERT_SHARE = 0.01;
const SECOND_CHANGE = 0.3;
/** Tries between two times at which the best so far can be looked at. */
const TOLD_EVERY = 4_000;

/** The best sheet so far, made for who asks for it. */
export type BestSoFar = () => DaySheet;

class Search {
  readonly best: Order;
  least: number;
  private readonly now: Order;
  private readonly next: Order;
  private readonly rest: Int16Array;

  constructor(
    private readonly builder: ScheduleBuilder,
    private readonly people: number,
    private readonly enough: number,
    private readonly random: Random,
    from: Order,
  ) {
    this.now = copyOf(from);
    this.next = copyOf(from);
    this.best = copyOf(from);
    this.rest = new Int16Array(from.list.length);
    this.least = builder.lay(from);
  }

  /** No sheet can be better. */
  get isDone(): boolean {
    return this.least <= this.enough + 1e-9;
  }

  sheet(): DaySheet {
    this.builder.lay(this.best);
    return this.builder.sheet();
  }

  /** Anneals from an order; stops now and then for who would look. */
  *anneal(from: Order, tries: number, hot: number): Generator<BestSoFar, void> {
    const { builder, random, now, next } = this;
    copyInto(now, from);
    let cost = builder.lay(now);
    builder.keep(now);
    let told = 0;
    for (let t = 0; t < tries && !this.isDone; t++) {
      copyInto(next, now);
      if (random() < REINSERT_SHARE) t += reinsert(next, builder, this.people, random);
      else {
        change(next, builder, this.rest, random);
        if (random() < SECOND_CHANGE) change(next, builder, this.rest, random);
      }
      // Metropolis: what it may cost at most to be taken.
      const most = cost - cost * hot * (COLD / hot) ** (t / tries) * Math.log(random());
      const c = builder.lay(next, most);
      if (c > most) continue;
      copyInto(now, next);
      builder.keep(now);
      cost = c;
      this.noteBest(next, c);
      if (t - told > TOLD_EVERY) {
        told = t;
        yield () => this.sheet();
      }
    }
  }

  private noteBest(order: Order, cost: number): void {
    if (cost >= this.least - 1e-9) return;
    this.least = cost;
    copyInto(this.best, order);
  }
}

/** Plans a day in steps; the same facts give the same sheet. From `start` it begins at a sheet that stands. */
export function* dayInSteps(
  asked: DayAsked,
  worth: DayWorth = DAY_WORTH,
  effort: DayEffort = DAY_EFFORT,
  start?: Pick<DaySheet, 'laid' | 'pauses'>,
): Generator<BestSoFar, DaySheet> {
  const builder = new ScheduleBuilder(asked, worth);
  const plain = builder.plainOrder();
  const first = start ? builder.orderOf(start) : plain;
  const tries = Math.min(effort.mostTries, Math.max(effort.fewestTries, effort.triesPerPair * builder.length ** 2));
  const enough = worth.length * (soonestEnd(asked) - builder.starts);
  const search = new Search(builder, asked.people.length, enough, seededRandom(effort.seed), first);
  if (builder.length > 0) {
    const beginnings = start ? 1 : beginningsOf(builder.length);
    for (let k = 0; k < beginnings && !search.isDone; k++)
      yield* search.anneal(start ? first : plain, Math.floor((BEGINNINGS_SHARE * tries) / beginnings), HOT);
    yield* search.anneal(copyOf(search.best), Math.floor((1 - BEGINNINGS_SHARE) * tries), HOT * GOING_ON);
  }
  return search.sheet();
}

/** A day planned to its end. */
export const planDay = (
  asked: DayAsked,
  worth: DayWorth = DAY_WORTH,
  effort: DayEffort = DAY_EFFORT,
  start?: Pick<DaySheet, 'laid' | 'pauses'>,
): DaySheet => ended(dayInSteps(asked, worth, effort, start));
