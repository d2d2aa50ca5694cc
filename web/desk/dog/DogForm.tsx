/** A dog's lasting facts: new or changed. The same schema guards this form and the route. */
import { joiResolver } from '@hookform/resolvers/joi';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useForm, useWatch } from 'react-hook-form';
import { Link, useNavigate, useParams } from 'react-router';
import { dogDraftSchema, type DogDraft, type DogRecord } from '../../../contract/dog.ts';
import { STRICT } from '../../../contract/common.ts';
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
import { ChangedElsewhere, useEditing, type FieldWord } from '../../app/edit-conflict.tsx';
import { Loaded, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useAddDog, useDog, useEditDog } from '../../data/hooks.ts';
import { dateText } from '../../words/dates.ts';
import { capital, listText, minutesText, percent } from '../../words/figures.ts';
import { massKg, massShown, massText, massWord } from '../../words/units.ts';

const BLANK: DogDraft = {
  name: '',
  breed: '',
  sex: 'female',
  born: null,
  coatClass: 'medium-double',
  shape: 'retriever',
  weightKg: 20,
  lastSeason: null,
  traits: [],
  care: [],
  outdoorShare: 0.25,
  standingMinutes: null,
  homeCare: 'some',
  note: '',
  owner: { name: '', phone: '' },
};

/** Names are offered from this many letters on, and so many of them. */
const LEAST_LETTERS = 3;
const MOST_NEAR = 4;

