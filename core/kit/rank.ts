/**
 * Decides which piece works a zone in a phase, and says why: chosen because, beaten by, ruled out by; and what is
 * lost when a piece that practice allows stands in for one that the kit does not have.
 */
import { COMMON_PRACTICE, type Source } from '../quantity/index.ts';
import { FIT_MEASURES, fitTool, type Fit, type FitMeasure, type FitPart, type StandIn } from './fit.ts';
import type { RuleContext } from './rules.ts';
import { BLADES, RAKES, SLICKERS, toolRow, type Tool, type ToolKind, type Wetness } from './tools.ts';

/** The measure on which one piece is ahead of another. */
export interface Edge {
  readonly measure: FitMeasure;
  readonly winner: FitPart;
  readonly loser: FitPart;
}

export interface Chosen {
  readonly fit: Fit;
  /** Its best lead over the runner-up, or, when nothing else fits, its own strongest part. */
  readonly because: Omit<Edge, 'loser'> & Partial<Pick<Edge, 'loser'>>;
  readonly runnerUp?: Fit | undefined;
}
export interface Beaten {
  readonly fit: Fit;
  /** Where the chosen piece leads it most. */
  readonly by: Edge;
}
export interface Ranking {
  /** What may be used, best first. */
  readonly fits: readonly Fit[];
  readonly ruledOut: readonly { readonly tool: Tool; readonly rule: string }[];
  /** Pieces that do nothing in this state of wetness. */
  readonly useless: readonly { readonly tool: Tool; readonly wetness: Wetness }[];
}

/** Where a leads b most, by ratio of scores; of equals the first in the order of measures. */
export function edgeOver(a: Fit, b: Fit): Edge {
  let best: FitMeasure = 'reach';
  let lead = -Infinity;
  for (const m of FIT_MEASURES) {
    const ratio = a.parts[m].score / Math.max(b.parts[m].score, 1e-9);
    if (ratio > lead) [best, lead] = [m, ratio];
  }
  return { measure: best, winner: a.parts[best], loser: b.parts[best] };
}

/** Its strongest part of what a piece is there for; of water and air, what they bring out. */
const strongest = ({ tool, parts }: Fit): { measure: FitMeasure; winner: FitPart } => {
  if (toolRow(tool.kind).cm2PerMinute === 0) return { measure: 'yield', winner: parts.yield };
  const own = (['reach', 'yield', 'skin'] as const).map((m) => parts[m]);
  const winner = own.reduce((a, b) => (b.score > a.score ? b : a));
  return { measure: winner.measure, winner };
};

export interface Substitute {
  /** Kinds in whose place it may work, wherever the rules would let them work. */
  readonly missing: readonly ToolKind[];
  readonly by: ToolKind;
  /** What is given up, in words. */
  readonly loss: string;
  readonly source: Source;
}

/** Which kind may stand in for which beyond what a phase lists, where practice allows. */
export const SUBSTITUTES: readonly Substitute[] = [
  {
    missing: RAKES,
    by: 'comb',
    loss: 'The comb opens packed hair slowly: more lines, and what is a plate stays for water and air.',
    source: COMMON_PRACTICE,
  },
  {
    missing: SLICKERS,
    by: 'pin-brush',
    loss: 'A pin brush opens the lines but hardly lifts undercoat.',
    source: COMMON_PRACTICE,
  },
  {
    missing: ['rubber'],
    by: 'bristle',
    loss: 'Bristle moves only what is free already.',
    source: COMMON_PRACTICE,
  },
  {
    missing: BLADES,
    by: 'fine-comb',
    loss: 'The close-tooth comb takes a little less, and is kinder to skin and guard hair.',
    source: COMMON_PRACTICE,
  },
];

/** A stand-in counts for this much of its own fit: the piece made for it goes first. Guess. */
const STAND_IN = 0.9;

const usualPiece = (kind: ToolKind): Tool => ({ id: `usual-${kind}`, kind, name: toolRow(kind).name });

