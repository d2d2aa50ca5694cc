/** Rooms side by side, of which one is open: links in a row. */
import type { ReactNode } from 'react';
import { Nav } from 'react-bootstrap';
import { NavLink } from 'react-router';
import { cx } from './cx.ts';
import css from './Tabs.module.css';

interface Props {
  readonly name: string;
  readonly look: 'pill' | 'line';
  readonly tabs: readonly {
    readonly to: string;
    readonly word: string;
    /** It is not open where only a page beneath it is. */
    readonly end?: boolean;
    /** How many wait there. */
    readonly waiting?: number;
  }[];
  readonly className?: string | undefined;
  /** What stands after them. */
  readonly children?: ReactNode;
}

export const Tabs = ({ name, look, tabs, className, children }: Props) => (
  <Nav as="nav" aria-label={name} className={cx(css[look], className)}>
    {tabs.map((t) => (
      <NavLink key={t.to} to={t.to} end={t.end ?? false}>
        {t.word}
        {t.waiting ? (
          <span className={css.waiting}>
            {' '}
            {t.waiting}
            <span className="visually-hidden"> waiting</span>
          </span>
        ) : null}
      </NavLink>
    ))}
    {children}
  </Nav>
);
