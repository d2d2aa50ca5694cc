/** The dog from its left: the body part over its far limbs, with ear and tail of its shape. */
import type { DogLook } from './frame.ts';
import { EARS, TAILS } from './ears-tails.ts';
import {
  at,
  HAIR,
  lockShare,
  loop,
  middleOf,
  randomOf,
  stroke,
  zoneIdOf,
  type Figure,
  type FigurePart,
  type FigureZone,
} from './figure.ts';
import { coatLine, locks, tufts, type Coat } from './fur.ts';
import { BODY, CUTS, FAR_FORELEG, FAR_HINDLEG, P, type Cut, type Point } from './landmarks.ts';
import { PROPORTIONS, sideWarp, type Warp } from './warp.ts';

/** A place on the drawn dog, its edges left out; an edge that is not named lies beyond the drawing. */
interface Place {
  readonly left?: number;
  readonly right?: number;
  readonly top?: number;
  readonly bottom?: number;
}
const lies = ([x, y]: Point, { left = -Infinity, right = Infinity, top = -Infinity, bottom = Infinity }: Place) =>
  x > left && x < right && y > top && y < bottom;

/** Length of the hair that shows beyond the body line on a medium coat, by place; the first that holds. */
const MEDIUM_DEPTHS: readonly (readonly [depth: number, place: Place])[] = [
  [0, { right: 262, bottom: 292 }], // muzzle and brow
  [0, { right: 350, bottom: 170 }], // poll, under the ears
  [0, { top: 585 }], // feet
  [34, { right: 345, top: 280, bottom: 470 }], // throat, bib, chest
  [24, { left: 350, right: 480, bottom: 260 }], // crest and mane
  [24, { left: 446, right: 690, top: 415 }], // belly
  [40, { left: 780, top: 300, bottom: 500 }], // breeches
  [16, { left: 720, bottom: 300 }], // croup
  [9, { top: 470 }], // legs
  [9, { left: 400, right: 447, top: 430 }], // elbow
];
const TOPLINE_DEPTH = 12;
const mediumDepthAt = (p: Point): number => MEDIUM_DEPTHS.find(([, place]) => lies(p, place))?.[0] ?? TOPLINE_DEPTH;

/** Feathers at the back of the foreleg, the mark of a long coat. */
const isFeather = ([x, y]: Point): boolean => x > 392 && x < 430 && y > 470 && y < 596;

/** Way the hair lies, by where on the dog; unit vectors, x towards the tail, y towards the ground. */
function lieAt([x, y]: Point): Point {
  if (y > 470) return [0.2, 0.98]; // legs
  if (x < 345 && y > 270) return [0.34, 0.94]; // throat and chest
  if (x > 770 && y > 290) return [0.2, 0.98]; // breeches
  if (y > 410) return [0.9, 0.44]; // belly
  return [0.95, 0.31];
}

function coatOf({ coatClass }: DogLook): Coat {
  const hair = HAIR[coatClass];
  const feathered = coatClass === 'long-double' || coatClass === 'heavy-double';
  return {
    depthAt: (p) => (feathered && isFeather(p) ? 22 : mediumDepthAt(p) * hair),
    lieAt,
  };
}

/** Runs of the outline that carry no tufts, where short hair lets the body line itself be seen. */
function shortHaired(points: readonly Point[], { depthAt }: Coat, warp: Warp): readonly string[] {
  const runs: Point[][] = [[]];
  for (const p of [...points, ...points.slice(0, 1)]) {
    if (depthAt(p) <= 9) runs.at(-1)?.push(p);
    else if (runs.at(-1)?.length) runs.push([]);
  }
  return runs.filter((r) => r.length > 1).map((r) => stroke(...r.map(warp)));
}

/** How far an edge between zones bows, as a share of its length. */
const BOW = 0.07;

