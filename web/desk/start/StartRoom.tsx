/**
 * Desk → First steps: what a new salon needs before its first dog, one stone after the other. What is done is read from the
 * salon's own facts, so the way can be left and taken up again.
 */
import { Check } from 'lucide-react';
import { useState, type FormEvent, type ReactNode } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link } from 'react-router';
import type { PersonRecord } from '../../../contract/roster.ts';
import type { SalonRecord } from '../../../contract/salon.ts';
import { FIRST_KIT } from '../../../core/kit/index.ts';
import { Loaded, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useAddTool, useDogs, useEditSalon, useKit, useRoster, useSalon, useSavePerson } from '../../data/hooks.ts';
import { useWho } from '../../door/me.ts';
import { minuteClock } from '../../words/clock.ts';
import { ISO_WEEKDAYS, minuteText, weekdayName } from '../../words/dates.ts';
import { listText } from '../../words/figures.ts';
import { minuteOf, NEW_PERSON } from '../staff/StaffRoom.tsx';
import './start.css';

interface StoneProps {
  readonly n: number;
  readonly title: string;
  readonly done: boolean;
  /** What stands there, once it is done. */
  readonly says?: string | undefined;
  readonly open: boolean;
  readonly onOpen: () => void;
  readonly children: ReactNode;
}

function Stone({ n, title, done, says, open, onOpen, children }: StoneProps) {
  return (
    <li className={`wt-step-stone${done ? ' is-done' : ''}`} aria-current={open && !done ? 'step' : undefined}>
      <span className="wt-step-stone-mark" aria-hidden>
        {done ? <Check size={20} /> : n}
      </span>
      <div className="wt-sheet">
        <h2>
          {title}
          {done && <span className="visually-hidden">, done</span>}
        </h2>
        {says !== undefined && <p className="wt-soft">{says}</p>}
        {open ? (
          children
        ) : (
          <button type="button" className="wt-plain" onClick={onOpen}>
            {done ? 'Look at it again' : 'Do this now'}
            <span className="visually-hidden">: {title}</span>
          </button>
        )}
      </div>
    </li>
  );
}

/** Currencies that most people will want; any other stands under House rules. */
const CURRENCIES = ['EUR', 'USD', 'GBP', 'CAD', 'AUD', 'NZD', 'SEK', 'NOK', 'DKK', 'CHF', 'PLN', 'CZK', 'JPY'] as const;

function Hours({ salon, onDone }: { salon: SalonRecord; onDone: () => void }) {
  const { house } = salon;
  const save = useEditSalon();
  const [days, setDays] = useState<readonly number[]>(house.openWeekdays);
  const [open, setOpen] = useState(house.hours.openMinute);
  const [close, setClose] = useState(house.hours.closeMinute);
  const [tables, setTables] = useState(house.tables);
  const [currency, setCurrency] = useState(house.rates.currency);
  const [hourly, setHourly] = useState(house.rates.perHourCents / 100);
  const submit = (e: FormEvent): void => {
    e.preventDefault();
    save.mutate(
      {
        ...salon,
        house: {
          ...house,
          openWeekdays: [...days].sort(),
          hours: { openMinute: open, closeMinute: close },
          tables,
          rates: { ...house.rates, currency, perHourCents: Math.round(hourly * 100) },
        },
      },
      { onSuccess: onDone },
    );
  };
  return (
    <Form onSubmit={submit}>
      <fieldset className="mb-2">
        <legend>Open on</legend>
        {ISO_WEEKDAYS.map((w) => (
          <Form.Check
            key={w}
            inline
            type="checkbox"
            id={`start-day-${w}`}
            label={weekdayName(w)}
            checked={days.includes(w)}
            onChange={(e) => setDays(e.target.checked ? [...days, w] : days.filter((d) => d !== w))}
          />
        ))}
      </fieldset>
      <div className="wt-start-row">
        <Form.Group controlId="start-open">
          <Form.Label>From</Form.Label>
          <Form.Control type="time" value={minuteClock(open)} onChange={(e) => setOpen(minuteOf(e.target.value))} />
        </Form.Group>
        <Form.Group controlId="start-close">
          <Form.Label>Until</Form.Label>
          <Form.Control type="time" value={minuteClock(close)} onChange={(e) => setClose(minuteOf(e.target.value))} />
        </Form.Group>
        <Form.Group controlId="start-tables">
          <Form.Label>Tables</Form.Label>
          <Form.Control
            type="number"
            min={1}
            max={50}
            value={tables}
            onChange={(e) => setTables(Math.max(1, Number(e.target.value)))}
          />
        </Form.Group>
        <Form.Group controlId="start-hourly">
          <Form.Label>For an hour’s work</Form.Label>
          <Form.Control
            type="number"
            min={0}
            step="any"
            value={hourly}
            onChange={(e) => setHourly(Math.max(0, Number(e.target.value)))}
          />
        </Form.Group>
        <Form.Group controlId="start-currency">
          <Form.Label>Currency</Form.Label>
          <Form.Select value={currency} onChange={(e) => setCurrency(e.target.value)}>
            {[...new Set([currency, ...CURRENCIES])].map((c) => (
              <option key={c}>{c}</option>
            ))}
          </Form.Select>
        </Form.Group>
      </div>
      <Refusal error={save.error} />
      <Button type="submit" disabled={save.isPending || days.length === 0}>
        These are the hours
      </Button>
    </Form>
  );
}

