/** Whom to call and why; the dates to offer are the book's. */
import { memo, useState } from 'react';
import { Link } from 'react-router';
import { type BookDog, type Call } from '../../../core/tide/index.ts';
import { Fact } from '../../app/Fact.tsx';
import { Button, ButtonLink } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { AskAfter } from '../vet/AskAfter.tsx';
import { shortDay } from '../../words/dates.ts';
import { capital, minutesText } from '../../words/figures.ts';
import { dueText, startText } from '../../words/tide.ts';

/** So many at first; the rest are behind a tap. */
const AT_FIRST = 6;

/** Kept as it is while only the sea beside it moves. */
export const Calls = memo(function Calls({
  calls,
  asked,
  today,
}: {
  calls: readonly Call[];
  /** Dogs that wait for a vet: their owners are asked, not invited. */
  asked: readonly BookDog[];
  today: number;
}) {
  const [all, setAll] = useState(false);
  const shown = all ? calls : calls.slice(0, AT_FIRST);
  return (
    <Sheet aria-labelledby="calls">
      <h2 id="calls">
        To call <span className="wt-soft">{calls.length + asked.length}</span>
      </h2>
      <AskAfter dogs={asked} />
      {calls.length > 0 && (
        <p>
          <ButtonLink look="main" className="wt-now" to="/desk/today">
            Dates to offer
          </ButtonLink>
        </p>
      )}
      {calls.length + asked.length === 0 && <p>Everyone who starts within three weeks has a date.</p>}
      {shown.map((c) => (
        <article key={c.dog.id} className="wt-call">
          <h3>
            <Link to={`/desk/dogs/${c.dog.id}/tide`}>{c.dog.name}</Link> <span className="wt-soft">{c.dog.owner}</span>
          </h3>
          <p>
            {c.start ? (
              <>
                {capital(startText(c.start, today))}, due{' '}
                <Fact dog={c.dog.id} of="due" from={c.outlook}>
                  {shortDay(c.outlook.due.day)}
                </Fact>
              </>
            ) : (
              <Fact dog={c.dog.id} of="due" from={c.outlook}>
                {dueText(c, today)}
              </Fact>
            )}
            .{' '}
            <Fact dog={c.dog.id} of="minutes" from={c.outlook}>
              {minutesText(c.outlook.minutes.likely)}
            </Fact>
            {c.later > c.outlook.minutes.likely + 4 && <>, {minutesText(c.later)} three weeks on</>}.
          </p>
        </article>
      ))}
      {!all && calls.length > AT_FIRST && (
        <Button look="usual" onClick={() => setAll(true)}>
          {calls.length - AT_FIRST} more
        </Button>
      )}
    </Sheet>
  );
});
