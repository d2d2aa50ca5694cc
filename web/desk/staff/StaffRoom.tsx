/** Desk → Staff: who works when and does what, who is away, when the salon is closed, and which dogs must not meet. */
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link } from 'react-router';
import type { PersonRecord, RosterPage } from '../../../contract/roster.ts';
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
import { minuteClock } from '../../words/clock.ts';
import { ISO_WEEKDAYS, minuteText, shortDay, weekdayName } from '../../words/dates.ts';
import { STAGE_WORDS } from '../../words/day.ts';
import { listText } from '../../words/figures.ts';
import './staff.css';

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
/** Minutes after midnight of what a field for times holds. */
export const minuteOf = (text: string): number => {
  const [h = '0', m = '0'] = text.split(':');
  return Number(h) * 60 + Number(m);
};
const toggled = <T,>(all: readonly T[], one: T, on: boolean): readonly T[] =>
  on ? [...all, one] : all.filter((x) => x !== one);

export function PersonForm({ person, onDone }: { person: PersonRecord; onDone: () => void }) {
  const [p, setP] = useState(person);
  const save = useSavePerson();
  const id = (field: string): string => `${person.id}-${field}`;
  const put = (more: Partial<PersonRecord>): void => setP((before) => ({ ...before, ...more }));
  return (
    <Form
      className="wt-person"
      onSubmit={(e) => {
        e.preventDefault();
        save.mutate(p, { onSuccess: onDone });
      }}
    >
      <Form.Group controlId={id('name')}>
        <Form.Label>Name</Form.Label>
        <Form.Control value={p.name} maxLength={60} required onChange={(e) => put({ name: e.target.value })} />
      </Form.Group>
      <fieldset>
        <legend>Works on</legend>
        {ISO_WEEKDAYS.map((w) => (
          <Form.Check
            key={w}
            inline
            type="checkbox"
            id={id(`day-${w}`)}
            label={weekdayName(w)}
            checked={p.weekdays.includes(w)}
            onChange={(e) => put({ weekdays: toggled(p.weekdays, w, e.target.checked) })}
          />
        ))}
      </fieldset>
      <Form.Group controlId={id('from')}>
        <Form.Label>From</Form.Label>
        <Form.Control
          type="time"
          value={minuteClock(p.from)}
          onChange={(e) => put({ from: minuteOf(e.target.value) })}
        />
      </Form.Group>
      <Form.Group controlId={id('to')}>
        <Form.Label>To</Form.Label>
        <Form.Control type="time" value={minuteClock(p.to)} onChange={(e) => put({ to: minuteOf(e.target.value) })} />
      </Form.Group>
      <Form.Group controlId={id('pause')}>
        <Form.Label>Pause, minutes, about noon</Form.Label>
        <Form.Control
          type="number"
          min={0}
          max={180}
          value={p.pause.minutes}
          onChange={(e) => put({ pause: { ...p.pause, minutes: Number(e.target.value) } })}
        />
      </Form.Group>
      <fieldset>
        <legend>Does</legend>
        {STAGE_KINDS.filter((k) => k !== 'rest').map((k: StageKind) => (
          <Form.Check
            key={k}
            inline
            type="checkbox"
            id={id(`can-${k}`)}
            label={STAGE_WORDS[k]}
            checked={p.can.includes(k)}
            onChange={(e) => put({ can: toggled(p.can, k, e.target.checked) })}
          />
        ))}
      </fieldset>
      <Form.Group controlId={id('heavy')}>
        <Form.Label>Heavy dogs a day, at most</Form.Label>
        <Form.Control
          type="number"
          min={0}
          max={50}
          value={p.mostHeavy}
          onChange={(e) => put({ mostHeavy: Number(e.target.value) })}
        />
      </Form.Group>
      <Form.Group controlId={id('ears')}>
        <Form.Label>Ear protection takes off, dB</Form.Label>
        <Form.Control
          type="number"
          min={0}
          max={40}
          value={p.protectDb}
          onChange={(e) => put({ protectDb: Number(e.target.value) })}
        />
      </Form.Group>
      <Refusal error={save.error} />
      <div className="wt-acts">
        <Button type="submit" className="wt-now" disabled={save.isPending}>
          Save
        </Button>
        <Button variant="outline-primary" onClick={onDone}>
          Leave
        </Button>
      </div>
    </Form>
  );
}

