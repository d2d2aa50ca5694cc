/**
 * The caseload's year as a sea: every dog's share of the work stacked into water, the salon's hours as a quay wall, doubt as
 * spray on the surface, booked visits as posts. A staff at its edge reads the level; the same figures stand in a table.
 */
import { max, maxIndex, pointer, scaleLinear, type ScaleLinear } from 'd3';
import { memo, useEffect, useId, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { LearntBook } from '../../core/tide/index.ts';
import { Button } from '../ui/Button.tsx';
import { Table } from '../ui/Table.tsx';
import { shortDay } from '../words/dates.ts';
import { drawnAbout, Sea, seaFill, type SeaBand } from './Sea.tsx';
import { EDGE, FLOOR, HEIGHT, stack, STEP, VIEW, WIDTH, type Measure, type SeaGroup } from './sea-levels.ts';
import css from './charts.module.css';
import { INK } from './ink.ts';

const SHORTEST_WINDOW = 28;
/** Pixels from which a press is a drag. */
const DRAGS_FROM = 4;
/** Names told of a day's visits. */
const MOST_NAMES = 5;

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

const percent = (share: number): string => `${share * 100}%`;
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
  window: [first, last],
  onWindow,
}: Props) {
  const prefix = useId().replace(/[^a-zA-Z0-9]/g, '');
  const stage = useRef<HTMLDivElement>(null);
  const slide = useRef<HTMLDivElement>(null);
  // It opens on the fullest week.
  const [cursor, setCursor] = useState(() => maxIndex(learnt.sea.minutes.likely) ?? 0);
  const drag = useRef<{ readonly x: number; moved: boolean } | undefined>(undefined);
  const days = learnt.sea.minutes.likely.length;
  const points = useMemo(() => Array.from({ length: Math.floor(days / STEP) }, (_, k) => k * STEP), [days]);
  const stacked = useMemo(() => stack(groups, measure, points), [groups, measure, points]);
  const band = useMemo(() => {
    const sea = measure === 'grams' ? learnt.sea.grams : learnt.sea.minutes;
    const by = measure === 'grams' ? 1 : 60;
    return points.map((i) => ({
      low: (sea.low[i] ?? 0) / by,
      likely: (sea.likely[i] ?? 0) / by,
      high: (sea.high[i] ?? 0) / by,
    }));
  }, [learnt, measure, points]);
  const over = measure === 'hours';
  const y = useMemo(() => {
    const levels = [max(band, (b) => b.high) ?? 0, max(stacked.layers.at(-1)?.to ?? []) ?? 0];
    const top = Math.max(1, ...levels, over ? quayHours * 1.12 : 0);
    return scaleLinear([0, top * 1.04], [FLOOR, EDGE.top]);
  }, [band, stacked, over, quayHours]);
  const pickedDog = stacked.dogs.find((d) => d.id === picked);
  // A day that is out of view is not read.
  const inView = Math.min(last - 1, Math.max(first, cursor));
  const k = Math.min(points.length - 1, Math.max(0, Math.round(inView / STEP)));
  const spoken = band[k];
  const span = last - first;

  const clampWindow = (a: number, b: number): readonly [number, number] => {
    const wide = Math.min(days, Math.max(SHORTEST_WINDOW, b - a));
    const from = Math.min(days - wide, Math.max(0, a));
    return [Math.round(from), Math.round(from + wide)];
  };
  const zoom = (by: number, about = (first + last) / 2): void =>
    onWindow(clampWindow(about - (about - first) * by, about + (last - about) * by));

  // A wheel over the sea must not scroll the page: React's own listener cannot prevent that.
  const zoomed = useRef(zoom);
  useEffect(() => {
    zoomed.current = zoom;
  });
  useEffect(() => {
    const el = stage.current;
    const onWheel = (e: WheelEvent): void => {
      if (!e.ctrlKey && Math.abs(e.deltaY) < Math.abs(e.deltaX)) return;
      e.preventDefault();
      zoomed.current(e.deltaY > 0 ? 1.15 : 1 / 1.15);
    };
    el?.addEventListener('wheel', onWheel, { passive: false });
    return () => el?.removeEventListener('wheel', onWheel);
  }, []);

  // While it is dragged the picture moves and nothing is drawn again; the address follows when it is let go.
  const shift = (px: number): void => {
    if (slide.current) slide.current.style.transform = px === 0 ? '' : `translateX(${px}px)`;
  };
  useLayoutEffect(() => shift(0), [first, last]);
  /** Days by which a drag to a place moves the window, and what of it there is to show. */
  const draggedTo = (clientX: number): readonly [number, number] => {
    const view = ((stage.current?.clientWidth ?? WIDTH) * VIEW) / WIDTH;
    const by = ((drag.current?.x ?? clientX) - clientX) / view;
    const most = Math.min(days, last + span) - last;
    const least = Math.max(0, first - span) - first;
    const moved = Math.min(most, Math.max(least, by * span));
    return [moved, (-moved / span) * view];
  };

  const placeUnder = (e: React.PointerEvent): readonly [number, number] => {
    const [px, py] = pointer(e, stage.current);
    const unit = WIDTH / (stage.current?.clientWidth ?? WIDTH);
    const i = first + ((px * unit - EDGE.left) / VIEW) * span - 1;
    return [Math.min(days - 1, Math.max(0, i)), y.invert(py * unit)];
  };
  const pickUnder = (e: React.PointerEvent): void => {
    const [i, level] = placeUnder(e);
    const kk = Math.round(i / STEP);
    const hit = stacked.dogs.find((d) => level >= (d.from[kk] ?? 0) && level < (d.to[kk] ?? 0));
    onPick(hit?.id === picked ? undefined : hit?.id);
  };

  const { left, width, lo, hi } = drawnAbout(first, last, days);
  const onDay = learnt.from + 1 + k * STEP;
  const visits = booked.filter((b) => b.day >= onDay - 1 && b.day < onDay - 1 + STEP).map((b) => b.name);
  return (
    <figure className={css.tide}>
      <div
        ref={stage}
        className={css.tideStage}
        role="img"
        aria-label={`The year ahead of ${stacked.dogs.length} dogs: ${over ? 'hours of work a week' : 'grams in all coats'}`}
        onPointerDown={(e) => {
          drag.current = { x: e.clientX, moved: false };
          e.currentTarget.setPointerCapture(e.pointerId);
        }}
        onPointerMove={(e) => {
          const d = drag.current;
          if (!d) return setCursor(Math.round(placeUnder(e)[0]));
          if (Math.abs(d.x - e.clientX) > DRAGS_FROM) d.moved = true;
          if (d.moved) shift(draggedTo(e.clientX)[1]);
        }}
        onPointerUp={(e) => {
          const d = drag.current;
          if (d && !d.moved) pickUnder(e);
          if (d?.moved) {
            const [by] = draggedTo(e.clientX);
            const next = clampWindow(first + by, last + by);
            if (next[0] === first) shift(0);
            else onWindow(next);
          }
          drag.current = undefined;
        }}
        onPointerCancel={() => {
          drag.current = undefined;
          shift(0);
        }}
      >
        <div
          className={css.tideView}
          style={{ left: percent(EDGE.left / WIDTH), width: percent(VIEW / WIDTH) }}
          aria-hidden
        >
          <div ref={slide} className={css.tideSlide} style={{ left: percent(left), width: percent(width) }}>
            <Sea
              prefix={prefix}
              from={learnt.from}
              first={first}
              last={last}
              days={days}
              stacked={stacked}
              band={band}
              y={y}
              quay={over ? quayHours : undefined}
              booked={booked}
              picked={pickedDog}
            />
            <div
              className={css.seaCursor}
              style={{
                left: percent((1 + k * STEP - lo) / (hi - lo)),
                top: percent(EDGE.top / HEIGHT),
                bottom: percent(EDGE.bottom / HEIGHT),
              }}
            />
          </div>
        </div>
        <Staff prefix={prefix} y={y} quayHours={over ? quayHours : undefined} />
      </div>
      <div className={css.tideRead}>
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
              spoken && `${shortDay(onDay)}: ${over ? hoursText(spoken.likely) : `${Math.round(spoken.likely)} g`}`
            }
            onChange={(e) => setCursor(Number(e.target.value))}
          />
        </label>
        {spoken && (
          <p>
            <strong>{shortDay(onDay)}</strong>:{' '}
            {over
              ? `${hoursText(spoken.likely)} of work that week (80 %: ${hoursText(spoken.low)}–${hoursText(spoken.high)})`
              : `${Math.round(spoken.likely)} g in all coats (80 %: ${Math.round(spoken.low)}–${Math.round(spoken.high)})`}
            {over && spoken.likely > quayHours && <span className={css.overWord}> over the quay</span>}
            {visits.length > 0 &&
              ` · booked: ${visits.slice(0, MOST_NAMES).join(', ')}${visits.length > MOST_NAMES ? ` and ${visits.length - MOST_NAMES} more` : ''}`}
            {pickedDog && ` · ${nameOf(pickedDog.id)} picked out`}
          </p>
        )}
        <div className="wt-acts">
          <Button look="usual" onClick={() => onWindow(clampWindow(first - span / 3, last - span / 3))}>
            Earlier
          </Button>
          <Button look="usual" onClick={() => onWindow(clampWindow(first + span / 3, last + span / 3))}>
            Later
          </Button>
          <Button look="usual" onClick={() => zoom(0.6, Math.max(first, Math.min(last, k * STEP)))}>
            Closer
          </Button>
          <Button look="usual" onClick={() => zoom(1 / 0.6)}>
            Farther
          </Button>
        </div>
      </div>
      <div className={`${css.key} ${css.seaKey}`}>
        {stacked.layers.map((l, i) => (
          <span key={l.name}>
            <svg width="22" height="14" aria-hidden>
              <rect className={css.sea} width="22" height="14" fill={seaFill(prefix, i)} />
            </svg>{' '}
            {l.name}
          </span>
        ))}
      </div>
      <SeaTable caption={over ? 'Hours of work a week' : 'Grams in all coats'} band={band} from={learnt.from} />
    </figure>
  );
}

