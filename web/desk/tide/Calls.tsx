/** Whom to call: each with its reason, the words for its owner, and a date in one tap. */
import { memo, useState } from 'react';
import { Button } from 'react-bootstrap';
import { Link } from 'react-router';
import { type BookDog, type Call } from '../../../core/tide/index.ts';
import { formatDay } from '../../../core/quantity/index.ts';
import { Fact } from '../../app/Fact.tsx';
import { Refusal } from '../../app/state.tsx';
import { AskAfter } from '../vet/AskAfter.tsx';
import { newId } from '../../data/client.ts';
import { useCancelBooking, useHold, useSalon } from '../../data/hooks.ts';
import { instantText, shortDay } from '../../words/dates.ts';
import { capital, minutesText } from '../../words/figures.ts';
import { dueText, ownerWords, startText } from '../../words/tide.ts';

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
  const hold = useHold();
  const cancel = useCancelBooking();
  const salon = useSalon();
  const held = hold.data;
  const shown = all ? calls : calls.slice(0, AT_FIRST);
  return (
    <section className="wt-sheet" aria-labelledby="calls">
      <h2 id="calls">
        To call <span className="wt-soft">{calls.length + asked.length}</span>
      </h2>
      <AskAfter dogs={asked} />
      {held && !cancel.isSuccess && salon.data && (
        <div className="wt-note" role="status">
          <p>
            {held.dogName} is down for {instantText(held.startsAt, salon.data.salon.timeZone)}.
          </p>
          <Button
            variant="outline-primary"
            disabled={cancel.isPending}
            onClick={() => cancel.mutate({ id: held.id, version: held.version })}
          >
            Undo
          </Button>
        </div>
      )}
      <Refusal error={hold.error ?? cancel.error} />
      {calls.length + asked.length === 0 && <p>Everyone who starts within three weeks has a date.</p>}
      {shown.map((c, i) => (
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
          <div className="wt-acts">
            <Button
              variant={i === 0 ? 'primary' : 'outline-primary'}
              className={i === 0 ? 'wt-now' : ''}
              disabled={hold.isPending}
              onClick={() => {
                cancel.reset();
                hold.mutate({
                  id: newId(),
                  dogId: c.dog.id,
                  from: formatDay(c.outlook.due.offer),
                  minutes: c.outlook.length,
                });
              }}
            >
              Hold {shortDay(c.outlook.due.offer)}
            </Button>
          </div>
          <details>
            <summary>Words for the owner</summary>
            <blockquote className="wt-words">{ownerWords(c, today)}</blockquote>
            <Button
              variant="outline-primary"
              onClick={() => void navigator.clipboard?.writeText(ownerWords(c, today)).catch(() => undefined)}
            >
              Copy
            </Button>
          </details>
        </article>
      ))}
      {!all && calls.length > AT_FIRST && (
        <Button variant="outline-primary" onClick={() => setAll(true)}>
          {calls.length - AT_FIRST} more
        </Button>
      )}
    </section>
  );
});
