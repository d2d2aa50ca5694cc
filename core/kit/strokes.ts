/**
 * How each kind of piece is moved, in words short enough to be read with wet hands: one stroke, one thing to
 * watch. All of it is common practice.
 */
import { COMMON_PRACTICE, type Source } from '../quantity/index.ts';
import type { HouseRules } from './house.ts';
import type { ToolKind } from './tools.ts';

export interface StrokeRow {
  readonly kind: ToolKind;
  readonly stroke: string;
  readonly watch: string;
  /** Does the house's side on the lie of the hair change it. */
  readonly lie: boolean;
  readonly source: Source;
}

const row = (kind: ToolKind, stroke: string, watch: string, lie = false): StrokeRow => ({
  kind,
  stroke,
  watch,
  lie,
  source: COMMON_PRACTICE,
});

export const STROKES_BY_KIND: readonly StrokeRow[] = [
  row(
    'rake',
    'Short strokes from the arm, 5 to 8 cm, wrist locked.',
    'Other hand holds the skin taut. Never press.',
    true,
  ),
  row('rotating-rake', 'Short, light strokes; let the pins roll.', 'Skin taut. Slower on plates.', true),
  row('soft-slicker', 'Flat on the coat, small area by small area.', 'Level with the body: edges stab.', true),
  row('firm-slicker', 'Flat, quick, no weight behind it.', 'Lighter as the skin comes through.', true),
  row('long-slicker', 'Flat, from the tips inward, line by line.', 'Feel the pins on your own hand first.', true),
  row('pin-brush', 'Line by line from below, rest held up.', 'Never yank: hold above and shorten.'),
  row('comb', 'Wide end first, from the tips inward, no pressure.', 'It stops? Go back a tool. Never pull.'),
  row('fine-comb', 'Fine end, short, with the lie.', 'Head held. Only falls through or stops.'),
  row('blade-comb', 'Light, moving, with the lie. Bone dry.', 'Torso only. Redness ends it.'),
  row('plastic-blade-comb', 'Light, with the lie. Dry.', 'Torso only.'),
  row('carding-blade', 'Flat along the topline, no pressure.', 'It scratches when pressed.'),
  row('rubber', 'Small circles, with and against the lie.', 'Lather keeps it kind.'),
  row('bristle', 'Long strokes with the lie.', 'Last, over everything.'),
  row('mat-splitter', 'Sawn through the tie, away from the skin.', 'Razor: your fingers under it, trained hands only.'),
  row('thinning-shears', 'A few cuts into the clump, then comb.', 'Never on a show coat.'),
  row('clipper', 'Under the pelt, blade flat, skin taut.', 'Feel the blade for heat.'),
  row('hand-bath', 'Soap to the skin, fingers parting the coat.', 'Head last. Rinse until it squeaks.'),
  row('bather', 'Nozzle to the skin, slow lines.', 'Clear the strainer.'),
  row('mister', 'Mist the lines, damp, not wet.', 'Not in the face.'),
  row('conditioner', 'Through the lengths, leave it, rinse as the label says.', 'Label dilution only.'),
  row('towel', 'Press and lift. No rubbing.', 'Rubbing ties knots.'),
  row(
    'force-dryer',
    'Flat nozzle near the skin, slow wave, skin line in sight.',
    'Cool air. Never at the head of a shy dog.',
  ),
  row('stand-dryer', 'Warm, not hot, from the side.', 'Never left alone in front of heat.'),
];

const BY_KIND = new Map(STROKES_BY_KIND.map((s) => [s.kind, s]));

const LIE: Readonly<Record<HouseRules['stroke'], string>> = {
  with: 'With the lie.',
  against: 'Against the lie.',
  both: 'Against the lie to lift, with it to finish.',
};

/** How a piece is moved in this house, and what to watch. Throws RangeError for a kind that is not in the table. */
export function strokeOf(
  kind: ToolKind,
  house: Pick<HouseRules, 'stroke'>,
): { readonly stroke: string; readonly watch: string } {
  const found = BY_KIND.get(kind);
  if (!found) throw new RangeError(`no stroke for ${kind}`);
  return { stroke: found.lie ? `${found.stroke} ${LIE[house.stroke]}` : found.stroke, watch: found.watch };
}
