/** What is wanted seldom: hair in between, another piece, leaving a step out, a word, and how this device treats its hands. */
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link } from 'react-router';
import { PHASES, roomOf } from '../../../core/bench/index.ts';
import type { ToolKind } from '../../../core/kit/index.ts';
import type { SessionAct, StepRecord } from '../../../core/table/index.ts';
import { capital } from '../../words/figures.ts';
import { choose, useComfort, type Comfort } from './comfort.ts';
import type { Table } from './useTable.ts';

const MS_PER_MINUTE = 60_000;
const LONGEST_NOTE = 500;
const CHOICES: readonly (readonly [keyof Comfort, string])[] = [
  ['leftHanded', 'Keys for the left hand'],
  ['sound', 'Sound'],
  ['buzz', 'Buzz'],
];

interface Props {
  readonly table: Table;
  readonly step: StepRecord | undefined;
  readonly onActs: (acts: readonly SessionAct[]) => void;
  readonly onWeigh: () => void;
  readonly onSkip: (step: StepRecord) => void;
  readonly onBack: () => void;
}

export function More({ table, step, onActs, onWeigh, onSkip, onBack }: Props) {
  const comfort = useComfort();
  const [note, setNote] = useState('');
  const [pieces, setPieces] = useState(false);
  const kinds = step ? PHASES[step.plan.phase].tools : [];
  const others = [...new Map(roomOf(table.page.request.kit).map((t) => [t.kind, t])).values()].filter(
    (t) => kinds.includes(t.kind) && t.kind !== step?.plan.tool.kind,
  );
  const usedOther = (tool: ToolKind): void => {
    if (step)
      onActs([{ kind: 'did', step: step.id, tool, minutes: Math.round((step.workedMs / MS_PER_MINUTE) * 10) / 10 }]);
  };
  return (
    <section className="wt-ask" aria-labelledby="more">
      <h2 id="more">{pieces ? 'Worked with which piece?' : 'More'}</h2>
      {pieces ? (
        <div className="wt-thumbs is-tiles">
          {others.map((t) => (
            <Button key={t.kind} className="wt-thumb" variant="outline-primary" onClick={() => usedOther(t.kind)}>
              {capital(t.name)}
            </Button>
          ))}
          <Button className="wt-thumb" variant="outline-primary" onClick={() => setPieces(false)}>
            Never mind
          </Button>
        </div>
      ) : (
        <>
          <div className="wt-thumbs is-tiles">
            {step && (
              <Button className="wt-thumb" variant="outline-primary" onClick={onWeigh}>
                Weigh hair now
              </Button>
            )}
            {step && others.length > 0 && (
              <Button className="wt-thumb" variant="outline-primary" onClick={() => setPieces(true)}>
                Another piece
              </Button>
            )}
            {step && (
              <Button className="wt-thumb" variant="outline-primary" onClick={() => onSkip(step)}>
                Leave this step out
              </Button>
            )}
            {CHOICES.map(([key, word]) => (
              <Button
                key={key}
                className="wt-thumb"
                variant={comfort[key] ? 'secondary' : 'outline-primary'}
                aria-pressed={comfort[key]}
                onClick={() => choose({ [key]: !comfort[key] })}
              >
                {word}
                <small>{comfort[key] ? 'on' : 'off'}</small>
              </Button>
            ))}
            <Button className="wt-thumb" variant="outline-primary" onClick={onBack}>
              Back to work
            </Button>
          </div>
          <form
            className="wt-weigh mt-3"
            onSubmit={(e) => {
              e.preventDefault();
              if (note.trim() !== '') onActs([{ kind: 'note', text: note.trim() }]);
            }}
          >
            <label>
              A word for the record, with dry hands
              <Form.Control
                className="w-100"
                value={note}
                maxLength={LONGEST_NOTE}
                onChange={(e) => setNote(e.target.value)}
              />
            </label>
            <Button type="submit" variant="outline-primary" disabled={note.trim() === ''}>
              Write down
            </Button>
          </form>
          <p className="mt-3">
            <Link to={`/desk/dogs/${table.page.dogId}`}>The dog’s page</Link>{' '}
            <Link to="/table/devices">Scale and meters</Link>
          </p>
        </>
      )}
    </section>
  );
}
