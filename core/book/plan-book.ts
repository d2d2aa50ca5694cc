/**
 * Decides a book's year: builds every dog's steps, plans, then builds the steps once more from what the planned visits leave
 * in each coat (the first time nobody knows, and a usual rhythm stands in) and mends the plan.
 */
import { ArcRoom, dogArcs, type DogArcs, type Rests, type YearDog } from './arcs.ts';
import { CoatWalk, WORTH, type CoatYear, type Worth } from './coat-year.ts';
import { withinLimits, type DayLimit } from './day-limits.ts';
import type { YearOf } from './from-tide.ts';
import type { Hours } from './hours.ts';
import { daysOf } from './paths.ts';
import { planYear, YEAR_EFFORT, type YearEffort, type YearPlan, type YearProgress } from './year.ts';

export interface BookPlan extends YearPlan {
  /** Days of each dog's visits. */
  readonly visits: readonly (readonly number[])[];
  readonly arcs: readonly DogArcs[];
}

/** What a visit leaves if the dog came before as planned: the last planned visit that lies far enough back counts. */
export function restsAfter({ coats, shortest }: Pick<YearDog, 'coats' | 'shortest'>, visits: readonly number[]): Rests {
  const rows = coats.map((coat) => {
    const walk = new CoatWalk(coat);
    const after: { readonly day: number; readonly left: number }[] = [{ day: 0, left: coat.storeG }];
    for (const x of visits) {
      const before = after[after.length - 1];
      if (!before) continue;
      walk.begin(before.day, before.left);
      walk.walkTo(x);
      after.push({ day: x, left: (1 - coat.takes) * walk.grams });
    }
    return { walk, after };
  });
  return (coat: CoatYear, index: number, day: number): number => {
    const row = rows[index];
    if (!row) return 0;
    const before = row.after.findLast((a) => a.day === 0 || a.day <= day - shortest) ?? { day: 0, left: coat.storeG };
    row.walk.begin(before.day, before.left);
    row.walk.walkTo(day);
    return (1 - coat.takes) * row.walk.grams;
  };
}

const visitsOf = (arcs: readonly DogArcs[], plan: YearPlan): readonly (readonly number[])[] =>
  plan.years.map((y, i) => {
    const a = arcs[i];
    return a ? daysOf(a, y) : [];
  });

/** The first time only what visits leave is wanted: a rough plan says it. */
const DRAFT = { evaluations: 18, everyPass: 3, mostTries: 0 } as const;

/** A plan is mended so often on what its own visits leave: then what it says it costs is what it costs as it is lived. */
const MENDS = 1;
/** The second time little moves: few prices, the last passes, a short search. */
const MEND = { again: 6, everyPass: 9, mostTries: 200 } as const;
/** At last nothing moves: what is said is what these very visits leave and cost, and the bound is of those coats. */
const AS_LIVED = { again: 16, everyPass: 0, mostTries: 0 } as const;

/** So many days a year leave a rough plan choice enough; of more, every other one is looked at. */
const ROUGH_DAYS = 110;
const thinned = (dog: YearDog, i: number): YearDog =>
  dog.days.length <= ROUGH_DAYS ? dog : { ...dog, days: dog.days.filter((_, k) => (k + i) % 2 === 0) };

/** Dogs whose steps are built between two words of progress. */
const AT_ONCE = 50;

export interface BookProgress extends Omit<YearProgress, 'stage' | 'best'> {
  readonly stage: 'building' | YearProgress['stage'];
  /** The best plan so far, once there is one that could be taken. */
  readonly best: BookPlan | undefined;
}

/** A plan of much the same book on the same days: its prices, and the days of each dog's visits by the dog's id. */
export interface BookStart {
  readonly prices: Float64Array;
  readonly visits: ReadonlyMap<string, readonly number[]>;
}

