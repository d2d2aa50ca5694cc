/** A dog's lasting facts: new or changed. The same schema guards this form and the route. */
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { Link, useNavigate, useParams } from 'react-router';
import { dogDraftSchema, type DogDraft, type DogRecord } from '../../../contract/dog.ts';
import {
  CARE,
  careRow,
  BODY_SHAPES,
  breedOf,
  findBreeds,
  BREEDS,
  COATS,
  coatRow,
  DOG_TRAITS,
  SEXES,
  SHAPE_WORDS,
  TRAIT_WORDS,
  type BreedRow,
} from '../../../core/dog/index.ts';
import { HOME_CARE } from '../../../core/tide/index.ts';
import { DogTabs } from '../../app/DogTabs.tsx';
import { ChangedElsewhere, useEditing, type FieldWord } from '../../app/edit-conflict.tsx';
import { Loaded, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useAddDog, useDog, useEditDog } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import { DayField, ManyField, NumberField, SelectField, TextField } from '../../ui/form/fields.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';
import { dateText } from '../../words/dates.ts';
import { capital, listText, minutesText, percent } from '../../words/figures.ts';
import { lengthText, lengthsText, massKg, massShown, massText, massWord } from '../../words/units.ts';
import { BLANK } from './blank-dog.ts';

/** Names are offered from this many letters on, and so many of them. */
const LEAST_LETTERS = 3;
const MOST_NEAR = 4;

const CARE_WORDS = { none: 'hardly any', some: 'now and then', steady: 'as the card says' } as const;

/** With the device's ruler, so asked when it is shown. */
const classes = () =>
  COATS.map((c) => [c.coatClass, `${capital(c.name)}, ${lengthsText(c.guardMm.low, c.guardMm.high)}`] as const);
const SHAPES = BODY_SHAPES.map((s) => [s, capital(SHAPE_WORDS[s])] as const);
const CARES = HOME_CARE.map((c) => [c, CARE_WORDS[c]] as const);
const TRAITS = DOG_TRAITS.map((value) => ({ value, word: TRAIT_WORDS[value] }));
const CARE_OPTIONS = CARE.map(({ item, name }) => ({ value: item, word: name }));

function Fields({
  initial,
  onSave,
  error,
  busy,
  back,
}: {
  initial: DogDraft;
  onSave: (d: DogDraft) => void;
  error: Error | null;
  busy: boolean;
  back: string;
}) {
  const form = useSchemaForm<DogDraft>({ schema: dogDraftSchema, values: initial });
  const { control, getValues, setValue } = form;
  const breed = useWatch({ control, name: 'breed' });
  const usual = breedOf(breed);
  const near = usual || breed.trim().length < LEAST_LETTERS ? [] : findBreeds(breed, MOST_NEAR);
  const takeUsual = (b: BreedRow): void => {
    setValue('coatClass', b.coatClass);
    setValue('shape', b.shape);
    const weight = getValues('weightKg');
    if (!(weight >= b.weightKg.low && weight <= b.weightKg.high)) {
      setValue('weightKg', Math.round((b.weightKg.low + b.weightKg.high) * 5) / 10);
    }
    setValue('traits', [...new Set([...getValues('traits'), ...b.traits])]);
  };
  return (
    <SchemaForm form={form} sheet onSave={onSave}>
      <div className="wt-formgrid">
        <TextField form={form} name="name" label="Name" />
        <TextField form={form} name="breed" label="Breed or mix" input={{ list: 'breeds' }}>
          <datalist id="breeds">
            {BREEDS.map((b) => (
              <option key={b.name} value={b.name} />
            ))}
          </datalist>
        </TextField>
        <SelectField form={form} name="coatClass" label="Coat class" options={classes()} />
        <SelectField form={form} name="shape" label="Body shape" options={SHAPES} />
        <NumberField
          form={form}
          name="weightKg"
          label={`Weight, ${massWord()}`}
          digits={1}
          shown={massShown}
          kept={massKg}
        />
        <SelectField form={form} name="sex" label="Sex" options={SEXES.map((s) => [s, s])} />
        <DayField form={form} name="born" label="Born" empty="null" />
        <DayField form={form} name="lastSeason" label="Last season or litter, if intact" empty="null" />
        <NumberField form={form} name="standingMinutes" label="Stands for, minutes" empty="null" />
        <NumberField form={form} name="outdoorShare" label="Lives outdoors, 0 to 1 of its time" digits={2} />
        <SelectField form={form} name="homeCare" label="Brushing at home" options={CARES} />
        <TextField form={form} name="owner.name" label="Owner" />
        <TextField form={form} name="owner.phone" label="Phone" type="tel" />
      </div>
      {usual && (
        <Notice tone="good" className="mt-3" role="status">
          <p>
            Usual for {usual.name}: {coatRow(usual.coatClass).name}, {massShown(usual.weightKg.low)} to{' '}
            {massText(usual.weightKg.high)}, hair of about {lengthText(usual.backMm)} at the back. Your hands and scale
            correct it.
          </p>
          <Button size="sm" look="usual" onClick={() => takeUsual(usual)}>
            Take what is usual
          </Button>
        </Notice>
      )}
      {near.length > 0 && (
        <Notice className="mt-3" role="status">
          Is it one of these?{' '}
          {near.map((b) => (
            <Button key={b.name} size="sm" look="usual" className="me-2" onClick={() => setValue('breed', b.name)}>
              {b.name}
            </Button>
          ))}
        </Notice>
      )}
      <ManyField form={form} name="traits" label="Mind" className="mt-3" options={TRAITS} />
      <ManyField
        form={form}
        name="care"
        label="Besides the coat, at each visit"
        className="mt-3"
        options={CARE_OPTIONS}
      />
      <TextField form={form} name="note" label="Note" className="mt-3" rows={2} />
      <Refusal error={error} />
      <div className="wt-acts mt-3">
        <Button type="submit" disabled={busy}>
          Save
        </Button>
        <Link to={back}>Back without saving</Link>
      </div>
    </SchemaForm>
  );
}

