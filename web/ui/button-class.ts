/** The classes of anything that looks like a key: pressed, linked, or a label around a field for files. */
import { cx } from './cx.ts';
import css from './Button.module.css';

export type ButtonLook = 'main' | 'usual' | 'plain' | 'chosen';

/** The library's variant of each look. */
export const VARIANTS: Readonly<Record<ButtonLook, string>> = {
  main: 'primary',
  usual: 'outline-primary',
  plain: 'plain',
  chosen: 'secondary',
};

export const lookClass = (look: ButtonLook, className?: string): string => cx(css.button, css[look], className);

export const buttonClass = (look: ButtonLook, size: 'sm' | 'lg' | undefined, className?: string): string =>
  cx('btn', `btn-${VARIANTS[look]}`, size && `btn-${size}`, lookClass(look, className));
