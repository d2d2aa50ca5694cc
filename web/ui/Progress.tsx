/** How far something has come; what takes long can be stopped. */
import { ProgressBar } from 'react-bootstrap';
import { Button } from './Button.tsx';
import { cx } from './cx.ts';
import css from './Progress.module.css';

interface Props {
  readonly label: string;
  readonly value: number;
  readonly max?: number;
  /** How far, in figures. */
  readonly says?: string;
  readonly onCancel?: (() => void) | undefined;
  readonly className?: string | undefined;
}

export function Progress({ label, value, max = 1, says, onCancel, className }: Props) {
  const bar = (
    <span className={cx('progress', css.progress, className)}>
      <ProgressBar isChild now={value} max={max} aria-label={label} className={css.bar} />
    </span>
  );
  return onCancel === undefined ? (
    bar
  ) : (
    <span className={css.row}>
      {bar}
      {says}
      <Button look="usual" onClick={onCancel}>
        Stop
      </Button>
    </span>
  );
}
