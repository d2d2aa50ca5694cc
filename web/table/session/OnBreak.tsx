/** A break: nobody's clock runs but the dog's. */
import { Button } from 'react-bootstrap';
import { asOf } from '../../../core/table/index.ts';
import { clock } from '../../words/table.ts';
import { useNow } from './useNow.ts';
import type { Table } from './useTable.ts';

export function OnBreak({ table, onGoOn }: { table: Table; onGoOn: () => void }) {
  useNow(true);
  const live = asOf(table.record, table.nowMs());
  return (
    <section className="wt-ask" aria-labelledby="break">
      <h2 id="break">The dog has a break</h2>
      <p className="wt-clock">{clock(live.breakMs)}</p>
      <p className="wt-ask-costs">Water, a turn on the floor. Nobody’s clock runs. Never alone in a loop.</p>
      <div className="wt-thumbs">
        <Button className="wt-thumb is-main" onClick={onGoOn}>
          Go on
        </Button>
      </div>
    </section>
  );
}
