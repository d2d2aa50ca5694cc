/** Takes the last tap of this device back. */
import { Undo2 } from 'lucide-react';
import { Button } from 'react-bootstrap';
import type { Table } from './useTable.ts';

export function UndoKey({ table }: { table: Table }) {
  return (
    <Button className="wt-thumb" variant="outline-primary" disabled={!table.canUndo} onClick={() => void table.undo()}>
      <Undo2 aria-hidden /> Undo
    </Button>
  );
}
