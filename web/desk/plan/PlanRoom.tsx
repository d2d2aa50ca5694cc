/** The plan: what the check comes to, the recommended stair, what speaks against the others, and the steps. */
import { Button } from 'react-bootstrap';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import type { DogPage } from '../../../contract/dog.ts';
import {
  METHODS,
  openMethod,
  PHASE_WORDS,
  type MethodOutcome,
  type MethodPlan,
  type Plan,
  type PlanStep,
} from '../../../core/bench/index.ts';
import { rule, toolRow } from '../../../core/kit/index.ts';
import { ZONE_IDS, zoneName, type ZoneId } from '../../../core/dog/index.ts';
import { Caution } from '../../app/Caution.tsx';
import { Loaded, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useDog, usePlan, useSalon, useStartSession } from '../../data/hooks.ts';
import { CoatStage } from '../../drawing/CoatStage.tsx';
import { Staircase } from '../../drawing/Staircase.tsx';
import { capital, grams, listText, minutesText, money, percent } from '../../words/figures.ts';
import { loserText, partText } from '../../words/kit.ts';
import { against, comparison, dogStop, methodName, planNote, ruling, zoneStop } from '../../words/reasons.ts';
import { conditionLooks } from '../dog/looks.ts';
import { WhyHere } from './WhyHere.tsx';

function MethodCard({
  outcome,
  plan,
  currency,
  shown,
  onShow,
}: {
  outcome: MethodOutcome;
  plan: Plan;
  currency: string;
  shown: boolean;
  onShow: () => void;
}) {
  const { recommended } = plan;
  if (outcome.kind === 'ruled-out') {
    return (
      <div className="wt-method is-out">
        <strong>{methodName(outcome.method)}</strong>
        {ruling(outcome.why, outcome.method)}
      </div>
    );
  }
  const best = outcome.method === recommended?.method;
  const points = best
    ? recommended.because
        .slice(0, 3)
        .map((c) => capital(comparison(c, methodName(recommended.runnerUp ?? '').toLowerCase())))
    : outcome.against.slice(0, 3).map((c) => capital(against(c)));
  const school = METHODS.find((m) => m.id === outcome.method);
  return (
    <button type="button" className="wt-method" aria-pressed={shown} onClick={onShow}>
      {best && <em>Recommended</em>}
      <strong>{methodName(outcome.method)}</strong>
      {minutesText(outcome.minutes)} · {money(outcome.priceCents, currency)} · {percent(outcome.shareLeft)} left
      <ul>
        {points.length > 0 ? (
          points.map((p) => <li key={p}>{p}</li>)
        ) : (
          <li>{best ? school?.case : school?.arguedAgainst}</li>
        )}
      </ul>
    </button>
  );
}

function zonesText(step: PlanStep, workable: number): string {
  if (step.zones.length === workable)
    return workable === ZONE_IDS.length ? 'whole dog' : 'every zone that may be worked';
  const names = step.zones.map((z) => zoneName(z.zone));
  if (names.length <= 4) return listText(names);
  return `${names.length} zones: ${names.slice(0, 3).join(', ')} …`;
}

function StepRow({ step, workable }: { step: PlanStep; workable: number }) {
  const { chosen } = step;
  return (
    <li>
      <div>
        <h3>
          {PHASE_WORDS[step.phase]} <span className="wt-soft">{step.tool.name}</span>
        </h3>
        <div>
          {capital(zonesText(step, workable))}; coat {step.wetness}.
        </div>
        {step.cautions.map((id) => (
          <Caution key={id} id={id} linked />
        ))}
        <details>
          <summary>Why this tool, which zones</summary>
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
                Ruled out: {toolRow(r.kind).name}.{' '}
                <Link to={`/desk/rules?rule=${r.rule}`}>{rule(r.rule).statement}</Link>
              </span>
            ))}
          </p>
          <p className="wt-soft">
            {capital(listText(step.zones.map((z) => `${zoneName(z.zone)} ${z.minutes.toFixed(1)} min`)))}.
          </p>
        </details>
      </div>
      <div className="wt-step-figures">
        <strong>{minutesText(step.minutes)}</strong>
        <div>{grams(step.gramsOut)} out</div>
        <div className="wt-soft">{percent(step.shareLeft)} left</div>
      </div>
    </li>
  );
}

function Stops({ plan, dogId, checkId }: { plan: Plan; dogId: string; checkId: string }) {
  const { stops } = plan;
  if (stops.dog.length === 0 && stops.zones.length === 0) return null;
  return (
    <div className="wt-note wt-note-stop" role="alert">
      {stops.dog.length > 0 ? (
        <>
          <p>
            <strong>No groom today. A vet should look first.</strong> {stops.dog.map(dogStop).join(' ')}
          </p>
          <p>
            We saw this; we do not diagnose. <Link to={`/desk/dogs/${dogId}`}>Back to the dog</Link>
          </p>
        </>
      ) : null}
      {stops.zones.length > 0 && (
        <p>
          <strong>Not worked, and a vet should look:</strong> {stops.zones.map(zoneStop).join(' ')} Keep water, soap and
          air off too.
        </p>
      )}
      <p>
        <Link to={`/desk/dogs/${dogId}/note/${checkId}`}>Note for the owner and the vet, to print</Link>
      </p>
    </div>
  );
}