function zonePath(c: Cut, warp: Warp): string {
  const [first] = c.corners;
  if (!first) return '';
  const edge = (from: keyof typeof P, to: keyof typeof P): string => {
    // An edge bows the same way in both zones that share it: its corners decide, in alphabetical order.
    const [a, b] = from < to ? [warp(P[from]), warp(P[to])] : [warp(P[to]), warp(P[from])];
    const bend = [(a[0] + b[0]) / 2 - (b[1] - a[1]) * BOW, (a[1] + b[1]) / 2 + (b[0] - a[0]) * BOW];
    return `Q${bend.map((v) => v.toFixed(1)).join(',')} ${warp(P[to])
      .map((v) => v.toFixed(1))
      .join(',')}`;
  };
  return `M${warp(P[first]).join(',')}${c.corners.map((k, i) => edge(k, c.corners[i + 1] ?? first)).join('')}Z`;
}

/** Twice the area within a closed outline, above 0 when it runs clockwise on the screen. */
const turning = (points: readonly Point[]): number =>
  points.reduce((t, [x, y], i) => {
    const [nx, ny] = points[(i + 1) % points.length] ?? [x, y];
    return t + (x * ny - nx * y);
  }, 0);
/** The same outline run clockwise: outlines that lie over one another in one path must run the same way round. */
const clockwise = (points: readonly Point[]): readonly Point[] =>
  turning(points) < 0 ? [...points].reverse() : points;

