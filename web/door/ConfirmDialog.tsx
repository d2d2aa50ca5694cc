/** The own passphrase once more, before an owner's act; the act goes on by itself when it fits. */
import { useEffect, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { confirmSchema, type Confirm } from '../../contract/account.ts';
import { Refusal } from '../app/state.tsx';
import { onConfirmAsked } from '../data/confirm.ts';
import { useConfirm } from '../data/door.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { useSchemaForm } from '../ui/form/useSchemaForm.ts';
import { PassphraseField } from './PassphraseField.tsx';

export function ConfirmDialog() {
  const confirm = useConfirm();
  const [answer, setAnswer] = useState<(confirmed: boolean) => void>();
  const form = useSchemaForm<Confirm>({ schema: confirmSchema, values: { own: '' } });
  const own = useWatch({ control: form.control, name: 'own' });
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
    form.reset();
  };
  const submit = form.handleSubmit((draft) => confirm.mutate(draft, { onSuccess: () => end(true) }));
  return (
    <Dialog
      title="Your passphrase, once more"
      open={answer !== undefined}
      centered
      onClose={() => end(false)}
      onSubmit={(e) => void submit(e)}
      acts={
        <>
          <Button look="usual" onClick={() => end(false)}>
            Cancel
          </Button>
          <Button type="submit" disabled={confirm.isPending || own === ''}>
            {confirm.isPending ? 'One moment …' : 'Continue'}
          </Button>
        </>
      }
    >
      <p>This changes who may come in, or takes clients’ data out. For ten minutes you are not asked again.</p>
      <PassphraseField form={form} name="own" label="Your passphrase" known />
      <Refusal error={confirm.error} />
    </Dialog>
  );
}
