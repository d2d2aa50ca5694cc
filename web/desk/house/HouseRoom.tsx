/** Desk → House rules: the house's side in every open quarrel, with its reason and what another side would change, before it is taken. */
import { CARE, careMinutes } from '../../../core/dog/index.ts';
import { useDeferredValue, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link } from 'react-router';
import type { SalonRecord } from '../../../contract/salon.ts';
import {
  EVEN_DAYS,
  evenDays,
  LENGTH_STEPS,
  QUARRELS,
  dematMinutes,
  visitLengths,
  type EvenDays,
  type HouseRules,
  type Quarrel,
  type Quarrels,
} from '../../../core/kit/index.ts';
import { ChangedElsewhere, useEditing, type FieldWord } from '../../app/edit-conflict.tsx';
import { Loaded, Refusal } from '../../app/state.tsx';
import { useEditSalon, useSalon } from '../../data/hooks.ts';
import { minuteClock } from '../../words/clock.ts';
import { weekdayName } from '../../words/dates.ts';
import { capital, listText, minutesText, money } from '../../words/figures.ts';
import { CareTerms } from './CareTerms.tsx';
import { Effect } from './Effect.tsx';

const EVEN_WORDS: Readonly<Record<EvenDays, string>> = {
  filled: 'fill a day, leave others free',
  even: 'even, where it costs little',
  alike: 'as even as can be',
};
const WEIGHT_WORDS = {
  hairOut: 'hair out',
  minutes: 'minutes',
  skin: 'skin',
  comfort: 'comfort',
  dust: 'dust',
} as const;
const WEIGHTS = [
  'hairOut',
  'minutes',
  'skin',
  'comfort',
  'dust',
] as const satisfies readonly (keyof HouseRules['weights'])[];

const sideWord = <K extends keyof Quarrels>({ key, sides }: Quarrel<K>, house: HouseRules): string =>
  sides.find((side) => side.value === house[key])?.word ?? String(house[key]);
const quarrelWord = <K extends keyof Quarrels>(quarrel: Quarrel<K>): FieldWord<HouseRules> => ({
  key: quarrel.key,
  label: quarrel.question,
  say: (house) => sideWord(quarrel, house),
});
const RULE_WORDS: readonly FieldWord<HouseRules>[] = [
  ...Object.values(QUARRELS).map((q) => quarrelWord<keyof Quarrels>(q)),
  {
    key: 'weights',
    label: 'What a recommendation weighs',
    say: (h) => WEIGHTS.map((w) => `${WEIGHT_WORDS[w]} ${h.weights[w]}`).join(', '),
  },
  {
    key: 'rates',
    label: 'Rates',
    say: ({ rates }) =>
      `${money(rates.perHourCents, rates.currency)} an hour, ${money(rates.minimumCents, rates.currency)} at least`,
  },
  { key: 'openWeekdays', label: 'Open days', say: (h) => listText([...h.openWeekdays].sort().map(weekdayName)) },
  {
    key: 'hours',
    label: 'Hours',
    say: ({ hours }) => `${minuteClock(hours.openMinute)} to ${minuteClock(hours.closeMinute)}`,
  },
  { key: 'tables', label: 'Tables' },
  { key: 'tubs', label: 'Tubs' },
  { key: 'dryPlaces', label: 'Places to dry a dog' },
  { key: 'shedHoursPerWeek', label: 'Hours a week for this work' },
  { key: 'dematMinutes', label: 'Dematting by hand in one visit' },
  { key: 'evenDays', label: 'Days of the year', say: (h) => EVEN_WORDS[evenDays(h)] },
  {
    key: 'care',
    label: 'Care around the coat',
    say: (h) => listText(CARE.map(({ item, name }) => `${name} ${minutesText(careMinutes(item, h))}`)),
  },
  {
    key: 'visits',
    label: 'Lengths of visits',
    say: (h) => `steps of ${minutesText(visitLengths(h).step)}, ${minutesText(visitLengths(h).shortest)} at least`,
  },
];

