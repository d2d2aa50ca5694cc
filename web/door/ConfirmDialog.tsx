/** The own passphrase once more, before an owner's act; the act goes on by itself when it fits. */
import { useEffect, useState, type FormEvent } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import { Refusal } from '../app/state.tsx';
import { onConfirmAsked } from '../data/confirm.ts';
import { useConfirm } from '../data/door.ts';
import { PassphraseField } from './SignIn.tsx';

export function ConfirmDialog() {
  const confirm = useConfirm();
  const [answer, setAnswer] = useState<(confirmed: boolean) => void>();
  const [own, setOwn] = useState('');
  const { reset } = confirm;
  useEffect(
    () =>
      onConfirmAsked((next) => {
        reset();
        setAnswer((before: ((confirmed: boolean) => void) | undefined) => {
          before?.(false);
          return next;
        });
      }),
    [reset],
  );
  const end = (confirmed: boolean): void => {
    answer?.(confirmed);
    setAnswer(undefined);
    setOwn('');
  };
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    confirm.mutate({ own }, { onSuccess: () => end(true) });
  };
  return (
    <Modal show={answer !== undefined} onHide={() => end(false)} centered aria-labelledby="confirm-title">
      <Form onSubmit={submit}>
        <Modal.Header closeButton>
          <Modal.Title as="h2" id="confirm-title">
            Your passphrase, once more
          </Modal.Title>
        </Modal.Header>
        <Modal.Body>
          <p>This changes who may come in, or takes clients’ data out. For ten minutes you are not asked again.</p>
          <PassphraseField id="confirm-own" label="Your passphrase" value={own} onChange={setOwn} known />
          <Refusal error={confirm.error} />
        </Modal.Body>
        <Modal.Footer>
          <Button variant="outline-primary" onClick={() => end(false)}>
            Cancel
          </Button>
          <Button type="submit" disabled={confirm.isPending || own === ''}>
            {confirm.isPending ? 'One moment …' : 'Continue'}
          </Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}
