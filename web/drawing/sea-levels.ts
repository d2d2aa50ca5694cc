/** Decides where the water of the tide chart stands: dogs stacked one upon the other, and the frame they are drawn in. */
import { byWeek, type DogTide } from '../../core/tide/index.ts';

/** The chart in units of its drawing; days run over VIEW. */
export const WIDTH = 860;
export const HEIGHT = 430;
export const EDGE = { left: 54, right: 16, top: 30, bottom: 46 };
export const FLOOR = HEIGHT - EDGE.bottom;
export const VIEW = WIDTH - EDGE.left - EDGE.right;
/** Days from one drawn point to the next. */
export const STEP = 3;
const DAY_MS = 86_400_000;
/** The middle of a day, for scales of time. */
export const noon = (value: number): Date => new Date((value + 0.5) * DAY_MS);

export type Measure = 'hours' | 'grams';
export interface SeaGroup {
  readonly name: string;
  readonly dogs: readonly DogTide[];
}
/** Levels at the drawn points below and above a part of the water. */
export interface Layer {
  readonly from: Float64Array;
  readonly to: Float64Array;
}
export interface Stacked {
  readonly layers: readonly (Layer & { readonly name: string })[];
  readonly dogs: readonly (Layer & { readonly id: string })[];
}

/** Levels after each dog, one upon the other. points: days after the first, in order. */
export function stack(groups: readonly SeaGroup[], measure: Measure, points: readonly number[]): Stacked {
  const base = new Float64Array(points.length);
  const dogs: (Layer & { readonly id: string })[] = [];
  const layers = groups.map(({ name, dogs: own }) => {
    const from = Float64Array.from(base);
    for (const d of own) {
      const below = Float64Array.from(base);
      const [level, by] = measure === 'grams' ? [d.wave, 1] : [byWeek(d.minutes), 60];
      for (const [k, i] of points.entries()) base[k] = (base[k] ?? 0) + (level[i] ?? 0) / by;
      dogs.push({ id: d.id, from: below, to: Float64Array.from(base) });
    }
    return { name, from, to: Float64Array.from(base) };
  });
  return { layers, dogs };
}
