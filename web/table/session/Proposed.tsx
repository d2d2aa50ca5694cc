/** What the plan proposes after something happened: one thing to do, what it costs, and the way to leave things as they are. */
import type { DogLook } from '../../drawing/dog/frame.ts';
import { Check, OctagonX } from 'lucide-react';
import type { Proposal, SessionAct } from '../../../core/table/index.ts';
import type { Looks } from '../../desk/dog/looks.ts';
import { CoatStage } from '../../drawing/CoatStage.tsx';
import { zoneName, type ZoneId } from '../../../core/dog/index.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { capital } from '../../words/figures.ts';
import { INSTEAD_WORDS } from '../../words/reasons.ts';
import { crawls, proposalText, reasonText } from '../../words/table.ts';
import css from './session.module.css';

export const replanAct = (p: Proposal): SessionAct => ({
  kind: 'replanned',
  because: p.because,
  steps: p.steps,
  ...(p.left.length > 0 && { left: p.left }),
  ...(p.closed !== undefined && { closed: p.closed }),
});

interface Props {
  readonly dog: DogLook;
  readonly proposal: Proposal;
  /** It was a must, and is done already: the screen only says so. */
  readonly followed: boolean;
  readonly onTake: () => void;
  readonly onLeave: () => void;
}

/** Does a proposal change anything that is worth a tap. */
export const changesPlan = (p: Proposal): boolean =>
  p.piece !== undefined || p.stop !== undefined || p.moved.length > 0 || p.left.length > 0;

/** Zones that get more or less, and the one that it is about. */
function looksOf(proposal: Proposal, about: ZoneId | undefined): Looks {
  const looks: Looks = {};
  for (const m of proposal.moved) looks[m.zone] = { lit: m.minutes > 0, grade: m.minutes < 0 ? 1 : 0, says: '' };
  for (const l of proposal.left) looks[l.zone] = { lit: true, says: '' };
  if (about !== undefined) looks[about] = { lit: true, stopped: proposal.stop !== undefined, says: '' };
  return looks;
}

export function Proposed({ dog, proposal, followed, onTake, onLeave }: Props) {
  const { what, costs } = proposalText(proposal);
  const zone = 'zone' in proposal.because ? proposal.because.zone : proposal.left[0]?.zone;
  const looks = looksOf(proposal, zone);
  const sore = proposal.stop !== undefined && proposal.because.code === 'met' && proposal.because.skin !== undefined;
  const takes = changesPlan(proposal) && !followed;
  return (
    <section className={`${css.ask} ${css.askShown}`} aria-labelledby="ask">
      {zone !== undefined && (
        <div className={css.askMap}>
          <CoatStage dog={dog} looks={looks} selected={zone} alone label={`Where: ${zoneName(zone)}`} />
        </div>
      )}
      <p className={css.askWhy}>{capital(reasonText(proposal.because))}.</p>
      <h2 id="ask">{what}</h2>
      <p className={css.askCosts}>{costs}</p>
      {sore && (
        <Notice tone="stop">
          <OctagonX aria-hidden size={20} />{' '}
          {crawls(proposal.because)
            ? INSTEAD_WORDS.isolate.acts.join(' ')
            : 'Show it to the owner. A vet decides; nothing is put on it here.'}
        </Notice>
      )}
      <div className={css.thumbs}>
        {takes && (
          <Button className={`${css.thumb} is-main`} onClick={onTake}>
            <Check aria-hidden /> Do it
          </Button>
        )}
        <Button
          className={takes ? css.thumb : `${css.thumb} is-main`}
          look={takes ? 'usual' : 'main'}
          onClick={onLeave}
        >
          {!takes ? 'Go on' : proposal.otherwise ? 'Leave it there' : 'Keep the plan'}
        </Button>
      </div>
    </section>
  );
}
