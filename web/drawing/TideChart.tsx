/**
 * The caseload's year as a sea: every dog's share of the work stacked into water, the salon's hours as a quay wall, doubt as
 * spray on the surface, booked visits as posts. A staff at its edge reads the level; the same figures stand in a table.
 */
import { area, curveMonotoneX, line, max, maxIndex, pointer, scaleLinear, scaleUtc, utcFormat } from 'd3';
import { useEffect, useId, useMemo, useRef, useState } from 'react';
import type { DogTide, LearntBook } from '../../core/tide/index.ts';
import { shortDay } from '../words/dates.ts';
import './tide-chart.css';

const WIDTH = 860;
const HEIGHT = 430;
const EDGE = { left: 54, right: 16, top: 30, bottom: 46 };
const FLOOR = HEIGHT - EDGE.bottom;
const DAY_MS = 86_400_000;
/** Days from one drawn point to the next. */
const STEP = 3;
/** More dogs than this are drawn as their groups only. */
const MOST_LINES = 140;
const SHORTEST_WINDOW = 28;

export type Measure = 'hours' | 'grams';
export interface SeaGroup {
  readonly name: string;
  readonly dogs: readonly DogTide[];
}

interface Props {
  readonly learnt: LearntBook;
  readonly groups: readonly SeaGroup[];
  readonly measure: Measure;
  /** Hours a week that the salon has. */
  readonly quayHours: number;
  readonly booked: readonly { readonly day: number; readonly name: string }[];
  readonly nameOf: (id: string) => string;
  readonly picked: string | undefined;
  readonly onPick: (id: string | undefined) => void;
  /** Days shown, from the learnt day on. */
  readonly window: readonly [number, number];
  readonly onWindow: (window: readonly [number, number]) => void;
}

const at = (value: number): Date => new Date((value + 0.5) * DAY_MS);

/** Sum over the seven days about a day, of the days there are. */
function perWeek(perDay: Float32Array, i: number): number {
  let sum = 0;
  let n = 0;
  for (let k = Math.max(0, i - 3); k <= Math.min(perDay.length - 1, i + 3); k++) {
    sum += perDay[k] ?? 0;
    n++;
  }
  return (sum * 7) / n;
}

/** Levels at the drawn points: after each dog, one upon the other. */
function stack(groups: readonly SeaGroup[], measure: Measure, points: readonly number[]) {
  const base = new Float64Array(points.length);
  const dogs: { readonly id: string; readonly from: Float64Array; readonly to: Float64Array }[] = [];
  const layers = groups.map(({ name, dogs: own }) => {
    const from = Float64Array.from(base);
    for (const d of own) {
      const below = Float64Array.from(base);
      for (const [k, i] of points.entries())
        base[k] = (base[k] ?? 0) + (measure === 'grams' ? (d.wave[i] ?? 0) : perWeek(d.minutes, i) / 60);
      dogs.push({ id: d.id, from: below, to: Float64Array.from(base) });
    }
    return { name, from, to: Float64Array.from(base) };
  });
  return { layers, dogs };
}

const PATTERNS = ['ripple', 'swell', 'dot', 'chop', 'grain', 'slant', 'plain'] as const;

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
          <rect className={`wt-sea-${i}`} width="40" height="40" />
          {p === 'ripple' && <path className="wt-sea-mark" d="M0,5q5.5,-4 11,0t11,0" />}
          {p === 'swell' && <path className="wt-sea-mark" d="M0,8q7.5,-7 15,0t15,0" />}
          {p === 'dot' && <circle className="wt-sea-dot" cx="3" cy="4" r="1.2" />}
          {p === 'chop' && <path className="wt-sea-mark" d="M1,6l3,-3l3,3" />}
          {p === 'grain' && <path className="wt-sea-mark" d="M0,3H6" />}
          {p === 'slant' && <path className="wt-sea-mark" d="M0,4H9" />}
        </pattern>
      ))}
      <pattern id={`${prefix}-stone`} width="34" height="12" patternUnits="userSpaceOnUse">
        <rect className="wt-stone" width="34" height="12" />
        <path className="wt-stone-joint" d="M0,0H34M0,6H34M8,0V6M25,6V12" />
      </pattern>
      <pattern id={`${prefix}-spray`} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(60)">
        <path className="wt-spray" d="M0,2H7" />
      </pattern>
    </defs>
  );
}

const hoursText = (v: number): string => `${v < 10 ? v.toFixed(1) : Math.round(v)} h`;

