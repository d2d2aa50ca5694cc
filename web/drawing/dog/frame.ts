/** The sheet that every dog is drawn on, and the sides it is seen from. */
import type { BodyShape, CoatClass } from '../../../core/dog/index.ts';

export const FRAME = { x: 100, y: 35, width: 860, height: 635 } as const;
/** Middle line of the views from above and below. */
export const MIDLINE = 352;

export const ASPECTS = ['left', 'right', 'above', 'below'] as const;
export type Aspect = (typeof ASPECTS)[number];

/** What of a dog decides how it is drawn. */
export interface DogLook {
  readonly shape: BodyShape;
  readonly coatClass: CoatClass;
}
