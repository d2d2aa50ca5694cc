/** A shared tablet that waits: whose hands are these, and their PIN, in keys that a wet thumb hits. */
import { Delete } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { MePage } from '../../contract/account.ts';
import { Refusal } from '../app/state.tsx';
import { useHandOver, useSignOut } from '../data/door.ts';
import { Button } from '../ui/Button.tsx';
import { Notice } from '../ui/Notice.tsx';
import { ROLE_WORDS } from './me.ts';
import { Threshold } from './Threshold.tsx';
import css from './door.module.css';

const MOST = 8;
const LEAST = 4;

export function PinPad({ me }: { me: MePage }) {
  const handOver = useHandOver();
  const signOut = useSignOut();
  const able = me.colleagues.filter((c) => c.hasPin);
  const [who, setWho] = useState(me.account?.id ?? able[0]?.id ?? '');
  const [pin, setPin] = useState('');
  const { mutate, isPending } = handOver;
  const ready = pin.length >= LEAST && !isPending && able.some((c) => c.id === who);
  const press = (digit: string): void => setPin((p) => (p.length < MOST ? p + digit : p));
  const go = (): void => {
    if (ready) mutate({ accountId: who, pin }, { onError: () => setPin('') });
  };
  useEffect(() => {
    const key = (e: KeyboardEvent): void => {
      if (/^\d$/.test(e.key)) press(e.key);
      else if (e.key === 'Backspace') setPin((p) => p.slice(0, -1));
      else if (e.key === 'Enter' && !(e.target instanceof HTMLButtonElement)) go();
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  });
  return (
    <Threshold title="Whose hands are these?">
      <div className="d-flex flex-wrap g-4" role="radiogroup" aria-label="Who takes over">
        {able.map((c) => (
          <label key={c.id} className={css.pinPerson}>
            <input type="radio" name="who" checked={c.id === who} onChange={() => setWho(c.id)} />
            <span>
              {c.name}
              <small>{ROLE_WORDS[c.role].name}</small>
            </span>
          </label>
        ))}
      </div>
      {able.length === 0 && (
        <Notice>Nobody has set a PIN yet. Sign in with a passphrase, and set one under your name.</Notice>
      )}
      <p className={css.pinDots} role="status" aria-label={`${pin.length} digits typed`}>
        {Array.from({ length: Math.max(LEAST, pin.length) }, (_, i) => (
          <span key={i} className={i < pin.length ? 'is-in' : ''} />
        ))}
      </p>
      <div className={css.pinKeys}>
        {['1', '2', '3', '4', '5', '6', '7', '8', '9'].map((d) => (
          <button key={d} type="button" onClick={() => press(d)}>
            {d}
          </button>
        ))}
        <button type="button" onClick={() => setPin((p) => p.slice(0, -1))} aria-label="Take the last digit back">
          <Delete aria-hidden size={26} />
        </button>
        <button type="button" onClick={() => press('0')}>
          0
        </button>
        <button type="button" className="is-go" onClick={go} disabled={!ready}>
          Go on
        </button>
      </div>
      <Refusal error={handOver.error} />
      <Button look="plain" onClick={() => signOut.mutate(undefined)}>
        Sign in with a passphrase instead
      </Button>
    </Threshold>
  );
}
