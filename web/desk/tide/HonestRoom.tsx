/** Desk → How good are we: past forecasts against what happened, on the salon's own log. */
import { RoomTabs } from '../../app/RoomTabs.tsx';
import { scaleLinear } from 'd3';
import { Link } from 'react-router';
import type { TideFile } from '../../../contract/tide.ts';
import { honestSummary, type Honest, type HonestSummary } from '../../../core/tide/index.ts';
import { Loaded } from '../../app/state.tsx';
import { useTideBook } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Progress } from '../../ui/Progress.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Table } from '../../ui/Table.tsx';
import { useHonest } from '../../work/useTide.ts';
import { capital, percent } from '../../words/figures.ts';
import { dayMonth } from '../../words/dates.ts';
import { Weather } from './Weather.tsx';
import chartsCss from '../../drawing/charts.module.css';
import css from './tide.module.css';
import { INK } from '../../drawing/ink.ts';

const SIDE = 360;
const IN = 58;
/** Fewer starts than this say little. */
const FEW = 12;
/** Shares held by 80 % bands beyond which they are said to be too wide or too narrow. */
const WIDE = 0.9;
const NARROW = 0.7;

function Calibration({ summary }: { summary: HonestSummary }) {
  const s = scaleLinear([0, 1], [IN, SIDE - 24]);
  const y = (v: number): number => SIDE - s(v);
  return (
    <figure className={`${chartsCss.chart} ${css.calibration}`}>
      <svg viewBox={`0 0 ${SIDE} ${SIDE}`} role="img" aria-label="Share held by bands of each width">
        <line {...INK.stairBase} x1={s(0)} x2={s(1)} y1={y(0)} y2={y(0)} />
        <line {...INK.stairBase} x1={s(0)} x2={s(0)} y1={y(0)} y2={y(1)} />
        <line {...INK.seaEdge} x1={s(0)} x2={s(1)} y1={y(0)} y2={y(1)} />
        {[0, 0.5, 1].map((t) => (
          <g key={t}>
            <text className={chartsCss.stairSoft} x={s(t)} y={SIDE - IN + 22} textAnchor="middle">
              {percent(t)}
            </text>
            <text className={chartsCss.stairSoft} x={s(0) - 8} y={y(t) + 4} textAnchor="end">
              {percent(t)}
            </text>
          </g>
        ))}
        {summary.calibration.map((c) => (
          <circle key={c.said} {...INK.whiskerDot} cx={s(c.said)} cy={y(c.held)} r={6} />
        ))}
      </svg>
      <figcaption>
        Across: what a band promises. Up: how often it held. On the dotted line it keeps its word.
      </figcaption>
      <div className="visually-hidden">
        <Table>
          <caption>Bands and how often they held</caption>
          <tbody>
            {summary.calibration.map((c) => (
              <tr key={c.said}>
                <th>{percent(c.said)}</th>
                <td>{percent(c.held)}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      </div>
    </figure>
  );
}

function Scores({ file, honest }: { file: TideFile; honest: Honest }) {
  const s = honestSummary(honest);
  const names = new Map(file.dogs.map((d) => [d.id, d.name]));
  if (s.starts === 0)
    return (
      <EmptyState>
        No start was seen yet that a forecast could be judged by. It takes a year of visits, and somebody who says when
        the next blow starts.
      </EmptyState>
    );
  const gain = 1 - s.meanError / s.calendarError;
  const rows = [...honest.starts].sort(
    (a, b) => Math.abs(b.forecast.likely - b.truth) - Math.abs(a.forecast.likely - a.truth),
  );
  return (
    <>
      <p className="wt-lead">
        A month ahead, starts that somebody saw were {s.meanError.toFixed(1)} days off on average; a fixed date in the
        calendar was {s.calendarError.toFixed(1)}.{' '}
        {gain > 0 ? `That is ${percent(gain)} better.` : 'The calendar did as well.'}
        {s.starts < FEW && ' These are few; the figures will move.'}
      </p>
      <div className="wt-two">
        <Sheet aria-labelledby="bands">
          <h2 id="bands">Do the bands keep their word?</h2>
          <Calibration summary={s} />
          <p>
            {percent(s.held)} of {s.starts} starts fell within their 80 % band
            {s.held > WIDE ? ', wider than they need be' : s.held < NARROW ? ', narrower than they should be' : ''}.
          </p>
        </Sheet>
        <Sheet aria-labelledby="grams">
          <h2 id="grams">Grams of the next visit</h2>
          {s.grams === 0 ? (
            <p>No weighed visit to judge by yet.</p>
          ) : (
            <>
              <p>
                Off by {percent(s.gramsError)} on average over {s.grams} visits; “as much as last time” is off by{' '}
                {percent(s.lastError)}.
              </p>
              <p>
                Bands are stretched {honest.stretch.blow.toFixed(2)} times in a blow and{' '}
                {honest.stretch.calm.toFixed(2)} times in calm, so that they hold; then {percent(s.gramsHeld)} lie
                within.
              </p>
            </>
          )}
          <h3>Furthest off</h3>
          <ul>
            {rows.slice(0, 6).map((r) => (
              <li key={`${r.dogId} ${r.key}`}>
                <Link to={`/desk/dogs/${r.dogId}/tide`}>{names.get(r.dogId)}</Link>, {r.key}: said{' '}
                {dayMonth(r.forecast.likely)}, seen {dayMonth(r.truth)}
              </li>
            ))}
          </ul>
        </Sheet>
      </div>
    </>
  );
}

function Judged({ file }: { file: TideFile }) {
  const { value, progress, state, cancel, again } = useHonest(file);
  return (
    <>
      {progress !== undefined && (
        <Notice role="status">
          <p>Making past forecasts again from what was known then.</p>
          <Progress label="Forecasts made again" value={progress} onCancel={cancel} />
        </Notice>
      )}
      {(state === 'cancelled' || state === 'failed') && (
        <Notice role={state === 'failed' ? 'alert' : 'status'}>
          <p>{state === 'failed' ? 'The past forecasts could not be made.' : 'Stopped.'}</p>
          <Button look="usual" onClick={again}>
            {capital('judge the forecasts')}
          </Button>
        </Notice>
      )}
      {value && <Scores file={file} honest={value} />}
    </>
  );
}

export function HonestRoom() {
  const query = useTideBook();
  return (
    <>
      <div className="wt-title">
        <h1>How good are we</h1>
        <RoomTabs of="reports" />
      </div>
      <div className="wt-stack">
        <Loaded query={query}>{(file) => <Judged file={file} />}</Loaded>
        <Weather />
      </div>
    </>
  );
}
