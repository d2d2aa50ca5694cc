/** Sign-in: a name and a passphrase; in the demo, who can be tried. */
import { Eye, EyeOff } from 'lucide-react';
import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { MePage } from '../../contract/account.ts';
import { Refusal } from '../app/state.tsx';
import { useSignIn } from '../data/door.ts';
import { ROLE_WORDS } from './me.ts';
import { useWeakness } from './useWeakness.ts';
import { Threshold } from './Threshold.tsx';

export function SignIn({ demo }: Pick<MePage, 'demo'>) {
  const signIn = useSignIn();
  const [login, setLogin] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const [shared, setShared] = useState(false);
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    signIn.mutate({ login, passphrase, shared });
  };
  return (
    <Threshold title="Who is here?">
      {demo && (
        <section className="wt-note wt-note-good" aria-label="The demo">
          <p>This is a salon that was made up, to look around in. Come in as</p>
          <div className="wt-acts">
            {demo.people.map((p) => (
              <Button
                key={p.login}
                variant="outline-primary"
                disabled={signIn.isPending}
                onClick={() => signIn.mutate({ login: p.login, passphrase: demo.passphrase, shared })}
              >
                {p.name}, {ROLE_WORDS[p.role].name.toLowerCase()}
              </Button>
            ))}
          </div>
        </section>
      )}
      <Form onSubmit={submit}>
        <Form.Group controlId="login" className="mb-3">
          <Form.Label>Name you sign in with</Form.Label>
          <Form.Control
            value={login}
            onChange={(e) => setLogin(e.target.value)}
            autoComplete="username"
            autoCapitalize="none"
            required
          />
        </Form.Group>
        <PassphraseField id="passphrase" label="Passphrase" value={passphrase} onChange={setPassphrase} known />
        <Form.Check
          id="shared"
          type="checkbox"
          className="mb-3"
          checked={shared}
          onChange={(e) => setShared(e.target.checked)}
          label="This tablet belongs to the salon: several people use it, each with a PIN"
        />
        <Refusal error={signIn.error} />
        <Button type="submit" size="lg" disabled={signIn.isPending}>
          {signIn.isPending ? 'One moment …' : 'Come in'}
        </Button>
      </Form>
    </Threshold>
  );
}

interface FieldProps {
  readonly id: string;
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  /** One that is known already, not one that is being made. */
  readonly known?: boolean;
  /** Names that a new one must not be made of. */
  readonly about?: readonly string[];
  readonly help?: string;
}

/** A passphrase that can be looked at while it is typed: wet thumbs mistype. */
export function PassphraseField({ id, label, value, onChange, known = false, about, help }: FieldProps) {
  const [seen, setSeen] = useState(false);
  const weak = useWeakness(known ? '' : value, about);
  return (
    <Form.Group controlId={id} className="mb-3">
      <Form.Label>{label}</Form.Label>
      <div className="wt-door-secret">
        <Form.Control
          type={seen ? 'text' : 'password'}
          value={value}
          onChange={(e) => onChange(e.target.value)}
          autoComplete={known ? 'current-password' : 'new-password'}
          aria-describedby={help ? `${id}-help` : undefined}
          required
        />
        <button type="button" className="wt-plain" aria-pressed={seen} onClick={() => setSeen(!seen)}>
          {seen ? <EyeOff aria-hidden size={20} /> : <Eye aria-hidden size={20} />}
          <span>{seen ? 'Hide' : 'Show'}</span>
        </button>
      </div>
      {!known && (
        <p className="wt-door-weak" role="status">
          {weak === undefined ? '' : `This passphrase ${weak}.`}
        </p>
      )}
      {help && (
        <Form.Text id={`${id}-help`} className="wt-soft">
          {help}
        </Form.Text>
      )}
    </Form.Group>
  );
}
