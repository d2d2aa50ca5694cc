/** Desk → Book: a year of visits that meets every tide within the hours; proposals drawn over what is agreed. */
import { Button, ProgressBar } from 'react-bootstrap';
import { Link, useSearchParams } from 'react-router';
import type { TideFile } from '../../../contract/tide.ts';
import { gapOf, type BookSummary, type PlannedVisit } from '../../../core/book/index.ts';
import type { LearntBook } from '../../../core/tide/index.ts';
import { Loaded } from '../../app/state.tsx';
import { useTideBook } from '../../data/hooks.ts';
import { WeeksChart } from '../../drawing/WeeksChart.tsx';
import { useBookPlan } from '../../work/useBookPlan.ts';
import { shortDay } from '../../words/dates.ts';
import { minutesText } from '../../words/figures.ts';
import { Learning } from '../tide/Learning.tsx';
import { Visits } from './Visits.tsx';
import './book.css';

const STAGE_WORDS = {
  building: 'Walking every dog’s coat through the year.',
  bound: 'Finding what no plan can beat.',
  placing: 'Placing the visits.',
  improving: 'Trying what would be better.',
} as const;

/** "within 0.2 % of the best that any plan could do". */
const goodness = (plan: BookSummary): string => {
  const gap = 100 * gapOf(plan);
  return gap < 0.01
    ? 'No plan could be better.'
    : `Within ${gap < 0.1 ? gap.toFixed(2) : gap.toFixed(1)} % of the best that any plan could do.`;
};

function Weeks({ file, plan, working }: { file: TideFile; plan: BookSummary; working: boolean }) {
  const [params, setParams] = useSearchParams();
  const last = plan.weeks.length - 1;
  const chosen = Math.min(last, Math.max(0, Number(params.get('week') ?? 0) || 0));
  const choose = (week: number): void =>
    setParams(week <= 0 ? {} : { week: String(Math.min(last, week)) }, { replace: true });
  const week = plan.weeks[chosen];
  if (!week) return null;
  const inWeek = plan.visits.filter((v: PlannedVisit) => v.day >= week.from && v.day < week.from + 7);
  return (
    <div className={working ? 'wt-book is-old' : 'wt-book'}>
      <section className="wt-sheet" aria-label="The year">
        <p className="wt-lead mb-1">{goodness(plan)}</p>
        <WeeksChart weeks={plan.weeks} chosen={chosen} onChoose={choose} />
        <p className="wt-soft mb-0">
          Solid: agreed. Hatched: proposed. The line is what the salon plans with, 93 % of its hours.
        </p>
      </section>
      <section className="wt-sheet" aria-labelledby="week">
        <div className="wt-title mb-0">
          <h2 id="week">
            Week from {shortDay(week.from)}{' '}
            <span className="wt-soft">
              {minutesText(Math.round(week.agreed + week.proposed))} of {minutesText(Math.round(week.hours))}
            </span>
          </h2>
          <div className="wt-acts">
            <Button variant="outline-primary" disabled={chosen === 0} onClick={() => choose(chosen - 1)}>
              Week before
            </Button>
            <Button variant="outline-primary" disabled={chosen === last} onClick={() => choose(chosen + 1)}>
              Week after
            </Button>
          </div>
        </div>
        <Visits key={week.from} file={file} visits={inWeek} />
      </section>
    </div>
  );
}

function Planned({ file, learnt }: { file: TideFile; learnt: LearntBook }) {
  const { plan, progress, state, cancel, again } = useBookPlan({ book: file, learnt });
  return (
    <>
      {state === 'working' && (
        <div className="wt-note wt-learning" role="status">
          <p>{progress ? STAGE_WORDS[progress.stage] : 'Beginning.'}</p>
          <ProgressBar now={(progress?.share ?? 0) * 100} aria-label="Plan made" />
          <Button variant="outline-primary" onClick={cancel}>
            Stop
          </Button>
        </div>
      )}
      {(state === 'cancelled' || state === 'failed') && (
        <div className="wt-note" role={state === 'failed' ? 'alert' : 'status'}>
          <p>{state === 'failed' ? 'The plan could not be made.' : 'Stopped. What is agreed stays as it is.'}</p>
          <Button variant="outline-primary" onClick={again}>
            Plan the year
          </Button>
        </div>
      )}
      {plan && <Weeks file={file} plan={plan} working={state === 'working'} />}
    </>
  );
}

export function BookRoom() {
  return (
    <>
      <div className="wt-title">
        <h1>Book</h1>
        <span className="wt-soft">a year of visits that meets every tide within your hours</span>
      </div>
      <Loaded query={useTideBook()}>
        {(file) =>
          file.dogs.length === 0 ? (
            <p className="wt-sheet">
              No dogs yet. <Link to="/desk/dogs/new">The first dog</Link> opens the book.
            </p>
          ) : (
            <Learning file={file}>{(learnt) => <Planned file={file} learnt={learnt} />}</Learning>
          )
        }
      </Loaded>
    </>
  );
}
