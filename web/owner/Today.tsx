/** Today: one thing to do. */
import type { OwnerDog } from '../../contract/home.ts';
import { homePartRow, type HomePart } from '../../core/home/index.ts';
import type { HomeAmount } from '../../core/tide/index.ts';
import { Dog } from './Dog.tsx';
import { capital, listText } from '../words/figures.ts';
import { dayMonth, longDay, minutes, weekday } from './words.ts';

const names = (parts: readonly HomePart[]): string => listText(parts.map((p) => homePartRow(p).name));

function season({ tide, today }: OwnerDog): string {
  if (tide.blow) return 'The coat is blowing: these weeks count most.';
  const { start } = tide;
  if (!start || start.low > today + 60) return '';
  return start.likely <= today
    ? 'The coat has begun to blow.'
    : `The blow is likely to start about ${dayMonth(Math.round(start.likely))}.`;
}

interface Props {
  readonly dog: OwnerDog;
  readonly onBrush: (bout: number) => void;
  readonly onDone: (parts: readonly HomePart[], minutes: number, amount: HomeAmount | null) => void;
}

export function Today({ dog, onBrush, onDone }: Props) {
  const [today, ...ahead] = dog.week.days;
  const bouts = today?.bouts ?? [];
  const next = ahead.find((d) => d.bouts.length > 0);
  const parts = bouts.flatMap((b) => b.parts);
  const said = season(dog);
  return (
    <section className="ow-today" aria-labelledby="today">
      <h2 id="today">{today ? longDay(today.day) : 'Today'}</h2>
      <Dog dog={dog} lit={parts} label={parts.length > 0 ? `Today: ${names(parts)}` : 'Nothing to brush today'} />
      {said && <p className="ow-soft">{said}</p>}
      {dog.doneToday ? (
        <p className="ow-done" role="status">
          Done for today. {next && `Next: ${weekday(next.day)}, ${minutes(next.bouts[0]?.minutes ?? 0)}.`}
        </p>
      ) : bouts.length === 0 ? (
        <p className="ow-done">
          Nothing to brush today. {next && `Next: ${weekday(next.day)}, ${minutes(next.bouts[0]?.minutes ?? 0)}.`}
        </p>
      ) : (
        bouts.map((b, i) => (
          <div key={b.parts.join()} className="ow-bout">
            {bouts.length > 1 && <h3>{i === 0 ? 'In the morning' : 'In the evening'}</h3>}
            <p className="ow-parts">{capital(names(b.parts))}</p>
            <button type="button" className="ow-now" onClick={() => onBrush(i)}>
              Brush {minutes(b.minutes)}
            </button>
            <button type="button" className="ow-plain" onClick={() => onDone(b.parts, b.minutes, null)}>
              Already done
            </button>
          </div>
        ))
      )}
      {dog.closed.length > 0 && (
        <p className="ow-note ow-stop">
          Do not brush {names(dog.closed)}: somebody has to look there first. If it is sore, wet or growing, a vet.
        </p>
      )}
    </section>
  );
}
