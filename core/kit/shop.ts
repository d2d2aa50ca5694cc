/** Decides which pieces a salon could buy: generic pieces in the sizes they are usually made in. Prices and sizes are guesses. */
import { RAKES, toolRow, type Tool, type ToolKind, type ToolMeasures } from './tools.ts';

export interface ShopPiece extends Tool {
  /** Usual price in hundredths of any currency, for a feel of scale. */
  readonly costCents: number;
}

const piece = (kind: ToolKind, size: string, costCents: number, measures: ToolMeasures = {}): ShopPiece => ({
  id: `shop-${kind}${size === '' ? '' : `-${size.replace(/[^a-z0-9]+/gi, '-')}`}`,
  kind,
  name: size === '' ? toolRow(kind).name : `${toolRow(kind).name}, ${size}`,
  costCents,
  ...measures,
});

export const SHOP: readonly ShopPiece[] = [
  ...RAKES.flatMap((kind) => [
    piece(kind, '12 mm pins', 1800, { pinMm: 12, spacingMm: 4 }),
    piece(kind, '18 mm pins', 2200, { pinMm: 18, spacingMm: 5 }),
    piece(kind, '25 mm pins', 2600, { pinMm: 25, spacingMm: 6 }),
  ]),
  piece('rake', '22 mm pins in two rows', 3200, { pinMm: 22, spacingMm: 5, rows: 2 }),
  piece('soft-slicker', '', 1900),
  piece('two-face-slicker', '', 2400, { flexing: true }),
  piece('electric-brush', '', 6500),
  piece('firm-slicker', '', 1900),
  piece('long-slicker', '30 mm pins', 4200, { pinMm: 30, spacingMm: 3.5 }),
  piece('firm-slicker', 'flexing head', 3600, { flexing: true }),
  piece('soft-slicker', 'narrow head', 1500, { widthMm: 60 }),
  piece('pin-brush', 'long pins', 2400, { pinMm: 27 }),
  piece('pin-brush', 'short pins', 1900, { pinMm: 18 }),
  piece('comb', '30 mm teeth', 2100, { pinMm: 30 }),
  piece('comb', '42 mm teeth', 2700, { pinMm: 42 }),
  piece('fine-comb', '', 900),
  piece('blade-comb', '', 4500, { material: 'metal' }),
  piece('plastic-blade-comb', '', 2200, { material: 'plastic' }),
  piece('carding-blade', '', 2400),
  piece('rubber', '', 1100, { material: 'rubber' }),
  piece('rubber', 'mitt', 1300, { material: 'rubber', widthMm: 130 }),
  piece('bristle', '', 1800, { material: 'natural' }),
];

/** What a room is usually opened with, first what no room does without. Prices are those of a feel of scale. */
export const FIRST_KIT: readonly { readonly piece: ShopPiece; readonly usual: boolean; readonly why: string }[] = [
  {
    piece: piece('rake', '18 mm pins', 2200, { pinMm: 18, spacingMm: 5 }),
    usual: true,
    why: 'Lifts loose undercoat out through the guard hair.',
  },
  { piece: piece('soft-slicker', '', 1900), usual: true, why: 'Loosens and lifts, also through the soap.' },
  { piece: piece('firm-slicker', '', 1900), usual: true, why: 'For dense coats and breeches.' },
  {
    piece: piece('pin-brush', 'long pins', 2400, { pinMm: 27 }),
    usual: true,
    why: 'Opens long coats; bears a wet one.',
  },
  { piece: piece('comb', '30 mm teeth', 2100, { pinMm: 30 }), usual: true, why: 'Proves the work, opens knots.' },
  { piece: piece('rubber', '', 1100, { material: 'rubber' }), usual: true, why: 'Short coats, dry and in the lather.' },
  { piece: piece('bristle', '', 1800, { material: 'natural' }), usual: true, why: 'Finishes; safe in every zone.' },
  { piece: piece('mat-splitter', '', 1600), usual: true, why: 'Ties at breeches, in trained hands.' },
  { piece: piece('hand-bath', '', 90000), usual: true, why: 'Half of the hair leaves in the tub.' },
  { piece: piece('force-dryer', '', 28000), usual: true, why: 'Blows out what water has loosened.' },
  { piece: piece('stand-dryer', '', 22000), usual: false, why: 'For dogs that fear the strong one.' },
  { piece: piece('bather', '', 45000), usual: false, why: 'Drives soap through plates in half the time.' },
  { piece: piece('fine-comb', '', 900), usual: false, why: 'Fine undercoat on smooth coats, gently.' },
  {
    piece: piece('blade-comb', '', 4500, { material: 'metal' }),
    usual: false,
    why: 'Very fast on smooth doubles; torso only, minutes only.',
  },
  { piece: piece('clipper', '', 18000), usual: false, why: 'For what is felted to the skin.' },
];
