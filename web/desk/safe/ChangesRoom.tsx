/** Desk → Changes: who did what, newest first. */
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import type { ChangeRecord } from '../../../contract/safe.ts';
import { Loaded } from '../../app/state.tsx';
import { useDogs } from '../../data/hooks.ts';
import { useChanges } from '../../data/safe.ts';
import { useMoment } from '../../app/useMoment.ts';
import { Button } from '../../ui/Button.tsx';
import { Field, Select } from '../../ui/Field.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { didWords, fieldWord, partsChanged, valueWord } from '../../words/trail.ts';
import css from './safe.module.css';

function Fields({ change }: { change: ChangeRecord }) {
  const lines = change.fields.flatMap(({ field, before, after }) =>
    (partsChanged(before, after) ?? [[field, before, after] as const]).map(([part, b, a]) => ({ part, b, a })),
  );
  if (lines.length === 0 || change.act === 'made') return null;
  return (
    <ul className={css.trailFields}>
      {lines.map(({ part, b, a }) => (
        <li key={part}>
          {fieldWord(part)}: <del>{valueWord(part, b)}</del>
          {change.act === 'changed' && (
            <>
              {' '}
              → <ins>{valueWord(part, a)}</ins>
            </>
          )}
        </li>
      ))}
    </ul>
  );
}

export function ChangesRoom() {
  const [search, setSearch] = useSearchParams();
  const dog = search.get('dog') ?? '';
  const [before, setBefore] = useState<readonly (number | undefined)[]>([undefined]);
  const at = before.at(-1);
  const dogs = useDogs();
  const moment = useMoment();
  const query = useChanges(at, dog === '' ? undefined : dog);
  return (
    <>
      <div className="wt-title">
        <h1>Who changed what</h1>
        <p className="wt-soft">Who did what. What was worked on a dog stands in its sessions.</p>
      </div>
      <Field label="About" id="changes-dog" className={css.trailPick}>
        <Select
          value={dog}
          onChange={(e) => {
            setBefore([undefined]);
            setSearch(e.target.value === '' ? {} : { dog: e.target.value });
          }}
        >
          <option value="">everything</option>
          {[...(dogs.data?.dogs ?? [])]
            .sort((a, b) => a.name.localeCompare(b.name))
            .map((d) => (
              <option key={d.id} value={d.id}>
                {d.name}, {d.ownerName}
              </option>
            ))}
        </Select>
      </Field>
      <Loaded query={query}>
        {({ changes, before: older }) => (
          <>
            {changes.length === 0 && <Notice>Nothing was changed here yet.</Notice>}
            <ol className={css.trail}>
              {changes.map((c) => (
                <li key={c.id}>
                  <time dateTime={new Date(c.atMs).toISOString()}>{moment(c.atMs)}</time>
                  <div>
                    <strong>{c.who}</strong> {didWords(c)}
                    <Fields change={c} />
                  </div>
                </li>
              ))}
            </ol>
            <div className="wt-acts">
              {before.length > 1 && (
                <Button look="usual" onClick={() => setBefore(before.slice(0, -1))}>
                  Newer
                </Button>
              )}
              {older !== null && (
                <Button look="usual" onClick={() => setBefore([...before, older])}>
                  Older
                </Button>
              )}
            </div>
          </>
        )}
      </Loaded>
    </>
  );
}
