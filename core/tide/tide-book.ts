/** What forecasts of a whole salon rest on: its dogs with their logs and days, and the house’s rhythm. */
import { clamp, type Day } from '../quantity/index.ts';
import type { Hold } from '../check/index.ts';
import type { HouseRules, VisitLengths } from '../kit/index.ts';
import type { TideDog } from './dog-model.ts';
import type { Place } from './seasons.ts';
import type { Sighting } from './sightings.ts';
import type { Reading } from './weather.ts';

/** Loads, as shares of the class's full load, at which the bench says how long a visit takes. */
export const MINUTE_LOADS = [0.05, 0.16, 0.42, 0.75, 1] as const;

/** A visit that stands in the book; agreed: the owner has said yes. */
export interface BookedVisit {
  readonly day: Day;
  readonly minutes: number;
  readonly agreed: boolean;
  /** Likely minutes of it when it was booked, or when somebody looked at it last; absent where nobody knew. */
  readonly told?: number | undefined;
}

/** A dog as the tide reads it. */
export interface BookDog {
  readonly id: string;
  readonly name: string;
  readonly owner: string;
  readonly dog: TideDog;
  readonly sightings: readonly Sighting[];
  /** Minutes of a visit at each of MINUTE_LOADS. */
  readonly minutesAt: readonly number[];
  /** What of its visits the house charges apart from their minutes, where something is. */
  readonly apart?: { readonly minutes: number; readonly cents: number } | undefined;
  readonly rhythm: { readonly shortest: number; readonly longest: number };
  /** Visits that stand in the book, today or later, in order. */
  readonly booked: readonly BookedVisit[];
  /** What the newest check found that nothing was worked on since. */
  readonly found?: FoundCoat | undefined;
  /** What waits for a vet, or is to be left alone as a vet has said. */
  readonly holds: readonly Hold[];
}

export interface FoundCoat {
  readonly day: Day;
  /** Share of a full load that was felt. */
  readonly load: number;
  /** Undercoat stands packed or hair is tied: it is due at once, whatever the grams. */
  readonly packed: boolean;
}

export interface TideBook {
  readonly today: Day;
  readonly place: Place;
  readonly openWeekdays: readonly number[];
  /** Minutes of this work the salon has in a week. */
  readonly minutesPerWeek: number;
  readonly rates: HouseRules['rates'];
  readonly lengths: VisitLengths;
  readonly readings: readonly Reading[];
  readonly dogs: readonly BookDog[];
}

/** Minutes of a visit at a load, between what the bench says. */
export function minutesAtLoad(minutesAt: readonly number[], load: number): number {
  const at = clamp(load, MINUTE_LOADS[0], MINUTE_LOADS[MINUTE_LOADS.length - 1] ?? 1);
  let i = 0;
  while (i < MINUTE_LOADS.length - 2 && at > (MINUTE_LOADS[i + 1] ?? 1)) i++;
  const [a, b] = [MINUTE_LOADS[i] ?? 0, MINUTE_LOADS[i + 1] ?? 1];
  const [x, y] = [minutesAt[i] ?? 0, minutesAt[i + 1] ?? 0];
  return x + ((at - a) / (b - a)) * (y - x);
}

/** Share of what stands in a coat that a visit takes, where a dog's log does not say. Guess. */
export const USUAL_TAKES = 0.8;

/** Share of what stands in its coat that this dog's visits usually take. */
export function usualTakes(sightings: readonly Sighting[], asOf: Day): number {
  const last = sightings.filter((s) => s.kind === 'visit' && s.day <= asOf).slice(-6);
  return last.length === 0
    ? USUAL_TAKES
    : last.reduce((t, s) => t + (s.kind === 'visit' ? s.takes : 0), 0) / last.length;
}

/** A book as it stood on a day: what a check found later is not known yet. */
export const bookAsOf = <B extends TideBook>(book: B, today: Day): B => ({
  ...book,
  today,
  dogs: book.dogs.map(({ found, ...d }) => ({
    ...d,
    ...(found && found.day <= today && { found }),
    holds: d.holds.filter((h) => h.since <= today),
  })),
});
