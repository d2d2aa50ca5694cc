/** An edit begins on one version of a record: decides what to do when somebody else has saved another since. */
import { useState } from 'react';
import { Button } from 'react-bootstrap';

/** Holds the version an edit began on; `newer` is what the salon holds when that is no longer it. */
export function useEditing<R extends { readonly version: number }>(stored: R) {
  const [base, setBase] = useState(stored);
  const [formKey, setFormKey] = useState(0);
  return {
    base,
    /** Changes when the form should start again from `base`. */
    formKey,
    newer: stored.version > base.version ? stored : undefined,
    takeTheirs: (): void => {
      setBase(stored);
      setFormKey((n) => n + 1);
    },
    /** What is on the form stays; the next save goes over the stored version. */
    keepMine: (): void => setBase(stored),
    saved: setBase,
  };
}

const text = (value: unknown): string =>
  value === null || value === '' ? 'nothing' : typeof value === 'object' ? JSON.stringify(value) : String(value);

/** The named fields in which two versions differ, in words. */
export function differences<R>(before: R, after: R, words: readonly (readonly [keyof R, string])[]): readonly string[] {
  return words
    .filter(([key]) => JSON.stringify(before[key]) !== JSON.stringify(after[key]))
    .map(([key, word]) => `${word}: ${text(before[key])} is now ${text(after[key])}`);
}

interface Props {
  readonly changes: readonly string[];
  readonly onTheirs: () => void;
  readonly onMine: () => void;
}

export function ChangedElsewhere({ changes, onTheirs, onMine }: Props) {
  return (
    <div className="wt-note" role="alert">
      <p>Somebody else saved this while you were editing.</p>
      <ul>
        {changes.map((c) => (
          <li key={c}>{c}</li>
        ))}
      </ul>
      <div className="wt-acts">
        <Button variant="outline-primary" onClick={onMine}>
          Keep what I have here
        </Button>
        <Button variant="outline-primary" onClick={onTheirs}>
          Take theirs
        </Button>
      </div>
    </div>
  );
}
