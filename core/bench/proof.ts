/**
 * How long a piece needs to do its part in one zone, and what that costs the skin: the measure by which kits
 * are compared.
 */
import {
  actionOf,
  coatDepthMm,
  depthMm,
  forbiddenBy,
  toolRow,
  WETNESS,
  type Action,
  type HouseRules,
  type Tool,
  type Wetness,
} from '../kit/index.ts';
import { ruleContext, skinTolerance, type CoatJob, type CoatZone } from './coat.ts';
import { handMinutes } from './minutes.ts';
import { effectOfPasses, passesUntil, shareLeftBy, skinLoadPerPass } from './release.ts';

/** One piece has done its part when it took this share of what the best piece could take at most. Guess. */
const ENOUGH_OF_BEST = 0.7;
/** Nobody works one zone longer with one piece: passes. Guess. */
const MOST_PASSES = 8;

export interface ProofWork {
  readonly minutes: number;
  /** Skin load as a share of what the zone bears. */
  readonly skin: number;
  /** Does it take enough in the end. */
  readonly proved: boolean;
}

/** A hand piece in a state of wetness, and what it does there in this house. */
export interface Way {
  /** Index of the piece in the list asked about. */
  readonly piece: number;
  readonly tool: Tool;
  readonly wetness: Wetness;
  readonly action: Action;
  /** Depth of coat it gets down, mm. */
  readonly depthMm: number;
}

/** All ways in which hand pieces can be used at all. */
export const waysWith = (tools: readonly Tool[], house: HouseRules): readonly Way[] =>
  tools.flatMap((tool, piece) =>
    toolRow(tool.kind).cm2PerMinute === 0
      ? []
      : WETNESS.flatMap((wetness): Way[] => {
          const action = actionOf(tool, wetness, house);
          return action ? [{ piece, tool, wetness, action, depthMm: depthMm(tool) }] : [];
        }),
  );

/** The ways that no rule forbids in a zone. */
export const allowedWays = (z: CoatZone, ways: readonly Way[], job: CoatJob): readonly Way[] => {
  const here = new Map(WETNESS.map((w) => [w, ruleContext(z, w, job)]));
  return ways.filter(({ tool, wetness }) => {
    const context = here.get(wetness);
    return context && !forbiddenBy(tool, context);
  });
};

const reachIn = (way: Way, deepMm: number): number => Math.min(1, way.depthMm / deepMm);
const ALL_PASSES = effectOfPasses(MOST_PASSES);

/** Share of a zone's loose hair that may be left once enough is out, from the best that any of these ways can do. */
export function enoughLeft(z: CoatZone, ways: readonly Way[]): number {
  const deepMm = coatDepthMm(z.guardMm);
  let least = 1;
  for (const way of ways) {
    const left = shareLeftBy(z.pools, way.action.take, reachIn(way, deepMm), ALL_PASSES);
    if (left < least) least = left;
  }
  return 1 - ENOUGH_OF_BEST * (1 - least);
}

/**
 * Least work of each piece, by index, until no more than targetLeft of a zone's loose hair is left, in the state of
 * wetness that suits it best; undefined where it may not work. Where it never gets there, the work is the most that
 * anybody does.
 */
export function workToProof(
  z: CoatZone,
  ways: readonly Way[],
  targetLeft: number,
  pieces: number,
): readonly (ProofWork | undefined)[] {
  const best: (ProofWork | undefined)[] = Array.from({ length: pieces });
  const deepMm = coatDepthMm(z.guardMm);
  const bears = skinTolerance(z);
  for (const way of ways) {
    const { piece, wetness, action } = way;
    const asked = passesUntil(z.pools, action.take, reachIn(way, deepMm), targetLeft);
    const passes = Math.min(asked, MOST_PASSES);
    const work = {
      minutes: handMinutes(action.cm2PerMinute, z.areaM2, z.guardMm, passes, wetness),
      skin: (passes * skinLoadPerPass(action.skinPerPass, targetLeft, wetness === 'soapy')) / bears,
      proved: asked <= MOST_PASSES,
    };
    const there = best[piece];
    if (!there || better(work, there)) best[piece] = work;
  }
  return best;
}

/** Enough before not enough, then fewer minutes. */
export const better = (a: ProofWork, b: ProofWork): boolean =>
  a.proved === b.proved ? a.minutes < b.minutes : a.proved;
