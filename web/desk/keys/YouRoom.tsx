/** Anyone who is in: their own passphrase, and the PIN with which they take over a shared tablet. */
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Refusal } from '../../app/state.tsx';
import { useNewPassphrase, useNewPin } from '../../data/door.ts';
import { PASSPHRASE_HELP } from '../../door/FirstOwner.tsx';
import { ROLE_WORDS, useWho } from '../../door/me.ts';
import { PassphraseField } from '../../door/SignIn.tsx';
import { ViewSettings } from './ViewSettings.tsx';
import './keys.css';

function NewSecret({ kind }: { kind: 'passphrase' | 'pin' }) {
  const who = useWho();
  const passphrase = useNewPassphrase();
  const pin = useNewPin();
  const [own, setOwn] = useState('');
  const [next, setNext] = useState('');
  const sent = kind === 'pin' ? pin : passphrase;
  const clear = (): void => {
    setOwn('');
    setNext('');
  };
  return (
    <Form
      className="wt-sheet wt-you"
      onSubmit={(e) => {
        e.preventDefault();
        if (kind === 'pin') pin.mutate({ own, pin: next }, { onSuccess: clear });
        else passphrase.mutate({ own, passphrase: next }, { onSuccess: clear });
      }}
    >
      <h2>{kind === 'pin' ? (who.hasPin ? 'Another PIN' : 'A PIN') : 'Another passphrase'}</h2>
      <p className="wt-soft">
        {kind === 'pin'
          ? 'On a shared tablet it says that it is you. It opens nothing on a device that nobody signed in to.'
          : 'Your other devices are signed out when it changes.'}
      </p>
      <PassphraseField id={`${kind}-own`} label="Your passphrase now" value={own} onChange={setOwn} known />
      <PassphraseField
        id={`${kind}-next`}
        label={kind === 'pin' ? 'PIN, 4 to 8 digits' : 'New passphrase'}
        value={next}
        onChange={setNext}
        about={[who.name, who.login]}
        {...(kind === 'passphrase' && { help: PASSPHRASE_HELP })}
      />
      <Refusal error={sent.error} />
      {sent.isSuccess && (
        <p className="wt-note wt-note-good" role="status">
          It holds from now on.
        </p>
      )}
      <Button type="submit" disabled={sent.isPending}>
        {sent.isPending ? 'One moment …' : 'Set it'}
      </Button>
    </Form>
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
      <div className="wt-you-pair">
        <NewSecret kind="pin" />
        <NewSecret kind="passphrase" />
      </div>
    </>
  );
}
