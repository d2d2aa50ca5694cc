/**
 * How each kind of piece is moved, in words short enough to be read with wet hands: one stroke, one thing to
 * watch. All of it is common practice.
 */
import { COMMON_PRACTICE, type Source } from '../quantity/index.ts';
import type { HouseRules } from './house.ts';
import type { ToolKind } from './tools.ts';

export interface StrokeRow {
  readonly stroke: string;
  readonly watch: string;
  /** Does the house's side on the lie of the hair change it. */
  readonly lie: boolean;
  readonly source: Source;
}

const row = (stroke: string, watch: string, lie = false): StrokeRow => ({
  stroke,
  watch,
  lie,
  source: COMMON_PRACTICE,
});

/** Between strokes. */
const EMPTY = 'Full? A comb from behind, no thumbs.';

export const TOOL_STROKES: Readonly<Record<ToolKind, StrokeRow>> = {
  rake: row('Short strokes from the arm, 5 to 8 cm, wrist firm.', 'Other hand holds the skin taut. Never press.', true),
  'rotating-rake': row('Short, light strokes; let the pins roll.', 'Skin taut. Slower on plates.', true),
  'soft-slicker': row('Flat on the coat, small area by small area.', `Level with the body: edges stab. ${EMPTY}`, true),
  'firm-slicker': row('Flat, quick, no weight behind it.', `Lighter as the skin comes through. ${EMPTY}`, true),
  'long-slicker': row(
    'Flat, from the tips inward, line by line.',
    `Feel the pins on your own hand first. ${EMPTY}`,
    true,
  ),
  'two-face-slicker': row(
    'Firm face for the bulk, soft face to finish; flat, no weight.',
    `Level with the body. ${EMPTY}`,
    true,
  ),
  'electric-brush': row(
    'Let it run beside the dog first; then with the lie, no pressure.',
    'Not near the ears. Stop where hair winds up.',
  ),
  'pin-brush': row('Line by line from below, rest held up.', 'Never yank: hold above and shorten.'),
  comb: row('Wide end first, from the tips inward, no pressure.', 'It stops? Go back a tool. Never pull.'),
  'fine-comb': row('Fine end, short, with the lie.', 'Head held. Only falls through or stops.'),
  'blade-comb': row('Light, moving, with the lie. Bone dry.', 'Torso only. Redness ends it.'),
  'plastic-blade-comb': row('Light, with the lie. Dry.', 'Torso only.'),
  'carding-blade': row('Flat along the topline, no pressure.', 'It scratches when pressed.'),
  rubber: row('Small circles, with and against the lie.', 'Lather keeps it kind.'),
  bristle: row('Long strokes with the lie.', 'Last, over everything.'),
  'mat-splitter': row('Sawn through the tie, away from the skin.', 'Razor: your fingers under it, trained hands only.'),
  'thinning-shears': row('A few cuts into the clump, then comb.', 'Never on a show coat.'),
  clipper: row('Under the pelt, blade flat, skin taut.', 'Feel the blade for heat.'),
  'hand-bath': row('Soap to the skin, fingers parting the coat.', 'Head last. Rinse until it squeaks.'),
  bather: row('Nozzle to the skin, slow lines.', 'Clear the strainer.'),
  mister: row('Mist the lines, damp, not wet.', 'Not in the face.'),
  conditioner: row('Through the lengths, leave it, rinse as the label says.', 'Label dilution only.'),
  towel: row('Press and lift. No rubbing.', 'Rubbing ties knots.'),
  'force-dryer': row(
    'Flat nozzle near the skin, slow wave, skin line in sight.',
    'Cool air. Never at the head of a shy dog.',
  ),
  'stand-dryer': row('Warm, not hot, from the side.', 'Never left alone in front of heat.'),
  'care-set': row(
    'A little at a time, the dog’s paw held low and loose.',
    'Stop before it sours; a treat after each part.',
  ),
};

const LIE: Readonly<Record<HouseRules['stroke'], string>> = {
  with: 'With the lie.',
  against: 'Against the lie.',
  both: 'Against the lie to lift, with it to finish.',
};

/** How a piece is moved in this house, and what to watch. */
export function strokeOf(
  kind: ToolKind,
  house: Pick<HouseRules, 'stroke'>,
): { readonly stroke: string; readonly watch: string } {
  const { stroke, watch, lie } = TOOL_STROKES[kind];
  return { stroke: lie ? `${stroke} ${LIE[house.stroke]}` : stroke, watch };
}