const CARE_WORDS = { none: 'hardly any', some: 'now and then', steady: 'as the card says' } as const;
const emptyToNull = (value: unknown): unknown => (value === '' || value === null ? null : value);
const toNumber = (value: unknown): unknown => (value === '' || value === null ? null : Number(value));

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
  const { register, handleSubmit, formState, control, getValues, setValue } = useForm<DogDraft>({
    defaultValues: initial,
    resolver: joiResolver(dogDraftSchema, { ...STRICT, abortEarly: false }),
  });
  const { errors } = formState;
  const breed = useWatch({ control, name: 'breed' });
  const weightKg = useWatch({ control, name: 'weightKg' });
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
  const said = (message: string | undefined) =>
    message && <Form.Control.Feedback type="invalid">{message}</Form.Control.Feedback>;
  return (
    <Form noValidate className="wt-sheet" onSubmit={(e) => void handleSubmit(onSave)(e)}>
      <div className="wt-formgrid">
        <Form.Group controlId="name">
          <Form.Label>Name</Form.Label>
          <Form.Control {...register('name')} isInvalid={!!errors.name} autoComplete="off" />
          {said(errors.name?.message)}
        </Form.Group>
        <Form.Group controlId="breed">
          <Form.Label>Breed or mix</Form.Label>
          <Form.Control {...register('breed')} isInvalid={!!errors.breed} autoComplete="off" list="breeds" />
          <datalist id="breeds">
            {BREEDS.map((b) => (
              <option key={b.name} value={b.name} />
            ))}
          </datalist>
        </Form.Group>
        <Form.Group controlId="coatClass">
          <Form.Label>Coat class</Form.Label>
          <Form.Select {...register('coatClass')}>
            {COATS.map((c) => (
              <option key={c.coatClass} value={c.coatClass}>
                {capital(c.name)}, {c.guardMm.low} to {c.guardMm.high} mm
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="shape">
          <Form.Label>Body shape</Form.Label>
          <Form.Select {...register('shape')}>
            {BODY_SHAPES.map((s) => (
              <option key={s} value={s}>
                {capital(SHAPE_WORDS[s])}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="weightKg">
          <Form.Label>Weight, {massWord()}</Form.Label>
          <Form.Control
            type="number"
            step="0.1"
            value={Number.isFinite(weightKg) ? massShown(weightKg) : ''}
            onChange={(e) => setValue('weightKg', e.target.value === '' ? NaN : massKg(Number(e.target.value)))}
            isInvalid={!!errors.weightKg}
          />
          {said(errors.weightKg?.message)}
        </Form.Group>
        <Form.Group controlId="sex">
          <Form.Label>Sex</Form.Label>
          <Form.Select {...register('sex')}>
            {SEXES.map((s) => (
              <option key={s}>{s}</option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="born">
          <Form.Label>Born</Form.Label>
          <Form.Control type="date" {...register('born', { setValueAs: emptyToNull })} isInvalid={!!errors.born} />
          {said(errors.born?.message)}
        </Form.Group>
        <Form.Group controlId="lastSeason">
          <Form.Label>Last season or litter, if intact</Form.Label>
          <Form.Control
            type="date"
            {...register('lastSeason', { setValueAs: emptyToNull })}
            isInvalid={!!errors.lastSeason}
          />
          {said(errors.lastSeason?.message)}
        </Form.Group>
        <Form.Group controlId="standing">
          <Form.Label>Stands for, minutes</Form.Label>
          <Form.Control
            type="number"
            {...register('standingMinutes', { setValueAs: toNumber })}
            isInvalid={!!errors.standingMinutes}
          />
          {said(errors.standingMinutes?.message)}
        </Form.Group>
        <Form.Group controlId="outdoor">
          <Form.Label>Lives outdoors, 0 to 1 of its time</Form.Label>
          <Form.Control
            type="number"
            step="0.05"
            {...register('outdoorShare', { setValueAs: toNumber })}
            isInvalid={!!errors.outdoorShare}
          />
          {said(errors.outdoorShare?.message)}
        </Form.Group>
        <Form.Group controlId="care">
          <Form.Label>Brushing at home</Form.Label>
          <Form.Select {...register('homeCare')}>
            {HOME_CARE.map((c) => (
              <option key={c} value={c}>
                {CARE_WORDS[c]}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="owner">
          <Form.Label>Owner</Form.Label>
          <Form.Control {...register('owner.name')} isInvalid={!!errors.owner?.name} autoComplete="off" />
          {said(errors.owner?.name?.message)}
        </Form.Group>
        <Form.Group controlId="phone">
          <Form.Label>Phone</Form.Label>
          <Form.Control {...register('owner.phone')} autoComplete="off" />
        </Form.Group>
      </div>
      {usual && (
        <div className="wt-note wt-note-good mt-3" role="status">
          <p>
            Usual for {usual.name}: {coatRow(usual.coatClass).name}, {massShown(usual.weightKg.low)} to{' '}
            {massText(usual.weightKg.high)}, hair of about {usual.backMm} mm at the back. Your hands and scale correct
            it.
          </p>
          <Button size="sm" variant="outline-primary" onClick={() => takeUsual(usual)}>
            Take what is usual
          </Button>
        </div>
      )}
      {near.length > 0 && (
        <p className="wt-note mt-3" role="status">
          Is it one of these?{' '}
          {near.map((b) => (
            <Button
              key={b.name}
              size="sm"
              variant="outline-primary"
              className="me-2"
              onClick={() => setValue('breed', b.name)}
            >
              {b.name}
            </Button>
          ))}
        </p>
      )}
      <fieldset className="mt-3">
        <legend className="fs-6">Mind</legend>
        <div className="wt-acts">
          {DOG_TRAITS.map((t) => (
            <Form.Check
              key={t}
              id={`trait-${t}`}
              type="checkbox"
              label={TRAIT_WORDS[t]}
              value={t}
              {...register('traits')}
            />
          ))}
        </div>
      </fieldset>
      <fieldset className="mt-3">
        <legend className="fs-6">Besides the coat, at each visit</legend>
        <div className="wt-acts">
          {CARE.map(({ item, name }) => (
            <Form.Check
              key={item}
              id={`care-${item}`}
              type="checkbox"
              label={name}
              value={item}
              {...register('care')}
            />
          ))}
        </div>
      </fieldset>
      <Form.Group controlId="note" className="mt-3">
        <Form.Label>Note</Form.Label>
        <Form.Control as="textarea" rows={2} {...register('note')} />
      </Form.Group>
      <Refusal error={error} />
      <div className="wt-acts mt-3">
        <Button type="submit" disabled={busy}>
          Save
        </Button>
        <Link to={back}>Back without saving</Link>
      </div>
    </Form>
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
