/** What is wanted seldom: hair in between, another piece, leaving a step out, a word, and how this device treats its hands. */
import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import { PHASES, roomOf } from '../../../core/bench/index.ts';
import type { ToolKind } from '../../../core/kit/index.ts';
import type { SessionAct, StepRecord } from '../../../core/table/index.ts';
import { Button } from '../../ui/Button.tsx';
import { capital } from '../../words/figures.ts';
import { choose, useComfort, type Comfort } from './comfort.ts';
import type { Table } from './useTable.ts';
import css from './session.module.css';

/** What a form is checked by is not needed while hands are wet. */
const NoteForm = lazy(() => import('./NoteForm.tsx'));

const MS_PER_MINUTE = 60_000;
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
    <section className={css.ask} aria-labelledby="more">
      <h2 id="more">{pieces ? 'Worked with which piece?' : 'More'}</h2>
      {pieces ? (
        <div className={`${css.thumbs} is-tiles`}>
          {others.map((t) => (
            <Button key={t.kind} className={css.thumb} look="usual" onClick={() => usedOther(t.kind)}>
              {capital(t.name)}
            </Button>
          ))}
          <Button className={css.thumb} look="usual" onClick={() => setPieces(false)}>
            Never mind
          </Button>
        </div>
      ) : (
        <>
          <div className={`${css.thumbs} is-tiles`}>
            {step && (
              <Button className={css.thumb} look="usual" onClick={onWeigh}>
                Weigh hair now
              </Button>
            )}
            {step && others.length > 0 && (
              <Button className={css.thumb} look="usual" onClick={() => setPieces(true)}>
                Another piece
              </Button>
            )}
            {step && (
              <Button className={css.thumb} look="usual" onClick={() => onSkip(step)}>
                Leave this step out
              </Button>
            )}
            {CHOICES.map(([key, word]) => (
              <Button
                key={key}
                className={css.thumb}
                look={comfort[key] ? 'chosen' : 'usual'}
                aria-pressed={comfort[key]}
                onClick={() => choose({ [key]: !comfort[key] })}
              >
                {word}
                <small>{comfort[key] ? 'on' : 'off'}</small>
              </Button>
            ))}
            <Button className={css.thumb} look="usual" onClick={onBack}>
              Back to work
            </Button>
          </div>
          <Suspense fallback={null}>
            <NoteForm onWrite={(text) => onActs([{ kind: 'note', text }])} />
          </Suspense>
          <p className="mt-3">
            <Link to={`/desk/dogs/${table.page.dogId}`}>The dog’s page</Link>{' '}
            <Link to="/table/devices">Scale and meters</Link>
          </p>
        </>
      )}
    </section>
  );
}