/** A piece that a phase may use: listed by it, or standing in for some of its kinds. */
interface Taker {
  readonly tool: Tool;
  /** Order of its kind in the phase; stand-ins come last. */
  readonly place: number;
  readonly standsIn: readonly { readonly row: Substitute; readonly missing: readonly Tool[] }[];
}
export type Takers = readonly Taker[];

/** The pieces of a kit that a phase of these kinds may use; the same for every zone. */
export const takersOf = (kit: readonly Tool[], kinds: readonly ToolKind[]): Takers =>
  kit.flatMap((tool): Taker[] => {
    const place = kinds.indexOf(tool.kind);
    if (place >= 0) return [{ tool, place, standsIn: [] }];
    const standsIn = SUBSTITUTES.filter((row) => row.by === tool.kind).flatMap((row) => {
      const missing = row.missing.filter((k) => kinds.includes(k)).map(usualPiece);
      return missing.length > 0 ? [{ row, missing }] : [];
    });
    return standsIn.length > 0 ? [{ tool, place: kinds.length, standsIn }] : [];
  });

/** What a stand-in gives up here against the best usual piece that it stands in for; undefined where all are forbidden. */
function standInHere({ standsIn }: Taker, here: RuleContext): StandIn | undefined {
  for (const { row, missing } of standsIn) {
    let best: Fit | undefined;
    for (const usual of missing) {
      const f = fitTool(usual, here);
      if (f.kind === 'fits' && f.fit > (best?.fit ?? 0)) best = f;
    }
    if (best) return { for: best.tool.kind, loss: row.loss, fit: best.fit, yield: best.parts.yield.value };
  }
  return undefined;
}

/**
 * Ranks the pieces that a phase may use in a context, best first. Those of the kit that it does not list take part
 * where they may stand in. A forbidden piece is never ranked, and one piece more never makes the best fit worse: a
 * fit, and the right to stand in, depend on no other piece.
 */
export function rankAmong(takers: Takers, here: RuleContext): Ranking {
  const fits: (Fit & { readonly place: number })[] = [];
  const ruledOut: { tool: Tool; rule: string }[] = [];
  const useless: { tool: Tool; wetness: Wetness }[] = [];
  for (const taker of takers) {
    const { tool, place } = taker;
    const f = fitTool(tool, here);
    if (f.kind === 'fits') {
      const { fit, parts, reach, preferred } = f;
      if (taker.standsIn.length === 0) fits.push({ tool, place, fit, parts, reach, preferred });
      else {
        const standsIn = standInHere(taker, here);
        if (standsIn) fits.push({ tool, place, fit: fit * STAND_IN, parts, reach, preferred, standsIn });
      }
    } else if (taker.standsIn.length > 0) continue;
    else if (f.kind === 'forbidden') ruledOut.push({ tool, rule: f.rule.id });
    else useless.push({ tool, wetness: f.wetness });
  }
  // Of equals, the kind that the phase lists first.
  fits.sort((a, b) => b.fit - a.fit || a.place - b.place);
  return { fits, ruledOut, useless };
}

/** Ranks a kit for a phase of these kinds in a context; see rankAmong. */
export const rankTools = (kit: readonly Tool[], kinds: readonly ToolKind[], here: RuleContext): Ranking =>
  rankAmong(takersOf(kit, kinds), here);

/** The best piece of a ranking and why, and what it leads each other one in. */
export function reasonsOf({ fits }: Pick<Ranking, 'fits'>): { chosen: Chosen | undefined; beaten: readonly Beaten[] } {
  const [first, ...rest] = fits;
  if (!first) return { chosen: undefined, beaten: [] };
  const second = rest.find((f) => f.tool.kind !== first.tool.kind) ?? rest[0];
  return {
    chosen: { fit: first, because: second ? edgeOver(first, second) : strongest(first), runnerUp: second },
    beaten: rest.map((fit) => ({ fit, by: edgeOver(first, fit) })),
  };
}
