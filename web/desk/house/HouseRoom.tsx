/** Desk → House rules: the house's side in every open quarrel, with its reason and what another side would change, before it is taken. */
import { CARE, careMinutes } from '../../../core/dog/index.ts';
import { dequal } from 'dequal';
import { useDeferredValue } from 'react';
import { useController, useWatch, type UseFormReturn } from 'react-hook-form';
import { Link } from 'react-router';
import { houseSchema, type SalonRecord } from '../../../contract/salon.ts';
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
import { Button } from '../../ui/Button.tsx';
import { Field, Range, Select } from '../../ui/Field.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import { MoneyField, NumberField, SelectField } from '../../ui/form/fields.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';
import { minuteText, weekdayName } from '../../words/dates.ts';
import { capital, listText, minutesText, money } from '../../words/figures.ts';
import { CareTerms } from './CareTerms.tsx';
import { Effect } from './Effect.tsx';
import css from './house.module.css';

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
    say: ({ hours }) => `${minuteText(hours.openMinute)} to ${minuteText(hours.closeMinute)}`,
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

/** Sides of a quarrel, each with its reason; one of them is the house's. */
function QuarrelSheet<K extends keyof Quarrels>({
  quarrel: { key, question, sides },
  form,
}: {
  quarrel: Quarrel<K>;
  form: UseFormReturn<HouseRules>;
}) {
  const {
    field: { value: taken, onChange },
  } = useController({ control: form.control, name: key });
  return (
    <fieldset className={css.quarrel}>
      <legend>{question}</legend>
      {sides.map(({ value, word, reason }) => (
        <label key={word} className={value === taken ? 'is-chosen' : undefined}>
          <input type="radio" name={key} checked={value === taken} onChange={() => onChange(value)} />
          <span>
            <strong>{capital(word)}</strong>
            <span className="wt-soft">{reason}</span>
          </span>
        </label>
      ))}
    </fieldset>
  );
}

/** How much something counts in a recommendation. */
function Weight({ of, form }: { of: (typeof WEIGHTS)[number]; form: UseFormReturn<HouseRules> }) {
  const {
    field: { value, onChange },
  } = useController({ control: form.control, name: `weights.${of}` });
  return (
    <label>
      {capital(WEIGHT_WORDS[of])}: {value}
      <Range min={0} max={100} step={5} value={value} onChange={(e) => onChange(Number(e.target.value))} />
    </label>
  );
}

/** Where a field for a choice of numbers holds text. */
function LengthStep({ form }: { form: UseFormReturn<HouseRules> }) {
  const {
    field: { value, onChange },
  } = useController({ control: form.control, name: 'visits.step' });
  return (
    <Field id="house-step" label="Visits are booked in steps of">
      <Select value={value ?? ''} onChange={(e) => onChange(Number(e.target.value))}>
        {LENGTH_STEPS.map((step) => (
          <option key={step} value={step}>
            {minutesText(step)}
          </option>
        ))}
      </Select>
    </Field>
  );
}

const EVEN_OPTIONS = EVEN_DAYS.map((d) => [d, EVEN_WORDS[d]] as const);
const QUARREL_LIST = Object.values(QUARRELS);

function Amounts({ form, currency }: { form: UseFormReturn<HouseRules>; currency: string }) {
  return (
    <div className="wt-formgrid">
      {WEIGHTS.map((w) => (
        <Weight key={w} of={w} form={form} />
      ))}
      <MoneyField form={form} name="rates.perHourCents" label={`Rate for an hour, ${currency}`} />
      <NumberField form={form} name="tables" label="Tables" />
      <NumberField form={form} name="tubs" label="Tubs" placeholder="1" />
      <NumberField form={form} name="dryPlaces" label="Places to dry a dog" placeholder="one for each dryer" />
      <NumberField
        form={form}
        name="shedHoursPerWeek"
        label="Hours a week for this work"
        digits={1}
        placeholder="all that doors and tables give"
        help={
          <>
            the quay wall of the <Link to="/desk/tide">tide</Link>
          </>
        }
      />
      <NumberField
        form={form}
        name="dematMinutes"
        label="Dematting by hand in one visit"
        help="minutes; half of it for old, young or sore dogs"
      />
      <SelectField form={form} name="evenDays" label="Work on the days of the year" options={EVEN_OPTIONS} />
      <LengthStep form={form} />
      <NumberField form={form} name="visits.shortest" label="Shortest visit, in minutes" />
    </div>
  );
}

/** The house as its form shows it: what nobody has said stands there as it is usual. */
const shownHouse = (house: HouseRules): HouseRules => ({
  ...house,
  evenDays: evenDays(house),
  dematMinutes: dematMinutes(house),
  visits: visitLengths(house),
  care: Object.fromEntries(
    CARE.map(({ item }) => [item, { ...house.care?.[item], minutes: careMinutes(item, house) }]),
  ),
});

/** What was left empty is as what was never said. */
const said = (house: HouseRules): unknown => JSON.parse(JSON.stringify(house));
const sameHouse = (a: HouseRules, b: HouseRules): boolean => dequal(said(a), said(b));

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
  const form = useSchemaForm<HouseRules>({ schema: houseSchema, values: shownHouse(salon.house) });
  const save = useEditSalon();
  const house = useWatch({ control: form.control, compute: (h: HouseRules) => h });
  const changed = !sameHouse(house, shownHouse(salon.house));
  // A slider that is being drawn asks for its effect when it rests.
  const asked = useDeferredValue(changed ? house : salon.house);
  const { currency } = salon.house.rates;
  return (
    <SchemaForm
      form={form}
      className={`wt-cols ${css.houseRules ?? ''}`}
      onSave={(rules) => {
        const sent = { ...salon, house: rules };
        onTry(sent);
        save.mutate(sent, {
          onSuccess: (kept) => {
            form.reset(shownHouse(kept.house));
            onSaved(kept);
          },
        });
      }}
    >
      <Sheet aria-labelledby="open">
        <h2 id="open">Open quarrels: your side</h2>
        <p className="wt-soft">
          Schools differ, and each side has its reason. Safety rules are not open: they stand in every house, and are on
          the <Link to="/desk/rules">rules page</Link>.
        </p>
        <div className={css.quarrels}>
          {QUARREL_LIST.map((q) => (
            <QuarrelSheet<keyof Quarrels> key={q.key} quarrel={q} form={form} />
          ))}
        </div>
        <h3 className="mt-3">What a recommendation weighs</h3>
        <Amounts form={form} currency={currency} />
        <CareTerms form={form} currency={currency} />
      </Sheet>
      <Sheet className={css.effect} aria-labelledby="effect">
        <h2 id="effect">What it would change</h2>
        <Effect house={asked} changed={changed} currency={currency} />
        <Refusal error={stale ? null : save.error} />
        {save.isSuccess && !changed && (
          <Notice tone="good" role="status">
            Saved. Plans are reckoned with it from now on.
          </Notice>
        )}
        <div className="wt-acts">
          <Button type="submit" disabled={save.isPending || !changed}>
            Save house rules
          </Button>
          <Button look="usual" disabled={!changed} onClick={() => form.reset(shownHouse(salon.house))}>
            As it was
          </Button>
        </div>
      </Sheet>
    </SchemaForm>
  );
}

export function HouseRoom() {
  const salon = useSalon();
  return (
    <>
      <div className="wt-title">
        <h1>Hours, prices, preferences</h1>
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
