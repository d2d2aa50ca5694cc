/**
 * The water of the tide chart, wider than its window, so that dragging it along only moves the picture: it is drawn again
 * when what it shows changes, never while it moves.
 */
import { area, curveLinear, curveMonotoneX, line, scaleUtc, utcFormat, type ScaleLinear } from 'd3';
import { memo } from 'react';
import { EDGE, FLOOR, HEIGHT, noon, STEP, VIEW, type Layer, type Stacked } from './sea-levels.ts';
import css from './charts.module.css';
import { INK } from './ink.ts';

/** More dogs than this are drawn as their groups only. */
const MOST_LINES = 140;
/** Windows drawn on either side of the one in view: a drag goes no further. */
const BESIDE = 1.1;

const PATTERNS = ['ripple', 'swell', 'dot', 'chop', 'grain', 'slant', 'plain'] as const;
export const seaFill = (prefix: string, layer: number): string => `url(#${prefix}-sea-${layer % PATTERNS.length})`;

function SeaPatterns({ prefix }: { prefix: string }) {
  return (
    <defs>
      {PATTERNS.map((p, i) => (
        <pattern
          key={p}
          id={`${prefix}-sea-${i}`}
          width={[22, 30, 10, 12, 14, 9, 20][i]}
          height={[8, 14, 10, 9, 7, 9, 20][i]}
          patternUnits="userSpaceOnUse"
          patternTransform={p === 'slant' ? 'rotate(35)' : undefined}
        >
          <rect className={css[`sea${i}`]} width="40" height="40" />
          {p === 'ripple' && <path className={css.seaMark} d="M0,5q5.5,-4 11,0t11,0" />}
          {p === 'swell' && <path className={css.seaMark} d="M0,8q7.5,-7 15,0t15,0" />}
          {p === 'dot' && <circle className={css.seaDot} cx="3" cy="4" r="1.2" />}
          {p === 'chop' && <path className={css.seaMark} d="M1,6l3,-3l3,3" />}
          {p === 'grain' && <path className={css.seaMark} d="M0,3H6" />}
          {p === 'slant' && <path className={css.seaMark} d="M0,4H9" />}
        </pattern>
      ))}
      <pattern id={`${prefix}-spray`} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(60)">
        <path {...INK.spray} d="M0,2H7" />
      </pattern>
    </defs>
  );
}

export interface SeaBand {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

/** What of the days is drawn about a window: first and last day, and where the picture lies against its view, in views. */
export function drawnAbout(first: number, last: number, days: number) {
  const span = last - first;
  const lo = Math.max(0, first - BESIDE * span);
  const hi = Math.min(days, last + BESIDE * span);
  return { lo, hi, left: (lo - first) / span, width: (hi - lo) / span };
}

interface Props {
  readonly prefix: string;
  /** The day before the first of the levels. */
  readonly from: number;
  readonly first: number;
  readonly last: number;
  readonly days: number;
  readonly stacked: Stacked;
  readonly band: readonly SeaBand[];
  readonly y: ScaleLinear<number, number>;
  /** Level of the quay wall, where the sea is hours. */
  readonly quay: number | undefined;
  readonly booked: readonly { readonly day: number }[];
  readonly picked: Layer | undefined;
}

export const Sea = memo(function Sea(props: Props) {
  const { prefix, from, first, last, days, stacked, band, y, quay, booked, picked } = props;
  const { layers, dogs } = stacked;
  const { lo, hi, width } = drawnAbout(first, last, days);
  const wide = VIEW * width;
  const x = scaleUtc([noon(from + lo), noon(from + hi)], [0, wide]);
  const xOf = (k: number): number => x(noon(from + 1 + k * STEP));
  // Only what may come into view is drawn, and a point more on either side.
  const lowest = Math.max(0, Math.floor(lo / STEP) - 1);
  const highest = Math.min(band.length - 1, Math.ceil(hi / STEP) + 1);
  const shown = Array.from({ length: Math.max(0, highest - lowest + 1) }, (_, i) => lowest + i);
  const fill = (low: (k: number) => number, high: (k: number) => number): string =>
    area<number>()
      .x(xOf)
      .y0((k) => y(low(k)))
      .y1((k) => y(high(k)))
      .curve(curveMonotoneX)
      .digits(1)(shown) ?? '';
  const between = (l: Layer): string =>
    fill(
      (k) => l.from[k] ?? 0,
      (k) => l.to[k] ?? 0,
    );
  const surface = (of: (k: number) => number, curve = curveMonotoneX): string =>
    line<number>()
      .x(xOf)
      .y((k) => y(of(k)))
      .curve(curve)
      .digits(1)(shown) ?? '';
  const top = layers.at(-1)?.to ?? new Float64Array(band.length);
  const ground = layers[0]?.from ?? new Float64Array(band.length);
  const months = x.ticks(Math.round((last - first > 150 ? 12 : 8) * width));
  const label = utcFormat(last - first > 150 ? '%b' : '%e %b');
  const posts = booked.filter((b) => b.day >= from + lo - 3 && b.day <= from + hi + 3).map((b) => x(noon(b.day)));
  return (
    <svg viewBox={`0 0 ${wide} ${HEIGHT}`} preserveAspectRatio="none" aria-hidden>
      <SeaPatterns prefix={prefix} />
      {quay !== undefined && (
        <clipPath id={`${prefix}-over`}>
          <rect x={0} y={0} width={wide} height={Math.max(0, y(quay))} />
        </clipPath>
      )}
      <path {...INK.stairBase} d={months.map((t) => `M${x(t)},${EDGE.top}V${FLOOR}`).join('')} />
      {layers.map((l, i) => (
        <path key={l.name} className={css.sea} d={between(l)} fill={seaFill(prefix, i)} />
      ))}
      {/* So fine and so many that nobody sees whether they are round. */}
      {dogs.length <= MOST_LINES && (
        <path {...INK.seaDogs} d={dogs.map((d) => surface((k) => d.to[k] ?? 0, curveLinear)).join('')} />
      )}
      <path
        className="wt-sea-doubt"
        fill={`url(#${prefix}-spray)`}
        d={fill(
          (k) => band[k]?.low ?? 0,
          (k) => band[k]?.high ?? 0,
        )}
      />
      <path {...INK.seaEdge} d={surface((k) => band[k]?.high ?? 0)} />
      <path {...INK.seaSurface} d={surface((k) => top[k] ?? 0)} />
      {quay !== undefined && (
        <g clipPath={`url(#${prefix}-over)`}>
          <path {...INK.over} d={between({ from: ground, to: top })} />
        </g>
      )}
      {picked && <path {...INK.seaPicked} d={between(picked)} />}
      <g className={css.post}>
        <path d={posts.map((p) => `M${p},${FLOOR + 3}v-30`).join('')} />
        <path
          className={css.postHead}
          d={posts.map((p) => `M${p - 3.4},${FLOOR - 29}a3.4,3.4 0 1,0 6.8,0a3.4,3.4 0 1,0 -6.8,0z`).join('')}
        />
      </g>
      {months.map((t) => (
        <text
          key={t.getTime()}
          className={css.stairSoft}
          x={x(t)}
          y={FLOOR + 20}
          textAnchor={x(t) < EDGE.left + 18 ? 'start' : 'middle'}
        >
          {label(t)}
        </text>
      ))}
    </svg>
  );
});
