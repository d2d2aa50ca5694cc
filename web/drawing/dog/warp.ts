/**
 * How the one drawn dog becomes each body shape: proportions that move its landmarks, and everything that
 * hangs on them (outline, zones, hair, features) with them.
 *
 * A shape is a list of smooth moves: legs longer or shorter, a longer back, a deeper chest, a tucked belly, thicker
 * bone, a larger head with another muzzle. Each has a weight that fades out, so that no line breaks.
 */
import type { BodyShape } from '../../../core/dog/index.ts';
import { MIDLINE } from './frame.ts';
import type { Point } from './landmarks.ts';

export type Warp = (p: Point) => Point;

/** Proportions of a shape against the drawn dog; 1 and 0 change nothing. */
interface Proportions {
  /** Length of the legs below elbow and stifle. */
  readonly legs: number;
  /** Thickness of the legs. */
  readonly bone: number;
  /** Length of the trunk between elbow and stifle. */
  readonly trunk: number;
  /** Units by which the brisket goes down, and the tuck up. */
  readonly chestDown: number;
  readonly tuckUp: number;
  /** Units by which croup and tail root go down. */
  readonly croupDown: number;
  /** Head: size as a whole, length and depth of the muzzle, units by which it is carried higher and further out. */
  readonly head: number;
  readonly muzzle: number;
  readonly muzzleDepth: number;
  readonly headUp: number;
  readonly headOut: number;
  /** Thickness of the neck below the crest. */
  readonly neck: number;
  /** The whole dog in its frame. */
  readonly size: number;
  /** Width seen from above and below. */
  readonly width: number;
}

export const PROPORTIONS: Readonly<Record<BodyShape, Proportions>> = {
  spitz: {
    legs: 0.96,
    bone: 0.95,
    trunk: 0.9,
    chestDown: -2,
    tuckUp: 4,
    croupDown: -6,
    head: 0.97,
    muzzle: 0.8,
    muzzleDepth: 0.95,
    headUp: 14,
    headOut: -14,
    neck: 1.05,
    size: 1.03,
    width: 1,
  },
  retriever: {
    legs: 1,
    bone: 1.08,
    trunk: 1,
    chestDown: 8,
    tuckUp: -4,
    croupDown: 6,
    head: 1.04,
    muzzle: 0.94,
    muzzleDepth: 1.2,
    headUp: 0,
    headOut: -4,
    neck: 1.04,
    size: 1,
    width: 1.04,
  },
  collie: {
    legs: 1,
    bone: 0.88,
    trunk: 1.06,
    chestDown: 6,
    tuckUp: 8,
    croupDown: 10,
    head: 0.94,
    muzzle: 1.14,
    muzzleDepth: 0.86,
    headUp: 4,
    headOut: 4,
    neck: 1,
    size: 0.95,
    width: 0.94,
  },
  guardian: {
    legs: 0.98,
    bone: 1.36,
    trunk: 1.04,
    chestDown: 16,
    tuckUp: -14,
    croupDown: 8,
    head: 1.16,
    muzzle: 0.86,
    muzzleDepth: 1.28,
    headUp: -12,
    headOut: 2,
    neck: 1.14,
    size: 0.97,
    width: 1.14,
  },
  hound: {
    legs: 1.12,
    bone: 0.78,
    trunk: 0.98,
    chestDown: 14,
    tuckUp: 34,
    croupDown: 14,
    head: 0.93,
    muzzle: 1.1,
    muzzleDepth: 1.02,
    headUp: 20,
    headOut: -6,
    neck: 0.8,
    size: 0.97,
    width: 0.84,
  },
  'short-legged': {
    legs: 0.44,
    bone: 1.02,
    trunk: 1.16,
    chestDown: 12,
    tuckUp: 4,
    croupDown: 0,
    head: 1.08,
    muzzle: 0.92,
    muzzleDepth: 0.98,
    headUp: 6,
    headOut: -4,
    neck: 1,
    size: 1,
    width: 1,
  },
};

const GROUND = 640;
/** Elbow and stifle: legs are below, trunk above. */
const LEG_TOP = 470;

/** 0 below `from`, 1 above `to`, smooth between; works downwards too. */
export const fade = (value: number, from: number, to: number): number => {
  const t = Math.min(1, Math.max(0, (value - from) / (to - from)));
  return t * t * (3 - 2 * t);
};
const mix = (a: number, b: number, share: number): number => a + (b - a) * share;

