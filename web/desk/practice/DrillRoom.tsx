/** Practice → Asked again: one question at a time, its answer with the reason, and on to the next. */
import { Check, X } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { PracticePage } from '../../../contract/practice.ts';
import { askCard, dueCards, rightAnswer, type DrillCard } from '../../../core/practice/index.ts';
import { day } from '../../../core/quantity/index.ts';
import { Loaded, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useKeepAnswer, usePracticePage } from '../../data/practice.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { answerWhy, optionsOf, questionParts } from '../../words/practice.ts';
import { shortDay } from '../../words/dates.ts';
import css from './practice.module.css';

/** A new way to ask each time, within what a seed may be. */
const seedOf = (): number => (crypto.getRandomValues(new Uint32Array(1))[0] ?? 0) >>> 1;

function Asked({ card, onDone }: { card: DrillCard; onDone: () => void }) {
  const [seed] = useState(seedOf);
  const [given, setGiven] = useState<string>();
  const keep = useKeepAnswer();
  const q = useMemo(() => askCard(card.id, seed), [card.id, seed]);
  const { scene, ask } = questionParts(q);
  const options = optionsOf(q);
  const right = rightAnswer(q);
  const next = useRef<HTMLButtonElement>(null);
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), []);
  useEffect(() => {
    if (given !== undefined) next.current?.focus();
  }, [given]);
  const answer = (value: string): void => {
    if (given !== undefined) return;
    setGiven(value);
    keep.mutate({ id: newId(), card: card.id, seed, answer: value });
  };
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      const option = options[Number(e.key) - 1];
      if (option && !e.ctrlKey && !e.metaKey && !e.altKey) answer(option.value);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
  return (
    <Sheet as="div" className={css.asked}>
      <p>{scene}</p>
      <h2 ref={heading} tabIndex={-1}>
        {ask}
      </h2>
      <ol className={css.options}>
        {options.map((o, i) => {
          const mark =
            given === undefined ? undefined : o.value === right ? 'right' : o.value === given ? 'wrong' : 'other';
          return (
            <li key={o.value}>
              <button
                type="button"
                className={mark && `is-${mark}`}
                aria-disabled={given !== undefined}
                onClick={() => answer(o.value)}
              >
                <kbd aria-hidden>{i + 1}</kbd>
                <span>{o.word}</span>
                {mark === 'right' && (
                  <>
                    <Check aria-hidden size={20} />
                    <span className="visually-hidden">, right</span>
                  </>
                )}
                {mark === 'wrong' && (
                  <>
                    <X aria-hidden size={20} />
                    <span className="visually-hidden">, your answer</span>
                  </>
                )}
              </button>
            </li>
          );
        })}
      </ol>
      {given !== undefined && (
        <>
          <Notice tone={given === right ? 'good' : 'caution'} role="status">
            <strong>{given === right ? 'Right.' : 'Not quite.'}</strong> {answerWhy(q)}
          </Notice>
          <Refusal error={keep.error} />
          <Button ref={next} onClick={onDone}>
            Next
          </Button>
        </>
      )}
    </Sheet>
  );
}

function Drills({ page }: { page: PracticePage }) {
  // What is due when the room is entered is what is asked in it: answers that come in do not change the list.
  const [cards] = useState(() =>
    dueCards(
      page.answers.map((a) => ({ ...a, day: day(a.day) })),
      day(page.today),
    ),
  );
  const [at, setAt] = useState(0);
  const card = cards.cards[at];
  if (!card) {
    return (
      <Notice tone="good" role="status">
        {cards.cards.length > 0 ? 'That was all for today.' : 'Nothing is due now.'}{' '}
        {cards.next !== undefined && `Come back ${shortDay(cards.next)}. `}
        <Link to="/desk/practice">Back to practice</Link>
      </Notice>
    );
  }
  return (
    <>
      <p className="wt-soft">
        {at + 1} of {cards.cards.length}
      </p>
      <Asked key={`${card.id} ${at}`} card={card} onDone={() => setAt(at + 1)} />
    </>
  );
}

export function DrillRoom() {
  return (
    <>
      <div className="wt-title">
        <div>
          <span className="wt-crumb">
            <Link to="/desk/practice">Practice</Link>
          </span>
          <h1>Asked again</h1>
        </div>
      </div>
      <Loaded query={usePracticePage()}>{(page) => <Drills page={page} />}</Loaded>
    </>
  );
}
