/** Somebody is away, or the doors stay shut: what would move, who has to be asked, what it costs; then it is put in the book. */
import { useState } from 'react';
import type { BookingRecord } from '../../../contract/booking.ts';
import type { TideFile } from '../../../contract/tide.ts';
import { absenceSchema, type AbsenceDraft } from '../../../contract/roster.ts';
import type { Absence, AwayMove } from '../../../core/book/index.ts';
import { formatDay, parseDay } from '../../../core/quantity/index.ts';
import { Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useAddAway, useDropAway, useEditBooking } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Toast } from '../../ui/Toast.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import { DayField, SelectField, TextField } from '../../ui/form/fields.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';
import type { BookAnswer } from '../../work/useBookPlan.ts';
import { shortDay } from '../../words/dates.ts';
import { onDay } from '../../words/on-day.ts';
import { listText, minutesText } from '../../words/figures.ts';
import { bookingsByVisit, visitKey } from './keys.ts';
import css from './book.module.css';

interface Props extends Pick<BookAnswer, 'away' | 'ask'> {
  readonly file: TideFile;
  readonly bookings: readonly BookingRecord[];
  readonly timeZone: string;
  readonly ready: boolean;
}

/** Proposals that are named before the rest is counted: nobody has heard of them. */
const PROPOSALS = 6;

export function Away({ file, bookings, timeZone, ready, away, ask }: Props) {
  const form = useSchemaForm<AbsenceDraft>({
    schema: absenceSchema,
    values: { id: newId(), person: null, from: '', to: '', reason: '' },
  });
  const add = useAddAway();
  const dropAway = useDropAway();
  const edit = useEditBooking();
  const [done, setDone] = useState<{ readonly text: string; readonly undo: () => Promise<void> } | undefined>();
  const [refused, setRefused] = useState<Error | null>(null);
  const people = file.roster?.people ?? [];
  const planned = (away?.answer.moves ?? []).filter((m) => m.was === 'planned');
  const nameOf = (id: string): string => file.dogs.find((d) => d.id === id)?.name ?? id;
  /** What would move; one day alone when only the first is said. */
  const see = ({ from, to, person, reason }: AbsenceDraft): void => {
    const [first, last] = [parseDay(from), parseDay(to)];
    if (first === undefined || last === undefined) return;
    if (first <= file.today) form.setError('from', { message: 'a day after today' }, { shouldFocus: true });
    else if (last < first) form.setError('to', { message: 'not before the first day' }, { shouldFocus: true });
    else ask({ id: newId(), person, from: first, to: last, reason });
  };
  const take = async (what: Absence, moves: readonly AwayMove[]): Promise<void> => {
    setRefused(null);
    const moved: BookingRecord[] = [];
    const byVisit = bookingsByVisit(bookings, timeZone);
    try {
      await add.mutateAsync({ ...what, from: formatDay(what.from), to: formatDay(what.to) });
      for (const m of moves) {
        if (m.was !== 'tentative' || m.to === undefined) continue;
        for (const dogId of m.dogIds) {
          const b = byVisit.get(visitKey({ dogId, day: m.from }));
          if (!b) continue;
          const { id, minutes, note, version } = b;
          await edit.mutateAsync({ id, minutes, note, version, startsAt: onDay(b.startsAt, timeZone, m.to) });
          moved.push(b);
        }
      }
    } catch (problem) {
      setRefused(problem instanceof Error ? problem : new Error('Not all of it could be done.'));
    }
    ask(undefined);
    const asked = moves.filter((m) => m.was === 'agreed').length;
    setDone({
      text: `In the book.${moved.length > 0 ? ` Moved: ${listText(moved.map((b) => b.dogName))}.` : ''}${asked > 0 ? ` ${asked === 1 ? 'One owner' : `${asked} owners`} to ask: see “To ring” on Today.` : ''}`,
      undo: async () => {
        await dropAway.mutateAsync(what.id);
        for (const b of moved)
          await edit.mutateAsync({
            id: b.id,
            startsAt: b.startsAt,
            minutes: b.minutes,
            note: b.note,
            version: b.version + 1,
          });
      },
    });
  };
  return (
    <Sheet aria-labelledby="away">
      <h2 id="away">Somebody is away</h2>
      {done && (
        <Toast
          says={done.text}
          onClose={() => setDone(undefined)}
          onUndo={() => {
            setDone(undefined);
            done
              .undo()
              .catch((p: unknown) => setRefused(p instanceof Error ? p : new Error('It could not be taken back.')));
          }}
        />
      )}
      <Refusal error={refused} />
      <SchemaForm form={form} className={css.away} onSave={see}>
        <SelectField
          form={form}
          name="person"
          label="Who"
          empty="null"
          options={[['', 'Everybody: the salon is closed'], ...people.map((p) => [p.id, p.name] as const)]}
        />
        <DayField form={form} name="from" label="First day" />
        <DayField form={form} name="to" label="Last day" />
        <TextField form={form} name="reason" label="Why" />
        <Button type="submit" look="usual" disabled={!ready}>
          See what moves
        </Button>
      </SchemaForm>
      {away && (
        <div className={css.awayAnswer} role="status">
          <p>
            {minutesText(Math.round(away.answer.lost))} of work are lost.{' '}
            {away.answer.moves.length === 0
              ? 'Nothing has to move.'
              : `${away.answer.moves.length === 1 ? 'One visit moves' : `${away.answer.moves.length} visits move`}; all in all that costs ${minutesText(Math.max(0, Math.round(away.answer.more)))}.`}{' '}
            {!away.last && 'Seeking a better answer …'}
          </p>
          <Moves word="Ask first: agreed" moves={away.answer.moves.filter((m) => m.was === 'agreed')} nameOf={nameOf} />
          <Moves
            word="Move: not agreed yet"
            moves={away.answer.moves.filter((m) => m.was === 'tentative')}
            nameOf={nameOf}
          />
          <Moves word="Only proposed" moves={planned.slice(0, PROPOSALS)} nameOf={nameOf} />
          {planned.length > PROPOSALS && (
            <p className="wt-soft">and {planned.length - PROPOSALS} proposals later in the year.</p>
          )}
          <div className="wt-acts">
            <Button
              className="wt-now"
              disabled={add.isPending}
              onClick={() => void take(away.absence, away.answer.moves)}
            >
              Put it in the book
            </Button>
            <Button look="usual" onClick={() => ask(undefined)}>
              Leave it
            </Button>
          </div>
        </div>
      )}
    </Sheet>
  );
}

function Moves({ word, moves, nameOf }: { word: string; moves: readonly AwayMove[]; nameOf: (id: string) => string }) {
  if (moves.length === 0) return null;
  return (
    <>
      <h3>
        {word} <span className="wt-soft">{moves.length}</span>
      </h3>
      <ul>
        {moves.map((m) => (
          <li key={`${m.dogIds[0]} ${m.from}`}>
            {listText(m.dogIds.map(nameOf))}: {shortDay(m.from)}{' '}
            {m.to === undefined ? 'falls out' : `to ${shortDay(m.to)}, ${minutesText(Math.round(m.minutes))}`}
          </li>
        ))}
      </ul>
    </>
  );
}