/** Half an hour in the middle of a long day, none in a short one. */
function pauseIn({ openMinute, closeMinute }: SalonRecord['house']['hours']): PersonRecord['pause'] {
  const middle = Math.round((openMinute + closeMinute) / 2);
  const long = closeMinute - openMinute > 6 * 60;
  return long ? { minutes: 30, from: middle - 75, to: middle + 75 } : { minutes: 0, from: openMinute, to: closeMinute };
}

function People({
  people,
  salon,
  onAdd,
  onDone,
}: {
  people: readonly PersonRecord[];
  salon: SalonRecord;
  /** One more was sent: there may be others to come. */
  onAdd: () => void;
  onDone: () => void;
}) {
  const { name: own } = useWho();
  const save = useSavePerson();
  const [name, setName] = useState(people.length === 0 ? own : '');
  return (
    <Form
      onSubmit={(e) => {
        e.preventDefault();
        const { openWeekdays, hours } = salon.house;
        onAdd();
        save.mutate(
          {
            ...NEW_PERSON,
            id: newId(),
            name,
            weekdays: openWeekdays,
            from: hours.openMinute,
            to: hours.closeMinute,
            pause: pauseIn(hours),
          },
          { onSuccess: () => setName('') },
        );
      }}
    >
      <p>Whose hands work here? Each as long as the salon is open; days and breaks of their own stand under Staff.</p>
      <div className="wt-start-row">
        <Form.Group controlId="start-person">
          <Form.Label>Name</Form.Label>
          <Form.Control value={name} required maxLength={60} onChange={(e) => setName(e.target.value)} />
        </Form.Group>
        <Button type="submit" variant="outline-primary" disabled={save.isPending}>
          Add
        </Button>
      </div>
      <Refusal error={save.error} />
      {people.length > 0 && (
        <Button type="button" onClick={onDone}>
          That is everybody
        </Button>
      )}
    </Form>
  );
}

function Kit({ onBegin, onDone }: { onBegin: () => void; onDone: () => void }) {
  const add = useAddTool();
  const [taken, setTaken] = useState<ReadonlySet<string>>(
    () => new Set(FIRST_KIT.filter((k) => k.usual).map((k) => k.piece.id)),
  );
  const [busy, setBusy] = useState(false);
  // Each under one id however often it is sent: what hangs already is not hung twice.
  const [ids] = useState(() => new Map(FIRST_KIT.map(({ piece }) => [piece.id, newId()])));
  const hang = async (): Promise<void> => {
    setBusy(true);
    onBegin();
    try {
      for (const { piece } of FIRST_KIT) {
        if (!taken.has(piece.id)) continue;
        const { id: shop, costCents: _usual, ...measures } = piece;
        await add.mutateAsync({
          ...measures,
          id: ids.get(shop) ?? newId(),
          costCents: null,
          since: null,
          homeOf: null,
        });
      }
    } catch {
      // What was refused is said below; what hangs already hangs.
      return setBusy(false);
    }
    onDone();
  };
  return (
    <Form
      onSubmit={(e) => {
        e.preventDefault();
        void hang();
      }}
    >
      <p>Plans take only what hangs here. Measures, names and prices can be put right under Kit.</p>
      <div className="wt-first-kit">
        {FIRST_KIT.map(({ piece, why }) => (
          <Form.Check
            key={piece.id}
            type="checkbox"
            id={`first-${piece.id}`}
            label={
              <>
                {piece.name} <span className="wt-soft">{why}</span>
              </>
            }
            checked={taken.has(piece.id)}
            onChange={(e) => {
              const next = new Set(taken);
              if (e.target.checked) next.add(piece.id);
              else next.delete(piece.id);
              setTaken(next);
            }}
          />
        ))}
      </div>
      <Refusal error={add.error} />
      <Button type="submit" disabled={busy || taken.size === 0}>
        {busy ? 'One moment …' : `Hang these ${taken.size} up`}
      </Button>
    </Form>
  );
}