function EditHouse({ salon }: { salon: SalonRecord }) {
  const { base, mine, formKey, newer, tried, settle, saved } = useEditing(salon);
  return (
    <>
      {newer && (
        <ChangedElsewhere
          base={base.house}
          newer={newer.house}
          mine={mine?.house}
          words={RULE_WORDS}
          onSettle={(house) => settle({ ...newer, house })}
        />
      )}
      <HouseForm key={formKey} salon={base} stale={newer !== undefined} onTry={tried} onSaved={saved} />
    </>
  );
}

interface Side {
  readonly word: string;
  readonly reason: string;
  readonly chosen: boolean;
  readonly take: () => void;
}

/** Sides of a quarrel as choices that set it in a house. */
function sidesOf<K extends keyof Quarrels>(key: K, house: HouseRules, set: (h: HouseRules) => void): readonly Side[] {
  const quarrel: Quarrel<K> = QUARRELS[key];
  return quarrel.sides.map(({ value, word, reason }) => ({
    word,
    reason,
    chosen: house[key] === value,
    take: () => set({ ...house, [key]: value }),
  }));
}

function QuarrelSheet({ name, question, sides }: { name: string; question: string; sides: readonly Side[] }) {
  return (
    <fieldset className="wt-quarrel">
      <legend>{question}</legend>
      {sides.map((s) => (
        <label key={s.word} className={s.chosen ? 'is-chosen' : undefined}>
          <input type="radio" name={name} checked={s.chosen} onChange={s.take} />
          <span>
            <strong>{capital(s.word)}</strong>
            <span className="wt-soft">{s.reason}</span>
          </span>
        </label>
      ))}
    </fieldset>
  );
}

const KEYS = Object.values(QUARRELS).map((q) => q.key);

