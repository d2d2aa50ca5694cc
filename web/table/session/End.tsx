/** All steps are over: a photo, and the dog goes down. */
import { Button } from 'react-bootstrap';
import { PhotoKey } from './PhotoKey.tsx';
import { UndoKey } from './UndoKey.tsx';
import type { Table } from './useTable.ts';

export function End({ table, onFinish }: { table: Table; onFinish: () => void }) {
  return (
    <section className="wt-ask" aria-labelledby="end">
      <p className="wt-ask-why">All steps are over.</p>
      <h2 id="end">Dry to the skin, loop off, down it goes.</h2>
      <PhotoKey table={table} when="after" />
      <div className="wt-thumbs is-row">
        <Button className="wt-thumb is-main" onClick={onFinish}>
          Finish the session
        </Button>
        <UndoKey table={table} />
      </div>
    </section>
  );
}
