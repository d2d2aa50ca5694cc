/** Calendar → a visit: when it is and for how long; moved to another day or time, agreed, or cancelled with a reason. */
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { CANCEL_REASONS, type BookingRecord, type CancelReason } from '../../../contract/booking.ts';
import { serviceName } from '../../../core/dog/index.ts';
import { day, formatDay, parseDay } from '../../../core/quantity/index.ts';
import { PhoneLink } from '../../app/PhoneLink.tsx';
import { Loaded, Refusal } from '../../app/state.tsx';
import {
  useAgree,
  useBookings,
  useCancelBooking,
  useDogs,
  useEditBooking,
  useRestoreBooking,
  useSalon,
} from '../../data/hooks.ts';
import { Button, ButtonAnchor, ButtonLink } from '../../ui/Button.tsx';
import { ChoiceGroup } from '../../ui/ChoiceGroup.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { dateOf, instantText } from '../../words/dates.ts';
import { minutesText } from '../../words/figures.ts';
import { GapFill } from './GapFill.tsx';
import { Times } from './Times.tsx';

const REASON_WORDS: Readonly<Record<CancelReason, string>> = {
  salon: 'we cancel',
  owner: 'the owner cancels',
  late: 'too late to come',
  'no-show': 'did not come',
};
const REASONS = CANCEL_REASONS.map((value) => ({ value, word: REASON_WORDS[value] }));

function Move({ booking, zone, today }: { booking: BookingRecord; zone: string; today: string }) {
  const edit = useEditBooking();
  const [on, setOn] = useState(dateOf(booking.startsAt, zone));
  const [minutes, setMinutes] = useState<number | undefined>(booking.minutes);
  const [at, setAt] = useState<string>();
  return (
    <Sheet aria-labelledby="move">
      <h2 id="move">Move it</h2>
      <Times
        dogId={booking.dogId}
        service={booking.service}
        day={on}
        minutes={minutes}
        chosen={at}
        zone={zone}
        today={today}
        onDay={(d) => {
          setOn(d);
          setAt(undefined);
        }}
        onMinutes={setMinutes}
        onChoose={setAt}
      >
        {(chosen) => (
          <>
            <Refusal error={edit.error} />
            {edit.isSuccess && <p role="status">Moved to {instantText(edit.data.startsAt, zone)}. Tell the owner.</p>}
            <Button
              disabled={!chosen || edit.isPending}
              onClick={() =>
                chosen && edit.mutate({ id: booking.id, version: booking.version, note: booking.note, ...chosen })
              }
            >
              {chosen ? `Move to ${instantText(chosen.startsAt, zone)}` : 'Choose a time'}
            </Button>
          </>
        )}
      </Times>
    </Sheet>
  );
}

function Cancel({
  booking,
  onCancel,
  busy,
}: {
  booking: BookingRecord;
  onCancel: (why: CancelReason) => void;
  busy: boolean;
}) {
  const [why, setWhy] = useState<CancelReason>('owner');
  return (
    <Sheet aria-labelledby="cancel">
      <h2 id="cancel">Cancel it</h2>
      <ChoiceGroup name="Why" options={REASONS} value={why} onPick={setWhy} />
      <Button look="usual" disabled={busy} onClick={() => onCancel(why)}>
        Cancel {booking.dogName}’s visit
      </Button>
    </Sheet>
  );
}

function Visit({ booking, zone, today }: { booking: BookingRecord; zone: string; today: string }) {
  const cancel = useCancelBooking();
  const restore = useRestoreBooking();
  const agree = useAgree();
  const dog = useDogs().data?.dogs.find((d) => d.id === booking.dogId);
  const on = parseDay(dateOf(booking.startsAt, zone));
  if (cancel.data && !restore.isSuccess)
    return (
      <>
        <Notice role="status">
          <p>
            {instantText(booking.startsAt, zone)} is free again: {REASON_WORDS[cancel.data.cancelledWhy ?? 'owner']}.
          </p>
          <div className="wt-acts">
            <Button look="usual" disabled={restore.isPending} onClick={() => restore.mutate(cancel.data)}>
              Undo
            </Button>
            {on !== undefined && <Link to={`/desk/calendar?show=day&day=${on}`}>That day in the calendar</Link>}
          </div>
          <Refusal error={restore.error} />
        </Notice>
        {on !== undefined && <GapFill gone={booking} on={on} zone={zone} />}
      </>
    );
  return (
    <>
      <Sheet aria-label="The visit">
        <p className="wt-lead mb-1">
          {instantText(booking.startsAt, zone)}, {minutesText(booking.minutes)}
          {booking.service !== 'coat' && `, ${serviceName(booking.service)}`}
        </p>
        <p>
          {dog?.ownerName} <PhoneLink phone={dog?.phone} />
        </p>
        <p>{booking.agreed ? 'The owner has agreed.' : 'Held: the owner has not agreed yet.'}</p>
        <div className="wt-acts">
          {!booking.agreed && (
            <Button disabled={agree.isPending} onClick={() => agree.mutate(booking)}>
              The owner agrees
            </Button>
          )}
          <ButtonAnchor href={`/api/bookings/${booking.id}/calendar.ics`} download>
            Calendar file
          </ButtonAnchor>
          {on !== undefined && <ButtonLink to={`/desk/calendar/day?day=${formatDay(on)}`}>That day</ButtonLink>}
        </div>
        <Refusal error={agree.error ?? cancel.error} />
      </Sheet>
      <Move booking={booking} zone={zone} today={today} />
      <Cancel
        booking={booking}
        busy={cancel.isPending}
        onCancel={(why) => cancel.mutate({ id: booking.id, version: booking.version, why })}
      />
    </>
  );
}

/** Kept while its page is open: what was cancelled is in no list any more. */
function Kept({
  bookings,
  id,
  zone,
  today,
}: {
  bookings: readonly BookingRecord[];
  id: string;
  zone: string;
  today: string;
}) {
  const there = bookings.find((b) => b.id === id);
  const [seen, setSeen] = useState(there);
  if (there && there !== seen) setSeen(there);
  const booking = there ?? seen;
  if (!booking)
    return (
      <EmptyState>
        This visit is over, or it was cancelled. The <Link to="/desk/calendar/list">list</Link> has those to come.
      </EmptyState>
    );
  return (
    <>
      <div className="wt-title">
        <div>
          <span className="wt-crumb">
            <Link to="/desk/calendar/list">Coming visits</Link>
          </span>
          <h1>
            <Link to={`/desk/dogs/${booking.dogId}`}>{booking.dogName}</Link>’s visit
          </h1>
        </div>
      </div>
      <div className="w-narrow d-grid g-6">
        <Visit booking={booking} zone={zone} today={today} />
      </div>
    </>
  );
}

export function VisitRoom() {
  const { bookingId = '' } = useParams();
  const dogs = useDogs();
  const bookings = useBookings();
  return (
    <Loaded query={useSalon()}>
      {({ salon }) => (
        <Loaded query={dogs}>
          {({ today }) => (
            <Loaded query={bookings}>
              {(page) => (
                <Kept
                  key={bookingId}
                  bookings={page.bookings}
                  id={bookingId}
                  zone={salon.timeZone}
                  today={formatDay(day(today))}
                />
              )}
            </Loaded>
          )}
        </Loaded>
      )}
    </Loaded>
  );
}
