/**
 * Where the landmarks lie in the views from above and from below: head to the left, symmetrical about the middle line.
 *
 * Points are given for one half as [x, distance from the middle line]; the other half is their mirror image. From above
 * the dog's right side is the upper half; from below, lying on its back, its left side is.
 */
import { MIDLINE } from './frame.ts';
import type { Region } from '../../../core/dog/index.ts';
import type { Point } from './landmarks.ts';

/** [x, distance from the middle line]. */
export type Half = readonly [number, number];

/** The upper half of the picture from a half. */
export const upper = ([x, off]: Half): Point => [x, MIDLINE - off];
export const lower = ([x, off]: Half): Point => [x, MIDLINE + off];

/** A closed outline from a half that begins and ends on the middle line. */
export const wholeOf = (half: readonly Half[]): readonly Point[] => [
  ...half.map(upper),
  ...[...half].reverse().flatMap((h): Point[] => (h[1] === 0 ? [] : [lower(h)])),
];

/** Back, from the nose to the tail root. */
export const ABOVE: readonly Half[] = [
  [168, 0],
  [171, 15],
  [188, 25],
  [214, 29],
  [234, 36], // bridge to stop
  [248, 54], // brow
  [276, 69], // cheek
  [306, 64],
  [332, 60], // occiput
  [356, 64], // neck
  [398, 82],
  [446, 104], // shoulder
  [496, 108],
  [556, 113], // ribs
  [612, 106],
  [666, 88], // loin
  [710, 92], // hip
  [754, 104],
  [792, 96], // thigh
  [822, 72], // breeches
  [836, 36],
  [840, 0], // tail root
];

/** Underside, from the nose to the tail root; limbs are drawn on it. */
export const BELOW: readonly Half[] = [
  [168, 0],
  [172, 16],
  [190, 27],
  [220, 34], // jaw
  [246, 46],
  [272, 60], // angle of the jaw
  [302, 60], // throat
  [340, 66],
  [390, 92], // point of the shoulder
  [446, 106], // brisket
  [510, 104],
  [570, 94], // belly
  [630, 80],
  [680, 70], // tuck
  [726, 78], // groin
  [772, 80],
  [812, 62],
  [834, 34],
  [840, 0],
];

export interface LimbRow {
  readonly outline: readonly Half[];
  /** The foot begins here. */
  readonly foot: readonly Half[];
  readonly leg: { readonly region: Region; readonly centre: Half };
  readonly paw: { readonly region: Region; readonly centre: Half };
}

/** Limbs of a dog on its back, laid outward, soles to the light. */
export const LIMBS: readonly LimbRow[] = [
  {
    outline: [
      [386, 66],
      [398, 112],
      [382, 146],
      [360, 176], // carpus
      [336, 200],
      [322, 226],
      [328, 252],
      [352, 264],
      [382, 258],
      [398, 236],
      [410, 208],
      [446, 184],
      [480, 152], // elbow
      [490, 112],
      [482, 74],
    ],
    foot: [
      [280, 190],
      [430, 216],
      [430, 310],
      [280, 310],
    ],
    leg: { region: 'foreleg', centre: [430, 150] },
    paw: { region: 'forefoot', centre: [362, 228] },
  },
  {
    outline: [
      [652, 56],
      [650, 104],
      [668, 146], // stifle
      [708, 174],
      [746, 194],
      [764, 216],
      [762, 244],
      [774, 270],
      [802, 280],
      [830, 268],
      [838, 240],
      [830, 214],
      [846, 184], // hock
      [838, 150],
      [818, 116],
      [822, 62],
    ],
    foot: [
      [720, 222],
      [870, 208],
      [870, 320],
      [720, 320],
    ],
    leg: { region: 'hindleg', centre: [744, 136] },
    paw: { region: 'hindfoot', centre: [800, 242] },
  },
];

/** The tail laid out straight, from its root; and rolled up, as it is seen from above on a dog that carries it so. */
export const TAIL_OUT: readonly Half[] = [
  [806, 0],
  [812, 16],
  [844, 22],
  [878, 27],
  [908, 24],
  [928, 12],
  [934, 0],
];
export const TAIL_ROLLED: readonly Half[] = [
  [766, 0],
  [772, 30],
  [804, 44],
  [842, 40],
  [862, 22],
  [868, 0],
];

export type Sided = 'pair' | 'mid';
export interface SpineCut {
  readonly region: Region;
  readonly sided: Sided;
  /** Corners of one half; a middle zone is closed by its mirror image. */
  readonly corners: readonly Half[];
  readonly centre: Half;
  readonly hair: number;
}
const pair = (region: Region, centre: Half, hair: number, ...corners: Half[]): SpineCut => ({
  region,
  sided: 'pair',
  corners,
  centre,
  hair,
});
const mid = (region: Region, centre: Half, hair: number, ...corners: Half[]): SpineCut => ({
  region,
  sided: 'mid',
  corners,
  centre,
  hair,
});

const OUT = 190;
/** Half the width of the strip that is the back. */
const STRIP = 33;

export const CUTS_ABOVE: readonly SpineCut[] = [
  pair('face', [206, 14], 6, [110, 0], [110, OUT], [290, OUT], [302, 0]),
  pair('ruff', [380, 48], 18, [302, 0], [290, OUT], [430, OUT], [446, 60], [462, STRIP], [462, 0]),
  pair('shoulder', [486, 70], 14, [462, STRIP], [446, 60], [430, OUT], [536, OUT], [536, STRIP]),
  mid('back', [566, 0], 12, [462, 0], [462, STRIP], [536, STRIP], [690, STRIP], [690, 0]),
  pair('ribs', [594, 70], 14, [536, STRIP], [536, OUT], [654, OUT], [654, STRIP]),
  pair('hip', [700, 66], 13, [654, STRIP], [654, OUT], [752, OUT], [752, 40], [690, STRIP]),
  mid('rump', [740, 0], 13, [690, 0], [690, STRIP], [752, 40], [850, 40], [850, 0]),
  pair('breeches', [792, 66], 20, [752, 40], [752, OUT], [860, OUT], [860, 40]),
];

export const CUTS_BELOW: readonly SpineCut[] = [
  pair('face', [210, 14], 5, [110, 0], [110, OUT], [276, OUT], [284, 0]),
  mid('throat', [326, 0], 12, [284, 0], [276, OUT], [376, OUT], [368, 0]),
  mid('chest', [430, 0], 14, [368, 0], [376, OUT], [388, 96], [410, 48], [508, 44], [508, 0]),
  pair('armpit', [458, 74], 7, [410, 48], [388, 96], [388, OUT], [508, OUT], [508, 44]),
  mid('belly', [590, 0], 12, [508, 0], [508, 44], [508, OUT], [650, OUT], [660, 44], [716, 26], [716, 0]),
  pair('groin', [712, 56], 6, [660, 44], [650, OUT], [766, OUT], [766, 40], [716, 26]),
  pair('breeches', [792, 40], 14, [716, 0], [716, 26], [766, 40], [766, OUT], [870, OUT], [870, 0]),
];

/** Ears from above, by whether they hang. */
export const EAR_ABOVE: { readonly upright: readonly Half[]; readonly hanging: readonly Half[] } = {
  upright: [
    [268, 48],
    [272, 70],
    [286, 92],
    [304, 106],
    [318, 88],
    [328, 62],
    [318, 44],
    [292, 38],
  ],
  hanging: [
    [264, 56],
    [254, 74],
    [258, 94],
    [280, 102],
    [308, 94],
    [328, 74],
    [326, 54],
    [296, 44],
  ],
};
