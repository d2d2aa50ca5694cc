/** Tally → Taught: what finished sessions have taught this salon, each figure with its range, and what promised too much. */
import { scaleLog } from 'd3';
import type { TallyRow } from '../../../contract/tally.ts';
import { PHASE_IDS } from '../../../core/bench/index.ts';
import { coatRow, COAT_CLASSES, isZoneId, zoneName } from '../../../core/dog/index.ts';
import { toolRow, TOOL_KINDS } from '../../../core/kit/index.ts';
import type { Estimate } from '../../../core/tally/index.ts';
import { Loaded } from '../../app/state.tsx';
import { useTally } from '../../data/hooks.ts';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Table } from '../../ui/Table.tsx';
import { capital, percent } from '../../words/figures.ts';
import { stepWord } from '../../words/steps.ts';
import css from './tally.module.css';
import chartsCss from '../../drawing/charts.module.css';
import { INK } from '../../drawing/ink.ts';

const WIDTH = 160;
/** Marks on the line, as far as a table reaches. */
const MARKS = [0.5, 0.7, 0.8, 1, 1.25, 1.4, 2];
/** A table reaches at least so far either way, so that small differences look small. */
const LEAST_REACH = 1.3;
type Scale = (ratio: number) => number;
/** Fewer measurements than this are too few to show a row for. */
const LEAST_SEEN = 3;

const toolName = (key: string): string => {
  const kind = TOOL_KINDS.find((k) => k === key);
  return kind ? toolRow(kind).name : key;
};
const className = (key: string): string => {
  const found = COAT_CLASSES.find((c) => c === key);
  return found ? coatRow(found).name : key;
};
const placeName = (key: string): string => (isZoneId(key) ? zoneName(key) : key);
const stepName = (key: string): string => {
  const [phase = '', kind = ''] = key.split(' ');
  const id = PHASE_IDS.find((p) => p === phase);
  const made = TOOL_KINDS.find((k) => k === kind);
  return `${id && made ? stepWord(id, made) : phase}, ${toolName(kind)}`;
};
const against = ({ ratio }: Estimate, more: string, less: string): string =>
  Math.abs(ratio - 1) < 0.02 ? 'as planned' : `${percent(Math.abs(ratio - 1))} ${ratio > 1 ? more : less}`;

function Whisker({ e, x }: { e: Estimate; x: Scale }) {
  return (
    <svg viewBox={`0 0 ${WIDTH} 18`} className={css.whisker} aria-hidden>
      <line {...INK.stairBase} x1={0} x2={WIDTH} y1={9} y2={9} />
      <line className={css.whiskerPlan} x1={x(1)} x2={x(1)} y1={0} y2={18} />
      <line className={css.whiskerRange} x1={x(e.low)} x2={x(e.high)} y1={9} y2={9} />
      <circle {...INK.whiskerDot} cx={x(e.ratio)} cy={9} r={5} />
    </svg>
  );
}

interface Props {
  readonly title: string;
  readonly rows: readonly TallyRow[];
  readonly nameOf: (key: string) => string;
  readonly more: string;
  readonly less: string;
}

function Rows({ title, rows, nameOf, more, less }: Props) {
  const shown = rows.filter((r) => r.estimate.seen >= LEAST_SEEN);
  if (shown.length === 0) return null;
  const reach = Math.max(
    Math.log(LEAST_REACH),
    ...shown.flatMap(({ estimate: e }) => [Math.abs(Math.log(e.low)), Math.abs(Math.log(e.high))]),
  );
  const x = scaleLog([Math.exp(-reach), Math.exp(reach)], [10, WIDTH - 10]).clamp(true);
  // Where the reach is long the inner marks would touch one another.
  const marks = MARKS.filter((m) => Math.abs(Math.log(m)) <= reach && (reach < 0.4 || ![0.8, 1.25].includes(m)));
  return (
    <Table bare className={css.tally}>
      <caption>{title}</caption>
      <thead>
        <tr>
          <th className="visually-hidden">What</th>
          <td>
            <svg viewBox={`0 0 ${WIDTH} 14`} className={css.whisker} aria-hidden>
              {marks.map((m) => (
                <text key={m} className={chartsCss.stairSoft} x={x(m)} y={11} textAnchor="middle">
                  {m === 1 ? 'plan' : `× ${m}`}
                </text>
              ))}
            </svg>
          </td>
          <th className="visually-hidden">Against plan</th>
          <th className="visually-hidden">Measured</th>
        </tr>
      </thead>
      <tbody>
        {shown.map(({ key, estimate }) => (
          <tr key={key}>
            <th scope="row">{capital(nameOf(key))}</th>
            <td>
              <Whisker e={estimate} x={x} />
            </td>
            <td>
              {against(estimate, more, less)}
              <span className="wt-soft">
                {' '}
                {estimate.low.toFixed(2)} to {estimate.high.toFixed(2)}
              </span>
            </td>
            <td className="wt-soft">{estimate.seen}</td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

export function Taught() {
  return (
    <Loaded query={useTally()}>
      {({ sessions, pace, yields, off }) => (
        <>
          <p>What {sessions} finished sessions have taught.</p>
          {sessions === 0 && <EmptyState>Nothing yet. The first session at the table begins it.</EmptyState>}
          <p className="wt-soft">
            The upright line is the plan, the dot what it came to, the bar the range that holds eight in ten; last, how
            often it was measured. New plans reckon with all of it.
          </p>
          <Sheet className="mb-3" aria-labelledby="off">
            <h2 id="off">Steps that promise too much</h2>
            {off.length === 0 ? (
              <p className="wt-soft">None, as far as the log can tell.</p>
            ) : (
              <ul>
                {off.map((o) => (
                  <li key={`${o.step} ${o.what}`}>
                    {stepName(o.step)}:{' '}
                    {o.what === 'minutes'
                      ? `takes ${against(o.estimate, 'longer', 'less')}`
                      : `gives ${against(o.estimate, 'more', 'less')}`}
                    <span className="wt-soft">, {o.estimate.seen} measured</span>
                  </li>
                ))}
              </ul>
            )}
          </Sheet>
          <div className={`wt-cols ${css.tallies}`}>
            <Sheet aria-labelledby="pace">
              <h2 id="pace">Minutes</h2>
              <Rows title="By person" rows={pace.people} nameOf={(k) => k} more="longer" less="quicker" />
              <Rows title="By tool" rows={pace.tools} nameOf={toolName} more="longer" less="quicker" />
              <Rows title="By coat" rows={pace.classes} nameOf={className} more="longer" less="quicker" />
              <Rows title="By zone" rows={pace.zones} nameOf={placeName} more="longer" less="quicker" />
            </Sheet>
            <Sheet aria-labelledby="yields">
              <h2 id="yields">Grams</h2>
              <Rows title="By tool" rows={yields.tools} nameOf={toolName} more="more" less="less" />
              <Rows title="By coat" rows={yields.classes} nameOf={className} more="more" less="less" />
              <Rows title="By person" rows={yields.people} nameOf={(k) => k} more="more" less="less" />
              <Rows title="By dog" rows={yields.dogs} nameOf={(k) => k} more="more" less="less" />
              <Rows title="By zone" rows={yields.zones} nameOf={placeName} more="more" less="less" />
            </Sheet>
          </div>
        </>
      )}
    </Loaded>
  );
}
