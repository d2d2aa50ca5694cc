/**
 * One dog's years laid over each other: what its coat set free each day, the forecast with its band, what was seen as marks
 * along the foot. The same years stand in a table.
 */
import { area, line, max, scaleLinear, scaleUtc, utcFormat } from 'd3';
import { useId } from 'react';
import type { Sighting, YearLine } from '../../core/tide/index.ts';
import { civilFromDay, dayFromCivil, day } from '../../core/quantity/index.ts';
import { Table } from '../ui/Table.tsx';
import { TimeFrame } from './TimeFrame.tsx';
import css from './charts.module.css';
import { INK } from './ink.ts';

const WIDTH = 1180;
const HEIGHT = 300;
const EDGE = { left: 46, right: 14, top: 26, bottom: 62 };
const FLOOR = HEIGHT - EDGE.bottom;
/** All years are laid on the days of one that is not a leap year. */
const ANY_YEAR = 2031;

const onOneYear = (value: number): Date => {
  const { month, dayOfMonth } = civilFromDay(day(Math.round(value)));
  return new Date(Date.UTC(ANY_YEAR, month - 1, dayOfMonth, 12));
};

const DASHES = ['', '7 3', '3 3', '1 3', '9 3 2 3'];

interface Props {
  readonly years: readonly YearLine[];
  readonly sightings: readonly Sighting[];
  readonly today: number;
}

const dayOfYear = (value: number): number =>
  value - dayFromCivil({ year: civilFromDay(day(value)).year, month: 1, dayOfMonth: 1 });

export function YearsChart({ years, sightings, today }: Props) {
  const prefix = useId().replace(/[^a-zA-Z0-9]/g, '');
  const top = max(years, (y) => max(y.ahead ? y.high : y.likely) ?? 0) ?? 1;
  const x = scaleUtc(
    [new Date(Date.UTC(ANY_YEAR, 0, 1)), new Date(Date.UTC(ANY_YEAR, 11, 31))],
    [EDGE.left, WIDTH - EDGE.right],
  );
  const y = scaleLinear([0, Math.max(0.5, top) * 1.05], [FLOOR, EDGE.top]);
  const month = utcFormat('%b');
  // The forecast is this year's rest and the next one's beginning.
  const ahead = years.filter((l) => l.ahead);
  const past = years.filter((l) => !l.ahead).toReversed();
  const part = (l: YearLine, from: number, to: number): number[] =>
    Array.from({ length: l.likely.length }, (_, i) => i).filter((i) => l.from + i >= from && l.from + i <= to);
  const path = (l: YearLine, at: readonly number[]): string =>
    line<number>()
      .x((i) => x(onOneYear(l.from + i)))
      .y((i) => y(l.likely[i] ?? 0))(at) ?? '';
  return (
    <figure className={css.tide}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={`Hair set free a day over ${years.length} years`}>
        <TimeFrame
          x={x}
          y={y}
          title="grams set free a day"
          left={EDGE.left}
          top={EDGE.top}
          floor={FLOOR}
          height={HEIGHT}
          hatch={`${prefix}-band`}
        />
        {ahead.map((l) => {
          const coming = part(l, today, Infinity);
          return (
            <path
              key={l.year}
              className="wt-sea-doubt"
              fill={`url(#${prefix}-band)`}
              d={
                area<number>()
                  .x((i) => x(onOneYear(l.from + i)))
                  .y0((i) => y(l.low[i] ?? 0))
                  .y1((i) => y(l.high[i] ?? 0))(coming) ?? ''
              }
            />
          );
        })}
        {past.map((l, i) => (
          <path
            key={l.year}
            className={`${css.year} ${css[`year${Math.min(i, 3)}`]}`}
            strokeDasharray={DASHES[Math.min(i + 1, DASHES.length - 1)]}
            d={path(l, part(l, -Infinity, Infinity))}
          />
        ))}
        {ahead.map((l) => (
          <g key={l.year}>
            <path className={css.year} d={path(l, part(l, -Infinity, today))} />
            <path className={`${css.year} ${css.yearNow}`} d={path(l, part(l, today, Infinity))} />
          </g>
        ))}
        <line className={css.seaCursor} x1={x(onOneYear(today))} x2={x(onOneYear(today))} y1={EDGE.top} y2={FLOOR} />
        <text className={css.stairSoft} x={x(onOneYear(today))} y={EDGE.top - 4} textAnchor="middle">
          today
        </text>
        <line {...INK.seaFloor} x1={EDGE.left} x2={WIDTH - EDGE.right} y1={FLOOR} y2={FLOOR} />
        {sightings.map((s, i) => {
          const at = x(onOneYear(s.day));
          const age = Math.min(3, civilFromDay(day(today)).year - civilFromDay(s.day).year);
          if (s.kind === 'started') return <path key={i} {...INK.flag} d={`M${at},${FLOOR + 30}v-24l11,5l-11,5`} />;
          if (s.kind === 'visit')
            return <rect key={i} {...INK.seenVisit} x={at - 2.5} y={FLOOR + 8 + age * 7} width={5} height={5} />;
          if (s.kind === 'brushed')
            return <circle key={i} {...INK.seenHome} cx={at} cy={FLOOR + 10 + age * 7} r={1.7} />;
          return null;
        })}
      </svg>
      <div className={`${css.key} ${css.seaKey}`}>
        {ahead[0] && (
          <span>
            <svg width="30" height="10" aria-hidden>
              <path className={`${css.year} ${css.yearNow}`} d="M0,5H30" />
            </svg>{' '}
            ahead, with its 80 % band
          </span>
        )}
        {past.map((l, i) => (
          <span key={l.year}>
            <svg width="30" height="10" aria-hidden>
              <path
                className={`${css.year} ${css[`year${Math.min(i, 3)}`]}`}
                strokeDasharray={DASHES[Math.min(i + 1, DASHES.length - 1)]}
                d="M0,5H30"
              />
            </svg>{' '}
            {l.year}
          </span>
        ))}
        <span>
          <svg width="14" height="14" aria-hidden>
            <path {...INK.flag} d="M3,14V1l9,4l-9,4" />
          </svg>{' '}
          “it has started”
        </span>
        <span>
          <svg width="10" height="10" aria-hidden>
            <rect {...INK.seenVisit} x="2" y="2" width="6" height="6" />
          </svg>{' '}
          visit
        </span>
        <span>
          <svg width="10" height="10" aria-hidden>
            <circle {...INK.seenHome} cx="5" cy="5" r="2" />
          </svg>{' '}
          brushed at home
        </span>
      </div>
      <div className="visually-hidden">
        <Table>
          <caption>Grams set free a day, month by month</caption>
          <thead>
            <tr>
              <th>Year</th>
              {x.ticks(12).map((t) => (
                <th key={t.getTime()}>{month(t)}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {years.map((l) => (
              <tr key={l.year}>
                <th>{l.year}</th>
                {x.ticks(12).map((t) => {
                  const at = Math.round((t.getTime() - Date.UTC(ANY_YEAR, 0, 1)) / 86_400_000) + 14 - dayOfYear(l.from);
                  return <td key={t.getTime()}>{l.likely[at] === undefined ? '' : (l.likely[at] ?? 0).toFixed(1)}</td>;
                })}
              </tr>
            ))}
          </tbody>
        </Table>
      </div>
    </figure>
  );
}
