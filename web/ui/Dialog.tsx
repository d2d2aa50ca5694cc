/** A question or a list over the room, which waits behind it. */
import { useId, type FormEvent, type ReactNode } from 'react';
import { Form, Modal } from 'react-bootstrap';
import { cx } from './cx.ts';
import css from './Dialog.module.css';

interface Props {
  readonly title: string;
  /** The title is only for a screen reader. */
  readonly bare?: boolean;
  readonly open?: boolean;
  readonly centered?: boolean;
  readonly onClose: () => void;
  readonly className?: string | undefined;
  /** Keys at its foot. */
  readonly acts?: ReactNode;
  /** It is a form. */
  readonly onSubmit?: (event: FormEvent) => void;
  readonly children: ReactNode;
}

export function Dialog({
  title,
  bare = false,
  open = true,
  centered = false,
  onClose,
  className,
  acts,
  onSubmit,
  children,
}: Props) {
  const id = useId();
  const inside = (
    <>
      {!bare && (
        <Modal.Header closeButton>
          <Modal.Title as="h2" id={id}>
            {title}
          </Modal.Title>
        </Modal.Header>
      )}
      {bare ? children : <Modal.Body>{children}</Modal.Body>}
      {acts !== undefined && <Modal.Footer>{acts}</Modal.Footer>}
    </>
  );
  return (
    <Modal
      show={open}
      onHide={onClose}
      centered={centered}
      restoreFocus
      className={cx(css.dialog, className)}
      {...(bare ? { 'aria-label': title } : { 'aria-labelledby': id })}
    >
      {onSubmit ? <Form onSubmit={onSubmit}>{inside}</Form> : inside}
    </Modal>
  );
}
