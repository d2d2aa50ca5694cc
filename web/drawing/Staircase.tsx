/**
 * A plan as stairs going down from a full coat: a step's width is its minutes, its fall the hair it takes, its
 * fill the state of the coat. Another method can lie over it as a dotted stair.
 */
import { line, scaleLinear } from 'd3';
import { useId } from 'react';
import type { MethodPlan, PlanStep } from '../../core/bench/index.ts';
import { PHASE_WORDS } from '../../core/bench/index.ts';
import { grams, percent } from '../words/figures.ts';

const WIDTH = 860;
const HEIGHT = 290;
const EDGE = { left: 46, right: 12, top: 14, bottom: 34 };

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
        <rect className="wt-fill-dry" width="10" height="10" />
      </pattern>
      <pattern id={`${prefix}-damp`} width="14" height="14" patternUnits="userSpaceOnUse">
        <rect className="wt-fill-damp" width="14" height="14" />
        <circle className="wt-fill-dot" cx="4" cy="4" r="1.5" />
        <circle className="wt-fill-dot" cx="11" cy="11" r="1.5" />
      </pattern>
      <pattern id={`${prefix}-soapy`} width="22" height="20" patternUnits="userSpaceOnUse">
        <rect className="wt-fill-damp" width="22" height="20" />
        <circle className="wt-fill-mark" cx="6" cy="7" r="4" />
        <circle className="wt-fill-mark" cx="16" cy="14" r="3" />
      </pattern>
      <pattern id={`${prefix}-air`} width="14" height="14" patternUnits="userSpaceOnUse" patternTransform="rotate(-35)">
        <rect className="wt-fill-dry" width="14" height="14" opacity="0.35" />
        <path className="wt-fill-mark" d="M0,4H14M0,11H8" />
      </pattern>
    </>
  );
}

export function Staircase({ plan, other, title }: { plan: MethodPlan; other?: MethodPlan | undefined; title: string }) {
  const prefix = useId().replace(/[^a-zA-Z0-9]/g, '');
  const x = scaleLinear([0, Math.max(plan.minutes, other?.minutes ?? 0)], [EDGE.left, WIDTH - EDGE.right]);
  const y = scaleLinear([0, 1], [HEIGHT - EDGE.bottom, EDGE.top]);
  const path = line<readonly [number, number]>()
    .x((p) => x(p[0]))
    .y((p) => y(p[1]));
  const treads = treadsOf(plan.steps);
  const fills: readonly Fill[] = ['dry', 'damp', 'soapy', 'air'];
  return (
    <div className="wt-stairs">
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={title}>
        <defs>
          <Fills prefix={prefix} />
        </defs>
        {[0, 0.25, 0.5, 0.75, 1].map((share) => (
          <g key={share}>
            <line className="wt-stair-base" x1={EDGE.left} x2={WIDTH - EDGE.right} y1={y(share)} y2={y(share)} />
            <text className="wt-stair-soft" x={EDGE.left - 6} y={y(share) + 4} textAnchor="end">
              {Math.round(share * 100)} %
            </text>
          </g>
        ))}
        {treads.map(({ s, i, from, before: top }) => (
          <g key={s.id}>
            <title>{`${i + 1}. ${PHASE_WORDS[s.phase]}, ${s.tool.name}: ${s.minutes} min, ${grams(s.gramsOut)} out, ${percent(s.shareLeft)} left`}</title>
            <rect
              x={x(from)}
              width={x(from + s.minutes) - x(from)}
              y={y(top)}
              height={y(0) - y(top)}
              fill={`url(#${prefix}-${fillOf(s)})`}
            />
            {x(from + s.minutes) - x(from) > 15 && (
              <text x={(x(from) + x(from + s.minutes)) / 2} y={y(0) + 15} textAnchor="middle">
                {i + 1}
              </text>
            )}
          </g>
        ))}
        <path className="wt-stair-edge" d={path(corners(plan.steps)) ?? ''} />
        {other && <path className="wt-stair-other" d={path(corners(other.steps)) ?? ''} />}
        <text className="wt-stair-soft" x={EDGE.left} y={HEIGHT - 3}>
          steps, as wide as their minutes
        </text>
        <text x={x(plan.minutes)} y={HEIGHT - 3} textAnchor="end">
          {plan.minutes} min
        </text>
      </svg>
      <div className="wt-key">
        {fills.map((f) => (
          <span key={f}>
            <svg viewBox="0 0 26 16" aria-hidden>
              <rect width="26" height="16" fill={`url(#${prefix}-${f})`} />
            </svg>
            {FILL_WORDS[f]}
          </span>
        ))}
        <span>height: loose coat left</span>
        {other && <span>dotted: the recommended stair</span>}
      </div>
    </div>
  );
}
