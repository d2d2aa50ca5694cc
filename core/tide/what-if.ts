/** What would be if a visit were skipped, the dog were brushed daily or lived elsewhere; and where its coat may pack. */
import { addDays, clamp, sum, type Day, type Interval80 } from '../quantity/index.ts';
import { LOAD_BY_FINGER } from '../bench/index.ts';
import { regionRow, ZONES, type Region } from '../dog/index.ts';
import { bandOf, courseAhead, type CareAhead, type CoatOn, type Course } from './ahead.ts';
import { lifeLight, type DogModel } from './dog-model.ts';
import { MOST_TAKEN } from './log-program.ts';
import { AHEAD_DAYS } from './coat-draws.ts';
import type { Outlook } from './outlook.ts';
import { minutesAtLoad, usualTakes, type BookDog } from './tide-book.ts';

export const WHAT_IFS = ['as-now', 'skip-visit', 'brush-daily', 'indoors', 'outdoors'] as const;
export type WhatIf = (typeof WHAT_IFS)[number];

/** What would be: until its next visit falls due or comes as booked, at that visit, and over the year from today. */
export interface WhatIfAnswer {
  readonly what: WhatIf;
  readonly visit: Day;
  readonly minutes: Interval80;
  readonly floorG: Interval80;
  readonly yearMinutes: Interval80;
  readonly yearFloorG: Interval80;
}

export interface PackingRisk {
  readonly region: Region;
  /** Chance that it is packed on the day of the next visit, 0..1. */
  readonly chance: number;
}

/** Answers to each question. After its next visit the dog comes in the middle of its rhythm. */
export function whatIfAnswers(
  dog: BookDog,
  { booked, visit: next, minutes }: Outlook,
  fullG: number,
  model: DogModel,
  coats: readonly CoatOn[],
): readonly WhatIfAnswer[] {
  const today = model.asOf;
  const every = Math.round((dog.rhythm.shortest + dog.rhythm.longest) / 2);
  const after = booked && dog.booked.find((b) => b.day > booked.day)?.day;
  const now = lifeLight(dog.dog.outdoorShare);
  const plans: Readonly<Record<WhatIf, { readonly visit: Day; readonly care: CareAhead }>> = {
    'as-now': { visit: next, care: {} },
    'skip-visit': { visit: after ?? addDays(next, dog.rhythm.longest), care: {} },
    'brush-daily': { visit: next, care: { bouts: new Float64Array(AHEAD_DAYS).fill(1) } },
    indoors: { visit: next, care: { light: lifeLight(0) / now } },
    outdoors: { visit: next, care: { light: lifeLight(1) / now } },
  };
  const takes = Math.min(MOST_TAKEN, usualTakes(dog.sightings, today));
  return WHAT_IFS.map((what): WhatIfAnswer => {
    const { visit, care } = plans[what];
    const days = Math.max(1, visit - today);
    const comes: number[] = [];
    for (let d: number = visit; d <= today + AHEAD_DAYS; d += every) comes.push(d);
    const visits = new Map(comes.map((d) => [d, takes]));
    const runs = coats.map((coat) => courseAhead(model, coat, AHEAD_DAYS, { ...care, visits }));
    const minutesOn = (run: Course, d: number): number =>
      minutesAtLoad(dog.minutesAt, (run.store[d - today - 1] ?? 0) / (1 - takes) / fullG);
    const band = (of: (run: Course) => number): Interval80 => bandOf(Float64Array.from(runs, of));
    return {
      what,
      visit,
      // What is asked of the next visit as things are has been answered already.
      minutes: what === 'as-now' ? minutes : band((run) => minutesOn(run, visit)),
      floorG: band((run) => sum(run.fell.subarray(0, days))),
      yearMinutes: band((run) => sum(comes.map((d) => minutesOn(run, d)))),
      yearFloorG: band((run) => sum(run.fell)),
    };
  });
}

/** A zone counts as packed from halfway between "fingertips get there" and "fingers do not". */
const PACKED_FROM = (LOAD_BY_FINGER[2] + LOAD_BY_FINGER[3]) / 2;

/** Chance that each region is packed on a day, the likeliest first. */
export function packingOf(model: DogModel, fullG: number, coats: readonly CoatOn[], on: Day): readonly PackingRisk[] {
  const days = Math.max(1, on - model.asOf);
  const loads = coats.map((coat) => courseAhead(model, coat, days).store[days - 1]! / fullG);
  const regions = [...new Set(ZONES.map((z) => z.region))];
  return regions
    .map((region) => {
      // Where undercoat is deeper, the same load of the dog packs sooner.
      const factor = clamp(0.6 + 0.4 * regionRow(region).undercoatFactor, 0.4, 2);
      return { region, chance: loads.filter((l) => l * factor >= PACKED_FROM).length / loads.length };
    })
    .filter((r) => r.chance >= 0.1)
    .sort((a, b) => b.chance - a.chance);
}
