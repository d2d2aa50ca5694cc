/** Decides when dogs come by the rules that calendars are filled with today: a fixed rhythm, or when the coat has filled. */
import type { YearDog } from './arcs.ts';
import { CoatWalk, WORTH, type CoatYear } from './coat-year.ts';
import { lastDayOf, type Hours } from './hours.ts';

export type Rule =
  | { readonly kind: 'every'; readonly days: number }
  /** Load of the coat at which it is due. */
  | { readonly kind: 'load'; readonly share: number };

/** A dog that found no room for so long is squeezed in. Guess: what a salon does with a client who has called thrice. */
const SQUEEZED_AFTER = 21;

/** A slot as calendars have it: the dog's usual length, whatever its coat holds that day. */
const slotOf = (dog: YearDog): number => dog.coats.reduce((t, c) => t + (c.minutesAt[USUAL_LOAD] ?? 0), WORTH.visit);
/** Place of the usual load among the tide's MINUTE_LOADS: a coat between blows. */
const USUAL_LOAD = 2;

/** A dog as the days go by: its coats, its last visit, the day on which it is due, and its visits so far. */
interface DogNow {
  readonly dog: YearDog;
  readonly slot: number;
  readonly can: ReadonlySet<number>;
  readonly walks: readonly { readonly coat: CoatYear; readonly walk: CoatWalk }[];
  last: number;
  due: number | undefined;
  readonly visits: number[];
}

/** First fit: day by day, who has been due longest first, on the first of its own days that has room. */
export function firstFit(dogs: readonly YearDog[], hours: Hours, rule: Rule): readonly (readonly number[])[] {
  const lastDay = lastDayOf(hours);
  const taken = new Float64Array(hours.minutes.length);
  const state = dogs.map((dog): DogNow => ({
    dog,
    slot: slotOf(dog),
    can: new Set(dog.days),
    walks: dog.coats.map((coat) => {
      const walk = new CoatWalk(coat);
      walk.begin(0, coat.storeG);
      return { coat, walk };
    }),
    last: dog.lastVisit,
    due: undefined,
    visits: [],
  }));
  for (let d = 1; d <= lastDay; d++) {
    for (const s of state) {
      for (const { walk } of s.walks) walk.walkTo(d);
      if (s.due !== undefined) continue;
      const waited = d - s.last;
      const full = s.walks.some(({ coat, walk }) => walk.grams >= (rule.kind === 'load' ? rule.share : 1) * coat.fullG);
      const isDue =
        rule.kind === 'every' ? waited >= rule.days : waited >= s.dog.shortest && (full || waited >= s.dog.longest);
      if (isDue) s.due = d;
    }
    const waiting = state
      .filter((s) => s.due !== undefined && s.can.has(d))
      .sort((a, b) => (a.due ?? 0) - (b.due ?? 0));
    for (const s of waiting) {
      const fits = (taken[d] ?? 0) + s.slot <= (hours.minutes[d] ?? 0);
      if (!fits && d - (s.due ?? d) < SQUEEZED_AFTER) continue;
      taken[d] = (taken[d] ?? 0) + s.slot;
      s.visits.push(d);
      s.last = d;
      s.due = undefined;
      for (const { coat, walk } of s.walks) walk.begin(d, (1 - coat.takes) * walk.grams);
    }
  }
  return state.map((s) => s.visits);
}
