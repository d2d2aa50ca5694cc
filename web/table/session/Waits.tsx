/** Everything that is left is in somebody else's hands. */
import { Button } from 'react-bootstrap';
import type { StepRecord } from '../../../core/table/index.ts';
import type { Table } from './useTable.ts';
import { stepWordOf } from '../../words/steps.ts';

export function Waits({ table, onTakeBack }: { table: Table; onTakeBack: (s: StepRecord) => void }) {
  const { record } = table;
  const theirs = record.steps.filter((s) => s.state === 'waiting' || s.state === 'working');
  return (
    <section className="wt-ask" aria-labelledby="waits">
      <h2 id="waits">The rest is in other hands</h2>
      <ul className="wt-bare wt-tablelist">
        {theirs.map((s) => (
          <li key={s.id}>
            <span className="wt-name">{stepWordOf(s.plan)}</span>
            <span>{s.to ?? record.hands.find((h) => h.step === s.id)?.name ?? ''}</span>
            {s.state === 'waiting' && (
              <Button variant="outline-primary" onClick={() => onTakeBack(s)}>
                Take it
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
