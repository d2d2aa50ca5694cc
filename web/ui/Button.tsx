/** Something to press, or a link that looks like it. One `main` act a screen; beside it `usual` ones; `plain` ones among text. */
import type { ComponentPropsWithRef, ReactNode } from 'react';
import { Button as Pressed } from 'react-bootstrap';
import { Link, type LinkProps } from 'react-router';
import { cx } from './cx.ts';
import css from './Button.module.css';

export type ButtonLook = 'main' | 'usual' | 'plain' | 'chosen';

interface Look {
  readonly look?: ButtonLook;
  readonly size?: 'sm' | 'lg' | undefined;
  readonly className?: string | undefined;
  readonly children?: ReactNode;
}

const VARIANTS: Readonly<Record<ButtonLook, string>> = {
  main: 'primary',
  usual: 'outline-primary',
  plain: 'plain',
  chosen: 'secondary',
};

type Props = Look & Omit<ComponentPropsWithRef<'button'>, keyof Look>;

export const Button = ({ look = 'main', size, className, ...rest }: Props) => (
  <Pressed
    {...rest}
    variant={VARIANTS[look]}
    {...(size ? { size } : {})}
    className={cx(css.button, css[look], className)}
  />
);

/** Goes to a room. */
export const ButtonLink = ({ look = 'usual', size, className, ...rest }: Look & Omit<LinkProps, keyof Look>) => (
  <Link
    {...rest}
    className={cx('btn', `btn-${VARIANTS[look]}`, size && `btn-${size}`, css.button, css[look], className)}
  />
);

/** Fetches a file, or leaves the house. */
export const ButtonAnchor = ({
  look = 'usual',
  size,
  className,
  ...rest
}: Look & Omit<ComponentPropsWithRef<'a'>, keyof Look>) => (
  <a
    {...rest}
    className={cx('btn', `btn-${VARIANTS[look]}`, size && `btn-${size}`, css.button, css[look], className)}
  />
);
