/** Bench: every dog of the book as it would be worked today, and what another room would change for all of them. */
import { searchWith } from '../../app/search-with.ts';
import { RoomTabs } from '../../app/RoomTabs.tsx';
import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { BenchCases } from '../../../contract/bench.ts';
import type { Outline } from '../../../core/bench/index.ts';
import { sum } from '../../../core/quantity/index.ts';
import { Loaded } from '../../app/state.tsx';
import { useBenchCases } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { type Column, DataTable } from '../../ui/DataTable.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Progress } from '../../ui/Progress.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { bandText, priceBand } from '../../words/bench.ts';
import { grams, minutesText, money, percent } from '../../words/figures.ts';
import { methodName } from '../../words/reasons.ts';
import { usePlannedBook } from '../../work/usePlannedBook.ts';
import { inRoom, questionIn, whatIfOf } from '../plan/whatIf.ts';
import { WhatIfBar } from '../plan/WhatIfBar.tsx';

interface Line {
  readonly dog: BenchCases['cases'][number];
  readonly outline: Outline | undefined;
}

/** How its dog would be worked; undefined while it waits, is stopped, or no method is open. */
const openOf = ({ outline }: Line) => (outline?.method === undefined ? undefined : outline);

const methodCell = ({ outline }: Line): string => {
  if (!outline) return 'waits';
  if (outline.method !== undefined) return methodName(outline.method);
  return outline.stopped ? 'No groom today: a vet looks first.' : 'No method is open in this room.';
};

/** What each column says of a dog, and by what it is put in order. */
const columnsIn = (currency: string): readonly Column<Line>[] => [
  {
    id: 'dog',
    head: 'Dog',
    names: true,
    sortBy: ({ dog }) => dog.name,
    cell: ({ dog }) => <Link to={`/desk/dogs/${dog.dogId}/plan/${dog.checkId}`}>{dog.name}</Link>,
  },
  { id: 'method', head: 'Method', sortBy: methodCell, cell: methodCell },
  {
    id: 'time',
    head: 'Time',
    numeric: true,
    sortBy: (l) => openOf(l)?.minutes ?? 0,
    cell: (l) => {
      const o = openOf(l);
      return (
        o && (
          <>
            {minutesText(o.minutes)}
            <div className="wt-soft">{o.bands && bandText(o.bands.minutes, (m) => minutesText(Math.round(m)))}</div>
          </>
        )
      );
    },
  },
  {
    id: 'price',
    head: 'Price',
    numeric: true,
    sortBy: (l) => openOf(l)?.priceCents ?? 0,
    cell: (l) => {
      const bands = openOf(l)?.bands;
      return bands && priceBand(bands.priceCents, currency);
    },
  },
  {
    id: 'hair',
    head: 'Hair out',
    numeric: true,
    sortBy: (l) => openOf(l)?.gramsOut ?? 0,
    cell: (l) => {
      const o = openOf(l);
      return (
        o && (
          <>
            {grams(o.gramsOut)}
            <div className="wt-soft">{percent(o.shareLeft)} left</div>
          </>
        )
      );
    },
  },
  {
    id: 'visits',
    head: 'The dog',
    sortBy: (l) => openOf(l)?.visits ?? 0,
    cell: (l) => {
      const o = openOf(l);
      return o && (o.visits > 1 ? `over ${o.visits} visits, today’s is shown` : 'within what it bears');
    },
  },
];

function Book({ book }: { book: BenchCases }) {
  const [search, setSearch] = useSearchParams();
  const question = questionIn(search);
  const asked = useMemo(
    () => ({ room: inRoom(book, whatIfOf(new URLSearchParams(question))), cases: book.cases }),
    [book, question],
  );
  const { outlines, done, of, state, cancel, again } = usePlannedBook(asked);
  const lines = useMemo(() => book.cases.map((dog, i) => ({ dog, outline: outlines[i] })), [book, outlines]);
  const columns = useMemo(() => columnsIn(book.house.rates.currency), [book]);
  const open = outlines.filter((o) => o?.method !== undefined).filter((o) => o !== undefined);
  return (
    <>
      <div className="wt-title">
        <h1>Plans for all dogs</h1>
        <RoomTabs of="reports" />
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
        <Progress label="Dogs planned" value={done} max={of} says={`${done} of ${of}`} onCancel={cancel} />
      )}
      {state === 'cancelled' && (
        <Notice role="status">
          Stopped after {done} of {of} dogs.{' '}
          <Button look="usual" size="sm" onClick={again}>
            Plan them all
          </Button>
        </Notice>
      )}
      {state === 'failed' && (
        <Notice tone="stop" role="alert">
          The dogs could not be planned.{' '}
          <Button look="usual" size="sm" onClick={again}>
            Try again
          </Button>
        </Notice>
      )}
      {of === 0 ? (
        <Notice>No dog of the book has a check yet. Feel one first.</Notice>
      ) : (
        <Sheet as="div">
          <DataTable name="Dogs of the book" rows={lines} columns={columns} keyOf={({ dog }) => dog.dogId} />
        </Sheet>
      )}
    </>
  );
}

export function BenchRoom() {
  const cases = useBenchCases();
  return <Loaded query={cases}>{(book) => <Book book={book} />}</Loaded>;
}
