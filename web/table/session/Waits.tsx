/** Everything that is left is in somebody else's hands. */
import type { StepRecord } from '../../../core/table/index.ts';
import { Button } from '../../ui/Button.tsx';
import type { Table } from './useTable.ts';
import { stepWordOf } from '../../words/steps.ts';
import css from './session.module.css';
import tableCss from '../table.module.css';

export function Waits({ table, onTakeBack }: { table: Table; onTakeBack: (s: StepRecord) => void }) {
  const { record } = table;
  const theirs = record.steps.filter((s) => s.state === 'waiting' || s.state === 'working');
  return (
    <section className={css.ask} aria-labelledby="waits">
      <h2 id="waits">The rest is in other hands</h2>
      <ul className={`wt-bare ${tableCss.tablelist}`}>
        {theirs.map((s) => (
          <li key={s.id}>
            <span className={tableCss.name}>{stepWordOf(s.plan)}</span>
            <span>{s.to ?? record.hands.find((h) => h.step === s.id)?.name ?? ''}</span>
            {s.state === 'waiting' && (
              <Button look="usual" onClick={() => onTakeBack(s)}>
                Take it
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
