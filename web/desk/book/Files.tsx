/** Calendars and tables, in and out. */
import { useState, type ChangeEvent } from 'react';
import type { ReadIn } from '../../../contract/booking.ts';
import { Refusal } from '../../app/state.tsx';
import { BOOKINGS_CSV, personFeedUrl, useReadBookings, useReadCalendar, useRoster } from '../../data/hooks.ts';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Field, Input } from '../../ui/Field.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

const readText = ({ booked, moved, closed, left }: ReadIn): string =>
  [
    `${booked} booked, ${moved} moved, ${closed} closed days read.`,
    ...(left.length > 0
      ? [`Left out: ${left.slice(0, 5).join('; ')}${left.length > 5 ? ` and ${left.length - 5} more` : ''}.`]
      : []),
  ].join(' ');

export function Files() {
  const roster = useRoster();
  const calendar = useReadCalendar();
  const table = useReadBookings();
  const [got, setGot] = useState<ReadIn | undefined>();
  const read = (e: ChangeEvent<HTMLInputElement>): void => {
    const file = e.target.files?.[0];
    e.target.value = '';
    if (!file) return;
    setGot(undefined);
    void file.text().then((text) => {
      const sent = file.name.toLowerCase().endsWith('.csv') ? table : calendar;
      sent.mutate(text, { onSuccess: setGot });
    });
  };
  return (
    <Sheet as="div">
      <Disclosure head="Calendars and tables">
        <p>
          {(roster.data?.people ?? []).map((p) => (
            <span key={p.id}>
              <a href={personFeedUrl(p.id)}>{p.name}’s calendar</a> ·{' '}
            </span>
          ))}
          <a href={BOOKINGS_CSV} download>
            All bookings as a table
          </a>
        </p>
        <Field
          label="Read in another calendar (.ics: events named after a dog become visits, whole days become closures) or a table (.csv with date, time, minutes, dog)"
          id="read-in"
        >
          <Input type="file" accept=".ics,.csv,text/calendar,text/csv" onChange={read} />
        </Field>
        <Refusal error={calendar.error ?? table.error} />
        {got && (
          <Notice tone="good" role="status">
            {readText(got)}
          </Notice>
        )}
      </Disclosure>
    </Sheet>
  );
}
