/** What stands where something will come: as many lines, so that nothing jumps when it does. */
import { Placeholder } from 'react-bootstrap';
import css from './Skeleton.module.css';

const WIDTHS = [9, 11, 10, 7, 11, 8] as const;

interface Props {
  readonly lines?: number;
  /** What a screen reader says meanwhile. */
  readonly says?: string;
}

export const Skeleton = ({ lines = 4, says = 'One moment …' }: Props) => (
  <div className="wt-waiting" role="status">
    <span className="visually-hidden">{says}</span>
    <Placeholder as="div" animation="glow" aria-hidden className={css.lines}>
      {Array.from({ length: lines }, (_, i) => (
        <Placeholder key={i} xs={WIDTHS[i % WIDTHS.length] ?? 9} className={css.line} />
      ))}
    </Placeholder>
  </div>
);
