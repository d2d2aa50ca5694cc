/** Something to press, or a link that looks like it. One `main` act a screen; beside it `usual` ones; `plain` ones among text. */
import type { ComponentPropsWithRef, ReactNode } from 'react';
import { Button as Pressed } from 'react-bootstrap';
import { Link, type LinkProps } from 'react-router';
import { buttonClass, lookClass, VARIANTS, type ButtonLook } from './button-class.ts';

interface Look {
  readonly look?: ButtonLook;
  readonly size?: 'sm' | 'lg' | undefined;
  readonly className?: string | undefined;
  readonly children?: ReactNode;
}

type Props = Look & Omit<ComponentPropsWithRef<'button'>, keyof Look>;

export const Button = ({ look = 'main', size, className, ...rest }: Props) => (
  <Pressed {...rest} variant={VARIANTS[look]} {...(size ? { size } : {})} className={lookClass(look, className)} />
);

/** Goes to a room. */
export const ButtonLink = ({ look = 'usual', size, className, ...rest }: Look & Omit<LinkProps, keyof Look>) => (
  <Link {...rest} className={buttonClass(look, size, className)} />
);

/** Fetches a file, or leaves the house. */
export const ButtonAnchor = ({
  look = 'usual',
  size,
  className,
  ...rest
}: Look & Omit<ComponentPropsWithRef<'a'>, keyof Look>) => (
  <a {...rest} className={buttonClass(look, size, className)} />
);
