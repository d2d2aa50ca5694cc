/** A piece of paper with one thing on it. */
import type { ComponentPropsWithRef, ElementType } from 'react';
import { Card } from 'react-bootstrap';
import { cx } from './cx.ts';
import css from './Sheet.module.css';

interface Props extends ComponentPropsWithRef<'section'> {
  /** What it is to a screen reader: a section when it has a name. */
  readonly as?: ElementType;
  /** Something on it keeps work from being done. */
  readonly mark?: 'stop' | undefined;
}

export const Sheet = ({ as = 'section', mark, className, ...rest }: Props) => (
  <Card {...rest} as={as} className={cx(css.sheet, mark && css[mark], className)} />
);
