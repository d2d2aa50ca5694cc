/**
 * What a piece does in the hand of this house: its kind's figures, moved by its measures and by the house's
 * side in how deep and which way it is stroked. All factors are guesses, and neutral where nothing was measured.
 */
import { clamp } from '../quantity/index.ts';
import type { Quarrels } from './house.ts';
import type { Piece } from './rules.ts';
import { SLICKERS, toolRow, type ToolRow, type Take, type Wetness } from './tools.ts';

export interface Action {
  readonly take: Take;
  /** Skin load of one pass over a fully shielded zone. */
  readonly skinPerPass: number;
  /** Share of long guard hair that one full dry working frays. */
  readonly frays: number;
  readonly cm2PerMinute: number;
}

interface Factors {
  readonly deep: number;
  readonly open: number;
  readonly skin: number;
  readonly frays: number;
}
const NEUTRAL: Factors = { deep: 1, open: 1, skin: 1, frays: 1 };

/** Lifting only takes less of what stands deep, and spares skin. */
const DEPTH: Readonly<Record<Quarrels['slickerDepth'], Factors>> = {
  'to-skin': NEUTRAL,
  'lift-only': { deep: 0.72, open: 0.75, skin: 0.55, frays: 0.9 },
};
const STROKE: Readonly<Record<Quarrels['stroke'], Factors>> = {
  both: NEUTRAL,
  with: { deep: 0.94, open: 0.9, skin: 0.9, frays: 0.8 },
  against: { deep: 1.04, open: 1.08, skin: 1.12, frays: 1.2 },
};
const TIP_SKIN = { rounded: 0.85, blunt: 1, pointed: 1.3 } as const;
const FLEXING_SKIN = 0.85;
/** Pins that turn in a kind whose pins usually stand. */
const TURNING = { skin: 0.78, open: 0.85, frays: 0.6 };
/** A second row of unequal pins lifts what the first has opened. */
const SECOND_ROW = 1.06;
/** A head twice as wide is not twice as fast: it must lie flat. */
const WIDTH_POWER = 0.6;

type Known = Partial<Record<Wetness, Action | undefined>>;
/** Answers by house and piece: the same few are asked for in every zone of every dog. */
const KNOWN = new WeakMap<Quarrels, WeakMap<Piece, Known>>();

/** What a piece does in a state of wetness in this house, or undefined when its kind does nothing in that state. */
export function actionOf(piece: Piece, wetness: Wetness, house: Quarrels): Action | undefined {
  let inHouse = KNOWN.get(house);
  if (!inHouse) {
    inHouse = new WeakMap();
    KNOWN.set(house, inHouse);
  }
  let known = inHouse.get(piece);
  if (!known) {
    known = {};
    inHouse.set(piece, known);
  }
  if (!(wetness in known)) known[wetness] = computed(piece, wetness, house);
  return known[wetness];
}

/** What the make of a piece changes against its kind: turning pins, a second row, its width, its tips and flexing head. */
function buildOf(piece: Piece, row: ToolRow) {
  const turns = piece.turning && piece.kind !== 'rotating-rake';
  const usual = row.usual.widthMm;
  return {
    turns: turns ? TURNING : NEUTRAL,
    rows: (piece.rows ?? 1) > 1 && row.kind === 'rake' ? SECOND_ROW : 1,
    width: piece.widthMm === undefined || usual === 0 ? 1 : piece.widthMm / usual,
    skin: (piece.tip ? TIP_SKIN[piece.tip] : 1) * (piece.flexing ? FLEXING_SKIN : 1),
  };
}

function computed(piece: Piece, wetness: Wetness, house: Quarrels): Action | undefined {
  const row = toolRow(piece.kind);
  const take = row.take[wetness];
  if (!take) return undefined;
  const slicks = SLICKERS.includes(piece.kind);
  const depth = slicks ? DEPTH[house.slickerDepth] : NEUTRAL;
  const stroke = slicks ? STROKE[house.stroke] : NEUTRAL;
  const { turns, rows, width, skin } = buildOf(piece, row);
  const open = take.open * depth.open * stroke.open * turns.open * rows;
  const deep = take.deep * depth.deep * stroke.deep * rows;
  return {
    take: { free: take.free, deep: Math.min(0.97, deep), open: Math.min(0.97, open) },
    skinPerPass: row.skinPerPass * depth.skin * stroke.skin * turns.skin * skin,
    frays: row.frays * depth.frays * stroke.frays * turns.frays,
    cm2PerMinute: row.cm2PerMinute * clamp(width, 0.4, 2) ** WIDTH_POWER,
  };
}
