/**
 * How the pieces of a room rank in a zone for a phase. Left and right are mostly alike and schools share phases, so
 * most questions come again: answers are kept by the kinds that a phase may use and by what a zone looks like.
 */
import { kept } from '../quantity/index.ts';
import {
  cautionsFor,
  findRule,
  rankAmong,
  rule,
  HARMS,
  takersOf,
  type HouseRules,
  type Ranking,
  type Takers,
  type Tool,
  type ToolKind,
  type Wetness,
} from '../kit/index.ts';
import type { TieGrade } from '../check/index.ts';
import { ruleContext, type CoatJob, type CoatZone } from './coat.ts';
import type { Phase } from './methods.ts';
import type { ToolChoice } from './plan.ts';
import { roomOf } from './script.ts';

export interface BenchJob extends CoatJob {
  readonly kit: readonly Tool[];
  readonly seen: Lookups;
}

/** Answers of the tables that one plan has asked for already. */
export interface Lookups {
  readonly phases: Map<readonly ToolKind[], PhaseLookups>;
  /** By piece and state, then by what a zone looks like. */
  readonly cautions: Map<string, Map<string, readonly string[]>>;
}
export const noLookups = (): Lookups => ({ phases: new Map(), cautions: new Map() });

/** What the phase may use of the kit, and its rankings by what a zone looks like and how wet it is. */
interface PhaseLookups {
  readonly takers: Takers;
  readonly rankings: Readonly<Record<Wetness, Map<string, Ranking>>>;
}

/** Pieces that fit a zone in a phase, best first, and what the rules took out. */
function fitsIn(z: CoatZone, phase: Phase, wetness: Wetness, job: BenchJob): Ranking {
  const own = kept(job.seen.phases, phase.tools, () => ({
    takers: takersOf(roomOf(job.kit), phase.tools),
    rankings: { dry: new Map(), damp: new Map(), soapy: new Map(), wet: new Map() },
  }));
  const known = own.rankings[wetness].get(z.likeness);
  if (known) return known;
  const made = rankAmong(own.takers, ruleContext(z, wetness, job));
  own.rankings[wetness].set(z.likeness, made);
  return made;
}

/** The ranking of the kit in one zone of a coat for one phase, as the plan uses it. */
export function rankingIn(z: CoatZone, phase: Phase, wetness: Wetness, job: BenchJob): Ranking {
  const all = fitsIn(z, phase, wetness, job);
  if (phase.work !== 'ties') return all;
  // A tie is a decision before it is a fit: the way decided for it first, then the house's, the clipper only for felt.
  const order = z.tieBy === undefined ? tieOrder(z.tie, job.house.mats) : [z.tieBy];
  const fits = order.flatMap((kind) => all.fits.filter((f) => f.tool.kind === kind));
  return { ...all, fits: fits.slice(0, 1) };
}

/** Kinds of piece for a tie, in the order in which this house takes them. */
export function tieOrder(tie: TieGrade, mats: HouseRules['mats']): readonly ToolKind[] {
  if (tie === 'pelt') return ['clipper', 'mat-splitter'];
  if (tie === 'knot' || mats === 'brush-out') return ['comb'];
  return mats === 'split' ? ['mat-splitter', 'comb'] : ['clipper', 'comb'];
}

/** Cautions shown beside one step when none of them is about a wound, a bite or a burn. */
const MOST_CAUTIONS = 3;

/**
 * Cautions of a step: the rules that warn in any of its zones, what harms most first. Wounds, bites and burns are all
 * said; of the others as many as fill the place, the narrowest first.
 */
export function stepCautions(
  tool: Tool,
  zones: readonly CoatZone[],
  wetness: Wetness,
  job: BenchJob,
): readonly string[] {
  const ids = new Set<string>();
  const own = kept(job.seen.cautions, `${tool.id} ${wetness}`, () => new Map<string, readonly string[]>());
  let last = '';
  for (const z of zones) {
    if (z.likeness === last) continue; // left and right follow one another
    last = z.likeness;
    let here = own.get(z.likeness);
    if (!here) {
      here = cautionsFor(tool, ruleContext(z, wetness, job)).map((found) => found.id);
      own.set(z.likeness, here);
    }
    for (const id of here) ids.add(id);
  }
  if (ids.size < 2) return [...ids];
  const ranked = [...ids].sort((a, b) => harm(a) - harm(b) || narrowness(b) - narrowness(a) || a.localeCompare(b));
  return ranked.filter((id, place) => place < MOST_CAUTIONS || harm(id) <= MUST_BE_SAID);
}
/** Place of a caution among harms; one that a table no longer has, as an old session may name it, is a habit. */
const harm = (id: string): number => HARMS.indexOf(findRule(id)?.harm ?? 'habit');
/** Of the cautions of a step, those that are said where there is room for few: the first, and all about a wound, a bite or a burn. */
export const pressing = (cautions: readonly string[]): readonly string[] =>
  cautions.filter((id, place) => place === 0 || harm(id) <= MUST_BE_SAID);
const MUST_BE_SAID = HARMS.indexOf('burn');
const narrowness = (id: string): number => Object.keys(rule(id).when).length;

/** Why a piece works a step: the measures told for the largest of its zones. */
export function choiceOf(
  tool: Tool,
  phase: Phase,
  zones: readonly CoatZone[],
  wetness: Wetness,
  job: BenchJob,
): ToolChoice {
  const largest = zones.reduce<CoatZone | undefined>((a, b) => (a && a.areaM2 >= b.areaM2 ? a : b), undefined);
  const ranking = largest && rankingIn(largest, phase, wetness, job);
  const own = ranking?.fits.find((f) => f.tool.id === tool.id);
  const best = ranking?.fits.find((f) => f.tool.id !== tool.id);
  return {
    fit: own?.fit ?? 0,
    reach: own?.reach ?? 0,
    beat: best && { kind: best.tool.kind, fit: best.fit, reach: best.reach },
    preferred: own?.preferred?.id,
    standsIn: own?.standsIn && { ...own.standsIn, ownYield: own.parts.yield.value },
    ruledOut: (ranking?.ruledOut ?? []).map((r) => ({ kind: r.tool.kind, rule: r.rule })),
  };
}
