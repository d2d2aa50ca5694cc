/** Calendar → Book a visit: any dog or a new client, for the coat or anything else, at any day and time. */
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { BookingRecord } from '../../../contract/booking.ts';
import { dogDraftSchema, type DogDraft, type DogListItem } from '../../../contract/dog.ts';
import { breedOf, BREEDS, SERVICES, serviceName, type BreedRow, type Service } from '../../../core/dog/index.ts';
import { day, formatDay, parseDay } from '../../../core/quantity/index.ts';
import { searchWith } from '../../app/search-with.ts';
import { Loaded, NotYet, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useAddDog, useBook, useCancelBooking, useDog, useDogs, useFoundDogs, useSalon } from '../../data/hooks.ts';
import { Button, ButtonAnchor, ButtonLink } from '../../ui/Button.tsx';
import { Check, Field, Input, Select } from '../../ui/Field.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import { NumberField, TextField } from '../../ui/form/fields.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';
import { instantText, shortDay } from '../../words/dates.ts';
import { capital, minutesText } from '../../words/figures.ts';
import { instantOf } from '../../words/on-day.ts';
import { needText } from '../../words/reasons.ts';
import { massKg, massShown, massWord } from '../../words/units.ts';
import { BLANK } from '../dog/blank-dog.ts';
import { OfferByLink } from './OfferByLink.tsx';
import { Times } from './Times.tsx';

/** So many names are offered. */
const MOST_NEAR = 8;

const middle = ({ weightKg }: BreedRow): number => Math.round((weightKg.low + weightKg.high) * 5) / 10;

/** Name, breed and number are enough for a first date; the rest is asked when the dog stands there. */
function NewClient({ typed, onMade }: { typed: string; onMade: (dogId: string) => void }) {
  const add = useAddDog();
  const form = useSchemaForm<DogDraft>({
    schema: dogDraftSchema,
    values: { ...BLANK, name: typed },
  });
  return (
    <SchemaForm
      form={form}
      onSave={(draft) => {
        const breed = breedOf(draft.breed);
        const known = breed ? { coatClass: breed.coatClass, shape: breed.shape, traits: breed.traits } : {};
        add.mutate({ ...draft, ...known, id: newId() }, { onSuccess: ({ id }) => onMade(id) });
      }}
    >
      <div className="wt-formgrid">
        <TextField form={form} name="name" label="Dog’s name" />
        <TextField
          form={form}
          name="breed"
          label="Breed or mix"
          input={{
            list: 'breeds',
            onBlur: (e) => {
              const breed = breedOf(e.target.value);
              if (breed) form.setValue('weightKg', middle(breed));
            },
          }}
        >
          <datalist id="breeds">
            {BREEDS.map((b) => (
              <option key={b.name} value={b.name} />
            ))}
          </datalist>
        </TextField>
        <NumberField
          form={form}
          name="weightKg"
          label={`Weight, ${massWord()}`}
          digits={1}
          shown={massShown}
          kept={massKg}
        />
        <TextField form={form} name="owner.name" label="Owner" />
        <TextField form={form} name="owner.phone" label="Phone" type="tel" />
      </div>
      <Refusal error={add.error} />
      <Button type="submit" disabled={add.isPending}>
        Add and choose a time
      </Button>
    </SchemaForm>
  );
}

