/** What a card for the fridge says of a plan: how often each part is due, which brush goes where, what not to do. */
import { coatRow, type CoatClass } from '../dog/index.ts';
import type { ToolKind } from '../kit/index.ts';
import type { HomePart, PartNeed } from './parts.ts';
import { usedOn } from './plan.ts';

export type HomeDont = 'clip' | 'scissors' | 'wet-brush' | 'bath-knots' | 'oils' | 'blade';

/** What an owner of such a coat leaves be. Common practice. */
export const homeDonts = (coatClass: CoatClass): readonly HomeDont[] => [
  ...(coatRow(coatClass).packs ? (['clip'] as const) : []),
  'scissors',
  'bath-knots',
  'wet-brush',
  'oils',
  'blade',
];

/** Parts that are due equally often. */
export interface CardRhythm {
  readonly everyDays: number;
  readonly parts: readonly HomePart[];
}

/** A plan's needs by how often they are due, the most often first; parts in working order. */
export function rhythmsOf(needs: readonly PartNeed[]): readonly CardRhythm[] {
  const days = [...new Set(needs.map((n) => n.rhythmDays))].sort((a, b) => a - b);
  return days.map((everyDays) => ({
    everyDays,
    parts: needs.filter((n) => n.rhythmDays === everyDays).map((n) => n.part),
  }));
}

/** Parts that come first, with the reason: asked for, in trouble, in seeds, or known to pack. */
export const firstParts = (needs: readonly PartNeed[], most = 4): readonly PartNeed[] =>
  needs
    .filter((n) => n.why !== 'usual' && n.why !== 'gentle' && n.why !== 'weekly')
    .sort((a, b) => b.weight - a.weight)
    .slice(0, most);

/** Where each brush goes on the parts that are brushed at all; a brush for none of them is left out. */
export const brushPlaces = (
  brushes: readonly ToolKind[],
  needs: readonly PartNeed[],
): readonly { readonly tool: ToolKind; readonly parts: readonly HomePart[] }[] =>
  brushes
    .map((tool) => ({ tool, parts: needs.map((n) => n.part).filter((p) => usedOn(tool, p)) }))
    .filter((b) => b.parts.length > 0);
