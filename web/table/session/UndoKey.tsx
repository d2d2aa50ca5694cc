/** Takes the last tap of this device back. */
import { Undo2 } from 'lucide-react';
import { Button } from '../../ui/Button.tsx';
import type { Table } from './useTable.ts';
import css from './session.module.css';

export function UndoKey({ table }: { table: Table }) {
  return (
    <Button className={css.thumb} look="usual" disabled={!table.canUndo} onClick={() => void table.undo()}>
      <Undo2 aria-hidden /> Undo
    </Button>
  );
}
