/** When to come again and why; the date is agreed here and leaves as a calendar file. */
import { CalendarDays, Download } from 'lucide-react';
import { Link, useParams } from 'react-router';
import type { BookingRecord, NextPage } from '../../../contract/booking.ts';
import { DogTabs } from '../../app/DogTabs.tsx';
import { Fact } from '../../app/Fact.tsx';
import { Loaded, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useBook, useCancelBooking, useNext, useSalon } from '../../data/hooks.ts';
import { Button, ButtonAnchor, ButtonLink } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { clockText, dateOf, instantText, longDay, shortDay, weekdayText } from '../../words/dates.ts';
import { grams, minutesText, money } from '../../words/figures.ts';
import { Wishes } from './Wishes.tsx';
import { dueBand, dueReason, homeText } from '../../words/reasons.ts';
import { CareChoice } from '../dog/CareChoice.tsx';
import css from './next.module.css';

function Booked({ page, timeZone }: { page: NextPage; timeZone: string }) {
  const cancel = useCancelBooking();
  const again = useBook();
  const gone = cancel.data && !again.isSuccess ? cancel.data : undefined;
  if (page.booked.length === 0 && !gone) return null;
  return (
    <Sheet aria-labelledby="booked">
      <h2 id="booked">Booked</h2>
      {page.booked.map((b) => (
        <div key={b.id} className="mb-3">
          <p className={css.big} role="status">
            <CalendarDays aria-hidden size={24} /> {instantText(b.startsAt, timeZone)}
          </p>
          <p>{minutesText(b.minutes)} at the table</p>
          <div className="wt-acts">
            <ButtonAnchor href={`/api/bookings/${b.id}/calendar.ics`} download>
              <Download aria-hidden size={17} /> Calendar file
            </ButtonAnchor>
            <Button
              look="usual"
              disabled={cancel.isPending}
              onClick={() => cancel.mutate({ id: b.id, version: b.version })}
            >
              Cancel this date
            </Button>
          </div>
        </div>
      ))}
      {gone && (
        <Notice role="status">
          <p>{instantText(gone.startsAt, timeZone)} is cancelled.</p>
          <Button
            look="usual"
            disabled={again.isPending}
            onClick={() => again.mutate({ ...bookingOf(gone), id: newId() })}
          >
            Put it back
          </Button>
        </Notice>
      )}
      <Refusal error={again.error ?? cancel.error} />
      <ButtonLink look="main" to={`/home/${page.dogId}`}>
        Home card
      </ButtonLink>
    </Sheet>
  );
}

const bookingOf = ({ dogId, startsAt, minutes, note }: BookingRecord) => ({ dogId, startsAt, minutes, note });

function Offers({ page, timeZone }: { page: NextPage; timeZone: string }) {
  const book = useBook();
  const days = [...new Set(page.slots.map((s) => dateOf(s, timeZone)))];
  if (days.length === 0)
    return <Notice>No table is free for this long in the four weeks after. Shorten the visit or look by hand.</Notice>;
  return (
    <>
      {days.map((d) => (
        <div key={d}>
          <h3>{weekdayText(d)}</h3>
          <div className="d-flex flex-wrap g-4 below-6" role="group" aria-label={weekdayText(d)}>
            {page.slots
              .filter((s) => dateOf(s, timeZone) === d)
              .map((s) => (
                <Button
                  key={s}
                  look="usual"
                  disabled={book.isPending}
                  aria-label={`Book ${instantText(s, timeZone)}`}
                  onClick={() =>
                    book.mutate({ id: newId(), dogId: page.dogId, startsAt: s, minutes: page.minutes, note: '' })
                  }
                >
                  {clockText(s, timeZone)}
                </Button>
              ))}
          </div>
        </div>
      ))}
      <Refusal error={book.error} />
    </>
  );
}

export function NextRoom() {
  const { dogId = '' } = useParams();
  const query = useNext(dogId);
  const salon = useSalon();
  const timeZone = salon.data?.salon.timeZone ?? 'UTC';
  return (
    <Loaded query={query}>
      {(page) => (
        <>
          <div className="wt-title">
            <div>
              <span className="wt-crumb">
                <Link to={`/desk/dogs/${dogId}`}>{page.dogName}</Link>
              </span>
              <h1>Next date</h1>
            </div>
          </div>
          <DogTabs dogId={dogId} />
          <div className={`wt-cols ${css.next}`}>
            <Sheet aria-labelledby="due">
              <h2 id="due">
                The coat is due{' '}
                <Fact dog={dogId} of="due" from={page.outlook}>
                  {longDay(page.outlook.due.day)}
                </Fact>
              </h2>
              <ul>
                {page.outlook.due.reasons.map((r) => (
                  <li key={r.code}>{dueReason(r)}</li>
                ))}
              </ul>
              <p className="wt-soft">
                {dueBand(page.outlook.due)} {homeText(page.outlook.boutsPerWeek)}
              </p>
              <CareChoice dogId={dogId} />
              <h2 className="mt-4">Free times</h2>
              <p>
                On {shortDay(page.outlook.visit)} about{' '}
                <Fact dog={dogId} of="grams" from={page.outlook}>
                  {grams(page.outlook.grams.likely)}
                </Fact>{' '}
                of loose coat:{' '}
                <Fact dog={dogId} of="minutes" from={page.outlook}>
                  {minutesText(page.outlook.minutes.likely)}
                </Fact>{' '}
                <span className="wt-soft">
                  ({minutesText(page.outlook.minutes.low)}–{minutesText(page.outlook.minutes.high)})
                </span>
                ,{' '}
                <Fact dog={dogId} of="price" from={page.outlook}>
                  {money(page.outlook.priceCents, page.currency)}
                </Fact>
                .
              </p>
              <Offers page={page} timeZone={timeZone} />
            </Sheet>
            <div>
              <Booked page={page} timeZone={timeZone} />
              <Wishes dogId={dogId} />
            </div>
          </div>
        </>
      )}
    </Loaded>
  );
}
