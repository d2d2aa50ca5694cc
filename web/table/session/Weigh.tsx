/** Hair of a step from the scale: it settles, one tap takes it, the scale starts again from nothing. No digits to type. */
import { Scale } from 'lucide-react';
import { Button } from '../../ui/Button.tsx';
import { grams } from '../../words/figures.ts';
import { scaleText } from '../../words/table.ts';
import { tare, useDevices } from '../useDevices.ts';
import css from './session.module.css';

interface Props {
  readonly title: string;
  /** What the plan expected, grams. */
  readonly expectedG: number;
  readonly already?: number | undefined;
  readonly onTake: (grams: number) => void;
  readonly onSkip: () => void;
  readonly skip: string;
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
            onTake(netG);
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
    </section>
  );
}
