/** Whose hands work here: one tap on a known name; a new one is written once, before anything is wet. */
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Input } from '../../ui/Field.tsx';
import css from './session.module.css';

const LONGEST = 40;

interface Props {
  readonly people: readonly string[];
  readonly name: string;
  readonly onName: (name: string) => void;
}

export function WhoWorks({ people, name, onName }: Props) {
  const [writing, setWriting] = useState(false);
  const names = name !== '' && !people.includes(name) ? [...people, name] : people;
  return (
    <div role="group" aria-label="Who works" className={css.who}>
      {names.map((p) => (
        <Button key={p} look={p === name ? 'chosen' : 'usual'} aria-pressed={p === name} onClick={() => onName(p)}>
          {p}
        </Button>
      ))}
      {writing ? (
        <Input
          autoFocus
          aria-label="A new name"
          defaultValue=""
          maxLength={LONGEST}
          autoComplete="off"
          onChange={(e) => onName(e.target.value.trim())}
        />
      ) : (
        <Button look="usual" onClick={() => setWriting(true)}>
          Somebody else
        </Button>
      )}
    </div>
  );
}
