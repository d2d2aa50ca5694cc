/** Dates that are held for an owner to choose from on the page: until when, let go, or taken for them; and whom none suited. */
import { Link } from 'react-router';
import type { OfferRecord } from '../../../contract/offer.ts';
import { dateOf, instantText } from '../../words/dates.ts';
import { useLetGo } from '../../data/hooks.ts';
import { parseDay } from '../../../core/quantity/index.ts';
import { Button, ButtonLink } from '../../ui/Button.tsx';
import { OwnerPhone } from '../../app/OwnerPhone.tsx';
import { Refusal } from '../../app/state.tsx';
import type { Acts } from '../book/useActs.ts';

interface Props {
  readonly offers: readonly OfferRecord[];
  readonly timeZone: string;
}

/** They ask to be rung: first of all calls. */
export function AsksToBeRung({ offers, timeZone }: Props) {
  const letGo = useLetGo();
  return (
    <>
      <Refusal error={letGo.error} />
      {offers.map((o) => (
        <li key={o.id} className="wt-call">
          <strong>{o.dogName}</strong> <OwnerPhone id={o.dogId} />
          <p className="mb-1">
            Asks to be rung: {o.starts.map((s) => instantText(s, timeZone)).join(' and ')}{' '}
            {o.starts.length === 1 ? 'does' : 'do'} not suit.
          </p>
          <div className="d-flex flex-wrap items-center g-2">
            <ButtonLink size="sm" to={`/desk/calendar/new?dog=${o.dogId}`}>
              Find a time
            </ButtonLink>
            <Button look="plain" size="sm" disabled={letGo.isPending} onClick={() => letGo.mutate(o.id)}>
              Rung, no date
            </Button>
          </div>
        </li>
      ))}
    </>
  );
}

/** Held, and nobody has answered: no call is due for these. */
export function HeldStarts({ offers, timeZone, acts }: Props & { readonly acts: Acts }) {
  const letGo = useLetGo();
  if (offers.length === 0) return null;
  return (
    <section aria-labelledby="held">
      <h3 id="held">
        Offered by link <span className="wt-soft">{offers.length}</span>
      </h3>
      <Refusal error={letGo.error} />
      <ul className="wt-bare">
        {offers.map((o) => (
          <li key={o.id} className="wt-call">
            <strong>{o.dogName}</strong> <OwnerPhone id={o.dogId} />
            <p className="mb-1">
              The dates are held until {instantText(o.endsAt, timeZone)}. The owner chooses on{' '}
              <Link to={`/desk/dogs/${o.dogId}/home`}>their page</Link>.
            </p>
            <div className="d-flex flex-wrap items-center g-2">
              {o.starts.map((startsAt) => {
                const on = parseDay(dateOf(startsAt, timeZone));
                return (
                  <Button
                    key={startsAt}
                    look="usual"
                    size="sm"
                    disabled={acts.busy || on === undefined}
                    onClick={() =>
                      on !== undefined && acts.bookOn({ dogId: o.dogId, day: on, startsAt, minutes: o.minutes })
                    }
                  >
                    Yes: {instantText(startsAt, timeZone)}
                  </Button>
                );
              })}
              <Button look="plain" size="sm" disabled={letGo.isPending} onClick={() => letGo.mutate(o.id)}>
                Let them go
              </Button>
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