function Apart({ page }: { page: RosterPage }) {
  const dogs = useDogs();
  const add = useAddApart();
  const drop = useDropApart();
  const [a, setA] = useState('');
  const [b, setB] = useState('');
  const options = (dogs.data?.dogs ?? []).map((d) => (
    <option key={d.id} value={d.id}>
      {d.name}
    </option>
  ));
  return (
    <section className="wt-sheet" aria-labelledby="apart">
      <h2 id="apart">Dogs that must not meet</h2>
      {page.apart.length === 0 && <p>None. Two that do not get on are never in the house together.</p>}
      <ul className="wt-bare wt-rows">
        {page.apart.map((p) => (
          <li key={`${p.a} ${p.b}`}>
            {p.aName} and {p.bName}
            <button type="button" className="wt-plain" onClick={() => drop.mutate(p)}>
              They may meet
            </button>
          </li>
        ))}
      </ul>
      <Form
        className="wt-apart-pair"
        onSubmit={(e) => {
          e.preventDefault();
          add.mutate({ a, b });
        }}
      >
        <Form.Select aria-label="One dog" value={a} onChange={(e) => setA(e.target.value)}>
          <option value="">One dog</option>
          {options}
        </Form.Select>
        <Form.Select aria-label="The other dog" value={b} onChange={(e) => setB(e.target.value)}>
          <option value="">The other</option>
          {options}
        </Form.Select>
        <Button type="submit" variant="outline-primary" disabled={a === '' || b === '' || a === b}>
          Keep apart
        </Button>
      </Form>
      <Refusal error={add.error ?? drop.error} />
    </section>
  );
}

function Staff({ page }: { page: RosterPage }) {
  const [open, setOpen] = useState<PersonRecord | undefined>();
  const dropPerson = useDropPerson();
  const dropAway = useDropAway();
  const names = new Map(page.people.map((p) => [p.id, p.name]));
  return (
    <div className="wt-staff-room">
      <section className="wt-sheet" aria-labelledby="people">
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
                    <Button variant="outline-primary" onClick={() => setOpen(p)}>
                      Change
                    </Button>
                    <a className="btn btn-outline-primary" href={personFeedUrl(p.id)}>
                      Calendar
                    </a>
                    <button type="button" className="wt-plain" onClick={() => dropPerson.mutate(p.id)}>
                      Take off the roster
                    </button>
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
      </section>
      <section className="wt-sheet" aria-labelledby="away">
        <h2 id="away">Away and closed</h2>
        {page.away.length === 0 && <p>Nobody is away.</p>}
        <ul className="wt-bare wt-rows">
          {page.away.map((a) => (
            <li key={a.id}>
              <div>
                <strong>{a.person === null ? 'Closed' : names.get(a.person)}</strong> {shortDay(a.from)}
                {a.to > a.from && ` to ${shortDay(a.to)}`} <span className="wt-soft">{a.reason}</span>
              </div>
              <button type="button" className="wt-plain" onClick={() => dropAway.mutate(a.id)}>
                Take it out
              </button>
            </li>
          ))}
        </ul>
        <p className="mb-0">
          <Link to="/desk/book">The book</Link> says what would move before somebody’s days off are put in.
        </p>
        <Refusal error={dropAway.error} />
      </section>
      <Apart page={page} />
    </div>
  );
}

export function StaffRoom() {
  return (
    <>
      <div className="wt-title">
        <h1>Staff</h1>
        <span className="wt-soft">who works when, and what the day’s sheet has to mind</span>
      </div>
      <Loaded query={useRoster()}>{(page) => <Staff page={page} />}</Loaded>
    </>
  );
}
