/**
 * A dog's visits side by side on one line of time: hair out as bars by stage, minutes planned and worked below, the
 * undercoat that fingers found as a line. Every figure stands in a table behind it.
 */
import { line, max, scaleLinear, scaleUtc, utcFormat } from 'd3';
import { useId } from 'react';
import type { DogPage, SessionSummary } from '../../contract/dog.ts';
import { STAGES, type Stage } from '../../core/tally/index.ts';
import { Table } from '../ui/Table.tsx';
import { dateText } from '../words/dates.ts';
import { grams, minutesText } from '../words/figures.ts';
import css from './charts.module.css';
import { INK } from './ink.ts';

const WIDTH = 620;
const EDGE = { left: 46, right: 14 };
const GRAMS = { top: 18, bottom: 168 };
const MINUTES = { top: 196, bottom: 268 };
const GRADE = { top: 298, bottom: 362 };
const HEIGHT = 392;
const BAR = 15;

export const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  dry: 'dry hands',
  water: 'water and soap',
  air: 'air',
  proof: 'comb and finish',
};

const at = (day: string): Date => new Date(`${day}T12:00:00Z`);

function VisitTable({ visits, checks }: { visits: readonly SessionSummary[]; checks: DogPage['checks'] }) {
  return (
    <div className="visually-hidden">
      <Table>
        <caption>Hair, minutes and undercoat by visit</caption>
        <thead>
          <tr>
            <th>Day</th>
            {STAGES.map((s) => (
              <th key={s}>{STAGE_WORDS[s]}</th>
            ))}
            <th>Minutes worked of planned</th>
          </tr>
        </thead>
        <tbody>
          {visits.map((v) => (
            <tr key={v.id}>
              <th>{dateText(v.day)}</th>
              {STAGES.map((s) => (
                <td key={s}>{grams(v.stages[s])}</td>
              ))}
              <td>
                {v.minutes} of {v.plannedMinutes}
              </td>
            </tr>
          ))}
          {checks.map((c) => (
            <tr key={c.id}>
              <th>{dateText(c.day)}, felt</th>
              <td colSpan={5}>undercoat {c.meanGrade.toFixed(1)} of 4</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </div>
  );
}

export function VisitChart({ sessions, checks }: Pick<DogPage, 'sessions' | 'checks'>) {
  const prefix = useId().replace(/[^a-zA-Z0-9]/g, '');
  const visits = sessions.filter((s) => s.state === 'finished').toReversed();
  const felt = [...checks].sort((a, b) => a.day.localeCompare(b.day));
  const days = [...visits.map((v) => v.day), ...felt.map((c) => c.day)].sort();
  const [first] = days;
  const last = days.at(-1);
  if (!first || !last || visits.length === 0) return <p className="wt-soft">The first visit begins the picture.</p>;
  const DAY_MS = 86_400_000;
  const pad = Math.max(6 * DAY_MS, (at(last).getTime() - at(first).getTime()) * 0.03);
  const x = scaleUtc(
    [new Date(at(first).getTime() - pad), new Date(at(last).getTime() + pad)],
    [EDGE.left, WIDTH - EDGE.right],
  );
  const mostG = max(visits, (v) => v.gramsOut) ?? 1;
  const mostM = max(visits, (v) => Math.max(v.minutes, v.plannedMinutes)) ?? 1;
  const g = scaleLinear([0, Math.max(10, mostG)], [GRAMS.bottom, GRAMS.top]).nice(4);
  const m = scaleLinear([0, Math.max(10, mostM)], [MINUTES.bottom, MINUTES.top]).nice(3);
  const f = scaleLinear([0, 4], [GRADE.bottom, GRADE.top]);
  const wide = Math.min(BAR, Math.max(5, (WIDTH - EDGE.left - EDGE.right) / (visits.length * 1.6)));
  const feltLine = line<(typeof felt)[number]>()
    .x((c) => x(at(c.day)))
    .y((c) => f(c.meanGrade));
  const month = utcFormat('%b %y');
  return (
    <figure className={css.chart}>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={`Hair, minutes and undercoat over ${visits.length} visits`}
      >
        <defs>
          <pattern id={`${prefix}-dry`} width="6" height="6" patternUnits="userSpaceOnUse">
            <rect {...INK.stageDry} width="6" height="6" />
          </pattern>
          <pattern id={`${prefix}-water`} width="8" height="8" patternUnits="userSpaceOnUse">
            <rect {...INK.stageWater} width="8" height="8" />
            <circle {...INK.stageMark} cx="3" cy="4" r="1.7" />
          </pattern>
          <pattern
            id={`${prefix}-air`}
            width="7"
            height="7"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(-35)"
          >
            <rect {...INK.stageAir} width="7" height="7" />
            <path {...INK.stageLine} d="M0,3H7" />
          </pattern>
          <pattern id={`${prefix}-proof`} width="5" height="5" patternUnits="userSpaceOnUse">
            <rect {...INK.stageProof} width="5" height="5" />
            <path {...INK.stageLine} d="M2,0V5" />
          </pattern>
        </defs>
        {g.ticks(4).map((t) => (
          <g key={t}>
            <line {...INK.stairBase} x1={EDGE.left} x2={WIDTH - EDGE.right} y1={g(t)} y2={g(t)} />
            <text className={css.stairSoft} x={EDGE.left - 6} y={g(t) + 4} textAnchor="end">
              {t}
            </text>
          </g>
        ))}
        <text className={css.stairSoft} x={EDGE.left} y={GRAMS.top - 6}>
          grams out
        </text>
        {visits.map((v) => {
          let from = 0;
          return (
            <g key={v.id}>
              {STAGES.map((s) => {
                const own = v.stages[s];
                const y0 = g(from);
                from += own;
                return own > 0 ? (
                  <rect
                    key={s}
                    x={x(at(v.day)) - wide / 2}
                    width={wide}
                    y={g(from)}
                    height={Math.max(0, y0 - g(from))}
                    fill={`url(#${prefix}-${s})`}
                    {...INK.visitStage}
                  />
                ) : null;
              })}
              <rect
                {...INK.minutesDone}
                x={x(at(v.day)) - wide / 2}
                width={wide}
                y={m(v.minutes)}
                height={MINUTES.bottom - m(v.minutes)}
              />
              <line
                {...INK.minutesPlanned}
                x1={x(at(v.day)) - wide / 2 - 3}
                x2={x(at(v.day)) + wide / 2 + 3}
                y1={m(v.plannedMinutes)}
                y2={m(v.plannedMinutes)}
              />
            </g>
          );
        })}
        {m.ticks(3).map((t) => (
          <text key={t} className={css.stairSoft} x={EDGE.left - 6} y={m(t) + 4} textAnchor="end">
            {t}
          </text>
        ))}
        <text className={css.stairSoft} x={EDGE.left} y={MINUTES.top - 8}>
          minutes worked; line: planned
        </text>
        <line {...INK.stairBase} x1={EDGE.left} x2={WIDTH - EDGE.right} y1={MINUTES.bottom} y2={MINUTES.bottom} />
        {[0, 2, 4].map((t) => (
          <g key={t}>
            <line {...INK.stairBase} x1={EDGE.left} x2={WIDTH - EDGE.right} y1={f(t)} y2={f(t)} />
            <text className={css.stairSoft} x={EDGE.left - 6} y={f(t) + 4} textAnchor="end">
              {t}
            </text>
          </g>
        ))}
        <text className={css.stairSoft} x={EDGE.left} y={GRADE.top - 8}>
          undercoat as felt, 0 bare to 4 plate
        </text>
        <path className={css.felt} d={feltLine(felt) ?? ''} />
        {felt.map((c) => (
          <circle key={c.id} {...INK.feltDot} cx={x(at(c.day))} cy={f(c.meanGrade)} r="3.5" />
        ))}
        {x.ticks(5).map((t) => (
          <text key={t.getTime()} className={css.stairSoft} x={x(t)} y={HEIGHT - 8} textAnchor="middle">
            {month(t)}
          </text>
        ))}
      </svg>
      <div className={css.key}>
        {STAGES.map((s) => (
          <span key={s}>
            <svg viewBox="0 0 26 16" aria-hidden>
              <rect width="26" height="16" fill={`url(#${prefix}-${s})`} />
            </svg>
            {STAGE_WORDS[s]}
          </span>
        ))}
        <span>
          newest: {grams(visits.at(-1)?.gramsOut ?? 0)}, {minutesText(visits.at(-1)?.minutes ?? 0)}
        </span>
      </div>
      <VisitTable visits={visits} checks={felt} />
    </figure>
  );
}
