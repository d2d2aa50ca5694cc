/**
 * What a salon counted: a mark for the mean of each group, a bar for the range that holds eight in ten, and how many it rests
 * on. Months stand beside each other, everything else below each other, by its name.
 */
import { max, scaleBand, scaleLinear } from 'd3';
import css from './charts.module.css';
import { INK } from './ink.ts';

export interface Counted {
  readonly key: string;
  readonly name: string;
  readonly n: number;
  readonly mean: number;
  readonly band?: { readonly low: number; readonly high: number } | undefined;
}

interface Props {
  readonly groups: readonly Counted[];
  readonly upright: boolean;
  readonly title: string;
  readonly say: (value: number) => string;
  /** A value to hold the others against: the plan, or what is allowed. */
  readonly line?: number | undefined;
}

const WIDTH = 860;
const MOST_ROWS = 24;

function Upright({ groups, title, say, line }: Props) {
  const HEIGHT = 330;
  const EDGE = { left: 64, right: 26, top: 14, bottom: 58 };
  const top = Math.max(line ?? 0, max(groups, (g) => g.band?.high ?? g.mean) ?? 1);
  const y = scaleLinear([0, top || 1], [HEIGHT - EDGE.bottom, EDGE.top]).nice(5);
  const x = scaleBand(
    groups.map((g) => g.key),
    [EDGE.left, WIDTH - EDGE.right],
  ).paddingInner(0.25);
  // A name needs some forty units: where months stand closer, only some of them are named.
  const every = Math.max(1, Math.ceil(46 / x.step()));
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={title}>
      {y.ticks(5).map((t) => (
        <g key={t}>
          <line {...INK.stairBase} x1={EDGE.left} x2={WIDTH - EDGE.right} y1={y(t)} y2={y(t)} />
          <text className={css.stairSoft} x={EDGE.left - 8} y={y(t) + 4} textAnchor="end">
            {say(t)}
          </text>
        </g>
      ))}
      {line !== undefined && (
        <line {...INK.tallyLine} x1={EDGE.left} x2={WIDTH - EDGE.right} y1={y(line)} y2={y(line)} />
      )}
      {groups.map((g, i) => {
        const left = x(g.key) ?? 0;
        const middle = left + x.bandwidth() / 2;
        return (
          <g key={g.key}>
            <rect
              {...INK.tallyBar}
              x={left}
              width={x.bandwidth()}
              y={y(g.mean)}
              height={Math.max(0, y(0) - y(g.mean))}
            />
            {g.band && (
              <path
                {...INK.tallyBand}
                d={`M${middle},${y(g.band.low)}V${y(g.band.high)}M${middle - 5},${y(g.band.low)}h10M${middle - 5},${y(g.band.high)}h10`}
              />
            )}
            {i % every === 0 && (
              <>
                <text x={middle} y={HEIGHT - EDGE.bottom + 18} textAnchor="middle">
                  {g.name}
                </text>
                <text className={css.stairSoft} x={middle} y={HEIGHT - EDGE.bottom + 35} textAnchor="middle">
                  {g.n}
                </text>
              </>
            )}
          </g>
        );
      })}
      <text className={css.stairSoft} x={EDGE.left - 8} y={HEIGHT - EDGE.bottom + 35} textAnchor="end">
        of
      </text>
    </svg>
  );
}

function Lying({ groups, title, say, line }: Props) {
  const ROW = 30;
  const shown = groups.slice(0, MOST_ROWS);
  const EDGE = { left: 210, right: 90, top: 6, bottom: 26 };
  const height = EDGE.top + EDGE.bottom + shown.length * ROW;
  const most = Math.max(line ?? 0, max(shown, (g) => g.band?.high ?? g.mean) ?? 1);
  const x = scaleLinear([0, most || 1], [EDGE.left, WIDTH - EDGE.right]).nice(5);
  return (
    <svg viewBox={`0 0 ${WIDTH} ${height}`} role="img" aria-label={title}>
      {x.ticks(5).map((t) => (
        <g key={t}>
          <line {...INK.stairBase} x1={x(t)} x2={x(t)} y1={EDGE.top} y2={height - EDGE.bottom} />
          <text className={css.stairSoft} x={x(t)} y={height - 8} textAnchor="middle">
            {say(t)}
          </text>
        </g>
      ))}
      {line !== undefined && (
        <line {...INK.tallyLine} x1={x(line)} x2={x(line)} y1={EDGE.top} y2={height - EDGE.bottom} />
      )}
      {shown.map((g, i) => {
        const middle = EDGE.top + (i + 0.5) * ROW;
        return (
          <g key={g.key}>
            <text x={EDGE.left - 10} y={middle + 5} textAnchor="end">
              {g.name.length > 27 ? `${g.name.slice(0, 26)}…` : g.name}
              <title>{g.name}</title>
            </text>
            <rect {...INK.tallyBar} x={x(0)} width={Math.max(0, x(g.mean) - x(0))} y={middle - 8} height={16} />
            {g.band && (
              <path
                {...INK.tallyBand}
                d={`M${x(g.band.low)},${middle}H${x(g.band.high)}M${x(g.band.low)},${middle - 5}v10M${x(g.band.high)},${middle - 5}v10`}
              />
            )}
            <text className={css.stairSoft} x={WIDTH - EDGE.right + 8} y={middle + 5}>
              {say(g.mean)}, {g.n}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

export function TallyChart(props: Props) {
  return (
    <figure className={`${css.chart} ${css.tallyChart}`}>
      {props.upright ? <Upright {...props} /> : <Lying {...props} />}
      <figcaption>
        Bars: the mean. Lines: the range that holds eight in ten.
        {!props.upright && props.groups.length > MOST_ROWS && ` The first ${MOST_ROWS}; all of them are in the table.`}
      </figcaption>
    </figure>
  );
}