export function TideChart({
  learnt,
  groups,
  measure,
  quayHours,
  booked,
  nameOf,
  picked,
  onPick,
  window: settled,
  onWindow,
}: Props) {
  const prefix = useId().replace(/[^a-zA-Z0-9]/g, '');
  // While it is dragged only the sea moves; the address follows when it is let go.
  const [dragged, setDragged] = useState<readonly [number, number]>();
  const [first, last] = dragged ?? settled;
  const svg = useRef<SVGSVGElement>(null);
  // It opens on the fullest week.
  const [cursor, setCursor] = useState(() => maxIndex(learnt.sea.minutes.likely) ?? 0);
  const drag = useRef<{ readonly x: number; readonly window: readonly [number, number]; moved: boolean } | undefined>(
    undefined,
  );
  const days = learnt.sea.minutes.likely.length;
  const points = useMemo(() => Array.from({ length: Math.floor(days / STEP) }, (_, k) => k * STEP), [days]);
  const { layers, dogs } = useMemo(() => stack(groups, measure, points), [groups, measure, points]);
  const band = useMemo(() => {
    const sea = measure === 'grams' ? learnt.sea.grams : learnt.sea.minutes;
    const by = measure === 'grams' ? 1 : 60;
    return points.map((i) => ({
      low: (sea.low[i] ?? 0) / by,
      likely: (sea.likely[i] ?? 0) / by,
      high: (sea.high[i] ?? 0) / by,
    }));
  }, [learnt, measure, points]);
  const top = Math.max(
    1,
    max(band, (b) => b.high) ?? 0,
    max(layers.at(-1)?.to ?? []) ?? 0,
    measure === 'hours' ? quayHours * 1.12 : 0,
  );
  const x = scaleUtc([at(learnt.from + first), at(learnt.from + last)], [EDGE.left, WIDTH - EDGE.right]);
  const y = scaleLinear([0, top * 1.04], [FLOOR, EDGE.top]);
  const xOf = (k: number): number => x(at(learnt.from + 1 + (points[k] ?? 0)));
  // Only what is in view is drawn, and a point more on either side.
  const lowest = Math.max(0, Math.floor(first / STEP) - 1);
  const highest = Math.min(points.length - 1, Math.ceil(last / STEP) + 1);
  const shown = Array.from({ length: Math.max(0, highest - lowest + 1) }, (_, i) => lowest + i);
  const between = (from: Float64Array, to: Float64Array): string =>
    area<number>()
      .x(xOf)
      .y0((k) => y(from[k] ?? 0))
      .y1((k) => y(to[k] ?? 0))
      .curve(curveMonotoneX)(shown) ?? '';
  const surface = (of: (k: number) => number): string =>
    line<number>()
      .x(xOf)
      .y((k) => y(of(k)))
      .curve(curveMonotoneX)(shown) ?? '';
  const sea = layers.at(-1)?.to ?? new Float64Array(points.length);
  const ground = layers[0]?.from ?? new Float64Array(points.length);
  const pickedDog = dogs.find((d) => d.id === picked);
  const over = measure === 'hours';
  const k = Math.min(points.length - 1, Math.max(0, Math.round(cursor / STEP)));
  const spoken = band[k];

  const clampWindow = (a: number, b: number): readonly [number, number] => {
    const span = Math.min(days, Math.max(SHORTEST_WINDOW, b - a));
    const from = Math.min(days - span, Math.max(0, a));
    return [Math.round(from), Math.round(from + span)];
  };
  const zoom = (by: number, about = (first + last) / 2): void =>
    onWindow(clampWindow(about - (about - first) * by, about + (last - about) * by));

  // A wheel over the sea must not scroll the page: React's own listener cannot prevent that.
  const zoomed = useRef(zoom);
  useEffect(() => {
    zoomed.current = zoom;
  });
  useEffect(() => {
    const el = svg.current;
    const onWheel = (e: WheelEvent): void => {
      if (!e.ctrlKey && Math.abs(e.deltaY) < Math.abs(e.deltaX)) return;
      e.preventDefault();
      zoomed.current(e.deltaY > 0 ? 1.15 : 1 / 1.15);
    };
    el?.addEventListener('wheel', onWheel, { passive: false });
    return () => el?.removeEventListener('wheel', onWheel);
  }, []);

  const dayUnder = (e: React.PointerEvent): number =>
    Math.min(days - 1, Math.max(0, x.invert(pointer(e, svg.current)[0]).getTime() / DAY_MS - learnt.from - 1.5));
  const pickUnder = (e: React.PointerEvent): void => {
    const kk = Math.round(dayUnder(e) / STEP);
    const level = y.invert(pointer(e, svg.current)[1]);
    const hit = dogs.find((d) => level >= (d.from[kk] ?? 0) && level < (d.to[kk] ?? 0));
    onPick(hit?.id === picked ? undefined : hit?.id);
  };

  const months = x.ticks(last - first > 150 ? 12 : 8);
  const label = utcFormat(last - first > 150 ? '%b' : '%e %b');
  return (
    <figure className="wt-tide">
      <svg
        ref={svg}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={`The year ahead of ${dogs.length} dogs: ${measure === 'hours' ? 'hours of work a week' : 'grams in all coats'}`}
        onPointerDown={(e) => {
          drag.current = { x: e.clientX, window: [first, last], moved: false };
          e.currentTarget.setPointerCapture(e.pointerId);
        }}
        onPointerMove={(e) => {
          const d = drag.current;
          if (!d) return setCursor(Math.round(dayUnder(e)));
          const by = ((d.x - e.clientX) / (svg.current?.clientWidth ?? WIDTH)) * (d.window[1] - d.window[0]) * 1.09;
          if (Math.abs(d.x - e.clientX) > 4) d.moved = true;
          if (d.moved) setDragged(clampWindow(d.window[0] + by, d.window[1] + by));
        }}
        onPointerUp={(e) => {
          if (drag.current && !drag.current.moved) pickUnder(e);
          drag.current = undefined;
          if (dragged) onWindow(dragged);
          setDragged(undefined);
        }}
        onPointerCancel={() => {
          drag.current = undefined;
          setDragged(undefined);
        }}
      >
        <SeaPatterns prefix={prefix} />
        <clipPath id={`${prefix}-in`}>
          <rect x={EDGE.left} y={0} width={WIDTH - EDGE.left - EDGE.right} height={HEIGHT} />
        </clipPath>
        {over && (
          <clipPath id={`${prefix}-over`}>
            <rect x={EDGE.left} y={0} width={WIDTH - EDGE.left - EDGE.right} height={Math.max(0, y(quayHours))} />
          </clipPath>
        )}
        <g clipPath={`url(#${prefix}-in)`}>
          {months.map((t) => (
            <line key={t.getTime()} className="wt-stair-base" x1={x(t)} x2={x(t)} y1={EDGE.top} y2={FLOOR} />
          ))}
          {layers.map((l, i) => (
            <path
              key={l.name}
              className="wt-sea"
              d={between(l.from, l.to)}
              fill={`url(#${prefix}-sea-${i % PATTERNS.length})`}
            />
          ))}
          {dogs.length <= MOST_LINES && (
            <path className="wt-sea-dogs" d={dogs.map((d) => surface((q) => d.to[q] ?? 0)).join('')} />
          )}
          <path
            className="wt-sea-doubt"
            fill={`url(#${prefix}-spray)`}
            d={
              area<number>()
                .x(xOf)
                .y0((q) => y(band[q]?.low ?? 0))
                .y1((q) => y(band[q]?.high ?? 0))
                .curve(curveMonotoneX)(shown) ?? ''
            }
          />
          <path className="wt-sea-edge" d={surface((q) => band[q]?.high ?? 0)} />
          <path className="wt-sea-surface" d={surface((q) => sea[q] ?? 0)} />
          {over && (
            <>
              <rect
                x={EDGE.left}
                width={WIDTH - EDGE.left - EDGE.right}
                y={y(quayHours) - 4}
                height={12}
                fill={`url(#${prefix}-stone)`}
              />
              <g clipPath={`url(#${prefix}-over)`}>
                <path className="wt-over" d={between(ground, sea)} />
              </g>
            </>
          )}
          {pickedDog && <path className="wt-sea-picked" d={between(pickedDog.from, pickedDog.to)} />}
          {booked.map((b, i) => (
            <g key={`${b.day} ${b.name} ${i}`} className="wt-post">
              <title>{`${b.name}, ${shortDay(b.day)}`}</title>
              <path d={`M${x(at(b.day))},${FLOOR + 3}v-30`} />
              <circle cx={x(at(b.day))} cy={FLOOR - 29} r={3.4} />
            </g>
          ))}
          <line className="wt-sea-cursor" x1={xOf(k)} x2={xOf(k)} y1={EDGE.top} y2={FLOOR} />
        </g>
        <line className="wt-sea-floor" x1={EDGE.left} x2={WIDTH - EDGE.right} y1={FLOOR} y2={FLOOR} />
        {months.map((t) => (
          <text key={t.getTime()} className="wt-stair-soft" x={x(t)} y={FLOOR + 20} textAnchor="middle">
            {label(t)}
          </text>
        ))}
        <g className="wt-staff" aria-hidden>
          <rect x={EDGE.left - 9} y={EDGE.top} width={9} height={FLOOR - EDGE.top} className="wt-staff-pole" />
          {y
            .ticks(10)
            .map((t, i) =>
              i % 2 === 0 ? null : (
                <rect
                  key={t}
                  className="wt-staff-mark"
                  x={EDGE.left - 9}
                  width={9}
                  y={y(t)}
                  height={Math.max(0, y(y.ticks(10)[i - 1] ?? 0) - y(t))}
                />
              ),
            )}
          {y.ticks(5).map((t) => (
            <text key={t} className="wt-stair-soft" x={EDGE.left - 13} y={y(t) + 4} textAnchor="end">
              {t}
            </text>
          ))}
          <text className="wt-stair-soft" x={EDGE.left - 10} y={16}>
            {over ? 'hours of work a week' : 'grams in all coats'}
          </text>
        </g>
        {over && (
          <text className="wt-quay-word" x={WIDTH - EDGE.right - 4} y={y(quayHours) - 9} textAnchor="end">
            quay: {hoursText(quayHours)} a week
          </text>
        )}
      </svg>
      <div className="wt-tide-read">
        <label>
          <span className="wt-soft">Day</span>
          <input
            type="range"
            className="form-range"
            min={0}
            max={days - 1}
            step={STEP}
            value={k * STEP}
            aria-valuetext={
              spoken &&
              `${shortDay(learnt.from + 1 + k * STEP)}: ${over ? hoursText(spoken.likely) : `${Math.round(spoken.likely)} g`}`
            }
            onChange={(e) => setCursor(Number(e.target.value))}
          />
        </label>
        {spoken && (
          <p>
            <strong>{shortDay(learnt.from + 1 + k * STEP)}</strong>:{' '}
            {over
              ? `${hoursText(spoken.likely)} of work that week (80 %: ${hoursText(spoken.low)}–${hoursText(spoken.high)})`
              : `${Math.round(spoken.likely)} g in all coats (80 %: ${Math.round(spoken.low)}–${Math.round(spoken.high)})`}
            {over && spoken.likely > quayHours && <span className="wt-over-word"> over the quay</span>}
            {pickedDog && ` · ${nameOf(pickedDog.id)} picked out`}
          </p>
        )}
        <div className="wt-acts">
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() => onWindow(clampWindow(first - (last - first) / 3, last - (last - first) / 3))}
          >
            Earlier
          </button>
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() => onWindow(clampWindow(first + (last - first) / 3, last + (last - first) / 3))}
          >
            Later
          </button>
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() => zoom(0.6, Math.max(first, Math.min(last, k * STEP)))}
          >
            Closer
          </button>
          <button type="button" className="btn btn-outline-primary" onClick={() => zoom(1 / 0.6)}>
            Farther
          </button>
        </div>
      </div>
      <div className="wt-key wt-sea-key">
        {layers.map((l, i) => (
          <span key={l.name}>
            <svg width="22" height="14" aria-hidden>
              <rect className="wt-sea" width="22" height="14" fill={`url(#${prefix}-sea-${i % PATTERNS.length})`} />
            </svg>{' '}
            {l.name}
          </span>
        ))}
      </div>
      <div className="visually-hidden">
        <table>
          <caption>{over ? 'Hours of work a week' : 'Grams in all coats'}, four weeks apart</caption>
          <thead>
            <tr>
              <th>Day</th>
              <th>Likely</th>
              <th>80 % from</th>
              <th>to</th>
            </tr>
          </thead>
          <tbody>
            {band.flatMap((b, q) =>
              q % 9 === 0 ? (
                <tr key={q}>
                  <th>{shortDay(learnt.from + 1 + q * STEP)}</th>
                  <td>{b.likely.toFixed(1)}</td>
                  <td>{b.low.toFixed(1)}</td>
                  <td>{b.high.toFixed(1)}</td>
                </tr>
              ) : (
                []
              ),
            )}
          </tbody>
        </table>
      </div>
    </figure>
  );
}
