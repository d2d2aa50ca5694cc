/** Between two steps: what comes, and, where the time will not do, what could be left. */
import { Button } from 'react-bootstrap';
import { asOf, lateBy, tableNow, type StepRecord } from '../../../core/table/index.ts';
import { minutesText } from '../../words/figures.ts';
import { UndoKey } from './UndoKey.tsx';
import { caseOf, type Table } from './useTable.ts';
import { stepWordOf } from '../../words/steps.ts';

export function Between({
  table,
  coming,
  onBegin,
  onLate,
  onMore,
}: {
  table: Table;
  coming: StepRecord;
  onBegin: () => void;
  /** The work to come is so many minutes longer than the dog has left to give. */
  onLate: (minutes: number) => void;
  onMore: () => void;
}) {
  const c = caseOf(table.page, asOf(table.record, table.nowMs()));
  const now = tableNow(c);
  const late = lateBy(now, c);
  const { plan } = coming;
  return (
    <section className="wt-ask" aria-labelledby="between">
      <p className="wt-ask-why">
        {coming.to && coming.to === table.name ? 'Handed to you. ' : ''}
        {minutesText(plan.minutes)}, {plan.zones.length} zones.
      </p>
      <h2 id="between">
        {stepWordOf(plan)}: {plan.tool.name.toLowerCase()}
      </h2>
      {late > 0 && (
        <p className="wt-note">
          {minutesText(late)} more to do than this dog has left to give.{' '}
          <Button className="wt-thumb" variant="outline-primary" onClick={() => onLate(late)}>
            What to leave for next time
          </Button>
        </p>
      )}
      <div className="wt-thumbs is-row">
        <Button className="wt-thumb is-main" onClick={onBegin}>
          Start: {stepWordOf(plan).toLowerCase()}
        </Button>
        <UndoKey table={table} />
        <Button className="wt-thumb" variant="outline-primary" onClick={onMore}>
          More
        </Button>
      </div>
    </section>
  );
}
