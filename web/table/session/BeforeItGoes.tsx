/** Before the dog goes home: what to tell its owner, the next date with a time, and what was paid. One tap each. */
import { useState } from 'react';
import { PAID_HOW, standingEvents, type SessionAct } from '../../../core/table/index.ts';
import { visitSummary } from '../../../core/home/index.ts';
import { zoneName } from '../../../core/dog/index.ts';
import { parseDay } from '../../../core/quantity/index.ts';
import { Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useBook, useHoldStarts, useDogs, useNext, useSalon } from '../../data/hooks.ts';
import { Button, ButtonLink } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { NumberInput } from '../../ui/form/NumberInput.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { dateOf, instantText } from '../../words/dates.ts';
import { listText, money } from '../../words/figures.ts';
import { PAID_WORDS } from '../../words/table.ts';
import { WATCH_WORDS } from '../../words/visit.ts';
import type { Table } from './useTable.ts';
import css from './session.module.css';

/** Most that is said at the door: what is told longer is not kept in mind. */
const MOST_TOLD = 3;
/** Dates that are offered at the door. */
const DATES = 2;

function Tell({ table: { page, record } }: { table: Table }) {
  const v = visitSummary(record, page.snapshot.stops);
  const told = [
    ...(v.notFalling.length > 0 ? [`The comb still drags at ${listText(v.notFalling.map((z) => zoneName(z)))}.`] : []),
    ...v.watch.map((w) => WATCH_WORDS[w]),
  ];
  return (
    <>
      <h3>Tell the owner</h3>
      <ul>
        {told.slice(0, MOST_TOLD).map((t) => (
          <li key={t}>{t}</li>
        ))}
      </ul>
    </>
  );
}

/** The first free time on each of two days; the newest answer to when the coat is due again. */
function NextDate({ dogId, day, zone }: { dogId: string; day: string; zone: string }) {
  const { data, error } = useNext(dogId);
  const book = useBook();
  const hold = useHoldStarts();
  // Today's visit is the one that is over.
  const next = data?.booked.find((b) => b.service === 'coat' && dateOf(b.startsAt, zone) > day);
  const starts = (data?.slots ?? [])
    .filter((s, i, all) => all.findIndex((x) => dateOf(x, zone) === dateOf(s, zone)) === i)
    .slice(0, DATES);
  if (next)
    return (
      <p role="status">
        Next: <strong>{instantText(next.startsAt, zone)}</strong>.{' '}
        <a href={`/api/bookings/${next.id}/calendar.ics`} download>
          Calendar file
        </a>
      </p>
    );
  if (hold.isSuccess)
    return (
      <p role="status">
        The dates are held until {instantText(hold.data.endsAt, zone)}. The owner chooses on their page.
      </p>
    );
  return (
    <>
      <Refusal error={book.error ?? hold.error ?? error} />
      <div className={`${css.thumbs} is-row`}>
        {data &&
          starts.map((startsAt) => (
            <Button
              key={startsAt}
              className={css.thumb}
              disabled={book.isPending}
              onClick={() =>
                book.mutate({ id: newId(), dogId, startsAt, minutes: data.minutes, note: '', agreed: true })
              }
            >
              Book {instantText(startsAt, zone)}
            </Button>
          ))}
        {data && starts.length > 0 && (
          <Button
            className={css.thumb}
            look="usual"
            disabled={hold.isPending}
            onClick={() => hold.mutate({ id: newId(), dogId, minutes: data.minutes, starts })}
          >
            Offer by link
          </Button>
        )}
        <ButtonLink className={css.thumb} to={`/desk/calendar/new?dog=${dogId}`}>
          Another time
        </ButtonLink>
      </div>
    </>
  );
}

function Payment({ table, currency }: { table: Table; currency: string }) {
  const { page, record, view, tell } = table;
  const toldCents = page.snapshot.plan.priceCents;
  const [amount, setAmount] = useState<number | undefined>(toldCents / 100);
  const [again, setAgain] = useState(false);
  const { events } = standingEvents(view.events);
  const before = events.findLast((e) => e.act.kind === 'paid');
  const write = (how: (typeof PAID_HOW)[number]): void => {
    const cents = how === 'later' ? 0 : Math.round((amount ?? 0) * 100);
    const act: SessionAct = { kind: 'paid', toldCents, cents, how };
    void tell(before ? { kind: 'corrected', of: before.id, act } : act);
    setAgain(false);
  };
  if (record.paid && !again)
    return (
      <p role="status">
        {record.paid.how === 'later' ? (
          <>
            <strong>{money(record.paid.toldCents, currency)}</strong> to pay later.
          </>
        ) : (
          <>
            Paid <strong>{money(record.paid.cents, currency)}</strong> {PAID_WORDS[record.paid.how]}.
          </>
        )}{' '}
        <Button look="plain" onClick={() => setAgain(true)}>
          Change it
        </Button>
      </p>
    );
  const isAmount = amount !== undefined && amount >= 0;
  return (
    <>
      <Field label={`Amount taken, ${currency} (told ${money(toldCents, currency)})`} id="taken">
        <NumberInput id="taken" value={amount} digits={2} onChange={setAmount} />
      </Field>
      <div className={`${css.thumbs} is-row above-4`}>
        {PAID_HOW.map((how) => (
          <Button
            key={how}
            className={css.thumb}
            look="usual"
            disabled={how !== 'later' && !isAmount}
            onClick={() => write(how)}
          >
            {how === 'later' ? 'Pays later' : `Paid ${PAID_WORDS[how]}`}
          </Button>
        ))}
      </div>
    </>
  );
}

export function BeforeItGoes({ table }: { table: Table }) {
  const salon = useSalon().data?.salon;
  const today = useDogs().data?.today;
  const { page } = table;
  if (!salon || today === undefined || parseDay(page.day) !== today) return null;
  return (
    <Sheet className="mb-3" aria-labelledby="goes">
      <h2 id="goes">Before {page.dogName} goes home</h2>
      <div className="wt-two">
        <div>
          <Tell table={table} />
        </div>
        <div>
          <h3>Next date</h3>
          <NextDate dogId={page.dogId} day={page.day} zone={salon.timeZone} />
          <h3 className="mt-3">Paid</h3>
          <Payment table={table} currency={salon.house.rates.currency} />
        </div>
      </div>
    </Sheet>
  );
}
