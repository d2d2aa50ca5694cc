/** Something was met on the way: what, and where. */
import type { DogLook } from '../../drawing/dog/frame.ts';
import { useState } from 'react';
import { zoneName, type ZoneId } from '../../../core/dog/index.ts';
import type { Met } from '../../../core/table/index.ts';
import { CoatStage } from '../../drawing/CoatStage.tsx';
import type { Looks } from '../../desk/dog/looks.ts';
import { Button } from '../../ui/Button.tsx';
import { capital } from '../../words/figures.ts';
import css from './session.module.css';

const STOPS = 'stops the zone';

/** says: what follows, where work may not go on as it was. */
const MEETS: readonly { readonly word: string; readonly met: Omit<Met, 'zone'>; readonly says?: string }[] = [
  { word: 'Hot spot', met: { skin: 'hot-spot' }, says: STOPS },
  { word: 'Wound', met: { skin: 'wound' }, says: STOPS },
  { word: 'New lump', met: { skin: 'new-lump' }, says: STOPS },
  { word: 'Tick or fleas', met: { skin: 'parasites' }, says: 'stops the whole dog' },
  { word: 'Knot', met: { tie: 'knot' } },
  { word: 'Mat', met: { tie: 'mat' } },
  { word: 'Pelt', met: { tie: 'pelt' } },
  { word: 'Known lump', met: { skin: 'lump' } },
  { word: 'Flakes', met: { skin: 'dander' } },
];

interface Props {
  readonly dog: DogLook;
  readonly at: ZoneId | undefined;
  readonly looks: Looks;
  readonly onMet: (met: Met) => void;
  readonly onBack: () => void;
}

export function Meet({ dog, at, looks, onMet, onBack }: Props) {
  const [zone, setZone] = useState(at);
  return (
    <section className={css.ask} aria-labelledby="meet">
      <h2 id="meet">{zone ? `What is at ${zoneName(zone)}?` : 'Where? Tap the dog.'}</h2>
      <div className={css.meet}>
        <CoatStage dog={dog} looks={looks} selected={zone} onSelect={setZone} label="Where it was met" />
        <div className={`${css.thumbs} is-tiles`}>
          {MEETS.map(({ word, met, says }) => (
            <Button
              key={word}
              className={says ? `${css.thumb} is-stop` : css.thumb}
              look="usual"
              disabled={!zone}
              onClick={() => zone && onMet({ zone, ...met })}
            >
              {word}
              <small>{says}</small>
            </Button>
          ))}
          <Button className={css.thumb} look="usual" onClick={onBack}>
            Never mind
          </Button>
        </div>
      </div>
      {zone && <p className="wt-soft">{capital(zoneName(zone))}. Tap the dog for another place.</p>}
    </section>
  );
}
