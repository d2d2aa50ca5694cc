/** How ears and tails are drawn by body shape: outlines in the drawn dog's own places, before its proportions move them. */
import type { BodyShape } from '../../../core/dog/index.ts';
import { TAIL, type Point } from './landmarks.ts';

export interface Ear {
  readonly near: readonly Point[];
  /** Points of the near outline that are drawn as its edge, from – to. */
  readonly edge: readonly [number, number];
  readonly far: readonly Point[];
  /** Shadow within it, or the fold. */
  readonly inner: readonly Point[];
  /** A hanging ear lies over the cheek and is felt there. */
  readonly hangs: boolean;
}

/** Small, rounded, upright. */
const SMALL_PRICK: Ear = {
  near: [
    [282, 150],
    [282, 124],
    [290, 98],
    [302, 82],
    [318, 96],
    [334, 120],
    [342, 150],
    [330, 166],
    [304, 168],
  ],
  edge: [0, 6],
  far: [
    [260, 160],
    [260, 130],
    [266, 106],
    [276, 90],
    [290, 108],
    [298, 132],
    [300, 150],
  ],
  inner: [
    [292, 150],
    [293, 126],
    [303, 102],
    [314, 118],
    [320, 148],
  ],
  hangs: false,
};

/** Large and round-tipped. */
const TALL_PRICK: Ear = {
  near: [
    [280, 148],
    [276, 112],
    [284, 76],
    [302, 56],
    [324, 72],
    [342, 106],
    [350, 148],
    [336, 168],
    [304, 170],
  ],
  edge: [0, 6],
  far: [
    [256, 162],
    [248, 126],
    [252, 92],
    [266, 70],
    [286, 92],
    [298, 126],
    [300, 150],
  ],
  inner: [
    [290, 148],
    [288, 114],
    [302, 78],
    [318, 106],
    [326, 146],
  ],
  hangs: false,
};

/** Upright at the base, the tip folds forward. */
const TIPPED: Ear = {
  near: [
    [286, 150],
    [286, 130],
    [280, 119],
    [264, 122], // tip
    [268, 104],
    [284, 88],
    [304, 83], // fold
    [322, 102],
    [340, 148],
    [328, 164],
    [304, 166],
  ],
  edge: [0, 8],
  far: [
    [262, 160],
    [258, 136],
    [246, 132],
    [248, 112],
    [264, 98],
    [282, 100],
    [298, 128],
    [300, 150],
  ],
  inner: [
    [284, 118],
    [266, 120],
    [270, 105],
    [286, 94],
    [304, 90],
    [298, 104],
  ],
  hangs: false,
};

/** Hangs to the jaw. */
const DROP: Ear = {
  near: [
    [292, 150],
    [286, 172],
    [276, 204],
    [272, 234],
    [282, 258],
    [302, 264],
    [324, 250],
    [338, 222],
    [346, 190],
    [342, 160],
    [318, 142],
  ],
  edge: [0, 9],
  far: [
    [258, 158],
    [250, 170],
    [246, 186],
    [252, 196],
    [262, 180],
    [268, 162],
  ],
  inner: [
    [300, 156],
    [292, 190],
    [286, 226],
    [296, 250],
  ],
  hangs: true,
};

/** Small, high, hangs close to the skull. */
const SMALL_DROP: Ear = {
  near: [
    [296, 152],
    [286, 172],
    [280, 198],
    [284, 220],
    [300, 228],
    [320, 216],
    [336, 190],
    [338, 164],
    [320, 148],
  ],
  edge: [0, 7],
  far: [
    [260, 160],
    [252, 172],
    [252, 188],
    [260, 184],
    [268, 166],
  ],
  inner: [
    [304, 158],
    [296, 184],
    [294, 210],
    [302, 220],
  ],
  hangs: true,
};

