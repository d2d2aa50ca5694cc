/** Somebody is away, or the doors stay shut: what would move, who has to be asked, what it costs; then it is put in the book. */
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { BookingRecord } from '../../../contract/booking.ts';
import type { TideFile } from '../../../contract/tide.ts';
import type { Absence, AwayMove } from '../../../core/book/index.ts';
import { formatDay, parseDay } from '../../../core/quantity/index.ts';
import { Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useAddAway, useDropAway, useEditBooking } from '../../data/hooks.ts';
import type { BookAnswer } from '../../work/useBookPlan.ts';
import { shortDay } from '../../words/dates.ts';
import { onDay } from '../../words/on-day.ts';
import { listText, minutesText } from '../../words/figures.ts';
import { bookingsByVisit, visitKey } from './keys.ts';

interface Props extends Pick<BookAnswer, 'away' | 'ask'> {
  readonly file: TideFile;
  readonly bookings: readonly BookingRecord[];
  readonly timeZone: string;
  readonly ready: boolean;
}

/** Proposals that are named before the rest is counted: nobody has heard of them. */
const PROPOSALS = 6;

export function Away({ file, bookings, timeZone, ready, away, ask }: Props) {
  const [who, setWho] = useState('');
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const [reason, setReason] = useState('');
  const add = useAddAway();
  const dropAway = useDropAway();
  const edit = useEditBooking();
  const [done, setDone] = useState<{ readonly text: string; readonly undo: () => Promise<void> } | undefined>();
  const [refused, setRefused] = useState<Error | null>(null);
  const [first, last] = [parseDay(from), parseDay(to === '' ? from : to)];
  const people = file.roster?.people ?? [];
  const planned = (away?.answer.moves ?? []).filter((m) => m.was === 'planned');
  const nameOf = (id: string): string => file.dogs.find((d) => d.id === id)?.name ?? id;
  const good = first !== undefined && last !== undefined && last >= first && first > file.today;
  const absence = (): Absence | undefined =>
    good && first !== undefined && last !== undefined
      ? { id: newId(), person: who === '' ? null : who, from: first, to: last, reason }
      : undefined;
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
      text: `In the book.${moved.length > 0 ? ` Moved: ${listText(moved.map((b) => b.dogName))}.` : ''}${asked > 0 ? ` ${asked === 1 ? 'One owner' : `${asked} owners`} to ask: see “Ring today”.` : ''}`,
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
    <section className="wt-sheet" aria-labelledby="away">
      <h2 id="away">Somebody is away</h2>
      {done && (
        <div className="wt-note wt-note-good" role="status">
          <p>{done.text}</p>
          <Button
            variant="outline-primary"
            onClick={() => {
              setDone(undefined);
              done
                .undo()
                .catch((p: unknown) => setRefused(p instanceof Error ? p : new Error('It could not be taken back.')));
            }}
          >
            Undo
          </Button>
        </div>
      )}
      <Refusal error={refused} />
      <Form
        className="wt-away"
        onSubmit={(e) => {
          e.preventDefault();
          ask(absence());
        }}
      >
        <Form.Group controlId="away-who">
          <Form.Label>Who</Form.Label>
          <Form.Select value={who} onChange={(e) => setWho(e.target.value)}>
            <option value="">Everybody: the salon is closed</option>
            {people.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="away-from">
          <Form.Label>First day</Form.Label>
          <Form.Control type="date" value={from} onChange={(e) => setFrom(e.target.value)} />
        </Form.Group>
        <Form.Group controlId="away-to">
          <Form.Label>Last day</Form.Label>
          <Form.Control type="date" value={to} onChange={(e) => setTo(e.target.value)} />
        </Form.Group>
        <Form.Group controlId="away-why">
          <Form.Label>Why</Form.Label>
          <Form.Control value={reason} maxLength={120} onChange={(e) => setReason(e.target.value)} />
        </Form.Group>
        <Button type="submit" variant="outline-primary" disabled={!good || !ready}>
          See what moves
        </Button>
      </Form>
      {away && (
        <div className="wt-away-answer" role="status">
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
            <Button variant="outline-primary" onClick={() => ask(undefined)}>
              Leave it
            </Button>
          </div>
        </div>
      )}
    </section>
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
