/** A list of rooms or acts that unfolds under its key. */
import type { ReactNode } from 'react';
import { Dropdown } from 'react-bootstrap';
import { NavLink } from 'react-router';
import { cx } from './cx.ts';
import css from './Menu.module.css';

interface Props {
  readonly head: ReactNode;
  /** One of its rooms is shown. */
  readonly here?: boolean;
  readonly end?: boolean;
  readonly className?: string | undefined;
  readonly children: ReactNode;
}

export const Menu = ({ head, here = false, end = false, className, children }: Props) => (
  <Dropdown {...(end ? { align: 'end' as const } : {})} className={cx(here && css.here, end && css.who, className)}>
    <Dropdown.Toggle as="button" type="button" className={css.key}>
      {head}
    </Dropdown.Toggle>
    <Dropdown.Menu className={css.list}>{children}</Dropdown.Menu>
  </Dropdown>
);

export const MenuHead = ({ children }: { readonly children: ReactNode }) => (
  <Dropdown.Header>{children}</Dropdown.Header>
);

export const MenuLink = ({ to, children }: { readonly to: string; readonly children: ReactNode }) => (
  <Dropdown.Item as={NavLink} to={to} className={css.item}>
    {children}
  </Dropdown.Item>
);

export const MenuAct = ({ onPick, children }: { readonly onPick: () => void; readonly children: ReactNode }) => (
  <Dropdown.Item as="button" onClick={onPick} className={css.item}>
    {children}
  </Dropdown.Item>
);

export const MenuLine = () => <Dropdown.Divider />;
