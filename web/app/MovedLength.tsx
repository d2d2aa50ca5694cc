/** A booked visit whose length fits its coat no more: said once, with one tap to put it right, to split it, or to leave it. */
import type { BookingRecord } from '../../contract/booking.ts';
import type { MovedLength as Moved } from '../../core/tide/index.ts';
import { newId } from '../data/client.ts';
import { useEditBooking, useLeaveLength, useSplitBooking } from '../data/hooks.ts';
import { Button } from '../ui/Button.tsx';
import { Notice } from '../ui/Notice.tsx';
import { minutesText } from '../words/figures.ts';
import { movedText } from '../words/book.ts';
import { Refusal } from './state.tsx';

export function MovedLength({ booking, moved }: { booking: BookingRecord; moved: Moved | undefined }) {
  const edit = useEditBooking();
  const split = useSplitBooking();
  const leave = useLeaveLength();
  if (!moved) return <Refusal error={edit.error ?? split.error ?? leave.error} />;
  const busy = edit.isPending || split.isPending || leave.isPending;
  const { id, version, startsAt, note } = booking;
  const longer = moved.length > booking.minutes;
  return (
    <Notice role="status">
      <p>{movedText(booking, moved)}</p>
      <Refusal error={edit.error ?? split.error ?? leave.error} />
      <div className="wt-acts">
        <Button
          look="usual"
          disabled={busy}
          onClick={() => edit.mutate({ id, version, startsAt, note, minutes: moved.length })}
        >
          {longer ? 'Lengthen' : 'Shorten'} to {minutesText(moved.length)}
        </Button>
        {longer && (
          <Button look="usual" disabled={busy} onClick={() => split.mutate({ id, version, second: newId() })}>
            Split over two days
          </Button>
        )}
        <Button look="usual" disabled={busy} onClick={() => leave.mutate({ id, version })}>
          Leave it
        </Button>
      </div>
    </Notice>
  );
}
