/** Decides which figure shows a dog in an aspect, and makes each only once. */
import type { Aspect, DogLook } from './frame.ts';
import type { Figure } from './figure.ts';
import { sideFigure } from './side.ts';
import { aboveFigure, belowFigure } from './spine-figure.ts';

const made = new Map<string, Figure>();

/** The figure of a shape and coat in an aspect; the right side is the left one, to be mirrored where it is drawn. */
export function figureOf(looks: DogLook, aspect: Aspect): Figure {
  const view = aspect === 'right' ? 'left' : aspect;
  const key = `${looks.shape} ${looks.coatClass} ${view}`;
  const there = made.get(key);
  if (there) return there;
  const figure = view === 'left' ? sideFigure(looks) : view === 'above' ? aboveFigure(looks) : belowFigure(looks);
  made.set(key, figure);
  return figure;
}
