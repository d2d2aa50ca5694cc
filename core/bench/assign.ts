/** Which piece works which zones in a phase: each zone by a piece that fits it, with as few changes of tool as that allows. */
import { reasonsOf, type Ranking, type Tool, type Wetness } from '../kit/index.ts';
import { DRY_TO_SKIN, type Coat, type CoatZone } from './coat.ts';
import type { Phase } from './methods.ts';
import type { ToolChoice } from './plan.ts';
import { rankingIn, type BenchJob } from './rankings.ts';
import { handWorking, stateFor } from './work.ts';

interface ZoneFits {
  readonly at: number;
  readonly zone: CoatZone;
  readonly ranking: Ranking;
  readonly fits: Ranking['fits'];
}

/** What a phase asks of the tables: hands as the coat is, water and air as the phase makes it. */
const askedIn = (z: CoatZone, phase: Phase): Wetness =>
  phase.work === 'hands' || phase.work === 'ties' ? stateFor(phase.work, phase.id, z) : phase.wetness;

export interface Assignment {
  readonly tool: Tool;
  readonly choice: ToolChoice;
  readonly zones: readonly { readonly at: number; readonly zone: CoatZone }[];
}

/** Nobody changes tools for less: a zone takes the piece already in hand when it is this near to its best. Guess. */
const IN_HAND_SHARE = 0.85;

/** Is there anything for this phase to do in a zone. */
function isOpen(z: CoatZone, phase: Phase): boolean {
  if (z.condition === 'stop') return false;
  if (phase.work !== 'care' && (phase.work === 'ties') !== (z.tie !== 'none')) return false;
  if (phase.regions && !phase.regions.includes(z.region.region)) return false;
  // No tooth and no wire on what was shaved.
  if (z.clipped && phase.work === 'hands') return false;
  // A head that a towel dried needs no dryer.
  return phase.work !== 'drying' || z.wet > DRY_TO_SKIN;
}

/**
 * Zones of a phase by the piece that works them, the piece with most surface first.
 * The piece that is best on most surface also takes the zones where it is nearly best, then the next piece, until
 * every zone that any piece may work has one.
 */
export function assign(coat: Coat, phase: Phase, job: BenchJob): readonly Assignment[] {
  let open: ZoneFits[] = [];
  for (const [at, zone] of coat.zones.entries()) {
    if (!isOpen(zone, phase)) continue;
    const ranking = rankingIn(zone, phase, askedIn(zone, phase), job);
    if (ranking.fits.length > 0) open.push({ at, zone, ranking, fits: ranking.fits });
  }
  const assigned: Assigned[] = [];
  for (let main = bestOnMost(open); main; main = bestOnMost(open)) {
    const tool = main;
    const taken: ZoneFits[] = [];
    const rest: ZoneFits[] = [];
    for (const f of open) (takes(f, tool) ? taken : rest).push(f);
    assigned.push({ tool, zones: taken });
    open = rest;
  }
  return (phase.work === 'hands' ? fewerTools(assigned, phase, job) : assigned).map(({ tool, zones }) => ({
    tool,
    choice: choiceIn(zones, tool),
    zones,
  }));
}

/** Nobody picks another tool up for less, minutes. Common practice. */
export const WORTH_A_TOOL_MINUTES = 2;
/** A kit changes hands for one tool all over where it fits at least this well on the rest. Guess. */
const ALL_OVER_SHARE = 0.4;

interface Assigned {
  readonly tool: Tool;
  readonly zones: readonly ZoneFits[];
}

/**
 * Pieces that would come for less than two minutes by habit give their zones to one that may work there too; where none
 * may, and they may work all that the main piece does, they take its zones: one brush for a small dog.
 */
function fewerTools(assigned: readonly Assigned[], phase: Phase, job: BenchJob): readonly Assigned[] {
  const [main, ...others] = assigned;
  if (!main || others.length === 0) return assigned;
  let first = main;
  const kept: Assigned[] = [];
  for (const other of others) {
    if (habitMinutes(other, phase, job) >= WORTH_A_TOOL_MINUTES) kept.push(other);
    else if (fitsAll(first.tool, other.zones, 0)) first = { tool: first.tool, zones: [...first.zones, ...other.zones] };
    else if (fitsAll(other.tool, first.zones, ALL_OVER_SHARE) && habitMinutes(first, phase, job) < SMALL_DOG_MINUTES) {
      first = { tool: other.tool, zones: [...first.zones, ...other.zones] };
    } else kept.push(other);
  }
  return [{ ...first, zones: [...first.zones].sort((a, b) => a.at - b.at) }, ...kept];
}
/** A step of less is short enough to do it all with one piece. Guess. */
const SMALL_DOG_MINUTES = 8;

const fitsAll = (tool: Tool, zones: readonly ZoneFits[], share: number): boolean =>
  zones.every(({ fits }) => fits.some((f) => f.tool === tool && f.fit >= share * (fits[0]?.fit ?? 0)));

function habitMinutes({ tool, zones }: Assigned, phase: Phase, job: BenchJob): number {
  let minutes = 0;
  for (const { zone } of zones) {
    const w = handWorking(zone, phase.id, tool, stateFor('hands', phase.id, zone), job);
    minutes += (w?.minutesPerPass ?? 0) * habitPasses(zone, phase);
  }
  return minutes;
}

/** Passes that habit gives a condition. A dense live coat has depth to go through but little to give. */
export function habitPasses({ condition }: CoatZone, { passes }: Phase): number {
  if (condition === 'dense') return (passes.clear + passes.loose) / 2;
  return condition === 'packed' ? passes.packed : condition === 'clear' ? passes.clear : passes.loose;
}

/** The piece that fits best on most surface. */
function bestOnMost(open: readonly ZoneFits[]): Tool | undefined {
  const areaByTool = new Map<Tool, number>();
  let main: Tool | undefined;
  let most = 0;
  for (const { zone, fits } of open) {
    const best = fits[0]?.tool;
    if (!best) continue;
    const area = (areaByTool.get(best) ?? 0) + zone.areaM2;
    areaByTool.set(best, area);
    if (area > most) [main, most] = [best, area];
  }
  return main;
}

/** Does a zone take this piece: its best, or one nearly as good. */
function takes({ fits }: ZoneFits, piece: Tool): boolean {
  const enough = IN_HAND_SHARE * (fits[0]?.fit ?? 0);
  for (const f of fits) {
    if (f.fit < enough) return false; // best first: what follows fits worse still
    if (f.tool === piece) return true;
  }
  return false;
}

/** Why a piece was taken, told for the largest zone in which it is the best. */
function choiceIn(taken: readonly ZoneFits[], tool: Tool): ToolChoice {
  const largest = taken
    .filter((f) => f.fits[0]?.tool === tool)
    .reduce<ZoneFits | undefined>((a, b) => (a && a.zone.areaM2 >= b.zone.areaM2 ? a : b), undefined);
  const chosen = largest && reasonsOf(largest.ranking).chosen;
  const { fit: own, runnerUp } = chosen ?? {};
  return {
    fit: own?.fit ?? 0,
    reach: own?.reach ?? 0,
    because: chosen?.because,
    beat: runnerUp && { kind: runnerUp.tool.kind, fit: runnerUp.fit, reach: runnerUp.reach },
    preferred: own?.preferred?.id,
    standsIn: own?.standsIn && { ...own.standsIn, ownYield: own.parts.yield.value },
    ruledOut: (largest?.ranking.ruledOut ?? []).map((r) => ({ kind: r.tool.kind, rule: r.rule })),
  };
}