/** Where a plan of these dogs leaves the next one to start. */
export const startFrom = (dogs: readonly YearDog[], { prices, visits }: BookPlan): BookStart => ({
  prices,
  visits: new Map(dogs.map((d, i) => [d.id, visits[i] ?? []])),
});

/**
 * Plans a book; yields how far it is. What must not be on one day together is kept apart at last. From a start no rough plan is made, and prices are only mended. Throws RangeError where the
 * start has other days than the book.
 */
export function* planBook(
  dogs: readonly YearDog[],
  hours: Hours,
  worth: Worth = WORTH,
  effort: YearEffort = YEAR_EFFORT,
  start?: BookStart,
  limits: readonly DayLimit[] = [],
): Generator<BookProgress, BookPlan> {
  if (start && start.prices.length !== hours.minutes.length)
    throw new RangeError(`the start has ${start.prices.length} days, the book ${hours.minutes.length}`);
  const room = new ArcRoom();
  function* build(
    all: readonly YearDog[],
    rests: (dog: YearDog, i: number) => Rests | undefined,
  ): Generator<BookProgress, DogArcs[]> {
    const built: DogArcs[] = [];
    for (const [i, dog] of all.entries()) {
      built.push(dogArcs(dog, hours, worth, rests(dog, i), room));
      if (i % AT_ONCE === 0) yield { stage: 'building', done: i, of: all.length, best: undefined };
    }
    return built;
  }
  function* draft(): Generator<BookProgress, { prices: Float64Array; drafted: readonly (readonly number[])[] }> {
    const first = yield* build(dogs.map(thinned), () => undefined);
    const rough = yield* unfinished(planYear(first, hours, { ...effort, ...DRAFT }));
    return { prices: rough.prices, drafted: visitsOf(first, rough) };
  }
  /** A plan on steps that are built from what the visits of an earlier plan leave in the coats, begun from that plan. */
  function* planFrom(
    { prices, visits }: { readonly prices: Float64Array; readonly visits: readonly (readonly number[])[] },
    with_: YearEffort,
  ): Generator<BookProgress, BookPlan> {
    const arcs = yield* build(dogs, (dog, i) => restsAfter(dog, visits[i] ?? []));
    const nodes = arcs.map((a, i) => (visits[i] ?? []).map((d) => a.day.indexOf(d, 1)));
    const whole = (plan: YearPlan): BookPlan => ({ ...plan, visits: visitsOf(arcs, plan), arcs });
    const steps = planYear(arcs, hours, with_, { prices, nodes });
    for (;;) {
      const step = steps.next();
      if (step.done) return whole(step.value);
      const { best, ...rest } = step.value;
      yield { ...rest, best: best && whole(best) };
    }
  }
  const { prices, drafted } = start
    ? { prices: start.prices, drafted: dogs.map((d) => start.visits.get(d.id) ?? []) }
    : yield* draft();
  let plan = yield* planFrom({ prices, visits: drafted }, effort);
  for (let k = 0; k < MENDS; k++) plan = yield* planFrom(plan, { ...effort, ...MEND });
  const kept = withinLimits(dogs, plan.arcs, plan, hours, limits);
  const visits = plan.arcs.map((a, i) => (kept[i] ? daysOf(a, kept[i]) : []));
  return yield* planFrom({ prices: plan.prices, visits }, { ...effort, ...AS_LIVED });
}

/** The steps of a plan that nobody could take yet. */
function* unfinished(steps: Generator<YearProgress, YearPlan>): Generator<BookProgress, YearPlan> {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    yield { ...step.value, best: undefined };
  }
}

/** Plans a year that was made of a tide. */
export const planTide = (
  { dogs, hours, limits }: Pick<YearOf, 'dogs' | 'hours' | 'limits'>,
  effort: YearEffort = YEAR_EFFORT,
  start?: BookStart,
): Generator<BookProgress, BookPlan> => planBook(dogs, hours, WORTH, effort, start, limits);
