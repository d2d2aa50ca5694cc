/**
 * How work that one visit does not hold is spread over several, each within what the dog bears. A zone that is begun is
 * worked through, no tie is left half done, and a coat that gets wet is dried the same day.
 *
 * Two ways are tried: the coat opened dry, some zones a day, and one bath over all of it last; or a part of the dog a
 * day, bathed, dried and combed. The one with fewer visits is taken, the first where both take as many.
 */
import { sum } from '../quantity/index.ts';
import { regionRow, zone, type ZoneId } from '../dog/index.ts';
import { asWorked } from './allotted.ts';
import { rested, skinTolerance, type Coat } from './coat.ts';
import { lies, type Crew } from './crew.ts';
import { PHASES } from './methods.ts';
import type { PlanStep } from './plan.ts';
import type { BenchJob } from './rankings.ts';
import { workMinutes, type Script, type ScriptStep } from './script.ts';
import { workScript, type Choices, type Worked } from './simulate.ts';

/** What holds a visit's work. */
export interface VisitLimits {
  /** Does a visit of these steps keep to what the dog bears, and to the time there is. */
  readonly holds: (steps: readonly PlanStep[], visit: number) => boolean;
  /** Minutes of dematting by hand a visit. */
  readonly dematMinutes: number;
}

export interface Course {
  /** What each visit's script comes to, on the coat that the one before left. */
  readonly visits: readonly Worked[];
  /** Days between two of them: the skin rests so long at least, and the coat packs again after the most. */
  readonly gapDays: { readonly least: number; readonly most: number };
  /** Zones that the most visits do not hold. */
  readonly left: readonly ZoneId[];
}

/** Visits over which a groom is spread at most: beyond it the first has grown again. Guess. */
const MOST_VISITS = 4;
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

/** A script and the coat that it is worked on. */
interface Work {
  readonly script: Script;
  readonly found: Coat;
  readonly job: BenchJob;
  readonly crew: Crew | undefined;
  readonly choices: Choices | undefined;
}

/** Minutes of dematting by comb or splitter in a script. */
const dematting = (script: Script, job: BenchJob): number => {
  const clippers = new Set(job.kit.filter((t) => t.kind === 'clipper').map((t) => t.id));
  return sum(script.filter((s) => s.phase === 'ties' && !clippers.has(s.toolId)).map(workMinutes));
};

/** The visits of a script that one does not hold; undefined where not even a part of it can be held. */
export function courseOf(work: Work, limits: VisitLimits): Course | undefined {
  const { script, found, job, crew } = work;
  const order = zonesInOrder(script, lies(job.dog, crew));
  const firstWater = script.findIndex((s) => WATER.has(s.phase));
  const opened =
    firstWater > 0
      ? openedThenBathed(work, script.slice(0, firstWater), script.slice(firstWater), order, limits)
      : undefined;
  // Nobody bathes a part of a dog beside ties that wait for another day.
  const tiesWait = firstWater >= 0 && dematting(script, job) > limits.dematMinutes;
  const parts = tiesWait ? undefined : inParts(work, script, order, limits);
  const best = opened && parts ? (better(parts, opened) ? parts : opened) : (opened ?? parts);
  return best && best.visits.length > 0 ? { ...best, gapDays: gapDays(best.visits, found, job, crew) } : undefined;
}

type Spread = Pick<Course, 'visits' | 'left'>;
const better = (a: Spread, b: Spread): boolean =>
  a.left.length !== b.left.length ? a.left.length < b.left.length : a.visits.length < b.visits.length;

/** Zones in working order; of a dog that lies, one side after the other, so that it is turned once. */
function zonesInOrder(script: Script, lying: boolean): readonly ZoneId[] {
  const zones = [...new Set(script.flatMap((s) => s.zones.map((z) => z.zone)))];
  const side = (id: ZoneId): number => (lying && zone(id).side === 'right' ? 1 : 0);
  return zones.sort(
    (a, b) =>
      side(a) - side(b) || regionRow(zone(a).region).order - regionRow(zone(b).region).order || (a < b ? -1 : 1),
  );
}

