/** The stairs of a plan on the bench: what was changed, the stairs themselves, the chosen step, and all steps in words. */
import { Redo2, Sparkles, Undo2 } from 'lucide-react';
import { bestAgain, PHASE_IDS, piecesFor, type MethodPlan, type Plan } from '../../../core/bench/index.ts';
import { Button } from '../../ui/Button.tsx';
import { Select } from '../../ui/Field.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { grams, minutesText, percent } from '../../words/figures.ts';
import { methodName } from '../../words/reasons.ts';
import { Stairs } from './Stairs.tsx';
import { StepPanel } from './StepPanel.tsx';
import type { Bench } from './useBench.ts';
import { PHASE_WORDS, stepWordOf } from '../../words/steps.ts';
import css from './plan.module.css';
import chartsCss from '../../drawing/charts.module.css';

interface Props {
  readonly plan: Plan;
  readonly open: MethodPlan;
  readonly bench: Bench;
  readonly onLayOver: (method: string) => void;
}

/** A changed plan against the planned one, in words. */
function difference(now: MethodPlan, planned: MethodPlan): string {
  const minutes = now.minutes - planned.minutes;
  const left = now.shareLeft - planned.shareLeft;
  const time =
    minutes === 0 ? 'as long' : minutes > 0 ? `${minutesText(minutes)} longer` : `${minutesText(-minutes)} shorter`;
  const hair =
    Math.abs(left) < 0.005 ? 'as much out' : left > 0 ? `${percent(left)} more left in` : `${percent(-left)} more out`;
  return `${time}, ${hair}`;
}

function Changes({ open, bench: { hand, script, site, stood, never } }: Pick<Props, 'open' | 'bench'>) {
  const things = never === 1 ? 'one thing' : `${never} things`;
  return (
    <>
      <div className={css.sheetHead}>
        <h2 id="stairs">Stairs</h2>
        <div className="wt-acts" role="group" aria-label="Changes">
          <Button size="sm" look="usual" disabled={!hand.undo} onClick={hand.undo}>
            <Undo2 aria-hidden size={15} /> Undo
          </Button>
          <Button size="sm" look="usual" disabled={!hand.redo} onClick={hand.redo}>
            <Redo2 aria-hidden size={15} /> Redo
          </Button>
          <Button size="sm" look="usual" onClick={() => hand.set(bestAgain(script, site.found, site.job))}>
            <Sparkles aria-hidden size={15} /> Best again
          </Button>
          {hand.changed && (
            <Button size="sm" look="usual" onClick={hand.asPlanned}>
              As planned
            </Button>
          )}
        </div>
      </div>
      {hand.changed && (
        <Notice tone={never > 0 ? 'stop' : 'good'} role="status">
          {never > 0
            ? `Changed by hand: ${things} must be mended before the table.`
            : `Changed by hand: ${difference(stood, open)}.`}
        </Notice>
      )}
    </>
  );
}

function StairsActs({ plan, open, bench, onLayOver }: Props) {
  return (
    <div className={`wt-acts ${css.stairsActs}`}>
      <Select
        size="sm"
        aria-label="Lay another method over it"
        value={bench.over?.method ?? 'nothing'}
        onChange={(e) => onLayOver(e.target.value)}
      >
        <option value="nothing">Lay over: nothing</option>
        {plan.methods.map((m) =>
          m.kind === 'open' && m.method !== open.method ? (
            <option key={m.method} value={m.method}>
              Lay over: {methodName(m.method)}, {m.minutes} min
            </option>
          ) : null,
        )}
      </Select>
      <Select
        size="sm"
        aria-label="Add a step after the chosen one"
        value=""
        onChange={(e) => {
          const phase = PHASE_IDS.find((p) => p === e.target.value);
          if (phase) bench.add(phase);
        }}
      >
        <option value="">Add a step after this one</option>
        {PHASE_IDS.map((p) => (
          <option key={p} value={p}>
            {PHASE_WORDS[p]}
          </option>
        ))}
      </Select>
      <span className="wt-soft">Drag a step to move it, its edge to give it time.</span>
    </div>
  );
}

function ChosenStep({ plan, bench }: Pick<Props, 'plan' | 'bench'>) {
  const { chosen, seen, shown, site, faults, care, place, edit } = bench;
  const script = seen.find((s) => s.id === chosen?.id);
  if (!chosen || !script) return null;
  return (
    <StepPanel
      step={chosen}
      script={script}
      place={place(chosen.id)}
      of={shown.steps.length}
      workable={plan.conditions.filter((c) => c.kind !== 'stop').map((c) => c.zone)}
      pieces={piecesFor(script, site.job)}
      faults={faults.filter((f) => f.step === chosen.id)}
      care={care.steps.find((c) => c.step === chosen.id)}
      onEdit={edit}
    />
  );
}

function StepList({ bench: { shown, chosen, faults, choose } }: Pick<Props, 'bench'>) {
  return (
    <ol className={`wt-bare ${chartsCss.steps} mt-3`}>
      {shown.steps.map((s) => {
        const wrong = faults.find((f) => f.step === s.id);
        return (
          <li key={s.id} className={s.id === chosen?.id ? 'is-chosen' : undefined}>
            <div>
              <button type="button" className={css.stepNameButton} onClick={() => choose(s.id)}>
                {stepWordOf(s)} <span className="wt-soft">{s.tool.name}</span>
              </button>
              {wrong && (
                <span className={css.stepWrong}>{wrong.severity === 'never' ? 'Must be mended' : 'Worth a look'}</span>
              )}
            </div>
            <div className={chartsCss.stepFigures}>
              <strong>{minutesText(s.minutes)}</strong> · {grams(s.gramsOut)} out{' '}
              <span className="wt-soft">· {percent(s.shareLeft)} left</span>
            </div>
          </li>
        );
      })}
    </ol>
  );
}

export function StairsSheet({ plan, open, bench, onLayOver }: Props) {
  const { shown, stood, over, chosen, faults } = bench;
  return (
    <Sheet aria-labelledby="stairs">
      <Changes open={open} bench={bench} />
      <Stairs
        steps={shown.steps}
        before={stood.steps}
        other={over}
        title={`${methodName(open.method)}: ${shown.steps.length} steps, ${shown.minutes} minutes, from a full coat to ${percent(shown.shareLeft)} left`}
        chosen={chosen?.id}
        faulty={new Set(faults.map((f) => f.step))}
        onChoose={bench.choose}
        onLook={bench.look}
        onTry={bench.attempt}
        onEdit={bench.edit}
      />
      <StairsActs plan={plan} open={open} bench={bench} onLayOver={onLayOver} />
      <ChosenStep plan={plan} bench={bench} />
      <StepList bench={bench} />
    </Sheet>
  );
}
