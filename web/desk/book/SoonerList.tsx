/** Who had better come on a free day than on the later one they have, by what it saves. */
import { useEffect } from 'react';
import type { TideFile } from '../../../contract/tide.ts';
import type { Day } from '../../../core/quantity/index.ts';
import { Button } from '../../ui/Button.tsx';
import type { BookAnswer } from '../../work/useBookPlan.ts';
import { shortDay } from '../../words/dates.ts';
import { grams, minutesText } from '../../words/figures.ts';

const MOST = 5;
/** Less than this on the floor is not worth a word, grams. */
const LITTLE_G = 5;

interface Props extends Pick<BookAnswer, 'sooner' | 'askSooner' | 'state'> {
  readonly file: TideFile;
  readonly day: Day;
  readonly onOffer: (dogId: string, from: Day) => void;
}

export function SoonerList({ file, day, state, sooner, askSooner, onOffer }: Props) {
  useEffect(() => {
    if (state === 'done') askSooner(day);
  }, [state, day, askSooner]);
  if (sooner?.on !== day) return null;
  return (
    <section aria-labelledby="sooner">
      <h3 id="sooner">Would gain by coming on this day</h3>
      {sooner.sooner.length === 0 && <p>Nobody: every later date is as good or better.</p>}
      <ul className="wt-bare wt-rows">
        {sooner.sooner.slice(0, MOST).map((s) => (
          <li key={`${s.dogId} ${s.from}`}>
            <span>
              <strong>{file.dogs.find((d) => d.id === s.dogId)?.name}</strong>, down for {shortDay(s.from)}: saves{' '}
              {minutesText(Math.max(1, Math.round(s.gain)))} in all
              {s.grams > LITTLE_G && `, ${grams(s.grams)} less on the floor at home`}
            </span>
            <Button look="usual" onClick={() => onOffer(s.dogId, s.from)}>
              Offer it
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