/** Long and low, hangs below the jaw. */
const LONG_DROP: Ear = {
  near: [
    [294, 164],
    [284, 194],
    [272, 232],
    [268, 270],
    [278, 300],
    [298, 308],
    [320, 288],
    [334, 250],
    [342, 206],
    [340, 176],
    [318, 156],
  ],
  edge: [0, 9],
  far: [
    [258, 172],
    [248, 190],
    [244, 212],
    [252, 222],
    [262, 200],
    [268, 176],
  ],
  inner: [
    [302, 172],
    [294, 212],
    [286, 256],
    [292, 290],
  ],
  hangs: true,
};

export const EARS: Readonly<Record<BodyShape, Ear>> = {
  spitz: SMALL_PRICK,
  retriever: DROP,
  collie: TIPPED,
  guardian: SMALL_DROP,
  hound: LONG_DROP,
  'short-legged': TALL_PRICK,
};
export interface TailShape {
  readonly outline: readonly Point[];
  /** Where a mark stands on it. */
  readonly centre: Point;
  /** Carried over the back, in front of it. */
  readonly overBack: boolean;
  /** Hair on it against the drawn dog's plume. */
  readonly plume: number;
  /** A line within it that shows how it is rolled. */
  readonly curl: readonly Point[];
}

export const TAILS: Readonly<Record<BodyShape, TailShape>> = {
  // Rolled up and laid over the back.
  spitz: {
    outline: [
      [800, 316],
      [830, 288],
      [846, 250],
      [842, 208],
      [816, 174],
      [772, 156],
      [724, 162],
      [688, 188],
      [672, 222],
      [682, 250],
      [708, 264],
      [740, 262],
      [764, 276],
      [780, 300],
    ],
    centre: [758, 214],
    overBack: true,
    plume: 0.8,
    curl: [
      [786, 300],
      [806, 268],
      [800, 228],
      [770, 202],
      [734, 206],
      [720, 230],
      [736, 246],
    ],
  },
  // Thick at the root, level, tapering.
  retriever: {
    outline: [
      [752, 264],
      [794, 272],
      [836, 296],
      [874, 332],
      [906, 376],
      [930, 424],
      [938, 462],
      [926, 474],
      [906, 452],
      [878, 418],
      [846, 388],
      [814, 366],
      [786, 336],
      [766, 304],
    ],
    centre: [858, 372],
    overBack: false,
    plume: 0.72,
    curl: [],
  },
  // Long and low, the tip swings up.
  collie: {
    outline: [
      [752, 264],
      [792, 272],
      [828, 302],
      [852, 350],
      [866, 404],
      [876, 458],
      [894, 500],
      [922, 520],
      [942, 506],
      [946, 528],
      [928, 556],
      [896, 560],
      [864, 536],
      [840, 490],
      [822, 436],
      [806, 382],
      [786, 338],
      [764, 302],
    ],
    centre: [856, 446],
    overBack: false,
    plume: 1,
    curl: [],
  },
  // Heavy, hangs straight.
  guardian: {
    outline: TAIL,
    centre: [866, 440],
    overBack: false,
    plume: 1,
    curl: [],
  },
  // Thin, carried like a sabre.
  hound: {
    outline: [
      [766, 268],
      [800, 282],
      [834, 290],
      [868, 282],
      [898, 258],
      [920, 222],
      [932, 184],
      [942, 186],
      [936, 230],
      [916, 272],
      [884, 304],
      [846, 320],
      [810, 320],
      [784, 310],
      [768, 290],
    ],
    centre: [852, 302],
    overBack: false,
    plume: 0.4,
    curl: [],
  },
  // A fox's brush.
  'short-legged': {
    outline: [
      [752, 264],
      [792, 270],
      [830, 292],
      [862, 328],
      [888, 374],
      [904, 424],
      [898, 454],
      [878, 462],
      [856, 440],
      [832, 404],
      [806, 366],
      [786, 336],
      [764, 302],
    ],
    centre: [846, 366],
    overBack: false,
    plume: 0.8,
    curl: [],
  },
};
