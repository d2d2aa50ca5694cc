/** More about it, for who asks. What is inside is made only once it has been opened. */
import { useState, type ReactNode } from 'react';
import { Accordion } from 'react-bootstrap';
import css from './Disclosure.module.css';

interface Props {
  readonly head: ReactNode;
  /** How a screen reader calls its key, where the words beside it are few. */
  readonly label?: string;
  /** Whether it is open at first, and again when this changes. */
  readonly open?: boolean;
  readonly onOpen?: () => void;
  readonly className?: string | undefined;
  readonly children: ReactNode;
}

const IT = 'it';

export function Disclosure({ head, label, open = false, onOpen, className, children }: Props) {
  const [asked, setAsked] = useState(open);
  const [shown, setShown] = useState(open);
  if (asked !== open) {
    setAsked(open);
    setShown(open);
  }
  return (
    <Accordion
      className={className}
      data-open={shown || undefined}
      activeKey={shown ? IT : null}
      onSelect={(key) => {
        setShown(key === IT);
        if (key === IT) onOpen?.();
      }}
    >
      <Accordion.Item eventKey={IT}>
        <Accordion.Button className={css.key} aria-label={label}>
          <span className={css.mark} aria-hidden />
          {head}
        </Accordion.Button>
        <Accordion.Collapse eventKey={IT} mountOnEnter>
          <div className={css.inside}>{children}</div>
        </Accordion.Collapse>
      </Accordion.Item>
    </Accordion>
  );
}
