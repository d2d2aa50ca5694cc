/** Desk → a dog's home: what the home is like, what the groomer asks of it, the week as the owner sees it, and the link. */
import { Link, useParams } from 'react-router';
import { homeSetupSchema, type HomeDeskPage, type HomeSetupRecord } from '../../../contract/home.ts';
import { HOME_BRUSHES, HOME_PART_ROWS, homePartRow } from '../../../core/home/index.ts';
import { toolRow } from '../../../core/kit/index.ts';
import { DogTabs } from '../../app/DogTabs.tsx';
import { ChangedElsewhere, useEditing, type FieldWord } from '../../app/edit-conflict.tsx';
import { Loaded, Refusal } from '../../app/state.tsx';
import { useEditHome, useHome } from '../../data/hooks.ts';
import { Button, ButtonLink } from '../../ui/Button.tsx';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Table } from '../../ui/Table.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import { CheckField, ManyField, NumberField, TextField } from '../../ui/form/fields.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';
import { shortDay, weekdayName, weekdaysHere } from '../../words/dates.ts';
import { capital, listText, minutesText } from '../../words/figures.ts';
import { everyText, WHY_WORDS } from '../../words/home.ts';
import { HomeLinks } from './HomeLinks.tsx';
import { Lately } from './Lately.tsx';
import { Reminders } from './Reminders.tsx';
import css from './home-plan.module.css';

const FACT_WORDS: readonly FieldWord<HomeSetupRecord>[] = [
  {
    key: 'minutesByWeekday',
    label: 'Minutes a day',
    say: (h) => h.minutesByWeekday.map((m, i) => `${weekdayName(i + 1)} ${m}`).join(', '),
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

const PARTS = HOME_PART_ROWS.map((r) => ({ value: r.part, word: r.name }));

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
  const form = useSchemaForm<HomeSetupRecord>({ schema: homeSetupSchema, values: page.setup });
  const save = useEditHome(dogId);
  const brushes = HOME_BRUSHES[page.dog.coatClass].map((value) => ({ value, word: toolRow(value).name }));
  return (
    <SchemaForm
      form={form}
      sheet
      name="The home"
      onSave={(setup) => {
        onTry(setup);
        save.mutate(setup, { onSuccess: (saved) => onSaved(saved.setup) });
      }}
    >
      <h2>The home</h2>
      <fieldset className={css.weekMinutes}>
        <legend>Minutes the household has each day{page.household.length > 1 && ', for all its dogs'}</legend>
        {weekdaysHere().map(({ value, word }) => (
          <NumberField key={value} form={form} name={`minutesByWeekday.${value - 1}`} label={word} />
        ))}
      </fieldset>
      <NumberField form={form} name="patienceMinutes" label="Longest bout the dog bears, minutes" className="mt-2" />
      <div className="d-grid g-2 above-5">
        {SWITCHES.map(([key, label]) => (
          <CheckField key={key} form={form} name={key} type="switch" label={label} />
        ))}
      </div>
      <ManyField
        form={form}
        name="pins"
        label="Every day, because you ask for it"
        look="keys"
        className="mt-3"
        options={PARTS}
      />
      <ManyField
        form={form}
        name="without"
        label="Not to be used on this dog"
        look="keys"
        className="mt-3"
        options={brushes}
      />
      <TextField form={form} name="note" label="Words to the owner" className="mt-3" rows={3} />
      <Refusal error={stale ? null : save.error} />
      <div className="wt-acts mt-2">
        <Button type="submit" disabled={save.isPending}>
          Save
        </Button>
        {save.isSuccess && <span role="status">Saved. The owner’s page shows it from now on.</span>}
      </div>
    </SchemaForm>
  );
}

function WeekSheet({ page }: { page: HomeDeskPage }) {
  const { week } = page.dog;
  return (
    <Sheet aria-labelledby="home-week">
      <h2 id="home-week">The week, as the owner sees it</h2>
      <Table className={css.homeweek}>
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
      </Table>
      <p>
        {minutesText(Math.round(week.planned))} this week; the coat would like {minutesText(Math.round(week.ideal))},
        below {minutesText(Math.round(week.floor))} it suffers.
        {week.has < week.floor && (
          <strong> This home has {minutesText(Math.round(week.has))}: bring visits closer together.</strong>
        )}
        {!week.proved && <span className="wt-soft"> The best of the plans that were looked through.</span>}
      </p>
      <Disclosure head="Why these">
        <ul>
          {week.needs.map((n) => (
            <li key={n.part}>
              {capital(homePartRow(n.part).name)}: {everyText(n.rhythmDays).toLowerCase()}, {WHY_WORDS[n.why]}
            </li>
          ))}
        </ul>
      </Disclosure>
    </Sheet>
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
          <ButtonLink to={`/home/${dogId}`}>Card and strip</ButtonLink>
        </div>
      </div>
      <DogTabs dogId={dogId} />
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
