/**
 * A plan as stairs going down from a full coat: a step's width is its minutes, its fall the hair it takes, its
 * fill the state of the coat. Another method can lie over it as a dotted stair.
 */
import { line, scaleLinear } from 'd3';
import { useId } from 'react';
import type { PlanStep } from '../../core/bench/index.ts';
import { grams } from '../words/figures.ts';
import css from './charts.module.css';
import { INK } from './ink.ts';

const WIDTH = 860;
const HEIGHT = 318;
const EDGE = { left: 46, right: 12, top: 26, bottom: 54 };

type Fill = 'dry' | 'damp' | 'soapy' | 'air';
const FILL_WORDS: Readonly<Record<Fill, string>> = { dry: 'dry', damp: 'damp or wet', soapy: 'soapy', air: 'air' };

const fillOf = (s: PlanStep): Fill =>
  s.tool.kind === 'force-dryer' || s.tool.kind === 'stand-dryer'
    ? 'air'
    : s.wetness === 'soapy'
      ? 'soapy'
      : s.wetness === 'dry'
        ? 'dry'
        : 'damp';

interface Tread {
  readonly s: PlanStep;
  readonly i: number;
  /** Minute at which it begins. */
  readonly from: number;
  /** Share left before it. */
  readonly before: number;
}

function treadsOf(steps: readonly PlanStep[]): readonly Tread[] {
  const treads: Tread[] = [];
  let from = 0;
  let before = 1;
  for (const [i, s] of steps.entries()) {
    treads.push({ s, i, from, before });
    from += s.minutes;
    before = s.shareLeft;
  }
  return treads;
}

/** Corners of a stair: across a step's minutes, then down by what it took. */
const corners = (steps: readonly PlanStep[]): readonly (readonly [number, number])[] =>
  treadsOf(steps).flatMap(({ s, from, before }) => [
    [from, before] as const,
    [from + s.minutes, before] as const,
    [from + s.minutes, s.shareLeft] as const,
  ]);

function Fills({ prefix }: { prefix: string }) {
  return (
    <>
      <pattern id={`${prefix}-dry`} width="10" height="10" patternUnits="userSpaceOnUse">
        <rect {...INK.fillDry} width="10" height="10" />
      </pattern>
      <pattern id={`${prefix}-damp`} width="14" height="14" patternUnits="userSpaceOnUse">
        <rect {...INK.fillDamp} width="14" height="14" />
        <circle {...INK.fillDot} cx="4" cy="4" r="1.5" />
        <circle {...INK.fillDot} cx="11" cy="11" r="1.5" />
      </pattern>
      <pattern id={`${prefix}-soapy`} width="22" height="20" patternUnits="userSpaceOnUse">
        <rect {...INK.fillDamp} width="22" height="20" />
        <circle {...INK.fillMark} cx="6" cy="7" r="4" />
        <circle {...INK.fillMark} cx="16" cy="14" r="3" />
      </pattern>
      <pattern id={`${prefix}-air`} width="14" height="14" patternUnits="userSpaceOnUse" patternTransform="rotate(-35)">
        <rect {...INK.fillDry} width="14" height="14" opacity="0.35" />
        <path {...INK.fillMark} d="M0,4H14M0,11H8" />
      </pattern>
    </>
  );
}

/** Short names, for a tread that has room for one word. */
const SHORT: Readonly<Record<PlanStep['phase'], string>> = {
  ties: 'Ties',
  air: 'Blow out',
  'dry-rubber': 'Rubber',
  'dry-pin': 'Pins',
  'dry-rake': 'Rake',
  'dry-slicker': 'Slicker',
  mist: 'Mist',
  'damp-pin': 'Pins',
  'damp-slicker': 'Slicker',
  bath: 'Bath',
  'soapy-work': 'Soap',
  rewash: 'Rinse',
  condition: 'Condition',
  towel: 'Towel',
  drying: 'Dry',
  edge: 'Fine',
  'care-nails': 'nails',
  'care-ears': 'ears',
  'care-teeth': 'teeth',
  'care-eyes': 'eyes',
  'care-pads': 'pads',
  'care-sanitary': 'under tail',
  'care-tidy': 'tidy',
  'comb-out': 'comb out',
  'face-feet': 'face, feet',
  comb: 'Comb',
  finish: 'Finish',
};

interface Props {
  readonly steps: readonly PlanStep[];
  /** A stair to lay over this one, dotted, and what it is called. */
  readonly other?: { readonly steps: readonly PlanStep[]; readonly name: string } | undefined;
  readonly title: string;
  /** The step that is looked at. */
  readonly lit?: string | undefined;
  /** Steps at which something is wrong. */
  readonly faulty?: ReadonlySet<string>;
  /** Minutes that the whole width stands for; as much as there is where nobody holds it. */
  readonly span?: number | undefined;
}

export const minutesOf = (steps: readonly PlanStep[]): number => steps.reduce((t, s) => t + s.minutes, 0);

/** Where a tread lies across the drawing, 0..1 of its whole width. */
export function extentsOf(
  steps: readonly PlanStep[],
  span: number,
): readonly { readonly from: number; readonly to: number }[] {
  const x = across(span);
  return treadsOf(steps).map(({ s, from }) => ({ from: x(from) / WIDTH, to: x(from + s.minutes) / WIDTH }));
}
const across = (span: number) => scaleLinear([0, Math.max(span, 1)], [EDGE.left, WIDTH - EDGE.right]);
/** Width over height of the whole drawing. */
export const STAIRS_ASPECT = WIDTH / HEIGHT;
/** Share of the drawing's width that its minutes take. */
export const STAIRS_SPAN = (WIDTH - EDGE.left - EDGE.right) / WIDTH;

