/** A year in weeks: minutes agreed and proposed in each against the hours the salon plans with. */
import { scaleBand, scaleLinear, max } from 'd3';
import type { PlannedWeek } from '../../core/book/index.ts';
import { shortDay } from '../words/dates.ts';
import { minutesText } from '../words/figures.ts';
import css from './charts.module.css';
import { INK } from './ink.ts';

const [WIDTH, HEIGHT] = [1040, 230];
const EDGE = { left: 44, right: 8, top: 12, bottom: 26 } as const;
const MONTH = new Intl.DateTimeFormat('en-GB', { month: 'short', timeZone: 'UTC' });
const monthOf = (day: number): string => MONTH.format(new Date(day * 86_400_000));

interface Props {
  readonly weeks: readonly PlannedWeek[];
  readonly chosen: number;
  /** Absent: it is only looked at. */
  readonly onChoose?: (week: number) => void;
  /** Minutes at the top, where charts stand beside each other. */
  readonly most?: number | undefined;
}

export function WeeksChart({ weeks, chosen, onChoose, most }: Props) {
  const x = scaleBand<number>()
    .domain(weeks.map((_, i) => i))
    .range([EDGE.left, WIDTH - EDGE.right])
    .paddingInner(0.22);
  const top = most ?? max(weeks, (w) => Math.max(w.hours, w.agreed + w.proposed)) ?? 1;
  const y = scaleLinear()
    .domain([0, top / 60])
    .nice(4)
    .range([HEIGHT - EDGE.bottom, EDGE.top]);
  const at = (minutes: number): number => y(minutes / 60);
  const full = weeks.filter((w) => w.agreed + w.proposed > 0.97 * w.hours && w.hours > 0).length;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className={css.weeks}
      role="img"
      aria-label={`${weeks.length} weeks ahead against the hours; ${full} of them full`}
    >
      <defs>
        <pattern id="proposed" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0,0V6" {...INK.weeksHatch} />
        </pattern>
      </defs>
      {y.ticks(4).map((t) => (
        <g key={t}>
          <path {...INK.weeksGrid} d={`M${EDGE.left},${y(t)}H${WIDTH - EDGE.right}`} />
          <text x={EDGE.left - 6} y={y(t)} dy="0.32em" textAnchor="end">
            {t} h
          </text>
        </g>
      ))}
      {weeks.map((w, i) => {
        const left = x(i) ?? 0;
        const wide = x.bandwidth();
        const month = monthOf(w.from);
        const before = weeks[i - 1];
        const all = w.agreed + w.proposed;
        return (
          <g key={w.from} onClick={onChoose && (() => onChoose(i))} className={i === chosen ? 'is-chosen' : undefined}>
            <title>
              {`Week from ${shortDay(w.from)}: ${minutesText(Math.round(all))} of ${minutesText(Math.round(w.hours))}`}
            </title>
            <rect
              className={css.weeksHit}
              x={left - 2}
              y={EDGE.top}
              width={wide + 4}
              height={HEIGHT - EDGE.top - EDGE.bottom}
            />
            <rect {...INK.weeksAgreed} x={left} width={wide} y={at(w.agreed)} height={at(0) - at(w.agreed)} />
            <rect className={css.weeksProposed} x={left} width={wide} y={at(all)} height={at(w.agreed) - at(all)} />
            <path {...INK.weeksHours} d={`M${left - 2},${at(w.hours)}h${wide + 4}`} />
            {all > w.hours && <path {...INK.weeksOver} d={`M${left},${at(all)}h${wide}`} />}
            {before && monthOf(before.from) !== month && (
              <text x={left} y={HEIGHT - 8}>
                {month}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
