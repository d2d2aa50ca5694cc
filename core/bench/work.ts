/**
 * What a script does to a coat: the release model run step by step over the zones.
 *
 * A step finds each zone in the state that the steps before it left: dry, damp, soapy or wet, shielded or bare,
 * tied or not. So the same step gives something else in another place of the order. Hands take by passes, water
 * and air by how much of the minutes they need they were given. Grams are conserved; more minutes never leave more.
 */
import { clamp } from '../quantity/index.ts';
import { careMinutes } from '../dog/index.ts';
import {
  actionOf,
  coatDepthMm,
  depthMm,
  type Action,
  type Take,
  type Tool,
  type ToolKind,
  type Wetness,
} from '../kit/index.ts';
import {
  heldMlPerM2,
  packedSurfaceShare,
  leaveAs,
  settleTie,
  wetnessOf,
  type Coat,
  type CoatJob,
  type CoatZone,
} from './coat.ts';
import { FIGURES, type Figures } from './figures.ts';
import { PHASES, type Phase, type PhaseWork } from './methods.ts';
import {
  airMinutes,
  bathMinutes,
  dryingMinutes,
  handMinutes,
  mistMinutes,
  rewashMinutes,
  tieMinutes,
  towelMinutes,
} from './minutes.ts';
import {
  effectOfPasses,
  effectOfWater,
  poolsTotalG,
  shieldFactor,
  skinLoadPerPass,
  wearPerPass,
  workPools,
} from './release.ts';
import type { ScriptStep } from './script.ts';

/** No tool takes all of a pool, however long it is worked. */
const MOST_TAKEN = 0.985;
/** Conditioner left in the hair spares it: wear and load of later passes. Guess. */
const SLIP = { wear: 0.8, skin: 0.93 };
/** Air of a usual dryer, litres a second, and how strongly more of it tells. Guess. */
const USUAL_LPS = { 'force-dryer': 50, 'stand-dryer': 40 } as const;
const AIR_POWER = 0.6;

export const figuresOf = ({ figures }: Pick<CoatJob, 'figures'>): Figures => figures ?? FIGURES;

/** How a piece works one zone in the state it is in; undefined where it does nothing. */
export interface Working {
  readonly wetness: Wetness;
  readonly take: Take;
  readonly reach: number;
  /** Hands only: minutes, skin load over a full shield, and topcoat wear of one pass. */
  readonly minutesPerPass: number;
  readonly skinPerPass: number;
  readonly wearPerPass: number;
}

/** Shares of a kind as the figures stand, never all of a pool. */
export const scaled = ({ free, deep, open }: Take, f: Figures): Take => ({
  free: Math.min(MOST_TAKEN, free * f.columnFree),
  deep: Math.min(MOST_TAKEN, deep * f.columnDeep),
  open: Math.min(MOST_TAKEN, open * f.columnOpen),
});

/** The state in which hands of a phase find a zone: work through soap brings its soap along, if there is water. */
export const stateFor = (work: PhaseWork, phase: ScriptStep['phase'], z: CoatZone): Wetness => {
  if (work === 'bath' || work === 'rewash') return 'soapy';
  if (phase === 'soapy-work' && wetnessOf(z) !== 'dry') return 'soapy';
  return wetnessOf(z);
};

/** What a comb takes that is let fall through and not pulled. */
const lighter = ({ free, deep, open }: Take, share: number): Take => ({
  free: free * share,
  deep: deep * share,
  open: open * share,
});

/** What a piece does by hand in a zone in a state of wetness. */
export function handWorking(
  z: CoatZone,
  phase: ScriptStep['phase'],
  tool: Tool,
  wetness: Wetness,
  job: CoatJob,
  known?: Action,
): Working | undefined {
  const action = known ?? actionOf(tool, wetness, job.house);
  if (!action || action.cm2PerMinute === 0) return undefined;
  const f = figuresOf(job);
  return {
    wetness,
    take: phase === 'comb' ? lighter(scaled(action.take, f), f.proofTakes) : scaled(action.take, f),
    reach: clamp(depthMm(tool) / coatDepthMm(z.guardMm), 0, 1),
    minutesPerPass:
      handMinutes(action.cm2PerMinute, z.areaM2, z.guardMm, 1, wetness, f) *
      (job.pace?.[tool.kind] ?? 1) *
      (job.dog.traits.includes('previously-clipped') ? f.clippedSlows : 1),
    skinPerPass: skinLoadPerPass(action.skinPerPass, 1, wetness === 'soapy', f) * (z.slip ? SLIP.skin : 1),
    wearPerPass: wearPerPass(action.frays, z.guardMm, wetness, f) * (z.slip ? SLIP.wear : 1),
  };
}

