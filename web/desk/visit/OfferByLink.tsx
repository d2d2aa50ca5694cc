/** Some times are held for a dog in place of one that is booked: its owner chooses on the page. */
import { useState } from 'react';
import { Link } from 'react-router';
import { HELD_HOURS, MOST_HELD } from '../../../contract/offer.ts';
import { Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useHoldStarts } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { instantText } from '../../words/dates.ts';
import { listText } from '../../words/figures.ts';
import type { Chosen } from './Times.tsx';

interface Props {
  readonly dogId: string;
  readonly name: string;
  readonly chosen: Chosen | undefined;
  readonly zone: string;
}

export function OfferByLink({ dogId, name, chosen, zone }: Props) {
  const hold = useHoldStarts();
  const [starts, setStarts] = useState<readonly string[]>([]);
  const said = starts.map((s) => instantText(s, zone));
  if (hold.data)
    return (
      <Notice tone="good" className="above-5" role="status">
        Held for {name} until {instantText(hold.data.endsAt, zone)}: {listText(said, 'or')}. The owner chooses on{' '}
        <Link to={`/desk/dogs/${dogId}/home`}>their page</Link>.
      </Notice>
    );
  const isNew = chosen !== undefined && !starts.includes(chosen.startsAt) && starts.length < MOST_HELD;
  return (
    <section className="above-5" aria-label="Offer by link">
      <p className="mb-1">
        {starts.length === 0
          ? `Or let the owner choose: up to ${MOST_HELD} times are held for ${HELD_HOURS} hours.`
          : `To offer: ${listText(said, 'or')}.`}
      </p>
      <Refusal error={hold.error} />
      <div className="wt-acts">
        <Button look="usual" disabled={!isNew} onClick={() => chosen && setStarts([...starts, chosen.startsAt].sort())}>
          Add this time to the offer
        </Button>
        {starts.length > 0 && chosen && (
          <Button
            look="usual"
            disabled={hold.isPending}
            onClick={() => hold.mutate({ id: newId(), dogId, minutes: chosen.minutes, starts })}
          >
            Hold and offer by link
          </Button>
        )}
        {starts.length > 0 && (
          <Button look="plain" onClick={() => setStarts([])}>
            Start again
          </Button>
        )}
      </div>
    </section>
  );
}
