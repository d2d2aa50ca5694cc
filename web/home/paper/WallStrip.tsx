/** The strip for the wall: the seven days ahead on a line, each with its peg to tick off. */
import type { OwnerDog } from '../../../contract/home.ts';
import { firstParts, homePartRow } from '../../../core/home/index.ts';
import { toolRow } from '../../../core/kit/index.ts';
import { capital, listText } from '../../words/figures.ts';
import { CARES, partNames } from '../../words/home.ts';
import { dayMonth, minutes, weekday } from '../../owner/words.ts';
import { HomeDog } from './HomeDog.tsx';
import css from './paper.module.css';

/** What came out, to tick: as the page asks it. */
const OUT = ['pinch', 'hand', 'bowl'] as const;

export function WallStrip({ dog, salonName }: { dog: OwnerDog; salonName: string }) {
  const { week } = dog;
  return (
    <article className={css.strip} aria-label={`Strip for the wall: ${dog.name}`}>
      <header>
        <h2 className={css.fridgeName}>{dog.name}</h2>
        <HomeDog
          dog={dog}
          lit={firstParts(week.needs).map((n) => n.part)}
          label={`First: ${partNames(firstParts(week.needs).map((n) => n.part))}`}
        />
        <p className="wt-soft">
          {week.days[0] && `From ${dayMonth(week.days[0].day)}`} · {salonName}
        </p>
        <p className="wt-soft">
          {capital(listText(dog.tools.use.map((k) => toolRow(k).name)))}. Tick what is done; a missed day slides on.
        </p>
      </header>
      <ol>
        {week.days.map((d) => {
          const parts = d.bouts.flatMap((b) => b.parts);
          const due = dog.due.filter((c) => c.due === d.day || (c.due < d.day && d.day === dog.today));
          return (
            <li key={d.day}>
              <p className={css.stripDay}>
                {weekday(d.day)} <span>{dayMonth(d.day)}</span>
              </p>
              <svg viewBox="0 0 120 30" aria-hidden>
                <path className={css.stripLine} d="M0,7Q60,13 120,7" />
                <rect className={css.stripPeg} x="56" y="3" width="8" height="17" rx="1.5" />
                <circle className={css.stripTick} cx="60" cy="22" r="7" />
              </svg>
              <p className={css.stripMinutes}>
                {d.bouts.length === 0 ? 'rest' : d.bouts.map((b) => minutes(b.minutes)).join(' + ')}
              </p>
              <p>{capital(parts.map((p) => homePartRow(p).name).join(', '))}</p>
              {due.length > 0 && <p className={css.stripDue}>{due.map((c) => CARES[c.kind].word).join('. ')}.</p>}
              {d.bouts.length > 0 && (
                <p className={css.stripOut}>
                  {OUT.map((o) => (
                    <span key={o}>{o}</span>
                  ))}
                </p>
              )}
            </li>
          );
        })}
      </ol>
    </article>
  );
}
