/** The week as pegs on a line: what hangs is done, what was missed has slid on. */
import type { OwnerDog } from '../../contract/home.ts';
import { parseDay } from '../../core/quantity/index.ts';
import { minutes, weekday } from './words.ts';
import css from './owner.module.css';

/** Days behind today that the line shows. */
const BEHIND = 2;

export function Week({ dog }: { dog: OwnerDog }) {
  const done = new Set<number | undefined>(dog.bouts.map((b) => parseDay(b.day)));
  const pegs = [
    ...Array.from({ length: BEHIND }, (_, i) => ({ day: dog.today - BEHIND + i, planned: 0 })),
    ...dog.week.days.map((d) => ({ day: Number(d.day), planned: d.bouts.reduce((t, b) => t + b.minutes, 0) })),
  ];
  return (
    <section className={css.sheet} aria-labelledby="week">
      <h2 id="week">
        The week <span className={css.soft}>minutes a day</span>
      </h2>
      <ol className={css.pegs}>
        {pegs.map(({ day, planned }) => {
          const hung = done.has(day);
          const what = hung ? 'brushed' : planned > 0 ? minutes(planned) : day < dog.today ? 'not brushed' : 'rest';
          const short = hung ? '✓' : planned > 0 ? String(Math.max(1, Math.round(planned))) : '';
          return (
            <li key={day} className={`${hung ? 'is-hung ' : ''}${day === dog.today ? 'is-today' : ''}`}>
              <span className={css.pegDay}>{weekday(day)}</span>
              <svg viewBox="0 0 30 46" aria-hidden>
                <path className={css.line} d="M0,9H30" />
                {(hung || planned > 0) && <path className={css.peg} d="M12,2h6v20h-6z" />}
                {hung && <path className={css.hung} d="M5,20q10,5 20,0l2,20q-12,6 -24,0z" />}
                {!hung && planned > 0 && <path className={css.empty} d="M5,20q10,5 20,0l2,20q-12,6 -24,0z" />}
              </svg>
              <span aria-hidden>{short}</span>
              <span className="visually-hidden">{what}</span>
            </li>
          );
        })}
      </ol>
      {dog.week.has < dog.week.floor && (
        <p className={css.soft}>
          This coat asks for about {minutes(dog.week.floor)} a week; your days have {minutes(dog.week.has)}. Tell us,
          and visits come a little closer together.
        </p>
      )}
    </section>
  );
}
