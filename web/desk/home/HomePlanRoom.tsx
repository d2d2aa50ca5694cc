/** Desk → a dog's home: what the home is like, what the groomer asks of it, the week as the owner sees it, and the link. */
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { HomeDeskPage, HomeSetupRecord } from '../../../contract/home.ts';
import { HOME_BRUSHES, HOME_PART_ROWS, homePartRow, type HomePart } from '../../../core/home/index.ts';
import { toolRow, type ToolKind } from '../../../core/kit/index.ts';
import { ChangedElsewhere, useEditing, type FieldWord } from '../../app/edit-conflict.tsx';
import { Loaded, Refusal } from '../../app/state.tsx';
import { useEditHome, useHome } from '../../data/hooks.ts';
import { shortDay } from '../../words/dates.ts';
import { capital, listText, minutesText } from '../../words/figures.ts';
import { everyText, WHY_WORDS } from '../../words/home.ts';
import { HomeLinks } from './HomeLinks.tsx';
import { Lately } from './Lately.tsx';
import { Reminders } from './Reminders.tsx';
import './home-plan.css';

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
const FACT_WORDS: readonly FieldWord<HomeSetupRecord>[] = [
  {
    key: 'minutesByWeekday',
    label: 'Minutes a day',
    say: (h) => h.minutesByWeekday.map((m, i) => `${WEEKDAYS[i] ?? ''} ${m}`).join(', '),
  },
  { key: 'patienceMinutes', label: 'The dog’s patience', say: (h) => minutesText(h.patienceMinutes) },
  { key: 'beginner', label: 'Beginner' },
  { key: 'severalHands', label: 'Several hands' },
  { key: 'seedWalks', label: 'Walks in long grass' },
  { key: 'pins', label: 'Every day', say: (h) => listText(h.pins.map((p) => homePartRow(p).name)) },
  { key: 'without', label: 'Not to be used', say: (h) => listText(h.without.map((t) => toolRow(t).name)) },
  { key: 'note', label: 'Note' },
];

const SWITCHES = [
  ['beginner', 'Beginner: bouts of five minutes'],
  ['severalHands', 'Several people brush: milder pieces'],
  ['seedWalks', 'Walks in long grass'],
] as const satisfies readonly (readonly [keyof HomeSetupRecord, string])[];

const toggled = <T,>(list: readonly T[], item: T): readonly T[] =>
  list.includes(item) ? list.filter((i) => i !== item) : [...list, item];

function Chips<T extends string>({
  legend,
  items,
  chosen,
  word,
  onToggle,
}: {
  legend: string;
  items: readonly T[];
  chosen: readonly T[];
  word: (item: T) => string;
  onToggle: (item: T) => void;
}) {
  return (
    <fieldset className="wt-chips">
      <legend>{legend}</legend>
      {items.map((i) => (
        <label key={i}>
          <input type="checkbox" checked={chosen.includes(i)} onChange={() => onToggle(i)} />
          <span>{word(i)}</span>
        </label>
      ))}
    </fieldset>
  );
}

function Facts({
  dogId,
  page,
  stale,
  onTry,
  onSaved,
}: {
  dogId: string;
  page: HomeDeskPage;
  stale: boolean;
  onTry: (s: HomeSetupRecord) => void;
  onSaved: (s: HomeSetupRecord) => void;
}) {
  const [setup, setSetup] = useState(page.setup);
  const save = useEditHome(dogId);
  const put = (more: Partial<HomeSetupRecord>): void => setSetup({ ...setup, ...more });
  const number = (text: string): number => (text === '' ? 0 : Number(text));
  const brushes = HOME_BRUSHES[page.dog.coatClass];
  return (
    <form
      className="wt-sheet"
      aria-labelledby="facts"
      onSubmit={(e) => {
        e.preventDefault();
        onTry(setup);
        save.mutate(setup, { onSuccess: (saved) => onSaved(saved.setup) });
      }}
    >
      <h2 id="facts">The home</h2>
      <fieldset className="wt-week-minutes">
        <legend>Minutes the household has each day{page.household.length > 1 && ', for all its dogs'}</legend>
        {WEEKDAYS.map((d, i) => (
          <label key={d}>
            {d}
            <Form.Control
              type="number"
              min={0}
              max={180}
              value={setup.minutesByWeekday[i] ?? 0}
              onChange={(e) =>
                put({
                  minutesByWeekday: setup.minutesByWeekday.map((m, k) => (k === i ? number(e.target.value) : m)),
                })
              }
            />
          </label>
        ))}
      </fieldset>
      <Form.Group controlId="patience" className="mt-2">
        <Form.Label>Longest bout the dog bears, minutes</Form.Label>
        <Form.Control
          type="number"
          min={1}
          max={90}
          value={setup.patienceMinutes}
          onChange={(e) => put({ patienceMinutes: number(e.target.value) })}
        />
      </Form.Group>
      <div className="wt-switches">
        {SWITCHES.map(([key, label]) => (
          <Form.Check
            key={key}
            type="switch"
            id={key}
            label={label}
            checked={setup[key]}
            onChange={(e) => put({ [key]: e.target.checked })}
          />
        ))}
      </div>
      <Chips<HomePart>
        legend="Every day, because you ask for it"
        items={HOME_PART_ROWS.map((r) => r.part)}
        chosen={setup.pins}
        word={(p) => homePartRow(p).name}
        onToggle={(p) => put({ pins: toggled(setup.pins, p) })}
      />
      <Chips<ToolKind>
        legend="Not to be used on this dog"
        items={brushes}
        chosen={setup.without}
        word={(k) => toolRow(k).name}
        onToggle={(k) => put({ without: toggled(setup.without, k) })}
      />
      <Form.Group controlId="home-note" className="mt-2">
        <Form.Label>Words to the owner</Form.Label>
        <Form.Control
          as="textarea"
          rows={3}
          maxLength={600}
          value={setup.note}
          onChange={(e) => put({ note: e.target.value })}
        />
      </Form.Group>
      <Refusal error={stale ? null : save.error} />
      <div className="wt-acts mt-2">
        <Button type="submit" disabled={save.isPending}>
          Save
        </Button>
        {save.isSuccess && <span role="status">Saved. The owner’s page shows it from now on.</span>}
      </div>
    </form>
  );
}

