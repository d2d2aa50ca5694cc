/** What home and life add to the log: a bout with what came out, "it has started", an event of its life. */
import { useWatch } from 'react-hook-form';
import { homeNoteSchema, lifeNoteSchema, type HomeNote, type LifeNote } from '../../../contract/tide.ts';
import { formatDay, day } from '../../../core/quantity/index.ts';
import { HOME_AMOUNTS, LIFE_EVENTS, lifeRow } from '../../../core/tide/index.ts';
import { Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useAddLife, useAddNote, useDogLog, useDropLife, useDropNote } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import { ChoiceField, DayField, NumberField, SelectField } from '../../ui/form/fields.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';
import { dateText } from '../../words/dates.ts';
import { AMOUNT_WORDS } from '../../words/tide.ts';

const SHOWN = 8;

const AMOUNTS = HOME_AMOUNTS.map((value) => ({ value, word: AMOUNT_WORDS[value] }));
const EVENTS = LIFE_EVENTS.map((k) => [k, lifeRow(k).name] as const);

/** A bout at home with what came out, or the day on which the blow began. */
function HomeNoteForm({ dogId, today }: Props) {
  const add = useAddNote(dogId);
  const form = useSchemaForm<HomeNote>({
    schema: homeNoteSchema,
    values: { id: newId(), day: formatDay(day(today)), what: 'brushed', amount: 'handful', grams: null, author: '' },
  });
  const tell = (note: HomeNote): void => add.mutate({ ...note, id: newId() });
  return (
    <SchemaForm
      form={form}
      name="Brushed at home"
      onSave={(note) => tell({ ...note, amount: note.grams === null ? note.amount : null })}
    >
      <div className="wt-formgrid">
        <DayField form={form} name="day" label="Day" max={formatDay(day(today))} />
        <ChoiceField form={form} name="amount" label="Came out at home" options={AMOUNTS} />
        <NumberField form={form} name="grams" label="or weighed, grams" empty="null" />
      </div>
      <Refusal error={add.error} />
      <div className="wt-acts mt-2">
        <Button type="submit" look="usual" disabled={add.isPending}>
          Brushed at home
        </Button>
        <Button
          look="usual"
          disabled={add.isPending}
          onClick={() =>
            void form.handleSubmit((note) => tell({ ...note, what: 'started', amount: null, grams: null }))()
          }
        >
          It has started
        </Button>
      </div>
    </SchemaForm>
  );
}

const percentOf = (share: number): number => Math.round(share * 100);

/** Something in its life that changes what it sheds. */
function LifeNoteForm({ dogId, today }: Props) {
  const add = useAddLife(dogId);
  const form = useSchemaForm<LifeNote>({
    schema: lifeNoteSchema,
    values: { id: newId(), day: formatDay(day(today)), kind: 'neutered', outdoorShare: null },
  });
  const kind = useWatch({ control: form.control, name: 'kind' });
  return (
    <SchemaForm
      form={form}
      className="mt-3"
      name="Event of its life"
      onSave={(note) =>
        add.mutate({ ...note, id: newId(), outdoorShare: note.kind === 'moved' ? note.outdoorShare : null })
      }
    >
      <div className="wt-formgrid">
        <SelectField form={form} name="kind" label="Event of its life" help={lifeRow(kind).reason} options={EVENTS} />
        <DayField form={form} name="day" label="Its day" max={formatDay(day(today))} />
        {kind === 'moved' && (
          <NumberField
            form={form}
            name="outdoorShare"
            label="Outdoors from then on, per cent"
            empty="null"
            shown={percentOf}
            kept={(percent) => percent / 100}
          />
        )}
      </div>
      <Refusal error={add.error} />
      <div className="wt-acts mt-2">
        <Button type="submit" look="usual" disabled={add.isPending}>
          Note the event
        </Button>
      </div>
    </SchemaForm>
  );
}

interface Props {
  readonly dogId: string;
  readonly today: number;
}

export function DogLogForm({ dogId, today }: Props) {
  const log = useDogLog(dogId);
  const dropNote = useDropNote();
  const dropLife = useDropLife();
  return (
    <Sheet aria-labelledby="log">
      <h2 id="log">Add to its log</h2>
      <HomeNoteForm dogId={dogId} today={today} />
      <LifeNoteForm dogId={dogId} today={today} />
      <Refusal error={dropNote.error ?? dropLife.error} />
      {log.data && (
        <ul className="wt-bare wt-log">
          {log.data.life.toReversed().map((l) => (
            <li key={l.id}>
              {dateText(l.day)}: {lifeRow(l.kind).name}{' '}
              <Button
                look="plain"
                onClick={() => dropLife.mutate(l.id)}
                aria-label={`Take back ${lifeRow(l.kind).name} of ${dateText(l.day)}`}
              >
                Take back
              </Button>
            </li>
          ))}
          {log.data.notes
            .toReversed()
            .slice(0, SHOWN)
            .map((n) => (
              <li key={n.id}>
                {dateText(n.day)}:{' '}
                {n.what === 'started'
                  ? 'it has started'
                  : `brushed, ${n.grams !== null ? `${n.grams} g` : n.amount ? AMOUNT_WORDS[n.amount] : 'no amount'}`}
                {n.author && <span className="wt-soft"> {n.author}</span>}{' '}
                <Button
                  look="plain"
                  onClick={() => dropNote.mutate(n.id)}
                  aria-label={`Take back the note of ${dateText(n.day)}`}
                >
                  Take back
                </Button>
              </li>
            ))}
        </ul>
      )}
    </Sheet>
  );
}
