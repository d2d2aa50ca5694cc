/** One zone under the hands: the five touch tests and what they come to. */
import { Button } from 'react-bootstrap';
import {
  COMB_SCALE,
  FINGER_SCALE,
  SKIN_SCALE,
  TIE_SCALE,
  TUG_SCALE,
  type ZoneCondition,
  type ZoneFindings,
} from '../../../core/check/index.ts';
import { regionRow, zone as zoneOf, zoneName, type ZoneId } from '../../../core/dog/index.ts';
import { Pick } from '../../app/Pick.tsx';
import { capital } from '../../words/figures.ts';
import { conditionReason, CONDITION_WORDS } from '../../words/reasons.ts';

interface Props {
  readonly zone: ZoneId;
  readonly findings: ZoneFindings | undefined;
  readonly condition: ZoneCondition | undefined;
  readonly onChange: (change: ZoneFindings) => void;
  readonly onMirror: (() => void) | undefined;
  readonly onSpread: () => void;
  readonly onStep: (by: 1 | -1) => void;
}

export function ZonePanel({ zone, findings, condition, onChange, onMirror, onSpread, onStep }: Props) {
  const felt = findings !== undefined;
  return (
    <section className="wt-sheet" aria-labelledby="zone-name">
      <h2 id="zone-name">{capital(zoneName(zone))}</h2>
      <p className="wt-soft">{regionRow(zoneOf(zone).region).trap}</p>
      <Pick
        name="Finger to skin"
        options={FINGER_SCALE}
        value={findings?.finger}
        onPick={(finger) => onChange({ finger })}
      />
      <Pick name="Gentle tug brings" options={TUG_SCALE} value={findings?.tug} onPick={(tug) => onChange({ tug })} />
      <Pick name="Comb" options={COMB_SCALE} value={findings?.comb} onPick={(comb) => onChange({ comb })} />
      <Pick name="Tied hair" options={TIE_SCALE} value={findings?.tie} onPick={(tie) => onChange({ tie })} />
      <Pick name="Skin" options={SKIN_SCALE} value={findings?.skin} onPick={(skin) => onChange({ skin })} />
      <p className="wt-note wt-note-good" role="status">
        {felt && condition
          ? `${capital(CONDITION_WORDS[condition.kind])}: ${condition.reasons.map(conditionReason).join(', ')}.`
          : 'Not felt yet.'}
      </p>
      <details className="mb-2">
        <summary>Packed or tied?</summary>
        Packed hair is dense and loose: a pinch pulls out, no lock is tied; water and air clear it. Tied hair does not
        come: hairs are locked to one another. Water shrinks it.
      </details>
      <div className="wt-acts">
        <Button size="sm" variant="outline-primary" disabled={!felt || !onMirror} onClick={onMirror}>
          Other side the same
        </Button>
        <Button size="sm" variant="outline-primary" disabled={!felt} onClick={onSpread}>
          Spread to zones not felt
        </Button>
        <Button size="sm" variant="outline-primary" onClick={() => onStep(-1)}>
          Zone before
        </Button>
        <Button size="sm" variant="outline-primary" onClick={() => onStep(1)}>
          Next zone
        </Button>
      </div>
    </section>
  );
}
