/** How long the soap is left on: a timer by the tub that outlives a reload and says when to rinse. */
import { useState } from 'react';
import { contactOf, keptLabel } from '../../app/tub.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { clock } from '../../words/table.ts';
import { useNow } from './useNow.ts';
import css from './session.module.css';

const keyOf = (sessionId: string, step: string): string => `${css.contact} ${sessionId} ${step}`;

function begunAt(key: string): number | undefined {
  const kept = Number(localStorage.getItem(key));
  return Number.isFinite(kept) && kept > 0 ? kept : undefined;
}

export function ContactTimer({ sessionId, step }: { sessionId: string; step: string }) {
  const key = keyOf(sessionId, step);
  const [began, setBegan] = useState(() => begunAt(key));
  const minutes = contactOf(keptLabel());
  const now = useNow(began !== undefined);
  if (minutes === 0) return null;
  const leftMs = began === undefined ? minutes * 60_000 : began + minutes * 60_000 - now;
  const seconds = Math.max(0, Math.ceil(leftMs / 1000));
  const start = (): void => {
    const at = Date.now();
    localStorage.setItem(key, String(at));
    setBegan(at);
  };
  return (
    <div className={css.contact}>
      {began === undefined ? (
        <Button look="usual" onClick={start}>
          Soap is on: leave it {minutes} min
        </Button>
      ) : (
        <>
          <p role="timer" aria-label="Contact time left" className={css.clock}>
            {clock(seconds * 1000)}
          </p>
          {seconds === 0 ? (
            <Notice tone="good" role="status">
              Rinse now, to the last of the soap.
            </Notice>
          ) : (
            <p className="wt-soft">Soap is on. Keep a hand on the dog.</p>
          )}
          <Button look="usual" onClick={start}>
            Start again
          </Button>
        </>
      )}
    </div>
  );
}
