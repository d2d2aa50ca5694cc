/** What stands in a coat over the coming weeks if nobody touches it, with its band, and the days that are looked at. */
import { area, curveMonotoneX, line, max, scaleLinear } from 'd3';
import type { DogTide } from '../../core/tide/index.ts';
import { shortDay } from '../words/dates.ts';
import { grams } from '../words/figures.ts';
import css from './charts.module.css';
import { INK } from './ink.ts';

const [WIDTH, HEIGHT] = [420, 120];
const EDGE = { left: 44, right: 8, top: 8, bottom: 20 } as const;
/** Days drawn beyond the last that is looked at. */
const BEYOND = 21;

interface Props {
  readonly tide: DogTide;
  /** Day before the first of the tide's rows. */
  readonly from: number;
  readonly days: readonly { readonly day: number; readonly word: string; readonly now: boolean }[];
}

export function CoatCurve({ tide, from, days }: Props) {
  const { low, likely, high } = tide.bare;
  const last = Math.min(likely.length - 1, Math.max(60, ...days.map((d) => d.day - from)) + BEYOND);
  const at = Array.from({ length: last + 1 }, (_, i) => i);
  const x = scaleLinear()
    .domain([0, last])
    .range([EDGE.left, WIDTH - EDGE.right]);
  const y = scaleLinear()
    .domain([0, max(at, (i) => high[i]) ?? 1])
    .nice(3)
    .range([HEIGHT - EDGE.bottom, EDGE.top]);
  const band = area<number>()
    .curve(curveMonotoneX)
    .x((i) => x(i))
    .y0((i) => y(low[i] ?? 0))
    .y1((i) => y(high[i] ?? 0));
  const middle = line<number>()
    .curve(curveMonotoneX)
    .x((i) => x(i))
    .y((i) => y(likely[i] ?? 0));
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className={css.coatCurve}
      role="img"
      aria-label={`In the coat if nobody touches it: ${days
        .map((d) => `${grams(likely[d.day - from - 1] ?? 0)} on ${shortDay(d.day)}`)
        .join(', ')}`}
    >
      {y.ticks(3).map((t) => (
        <g key={t}>
          <path {...INK.weeksGrid} d={`M${EDGE.left},${y(t)}H${WIDTH - EDGE.right}`} />
          <text x={EDGE.left - 6} y={y(t)} dy="0.32em" textAnchor="end">
            {t} g
          </text>
        </g>
      ))}
      <path {...INK.curveBand} d={band(at) ?? ''} />
      <path {...INK.curveLine} d={middle(at) ?? ''} />
      {days.map((d) => {
        const left = x(d.day - from - 1);
        return (
          <g key={`${d.day} ${d.word}`} className={d.now ? 'is-now' : undefined}>
            <path className={css.curvePost} d={`M${left},${EDGE.top}V${HEIGHT - EDGE.bottom}`} />
            <text x={left} y={HEIGHT - 5} textAnchor={left > WIDTH - 70 ? 'end' : 'middle'}>
              {d.word}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
