/** Between two steps: what comes, and, where the time will not do, what could be left. */
import { asOf, lateBy, tableNow, type StepRecord } from '../../../core/table/index.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { minutesText } from '../../words/figures.ts';
import { UndoKey } from './UndoKey.tsx';
import { caseOf, type Table } from './useTable.ts';
import { stepWordOf } from '../../words/steps.ts';
import css from './session.module.css';

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
    <section className={css.ask} aria-labelledby="between">
      <p className={css.askWhy}>
        {coming.to && coming.to === table.name ? 'Handed to you. ' : ''}
        {minutesText(plan.minutes)}, {plan.zones.length} zones.
      </p>
      <h2 id="between">
        {stepWordOf(plan)}: {plan.tool.name.toLowerCase()}
      </h2>
      {late > 0 && (
        <Notice>
          {minutesText(late)} more to do than this dog has left to give.{' '}
          <Button className={css.thumb} look="usual" onClick={() => onLate(late)}>
            What to leave for next time
          </Button>
        </Notice>
      )}
      <div className={`${css.thumbs} is-row`}>
        <Button className={`${css.thumb} is-main`} onClick={onBegin}>
          Start: {stepWordOf(plan).toLowerCase()}
        </Button>
        <UndoKey table={table} />
        <Button className={css.thumb} look="usual" onClick={onMore}>
          More
        </Button>
      </div>
    </section>
  );
}
