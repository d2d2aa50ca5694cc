/** What the plan proposes after something happened: one thing to do, what it costs, and the way to leave things as they are. */
import { Check, OctagonX } from 'lucide-react';
import { Button } from 'react-bootstrap';
import type { Proposal, SessionAct } from '../../../core/table/index.ts';
import { capital } from '../../words/figures.ts';
import { proposalText, reasonText } from '../../words/table.ts';

export const replanAct = (p: Proposal): SessionAct => ({
  kind: 'replanned',
  because: p.because,
  steps: p.steps,
  ...(p.left.length > 0 && { left: p.left }),
  ...(p.closed !== undefined && { closed: p.closed }),
});

interface Props {
  readonly proposal: Proposal;
  /** It was a must, and is done already: the screen only says so. */
  readonly followed: boolean;
  readonly onTake: () => void;
  readonly onLeave: () => void;
}

/** Does a proposal change anything that is worth a tap. */
export const changesPlan = (p: Proposal): boolean =>
  p.piece !== undefined || p.stop !== undefined || p.moved.length > 0 || p.left.length > 0;

export function Proposed({ proposal, followed, onTake, onLeave }: Props) {
  const { what, costs } = proposalText(proposal);
  const takes = changesPlan(proposal) && !followed;
  return (
    <section className="wt-ask" aria-labelledby="ask">
      <p className="wt-ask-why">{capital(reasonText(proposal.because))}.</p>
      <h2 id="ask">{what}</h2>
      <p className="wt-ask-costs">{costs}</p>
      {proposal.stop !== undefined && proposal.because.code === 'met' && (
        <p className="wt-note wt-note-stop">
          <OctagonX aria-hidden size={20} /> Show it to the owner. A vet decides; nothing is put on it here.
        </p>
      )}
      <div className="wt-thumbs">
        {takes && (
          <Button className="wt-thumb is-main" onClick={onTake}>
            <Check aria-hidden /> Do it
          </Button>
        )}
        <Button
          className={takes ? 'wt-thumb' : 'wt-thumb is-main'}
          variant={takes ? 'outline-primary' : 'primary'}
          onClick={onLeave}
        >
          {takes ? 'Keep the plan' : 'Go on'}
        </Button>
      </div>
    </section>
  );
}
