/** Today: one thing to do. */
import { holdTexts } from '../words/holds.ts';
import type { OwnerDog } from '../../contract/home.ts';
import { homePartRow, type HomePart } from '../../core/home/index.ts';
import type { HomeAmount } from '../../core/tide/index.ts';
import { toolRow } from '../../core/kit/index.ts';
import { Fact } from '../app/Fact.tsx';
import { HomeDog } from '../home/paper/HomeDog.tsx';
import { capital } from '../words/figures.ts';
import { partNames, WHY_WORDS } from '../words/home.ts';
import { dayMonth, longDay, minutes, weekday } from './words.ts';
import css from './owner.module.css';

function season({ tide, today }: OwnerDog): string {
  if (tide.blow) return 'The coat is blowing: these weeks count most.';
  const { start } = tide;
  if (!start || start.low > today + 60) return '';
  return start.likely <= today
    ? 'The coat has begun to blow.'
    : `The blow is likely to start about ${dayMonth(Math.round(start.likely))}.`;
}

/** A part that waits longer was never brushed here: nothing to count. */
const LONG_AGO = 30;

interface Props {
  readonly dog: OwnerDog;
  readonly onBrush: (bout: number) => void;
  readonly onDone: (parts: readonly HomePart[], minutes: number, amount: HomeAmount | null) => void;
}

/** When it is brushed next. */
function nextText(ahead: OwnerDog['week']['days']): string | undefined {
  const next = ahead.find((d) => d.bouts.length > 0);
  return next && `Next: ${weekday(next.day)}, ${minutes(next.bouts[0]?.minutes ?? 0)}.`;
}

export function Today({ dog, onBrush, onDone }: Props) {
  const [today, ...ahead] = dog.week.days;
  const bouts = today?.bouts ?? [];
  const parts = bouts.flatMap((b) => b.parts);
  const said = season(dog);
  return (
    <section className={css.today} aria-labelledby="today">
      <h2 id="today">{today ? longDay(today.day) : 'Today'}</h2>
      <HomeDog
        dog={dog}
        lit={parts}
        label={parts.length > 0 ? `Today: ${partNames(parts)}` : 'Nothing to brush today'}
      />
      {said && <p className={css.soft}>{said}</p>}
      {dog.doneToday ? (
        <p className={css.done} role="status">
          Done for today. {nextText(ahead)}
        </p>
      ) : bouts.length === 0 ? (
        <p className={css.done}>Nothing to brush today. {nextText(ahead)}</p>
      ) : (
        bouts.map((b, i) => (
          <div key={b.parts.join()} className={css.bout}>
            {bouts.length > 1 && <h3>{i === 0 ? 'In the morning' : 'In the evening'}</h3>}
            <p className={css.parts}>{capital(partNames(b.parts))}</p>
            <button type="button" className={css.now} onClick={() => onBrush(i)}>
              Brush {minutes(b.minutes)}
            </button>
            <button type="button" className={css.plain} onClick={() => onDone(b.parts, b.minutes, null)}>
              Already done
            </button>
          </div>
        ))
      )}
      {!dog.doneToday && dog.short && (
        <details>
          <summary>Only two minutes?</summary>
          <p>
            {capital(toolRow(dog.short.brush).name)}: {partNames(dog.short.parts)}. That is enough for today; the rest
            waits for tomorrow.
          </p>
        </details>
      )}
      {!dog.doneToday && parts.length > 0 && (
        <details>
          <summary>Why these</summary>
          <ul>
            {dog.week.needs
              .filter((n) => parts.includes(n.part))
              .map((n) => (
                <li key={n.part}>
                  {capital(homePartRow(n.part).name)}: {WHY_WORDS[n.why]}
                  {n.waited > n.rhythmDays && n.waited < LONG_AGO && (
                    <span className={css.soft}>, waits {n.waited} days</span>
                  )}
                </li>
              ))}
          </ul>
        </details>
      )}
      {dog.closed.length > 0 && (
        <p className={`${css.note} ${css.stop}`}>
          Do not brush {partNames(dog.closed)}: somebody has to look there first.{' '}
          <Fact dog={dog.id} of="hold" from={{ holds: dog.holds }}>
            {holdTexts(dog.holds, dayMonth).join(' ')}
          </Fact>{' '}
          If it is sore, wet or growing, a vet.
        </p>
      )}
    </section>
  );
}
