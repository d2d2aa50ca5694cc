/** Decides that a dragged bar stays on its lanes' height steps: it snaps from lane to lane. */
import type { Modifier } from '@dnd-kit/core';

/** Height of a lane. */
export const LANE_PX = 64;
export const restrictToLanes: Modifier = ({ transform }) => ({
  ...transform,
  y: Math.round(transform.y / LANE_PX) * LANE_PX,
});
