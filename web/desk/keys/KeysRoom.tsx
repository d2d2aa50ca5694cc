/** Desk → Keys: who may come in and do what, and which devices are in. */
import { KeyRound, TabletSmartphone } from 'lucide-react';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import {
  accountDraftSchema,
  accountEditSchema,
  newPassphraseSchema,
  ROLES,
  type Account,
  type AccountDraft,
  type AccountEdit,
  type KeysPage,
  type NewPassphrase,
} from '../../../contract/account.ts';
import { Loaded, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useAddAccount, useEditAccount, useEndSignIn, useKeys, useResetPassphrase } from '../../data/door.ts';
import { useRoster } from '../../data/hooks.ts';
import { ROLE_WORDS, useWho } from '../../door/me.ts';
import { PASSPHRASE_HELP, PassphraseField } from '../../door/PassphraseField.tsx';
import { useMoment } from '../../app/useMoment.ts';
import { Button } from '../../ui/Button.tsx';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import { SelectField, TextField } from '../../ui/form/fields.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';
import css from './keys.module.css';

const ROLE_OPTIONS = ROLES.map((r) => [r, `${ROLE_WORDS[r].name}: ${ROLE_WORDS[r].does}`] as const);

/** Whom of the staff a key is for: nobody, where its holder works on no dog. */
function usePersonOptions(): readonly (readonly [string, string])[] {
  const roster = useRoster();
  return [['', 'nobody of the staff'], ...(roster.data?.people ?? []).map((p) => [p.id, p.name] as const)];
}

function NewKey({ onDone }: { onDone: () => void }) {
  const add = useAddAccount();
  const form = useSchemaForm<AccountDraft>({
    schema: accountDraftSchema,
    values: { id: newId(), name: '', login: '', passphrase: '', role: 'groomer', personId: null },
  });
  const [name, login] = useWatch({ control: form.control, name: ['name', 'login'] });
  const people = usePersonOptions();
  return (
    <SchemaForm form={form} sheet className={css.keyForm} onSave={(draft) => add.mutate(draft, { onSuccess: onDone })}>
      <h3>A new key</h3>
      <div className="wt-formgrid">
        <TextField form={form} name="name" label="Name" />
        <TextField
          form={form}
          name="login"
          label="Signs in as"
          fit={(typed) => typed.toLowerCase()}
          input={{ autoCapitalize: 'none' }}
        />
        <SelectField form={form} name="role" label="May do" options={ROLE_OPTIONS} />
        <SelectField form={form} name="personId" label="Works as" empty="null" options={people} />
      </div>
      <PassphraseField
        form={form}
        name="passphrase"
        label="First passphrase"
        about={[name, login]}
        help={`${PASSPHRASE_HELP} They change it under their name.`}
      />
      <Refusal error={add.error} />
      <div className="wt-acts">
        <Button type="submit" disabled={add.isPending}>
          Make the key
        </Button>
        <Button look="usual" onClick={onDone}>
          Not now
        </Button>
      </div>
    </SchemaForm>
  );
}

function ForgottenPassphrase({ account, onDone }: { account: Account; onDone: () => void }) {
  const reset = useResetPassphrase();
  const form = useSchemaForm<NewPassphrase>({ schema: newPassphraseSchema, values: { own: '', passphrase: '' } });
  return (
    <SchemaForm
      form={form}
      className="mt-2"
      onSave={(draft) => reset.mutate({ id: account.id, ...draft }, { onSuccess: onDone })}
    >
      <PassphraseField form={form} name="own" label="Your own passphrase" known />
      <PassphraseField
        form={form}
        name="passphrase"
        label={`New passphrase of ${account.name}`}
        about={[account.name, account.login]}
        help="Their devices are signed out and their PIN is gone."
      />
      <Refusal error={reset.error} />
      <Button type="submit" disabled={reset.isPending}>
        Set it
      </Button>
    </SchemaForm>
  );
}

