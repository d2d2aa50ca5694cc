/** What was just done, with the one way back; it stays until it is put away. */
import { Toast as Slip, ToastContainer } from 'react-bootstrap';
import { Button } from './Button.tsx';
import css from './Toast.module.css';

interface Props {
  readonly says: string;
  readonly onUndo: () => void;
  readonly onClose: () => void;
}

export const Toast = ({ says, onUndo, onClose }: Props) => (
  <ToastContainer position="bottom-end" containerPosition="fixed" className={css.place ?? ''}>
    <Slip
      role="status"
      aria-live="polite"

      animation={false}
      onClose={onClose}
      className={css.slip ?? ''}
    >
      <Slip.Body className={css.body ?? ''}>
        <span>{says}</span>
        <Button look="usual" size="sm" onClick={onUndo}>
          Undo
        </Button>
        <Button look="plain" size="sm" onClick={onClose}>
          Good
        </Button>
      </Slip.Body>
    </Slip>
  </ToastContainer>
);