export const shieldOf = (z: CoatZone): number => (z.startG === 0 ? 0 : poolsTotalG(z.pools) / z.startG);

const drives = (tool: Tool): number => {
  const usual = tool.kind === 'force-dryer' || tool.kind === 'stand-dryer' ? USUAL_LPS[tool.kind] : 1;
  return tool.airLps === undefined ? 1 : clamp(tool.airLps / usual, 0.3, 2.5) ** AIR_POWER;
};

/** A coat as water finds it when a step begins: how much it holds and how much of it keeps soap out. */
export interface WaterState {
  readonly heldMl: number;
  readonly packed: number;
  /** Surface of the zones that the step works, m². */
  readonly areaM2: number;
}
export const waterState = (coat: Coat, zones: readonly CoatZone[], f: Figures): WaterState => ({
  heldMl: heldMlPerM2(coat, f),
  packed: packedSurfaceShare(coat),
  areaM2: zones.reduce((total, z) => total + z.areaM2, 0),
});

/** Minutes in one tied zone with a kind of piece, the pace of hands apart; by its surface where it is clipped by order. */
export function untieMinutes(z: CoatZone, kind: ToolKind, job: CoatJob): number {
  const f = figuresOf(job);
  return z.ordered ? f.clipPerM2 * z.areaM2 : tieMinutes(kind, z.tie, job.house.spray, z.tieWet, f);
}

/** Minutes that water, towel or air need in one zone of a step to do their part; a tie, to settle it. */
export function neededMinutes(z: CoatZone, { work, care }: Phase, tool: Tool, water: WaterState, job: CoatJob): number {
  const f = figuresOf(job);
  const { areaM2, heldMl, packed } = water;
  const share = z.areaM2 / areaM2;
  const pace = job.pace?.[tool.kind] ?? 1;
  switch (work) {
    case 'bath':
      return bathMinutes(areaM2, heldMl, packed, tool.kind === 'bather', f) * share * pace;
    case 'rewash':
      return rewashMinutes(areaM2, heldMl, tool.kind === 'bather', f) * share * pace;
    case 'mist':
    case 'condition':
      return mistMinutes(areaM2, f) * share * pace;
    case 'towel':
      return towelMinutes(areaM2, f) * share * pace;
    case 'drying': {
      const full = dryingMinutes(areaM2, heldMl, tool.kind === 'force-dryer', job.humidityPct, f);
      return (f.dryFixed + ((full - f.dryFixed) * z.wet) / f.towelLeaves / drives(tool)) * share * pace;
    }
    case 'air':
      return airMinutes(areaM2, f) * share * pace;
    case 'ties':
      return untieMinutes(z, tool.kind, job) * (1 - z.tieDone) * pace;
    case 'care':
      return care ? careMinutes(care, job.house) * share * pace : 0;
    case 'hands':
      throw new TypeError('hands are timed by passes');
  }
}

const WATER_STATE: Partial<Record<PhaseWork, Wetness>> = { bath: 'soapy', rewash: 'soapy', towel: 'wet', mist: 'damp' };

/** What water, towel or air take and leave in a zone, given minutes against those it needs. */
function workWater(z: CoatZone, phase: Phase, tool: Tool, minutes: number, needed: number, job: CoatJob): void {
  const { work } = phase;
  const f = figuresOf(job);
  const share = needed <= 0 ? 1 : minutes / needed;
  const effect = effectOfWater(share, f);
  const found = wetnessOf(z);
  const state = WATER_STATE[work] ?? (found === 'soapy' ? 'wet' : found);
  const action = actionOf(tool, state, job.house);
  if (action) {
    const { free, deep, open } = scaled(action.take, f);
    z.pools = workPools(
      z.pools,
      {
        free: Math.min(MOST_TAKEN, free * effect),
        deep: Math.min(MOST_TAKEN, deep * effect),
        open: Math.min(MOST_TAKEN, open * effect),
      },
      1,
      1,
    );
  }
  if (minutes > 0) leaveAs(z, phase, tool.kind, false, f, effect, share);
}