/** Middle of the leg that a point belongs to, drawing units. */
function legAxis(x: number, y: number): number {
  const hindNear = y < 520 ? mix(752, 780, fade(y, 470, 520)) : mix(780, 762, fade(y, 540, 610));
  const hindFar = hindNear - 58;
  const axes = [372 - 6 * fade(y, 560, 620), 328, hindNear, hindFar];
  return axes.reduce((a, b) => (Math.abs(b - x) < Math.abs(a - x) ? b : a));
}

/** How much a point belongs to the head: all of it before the poll, nothing behind the withers. */
function headShare([x, y]: Point): number {
  // Measured along the neck, which leans back and down.
  const along = (x - 300) * 0.78 + (y - 200) * 0.62;
  return 1 - fade(along, 30, 150);
}

/** Moves a point of the side view; of the tail, which has no part in legs and bone. */
export function sideWarp(shape: BodyShape, tail = false): Warp {
  const s = PROPORTIONS[shape];
  const trunkBy = (s.trunk - 1) * 280;
  return (p) => {
    let [x, y] = p;
    const head = headShare(p);
    // Chest and tuck: the underline only.
    const under = fade(y, 380, 450) * (1 - fade(y, 470, 520));
    y += under * s.chestDown * (1 - fade(x, 500, 600)) * fade(x, 300, 380);
    y -= under * s.tuckUp * fade(x, 520, 640) * (1 - fade(x, 700, 760));
    // Croup and tail root.
    y += s.croupDown * fade(x, 640, 780) * (1 - fade(y, 330, 450));
    // Bone: legs grow about their own middle.
    if (y > 440 && !tail) {
      const axis = legAxis(x, p[1]);
      x = mix(x, axis + (x - axis) * s.bone, fade(y, 440, 500));
    }
    // Neck: its lower line away from or towards the crest.
    const neck = (1 - head) * fade(y, 200, 330) * (1 - fade(x, 330, 420)) * (1 - fade(y, 380, 460));
    x -= neck * (s.neck - 1) * 60;
    // Legs: what is above elbow and stifle goes up and down as one.
    const lift = (GROUND - LEG_TOP) * (1 - s.legs);
    y = p[1] >= LEG_TOP && !tail ? GROUND - (GROUND - y) * s.legs : y + lift;
    // Trunk: the rear moves, the front stays.
    x += trunkBy * (fade(x, 430, 700) - 0.5);
    // Head, about the poll.
    if (head > 0) {
      const [px, py] = p;
      const muzzle = 1 - fade(px, 236, 290);
      const longer = (px - 262) * (s.muzzle - 1) * muzzle;
      const deeper = (py - 214) * (s.muzzleDepth - 1) * muzzle;
      const [hx, hy] = [px + longer, py + deeper];
      const poll: Point = [318, 190];
      const to: Point = [
        poll[0] + (hx - poll[0]) * s.head - s.headOut - trunkBy / 2,
        poll[1] + (hy - poll[1]) * s.head - s.headUp + lift,
      ];
      x = mix(x, to[0], head);
      y = mix(y, to[1], head);
    }
    return [540 + (x - 540) * s.size, GROUND + (y - GROUND) * s.size];
  };
}

/** Moves a point of the views from above and below: head to the left, symmetrical about the middle line. */
export function spineWarp(shape: BodyShape): Warp {
  const s = PROPORTIONS[shape];
  return ([px, py]) => {
    let x = px;
    const off = py - MIDLINE;
    const head = 1 - fade(px, 300, 380);
    const muzzle = 1 - fade(px, 236, 290);
    x += (px - 262) * (s.muzzle - 1) * muzzle;
    x += (x - 318) * (s.head - 1) * head;
    x += (s.trunk - 1) * 280 * (fade(px, 430, 700) - 0.5);
    const wide = mix(s.width, s.head * mix(1, s.muzzleDepth, muzzle), head);
    const waist = 1 - (s.tuckUp / 34) * 0.16 * fade(px, 540, 660) * (1 - fade(px, 690, 760));
    return [524 + (x - 540) * Math.min(1, s.size), MIDLINE + off * wide * waist];
  };
}
