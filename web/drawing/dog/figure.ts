/**
 * The drawn dog as paths: landmarks joined by splines and moved into a body shape, zones with living edges, hair along
 * its lie and as long as the coat's. One figure for each shape, coat and aspect; the same strokes every time.
 */
import { curveCatmullRom, curveCatmullRomClosed, line } from 'd3';
import { ZONES, type CoatClass, type Region, type ZoneId } from '../../../core/dog/index.ts';
import { seededRandom } from '../../../core/quantity/index.ts';
import type { Point } from './landmarks.ts';

const closed = line<Point>().curve(curveCatmullRomClosed.alpha(0.5));
const open = line<Point>().curve(curveCatmullRom.alpha(0.5));
export const loop = (points: readonly Point[]): string => closed(points) ?? '';
export const stroke = (...points: readonly Point[]): string => open(points) ?? '';

export interface FigureZone {
  readonly id: ZoneId;
  readonly path: string;
  readonly centre: Point;
}

/** A part of the body that is painted as one: fill, hair over its edge, its zones within its coat. */
export interface FigurePart {
  readonly body: readonly string[];
  /** In the middle tone of the coat instead of the shading from light to dark. */
  readonly flat?: boolean;
  readonly leaves: string;
  readonly edges: string;
  /** Lines where the body itself is seen. */
  readonly outline: readonly string[];
  /** What of it a zone may cover. */
  readonly coat: string;
  readonly coatRule: 'nonzero' | 'evenodd';
  readonly zones: readonly FigureZone[];
}

/** A fixed mark such as an eye, drawn about a point that the shape moves. */
export interface Feature {
  readonly d: string;
  readonly mark: 'nose' | 'eye' | 'glint' | 'brow';
  readonly transform: string;
}

export interface Figure {
  /** Painted first, in shadow. */
  readonly far: readonly string[];
  /** In the order of painting. */
  readonly parts: readonly FigurePart[];
  readonly locks: string;
  readonly anatomy: readonly string[];
  readonly shadows: readonly string[];
  readonly lines: readonly string[];
  readonly features: readonly Feature[];
  /** Ground under a standing dog: centre and half lengths. */
  readonly ground: { readonly cx: number; readonly cy: number; readonly rx: number; readonly ry: number } | undefined;
  /** From where to where the coat grows darker: along y, or from the middle line outward. */
  readonly shade: 'down' | 'outward';
}

/** Length of hair on the drawing by coat class, against the drawn dog's medium coat. */
export const HAIR: Readonly<Record<CoatClass, number>> = {
  'smooth-single': 0.06,
  'smooth-double': 0.2,
  'medium-double': 1,
  'long-double': 1.35,
  'heavy-double': 1.3,
  'harsh-double': 0.55,
  fleece: 0.7,
};

/** Length of single hairs within a coat, against the drawn dog's. */
export const lockShare = (coatClass: CoatClass): number => 0.35 + 0.65 * Math.min(1, HAIR[coatClass]);

/** The middle of some points. */
export const middleOf = (points: readonly Point[]): Point => [
  points.reduce((t, p) => t + p[0], 0) / points.length,
  points.reduce((t, p) => t + p[1], 0) / points.length,
];

export const zoneIdOf = (region: Region, side: 'left' | 'right'): ZoneId => {
  const found = ZONES.find((z) => z.region === region && (z.side === 'mid' || z.side === side));
  if (!found) throw new RangeError(`no zone of ${region}`);
  return found.id;
};

export const at = (anchor: Point, to: Point, scale: number): string =>
  `translate(${to[0].toFixed(1)} ${to[1].toFixed(1)}) scale(${scale}) translate(${-anchor[0]} ${-anchor[1]})`;

/** Same seed for every figure: two pictures of one dog are the same. */
export const randomOf = () => seededRandom(7);
