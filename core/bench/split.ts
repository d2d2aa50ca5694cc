/**
 * How work that does not fit one visit is split over several, so that nothing is left worse in between: a zone
 * that is begun is worked through, no tie is left half done, and water comes once, last, over a coat that is open.
 */
import { sum } from '../quantity/index.ts';
import { zone, regionRow, type ZoneId } from '../dog/index.ts';
import { rested, skinTolerance, type Coat } from './coat.ts';
import { clockShare, lies, type Crew } from './crew.ts';
import type { BenchJob } from './layout.ts';
import { PHASES } from './methods.ts';
import { workMinutes, type Script, type ScriptStep } from './script.ts';
import { workCoat } from './simulate.ts';
import { figuresOf } from './work.ts';

export interface SplitVisit {
  readonly script: Script;
  /** Zones whose hand work this visit does. */
  readonly zones: readonly ZoneId[];
  /** Whole minutes on the clock. */
  readonly minutes: number;
  readonly bathes: boolean;
}

export interface Split {
  readonly visits: readonly SplitVisit[];
  /** Days between two of them: the skin rests so long at least, and the coat packs again after the most. */
  readonly gapDays: { readonly least: number; readonly most: number };
  /** Does every visit keep the time: where water alone takes longer, no split helps. */
  readonly fits: boolean;
}

/** Skin used to these shares wants so many days of rest. Guess. */
const REST: readonly { readonly over: number; readonly days: number }[] = [
  { over: 0.8, days: 3 },
  { over: 0.5, days: 2 },
  { over: 0, days: 1 },
];
/** A frail dog rests a day more. Guess. */
const FRAIL_REST = 1;
/** An opened coat with loose wool in it packs again in so many days; other coats wait longer. Guess. */
const PACKS_AGAIN = 7;
const WAITS = 14;

const WATER = new Set(['bath', 'soapy-work', 'rewash', 'condition', 'towel', 'drying']);

/**
 * A script over as few visits as keep mostMinutes each, or undefined where it fits one.
 * Zones are taken in working order; the last visit does what is left, then the water and all that follows it.
 */
export function splitOf(
  script: Script,
  found: Coat,
  job: BenchJob,
  crew: Crew | undefined,
  mostMinutes: number,
): Split | undefined {
  const share = (s: ScriptStep): number => clockShare(PHASES[s.phase].work, crew, figuresOf(job));
  const clock = (s: ScriptStep): number => workMinutes(s) * share(s);
  if (sum(script.map(clock)) <= mostMinutes) return undefined;
  const firstWater = script.findIndex((s) => WATER.has(s.phase));
  const before = firstWater < 0 ? script : script.slice(0, firstWater);
  const after = firstWater < 0 ? [] : script.slice(firstWater);
  const afterMinutes = sum(after.map(clock));
  const order = [...new Set(before.flatMap((s) => s.zones.map((z) => z.zone)))].sort(byWorkingOrder);
  const minutesOf = (id: ZoneId): number =>
    sum(before.map((s) => (s.zones.find((z) => z.zone === id)?.minutes ?? 0) * share(s)));
  const visits: ZoneId[][] = [[]];
  let used = 0;
  let waiting = sum(order.map(minutesOf));
  for (const id of order) {
    const own = minutesOf(id);
    // Once the rest fits before the water, it is done on that day.
    if (waiting + afterMinutes <= mostMinutes && visits.at(-1)?.length) break;
    if (used + own > mostMinutes && visits.at(-1)?.length) {
      visits.push([]);
      used = 0;
    }
    visits.at(-1)?.push(id);
    used += own;
    waiting -= own;
  }
  const taken = new Set(visits.flat());
  const rest = order.filter((id) => !taken.has(id));
  const parts = visits
    .filter((zones) => zones.length > 0)
    .map((zones) => ({ zones, script: onlyIn(before, new Set(zones)), bathes: false }));
  if (after.length > 0) {
    parts.push({ zones: rest, script: [...onlyIn(before, new Set(rest)), ...after], bathes: true });
  }
  let coat = found;
  let skin = 0;
  for (const part of parts) {
    const worked = workCoat(part.script, coat, job);
    for (const z of worked.zones) skin = Math.max(skin, z.skinLoad / skinTolerance(z));
    coat = rested(worked);
  }
  const shown = parts.map((p) => ({ ...p, minutes: Math.round(sum(p.script.map(clock))) }));
  return {
    visits: shown,
    gapDays: {
      least: (REST.find((r) => skin > r.over)?.days ?? 1) + (lies(job.dog, crew) ? FRAIL_REST : 0),
      most: found.zones.some((z) => z.condition === 'packed') ? PACKS_AGAIN : WAITS,
    },
    fits: shown.length > 1 && shown.every((v) => v.minutes <= mostMinutes + 0.5),
  };
}

const byWorkingOrder = (a: ZoneId, b: ZoneId): number =>
  regionRow(zone(a).region).order - regionRow(zone(b).region).order || (a < b ? -1 : 1);

const onlyIn = (script: Script, zones: ReadonlySet<ZoneId>): Script =>
  script.flatMap((s): ScriptStep[] => {
    const own = s.zones.filter((z) => zones.has(z.zone));
    return own.length === 0 ? [] : [{ ...s, zones: own }];
  });
