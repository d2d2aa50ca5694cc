/** Hair of a step: from the scale, which settles and is taken by one tap, or in grams by hand where there is no scale. */
import { Scale } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { NumberInput } from '../../ui/form/NumberInput.tsx';
import { grams } from '../../words/figures.ts';
import { scaleText } from '../../words/table.ts';
import { tare, useDevices } from '../useDevices.ts';
import css from './session.module.css';

/** More than any coat holds: a slip of the thumb. */
const MOST_BY_HAND_G = 5_000;

interface Props {
  readonly title: string;
  /** What the plan expected, grams. */
  readonly expectedG: number;
  readonly already?: number | undefined;
  readonly onTake: (grams: number, by: 'scale' | 'hand') => void;
  readonly onSkip: () => void;
  readonly skip: string;
}

/** Grams that were weighed elsewhere, typed in. */
function ByHand({ onTake }: Pick<Props, 'onTake'>) {
  const [byHand, setByHand] = useState<number>();
  const typed = byHand !== undefined && byHand >= 0 && byHand <= MOST_BY_HAND_G ? byHand : undefined;
  return (
    <div className="d-flex items-end g-4 above-4">
      <Field label="No scale here: grams by hand" id="by-hand">
        <NumberInput id="by-hand" value={byHand} digits={1} onChange={setByHand} />
      </Field>
      <Button look="usual" disabled={typed === undefined} onClick={() => typed !== undefined && onTake(typed, 'hand')}>
        Write it down
      </Button>
    </div>
  );
}

export function Weigh({ title, expectedG, already, onTake, onSkip, skip }: Props) {
  const scale = useDevices(true)?.scale;
  const netG = scale?.netG ?? 0;
  const ready = scale?.state === 'settled' && netG > 0;
  return (
    <section className={css.ask} aria-labelledby="weigh">
      <p className={css.askWhy}>
        {title}. About {grams(expectedG)} expected{already === undefined ? '' : `, ${grams(already)} taken so far`}.
      </p>
      <h2 id="weigh">Hair on the scale?</h2>
      <p className={css.scale} role="status">
        <Scale aria-hidden size={40} />
        <span>
          <strong>{scale && scale.state !== 'silent' && scale.state !== 'overload' ? grams(netG) : '–'}</strong>
          {scale ? scaleText(scale) : 'Waiting for the scale …'}
        </span>
      </p>
      <div className={css.thumbs}>
        <Button
          className={`${css.thumb} is-main`}
          disabled={!ready}
          onClick={() => {
            onTake(netG, 'scale');
            tare();
          }}
        >
          Take {ready ? grams(netG) : 'it'}
        </Button>
        <Button
          className={css.thumb}
          look="usual"
          disabled={!scale || scale.state === 'silent' || scale.state === 'settling'}
          onClick={tare}
        >
          Start from nothing
        </Button>
        <Button className={css.thumb} look="usual" onClick={onSkip}>
          {skip}
        </Button>
      </div>
      <ByHand onTake={onTake} />
    </section>
  );
}