/** Who comes: found by a part of a name, or new. */
function WhoComes({
  typed,
  onType,
  onPick,
}: {
  typed: string;
  onType: (t: string) => void;
  onPick: (id: string) => void;
}) {
  const all = useDogs();
  const wanted = typed.trim();
  const found = useFoundDogs(wanted);
  const [isNew, setNew] = useState(false);
  if (isNew) return <NewClient typed={wanted} onMade={onPick} />;
  const near = (wanted.length > 1 ? (found.data?.dogs ?? []) : (all.data?.dogs ?? [])).slice(0, MOST_NEAR);
  return (
    <>
      <Field label="Dog or owner" id="visit-who">
        <Input id="visit-who" type="search" autoComplete="off" value={typed} onChange={(e) => onType(e.target.value)} />
      </Field>
      <div className="d-flex flex-wrap g-2 above-4 below-4" role="group" aria-label="Dogs">
        {near.map((d) => (
          <Button key={d.id} look="usual" onClick={() => onPick(d.id)}>
            {d.name} <span className="wt-soft">{d.ownerName}</span>
          </Button>
        ))}
      </div>
      {wanted.length > 1 && found.data?.dogs.length === 0 && <p>No dog or owner is called “{wanted}”.</p>}
      <Button onClick={() => setNew(true)}>New client</Button>
    </>
  );
}

function Booked({ booking, zone, onNext }: { booking: BookingRecord; zone: string; onNext: () => void }) {
  const cancel = useCancelBooking();
  if (cancel.isSuccess)
    return (
      <Notice role="status">
        <p>Not booked: {booking.dogName} is taken out again.</p>
        <Button look="usual" onClick={onNext}>
          Book a visit
        </Button>
      </Notice>
    );
  return (
    <Notice tone="good" role="status">
      <p className="wt-lead mb-2">
        Booked: {booking.dogName}, {instantText(booking.startsAt, zone)}, {minutesText(booking.minutes)}
        {!booking.agreed && ', held until the owner agrees'}.
      </p>
      <div className="wt-acts">
        <ButtonAnchor href={`/api/bookings/${booking.id}/calendar.ics`} download>
          Calendar file
        </ButtonAnchor>
        {booking.service === 'coat' && (
          <ButtonLink to={`/desk/dogs/${booking.dogId}/check`}>Start the coat check</ButtonLink>
        )}
        <ButtonLink to={`/desk/dogs/${booking.dogId}`}>Open {booking.dogName}</ButtonLink>
        <Button look="usual" onClick={onNext}>
          Book another
        </Button>
        <Button look="plain" disabled={cancel.isPending} onClick={() => cancel.mutate(booking)}>
          Undo
        </Button>
      </div>
      <Refusal error={cancel.error} />
    </Notice>
  );
}

function WhatFor({ service, onPick }: { service: Service; onPick: (service: Service) => void }) {
  return (
    <Field label="What for" id="visit-for">
      <Select
        id="visit-for"
        value={service}
        onChange={(e) => onPick(SERVICES.find((s) => s === e.target.value) ?? 'coat')}
      >
        {SERVICES.map((s) => (
          <option key={s} value={s}>
            {capital(serviceName(s))}
          </option>
        ))}
      </Select>
    </Field>
  );
}

/** A time that came with the address, on that day. */
const atTyped = (on: string, time: string | null, zone: string): string | undefined => {
  const minute = Number(time ?? Number.NaN);
  return parseDay(on) !== undefined && Number.isInteger(minute) && minute >= 0 && minute < 1440
    ? instantOf(on, minute, zone)
    : undefined;
};

