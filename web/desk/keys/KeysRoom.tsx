/** Desk → Keys: who may come in and do what, and which devices are in. */
import { KeyRound, TabletSmartphone } from 'lucide-react';
import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { ROLES, type Account, type KeysPage, type Role } from '../../../contract/account.ts';
import { Loaded, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useAddAccount, useEditAccount, useEndSignIn, useKeys, useResetPassphrase } from '../../data/door.ts';
import { useRoster } from '../../data/hooks.ts';
import { PASSPHRASE_HELP } from '../../door/FirstOwner.tsx';
import { ROLE_WORDS, useWho } from '../../door/me.ts';
import { PassphraseField } from '../../door/SignIn.tsx';
import { useMoment } from '../../app/useMoment.ts';
import './keys.css';

function RoleField({ id, value, onChange }: { id: string; value: Role; onChange: (role: Role) => void }) {
  return (
    <Form.Group controlId={id}>
      <Form.Label>May do</Form.Label>
      <Form.Select value={value} onChange={(e) => onChange(ROLES.find((r) => r === e.target.value) ?? 'desk')}>
        {ROLES.map((r) => (
          <option key={r} value={r}>
            {ROLE_WORDS[r].name}: {ROLE_WORDS[r].does}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
}

function PersonField({
  id,
  value,
  onChange,
}: {
  id: string;
  value: string | null;
  onChange: (p: string | null) => void;
}) {
  const roster = useRoster();
  return (
    <Form.Group controlId={id}>
      <Form.Label>Works as</Form.Label>
      <Form.Select value={value ?? ''} onChange={(e) => onChange(e.target.value || null)}>
        <option value="">nobody of the staff</option>
        {(roster.data?.people ?? []).map((p) => (
          <option key={p.id} value={p.id}>
            {p.name}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
}

function NewKey({ onDone }: { onDone: () => void }) {
  const add = useAddAccount();
  const [draft, setDraft] = useState({ id: newId(), name: '', login: '', passphrase: '' });
  const [role, setRole] = useState<Role>('groomer');
  const [personId, setPerson] = useState<string | null>(null);
  const submit = (e: FormEvent): void => {
    e.preventDefault();
    add.mutate({ ...draft, role, personId }, { onSuccess: onDone });
  };
  return (
    <Form className="wt-sheet wt-key-form" onSubmit={submit}>
      <h3>A new key</h3>
      <div className="wt-formgrid">
        <Form.Group controlId="key-name">
          <Form.Label>Name</Form.Label>
          <Form.Control
            value={draft.name}
            required
            autoComplete="off"
            onChange={(e) => setDraft({ ...draft, name: e.target.value })}
          />
        </Form.Group>
        <Form.Group controlId="key-login">
          <Form.Label>Signs in as</Form.Label>
          <Form.Control
            value={draft.login}
            required
            autoComplete="off"
            autoCapitalize="none"
            onChange={(e) => setDraft({ ...draft, login: e.target.value.toLowerCase() })}
          />
        </Form.Group>
        <RoleField id="key-role" value={role} onChange={setRole} />
        <PersonField id="key-person" value={personId} onChange={setPerson} />
      </div>
      <PassphraseField
        id="key-pass"
        label="First passphrase"
        value={draft.passphrase}
        onChange={(passphrase) => setDraft({ ...draft, passphrase })}
        about={[draft.name, draft.login]}
        help={`${PASSPHRASE_HELP} They change it under their name.`}
      />
      <Refusal error={add.error} />
      <div className="wt-acts">
        <Button type="submit" disabled={add.isPending}>
          Make the key
        </Button>
        <Button variant="outline-primary" onClick={onDone}>
          Not now
        </Button>
      </div>
    </Form>
  );
}

function EditKey({ account, onDone }: { account: Account; onDone: () => void }) {
  const edit = useEditAccount();
  const reset = useResetPassphrase();
  const [role, setRole] = useState(account.role);
  const [personId, setPerson] = useState(account.personId);
  const [name, setName] = useState(account.name);
  const [own, setOwn] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const save = (ended: boolean): void =>
    edit.mutate({ id: account.id, name, role, personId, ended, version: account.version }, { onSuccess: onDone });
  return (
    <div className="wt-key-form">
      <Form
        onSubmit={(e) => {
          e.preventDefault();
          save(account.ended);
        }}
      >
        <div className="wt-formgrid">
          <Form.Group controlId={`${account.id}-name`}>
            <Form.Label>Name</Form.Label>
            <Form.Control value={name} required onChange={(e) => setName(e.target.value)} />
          </Form.Group>
          <RoleField id={`${account.id}-role`} value={role} onChange={setRole} />
          <PersonField id={`${account.id}-person`} value={personId} onChange={setPerson} />
        </div>
        <Refusal error={edit.error} />
        <div className="wt-acts mt-3">
          <Button type="submit" disabled={edit.isPending}>
            Save
          </Button>
          <Button variant="outline-primary" onClick={() => save(!account.ended)} disabled={edit.isPending}>
            {account.ended ? 'Give the key back' : 'Take the key away'}
          </Button>
          <Button variant="outline-primary" onClick={onDone}>
            Not now
          </Button>
        </div>
      </Form>
      <details className="mt-3">
        <summary>They forgot their passphrase</summary>
        <Form
          className="mt-2"
          onSubmit={(e) => {
            e.preventDefault();
            reset.mutate({ id: account.id, own, passphrase }, { onSuccess: onDone });
          }}
        >
          <PassphraseField id={`${account.id}-own`} label="Your own passphrase" value={own} onChange={setOwn} known />
          <PassphraseField
            id={`${account.id}-new`}
            label={`New passphrase of ${account.name}`}
            value={passphrase}
            onChange={setPassphrase}
            about={[account.name, account.login]}
            help="Their devices are signed out and their PIN is gone."
          />
          <Refusal error={reset.error} />
          <Button type="submit" disabled={reset.isPending}>
            Set it
          </Button>
        </Form>
      </details>
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
            <Button variant="outline-primary" onClick={() => setOpen('new')}>
              Make a key
            </Button>
          )}
        </div>
        {open === 'new' && <NewKey onDone={() => setOpen(undefined)} />}
        <ul className="wt-keys">
          {accounts.map((a) => (
            <li key={a.id} className={`wt-sheet${a.ended ? ' is-ended' : ''}`}>
              <div className="wt-key-line">
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
                  variant="outline-primary"
                  onClick={() => setOpen(open === a.id ? undefined : a.id)}
                  aria-expanded={open === a.id}
                >
                  Change<span className="visually-hidden"> {a.name}</span>
                </Button>
              </div>
              {open === a.id && <EditKey account={a} onDone={() => setOpen(undefined)} />}
            </li>
          ))}
        </ul>
      </section>
      <section aria-labelledby="devices-in" className="mt-4">
        <h2 id="devices-in">
          <TabletSmartphone aria-hidden size={22} /> Devices that are in
        </h2>
        <Refusal error={end.error} />
        <ul className="wt-keys">
          {signIns.map((s) => (
            <li key={s.id} className="wt-sheet wt-key-line">
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
                <Button size="sm" variant="outline-primary" onClick={() => end.mutate(s.id)} disabled={end.isPending}>
                  Sign out<span className="visually-hidden"> {s.name} there</span>
                </Button>
              )}
            </li>
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
        <h1>Keys</h1>
        <p className="wt-soft">Who may come in, what each may do, and which devices are in.</p>
      </div>
      <Loaded query={useKeys()}>{(page) => <Keys {...page} />}</Loaded>
    </>
  );
}
