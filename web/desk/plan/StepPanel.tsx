/** The chosen step: its minutes, piece and place, what is wrong with it and one tap to mend it, why it is as it is. */
import { ArrowLeft, ArrowRight, Pin, PinOff, Trash2 } from 'lucide-react';
import { Link } from 'react-router';
import type { Edit, Fault, PlanStep, ScriptStep, StepCare } from '../../../core/bench/index.ts';
import { zoneName, type ZoneId } from '../../../core/dog/index.ts';
import { rule, toolRow } from '../../../core/kit/index.ts';
import { Caution } from '../../app/Caution.tsx';
import { Button } from '../../ui/Button.tsx';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Select } from '../../ui/Field.tsx';
import { careText, faultText, mendText } from '../../words/bench.ts';
import { capital, grams, listText, minutesText, percent } from '../../words/figures.ts';
import { loserText, partText } from '../../words/kit.ts';
import { whereText } from '../../words/places.ts';
import { stepName } from '../../words/steps.ts';
import css from './plan.module.css';

interface Props {
  readonly step: PlanStep;
  readonly script: ScriptStep;
  readonly place: number;
  readonly of: number;
  readonly workable: readonly ZoneId[];
  readonly pieces: readonly { readonly id: string; readonly name: string }[];
  readonly faults: readonly Fault[];
  readonly care: StepCare | undefined;
  readonly onEdit: (edit: Edit) => void;
}

function Why({ step }: { step: PlanStep }) {
  const { chosen } = step;
  return (
    <Disclosure head="Why this tool, which zones">
      <p>
        {toolRow(step.tool.kind).does} Fit {percent(chosen.fit)}
        {chosen.because && `: ${partText(chosen.because.winner)}`}
        {chosen.beat &&
          (chosen.because?.loser
            ? `; the ${toolRow(chosen.beat.kind).name} ${loserText(chosen.because.loser)}`
            : `; the ${toolRow(chosen.beat.kind).name} fits ${percent(chosen.beat.fit)}`)}
        .{!chosen.beat && ' The kit has nothing else for it.'}
        {chosen.preferred && ` ${rule(chosen.preferred).statement}`}
        {chosen.standsIn &&
          ` Stands in for the ${toolRow(chosen.standsIn.for).name}, which would move ${percent(chosen.standsIn.yield)} where this moves ${percent(chosen.standsIn.ownYield)}. ${chosen.standsIn.loss}`}
        {chosen.ruledOut.map((r) => (
          <span key={`${r.kind} ${r.rule}`}>
            {' '}
            Ruled out: {toolRow(r.kind).name}. <Link to={`/desk/rules?rule=${r.rule}`}>{rule(r.rule).statement}</Link>
          </span>
        ))}
      </p>
      <p className="wt-soft">
        {capital(listText(step.zones.map((z) => `${zoneName(z.zone)} ${z.minutes.toFixed(1)} min`)))}.
      </p>
    </Disclosure>
  );
}

export function StepPanel({ step, script, place, of, workable, pieces, faults, care, onEdit }: Props) {
  const give = (minutes: number): void => onEdit({ kind: 'minutes', id: step.id, minutes: Math.max(1, minutes) });
  const nameOf = (id: string): string => (pieces.find((p) => p.id === id)?.name ?? 'other piece').toLowerCase();
  return (
    <section className={css.stepPanel} aria-labelledby="the-step">
      <h3 id="the-step">
        <span className={css.stepNumber}>{place + 1}</span> {stepName(step)}
      </h3>
      <p>
        {capital(
          whereText(
            step.zones.map((z) => z.zone),
            workable,
          ),
        )}
        ; coat {step.wetness}. {grams(step.gramsOut)} out, {percent(step.shareLeft)} left after it.{' '}
        {care && careText(care)}
      </p>
      {faults.map((f) => (
        <div
          key={`${f.code} ${f.rule ?? ''} ${f.wetness ?? ''}`}
          className={`${css.fault} ${f.severity === 'never' ? 'is-never' : ''}`}
          role="alert"
        >
          <span>
            <strong>{f.severity === 'never' ? 'Must be mended: ' : 'Worth a look: '}</strong>
            {faultText(f)}
          </span>
          {f.mend && (
            <Button size="sm" look="usual" onClick={() => f.mend && onEdit(f.mend)}>
              {mendText(f.mend, nameOf)}
            </Button>
          )}
        </div>
      ))}
      <div className={css.stepActs}>
        <div className={css.minutes} role="group" aria-label="Minutes of this step">
          <Button look="usual" aria-label="A minute less" onClick={() => give(step.minutes - 1)}>
            −
          </Button>
          <output>{minutesText(step.minutes)}</output>
          <Button look="usual" aria-label="A minute more" onClick={() => give(step.minutes + 1)}>
            +
          </Button>
        </div>
        {pieces.length > 1 && (
          <Select
            aria-label="Piece"
            value={script.toolId}
            onChange={(e) => onEdit({ kind: 'swap', id: step.id, toolId: e.target.value })}
          >
            {pieces.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </Select>
        )}
        <Button
          look="usual"
          disabled={place === 0}
          onClick={() => onEdit({ kind: 'move', id: step.id, to: place - 1 })}
        >
          <ArrowLeft aria-hidden size={16} /> Earlier
        </Button>
        <Button
          look="usual"
          disabled={place === of - 1}
          onClick={() => onEdit({ kind: 'move', id: step.id, to: place + 1 })}
        >
          Later <ArrowRight aria-hidden size={16} />
        </Button>
        <Button
          look="usual"
          aria-pressed={script.pinned === true}
          onClick={() => onEdit({ kind: 'pin', id: step.id, pinned: script.pinned !== true })}
        >
          {script.pinned ? <PinOff aria-hidden size={16} /> : <Pin aria-hidden size={16} />}{' '}
          {script.pinned ? 'Pinned' : 'Pin'}
        </Button>
        <Button look="usual" onClick={() => onEdit({ kind: 'drop', id: step.id })}>
          <Trash2 aria-hidden size={16} /> Drop
        </Button>
      </div>
      {step.cautions.map((id) => (
        <Caution key={id} id={id} linked />
      ))}
      <Why step={step} />
    </section>
  );
}
