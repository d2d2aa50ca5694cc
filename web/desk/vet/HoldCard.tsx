/** What of one dog waits for a vet, and the one act that ends it: the vet has seen it, when, who says so, and what may be done. */
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { vetWordSchema, type DogHolds, type VetWordDraft } from '../../../contract/hold.ts';
import { VET_ALLOWS, waitsForVet } from '../../../core/check/index.ts';
import { day, formatDay } from '../../../core/quantity/index.ts';
import { Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useAddVetWord, useDropVetWord } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import { ChoiceField, DayField, TextField } from '../../ui/form/fields.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';
import { shortDay } from '../../words/dates.ts';
import { ALLOWS, holdTexts } from '../../words/holds.ts';
import css from './vet.module.css';

export function HoldCard({ of, today }: { of: DogHolds; today: number }) {
  const [open, setOpen] = useState(false);
  const add = useAddVetWord(of.dogId);
  const drop = useDropVetWord();
  const newest = of.words.at(-1);
  return (
    <>
      {of.holds.length > 0 && (
        <ul className="wt-bare">
          {holdTexts(of.holds, shortDay).map((text) => (
            <li key={text}>{text}</li>
          ))}
        </ul>
      )}
      {waitsForVet(of.holds) && (
        <p className="wt-soft">
          Nothing is worked there, and nobody is invited, until a vet has seen it or a later coat check finds it clear.
          Ask how it went.
        </p>
      )}
      {newest && (
        <p>
          {shortDay(newest.day)}, {newest.who}: {ALLOWS[newest.allows].word.toLowerCase()}.
          {newest.note && ` “${newest.note}”`}{' '}
          <Button look="plain" disabled={drop.isPending} onClick={() => drop.mutate(newest.id)}>
            Take it back
          </Button>
        </p>
      )}
      <Refusal error={add.error ?? drop.error} />
      {of.holds.length > 0 &&
        (open ? (
          <VetWordForm
            of={of}
            today={today}
            busy={add.isPending}
            onLeave={() => setOpen(false)}
            onSay={(word) => add.mutate(word, { onSuccess: () => setOpen(false) })}
          />
        ) : (
          <Button look="usual" onClick={() => setOpen(true)}>
            The vet has seen it
          </Button>
        ))}
    </>
  );
}

const MAY_BE_DONE = VET_ALLOWS.map((value) => ({ value, word: ALLOWS[value].word }));

function VetWordForm({
  of,
  today,
  busy,
  onSay,
  onLeave,
}: {
  of: DogHolds;
  today: number;
  busy: boolean;
  onSay: (word: VetWordDraft) => void;
  onLeave: () => void;
}) {
  const form = useSchemaForm<VetWordDraft>({
    schema: vetWordSchema,
    values: {
      id: newId(),
      day: formatDay(day(today)),
      who: '',
      allows: 'as-usual',
      note: '',
      places: [...new Set(of.holds.map((h) => h.place))],
      findings: [...new Set(of.holds.map((h) => h.finding))],
    },
  });
  const allows = useWatch({ control: form.control, name: 'allows' });
  return (
    <SchemaForm form={form} className={css.vetForm} onSave={onSay}>
      <DayField form={form} name="day" label="Seen on" max={formatDay(day(today))} />
      <TextField form={form} name="who" label="Who says so" input={{ placeholder: 'the vet, or the owner for them' }} />
      <div>
        <ChoiceField form={form} name="allows" label="What may be done" options={MAY_BE_DONE} />
        <p className="wt-soft mb-0">{ALLOWS[allows].says}</p>
      </div>
      <TextField
        form={form}
        name="note"
        label="In their words"
        input={{ placeholder: 'no water on it for ten days' }}
      />
      <div className="wt-acts">
        <Button type="submit" className="wt-now" disabled={busy}>
          Write it down
        </Button>
        <Button look="usual" onClick={onLeave}>
          Not now
        </Button>
      </div>
    </SchemaForm>
  );
}
