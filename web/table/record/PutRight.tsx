/** Putting a record right: a weight that was wrong, or one that nobody took. It is a new event; what it was stays on show. */
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { inOrder, standingEvents, type SessionAct } from '../../../core/table/index.ts';
import type { Table } from '../session/useTable.ts';

const MOST_GRAMS = 5000;

export function PutRight({ table, stepName }: { table: Table; stepName: (id: string) => string }) {
  const { record, view, tell } = table;
  const [step, setStep] = useState(record.steps[0]?.id ?? '');
  const [text, setText] = useState('');
  const value = Number(text);
  const good = text !== '' && value >= 0 && value <= MOST_GRAMS;
  const { undone } = standingEvents(view.events);
  const weighings = inOrder(view.events).filter(
    (e) => !undone.has(e.id) && e.act.kind === 'weighed' && e.act.step === step && e.act.zone === undefined,
  );
  const write = (): void => {
    const act: SessionAct = { kind: 'weighed', step, grams: value, by: 'hand' };
    const last = weighings.at(-1);
    // The bags of a step are put right as one: the last said, those before it said to be nothing.
    const corrections = weighings
      .slice(0, -1)
      .map((e): SessionAct => ({ kind: 'corrected', of: e.id, act: { kind: 'weighed', step, grams: 0, by: 'hand' } }));
    void tell(...corrections, last ? { kind: 'corrected', of: last.id, act } : act);
    setText('');
  };
  return (
    <details className="wt-sheet">
      <summary>Put a weight right</summary>
      <form
        className="wt-weigh flex-wrap"
        onSubmit={(e) => {
          e.preventDefault();
          if (good) write();
        }}
      >
        <label>
          Step
          <Form.Select value={step} onChange={(e) => setStep(e.target.value)}>
            {record.steps.map((s) => (
              <option key={s.id} value={s.id}>
                {stepName(s.id)}
              </option>
            ))}
          </Form.Select>
        </label>
        <label>
          Hair in all, g
          <Form.Control
            type="number"
            inputMode="decimal"
            min={0}
            max={MOST_GRAMS}
            step={0.1}
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
        </label>
        <Button type="submit" variant="outline-primary" disabled={!good}>
          {weighings.length > 0 ? 'Put it right' : 'Write it down'}
        </Button>
      </form>
    </details>
  );
}
