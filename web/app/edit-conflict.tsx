/** An edit begins on one version of a record: what to do when somebody else has saved another since. */
import { useState } from 'react';
import { mergeByField } from '../../core/quantity/index.ts';
import { Button } from '../ui/Button.tsx';
import { Notice } from '../ui/Notice.tsx';
import { ChoiceGroup } from '../ui/ChoiceGroup.tsx';

/** Holds the version an edit began on; `newer` is what the salon holds when that is no longer it. */
export function useEditing<R extends { readonly version: number }>(stored: R) {
  const [base, setBase] = useState(stored);
  const [mine, setMine] = useState<R | undefined>();
  const [formKey, setFormKey] = useState(0);
  return {
    base,
    /** What was on the form when it was last sent. */
    mine,
    /** Changes when the form should start again from `base`. */
    formKey,
    newer: stored.version > base.version ? stored : undefined,
    /** Said before the form is sent. */
    tried: setMine,
    /** The form starts again from this, over the newest version. */
    settle: (record: R): void => {
      setBase({ ...record, version: stored.version });
      setFormKey((n) => n + 1);
    },
    saved: setBase,
  };
}

/** A field of a record as the room calls it; without words of its own a value is shown as it is. */
export interface FieldWord<R> {
  readonly key: keyof R;
  readonly label: string;
  readonly say?: (record: R) => string;
}

const text = (value: unknown): string =>
  value === null || value === '' || value === undefined
    ? 'nothing'
    : typeof value === 'object'
      ? Object.values(value).map(text).join(', ') || 'nothing'
      : value === true
        ? 'yes'
        : value === false
          ? 'no'
          : String(value);

interface Props<R> {
  readonly base: R;
  readonly newer: R;
  /** What was sent and did not fit; before anything was sent, the base. */
  readonly mine: R | undefined;
  readonly words: readonly FieldWord<R>[];
  readonly onSettle: (record: R) => void;
}

/** Both versions side by side, merged by field: what only one side changed is taken, what both changed is asked. */
export function ChangedElsewhere<R extends object>({ base, newer, mine = base, words, onSettle }: Props<R>) {
  const {
    merged,
    theirs,
    mine: own,
    both,
  } = mergeByField(
    base,
    mine,
    newer,
    words.map(({ key }) => key),
  );
  const [taken, setTaken] = useState<readonly (keyof R)[]>([]);
  const wordOf = (key: keyof R) => words.find((w) => w.key === key);
  const word = (key: keyof R): string => wordOf(key)?.label ?? String(key);
  const said = (record: R, key: keyof R): string => {
    const say = wordOf(key)?.say;
    return (say && record[key] !== null && record[key] !== undefined ? say(record) : text(record[key])) || 'nothing';
  };
  const together = (): R => {
    const record = { ...newer, ...merged };
    for (const key of taken) record[key] = newer[key];
    return record;
  };
  return (
    <Notice role="alert">
      <p>Somebody else saved this while you were editing. Nothing of either is lost:</p>
      <ul>
        {theirs.map((key) => (
          <li key={String(key)}>
            {word(key)}: {said(base, key)} is now {said(newer, key)}, by them
          </li>
        ))}
        {own.map((key) => (
          <li key={String(key)}>
            {word(key)}: {said(base, key)} is now {said(mine, key)}, by you
          </li>
        ))}
      </ul>
      {both.map((key) => (
        <ChoiceGroup
          key={String(key)}
          name={`${word(key)}, changed by both`}
          options={[
            { value: 'mine', word: `yours: ${said(mine, key)}` },
            { value: 'theirs', word: `theirs: ${said(newer, key)}` },
          ]}
          value={taken.includes(key) ? 'theirs' : 'mine'}
          onPick={(v) => setTaken(v === 'theirs' ? [...taken, key] : taken.filter((k) => k !== key))}
        />
      ))}
      <div className="wt-acts">
        <Button look="usual" onClick={() => onSettle(together())}>
          Put both together
        </Button>
        <Button look="usual" onClick={() => onSettle(newer)}>
          Take theirs only
        </Button>
      </div>
    </Notice>
  );
}
