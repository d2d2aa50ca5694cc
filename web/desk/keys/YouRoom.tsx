/** Anyone who is in: their own passphrase, and the PIN with which they take over a shared tablet. */
import { newPassphraseSchema, newPinSchema, type NewPassphrase, type NewPin } from '../../../contract/account.ts';
import { Refusal } from '../../app/state.tsx';
import { useNewPassphrase, useNewPin } from '../../data/door.ts';
import { ROLE_WORDS, useWho } from '../../door/me.ts';
import { PASSPHRASE_HELP, PassphraseField } from '../../door/PassphraseField.tsx';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';
import { ViewSettings } from './ViewSettings.tsx';
import css from './keys.module.css';

const Kept = () => (
  <Notice tone="good" role="status">
    It holds from now on.
  </Notice>
);

function NewPinForm() {
  const who = useWho();
  const pin = useNewPin();
  const form = useSchemaForm<NewPin>({ schema: newPinSchema, values: { own: '', pin: '' } });
  return (
    <SchemaForm form={form} sheet onSave={(draft) => pin.mutate(draft, { onSuccess: () => form.reset() })}>
      <h2>{who.hasPin ? 'Another PIN' : 'A PIN'}</h2>
      <p className="wt-soft">
        On a shared tablet it says that it is you. It opens nothing on a device that nobody signed in to.
      </p>
      <PassphraseField form={form} name="own" label="Your passphrase now" known />
      <PassphraseField form={form} name="pin" label="PIN, 4 to 8 digits" about={[who.name, who.login]} />
      <Refusal error={pin.error} />
      {pin.isSuccess && <Kept />}
      <Button type="submit" disabled={pin.isPending}>
        {pin.isPending ? 'One moment …' : 'Set it'}
      </Button>
    </SchemaForm>
  );
}

function NewPassphraseForm() {
  const who = useWho();
  const passphrase = useNewPassphrase();
  const form = useSchemaForm<NewPassphrase>({ schema: newPassphraseSchema, values: { own: '', passphrase: '' } });
  return (
    <SchemaForm form={form} sheet onSave={(draft) => passphrase.mutate(draft, { onSuccess: () => form.reset() })}>
      <h2>Another passphrase</h2>
      <p className="wt-soft">Your other devices are signed out when it changes.</p>
      <PassphraseField form={form} name="own" label="Your passphrase now" known />
      <PassphraseField
        form={form}
        name="passphrase"
        label="New passphrase"
        about={[who.name, who.login]}
        help={PASSPHRASE_HELP}
      />
      <Refusal error={passphrase.error} />
      {passphrase.isSuccess && <Kept />}
      <Button type="submit" disabled={passphrase.isPending}>
        {passphrase.isPending ? 'One moment …' : 'Set it'}
      </Button>
    </SchemaForm>
  );
}

export function YouRoom() {
  const who = useWho();
  return (
    <>
      <div className="wt-title">
        <h1>{who.name}</h1>
        <p className="wt-soft">
          {ROLE_WORDS[who.role].name}: {ROLE_WORDS[who.role].does}. Signs in as {who.login}.
        </p>
      </div>
      <ViewSettings />
      <div className={css.youPair}>
        <NewPinForm />
        <NewPassphraseForm />
      </div>
    </>
  );
}