/** What stands still before the water: the staff that reads it, the quay wall, the floor. */
const Staff = memo(function Staff({
  prefix,
  y,
  quayHours,
}: {
  readonly prefix: string;
  readonly y: ScaleLinear<number, number>;
  readonly quayHours: number | undefined;
}) {
  const marks = y.ticks(10);
  return (
    <svg className={css.staff} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden>
      <pattern id={`${prefix}-stone`} width="34" height="12" patternUnits="userSpaceOnUse">
        <rect {...INK.stone} width="34" height="12" />
        <path {...INK.stoneJoint} d="M0,0H34M0,6H34M8,0V6M25,6V12" />
      </pattern>
      {quayHours !== undefined && (
        <rect x={EDGE.left} width={VIEW} y={y(quayHours) - 4} height={12} fill={`url(#${prefix}-stone)`} />
      )}
      <line {...INK.seaFloor} x1={EDGE.left} x2={WIDTH - EDGE.right} y1={FLOOR} y2={FLOOR} />
      <rect x={EDGE.left - 9} y={EDGE.top} width={9} height={FLOOR - EDGE.top} {...INK.staffPole} />
      {marks.map((t, i) =>
        i % 2 === 0 ? null : (
          <rect
            key={t}
            {...INK.staffMark}
            x={EDGE.left - 9}
            width={9}
            y={y(t)}
            height={Math.max(0, y(marks[i - 1] ?? 0) - y(t))}
          />
        ),
      )}
      {y.ticks(5).map((t) => (
        <text key={t} className={css.stairSoft} x={EDGE.left - 13} y={y(t) + 4} textAnchor="end">
          {t}
        </text>
      ))}
      <text className={css.stairSoft} x={EDGE.left - 10} y={16}>
        {quayHours === undefined ? 'grams in all coats' : 'hours of work a week'}
      </text>
      {quayHours !== undefined && (
        <text className={css.quayWord} x={WIDTH - EDGE.right - 4} y={y(quayHours) - 9} textAnchor="end">
          quay: {hoursText(quayHours)} a week
        </text>
      )}
    </svg>
  );
});

const SeaTable = memo(function SeaTable({
  caption,
  band,
  from,
}: {
  readonly caption: string;
  readonly band: readonly SeaBand[];
  readonly from: number;
}) {
  return (
    <div className="visually-hidden">
      <Table>
        <caption>{caption}, four weeks apart</caption>
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
                <th>{shortDay(from + 1 + q * STEP)}</th>
                <td>{b.likely.toFixed(1)}</td>
                <td>{b.low.toFixed(1)}</td>
                <td>{b.high.toFixed(1)}</td>
              </tr>
            ) : (
              []
            ),
          )}
        </tbody>
      </Table>
    </div>
  );
});
