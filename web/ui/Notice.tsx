/** Something that must be read before going on: a caution, a stop, or that all is well. */
import type { ComponentPropsWithRef } from 'react';
import { Alert } from 'react-bootstrap';
import { cx } from './cx.ts';
import css from './Notice.module.css';

export type NoticeTone = 'caution' | 'stop' | 'good';

interface Props extends Omit<ComponentPropsWithRef<'div'>, 'role'> {
  readonly tone?: NoticeTone;
  /** Said at once, or when there is time; not at all where it stands from the beginning. */
  readonly role?: 'alert' | 'status' | undefined;
}

export const Notice = ({ tone = 'caution', role, className, ...rest }: Props) => (
  <Alert {...rest} role={role} variant={tone} transition={false} className={cx(css.notice, css[tone], className)} />
);
