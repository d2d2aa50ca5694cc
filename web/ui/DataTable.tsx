/** Rows that can be put in another order by any head that says so; what is empty or on its way is said in place of them. */
import {
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getSortedRowModel,
  useReactTable,
  type SortingState,
} from '@tanstack/react-table';
import { ArrowDown, ArrowUp, ArrowUpDown } from 'lucide-react';
import { useMemo, useState, type ReactNode } from 'react';
import { EmptyState } from './EmptyState.tsx';
import { Skeleton } from './Skeleton.tsx';
import { Table } from './Table.tsx';
import { cx } from './cx.ts';
import css from './DataTable.module.css';

export interface Column<R> {
  readonly id: string;
  readonly head: string;
  readonly cell: (row: R) => ReactNode;
  /** By what rows are put in order; a head without it only names. */
  readonly sortBy?: (row: R) => number | string;
  readonly numeric?: boolean;
  /** Names the row to a screen reader. */
  readonly names?: boolean;
}

interface Props<R> {
  readonly name: string;
  readonly rows: readonly R[] | undefined;
  readonly columns: readonly Column<R>[];
  readonly keyOf: (row: R) => string;
  readonly empty?: ReactNode;
  readonly caption?: string;
}

const ARROWS = { asc: ArrowUp, desc: ArrowDown } as const;
const ORDERS = { asc: 'ascending', desc: 'descending' } as const;

export function DataTable<R>({ name, rows, columns, keyOf, empty, caption }: Props<R>) {
  const [sorting, setSorting] = useState<SortingState>([]);
  const made = useMemo(() => {
    const helper = createColumnHelper<R>();
    return columns.map((c) =>
      helper.accessor((row: R) => c.sortBy?.(row) ?? '', {
        id: c.id,
        header: c.head,
        cell: ({ row }) => c.cell(row.original),
        enableSorting: c.sortBy !== undefined,
        sortDescFirst: false,
      }),
    );
  }, [columns]);
  const data = useMemo(() => [...(rows ?? [])], [rows]);
  const table = useReactTable({
    data,
    columns: made,
    state: { sorting },
    onSortingChange: setSorting,
    getRowId: keyOf,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  if (!rows) return <Skeleton />;
  if (rows.length === 0 && empty !== undefined) return <EmptyState>{empty}</EmptyState>;
  const as = new Map(columns.map((c) => [c.id, c]));
  return (
    <Table name={name}>
      {caption !== undefined && <caption>{caption}</caption>}
      <thead>
        {table.getHeaderGroups().map((group) => (
          <tr key={group.id}>
            {group.headers.map(({ column, getContext }) => {
              const order = column.getIsSorted();
              const Arrow = order ? ARROWS[order] : ArrowUpDown;
              const head = flexRender(column.columnDef.header, getContext());
              return (
                <th
                  key={column.id}
                  scope="col"
                  className={cx(as.get(column.id)?.numeric && 'wt-num')}
                  aria-sort={order ? ORDERS[order] : undefined}
                >
                  {column.getCanSort() ? (
                    <button type="button" className={css.sort} onClick={column.getToggleSortingHandler()}>
                      {head}
                      <Arrow aria-hidden size={14} className={cx(!order && css.idle)} />
                    </button>
                  ) : (
                    head
                  )}
                </th>
              );
            })}
          </tr>
        ))}
      </thead>
      <tbody>
        {table.getRowModel().rows.map((row) => (
          <tr key={row.id}>
            {row.getVisibleCells().map((cell) => {
              const column = as.get(cell.column.id);
              const inside = flexRender(cell.column.columnDef.cell, cell.getContext());
              return column?.names ? (
                <th key={cell.id} scope="row">
                  {inside}
                </th>
              ) : (
                <td key={cell.id} className={cx(column?.numeric && 'wt-num')}>
                  {inside}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