const WIDE_ENOUGH = { number: 15, grams: 34, name: 54 };

interface TreadProps {
  readonly tread: ReturnType<typeof treadsOf>[number];
  readonly scales: { readonly x: (minutes: number) => number; readonly y: (share: number) => number };
  readonly most: { readonly hair: number; readonly time: number };
  readonly fill: string;
  readonly lit: boolean;
  readonly faulty: boolean;
}

function TreadShown({ tread, scales: { x, y }, most, fill, lit, faulty }: TreadProps) {
  const { s, i, from, before: top } = tread;
  const [x0, x1] = [x(from), x(from + s.minutes)];
  const width = x1 - x0;
  const middle = (x0 + x1) / 2;
  const area = { x: x0, width, y: y(top), height: y(0) - y(top) };
  return (
    <g className={lit ? 'is-lit' : undefined}>
      <rect {...area} fill={fill} />
      {lit && <rect {...INK.stairLit} {...area} />}
      {faulty && (
        <g className={css.stairFault} transform={`translate(${middle},${y(0) - 16})`}>
          <path d="M0,-11 L11,9 L-11,9 Z" />
          <text textAnchor="middle" y="6">
            !
          </text>
        </g>
      )}
      {width > WIDE_ENOUGH.name && !faulty && (
        <text className={css.stairName} x={middle} y={y(0) - 8} textAnchor="middle">
          {SHORT[s.phase]}
        </text>
      )}
      {width > WIDE_ENOUGH.grams && s.gramsOut >= 0.5 && (
        <TreadGrams x={middle} y={y(top) - 6} grams={s.gramsOut} most={s.gramsOut === most.hair} width={width} />
      )}
      {width > WIDE_ENOUGH.number && (
        <TreadTime x={middle} y={y(0)} n={i + 1} minutes={s.minutes} most={s.minutes === most.time} width={width} />
      )}
    </g>
  );
}

interface FigureProps {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly most: boolean;
}

function TreadGrams({ x, y, grams: out, most, width }: FigureProps & { grams: number }) {
  return (
    <text className={most ? css.stairMost : css.stairSoft} x={x} y={y} textAnchor="middle">
      {most && width > 92 ? `most hair, ${grams(out)}` : grams(out)}
    </text>
  );
}

function TreadTime({ x, y, n, minutes, most, width }: FigureProps & { n: number; minutes: number }) {
  return (
    <>
      <text className={most ? css.stairMost : undefined} x={x} y={y + 15} textAnchor="middle">
        {n}
      </text>
      {width > WIDE_ENOUGH.grams && (
        <text className={most ? css.stairMost : css.stairSoft} x={x} y={y + 31} textAnchor="middle">
          {most && width > 84 ? `longest, ${Math.round(minutes)} min` : Math.round(minutes)}
        </text>
      )}
    </>
  );
}

export function Staircase({ steps, other, title, lit, faulty, span }: Props) {
  const prefix = useId().replace(/[^a-zA-Z0-9]/g, '');
  const x = across(span ?? Math.max(minutesOf(steps), other ? minutesOf(other.steps) : 0));
  const y = scaleLinear([0, 1], [HEIGHT - EDGE.bottom, EDGE.top]);
  const path = line<readonly [number, number]>()
    .x((p) => x(p[0]))
    .y((p) => y(p[1]));
  const treads = treadsOf(steps);
  const fills: readonly Fill[] = ['dry', 'damp', 'soapy', 'air'];
  const mostHair = Math.max(...steps.map((s) => s.gramsOut));
  const mostTime = Math.max(...steps.map((s) => s.minutes));
  return (
    <>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={title}>
        <defs>
          <Fills prefix={prefix} />
        </defs>
        {[0, 0.25, 0.5, 0.75, 1].map((share) => (
          <g key={share}>
            <line {...INK.stairBase} x1={EDGE.left} x2={WIDTH - EDGE.right} y1={y(share)} y2={y(share)} />
            <text className={css.stairSoft} x={EDGE.left - 6} y={y(share) + 4} textAnchor="end">
              {Math.round(share * 100)} %
            </text>
          </g>
        ))}
        {treads.map((tread) => (
          <TreadShown
            key={tread.s.id}
            tread={tread}
            scales={{ x, y }}
            most={{ hair: mostHair, time: mostTime }}
            fill={`url(#${prefix}-${fillOf(tread.s)})`}
            lit={tread.s.id === lit}
            faulty={faulty?.has(tread.s.id) === true}
          />
        ))}
        <path {...INK.stairEdge} d={path(corners(steps)) ?? ''} />
        {other && <path className={css.stairOther} d={path(corners(other.steps)) ?? ''} />}
        <text className={css.stairSoft} x={EDGE.left} y={HEIGHT - 4}>
          steps, as wide as their minutes
        </text>
        <text x={Math.max(x(minutesOf(steps)), EDGE.left + 260)} y={HEIGHT - 4} textAnchor="end">
          {Math.round(minutesOf(steps))} min
        </text>
      </svg>
      <div className={css.key}>
        {fills.map((f) => (
          <span key={f}>
            <svg viewBox="0 0 26 16" aria-hidden>
              <rect width="26" height="16" fill={`url(#${prefix}-${f})`} />
            </svg>
            {FILL_WORDS[f]}
          </span>
        ))}
        <span>height: loose coat left; above a tread: hair out</span>
        {other && <span>dotted: {other.name}</span>}
      </div>
    </>
  );
}
