/** The card for the fridge: one A5 that holds for weeks. How often, with what, where, what not to do, when to come. */
import { holdTexts } from '../../words/holds.ts';
import { Fact } from '../../app/Fact.tsx';
import type { OwnerDog } from '../../../contract/home.ts';
import {
  brushPlaces,
  EDGE_AT_HOME,
  firstParts,
  HOME_CARE_ROWS,
  homeDonts,
  homePartRow,
  rhythmsOf,
} from '../../../core/home/index.ts';
import { toolRow } from '../../../core/kit/index.ts';
import { capital } from '../../words/figures.ts';
import { CARES, DONT_WORDS, EDGE_WORDS, everyText, partNames, WHY_WORDS } from '../../words/home.ts';
import { dayMonth, minutes, visitTime } from '../../owner/words.ts';
import { HomeDog } from './HomeDog.tsx';
import css from './paper.module.css';

interface Props {
  readonly dog: OwnerDog;
  readonly salonName: string;
  readonly timeZone: string;
}

/** Care that a card reminds of; the rest comes with every brushing. */
const ON_CARD = ['ears', 'nails', 'bath'] as const;

/** A note so long asks for smaller letters, so that the card stays one page. */
const LONG_NOTE = 160;

export function FridgeCard({ dog, salonName, timeZone }: Props) {
  const { week, tools, tide } = dog;
  const bouts = week.days.flatMap((d) => d.bouts);
  const first = firstParts(week.needs);
  const places = brushPlaces(tools.use, week.needs);
  const everywhere = week.needs.length;
  return (
    <article
      className={dog.note.length > LONG_NOTE ? `${css.fridge} is-full` : css.fridge}
      aria-label={`Card for the fridge: ${dog.name}`}
    >
      <header>
        <div>
          <p className="wt-soft">{salonName}</p>
          <h2 className={css.fridgeName}>{dog.name} at home</h2>
          {bouts.length > 0 && (
            <p className={css.fridgeLarge}>
              {minutes(week.planned / bouts.length)} a time, {bouts.length === 7 ? 'daily' : `${bouts.length} × a week`}
            </p>
          )}
          {tide.blow && <p>The coat is blowing: these weeks count most.</p>}
        </div>
        <HomeDog dog={dog} lit={first.map((n) => n.part)} label={`First: ${partNames(first.map((n) => n.part))}`} />
      </header>
      <section>
        <h3>How often</h3>
        <dl>
          {rhythmsOf(week.needs).map((r) => (
            <div key={r.everyDays}>
              <dt>{everyText(r.everyDays)}</dt>
              <dd>{partNames(r.parts)}</dd>
            </div>
          ))}
        </dl>
      </section>
      <section>
        <h3>With what, in this order</h3>
        <ol>
          {places.map(({ tool, parts }) => (
            <li key={tool}>
              <strong>{capital(toolRow(tool).name)}</strong>:{' '}
              {parts.length === everywhere ? 'all over' : partNames(parts)}. {tool === EDGE_AT_HOME.tool && EDGE_WORDS}
            </li>
          ))}
        </ol>
        <p className="wt-soft">Try it on the back of your hand. Skin taut, short strokes; pink skin: stop.</p>
      </section>
      {first.length > 0 && (
        <section>
          <h3>These first</h3>
          <ul>
            {first.map((n) => (
              <li key={n.part}>
                {capital(homePartRow(n.part).name)}: {WHY_WORDS[n.why]}
              </li>
            ))}
          </ul>
        </section>
      )}
      {dog.closed.length > 0 && (
        <p className={css.fridgeStop}>
          Do not brush {partNames(dog.closed)}: somebody has to look there first.{' '}
          <Fact dog={dog.id} of="hold" from={{ holds: dog.holds }}>
            {holdTexts(dog.holds, dayMonth).join(' ')}
          </Fact>
        </p>
      )}
      <section>
        <h3>Please not</h3>
        <ul>
          {homeDonts(dog.coatClass).map((d) => (
            <li key={d}>{DONT_WORDS[d]}</li>
          ))}
        </ul>
      </section>
      {dog.note && <p className={css.fridgeSays}>{dog.note}</p>}
      <footer>
        <p>
          {HOME_CARE_ROWS.filter((r) => ON_CARD.some((k) => k === r.kind))
            .map(
              (r) =>
                `${CARES[r.kind].word}: every ${r.everyDays === 7 ? 'week' : `${Math.round(r.everyDays / 7)} weeks`}`,
            )
            .join('. ')}
          .
        </p>
        <p>
          <strong>
            {dog.visits[0] ? (
              <>
                Next visit:{' '}
                <Fact dog={dog.id} of="booked" from={dog.outlook ?? {}}>
                  {visitTime(dog.visits[0].startsAt, timeZone)}
                </Fact>
                .
              </>
            ) : dog.outlook?.due ? (
              <>
                Next visit due about{' '}
                <Fact dog={dog.id} of="due" from={dog.outlook}>
                  {dayMonth(dog.outlook.due.day)}
                </Fact>
                : call us for a time.
              </>
            ) : (
              'Next visit: after the first look at the coat.'
            )}
          </strong>{' '}
          New, sore, wet or growing: show a vet.
        </p>
      </footer>
    </article>
  );
}
