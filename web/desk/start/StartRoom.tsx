/**
 * Desk → First steps: what a new salon needs before its first dog, one stone after the other. What is done is read from the
 * salon's own facts, so the way can be left and taken up again.
 */
import { Check as Tick } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { personSchema, type PersonRecord } from '../../../contract/roster.ts';
import { houseSchema, type SalonRecord } from '../../../contract/salon.ts';
import { FIRST_KIT, type HouseRules } from '../../../core/kit/index.ts';
import { Loaded, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useAddTool, useDogs, useEditSalon, useKit, useRoster, useSalon, useSavePerson } from '../../data/hooks.ts';
import { useWho } from '../../door/me.ts';
import { Button, ButtonLink } from '../../ui/Button.tsx';
import { Check } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import { ManyField, MoneyField, NumberField, SelectField, TextField, TimeField } from '../../ui/form/fields.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';
import { weekdaysHere, minuteText, weekdayName } from '../../words/dates.ts';
import { listText } from '../../words/figures.ts';
import { NEW_PERSON } from '../staff/StaffRoom.tsx';
import css from './start.module.css';

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
    <li className={`${css.stepStone}${done ? ' is-done' : ''}`} aria-current={open && !done ? 'step' : undefined}>
      <span className={css.stepStoneMark} aria-hidden>
        {done ? <Tick size={20} /> : n}
      </span>
      <Sheet as="div">
        <h2>
          {title}
          {done && <span className="visually-hidden">, done</span>}
        </h2>
        {says !== undefined && <p className="wt-soft">{says}</p>}
        {open ? (
          children
        ) : (
          <Button look="plain" onClick={onOpen}>
            {done ? 'Look at it again' : 'Do this now'}
            <span className="visually-hidden">: {title}</span>
          </Button>
        )}
      </Sheet>
    </li>
  );
}

/** Currencies that most people will want; any other stands under House rules. */
const CURRENCIES = ['EUR', 'USD', 'GBP', 'CAD', 'AUD', 'NZD', 'SEK', 'NOK', 'DKK', 'CHF', 'PLN', 'CZK', 'JPY'] as const;

function Hours({ salon, onDone }: { salon: SalonRecord; onDone: () => void }) {
  const save = useEditSalon();
  const form = useSchemaForm<HouseRules>({ schema: houseSchema, values: salon.house });
  const currencies = [...new Set([salon.house.rates.currency, ...CURRENCIES])].map((c) => [c, c] as const);
  return (
    <SchemaForm form={form} onSave={(house) => save.mutate({ ...salon, house }, { onSuccess: onDone })}>
      <ManyField form={form} name="openWeekdays" label="Open on" className="mb-2" options={weekdaysHere()} />
      <div className={css.startRow}>
        <TimeField form={form} name="hours.openMinute" label="From" />
        <TimeField form={form} name="hours.closeMinute" label="Until" />
        <NumberField form={form} name="tables" label="Tables" />
        <MoneyField form={form} name="rates.perHourCents" label="For an hour’s work" />
        <SelectField form={form} name="rates.currency" label="Currency" options={currencies} />
      </div>
      <Refusal error={save.error} />
      <Button type="submit" disabled={save.isPending}>
        These are the hours
      </Button>
    </SchemaForm>
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
  const { openWeekdays, hours } = salon.house;
  const fresh = (name: string): PersonRecord => ({
    ...NEW_PERSON,
    id: newId(),
    name,
    weekdays: openWeekdays,
    from: hours.openMinute,
    to: hours.closeMinute,
    pause: pauseIn(hours),
  });
  const form = useSchemaForm<PersonRecord>({
    schema: personSchema,
    values: fresh(people.length === 0 ? own : ''),
  });
  return (
    <SchemaForm
      form={form}
      onSave={(person) => {
        onAdd();
        save.mutate(person, { onSuccess: () => form.reset(fresh('')) });
      }}
    >
      <p>Whose hands work here? Each as long as the salon is open; days and breaks of their own stand under Staff.</p>
      <div className={css.startRow}>
        <TextField form={form} name="name" label="Name" />
        <Button type="submit" look="usual" disabled={save.isPending}>
          Add
        </Button>
      </div>
      <Refusal error={save.error} />
      {people.length > 0 && <Button onClick={onDone}>That is everybody</Button>}
    </SchemaForm>
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
    <div>
      <p>Plans take only what hangs here. Measures, names and prices can be put right under Kit.</p>
      <div className={css.firstKit}>
        {FIRST_KIT.map(({ piece, why }) => (
          <Check
            key={piece.id}
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
      <Button disabled={busy || taken.size === 0} onClick={() => void hang()}>
        {busy ? 'One moment …' : `Hang these ${taken.size} up`}
      </Button>
    </div>
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
    <ol className={css.stones}>
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
            <ButtonLink look="main" to={`/desk/dogs/${first.id}`}>
              To {first.name}
            </ButtonLink>{' '}
            Feel its coat, and the plan follows.
          </p>
        ) : (
          <p className="wt-acts">
            <ButtonLink look="main" to="/desk/dogs/new">
              Write one down
            </ButtonLink>{' '}
            <ButtonLink to="/desk/intake">Bring a list in</ButtonLink>{' '}
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