function WeekSheet({ page }: { page: HomeDeskPage }) {
  const { week } = page.dog;
  return (
    <section className="wt-sheet" aria-labelledby="home-week">
      <h2 id="home-week">The week, as the owner sees it</h2>
      <table className="wt-homeweek">
        <thead>
          <tr>
            <th>Day</th>
            <th>Minutes</th>
            <th>What</th>
          </tr>
        </thead>
        <tbody>
          {week.days.map((d) => (
            <tr key={d.day}>
              <th scope="row">{shortDay(d.day)}</th>
              <td>{d.bouts.length === 0 ? 'rest' : d.bouts.map((b) => Math.round(b.minutes)).join(' + ')}</td>
              <td>{d.bouts.flatMap((b) => b.parts.map((p) => homePartRow(p).name)).join('; ')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p>
        {minutesText(Math.round(week.planned))} this week; the coat would like {minutesText(Math.round(week.ideal))},
        below {minutesText(Math.round(week.floor))} it suffers.
        {week.has < week.floor && (
          <strong> This home has {minutesText(Math.round(week.has))}: bring visits closer together.</strong>
        )}
        {!week.proved && <span className="wt-soft"> The best of the plans that were looked through.</span>}
      </p>
      <details>
        <summary>Why these</summary>
        <ul>
          {week.needs.map((n) => (
            <li key={n.part}>
              {capital(homePartRow(n.part).name)}: {everyText(n.rhythmDays).toLowerCase()}, {WHY_WORDS[n.why]}
            </li>
          ))}
        </ul>
      </details>
    </section>
  );
}

function Home({ dogId, page }: { dogId: string; page: HomeDeskPage }) {
  const { base, mine, formKey, newer, tried, settle, saved } = useEditing(page.setup);
  return (
    <>
      <div className="wt-title">
        <h1>
          <Link to={`/desk/dogs/${dogId}`}>{page.dog.name}</Link> at home
        </h1>
        <span className="wt-soft">{page.ownerName}</span>
        <div className="wt-acts">
          <Link className="btn btn-outline-primary" to={`/home/${dogId}`}>
            Card and strip
          </Link>
        </div>
      </div>
      {newer && <ChangedElsewhere base={base} newer={newer} mine={mine} words={FACT_WORDS} onSettle={settle} />}
      <div className="wt-two">
        <div className="wt-stack">
          <Facts
            key={formKey}
            dogId={dogId}
            page={{ ...page, setup: base }}
            stale={newer !== undefined}
            onTry={tried}
            onSaved={saved}
          />
          <Reminders key={dogId} dogId={dogId} post={page.post} ownerName={page.ownerName} />
        </div>
        <div className="wt-stack">
          <WeekSheet page={page} />
          <Lately page={page} />
          <HomeLinks page={page} />
        </div>
      </div>
      <p className="wt-soft mt-2">Brushes of this home stand on the dog’s own page.</p>
    </>
  );
}

export function HomePlanRoom() {
  const { dogId = '' } = useParams();
  return <Loaded query={useHome(dogId)}>{(page) => <Home key={dogId} dogId={dogId} page={page} />}</Loaded>;
}
