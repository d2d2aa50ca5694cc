/** Desk → Dogs: those who most need a visit first, each with its one reason. */
import { memo, useDeferredValue, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { DogListItem } from '../../../contract/dog.ts';
import { coatRow } from '../../../core/dog/index.ts';
import { day } from '../../../core/quantity/index.ts';
import { useByAndBy } from '../../app/Deferred.tsx';
import { Fact } from '../../app/Fact.tsx';
import { Loaded } from '../../app/state.tsx';
import { useDogs, useFoundDogs } from '../../data/hooks.ts';
import { ButtonLink } from '../../ui/Button.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Input } from '../../ui/Field.tsx';
import { longDay, shortDay } from '../../words/dates.ts';
import { lengthText } from '../../words/book.ts';
import { minutesText } from '../../words/figures.ts';
import { needText } from '../../words/reasons.ts';
import { Swatch } from './Swatch.tsx';
import css from './dogs.module.css';

/** Where one rack ends and the next begins; urgency is ordered by core. */
const RACKS = [
  { title: 'To see to', from: 40, empty: 'Nobody waits. Everyone is booked or rests.' },
  { title: 'Coming', from: -1, empty: '', booked: true },
  { title: 'At rest', from: -1, empty: '', booked: false },
] as const;

const rackOf = (dog: DogListItem): number => (dog.need.urgency >= RACKS[0].from ? 0 : dog.booked !== null ? 1 : 2);

/** Rows that a window shows at once; the rest comes by and by. */
const FIRST_ROWS = 9;
const MORE_ROWS = 16;

function Row({ dog, today, urgent }: { dog: DogListItem; today: number; urgent: boolean }) {
  return (
    <li className={urgent ? css.urgent : ''}>
      <Swatch coatClass={dog.coatClass} />
      <div>
        <Link to={`/desk/dogs/${dog.id}`}>{dog.name}</Link>
        <div className="wt-soft">{dog.breed || coatRow(dog.coatClass).name}</div>
      </div>
      <div>
        <div>{needText(dog.need.reason, today)}</div>
        <div className="wt-soft">
          {coatRow(dog.coatClass).name} · {dog.ownerName}
        </div>
      </div>
      <div className="wt-soft">
        {dog.lastVisit === null ? 'no visit yet' : `last ${shortDay(dog.lastVisit)}`}
        <NextVisit dog={dog} />
      </div>
    </li>
  );
}

/** When it comes or is due, and how long that will take. */
function NextVisit({ dog: { id, outlook, booked } }: { dog: DogListItem }) {
  if (!outlook || outlook.due === null) return null;
  const told = {
    due: { day: day(outlook.due) },
    minutes: { likely: outlook.minutes },
    booked: booked === null ? undefined : { day: day(booked), minutes: outlook.bookedMinutes ?? 0 },
  };
  return (
    <div>
      {booked === null ? (
        <>
          <Fact dog={id} of="due" from={told}>
            due {shortDay(outlook.due)}
          </Fact>
          ,{' '}
          <Fact dog={id} of="minutes" from={told}>
            {minutesText(outlook.minutes)}
          </Fact>
        </>
      ) : (
        <>
          <Fact dog={id} of="booked" from={told}>
            booked {shortDay(booked)}
          </Fact>
          ,{' '}
          <Fact dog={id} of="booked-minutes" from={told}>
            {lengthText(outlook.bookedMinutes ?? outlook.minutes, outlook.movedTo)}
          </Fact>
        </>
      )}
    </div>
  );
}

interface RacksProps {
  readonly dogs: readonly DogListItem[];
  readonly today: number;
  /** Part of a name that is looked for. */
  readonly asked: string;
  /** How many stand by now. */
  readonly standing: number;
  /** Dogs of that name, also those that rest. */
  readonly found: readonly DogListItem[] | undefined;
  readonly finding: boolean;
}

/** Stands as it is while letters are typed. */
const Racks = memo(function Racks({ dogs, today, asked, standing, found, finding }: RacksProps) {
  if (dogs.length === 0)
    return (
      <EmptyState>
        No dogs yet. Start with “New dog”, or go through the <Link to="/desk/start">first steps</Link> of a salon.
      </EmptyState>
    );
  const wanted = asked.toLowerCase();
  const shown = dogs.filter((d) => `${d.name} ${d.breed} ${d.ownerName}`.toLowerCase().includes(wanted));
  const resting = wanted.length > 1 ? (found ?? []).filter((d) => !dogs.some((a) => a.id === d.id)) : [];
  if (shown.length + resting.length === 0) {
    if (finding) return null;
    return <EmptyState>No dog or owner is called “{asked}”.</EmptyState>;
  }
  const racks = RACKS.map((rack, i) => {
    const inRack = shown.filter((d) => rackOf(d) === i);
    const here = inRack.slice(0, Math.max(0, standing - shown.filter((d) => rackOf(d) < i).length));
    if (inRack.length === 0 && (rack.empty === '' || wanted !== '')) return null;
    return (
      <section key={rack.title} className={css.rack} aria-labelledby={`rack-${i}`}>
        <h2 id={`rack-${i}`}>
          {rack.title} <span className="wt-soft">{inRack.length}</span>
        </h2>
        {inRack.length === 0 ? (
          <p>{rack.empty}</p>
        ) : (
          <ul className="wt-bare">
            {here.map((d) => (
              <Row key={d.id} dog={d} today={today} urgent={i === 0} />
            ))}
          </ul>
        )}
      </section>
    );
  });
  return (
    <>
      {racks}
      {resting.length > 0 && (
        <section className={css.rack} aria-labelledby="rack-resting">
          <h2 id="rack-resting">
            Not seen for two years <span className="wt-soft">{resting.length}</span>
          </h2>
          <ul className="wt-bare">
            {resting.map((d) => (
              <Row key={d.id} dog={d} today={today} urgent={false} />
            ))}
          </ul>
        </section>
      )}
    </>
  );
});

export function DogsRoom() {
  const query = useDogs();
  const [params, setParams] = useSearchParams();
  // Typed here, told to the address: the address follows a moment later and must not take letters back.
  const [search, setSearch] = useState(params.get('find') ?? '');
  // Letters stand at once, the list follows.
  const asked = useDeferredValue(search.trim());
  const found = useFoundDogs(asked);
  const standing = useByAndBy(query.data?.dogs.length ?? 0, FIRST_ROWS, MORE_ROWS);
  const find = (text: string): void => {
    setSearch(text);
    setParams(text === '' ? {} : { find: text }, { replace: true });
  };
  return (
    <>
      <div className="wt-title">
        <h1>Dogs</h1>
        {query.data && <span className="wt-soft">{longDay(query.data.today)}</span>}
        <div className="wt-acts">
          <Input
            className={css.search}
            type="search"
            aria-label="Find a dog or owner"
            placeholder="Find a dog or owner"
            value={search}
            onChange={(e) => find(e.target.value)}
          />
          <ButtonLink className="text-nowrap" to="/desk/dogs/new">
            New dog
          </ButtonLink>
        </div>
      </div>
      <Loaded query={query}>
        {(page) => (
          <Racks {...page} asked={asked} standing={standing} found={found.data?.dogs} finding={found.isFetching} />
        )}
      </Loaded>
    </>
  );
}
