/** The drawn dog as paths: landmarks joined by splines, zones with living edges, hair along its lie. */
import { curveCatmullRom, curveCatmullRomClosed, line } from 'd3';
import type { Region } from '../../../core/dog/index.ts';
import { seededRandom } from '../../../core/quantity/index.ts';
import { coatLine, locks, tufts } from './fur.ts';
import {
  BODY,
  CUTS,
  FAR_EAR,
  FAR_FORELEG,
  FAR_HINDLEG,
  INNER_EAR,
  NEAR_EAR,
  P,
  TAIL,
  TAIL_CENTRE,
  type Cut,
  type Point,
} from './landmarks.ts';

/** The part of the plane that is shown; the right side is mirrored within it. */
export const FRAME = { x: 100, y: 35, width: 860, height: 635 } as const;

const closed = line<Point>().curve(curveCatmullRomClosed.alpha(0.5));
const open = line<Point>().curve(curveCatmullRom.alpha(0.5));
const loop = (points: readonly Point[]): string => closed(points) ?? '';
const stroke = (...points: Point[]): string => open(points) ?? '';

/** Length of the hair that shows beyond the body line, by where on the dog. */
function depthAt([x, y]: Point): number {
  if (x < 262 && y < 292) return 0; // muzzle and brow
  if (x < 350 && y < 170) return 0; // poll, under the ears
  if (y > 585) return 0; // feet
  if (x < 345 && y > 280 && y < 470) return 34; // throat, bib, chest
  if (x > 350 && x < 480 && y < 260) return 24; // crest and mane
  if (y > 415 && x > 446 && x < 690) return 24; // belly
  if (x > 780 && y > 300 && y < 500) return 40; // breeches
  if (x > 720 && y < 300) return 16; // croup
  if (y > 470 || (x > 400 && x < 447 && y > 430)) return 9; // legs
  return 12; // topline
}

/** Way the hair lies, by where on the dog; unit vectors, x towards the tail, y towards the ground. */
function lieAt([x, y]: Point): Point {
  if (y > 470) return [0.2, 0.98]; // legs
  if (x < 345 && y > 270) return [0.34, 0.94]; // throat and chest
  if (x > 770 && y > 290) return [0.2, 0.98]; // breeches
  if (y > 410) return [0.9, 0.44]; // belly
  return [0.95, 0.31];
}

const tailDepth = ([x, y]: Point): number => (x < 800 && y < 300 ? 12 : 34);

/** The plume hangs: hair lies along it and falls away from its tip. */
const tailLie = ([x, y]: Point): Point => (y > 500 ? [-0.3, 0.95] : x < 840 ? [0.5, 0.87] : [0.35, 0.94]);

/** Runs of the outline that carry no tufts, where short hair lets the body line itself be seen. */
const shortHaired = (points: readonly Point[]): readonly (readonly Point[])[] => {
  const runs: Point[][] = [[]];
  for (const p of [...points, ...points.slice(0, 1)]) {
    if (depthAt(p) <= 9) runs.at(-1)?.push(p);
    else if (runs.at(-1)?.length) runs.push([]);
  }
  return runs.filter((r) => r.length > 1);
};

/** How far an edge between zones bows, as a share of its length. */
const BOW = 0.07;

/** An edge bows the same way in both zones that share it: its corners decide, in alphabetical order. */
function bowed(from: keyof typeof P, to: keyof typeof P): string {
  const [a, b] = from < to ? [P[from], P[to]] : [P[to], P[from]];
  const end = P[to];
  const bend = [(a[0] + b[0]) / 2 - (b[1] - a[1]) * BOW, (a[1] + b[1]) / 2 + (b[0] - a[0]) * BOW];
  return `Q${bend.join(',')} ${end.join(',')}`;
}

function zonePath(c: Cut): string {
  const [first] = c.corners;
  if (!first) return '';
  return `M${P[first].join(',')}${c.corners.map((k, i) => bowed(k, c.corners[i + 1] ?? first)).join('')}Z`;
}

export interface FigureZone {
  readonly region: Region;
  readonly path: string;
  readonly centre: Point;
  readonly onTail: boolean;
}

/** Everything a coat map draws; computed once, same strokes every time. */
export const FIGURE = (() => {
  const random = seededRandom(7);
  const zones: readonly FigureZone[] = [
    ...CUTS.map((c) => ({ region: c.region, path: zonePath(c), centre: c.centre, onTail: false })),
    { region: 'tail', path: loop(TAIL), centre: TAIL_CENTRE, onTail: true },
  ];
  return {
    body: loop(BODY),
    tail: loop(TAIL),
    nearEar: loop(NEAR_EAR),
    /** The ear's edge from front to back; its base grows out of the head. */
    nearEarEdge: stroke(...NEAR_EAR.slice(0, 7)),
    innerEar: loop(INNER_EAR),
    farEar: loop(FAR_EAR),
    farLegs: [loop(FAR_FORELEG), loop(FAR_HINDLEG)],
    outline: shortHaired(BODY).map((run) => stroke(...run)),
    tufts: tufts(BODY, depthAt, lieAt, random),
    tailTufts: tufts(TAIL, tailDepth, tailLie, random),
    coat: loop(coatLine(BODY, depthAt)),
    tailCoat: loop(coatLine(TAIL, tailDepth)),
    locks: CUTS.map((c) => locks(c, random)).join(''),
    /** Soft lines of the anatomy under the coat. */
    anatomy: [
      stroke([446, 300], [404, 352], [366, 392], [362, 436], [352, 470]), // shoulder blade to elbow
      stroke([424, 470], [440, 452], [470, 436]), // fold of the elbow
      stroke([722, 300], [706, 350], [688, 404], [692, 446]), // front of the thigh
      stroke([284, 290], [310, 262], [322, 226], [330, 190]), // cheek and ruff
      stroke([744, 520], [762, 506], [784, 500]), // hock
    ],
    mouth: stroke([158, 246], [184, 252], [212, 250], [232, 240]),
    zones,
  };
})();
