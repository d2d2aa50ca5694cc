/** What an owner tells the salon: it is starting, or something was found, with a photo. */
import { useState } from 'react';
import type { OwnerDog } from '../../contract/home.ts';
import { HOME_PART_ROWS, REPORT_KINDS, type HomePart, type ReportKind } from '../../core/home/index.ts';
import { newId } from '../data/client.ts';
import { smallPhoto } from '../data/photos.ts';
import { phoneToday, type Entry, type Owner } from './store.ts';
import { capital } from '../words/figures.ts';
import { REPORTS } from '../words/home.ts';
import css from './owner.module.css';

/** The newest answers; older ones were read. */
const MOST_ANSWERS = 2;

export function Tell({ dog, owner }: { dog: OwnerDog; owner: Owner }) {
  const [open, setOpen] = useState(false);
  const [kind, setKind] = useState<ReportKind>('knot');
  const [part, setPart] = useState<HomePart | ''>('');
  const [note, setNote] = useState('');
  const [photo, setPhoto] = useState<Blob>();
  const [said, setSaid] = useState('');
  const send = (): void => {
    const id = newId();
    const entries: Entry[] = [
      {
        kind: 'reports',
        dogId: dog.id,
        body: { id, day: phoneToday(), kind, part: part === '' ? null : part, note: note.trim(), author: owner.author },
      },
      ...(photo ? [{ kind: 'photo' as const, dogId: dog.id, reportId: id, jpeg: photo }] : []),
    ];
    owner.send(...entries);
    setSaid(`Told. ${REPORTS[kind].then}`);
    setOpen(false);
    setNote('');
    setPhoto(undefined);
  };
  const waits = dog.reports.filter((r) => !r.closed);
  const answered = dog.reports.filter((r) => r.closed && r.answer !== '').slice(0, MOST_ANSWERS);
  return (
    <section className={css.sheet} aria-labelledby="tell">
      <h2 id="tell">Tell the salon</h2>
      {said && (
        <p className={css.note} role="status">
          {said}
        </p>
      )}
      {!open && (
        <div className={css.row}>
          <button
            type="button"
            onClick={() => {
              owner.send({
                kind: 'started',
                dogId: dog.id,
                body: { id: newId(), day: phoneToday(), author: owner.author },
              });
              setSaid('Thank you: that helps us to plan the blow.');
            }}
          >
            The blow is starting
          </button>
          <button type="button" onClick={() => setOpen(true)}>
            I found something
          </button>
        </div>
      )}
      {open && (
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
                    .catch((problem: unknown) => setSaid(problem instanceof Error ? problem.message : ''));
              }}
            />
          </label>
          <p className={css.soft}>{REPORTS[kind].then}</p>
          <button type="submit" className={css.now}>
            Tell them
          </button>
          <button type="button" className={css.plain} onClick={() => setOpen(false)}>
            Leave it
          </button>
        </form>
      )}
      {answered.map((r) => (
        <p key={r.id} className={css.note}>
          The salon on {REPORTS[r.kind].word}: “{r.answer}”
        </p>
      ))}
      {waits.length > 0 && (
        <ul className={css.bare}>
          {waits.map((r) => (
            <li key={r.id} className={css.soft}>
              {capital(REPORTS[r.kind].word)}
              {r.note && `: ${r.note}`}. Waits for an answer.
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