function HouseForm({
  salon,
  stale,
  onTry,
  onSaved,
}: {
  salon: SalonRecord;
  stale: boolean;
  onTry: (salon: SalonRecord) => void;
  onSaved: (salon: SalonRecord) => void;
}) {
  const [house, setHouse] = useState(salon.house);
  const save = useEditSalon();
  const number = (text: string): number => (text === '' ? 0 : Number(text));
  const changed = JSON.stringify(house) !== JSON.stringify(salon.house);
  // A slider that is being drawn asks for its effect when it rests.
  const asked = useDeferredValue(house);
  return (
    <div className="wt-cols wt-house-rules">
      <section className="wt-sheet" aria-labelledby="open">
        <h2 id="open">Open quarrels: your side</h2>
        <p className="wt-soft">
          Schools differ, and each side has its reason. Safety rules are not open: they stand in every house, and are on
          the <Link to="/desk/rules">rules page</Link>.
        </p>
        <div className="wt-quarrels">
          {KEYS.map((key) => (
            <QuarrelSheet
              key={key}
              name={key}
              question={QUARRELS[key].question}
              sides={sidesOf(key, house, setHouse)}
            />
          ))}
        </div>
        <h3 className="mt-3">What a recommendation weighs</h3>
        <div className="wt-formgrid">
          {WEIGHTS.map((w) => (
            <label key={w}>
              {capital(WEIGHT_WORDS[w])}: {house.weights[w]}
              <Form.Range
                min={0}
                max={100}
                step={5}
                value={house.weights[w]}
                onChange={(e) => setHouse({ ...house, weights: { ...house.weights, [w]: number(e.target.value) } })}
              />
            </label>
          ))}
          <label>
            Rate for an hour, {house.rates.currency}
            <Form.Control
              type="number"
              min={0}
              value={house.rates.perHourCents / 100}
              onChange={(e) =>
                setHouse({
                  ...house,
                  rates: { ...house.rates, perHourCents: Math.round(number(e.target.value) * 100) },
                })
              }
            />
          </label>
          {(
            [
              ['tables', 'Tables'],
              ['tubs', 'Tubs'],
              ['dryPlaces', 'Places to dry a dog'],
            ] as const
          ).map(([key, word]) => (
            <label key={key}>
              {word}
              <Form.Control
                type="number"
                min={1}
                max={50}
                placeholder={key === 'tubs' ? '1' : 'one for each dryer'}
                value={house[key] ?? ''}
                onChange={(e) => {
                  const many = e.target.value === '' ? undefined : Math.round(number(e.target.value));
                  setHouse(key === 'tables' ? { ...house, tables: many ?? house.tables } : { ...house, [key]: many });
                }}
              />
            </label>
          ))}
          <label>
            Hours a week for this work
            <Form.Control
              type="number"
              min={0.5}
              max={2000}
              step="any"
              placeholder="all that doors and tables give"
              aria-describedby="quay-hint"
              value={house.shedHoursPerWeek ?? ''}
              onChange={(e) =>
                setHouse({
                  ...house,
                  shedHoursPerWeek: e.target.value === '' ? undefined : number(e.target.value),
                })
              }
            />
            <span id="quay-hint" className="wt-soft">
              the quay wall of the <Link to="/desk/tide">tide</Link>
            </span>
          </label>
          <label>
            Dematting by hand in one visit
            <Form.Control
              type="number"
              min={0}
              max={60}
              aria-describedby="demat-hint"
              value={dematMinutes(house)}
              onChange={(e) => setHouse({ ...house, dematMinutes: Math.round(number(e.target.value)) })}
            />
            <span id="demat-hint" className="wt-soft">
              minutes; half of it for old, young or sore dogs
            </span>
          </label>
          <label>
            Work on the days of the year
            <Form.Select
              value={evenDays(house)}
              onChange={(e) => setHouse({ ...house, evenDays: EVEN_DAYS.find((d) => d === e.target.value) })}
            >
              {EVEN_DAYS.map((d) => (
                <option key={d} value={d}>
                  {EVEN_WORDS[d]}
                </option>
              ))}
            </Form.Select>
          </label>
          <label>
            Visits are booked in steps of
            <Form.Select
              value={visitLengths(house).step}
              onChange={(e) => setHouse({ ...house, visits: { ...visitLengths(house), step: number(e.target.value) } })}
            >
              {LENGTH_STEPS.map((step) => (
                <option key={step} value={step}>
                  {minutesText(step)}
                </option>
              ))}
            </Form.Select>
          </label>
          <label>
            Shortest visit, in minutes
            <Form.Control
              type="number"
              min={5}
              max={240}
              value={visitLengths(house).shortest}
              onChange={(e) =>
                setHouse({ ...house, visits: { ...visitLengths(house), shortest: number(e.target.value) } })
              }
            />
          </label>
        </div>
        <CareTerms house={house} onChange={(care) => setHouse({ ...house, care })} />
      </section>
      <section className="wt-sheet wt-effect" aria-labelledby="effect">
        <h2 id="effect">What it would change</h2>
        <Effect house={asked} changed={changed} currency={salon.house.rates.currency} />
        <Refusal error={stale ? null : save.error} />
        {save.isSuccess && !changed && (
          <p className="wt-note wt-note-good" role="status">
            Saved. Plans are reckoned with it from now on.
          </p>
        )}
        <div className="wt-acts">
          <Button
            disabled={save.isPending || !changed}
            onClick={() => {
              onTry({ ...salon, house });
              save.mutate({ ...salon, house }, { onSuccess: onSaved });
            }}
          >
            Save house rules
          </Button>
          <Button variant="outline-primary" disabled={!changed} onClick={() => setHouse(salon.house)}>
            As it was
          </Button>
        </div>
      </section>
    </div>
  );
}

export function HouseRoom() {
  const salon = useSalon();
  return (
    <>
      <div className="wt-title">
        <h1>House rules</h1>
        {salon.data && (
          <span className="wt-soft">
            {salon.data.salon.name}, {salon.data.salon.town}
          </span>
        )}
      </div>
      <Loaded query={salon}>{({ salon: s }) => <EditHouse salon={s} />}</Loaded>
    </>
  );
}
