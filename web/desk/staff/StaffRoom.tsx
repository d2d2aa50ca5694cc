/** Desk → Staff: who works when and does what, who is away, when the salon is closed, and which dogs must not meet. */
import { useState } from 'react';
import { Link } from 'react-router';
import { apartSchema, personSchema, type PersonRecord, type RosterPage } from '../../../contract/roster.ts';
import { STAGE_KINDS, type StageKind } from '../../../core/day/index.ts';
import { Loaded, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import {
  personFeedUrl,
  useAddApart,
  useDogs,
  useDropApart,
  useDropAway,
  useDropPerson,
  useRoster,
  useSavePerson,
} from '../../data/hooks.ts';
import { Button, ButtonAnchor } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import { ManyField, NumberField, SelectField, TextField, TimeField } from '../../ui/form/fields.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';
import { weekdaysHere, minuteText, shortDay, weekdayName } from '../../words/dates.ts';
import { STAGE_WORDS } from '../../words/day.ts';
import { listText } from '../../words/figures.ts';
import css from './staff.module.css';

export const NEW_PERSON: Omit<PersonRecord, 'id'> = {
  name: '',
  weekdays: [1, 2, 3, 4, 5],
  from: 8 * 60,
  to: 17 * 60,
  pause: { minutes: 30, from: 11 * 60 + 30, to: 14 * 60 },
  can: STAGE_KINDS,
  mostHeavy: 3,
  protectDb: 0,
  version: 0,
};
const DOES = STAGE_KINDS.filter((k) => k !== 'rest').map((value: StageKind) => ({ value, word: STAGE_WORDS[value] }));

export function PersonForm({ person, onDone }: { person: PersonRecord; onDone: () => void }) {
  const save = useSavePerson();
  const form = useSchemaForm<PersonRecord>({ schema: personSchema, values: person });
  return (
    <SchemaForm form={form} className={css.person} onSave={(p) => save.mutate(p, { onSuccess: onDone })}>
      <TextField form={form} name="name" label="Name" />
      <ManyField form={form} name="weekdays" label="Works on" options={weekdaysHere()} />
      <TimeField form={form} name="from" label="From" />
      <TimeField form={form} name="to" label="To" />
      <NumberField form={form} name="pause.minutes" label="Pause, minutes, about noon" />
      <ManyField form={form} name="can" label="Does" options={DOES} />
      <NumberField form={form} name="mostHeavy" label="Heavy dogs a day, at most" />
      <NumberField form={form} name="protectDb" label="Ear protection takes off, dB" digits={1} />
      <Refusal error={save.error} />
      <div className="wt-acts">
        <Button type="submit" className="wt-now" disabled={save.isPending}>
          Save
        </Button>
        <Button look="usual" onClick={onDone}>
          Leave
        </Button>
      </div>
    </SchemaForm>
  );
}

function Apart({ page }: { page: RosterPage }) {
  const dogs = useDogs();
  const add = useAddApart();
  const drop = useDropApart();
  const form = useSchemaForm<{ readonly a: string; readonly b: string }>({
    schema: apartSchema,
    values: { a: '', b: '' },
  });
  const options = (dogs.data?.dogs ?? []).map((d) => [d.id, d.name] as const);
  return (
    <Sheet aria-labelledby="apart">
      <h2 id="apart">Dogs that must not meet</h2>
      {page.apart.length === 0 && <p>None. Two that do not get on are never in the house together.</p>}
      <ul className="wt-bare wt-rows">
        {page.apart.map((p) => (
          <li key={`${p.a} ${p.b}`}>
            {p.aName} and {p.bName}
            <Button look="plain" onClick={() => drop.mutate(p)}>
              They may meet
            </Button>
          </li>
        ))}
      </ul>
      <SchemaForm
        form={form}
        className={css.apartPair}
        onSave={(pair) => add.mutate(pair, { onSuccess: () => form.reset() })}
      >
        <SelectField form={form} name="a" label="One dog" options={[['', 'Choose …'], ...options]} />
        <SelectField form={form} name="b" label="The other dog" options={[['', 'Choose …'], ...options]} />
        <Button type="submit" look="usual" disabled={add.isPending}>
          Keep apart
        </Button>
      </SchemaForm>
      <Refusal error={add.error ?? drop.error} />
    </Sheet>
  );
}

function Staff({ page }: { page: RosterPage }) {
  const [open, setOpen] = useState<PersonRecord | undefined>();
  const dropPerson = useDropPerson();
  const dropAway = useDropAway();
  const names = new Map(page.people.map((p) => [p.id, p.name]));
  return (
    <div className="d-grid g-6">
      <Sheet aria-labelledby="people">
        <h2 id="people">People</h2>
        {page.people.length === 0 && (
          <p>Nobody yet: the sheet reckons with one pair of hands for each table. Enter who works here.</p>
        )}
        <ul className="wt-bare wt-rows">
          {page.people.map((p) => (
            <li key={p.id}>
              {open?.id === p.id ? (
                <PersonForm person={open} onDone={() => setOpen(undefined)} />
              ) : (
                <>
                  <div>
                    <strong>{p.name}</strong>{' '}
                    <span className="wt-soft">
                      {minuteText(p.from)}–{minuteText(p.to)} on {listText([...p.weekdays].sort().map(weekdayName))};{' '}
                      {p.can.length >= STAGE_KINDS.length - 1
                        ? 'does everything'
                        : listText(p.can.filter((k) => k !== 'rest').map((k) => STAGE_WORDS[k]))}
                      ; up to {p.mostHeavy} heavy dogs a day
                    </span>
                  </div>
                  <div className="wt-acts">
                    <Button look="usual" onClick={() => setOpen(p)}>
                      Change
                    </Button>
                    <ButtonAnchor href={personFeedUrl(p.id)}>Calendar</ButtonAnchor>
                    <Button look="plain" onClick={() => dropPerson.mutate(p.id)}>
                      Take off the roster
                    </Button>
                  </div>
                </>
              )}
            </li>
          ))}
        </ul>
        {open?.version === 0 ? (
          <PersonForm person={open} onDone={() => setOpen(undefined)} />
        ) : (
          <Button className="wt-now" onClick={() => setOpen({ id: newId(), ...NEW_PERSON })}>
            Somebody new
          </Button>
        )}
        <Refusal error={dropPerson.error} />
      </Sheet>
      <Sheet aria-labelledby="away">
        <h2 id="away">Away and closed</h2>
        {page.away.length === 0 && <p>Nobody is away.</p>}
        <ul className="wt-bare wt-rows">
          {page.away.map((a) => (
            <li key={a.id}>
              <div>
                <strong>{a.person === null ? 'Closed' : names.get(a.person)}</strong> {shortDay(a.from)}
                {a.to > a.from && ` to ${shortDay(a.to)}`} <span className="wt-soft">{a.reason}</span>
              </div>
              <Button look="plain" onClick={() => dropAway.mutate(a.id)}>
                Take it out
              </Button>
            </li>
          ))}
        </ul>
        <p className="mb-0">
          <Link to="/desk/calendar">The book</Link> says what would move before somebody’s days off are put in.
        </p>
        <Refusal error={dropAway.error} />
      </Sheet>
      <Apart page={page} />
    </div>
  );
}

export function StaffRoom() {
  return (
    <>
      <div className="wt-title">
        <h1>People</h1>
        <span className="wt-soft">who works when, and what the day’s sheet has to mind</span>
      </div>
      <Loaded query={useRoster()}>{(page) => <Staff page={page} />}</Loaded>
    </>
  );
}
