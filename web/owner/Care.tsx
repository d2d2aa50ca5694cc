/** What else is due, with one tap to say it was done. */
import type { DueCare, HomeCareKind } from '../../core/home/index.ts';
import { CARES } from '../words/home.ts';
import { weekday } from './words.ts';
import css from './owner.module.css';

interface Props {
  readonly due: readonly DueCare[];
  readonly today: number;
  readonly onDone: (kind: HomeCareKind) => void;
}

export function Care({ due, today, onDone }: Props) {
  if (due.length === 0) return null;
  return (
    <section className={css.sheet} aria-labelledby="care">
      <h2 id="care">Also due</h2>
      <ul className={css.bare}>
        {due.map((d) => (
          <li key={d.kind} className={css.care}>
            <details>
              <summary>
                {CARES[d.kind].word}
                {d.due > today && <span className={css.soft}> {weekday(d.due)}</span>}
              </summary>
              <p>{CARES[d.kind].how}</p>
            </details>
            <button type="button" onClick={() => onDone(d.kind)} aria-label={`${CARES[d.kind].word}: done`}>
              Done
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
