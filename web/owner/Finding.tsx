/** What an owner found, where, and a photo of it. */
import { useState } from 'react';
import { HOME_PART_ROWS, REPORT_KINDS, type HomePart, type ReportKind } from '../../core/home/index.ts';
import { newId } from '../data/client.ts';
import { smallPhoto } from '../data/photos.ts';
import { capital } from '../words/figures.ts';
import { REPORTS } from '../words/home.ts';
import { phoneToday, type Entry } from './store.ts';
import css from './owner.module.css';

interface Props {
  readonly dogId: string;
  readonly author: string;
  readonly onSend: (kind: ReportKind, entries: readonly Entry[]) => void;
  readonly onLeave: () => void;
  readonly onProblem: (words: string) => void;
}

export function Finding({ dogId, author, onSend, onLeave, onProblem }: Props) {
  const [kind, setKind] = useState<ReportKind>('knot');
  const [part, setPart] = useState<HomePart | ''>('');
  const [note, setNote] = useState('');
  const [photo, setPhoto] = useState<Blob>();
  const send = (): void => {
    const id = newId();
    onSend(kind, [
      {
        kind: 'reports',
        dogId,
        body: { id, day: phoneToday(), kind, part: part === '' ? null : part, note: note.trim(), author },
      },
      ...(photo ? [{ kind: 'photo' as const, dogId, reportId: id, jpeg: photo }] : []),
    ]);
  };
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        send();
      }}
    >
      <fieldset>
        <legend>What is it?</legend>
        {REPORT_KINDS.map((k) => (
          <label key={k} className={css.pick}>
            <input type="radio" name="kind" checked={kind === k} onChange={() => setKind(k)} />{' '}
            {capital(REPORTS[k].word)}
          </label>
        ))}
      </fieldset>
      <label className={css.field}>
        Where
        <select
          value={part}
          onChange={(e) => setPart(HOME_PART_ROWS.find((r) => r.part === e.target.value)?.part ?? '')}
        >
          <option value="">not one place</option>
          {HOME_PART_ROWS.map((r) => (
            <option key={r.part} value={r.part}>
              {r.name}
            </option>
          ))}
        </select>
      </label>
      <label className={css.field}>
        In your words
        <textarea rows={3} maxLength={600} value={note} onChange={(e) => setNote(e.target.value)} />
      </label>
      <label className={css.field}>
        A photo, if you like
        <input
          type="file"
          accept="image/*"
          capture="environment"
          onChange={(e) => {
            const [file] = e.target.files ?? [];
            if (file)
              void smallPhoto(file)
                .then(setPhoto)
                .catch((problem: unknown) => onProblem(problem instanceof Error ? problem.message : ''));
          }}
        />
      </label>
      <p className={css.soft}>{REPORTS[kind].then}</p>
      <button type="submit" className={css.now}>
        Tell them
      </button>
      <button type="button" className={css.plain} onClick={onLeave}>
        Leave it
      </button>
    </form>
  );
}
