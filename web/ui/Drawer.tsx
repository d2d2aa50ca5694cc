/** Something to read beside the room, from its edge. */
import { useId, type ReactNode } from 'react';
import { Offcanvas } from 'react-bootstrap';

interface Props {
  readonly title: ReactNode;
  readonly onClose: () => void;
  readonly className?: string | undefined;
  readonly children: ReactNode;
}

export function Drawer({ title, onClose, className, children }: Props) {
  const id = useId();
  return (
    <Offcanvas show onHide={onClose} placement="end" aria-labelledby={id} className={className}>
      <Offcanvas.Header closeButton>
        <Offcanvas.Title as="h2" id={id}>
          {title}
        </Offcanvas.Title>
      </Offcanvas.Header>
      <Offcanvas.Body>{children}</Offcanvas.Body>
    </Offcanvas>
  );
}
