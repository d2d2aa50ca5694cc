/**
 * How hair is drawn: tufts that break the outline, and locks that lie within a zone.
 *
 * Hair leaves the body along its lie, towards the tail on the trunk and towards the ground on chest and legs, and
 * only a little outward; a tuft is a narrow leaf from the body line to its tip, so a coat has depth, not bristles.
 */
import type { Random } from '../../../core/quantity/index.ts';
import type { Point } from './landmarks.ts';
import type { Warp } from './warp.ts';

export interface Tufts {
  /** Leaves to be filled with the coat's colour. */
  readonly leaves: string;
  /** Their outer edges, to be stroked. */
  readonly edges: string;
}

const fix = ([x, y]: Point): string => `${x.toFixed(1)},${y.toFixed(1)}`;
const unit = ([x, y]: Point): Point => {
  const n = Math.hypot(x, y) || 1;
  return [x / n, y / n];
};
const along = (from: Point, ...moves: readonly (readonly [Point, number])[]): Point =>
  moves.reduce<Point>(([x, y], [d, by]) => [x + d[0] * by, y + d[1] * by], from);

/** A point of an outline: where it is on the drawn dog, where the shape has moved it, and the way out of the body there. */
interface Edge {
  readonly base: Point;
  readonly at: Point;
  readonly out: Point;
}

/** Points along a closed outline at about every `step` units. */
function alongOutline(points: readonly Point[], warp: Warp, step: number): readonly Edge[] {
  return points.flatMap((a, i) => {
    const b = points[(i + 1) % points.length] ?? a;
    const [from, to] = [warp(a), warp(b)];
    const edge: Point = [to[0] - from[0], to[1] - from[1]];
    const [dx, dy] = unit(edge);
    const count = Math.max(1, Math.round(Math.hypot(...edge) / step));
    return Array.from({ length: count }, (_, k) => ({
      base: along(a, [[b[0] - a[0], b[1] - a[1]], k / count]),
      at: along(from, [edge, k / count]),
      out: [dy, -dx] satisfies Point,
    }));
  });
}

/** Way the hair grows at a point of the outline: along the outline as far as the lie goes there, a little outward. */
function growth(out: Point, lie: Point): Point {
  const tangent: Point = [-out[1], out[0]];
  const flow = tangent[0] * lie[0] + tangent[1] * lie[1];
  return unit(along([0, 0], [tangent, flow], [lie, 0.3], [out, 0.34]));
}

/** How hair stands on the drawn dog: its length beyond the body line in drawing units, and the way it lies. */
export interface Coat {
  readonly depthAt: (p: Point) => number;
  readonly lieAt: (p: Point) => Point;
}

/** Tufts along an outline given clockwise, where the shape has moved it. */
export function tufts(points: readonly Point[], { depthAt, lieAt }: Coat, warp: Warp, random: Random): Tufts {
  const leaves: string[] = [];
  const edges: string[] = [];
  for (const { base: from, at, out } of alongOutline(points, warp, 7)) {
    const depth = depthAt(from);
    if (depth < 3) continue;
    const length = depth * (0.75 + random() * 0.75);
    const grows = growth(out, lieAt(from));
    const wide = 3.5 + depth * 0.16;
    const base = along(at, [out, -3]);
    const tip = along(base, [grows, length * 1.15], [out, (random() - 0.2) * depth * 0.22]);
    const first = along(base, [grows, -wide]);
    const last = along(base, [grows, wide]);
    const outer = along(base, [grows, length * 0.3], [out, length * 0.36]);
    const inner = along(base, [grows, length * 0.55], [out, -length * 0.06]);
    leaves.push(`M${fix(first)}Q${fix(outer)} ${fix(tip)}Q${fix(inner)} ${fix(last)}Z`);
    edges.push(`M${fix(first)}Q${fix(outer)} ${fix(tip)}Q${fix(inner)} ${fix(last)}`);
  }
  return { leaves: leaves.join(''), edges: edges.join('') };
}

/**
 * The line that the coat's surface makes beyond the body's: an outline given clockwise, moved out by the depth of the
 * hair there. Few points, so that a pointer is cheaply found to be on the coat.
 */
export const coatLine = (points: readonly Point[], { depthAt }: Coat, warp: Warp): readonly Point[] =>
  points.map((p, i) => {
    const before = warp(points[(i + points.length - 1) % points.length] ?? p);
    const after = warp(points[(i + 1) % points.length] ?? p);
    const [dx, dy] = unit([after[0] - before[0], after[1] - before[1]]);
    const depth = depthAt(p);
    return along(warp(p), [[dy, -dx], depth > 10 ? depth * 0.4 : 0]);
  });

function inside([x, y]: Point, polygon: readonly Point[]): boolean {
  let within = false;
  polygon.forEach((a, i) => {
    const b = polygon[(i + polygon.length - 1) % polygon.length] ?? a;
    if (a[1] > y !== b[1] > y && x < ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1]) + a[0]) within = !within;
  });
  return within;
}

/** Where single hairs are drawn, how they lie and how long they are. */
export interface Field {
  readonly corners: readonly Point[];
  /** Degrees clockwise from "towards the tail". */
  readonly lieDeg: number;
  readonly hair: number;
}

/** Single hairs within a zone, thinner than the tufts, lying as the coat lies; curled ones for a fleece. */
export function locks(
  { corners, lieDeg, hair }: Field,
  body: readonly Point[],
  warp: Warp,
  curl: boolean,
  random: Random,
): string {
  const xs = corners.map((p) => p[0]);
  const ys = corners.map((p) => p[1]);
  const [x0, x1] = [Math.max(140, Math.min(...xs)), Math.min(910, Math.max(...xs))];
  const [y0, y1] = [Math.max(60, Math.min(...ys)), Math.min(640, Math.max(...ys))];
  const spacing = 22;
  const strokes: string[] = [];
  for (let y = y0; y < y1; y += spacing * 0.7) {
    for (let x = x0; x < x1; x += spacing) {
      const base: Point = [x + (random() - 0.5) * spacing, y + (random() - 0.5) * spacing];
      if (!inside(base, corners) || !inside(base, body)) continue;
      const at = warp(base);
      const angle = ((lieDeg + (random() - 0.5) * (curl ? 240 : 26)) * Math.PI) / 180;
      const grows: Point = [Math.cos(angle), Math.sin(angle)];
      const side: Point = [grows[1], -grows[0]];
      const length = hair * (0.8 + random() * 0.7);
      const bow = curl ? 0.9 : 0.15;
      strokes.push(
        `M${fix(at)}Q${fix(along(at, [grows, length / 2], [side, length * bow]))} ${fix(along(at, [grows, length]))}`,
      );
    }
  }
  return strokes.join('');
}
