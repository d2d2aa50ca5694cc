/** A week's visits: agreed ones, and proposals to take one by one or all, each with what another week would cost. */
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { Link } from 'react-router';
import type { BookingRecord } from '../../../contract/booking.ts';
import type { TideFile } from '../../../contract/tide.ts';
import type { Otherwise, PlannedVisit } from '../../../core/book/index.ts';
import { formatDay } from '../../../core/quantity/index.ts';
import { Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useCancelBooking, useHold, useSalon } from '../../data/hooks.ts';
import { instantText, shortDay } from '../../words/dates.ts';
import { listText, minutesText } from '../../words/figures.ts';

const STEP_MINUTES = 5;
const slot = (minutes: number): number => Math.ceil(minutes / STEP_MINUTES) * STEP_MINUTES;
/** Differences below this are no difference, minutes. */
const LITTLE = 1;

function otherwise(o: Otherwise): string {
  const minutes = Math.round(o.minutes);
  const table =
    Math.abs(minutes) < LITTLE
      ? 'as long at the table'
      : `${minutesText(Math.abs(minutes))} ${minutes > 0 ? 'more' : 'less'} at the table`;
  const cost = Math.round(o.cost);
  return `${shortDay(o.day)}: ${table}, ${cost < LITTLE ? 'no dearer in all' : `${minutesText(cost)} dearer in all`}`;
}

function Why({ visit }: { visit: PlannedVisit }) {
  const others = [visit.sooner, visit.later].flatMap((o) => o ?? []);
  if (others.length === 0) return null;
  return (
    <details>
      <summary>Why this day</summary>
      <ul>
        {others.map((o) => (
          <li key={o.day}>{otherwise(o)}</li>
        ))}
      </ul>
      <p className="wt-soft">In all: the work, hair on the floor at home, packing, and the hours of the other dogs.</p>
    </details>
  );
}

export function Visits({ file, visits }: { file: TideFile; visits: readonly PlannedVisit[] }) {
  const hold = useHold();
  const cancel = useCancelBooking();
  const salon = useSalon();
  const [taken, setTaken] = useState<readonly BookingRecord[]>([]);
  const [refused, setRefused] = useState<Error | null>(null);
  const [busy, setBusy] = useState(false);
  const dogs = new Map(file.dogs.map((d) => [d.id, d]));
  const proposals = visits.filter((v) => !v.agreed && !taken.some((b) => b.dogId === v.dogId));
  /** One after the other: each finds the first time that is free after those before it. */
  const take = async (all: readonly PlannedVisit[]): Promise<void> => {
    setBusy(true);
    setRefused(null);
    for (const v of all) {
      try {
        const made = await hold.mutateAsync({
          id: newId(),
          dogId: v.dogId,
          from: formatDay(v.day),
          minutes: slot(v.minutes),
        });
        setTaken((before) => [...before, made]);
      } catch (problem) {
        setRefused(problem instanceof Error ? problem : new Error('It could not be booked.'));
        break;
      }
    }
    setBusy(false);
  };
  const undo = async (): Promise<void> => {
    setBusy(true);
    setRefused(null);
    for (const b of taken) {
      try {
        await cancel.mutateAsync({ id: b.id, version: b.version });
        setTaken((before) => before.filter((x) => x.id !== b.id));
      } catch (problem) {
        setRefused(problem instanceof Error ? problem : new Error('It could not be taken back.'));
      }
    }
    setBusy(false);
  };
  const zone = salon.data?.salon.timeZone ?? 'UTC';
  return (
    <>
      {taken.length > 0 && (
        <div className="wt-note wt-note-good" role="status">
          <p>
            Down in the book: {listText(taken.map((b) => `${b.dogName}, ${instantText(b.startsAt, zone)}`))}. The owners
            still have to agree.
          </p>
          <Button variant="outline-primary" disabled={busy} onClick={() => void undo()}>
            Undo
          </Button>
        </div>
      )}
      <Refusal error={refused} />
      {visits.length === 0 && <p>Nobody needs to come in this week.</p>}
      <ul className="wt-bare wt-visits">
        {visits.map((v) => {
          const dog = dogs.get(v.dogId);
          const done = taken.some((b) => b.dogId === v.dogId);
          return (
            <li key={`${v.dogId} ${v.day}`}>
              <div>
                <strong>{shortDay(v.day)}</strong> <Link to={`/desk/dogs/${v.dogId}/tide`}>{dog?.name}</Link>{' '}
                <span className="wt-soft">{dog?.owner}</span>
                <div>
                  {minutesText(Math.round(v.minutes))}, {v.agreed ? 'agreed' : 'proposed'}
                </div>
              </div>
              {!v.agreed && !done && (
                <Button
                  variant="outline-primary"
                  disabled={busy}
                  aria-label={`Take ${dog?.name ?? 'this visit'}, ${shortDay(v.day)}`}
                  onClick={() => void take([v])}
                >
                  Take
                </Button>
              )}
              {!v.agreed && <Why visit={v} />}
            </li>
          );
        })}
      </ul>
      {proposals.length > 1 && (
        <div className="wt-acts">
          <Button className="wt-now" disabled={busy} onClick={() => void take(proposals)}>
            Take all {proposals.length} of this week
          </Button>
        </div>
      )}
    </>
  );
}