function EditKey({ account, onDone }: { account: Account; onDone: () => void }) {
  const edit = useEditAccount();
  const { name, role, personId, ended, version } = account;
  const form = useSchemaForm<AccountEdit>({
    schema: accountEditSchema,
    values: { name, role, personId, ended, version },
  });
  const people = usePersonOptions();
  const save = (draft: AccountEdit): void => edit.mutate({ id: account.id, ...draft }, { onSuccess: onDone });
  return (
    <div className={css.keyForm}>
      <SchemaForm form={form} onSave={save}>
        <div className="wt-formgrid">
          <TextField form={form} name="name" label="Name" />
          <SelectField form={form} name="role" label="May do" options={ROLE_OPTIONS} />
          <SelectField form={form} name="personId" label="Works as" empty="null" options={people} />
        </div>
        <Refusal error={edit.error} />
        <div className="wt-acts mt-3">
          <Button type="submit" disabled={edit.isPending}>
            Save
          </Button>
          <Button
            look="usual"
            onClick={() => void form.handleSubmit((draft) => save({ ...draft, ended: !ended }))()}
            disabled={edit.isPending}
          >
            {ended ? 'Give the key back' : 'Take the key away'}
          </Button>
          <Button look="usual" onClick={onDone}>
            Not now
          </Button>
        </div>
      </SchemaForm>
      <Disclosure head="They forgot their passphrase" className="mt-3">
        <ForgottenPassphrase account={account} onDone={onDone} />
      </Disclosure>
    </div>
  );
}

function Keys({ accounts, signIns }: KeysPage) {
  const who = useWho();
  const end = useEndSignIn();
  const moment = useMoment();
  const [open, setOpen] = useState<string | undefined>();
  return (
    <>
      <section aria-labelledby="keys-of">
        <div className="wt-title">
          <h2 id="keys-of">
            <KeyRound aria-hidden size={22} /> {accounts.filter((a) => !a.ended).length} keys
          </h2>
          {open !== 'new' && (
            <Button look="usual" onClick={() => setOpen('new')}>
              Make a key
            </Button>
          )}
        </div>
        {open === 'new' && <NewKey onDone={() => setOpen(undefined)} />}
        <ul className={css.keys}>
          {accounts.map((a) => (
            <Sheet as="li" key={a.id} className={a.ended ? 'is-ended' : undefined}>
              <div className={css.keyLine}>
                <span>
                  <strong>{a.name}</strong>
                  {a.id === who.id && ' (you)'}
                  <span className="wt-soft"> signs in as {a.login}</span>
                </span>
                <span>{a.ended ? 'Key taken away' : ROLE_WORDS[a.role].name}</span>
                <span className="wt-soft">
                  {a.hasPassphrase ? (a.hasPin ? 'passphrase and PIN' : 'no PIN yet') : 'no passphrase: cannot sign in'}
                </span>
                <Button
                  size="sm"
                  look="usual"
                  onClick={() => setOpen(open === a.id ? undefined : a.id)}
                  aria-expanded={open === a.id}
                >
                  Change<span className="visually-hidden"> {a.name}</span>
                </Button>
              </div>
              {open === a.id && <EditKey account={a} onDone={() => setOpen(undefined)} />}
            </Sheet>
          ))}
        </ul>
      </section>
      <section aria-labelledby="devices-in" className="mt-4">
        <h2 id="devices-in">
          <TabletSmartphone aria-hidden size={22} /> Devices that are in
        </h2>
        <Refusal error={end.error} />
        <ul className={css.keys}>
          {signIns.map((s) => (
            <Sheet as="li" key={s.id} className={css.keyLine}>
              <span>
                <strong>{s.name}</strong>
                {s.own && ' (this device)'}
                {s.shared && <span className="wt-soft"> on a shared tablet</span>}
              </span>
              <span className="wt-soft wt-key-device">
                {deviceWord(s.device)}, from {s.address}
              </span>
              <span className="wt-soft">seen {moment(s.seenMs)}</span>
              {!s.own && (
                <Button size="sm" look="usual" onClick={() => end.mutate(s.id)} disabled={end.isPending}>
                  Sign out<span className="visually-hidden"> {s.name} there</span>
                </Button>
              )}
            </Sheet>
          ))}
        </ul>
      </section>
    </>
  );
}

/** What a browser says of itself, in a word or two. */
function deviceWord(agent: string): string {
  const on = /iPad|iPhone|Android|Windows|Mac OS X|Linux/.exec(agent)?.[0] ?? '';
  return on === '' ? 'a device' : on === 'Mac OS X' ? 'a Mac' : on;
}

export function KeysRoom() {
  return (
    <>
      <div className="wt-title">
        <h1>Logins</h1>
        <p className="wt-soft">Who may come in, what each may do, and which devices are in.</p>
      </div>
      <Loaded query={useKeys()}>{(page) => <Keys {...page} />}</Loaded>
    </>
  );
}
