/** Two minutes for a home that has no more today: which one brush, which three places. */
import type { ToolKind } from '../kit/index.ts';
import type { HomePart, PartNeed } from './parts.ts';
import { usedOn } from './plan.ts';

/** Places that two minutes hold. Common practice. */
export const TWO_MINUTE_PLACES = 3;

export interface TwoMinutes {
  readonly brush: ToolKind;
  readonly parts: readonly HomePart[];
}

/** What two minutes do most for: the parts that weigh most and have waited longest, under the one brush that does most of them. */
export function twoMinutes(
  needs: readonly (PartNeed & { readonly waited: number })[],
  brushes: readonly ToolKind[],
  closed: readonly HomePart[],
): TwoMinutes | undefined {
  const urgent = needs
    .filter((n) => !closed.includes(n.part))
    .map((n) => ({ part: n.part, urge: n.weight * Math.min(3, 0.5 + n.waited / n.rhythmDays) }))
    .sort((a, b) => b.urge - a.urge);
  let best: (TwoMinutes & { readonly urge: number }) | undefined;
  for (const brush of brushes) {
    const own = urgent.filter((n) => usedOn(brush, n.part)).slice(0, TWO_MINUTE_PLACES);
    const urge = own.reduce((t, n) => t + n.urge, 0);
    if (own.length > 0 && (!best || urge > best.urge)) best = { brush, parts: own.map((n) => n.part), urge };
  }
  return best && { brush: best.brush, parts: best.parts };
}
