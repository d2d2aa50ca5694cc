/** What of one dog waits for a vet, and the one act that ends it: the vet has seen it, when, who says so, and what may be done. */
import { useId, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useForm } from 'react-hook-form';
import type { DogHolds, VetWordDraft } from '../../../contract/hold.ts';
import { VET_ALLOWS, waitsForVet, type VetAllows } from '../../../core/check/index.ts';
import { day, formatDay } from '../../../core/quantity/index.ts';
import { ChoiceGroup } from '../../app/ChoiceGroup.tsx';
import { Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useAddVetWord, useDropVetWord } from '../../data/hooks.ts';
import { shortDay } from '../../words/dates.ts';
import { ALLOWS, holdTexts } from '../../words/holds.ts';
import './vet.css';

type Fields = Pick<VetWordDraft, 'day' | 'who' | 'note'>;

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
          <button type="button" className="wt-plain" disabled={drop.isPending} onClick={() => drop.mutate(newest.id)}>
            Take it back
          </button>
        </p>
      )}
      <Refusal error={add.error ?? drop.error} />
      {of.holds.length > 0 &&
        (open ? (
          <VetWordForm
            today={today}
            busy={add.isPending}
            onLeave={() => setOpen(false)}
            onSay={(fields, allows) =>
              add.mutate(
                {
                  id: newId(),
                  ...fields,
                  allows,
                  places: [...new Set(of.holds.map((h) => h.place))],
                  findings: [...new Set(of.holds.map((h) => h.finding))],
                },
                { onSuccess: () => setOpen(false) },
              )
            }
          />
        ) : (
          <Button variant="outline-primary" onClick={() => setOpen(true)}>
            The vet has seen it
          </Button>
        ))}
    </>
  );
}

function VetWordForm({
  today,
  busy,
  onSay,
  onLeave,
}: {
  today: number;
  busy: boolean;
  onSay: (fields: Fields, allows: VetAllows) => void;
  onLeave: () => void;
}) {
  const id = useId();
  const [allows, setAllows] = useState<VetAllows>('as-usual');
  const { register, handleSubmit } = useForm<Fields>({
    defaultValues: { day: formatDay(day(today)), who: '', note: '' },
  });
  return (
    <Form className="wt-vet-form" onSubmit={(e) => void handleSubmit((fields) => onSay(fields, allows))(e)}>
      <Form.Group controlId={`${id}day`}>
        <Form.Label>Seen on</Form.Label>
        <Form.Control type="date" max={formatDay(day(today))} required {...register('day')} />
      </Form.Group>
      <Form.Group controlId={`${id}who`}>
        <Form.Label>Who says so</Form.Label>
        <Form.Control required maxLength={80} placeholder="the vet, or the owner for them" {...register('who')} />
      </Form.Group>
      <div>
        <ChoiceGroup
          name="What may be done"
          options={VET_ALLOWS.map((value) => ({ value, word: ALLOWS[value].word }))}
          value={allows}
          onPick={setAllows}
        />
        <p className="wt-soft mb-0">{ALLOWS[allows].says}</p>
      </div>
      <Form.Group controlId={`${id}note`}>
        <Form.Label>In their words</Form.Label>
        <Form.Control maxLength={600} placeholder="no water on it for ten days" {...register('note')} />
      </Form.Group>
      <div className="wt-acts">
        <Button type="submit" className="wt-now" disabled={busy}>
          Write it down
        </Button>
        <Button variant="outline-primary" onClick={onLeave}>
          Not now
        </Button>
      </div>
    </Form>
  );
}
