/** A visit was cancelled: who had better come in its place than on the later day they have, those first who gain most. */
import { useEffect } from 'react';
import { Link } from 'react-router';
import type { BookingRecord } from '../../../contract/booking.ts';
import type { TideFile } from '../../../contract/tide.ts';
import type { Sooner } from '../../../core/book/index.ts';
import { formatDay, type Day } from '../../../core/quantity/index.ts';
import { bookedLength, type LearntBook } from '../../../core/tide/index.ts';
import { OwnerPhone } from '../../app/OwnerPhone.tsx';
import { NotYet, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import {
  useBookings,
  useBookTentatively,
  useEditBooking,
  useHoldStarts,
  useStarts,
  useTideBook,
} from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Skeleton } from '../../ui/Skeleton.tsx';
import { useBookPlan } from '../../work/useBookPlan.ts';
import { clockText, dateOf, instantText, shortDay } from '../../words/dates.ts';
import { minutesText } from '../../words/figures.ts';
import { Learning } from '../tide/Learning.tsx';

/** So many are rung at most: the gap goes to one of them, or nobody else would have gained much. */
const MOST = 4;

interface Gap {
  /** The visit that was cancelled. */
  readonly gone: BookingRecord;
  readonly on: Day;
  readonly zone: string;
}

function Row({ file, sooner, gone, on, zone }: Gap & { file: TideFile; sooner: Sooner }) {
  const { dogId, from, gain } = sooner;
  const minutes = bookedLength(sooner.minutes, file.lengths);
  const { data } = useStarts(dogId, { days: [formatDay(on)], minutes });
  const later = useBookings().data?.bookings.find(
    (b) => b.dogId === dogId && b.service === 'coat' && dateOf(b.startsAt, zone) === formatDay(from),
  );
  const book = useBookTentatively();
  const edit = useEditBooking();
  const hold = useHoldStarts();
  const starts = data?.days[0]?.starts ?? [];
  // Best the very time that became free.
  const startsAt = starts.find((s) => s === gone.startsAt) ?? starts[0];
  const busy = book.isPending || edit.isPending || hold.isPending;
  const name = file.dogs.find((d) => d.id === dogId)?.name ?? 'A dog';
  const booked = book.data ?? edit.data;
  if (booked)
    return (
      <li className="wt-call" role="status">
        Booked: {name}, {instantText(booked.startsAt, zone)}.
      </li>
    );
  if (hold.data)
    return (
      <li className="wt-call" role="status">
        Held for {name} until {instantText(hold.data.endsAt, zone)}. The owner answers on their page.
      </li>
    );
  return (
    <li className="wt-call">
      <OwnerPhone id={dogId} />
      <p className="mb-1">
        <strong>
          <Link to={`/desk/dogs/${dogId}`}>{name}</Link>
        </strong>{' '}
        would come on {shortDay(from)}
        {later ? (later.agreed ? ', agreed' : ', held') : ''}. Sooner saves {minutesText(Math.max(1, Math.round(gain)))}{' '}
        in all.
      </p>
      <div className="d-flex flex-wrap items-center g-2">
        {startsAt ? (
          <>
            <Button
              look="usual"
              size="sm"
              disabled={busy}
              onClick={() =>
                later
                  ? edit.mutate({ id: later.id, version: later.version, note: later.note, startsAt, minutes })
                  : book.mutate({ id: newId(), dogId, day: formatDay(on), minutes, agreed: true, startsAt })
              }
            >
              Yes: {clockText(startsAt, zone)}
            </Button>
            {!later && (
              <Button
                look="plain"
                size="sm"
                disabled={busy}
                onClick={() => hold.mutate({ id: newId(), dogId, minutes, starts: [startsAt] })}
              >
                Offer by link
              </Button>
            )}
          </>
        ) : (
          data && <span className="wt-soft">{data.days[0]?.against}</span>
        )}
      </div>
      <Refusal error={book.error ?? edit.error ?? hold.error} />
    </li>
  );
}

function Gains({ file, learnt, ...gap }: Gap & { file: TideFile; learnt: LearntBook }) {
  const { sooner, askSooner, state } = useBookPlan({ book: file, learnt });
  const { on } = gap;
  useEffect(() => {
    if (state === 'done') askSooner(on);
  }, [state, on, askSooner]);
  if (state === 'failed') return <p className="mb-0">Who would gain could not be found.</p>;
  if (sooner?.on !== on) return <Skeleton />;
  const those = sooner.sooner.filter((s) => s.dogId !== gap.gone.dogId).slice(0, MOST);
  if (those.length === 0) return <p className="mb-0">Nobody gains by it: every later date is as good or better.</p>;
  return (
    <ul className="wt-bare">
      {those.map((s) => (
        <Row key={s.dogId} file={file} sooner={s} {...gap} />
      ))}
    </ul>
  );
}

export function GapFill(gap: Gap) {
  const tide = useTideBook();
  const file = tide.data;
  return (
    <Sheet aria-labelledby="gap">
      <h2 id="gap">Who could come instead</h2>
      {file ? (
        <Learning file={file}>{(learnt) => <Gains file={file} learnt={learnt} {...gap} />}</Learning>
      ) : (
        <NotYet queries={[tide]} />
      )}
    </Sheet>
  );
}
