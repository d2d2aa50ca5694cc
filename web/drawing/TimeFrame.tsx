/** What charts over months share: the hatching of doubt, lines and names of months, figures at the side, a title. */
import { utcFormat, type ScaleLinear, type ScaleTime } from 'd3';
import css from './charts.module.css';
import { INK } from './ink.ts';

interface Props {
  readonly x: ScaleTime<number, number>;
  readonly y: ScaleLinear<number, number>;
  readonly title: string;
  readonly left: number;
  readonly top: number;
  readonly floor: number;
  readonly height: number;
  /** Id of the hatching, to fill bands with. */
  readonly hatch: string;
}

const month = utcFormat('%b');

export function TimeFrame({ x, y, title, left, top, floor, height, hatch }: Props) {
  return (
    <>
      <defs>
        <pattern id={hatch} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(60)">
          <path {...INK.spray} d="M0,2H6" />
        </pattern>
      </defs>
      {x.ticks(12).map((t) => (
        <g key={t.getTime()}>
          <line {...INK.stairBase} x1={x(t)} x2={x(t)} y1={top} y2={floor} />
          <text className={css.stairSoft} x={x(t) + 4} y={height - 9}>
            {month(t)}
          </text>
        </g>
      ))}
      {y.ticks(4).map((t) => (
        <text key={t} className={css.stairSoft} x={left - 6} y={y(t) + 4} textAnchor="end">
          {t}
        </text>
      ))}
      <text className={css.stairSoft} x={left} y={14}>
        {title}
      </text>
    </>
  );
}
