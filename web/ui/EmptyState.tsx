/** A list with nothing in it: says so, and what to do; a lock of wool lies there meanwhile. */
import type { ReactNode } from 'react';
import { Sheet } from './Sheet.tsx';
import css from './EmptyState.module.css';

interface Props {
  readonly children: ReactNode;
  /** What would put something there. */
  readonly act?: ReactNode;
}

export const EmptyState = ({ children, act }: Props) => (
  <Sheet as="div" className={css.empty}>
    <svg viewBox="0 0 72 44" width={72} height={44} aria-hidden className={css.lock}>
      <path d="M8 40C10 26 22 30 22 20S12 12 18 4" />
      <path d="M24 40c2-12 14-8 14-18S28 14 34 4" />
      <path d="M40 40c2-12 14-8 14-18S44 14 50 4" />
      <path d="M56 40c1-8 10-6 10-13" />
      <path d="M4 41h64" />
    </svg>
    <div>
      <p>{children}</p>
      {act}
    </div>
  </Sheet>
);
