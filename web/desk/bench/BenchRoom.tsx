/** Bench: every dog of the book as it would be worked today, and what another room would change for all of them. */
import { useMemo } from 'react';
import { Button } from 'react-bootstrap';
import { Link, useSearchParams } from 'react-router';
import type { BenchCases } from '../../../contract/bench.ts';
import type { Outline } from '../../../core/bench/index.ts';
import { sum } from '../../../core/quantity/index.ts';
import { Loaded } from '../../app/state.tsx';
import { useBenchCases } from '../../data/hooks.ts';
import { bandText, priceBand } from '../../words/bench.ts';
import { grams, minutesText, money, percent } from '../../words/figures.ts';
import { methodName } from '../../words/reasons.ts';
import { usePlannedBook } from '../../work/usePlannedBook.ts';
import { inRoom, questionIn, searchWith, whatIfOf } from '../plan/whatIf.ts';
import { WhatIfBar } from '../plan/WhatIfBar.tsx';

function Row({ book, index, outline }: { book: BenchCases; index: number; outline: Outline | undefined }) {
  const dog = book.cases[index];
  if (!dog) return null;
  const { currency } = book.house.rates;
  return (
    <tr>
      <th scope="row">
        <Link to={`/desk/dogs/${dog.dogId}/plan/${dog.checkId}`}>{dog.name}</Link>
      </th>
      {!outline ? (
        <td colSpan={5} className="wt-soft">
          waits
        </td>
      ) : outline.method === undefined ? (
        <td colSpan={5}>
          {outline.stopped ? 'No groom today: a vet looks first.' : 'No method is open in this room.'}
        </td>
      ) : (
        <>
          <td>{methodName(outline.method)}</td>
          <td className="text-end">
            {minutesText(outline.minutes)}
            <div className="wt-soft">
              {outline.bands && bandText(outline.bands.minutes, (m) => minutesText(Math.round(m)))}
            </div>
          </td>
          <td className="text-end">{outline.bands && priceBand(outline.bands.priceCents, currency)}</td>
          <td className="text-end">
            {grams(outline.gramsOut)}
            <div className="wt-soft">{percent(outline.shareLeft)} left</div>
          </td>
          <td>{outline.visits > 1 ? `over ${outline.visits} visits, today’s is shown` : 'within what it bears'}</td>
        </>
      )}
    </tr>
  );
}

function Book({ book }: { book: BenchCases }) {
  const [search, setSearch] = useSearchParams();
  const question = questionIn(search);
  const asked = useMemo(
    () => ({ room: inRoom(book, whatIfOf(new URLSearchParams(question))), cases: book.cases }),
    [book, question],
  );
  const { outlines, done, of, state, cancel, again } = usePlannedBook(asked);
  const open = outlines.filter((o) => o?.method !== undefined).filter((o) => o !== undefined);
  return (
    <>
      <div className="wt-title">
        <h1>Bench</h1>
        {state === 'done' && open.length > 0 && (
          <span>
            {open.length} {open.length === 1 ? 'dog' : 'dogs'}, {minutesText(sum(open.map((o) => o.minutes)))} at the
            table, {money(sum(open.map((o) => o.priceCents)), book.house.rates.currency)},{' '}
            {grams(sum(open.map((o) => o.gramsOut)))} of hair
          </span>
        )}
      </div>
      <p className="wt-soft">
        Every dog as it was last felt and would be worked today. Change the room to see what it would change for all of
        them.
      </p>
      <WhatIfBar
        asked={whatIfOf(search)}
        people={[]}
        onChange={(changes) => setSearch((now) => searchWith(now, changes), { replace: true })}
      />
      {state === 'working' && of > 0 && (
        <div className="wt-progress">
          <progress aria-label="Dogs planned" value={done} max={of} />
          <span>
            {done} of {of}
          </span>
          <Button variant="outline-primary" size="sm" onClick={cancel}>
            Cancel
          </Button>
        </div>
      )}
      {state === 'cancelled' && (
        <p className="wt-note" role="status">
          Stopped after {done} of {of} dogs.{' '}
          <Button variant="outline-primary" size="sm" onClick={again}>
            Plan them all
          </Button>
        </p>
      )}
      {state === 'failed' && (
        <p className="wt-note wt-note-stop" role="alert">
          The dogs could not be planned.{' '}
          <Button variant="outline-primary" size="sm" onClick={again}>
            Try again
          </Button>
        </p>
      )}
      {of === 0 ? (
        <p className="wt-note">No dog of the book has a check yet. Feel one first.</p>
      ) : (
        <div className="wt-sheet wt-wide" role="region" aria-label="Dogs of the book" tabIndex={0}>
          <table className="wt-table">
            <thead>
              <tr>
                <th scope="col">Dog</th>
                <th scope="col">Method</th>
                <th scope="col" className="text-end">
                  Time
                </th>
                <th scope="col" className="text-end">
                  Price
                </th>
                <th scope="col" className="text-end">
                  Hair out
                </th>
                <th scope="col">The dog</th>
              </tr>
            </thead>
            <tbody>
              {book.cases.map((c, i) => (
                <Row key={c.dogId} book={book} index={i} outline={outlines[i]} />
              ))}
            </tbody>
          </table>
        </div>
      )}
    </>
  );
}

export function BenchRoom() {
  const cases = useBenchCases();
  return <Loaded query={cases}>{(book) => <Book book={book} />}</Loaded>;
}
