/** What an owner tells the salon: it is starting, or something was found, with a photo. */
import { lazy, Suspense, useState } from 'react';
import type { OwnerDog } from '../../contract/home.ts';
import { newId } from '../data/client.ts';
import { phoneToday, type Owner } from './store.ts';
import { capital } from '../words/figures.ts';
import { REPORTS } from '../words/home.ts';
import css from './owner.module.css';

/** Filled in once in a while: it comes on its own. */
const Finding = lazy(async () => ({ default: (await import('./Finding.tsx')).Finding }));
/** The newest answers; older ones were read. */
const MOST_ANSWERS = 2;

export function Tell({ dog, owner }: { dog: OwnerDog; owner: Owner }) {
  const [open, setOpen] = useState(false);
  const [said, setSaid] = useState('');
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
        <Suspense fallback={null}>
          <Finding
            dogId={dog.id}
            author={owner.author}
            onSend={(kind, entries) => {
              owner.send(...entries);
              setSaid(`Told. ${REPORTS[kind].then}`);
              setOpen(false);
            }}
            onLeave={() => setOpen(false)}
            onProblem={setSaid}
          />
        </Suspense>
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