/** The dog from its left side. */
export function sideFigure(looks: DogLook): Figure {
  const { shape, coatClass } = looks;
  const random = randomOf();
  const warp = sideWarp(shape);
  const coat = coatOf(looks);
  const hair = HAIR[coatClass];
  const ear = EARS[shape];
  const tail = TAILS[shape];
  const tailWarp = sideWarp(shape, true);
  const moved = (points: readonly Point[]): readonly Point[] => points.map(warp);
  const tailCoat: Coat = {
    depthAt: ([x, y]) => (x < 800 && y < 300 && !tail.overBack ? 12 : 34) * hair * tail.plume,
    lieAt: tail.overBack
      ? // Rolled: it stands away from the middle of the roll.
        ([x, y]) => [(x - 758) / 90, (y - 222) / 60]
      : // The plume hangs: hair lies along it and falls away from its tip.
        ([x, y]) => (y > 500 ? [-0.3, 0.95] : x < 840 ? [0.5, 0.87] : [0.35, 0.94]),
  };
  const earPath = loop(clockwise(moved(ear.near)));
  // A hanging ear lies over the cheek and is felt there, with what is behind it.
  const [behind, rest] = [
    CUTS.filter((c) => ear.hangs && c.region === 'ears'),
    CUTS.filter((c) => !ear.hangs || c.region !== 'ears'),
  ];
  const zones = [...rest, ...behind].map((c): FigureZone => ({
    id: zoneIdOf(c.region, 'left'),
    path: zonePath(c, warp) + (behind.includes(c) ? earPath : ''),
    centre: warp(behind.includes(c) ? middleOf(ear.near) : c.centre),
  }));
  const bodyPath = loop(moved(BODY));
  const bodyTufts = tufts(BODY, coat, warp, random);
  const tailTufts = tufts(tail.outline, tailCoat, tailWarp, random);
  const tailBody = loop(tail.outline.map(tailWarp));
  const body: FigurePart = {
    body: [bodyPath, earPath],
    ...bodyTufts,
    outline: [...shortHaired(BODY, coat, warp), stroke(...moved(ear.near.slice(ear.edge[0], ear.edge[1] + 1)))],
    coat: loop(coatLine(BODY, coat, warp)) + earPath,
    coatRule: 'nonzero',
    zones,
  };
  const tailLine = coatLine(tail.outline, tailCoat, tailWarp);
  const tailPart: FigurePart = {
    body: [tailBody],
    flat: true,
    ...tailTufts,
    outline: hair * tail.plume < 0.4 ? [tailBody] : [],
    // Behind the body, only what stands out from it can be touched.
    coat: tail.overBack ? loop(tailLine) : loop(tailLine) + bodyPath,
    coatRule: tail.overBack ? 'nonzero' : 'evenodd',
    zones: [{ id: 'tail', path: loop(tailLine), centre: tailWarp(tail.centre) }],
  };
  const s = PROPORTIONS[shape];
  const head = s.head * s.size;
  const eye: Point = [248, 196];
  const nose: Point = [158, 222];
  const [heel, toe] = [warp([786, 640]), warp([324, 640])];
  return {
    far: [loop(moved(ear.far)), loop(moved(FAR_FORELEG)), loop(moved(FAR_HINDLEG))],
    parts: tail.overBack ? [body, tailPart] : [tailPart, body],
    locks: rest
      .map((c) => {
        const field = { corners: c.corners.map((k) => P[k]), lieDeg: c.lieDeg, hair: c.hair * lockShare(coatClass) };
        return locks(field, BODY, warp, coatClass === 'fleece', random);
      })
      .join(''),
    anatomy: [
      stroke(
        ...moved([
          [446, 300],
          [404, 352],
          [366, 392],
          [362, 436],
          [352, 470],
        ]),
      ), // shoulder blade to elbow
      stroke(
        ...moved([
          [424, 470],
          [440, 452],
          [470, 436],
        ]),
      ), // fold of the elbow
      stroke(
        ...moved([
          [722, 300],
          [706, 350],
          [688, 404],
          [692, 446],
        ]),
      ), // front of the thigh
      stroke(
        ...moved([
          [284, 290],
          [310, 262],
          [322, 226],
          [330, 190],
        ]),
      ), // cheek and ruff
      stroke(
        ...moved([
          [744, 520],
          [762, 506],
          [784, 500],
        ]),
      ), // hock
      // Short hair shows what stands under it.
      ...(hair < 0.4
        ? [
            stroke(
              ...moved([
                [520, 320],
                [512, 366],
                [520, 412],
              ]),
            ),
            stroke(
              ...moved([
                [556, 316],
                [548, 366],
                [556, 416],
              ]),
            ),
            stroke(
              ...moved([
                [592, 316],
                [586, 360],
                [594, 408],
              ]),
            ),
            stroke(
              ...moved([
                [360, 330],
                [352, 372],
                [356, 410],
              ]),
            ),
          ]
        : []),
    ],
    shadows: ear.inner.length > 4 ? [loop(moved(ear.inner))] : [],
    lines: [
      stroke(
        ...moved([
          [158, 246],
          [184, 252],
          [212, 250],
          [232, 240],
        ]),
      ),
      ...[338, 352, 366, 736, 750, 764].map((x) => {
        const [px, py] = warp([x, 638]);
        return `M${px.toFixed(1)},${py.toFixed(1)} q-3,-9 1,-16`;
      }),
      ...(ear.hangs ? [stroke(...moved(ear.inner))] : []),
      ...(tail.curl.length > 0 ? [stroke(...tail.curl.map(tailWarp))] : []),
    ],
    features: [
      {
        d: 'M147,224 q2,-12 14,-13 q8,1 9,8 q-2,10 -11,14 q-10,2 -12,-9z',
        mark: 'nose',
        transform: at(nose, warp(nose), head * 1.04),
      },
      {
        d: 'M241,197 q7,-11 19,-7 q4,6 -2,11 q-9,6 -17,-4z',
        mark: 'eye',
        transform: at(eye, warp(eye), head),
      },
      {
        d: 'M251.2,194 a1.8,1.8 0 1,0 3.6,0 a1.8,1.8 0 1,0 -3.6,0',
        mark: 'glint',
        transform: at(eye, warp(eye), head),
      },
      { d: 'M240,186 q9,-8 21,-6', mark: 'brow', transform: at(eye, warp(eye), head) },
    ],
    ground: { cx: (heel[0] + toe[0]) / 2, cy: 640, rx: (heel[0] - toe[0]) / 2 + 100, ry: 16 },
    shade: 'down',
  };
}