/** The recommended school first, then the open ones by merit, then those that are ruled out. */
const inOrder = (plan: Plan): readonly MethodOutcome[] => {
  const merit = (m: MethodOutcome): number => (m.kind === 'open' ? m.score : -1);
  return [...plan.methods].sort((a, b) => merit(b) - merit(a));
};

function PlanShown({
  plan,
  checkId,
  page,
  currency,
}: {
  plan: Plan;
  checkId: string;
  page: DogPage;
  currency: string;
}) {
  const { id: dogId, name: dogName } = page.dog;
  const navigate = useNavigate();
  const start = useStartSession();
  const [search, setSearch] = useSearchParams();
  const chosen = search.get('method') ?? plan.recommended?.method;
  const best: MethodPlan | undefined = plan.recommended && openMethod(plan, plan.recommended.method);
  const shown = chosen && openMethod(plan, chosen);
  const workable = plan.conditions.filter((c) => c.kind !== 'stop').length;
  const asked = ZONE_IDS.find((id) => id === search.get('zone'));
  const setAsked = (zone: ZoneId): void =>
    setSearch({ ...(chosen && { method: chosen }), zone }, { replace: true, preventScrollReset: true });
  const takeToTable = (): void => {
    if (!shown) return;
    start.mutate(
      { id: newId(), checkId, method: shown.method },
      { onSuccess: (session) => void navigate(`/table/sessions/${session.id}`) },
    );
  };
  return (
    <>
      <div className="wt-title">
        <div>
          <span className="wt-crumb">
            <Link to={`/desk/dogs/${dogId}`}>{dogName}</Link>
          </span>
          <h1>{shown ? `${methodName(shown.method)}, ${minutesText(shown.minutes)}` : 'Plan'}</h1>
        </div>
        {shown && (
          <span>
            {money(shown.priceCents, currency)} · about {grams(shown.gramsOut)} out of {grams(plan.looseG.likely)}{' '}
            <span className="wt-soft">
              ({Math.round(plan.looseG.low)} to {grams(plan.looseG.high)}, a guess from touch)
            </span>
          </span>
        )}
        {shown && (
          <Button onClick={takeToTable} disabled={start.isPending}>
            Take it to the table
          </Button>
        )}
      </div>
      <Refusal error={start.error} />
      <Stops plan={plan} dogId={dogId} checkId={checkId} />
      {!plan.recommended && plan.stops.dog.length === 0 && (
        <p className="wt-note">No method is open to this dog with this kit today. Each one says why.</p>
      )}
      {plan.notes.map((n) => (
        <p key={n.code} className="wt-note">
          {planNote(n)}
        </p>
      ))}
      <div className="wt-methods" role="group" aria-label="Methods">
        {inOrder(plan).map((m) => (
          <MethodCard
            key={m.method}
            outcome={m}
            plan={plan}
            currency={currency}
            shown={m.method === chosen}
            onShow={() => setSearch({ method: m.method, ...(asked && { zone: asked }) }, { replace: true })}
          />
        ))}
      </div>
      {shown && (
        <div className="wt-cols wt-plan">
          <section className="wt-sheet" aria-labelledby="stairs">
            <h2 id="stairs">Stairs</h2>
            <Staircase
              plan={shown}
              other={best && best.method !== shown.method ? best : undefined}
              title={`${methodName(shown.method)}: ${shown.steps.length} steps, ${shown.minutes} minutes, from a full coat to ${percent(shown.shareLeft)} left`}
            />
            <ol className="wt-bare wt-steps mt-3">
              {shown.steps.map((s) => (
                <StepRow key={s.id} step={s} workable={workable} />
              ))}
            </ol>
          </section>
          <section className="wt-sheet" aria-labelledby="coat">
            <h2 id="coat">Coat as felt</h2>
            <CoatStage
              dog={page.dog}
              looks={conditionLooks(plan.conditions)}
              selected={asked}
              onSelect={setAsked}
              label="Condition of the coat: choose a zone to ask why"
            />
            <p className="wt-soft">
              Curls thicken with the undercoat; crossed strokes are tied hair; a double ring is not worked.
              {!asked && ' Choose a zone to ask why each tool was taken there.'}
            </p>
            {asked && <WhyHere checkId={checkId} zone={asked} method={shown.method} />}
          </section>
        </div>
      )}
    </>
  );
}

export function PlanRoom() {
  const { dogId = '', checkId = '' } = useParams();
  const plan = usePlan(checkId);
  const dog = useDog(dogId);
  const salon = useSalon();
  return (
    <Loaded query={dog}>
      {(page) => (
        <Loaded query={plan}>
          {(p) => (
            <PlanShown
              key={checkId}
              plan={p}
              checkId={checkId}
              page={page}
              currency={salon.data?.salon.house.rates.currency ?? 'EUR'}
            />
          )}
        </Loaded>
      )}
    </Loaded>
  );
}