type StoneId = 'hours' | 'people' | 'kit' | 'dog';

const placeText = ({ name, town, timeZone }: SalonRecord): string =>
  `${name}${town ? ` in ${town}` : ''}, ${timeZone}.`;
const hoursText = ({ openWeekdays, hours }: SalonRecord['house']): string =>
  `${listText(openWeekdays.map(weekdayName))}, ${minuteText(hours.openMinute)} to ${minuteText(hours.closeMinute)}.`;

function Steps({ salon }: { salon: SalonRecord }) {
  const roster = useRoster();
  const kit = useKit();
  const dogs = useDogs();
  const [asked, setAsked] = useState<StoneId>();
  const [hanging, setHanging] = useState(false);
  const people = roster.data?.people ?? [];
  const tools = (kit.data?.tools ?? []).filter((t) => t.homeOf === null);
  const first = dogs.data?.dogs[0];
  const done: Readonly<Record<StoneId, boolean>> = {
    hours: salon.version > 1,
    people: people.length > 0,
    kit: tools.length > 0 && !hanging,
    dog: first !== undefined,
  };
  const order: readonly StoneId[] = ['hours', 'people', 'kit', 'dog'];
  const next = order.find((s) => !done[s]);
  const open = asked ?? next;
  const stone = (id: StoneId) => ({
    n: order.indexOf(id) + 2,
    done: done[id],
    open: open === id,
    onOpen: () => setAsked(id),
  });
  const over = (): void => setAsked(undefined);
  return (
    <ol className="wt-stones">
      <Stone n={1} title="Where it is" done says={placeText(salon)} open={false} onOpen={over}>
        {null}
      </Stone>
      <Stone {...stone('hours')} title="Hours and rates" says={done.hours ? hoursText(salon.house) : undefined}>
        <Hours salon={salon} onDone={over} />
      </Stone>
      <Stone
        {...stone('people')}
        title="People"
        says={done.people ? `${listText(people.map((p) => p.name))}.` : undefined}
      >
        <People people={people} salon={salon} onAdd={() => setAsked('people')} onDone={over} />
      </Stone>
      <Stone
        {...stone('kit')}
        title="What hangs on the wall"
        says={done.kit ? `${tools.length} ${tools.length === 1 ? 'piece' : 'pieces'}.` : undefined}
      >
        {done.kit ? (
          <Link to="/desk/kit">To the kit</Link>
        ) : (
          <Kit onBegin={() => setHanging(true)} onDone={() => setHanging(false)} />
        )}
      </Stone>
      <Stone {...stone('dog')} title="The first dog" says={first && `${first.name} is in the book.`}>
        {first ? (
          <p>
            <Link className="btn btn-primary" to={`/desk/dogs/${first.id}`}>
              To {first.name}
            </Link>{' '}
            Feel its coat, and the plan follows.
          </p>
        ) : (
          <p className="wt-acts">
            <Link className="btn btn-primary" to="/desk/dogs/new">
              Write one down
            </Link>{' '}
            <Link className="btn btn-outline-primary" to="/desk/intake">
              Bring a list in
            </Link>{' '}
            <Link to="/desk/practice">Or practise on a made-up coat first</Link>
          </p>
        )}
      </Stone>
    </ol>
  );
}

export function StartRoom() {
  return (
    <>
      <div className="wt-title">
        <h1>First steps</h1>
        <span>Ten minutes to the first plan. Anything can be changed later.</span>
      </div>
      <Loaded query={useSalon()}>{({ salon }) => <Steps salon={salon} />}</Loaded>
    </>
  );
}
