/** A few words about something short, that a pointer, a finger and the keys all reach. */
import { useId, type ReactElement } from 'react';
import { OverlayTrigger, Tooltip } from 'react-bootstrap';
import css from './Tip.module.css';

interface Props {
  readonly says: string;
  /** Something that can be focused. */
  readonly children: ReactElement;
}

export function Tip({ says, children }: Props) {
  const id = useId();
  return (
    <OverlayTrigger
      placement="top"
      trigger={['hover', 'focus']}
      overlay={
        <Tooltip id={id} className={css.tip ?? ''}>
          {says}
        </Tooltip>
      }
    >
      {children}
    </OverlayTrigger>
  );
}
