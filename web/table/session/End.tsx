/** All steps are over: a photo, and the dog goes down. */
import { Button } from '../../ui/Button.tsx';
import { PhotoKey } from './PhotoKey.tsx';
import { UndoKey } from './UndoKey.tsx';
import type { Table } from './useTable.ts';
import css from './session.module.css';

export function End({ table, onFinish }: { table: Table; onFinish: () => void }) {
  return (
    <section className={css.ask} aria-labelledby="end">
      <p className={css.askWhy}>All steps are over.</p>
      <h2 id="end">Dry to the skin, loop off, down it goes.</h2>
      <PhotoKey table={table} when="after" />
      <div className={`${css.thumbs} is-row`}>
        <Button className={`${css.thumb} is-main`} onClick={onFinish}>
          Finish the session
        </Button>
        <UndoKey table={table} />
      </div>
    </section>
  );
}
