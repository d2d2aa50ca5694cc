/** What stands in one coat: months back and ahead with its band, visits as posts, what hands and scale said as marks. */
import { area, line, max, scaleLinear, scaleUtc } from 'd3';
import { useId } from 'react';
import { loadOfFinger, type BandLine, type Sighting } from '../../core/tide/index.ts';
import { TimeFrame } from './TimeFrame.tsx';
import css from './charts.module.css';
import { INK } from './ink.ts';

const WIDTH = 1180;
const HEIGHT = 250;
const EDGE = { left: 46, right: 14, top: 26, bottom: 32 };
const FLOOR = HEIGHT - EDGE.bottom;
const at = (value: number): Date => new Date((value + 0.5) * 86_400_000);

interface Props {
  readonly store: BandLine;
  readonly sightings: readonly Sighting[];
  readonly today: number;
  readonly booked: readonly number[];
  readonly fullG: number;
}

export function StoreChart({ store, sightings, today, booked, fullG }: Props) {
  const prefix = useId().replace(/[^a-zA-Z0-9]/g, '');
  const last = store.from + store.likely.length - 1;
  const x = scaleUtc([at(store.from), at(last)], [EDGE.left, WIDTH - EDGE.right]);
  const y = scaleLinear([0, Math.max(20, max(store.high) ?? 0) * 1.05], [FLOOR, EDGE.top]);
  const days = Array.from({ length: store.likely.length }, (_, i) => i);
  const xOf = (i: number): number => x(at(store.from + i));
  const within = sightings.filter((s) => s.day >= store.from);
  return (
    <figure className={css.tide}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label="Loose grams in the coat, with its 80 % band">
        <TimeFrame
          x={x}
          y={y}
          title="loose grams in the coat"
          left={EDGE.left}
          top={EDGE.top}
          floor={FLOOR}
          height={HEIGHT}
          hatch={`${prefix}-band`}
        />
        <path
          {...INK.seaFill}
          d={
            area<number>()
              .x(xOf)
              .y0(FLOOR)
              .y1((i) => y(store.likely[i] ?? 0))(days) ?? ''
          }
        />
        <path
          className="wt-sea-doubt"
          fill={`url(#${prefix}-band)`}
          d={
            area<number>()
              .x(xOf)
              .y0((i) => y(store.low[i] ?? 0))
              .y1((i) => y(store.high[i] ?? 0))(days) ?? ''
          }
        />
        <path
          {...INK.seaSurface}
          d={
            line<number>()
              .x(xOf)
              .y((i) => y(store.likely[i] ?? 0))(days) ?? ''
          }
        />
        {within.map((s, i) => {
          if (s.kind === 'visit')
            return (
              <g key={i} className={css.post}>
                <path d={`M${x(at(s.day))},${FLOOR + 3}v-26`} />
                <circle cx={x(at(s.day))} cy={FLOOR - 24} r={3.4} />
                {s.weighed && s.weighed.share > 0 && (
                  <rect
                    {...INK.seenVisit}
                    transform={`translate(${x(at(s.day))},${y(s.weighed.grams / s.weighed.share)}) rotate(45)`}
                    x={-3.5}
                    y={-3.5}
                    width={7}
                    height={7}
                  />
                )}
              </g>
            );
          if (s.kind === 'touch' && s.finger !== undefined)
            return (
              <circle key={i} {...INK.seenTouch} cx={x(at(s.day)) - 4} cy={y(fullG * loadOfFinger(s.finger))} r={3.6} />
            );
          return null;
        })}
        {booked.map((b) => (
          <g key={b} className={css.post}>
            <path d={`M${x(at(b))},${FLOOR + 3}v-26`} strokeDasharray="3 2" />
            <circle cx={x(at(b))} cy={FLOOR - 24} r={3.4} />
          </g>
        ))}
        <line className={css.seaCursor} x1={x(at(today))} x2={x(at(today))} y1={EDGE.top} y2={FLOOR} />
        <text className={css.stairSoft} x={x(at(today))} y={EDGE.top - 4} textAnchor="middle">
          today
        </text>
        <line {...INK.seaFloor} x1={EDGE.left} x2={WIDTH - EDGE.right} y1={FLOOR} y2={FLOOR} />
      </svg>
      <div className={`${css.key} ${css.seaKey}`}>
        <span>
          <svg width="12" height="12" aria-hidden>
            <rect {...INK.seenVisit} transform="translate(6,6) rotate(45)" x={-3.5} y={-3.5} width={7} height={7} />
          </svg>{' '}
          what the scale says stood there
        </span>
        <span>
          <svg width="12" height="12" aria-hidden>
            <circle {...INK.seenTouch} cx="6" cy="6" r="3.6" />
          </svg>{' '}
          what fingers said
        </span>
        <span>
          <svg width="12" height="14" aria-hidden>
            <g className={css.post}>
              <path d="M6,14V4" />
              <circle cx={6} cy={4} r={3} />
            </g>
          </svg>{' '}
          visit, dashed where booked
        </span>
      </div>
    </figure>
  );
}