/** Works a tie for so many minutes; once all it needs are given it is settled. */
function workTie(z: CoatZone, tool: Tool, minutes: number, needed: number, packs: boolean, job: CoatJob): void {
  const before = z.tieDone;
  z.tieDone = needed <= 0 ? 1 : Math.min(1, before + (1 - before) * (minutes / needed));
  const action = actionOf(tool, 'dry', job.house);
  if (action && needed > 0) {
    z.pools = workPools(z.pools, scaled(action.take, figuresOf(job)), 1, Math.min(1, minutes / needed));
  }
  if (z.tieDone > 1 - 1e-9) {
    settleTie(z, packs, tool.kind);
    z.tieDone = 0;
  }
}

/** Works a zone by hand for so many minutes. Returns the passes made. */
function workHands(z: CoatZone, w: Working, minutes: number, job: CoatJob): number {
  const f = figuresOf(job);
  const passes = minutes / w.minutesPerPass;
  const before = shieldOf(z);
  z.pools = workPools(z.pools, w.take, w.reach, effectOfPasses(passes, f));
  // The shield goes while the passes are made: the mean of before and after stands for it.
  z.skinLoad += passes * w.skinPerPass * shieldFactor((before + shieldOf(z)) / 2, f);
  z.wear += passes * w.wearPerPass;
  return passes;
}

export interface ZoneWorked {
  readonly zone: CoatZone;
  readonly minutes: number;
  readonly passes: number;
  /** State in which the step found it. */
  readonly wetness: Wetness;
  /** Does the piece do anything in that state. */
  readonly does: boolean;
}

/** What is looked at before each zone of a step is worked. */
export type Watch = (z: CoatZone, wetness: Wetness) => void;

/**
 * Works one step of a script on a coat, in place. minutesOf gives the minutes of a zone: a script's own, or what the
 * zone needs. Zones that stop are passed over. known: how hands work a zone, where that was computed already.
 */
export function workStepOn(
  coat: Coat,
  phase: ScriptStep['phase'],
  tool: Tool,
  zones: readonly CoatZone[],
  minutesOf: (z: CoatZone, needed: number) => number,
  job: CoatJob,
  watch?: Watch,
  known?: ReadonlyMap<CoatZone, Working>,
): readonly ZoneWorked[] {
  const { work } = PHASES[phase];
  const water = work === 'hands' ? undefined : waterState(coat, zones, figuresOf(job));
  const actions: Partial<Record<Wetness, Action | undefined>> = {};
  const done: ZoneWorked[] = [];
  for (const z of zones) {
    const wetness = stateFor(work, phase, z);
    watch?.(z, wetness);
    if (z.condition === 'stop') continue;
    if (!water) {
      let w = known?.get(z);
      if (!w) {
        const action = (actions[wetness] ??= actionOf(tool, wetness, job.house));
        w = action && handWorking(z, phase, tool, wetness, job, action);
      }
      const minutes = minutesOf(z, 0);
      done.push({
        zone: z,
        minutes,
        passes: w && minutes > 0 ? workHands(z, w, minutes, job) : 0,
        wetness,
        does: w !== undefined,
      });
      if (w && minutes > 0) leaveAs(z, PHASES[phase], tool.kind, coat.coatClass.packs, figuresOf(job));
    } else {
      const tied = z.tie !== 'none';
      const needed = neededMinutes(z, PHASES[phase], tool, water, job);
      const minutes = minutesOf(z, needed);
      if (work === 'ties') {
        if (tied) workTie(z, tool, minutes, needed, coat.coatClass.packs, job);
      } else {
        workWater(z, PHASES[phase], tool, minutes, needed, job);
      }
      done.push({ zone: z, minutes, passes: work === 'ties' && !tied ? 0 : 1, wetness, does: work !== 'ties' || tied });
    }
  }
  return done;
}