function NewDog() {
  const navigate = useNavigate();
  const add = useAddDog();
  // Sent again after an answer that was lost, it is the same dog.
  const [id] = useState(newId);
  return (
    <>
      <div className="wt-title">
        <h1>New dog</h1>
      </div>
      <Fields
        initial={BLANK}
        busy={add.isPending}
        error={add.error}
        back="/desk/dogs"
        onSave={(draft) => add.mutate({ id, ...draft }, { onSuccess: (dog) => void navigate(`/desk/dogs/${dog.id}`) })}
      />
    </>
  );
}

const FIELD_WORDS: readonly FieldWord<DogRecord>[] = [
  { key: 'name', label: 'Name' },
  { key: 'breed', label: 'Breed' },
  { key: 'coatClass', label: 'Coat class', say: (d) => coatRow(d.coatClass).name },
  { key: 'shape', label: 'Body shape', say: (d) => SHAPE_WORDS[d.shape] },
  { key: 'weightKg', label: 'Weight', say: (d) => massText(d.weightKg) },
  { key: 'sex', label: 'Sex' },
  { key: 'born', label: 'Born', say: (d) => (d.born === null ? '' : dateText(d.born)) },
  {
    key: 'lastSeason',
    label: 'Last season or litter',
    say: (d) => (d.lastSeason === null ? '' : dateText(d.lastSeason)),
  },
  { key: 'standingMinutes', label: 'Stands for', say: (d) => minutesText(d.standingMinutes ?? 0) },
  { key: 'outdoorShare', label: 'Lives outdoors', say: (d) => percent(d.outdoorShare) },
  { key: 'homeCare', label: 'Brushing at home', say: (d) => CARE_WORDS[d.homeCare] },
  { key: 'owner', label: 'Owner' },
  { key: 'traits', label: 'Mind', say: (d) => listText(d.traits.map((t) => TRAIT_WORDS[t])) },
  {
    key: 'care',
    label: 'Besides the coat',
    say: (d) => listText((d.care ?? []).map((item) => careRow(item).name)),
  },
  { key: 'note', label: 'Note' },
];

function EditDog({ dog }: { dog: DogRecord }) {
  const navigate = useNavigate();
  const edit = useEditDog(dog.id);
  const { base, mine, formKey, newer, tried, settle } = useEditing(dog);
  const { id, version, clipOrders: _orders, ...draft } = base;
  return (
    <>
      <div className="wt-title">
        <h1>{dog.name}</h1>
      </div>
      <DogTabs dogId={dog.id} />
      {newer && <ChangedElsewhere base={base} newer={newer} mine={mine} words={FIELD_WORDS} onSettle={settle} />}
      <Fields
        key={formKey}
        initial={draft}
        busy={edit.isPending}
        error={newer ? null : edit.error}
        back={`/desk/dogs/${id}`}
        onSave={(changed) => {
          tried({ ...base, ...changed, care: changed.care ?? base.care });
          edit.mutate({ ...changed, version }, { onSuccess: () => void navigate(`/desk/dogs/${id}`) });
        }}
      />
    </>
  );
}

function ExistingDog({ dogId }: { dogId: string }) {
  return <Loaded query={useDog(dogId)}>{({ dog }) => <EditDog dog={dog} />}</Loaded>;
}

export function DogForm() {
  const { dogId } = useParams();
  return dogId === undefined ? <NewDog /> : <ExistingDog dogId={dogId} />;
}
