/** Figures in rows. In a sheet that is too narrow it scrolls by itself, by keys too where it has a name. */
import type { ComponentPropsWithRef, ReactNode } from 'react';
import { Table as Rows } from 'react-bootstrap';
import { cx } from './cx.ts';
import css from './Table.module.css';

interface Props extends ComponentPropsWithRef<'table'> {
  /** A grid with lines of its own, or none. */
  readonly bare?: boolean;
  /** Names the table, and lets keys scroll it. */
  readonly name?: string;
  readonly children: ReactNode;
}

export function Table({ name, bare = false, className, ...rest }: Props) {
  const rows = <Rows {...rest} className={cx(css.table, !bare && css.lined, className)} />;
  return name === undefined ? (
    rows
  ) : (
    <div className={css.wide} role="region" aria-label={name} tabIndex={0}>
      {rows}
    </div>
  );
}
