/** The second check: the same five touches, only where it mattered. One tap when all is well. */
import type { DogLook } from '../../drawing/dog/frame.ts';
import { useState } from 'react';
import {
  COMB_SCALE,
  FINGER_SCALE,
  SKIN_SCALE,
  TIE_SCALE,
  TUG_SCALE,
  type ZoneFindings,
} from '../../../core/check/index.ts';
import { zoneName, type ZoneId } from '../../../core/dog/index.ts';
import { ChoiceGroup } from '../../ui/ChoiceGroup.tsx';
import { CoatStage } from '../../drawing/CoatStage.tsx';
import { Button } from '../../ui/Button.tsx';
import { capital } from '../../words/figures.ts';
import css from './session.module.css';

/** As a zone should feel when it has been worked: skin when parted, nothing at a pull. */
const WELL: ZoneFindings = { finger: 1, tug: 0, comb: 'glides', tie: 'none', skin: 'clear' };

interface Props {
  readonly dog: DogLook;
  readonly zone: ZoneId;
  readonly left: number;
  readonly onFelt: (findings: ZoneFindings) => void;
  readonly onSkip: () => void;
}

export function SecondCheck({ dog, zone, left, onFelt, onSkip }: Props) {
  const [found, setFound] = useState<ZoneFindings>({});
  const set = (part: ZoneFindings): void => setFound((now) => ({ ...now, ...part }));
  const any = Object.keys(found).length > 0;
  return (
    <section className={`${css.ask} ${css.second}`} aria-labelledby="second">
      <p className={css.askWhy}>Feel again, {left} to go.</p>
      <h2 id="second">{capital(zoneName(zone))}</h2>
      <div className={`${css.thumbs} is-row`}>
        <Button className={`${css.thumb} is-main`} onClick={() => onFelt(any ? { ...WELL, ...found } : WELL)}>
          {any ? 'The rest is well' : 'All is well here'}
        </Button>
        <Button className={css.thumb} look="usual" onClick={onSkip}>
          Enough felt
        </Button>
      </div>
      <div className={css.secondCols}>
        <CoatStage dog={dog} looks={{ [zone]: { lit: true, says: '' } }} selected={zone} alone label="Feel here" />
        <div>
          <ChoiceGroup
            name="Finger to skin"
            options={FINGER_SCALE}
            value={found.finger}
            onPick={(finger) => set({ finger })}
          />
          <ChoiceGroup name="Tug" options={TUG_SCALE} value={found.tug} onPick={(tug) => set({ tug })} />
          <ChoiceGroup name="Comb" options={COMB_SCALE} value={found.comb} onPick={(comb) => set({ comb })} />
          <ChoiceGroup name="Tie" options={TIE_SCALE} value={found.tie} onPick={(tie) => set({ tie })} />
          <ChoiceGroup name="Skin" options={SKIN_SCALE} value={found.skin} onPick={(skin) => set({ skin })} />
        </div>
      </div>
    </section>
  );
}
