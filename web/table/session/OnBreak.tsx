/** A break: nobody's clock runs but the dog's. */
import { asOf } from '../../../core/table/index.ts';
import { Button } from '../../ui/Button.tsx';
import { clock } from '../../words/table.ts';
import { useNow } from './useNow.ts';
import type { Table } from './useTable.ts';
import css from './session.module.css';

export function OnBreak({ table, onGoOn }: { table: Table; onGoOn: () => void }) {
  useNow(true);
  const live = asOf(table.record, table.nowMs());
  return (
    <section className={css.ask} aria-labelledby="break">
      <h2 id="break">The dog has a break</h2>
      <p className={css.clock}>{clock(live.breakMs)}</p>
      <p className={css.askCosts}>Water, a turn on the floor. Nobody’s clock runs. Never alone in a loop.</p>
      <div className={css.thumbs}>
        <Button className={`${css.thumb} is-main`} onClick={onGoOn}>
          Go on
        </Button>
      </div>
    </section>
  );
}
