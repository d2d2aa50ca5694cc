/** The first start: the owner's account. */
import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Refusal } from '../app/state.tsx';
import { useFirstOwner } from '../data/door.ts';
import { PassphraseField } from './SignIn.tsx';
import { Threshold } from './Threshold.tsx';

export const PASSPHRASE_HELP =
  'At least 10 letters. Three or four words that have nothing to do with each other are easy to keep and hard to guess.';

export function FirstOwner({ codeNeeded }: { codeNeeded: boolean }) {
  const first = useFirstOwner();
  const [name, setName] = useState('');
  const [login, setLogin] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const [code, setCode] = useState('');
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    first.mutate({ name, login, passphrase, ...(codeNeeded && { code }) });
  };
  return (
    <Threshold
      title="A new house"
      says="Nobody has a key yet. The first one is the owner’s: it opens everything, and makes keys for others."
    >
      <Form onSubmit={submit}>
        <Form.Group controlId="first-name" className="mb-3">
          <Form.Label>Your name</Form.Label>
          <Form.Control value={name} onChange={(e) => setName(e.target.value)} autoComplete="name" required />
        </Form.Group>
        <Form.Group controlId="first-login" className="mb-3">
          <Form.Label>Name to sign in with</Form.Label>
          <Form.Control
            value={login}
            onChange={(e) => setLogin(e.target.value.toLowerCase())}
            autoComplete="username"
            autoCapitalize="none"
            required
          />
          <Form.Text className="wt-soft">Small letters, digits, dots and dashes.</Form.Text>
        </Form.Group>
        <PassphraseField
          id="first-pass"
          label="Passphrase"
          value={passphrase}
          onChange={setPassphrase}
          about={[name, login]}
          help={PASSPHRASE_HELP}
        />
        {codeNeeded && (
          <Form.Group controlId="first-code" className="mb-3">
            <Form.Label>Code from the salon’s computer</Form.Label>
            <Form.Control value={code} onChange={(e) => setCode(e.target.value)} autoComplete="off" required />
            <Form.Text className="wt-soft">It was printed where the program was started.</Form.Text>
          </Form.Group>
        )}
        <Refusal error={first.error} />
        <Button type="submit" size="lg" disabled={first.isPending}>
          {first.isPending ? 'One moment …' : 'Make the owner’s key'}
        </Button>
      </Form>
    </Threshold>
  );
}
