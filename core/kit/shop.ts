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
