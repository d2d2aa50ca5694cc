/** What home and life add to the log: a bout with what came out, "it has started", an event of its life. */
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { formatDay, day } from '../../../core/quantity/index.ts';
import { HOME_AMOUNTS, LIFE_EVENTS, lifeRow, type HomeAmount, type LifeEventKind } from '../../../core/tide/index.ts';
import { ChoiceGroup } from '../../app/ChoiceGroup.tsx';
import { Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useAddLife, useAddNote, useDogLog, useDropLife, useDropNote } from '../../data/hooks.ts';
import { dateText } from '../../words/dates.ts';
import { AMOUNT_WORDS } from '../../words/tide.ts';

const SHOWN = 8;

export function DogLogForm({ dogId, today }: { dogId: string; today: number }) {
  const log = useDogLog(dogId);
  const addNote = useAddNote(dogId);
  const dropNote = useDropNote();
  const addLife = useAddLife(dogId);
  const dropLife = useDropLife();
  const [on, setOn] = useState(formatDay(day(today)));
  const [amount, setAmount] = useState<HomeAmount>('handful');
  const [weighed, setWeighed] = useState('');
  const [kind, setKind] = useState<LifeEventKind>('neutered');
  const [outdoors, setOutdoors] = useState(0.5);
  const gramsSaid = weighed.trim() === '' ? null : Number(weighed);
  return (
    <section className="wt-sheet" aria-labelledby="log">
      <h2 id="log">Add to its log</h2>
      <div className="wt-formgrid">
        <Form.Group controlId="log-day">
          <Form.Label>Day</Form.Label>
          <Form.Control type="date" value={on} max={formatDay(day(today))} onChange={(e) => setOn(e.target.value)} />
        </Form.Group>
        <ChoiceGroup
          name="Came out at home"
          options={HOME_AMOUNTS.map((a) => ({ value: a, word: AMOUNT_WORDS[a] }))}
          value={amount}
          onPick={setAmount}
        />
        <Form.Group controlId="log-grams">
          <Form.Label>or weighed, grams</Form.Label>
          <Form.Control type="number" min={0} step={1} value={weighed} onChange={(e) => setWeighed(e.target.value)} />
        </Form.Group>
      </div>
      <div className="wt-acts mt-2">
        <Button
          variant="outline-primary"
          disabled={addNote.isPending}
          onClick={() =>
            addNote.mutate({
              id: newId(),
              day: on,
              what: 'brushed',
              amount: gramsSaid === null ? amount : null,
              grams: gramsSaid,
              author: '',
            })
          }
        >
          Brushed at home
        </Button>
        <Button
          variant="outline-primary"
          disabled={addNote.isPending}
          onClick={() =>
            addNote.mutate({ id: newId(), day: on, what: 'started', amount: null, grams: null, author: '' })
          }
        >
          It has started
        </Button>
      </div>
      <div className="wt-formgrid mt-3">
        <Form.Group controlId="life-kind">
          <Form.Label>Event of its life</Form.Label>
          <Form.Select
            value={kind}
            onChange={(e) => setKind(LIFE_EVENTS.find((k) => k === e.target.value) ?? 'neutered')}
          >
            {LIFE_EVENTS.map((k) => (
              <option key={k} value={k}>
                {lifeRow(k).name}
              </option>
            ))}
          </Form.Select>
          <Form.Text>{lifeRow(kind).reason}</Form.Text>
        </Form.Group>
        {kind === 'moved' && (
          <Form.Group controlId="life-outdoors">
            <Form.Label>Outdoors from then on: {Math.round(outdoors * 100)} %</Form.Label>
            <Form.Range
              min={0}
              max={1}
              step={0.05}
              value={outdoors}
              onChange={(e) => setOutdoors(Number(e.target.value))}
            />
          </Form.Group>
        )}
      </div>
      <div className="wt-acts mt-2">
        <Button
          variant="outline-primary"
          disabled={addLife.isPending}
          onClick={() =>
            addLife.mutate({ id: newId(), day: on, kind, outdoorShare: kind === 'moved' ? outdoors : null })
          }
        >
          Note the event
        </Button>
      </div>
      <Refusal error={addNote.error ?? addLife.error ?? dropNote.error ?? dropLife.error} />
      {log.data && (
        <ul className="wt-bare wt-log">
          {log.data.life.toReversed().map((l) => (
            <li key={l.id}>
              {dateText(l.day)}: {lifeRow(l.kind).name}{' '}
              <Button
                variant="link"
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
                  variant="link"
                  onClick={() => dropNote.mutate(n.id)}
                  aria-label={`Take back the note of ${dateText(n.day)}`}
                >
                  Take back
                </Button>
              </li>
            ))}
        </ul>
      )}
    </section>
  );
}