const onlyIn = (script: Script, zones: ReadonlySet<ZoneId>): Script =>
  script.flatMap((s): ScriptStep[] => {
    const own = s.zones.filter((z) => zones.has(z.zone));
    return own.length === 0 ? [] : [{ ...s, zones: own }];
  });

const worked = ({ job, crew, choices }: Work, script: Script, coat: Coat): Worked =>
  workScript(asWorked(script, coat, job, crew), coat, job, { crew, choices, waterAsNeeded: true });

/** Does a visit hold this work: the dog bears it, and no tie is worked longer than may be. */
export const held = ({ steps, script }: Worked, visit: number, limits: VisitLimits, job: BenchJob): boolean =>
  limits.holds(steps, visit) && dematting(script, job) <= limits.dematMinutes + 1e-6;

/** As many zones from the front of `order` as a visit holds, by bisection; undefined where it does not hold one. */
function fullest(
  work: Work,
  script: Script,
  order: readonly ZoneId[],
  coat: Coat,
  visit: number,
  limits: VisitLimits,
): { readonly visit: Worked; readonly zones: number } | undefined {
  let best: { visit: Worked; zones: number } | undefined;
  let [low, high] = [1, order.length];
  while (low <= high) {
    const middle = Math.ceil((low + high) / 2);
    const tried = worked(work, onlyIn(script, new Set(order.slice(0, middle))), coat);
    if (held(tried, visit, limits, work.job)) {
      best = { visit: tried, zones: middle };
      low = middle + 1;
    } else high = middle - 1;
  }
  return best;
}

/** A part of the dog a visit, every step of the script in it. */
function inParts(work: Work, script: Script, order: readonly ZoneId[], limits: VisitLimits): Spread {
  const visits: Worked[] = [];
  let coat = work.found;
  let rest = order;
  while (rest.length > 0 && visits.length < MOST_VISITS) {
    const next = fullest(work, script, rest, coat, visits.length, limits);
    if (!next) break;
    visits.push(next.visit);
    coat = rested(next.visit.coat);
    rest = rest.slice(next.zones);
  }
  return { visits, left: rest };
}

/** Some zones opened dry a visit, then what is left of that and the water over all. */
function openedThenBathed(
  work: Work,
  dry: Script,
  wet: Script,
  order: readonly ZoneId[],
  limits: VisitLimits,
): Spread | undefined {
  const visits: Worked[] = [];
  let coat = work.found;
  let rest = order.filter((id) => dry.some((s) => s.zones.some((z) => z.zone === id)));
  while (visits.length < MOST_VISITS) {
    if (visits.length > 0) {
      const last = worked(work, [...onlyIn(dry, new Set(rest)), ...wet], coat);
      if (held(last, visits.length, limits, work.job)) return { visits: [...visits, last], left: [] };
    }
    const next = rest.length > 0 && fullest(work, dry, rest, coat, visits.length, limits);
    if (!next) return undefined;
    visits.push(next.visit);
    coat = rested(next.visit.coat);
    rest = rest.slice(next.zones);
  }
  return undefined;
}

function gapDays(visits: readonly Worked[], found: Coat, job: BenchJob, crew: Crew | undefined): Course['gapDays'] {
  const skin = Math.max(0, ...visits.flatMap((v) => v.coat.zones.map((z) => z.skinLoad / skinTolerance(z))));
  return {
    least: (REST.find((r) => skin > r.over)?.days ?? 1) + (lies(job.dog, crew) ? FRAIL_REST : 0),
    most: found.zones.some((z) => z.condition === 'packed') ? PACKS_AGAIN : WAITS,
  };
}

/** Does a script wet the dog. */
export const bathesIn = (steps: readonly Pick<PlanStep, 'phase'>[]): boolean =>
  steps.some((s) => PHASES[s.phase].work === 'bath');