function Asked({
  dog,
  zone,
  today,
}: {
  dog: Pick<DogListItem, 'id' | 'name' | 'ownerName'> & Partial<DogListItem>;
  zone: string;
  today: string;
}) {
  const [params, setParams] = useSearchParams();
  const book = useBook();
  const [agreed, setAgreed] = useState(true);
  const set = (more: Readonly<Record<string, string | undefined>>): void =>
    setParams((now) => searchWith(now, more), { replace: true });
  const service = SERVICES.find((s) => s === params.get('for')) ?? 'coat';
  const due = dog.outlook?.visit;
  const on = params.get('day') ?? (due === undefined ? today : formatDay(day(Math.max(due, parseDay(today) ?? 0))));
  const minutes = params.get('minutes');
  const pickService = (s: Service): void =>
    set({ for: s === 'coat' ? undefined : s, minutes: undefined, at: undefined });
  if (book.data)
    return (
      <Booked
        key={book.data.id}
        booking={book.data}
        zone={zone}
        onNext={() => {
          book.reset();
          setParams({}, { replace: true });
        }}
      />
    );
  return (
    <Sheet aria-labelledby="who">
      <h2 id="who">
        <Link to={`/desk/dogs/${dog.id}`}>{dog.name}</Link> <span className="wt-soft">{dog.ownerName}</span>
      </h2>
      {dog.need && (
        <p>
          {needText(dog.need.reason, parseDay(today) ?? 0)}
          {dog.booked != null && ` Booked already for ${shortDay(dog.booked)}.`}
        </p>
      )}
      <Times
        dogId={dog.id}
        service={service}
        day={on}
        minutes={minutes === null ? undefined : Number(minutes)}
        chosen={params.get('at') ?? atTyped(on, params.get('time'), zone)}
        zone={zone}
        today={today}
        beside={<WhatFor service={service} onPick={pickService} />}
        onDay={(d) => set({ day: d, at: undefined, time: undefined })}
        onMinutes={(m) => set({ minutes: m === undefined ? undefined : String(m), at: undefined })}
        onChoose={(at) => set({ at, time: undefined })}
      >
        {(chosen) => (
          <>
            <Refusal error={book.error} />
            <Check
              id="visit-agreed"
              label="The owner has agreed"
              checked={agreed}
              onChange={(e) => setAgreed(e.target.checked)}
            />
            <div className="wt-acts mt-2">
              <Button
                className="wt-now"
                size="lg"
                disabled={!chosen || book.isPending}
                onClick={() =>
                  chosen && book.mutate({ id: newId(), dogId: dog.id, ...chosen, note: '', service, agreed })
                }
              >
                {chosen ? `Book ${instantText(chosen.startsAt, zone)}` : 'Choose a time'}
              </Button>
              {service === 'coat' && (
                <ButtonLink to={`/table/dogs/${dog.id}/check`}>It is here now: check the coat</ButtonLink>
              )}
            </div>
            {service === 'coat' && <OfferByLink dogId={dog.id} name={dog.name} chosen={chosen} zone={zone} />}
          </>
        )}
      </Times>
    </Sheet>
  );
}

/** The list may get a dog while it is booked, that was not seen for years: what was said of it must stand. */
function AskedOf({
  dogId,
  listed,
  ...of
}: {
  dogId: string;
  listed: DogListItem | undefined;
  zone: string;
  today: string;
}) {
  const one = useDog(dogId);
  const facts = one.data?.dog;
  const dog = listed ?? (facts && { id: facts.id, name: facts.name, ownerName: facts.owner.name });
  return dog ? <Asked dog={dog} {...of} /> : <NotYet queries={[one]} />;
}

export function BookVisitRoom() {
  const [params, setParams] = useSearchParams();
  const dogs = useDogs();
  const salon = useSalon();
  const dogId = params.get('dog') ?? '';
  const typed = params.get('find') ?? '';
  const keep = (more: Readonly<Record<string, string>>): void =>
    setParams((now) => searchWith(now, more), { replace: true });
  return (
    <>
      <div className="wt-title">
        <div>
          <span className="wt-crumb">
            <Link to="/desk/calendar">Calendar</Link>
          </span>
          <h1>Book a visit</h1>
        </div>
      </div>
      <div className="w-narrow d-grid g-6">
        <Loaded query={salon}>
          {({ salon: { timeZone } }) => (
            <Loaded query={dogs}>
              {(page) => {
                const dog = page.dogs.find((d) => d.id === dogId);
                return dogId === '' ? (
                  <Sheet aria-labelledby="who">
                    <h2 id="who">Who comes</h2>
                    <WhoComes typed={typed} onType={(t) => keep({ find: t })} onPick={(id) => keep({ dog: id })} />
                  </Sheet>
                ) : (
                  <AskedOf key={dogId} dogId={dogId} listed={dog} zone={timeZone} today={formatDay(day(page.today))} />
                );
              }}
            </Loaded>
          )}
        </Loaded>
      </div>
    </>
  );
}
