/**
 * The plan: the methods on this dog, the chosen one as stairs that can be changed, the coat at any step of them, and
 * what if. All of it is reckoned here from the facts the server holds, so that a drag is seen as it is made.
 */
import { Redo2, Sparkles, Undo2 } from 'lucide-react';
import { startTransition, useDeferredValue, useMemo, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { DogPage } from '../../../contract/dog.ts';
import {
  applyEdit,
  bestAgain,
  careOf,
  clockShare,
  coatAfter,
  faultsOf,
  faultsOnly,
  FIGURES,
  METHOD_IDS,
  openMethod,
  PHASE_IDS,
  PHASE_WORDS,
  PHASES,
  piecesFor,
  planByHand,
  roomOf,
  scriptOf,
  stepsFor,
  worksite,
  type Edit,
  type Fault,
  type MethodPlan,
  type Plan,
  type PlanRequest,
  type Script,
  type Worksite,
  type ZoneSeen,
} from '../../../core/bench/index.ts';
import { ZONE_IDS, type ZoneId } from '../../../core/dog/index.ts';
import { Deferred } from '../../app/Deferred.tsx';
import { Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useStartSession } from '../../data/hooks.ts';
import { CoatStage } from '../../drawing/CoatStage.tsx';
import { stepName } from '../../words/bench.ts';
import { grams, minutesText, money, percent } from '../../words/figures.ts';
import { dogStop, methodName, planNote, zoneStop } from '../../words/reasons.ts';
import { conditionLooks, type Looks } from '../dog/looks.ts';
import { Around } from './Around.tsx';
import { Methods } from './Methods.tsx';
import { Stairs } from './Stairs.tsx';
import { StepPanel } from './StepPanel.tsx';
import { useScript } from './useScript.ts';
import { asked as askedOf, planOf, questionIn, searchWith, whatIfOf } from './whatIf.ts';
import { WhatIfBar } from './WhatIfBar.tsx';
import { WhyHere } from './WhyHere.tsx';
import { WithBench, type BenchFacts } from './WithBench.tsx';

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

/** The coat part of the way down the stairs, as the map draws it. */
function looksAt(seen: readonly ZoneSeen[], lit: ReadonlySet<ZoneId>): Looks {
  const looks: Looks = {};
  for (const z of seen) {
    const limits = [
      z.skin > 0.02 ? `skin ${percent(z.skin)}` : '',
      z.wear > 0.02 ? `guard hair ${percent(z.wear)}` : '',
      z.falls ? 'comb falls through' : '',
    ].filter((s) => s !== '');
    looks[z.zone] = {
      grade: z.grade,
      tied: z.tie !== 'none',
      stopped: z.condition === 'stop',
      lit: lit.has(z.zone),
      done: z.falls && z.condition !== 'stop' && !lit.has(z.zone),
      says:
        z.condition === 'stop' ? 'not worked' : [`${z.wetness}, ${percent(z.shareLeft)} left`, ...limits].join(', '),
    };
  }
  return looks;
}

function PlanShown({ bench, page, checkId, currency }: BenchFacts) {
  const { id: dogId, name: dogName } = page.dog;
  const navigate = useNavigate();
  const start = useStartSession();
  const [search, setSearch] = useSearchParams();
  const whatIf = whatIfOf(search);
  const question = questionIn(search);
  const request = useMemo(() => askedOf(bench, question), [bench, question]);
  const plan = useMemo(() => planOf(bench, question, request), [bench, question, request]);
  const ask = (changes: Readonly<Record<string, string | undefined>>): void =>
    setSearch((now) => searchWith(now, changes), { replace: true, preventScrollReset: true });

  const wanted = METHOD_IDS.find((id) => id === search.get('method'));
  const open = (wanted && openMethod(plan, wanted)) ?? (plan.recommended && openMethod(plan, plan.recommended.method));
  const zone = ZONE_IDS.find((id) => id === search.get('zone'));

  return (
    <>
      {!open && (
        <div className="wt-title">
          <div>
            <span className="wt-crumb">
              <Link to={`/desk/dogs/${dogId}`}>{dogName}</Link>
            </span>
            <h1>Plan</h1>
          </div>
        </div>
      )}
      {open ? (
        <Bench
          key={open.method}
          {...{ request, plan, open, page, checkId, currency, ask }}
          zone={zone}
          overName={search.get('over') ?? undefined}
          starting={start.isPending}
          onStart={(script) =>
            start.mutate(
              { id: newId(), checkId, method: open.method, script, crew: request.crew },
              { onSuccess: (session) => void navigate(`/table/sessions/${session.id}`) },
            )
          }
          said={
            <>
              <Refusal error={start.error} />
              <Stops plan={plan} dogId={dogId} checkId={checkId} />
              {plan.notes.map((n) => (
                <p key={n.code} className="wt-note">
                  {planNote(n)}
                </p>
              ))}
              <Methods plan={plan} currency={currency} shown={open.method} onShow={(method) => ask({ method })} />
              <WhatIfBar asked={whatIf} people={Object.keys(bench.people)} onChange={ask} />
            </>
          }
        />
      ) : (
        <>
          <Stops plan={plan} dogId={dogId} checkId={checkId} />
          {plan.stops.dog.length === 0 && (
            <>
              <p className="wt-note">No method is open to this dog with this kit today. Each one says why.</p>
              <Methods plan={plan} currency={currency} shown={undefined} onShow={() => undefined} />
              <WhatIfBar asked={whatIf} people={Object.keys(bench.people)} onChange={ask} />
            </>
          )}
        </>
      )}
    </>
  );
}

interface BenchProps {
  readonly request: PlanRequest;
  readonly plan: Plan;
  readonly open: MethodPlan;
  readonly page: DogPage;
  readonly checkId: string;
  readonly currency: string;
  readonly zone: ZoneId | undefined;
  readonly overName: string | undefined;
  readonly starting: boolean;
  readonly said: React.ReactNode;
  readonly ask: (changes: Readonly<Record<string, string | undefined>>) => void;
  readonly onStart: (script: Script | undefined) => void;
}

/** The plan that a script comes to; what the method planned by itself where nothing was changed. */
function useWorked(
  request: PlanRequest,
  open: MethodPlan,
  site: Worksite,
  script: Script,
  planned: Script,
): MethodPlan {
  return useMemo(
    () => (script === planned ? open : planByHand(request, open.method, script, site)),
    [request, open, site, script, planned],
  );
}

function Bench({
  request,
  plan,
  open,
  page,
  checkId,
  currency,
  zone,
  overName,
  starting,
  said,
  ask,
  onStart,
}: BenchProps) {
  const { id: dogId, name: dogName } = page.dog;
  const [search] = useSearchParams();
  const planned = useMemo(() => scriptOf(open.steps), [open]);
  const site = useMemo(
    (): Worksite => ({
      ...worksite(request),
      choices: new Map(open.steps.map((s) => [s.id, { toolId: s.tool.id, choice: s.chosen }])),
    }),
    [request, open],
  );
  const hand = useScript(checkId, open.method, planned);
  const room = useMemo(() => new Set(roomOf(request.kit).map((t) => t.id)), [request]);
  // A piece that a what-if takes off the wall takes its steps along.
  const script = useMemo(
    () => (hand.script.every((s) => room.has(s.toolId)) ? hand.script : hand.script.filter((s) => room.has(s.toolId))),
    [hand.script, room],
  );
  const [trying, setTrying] = useState<Edit | undefined>();
  const seen = useMemo(() => (trying ? applyEdit(script, trying) : script), [script, trying]);
  const shown = useWorked(request, open, site, seen, planned);
  const stood = useWorked(request, open, site, script, planned);
  // The stairs answer the hand at once; what is wrong with them, the coat and what hangs on both follow.
  const judged = useDeferredValue(seen);
  const faults = useMemo((): readonly Fault[] => {
    if (judged === planned) return [];
    return trying ? faultsOnly(judged, site.found, site.job) : faultsOf(judged, site.found, site.job);
  }, [judged, planned, trying, site]);
  const never = faults.filter((f) => f.severity === 'never');

  const [chosenId, setChosen] = useState<string | undefined>();
  const [looked, setLooked] = useState<string | undefined>();
  const choose = (id: string): void => startTransition(() => setChosen(id));
  const chosen = shown.steps.find((s) => s.id === chosenId) ?? shown.steps[0];
  const under = useDeferredValue(shown.steps.find((s) => s.id === looked) ?? chosen);
  const place = (id: string | undefined): number => shown.steps.findIndex((s) => s.id === id);
  const underAt = judged.findIndex((s) => s.id === under?.id);
  const coat = useMemo(
    () => (underAt < 0 ? undefined : coatAfter(judged, underAt + 1, site.found, site.job)),
    [judged, underAt, site],
  );
  const looks = useMemo(
    () => (coat ? looksAt(coat, new Set(under?.zones.map((z) => z.zone))) : conditionLooks(plan.conditions)),
    [coat, under, plan],
  );
  const care = useMemo(() => careOf(shown.steps, request.dog, request.crew), [shown, request]);
  const workable = plan.conditions.filter((c) => c.kind !== 'stop').map((c) => c.zone);
  // Where nobody asks for another, a changed stair lies over the planned one, and any other over the recommended.
  const best = plan.recommended?.method;
  const overId =
    METHOD_IDS.find((id) => id === overName) ?? (overName === undefined && !hand.changed ? best : undefined);
  const over = overId && overId !== open.method ? openMethod(plan, overId) : undefined;
  const laidOver = over
    ? {
        steps: over.steps,
        name: over.method === best ? 'the recommended stair' : methodName(over.method).toLowerCase(),
      }
    : hand.changed && overName === undefined
      ? { steps: open.steps, name: 'as planned' }
      : undefined;

  /** Minutes on the clock are fewer than minutes of work where two work. */
  const inWork = (edit: Edit): Edit => {
    if (edit.kind !== 'minutes') return edit;
    const step = script.find((s) => s.id === edit.id);
    const share = step ? clockShare(PHASES[step.phase].work, request.crew, site.job.figures ?? FIGURES) : 1;
    return { ...edit, minutes: edit.minutes / share };
  };
  const edit = (e: Edit): void => hand.edit(inWork(e));
  const add = (value: string): void => {
    const phase = PHASE_IDS.find((p) => p === value);
    if (!phase) return;
    const at = chosen ? place(chosen.id) + 1 : script.length;
    const steps = stepsFor(phase, script, at, site.found, site.job);
    if (steps.length > 0) edit({ kind: 'add', steps, at });
  };
  const chosenScript = seen.find((s) => s.id === chosen?.id);
  const stage = useMemo(
    () => (
      <CoatStage
        dog={page.dog}
        looks={looks}
        selected={zone}
        onSelect={(z) => ask({ zone: z })}
        label="The coat at this step: choose a zone to ask why"
      />
    ),
    [page.dog, looks, zone, ask],
  );
  const now = useMemo(() => ({ script, care, shown: stood }), [script, care, stood]);
  const late = useDeferredValue(now);
  const around = useMemo(
    () => <Around {...{ request, plan, site, currency }} {...late} />,
    [request, plan, site, currency, late],
  );
  return (
    <>
      <div className="wt-title">
        <div>
          <span className="wt-crumb">
            <Link to={`/desk/dogs/${dogId}`}>{dogName}</Link>
          </span>
          <h1>
            {methodName(open.method)}, {minutesText(stood.minutes)}
          </h1>
        </div>
        <span>
          {money(stood.priceCents, currency)} · about {grams(stood.gramsOut)} out of {grams(plan.looseG.likely)}{' '}
          <span className="wt-soft">
            ({Math.round(plan.looseG.low)} to {grams(plan.looseG.high)}, a guess from touch)
          </span>
        </span>
        <div className="wt-acts">
          <Link to={`/desk/dogs/${dogId}/sheet/${checkId}?${searchWith(search, { method: open.method }).toString()}`}>
            Bench sheet
          </Link>
          <Button
            onClick={() => onStart(hand.changed ? script : undefined)}
            disabled={starting || (hand.changed && never.length > 0)}
          >
            Take it to the table
          </Button>
        </div>
      </div>
      {said}
      <div className="wt-cols wt-plan">
        <section className="wt-sheet" aria-labelledby="stairs">
          <div className="wt-sheet-head">
            <h2 id="stairs">Stairs</h2>
            <div className="wt-acts" role="group" aria-label="Changes">
              <Button size="sm" variant="outline-primary" disabled={!hand.undo} onClick={hand.undo}>
                <Undo2 aria-hidden size={15} /> Undo
              </Button>
              <Button size="sm" variant="outline-primary" disabled={!hand.redo} onClick={hand.redo}>
                <Redo2 aria-hidden size={15} /> Redo
              </Button>
              <Button
                size="sm"
                variant="outline-primary"
                onClick={() => hand.set(bestAgain(script, site.found, site.job))}
              >
                <Sparkles aria-hidden size={15} /> Best again
              </Button>
              {hand.changed && (
                <Button size="sm" variant="outline-primary" onClick={hand.asPlanned}>
                  As planned
                </Button>
              )}
            </div>
          </div>
          {hand.changed && (
            <p className={never.length > 0 ? 'wt-note wt-note-stop' : 'wt-note wt-note-good'} role="status">
              {never.length > 0
                ? `Changed by hand: ${never.length === 1 ? 'one thing' : `${never.length} things`} must be mended before the table.`
                : `Changed by hand: ${difference(stood, open)}.`}
            </p>
          )}
          <Stairs
            steps={shown.steps}
            before={stood.steps}
            other={laidOver}
            title={`${methodName(open.method)}: ${shown.steps.length} steps, ${shown.minutes} minutes, from a full coat to ${percent(shown.shareLeft)} left`}
            chosen={chosen?.id}
            faulty={new Set(faults.map((f) => f.step))}
            onChoose={choose}
            onLook={(id) => startTransition(() => setLooked(id))}
            onTry={(e) => setTrying(e && inWork(e))}
            onEdit={edit}
          />
          <div className="wt-acts wt-stairs-acts">
            <Form.Select
              size="sm"
              aria-label="Lay another method over it"
              value={over?.method ?? 'nothing'}
              onChange={(e) => ask({ over: e.target.value })}
            >
              <option value="nothing">Lay over: nothing</option>
              {plan.methods.map((m) =>
                m.kind === 'open' && m.method !== open.method ? (
                  <option key={m.method} value={m.method}>
                    Lay over: {methodName(m.method)}, {m.minutes} min
                  </option>
                ) : null,
              )}
            </Form.Select>
            <Form.Select
              size="sm"
              aria-label="Add a step after the chosen one"
              value=""
              onChange={(e) => add(e.target.value)}
            >
              <option value="">Add a step after this one</option>
              {PHASE_IDS.map((p) => (
                <option key={p} value={p}>
                  {PHASE_WORDS[p]}
                </option>
              ))}
            </Form.Select>
            <span className="wt-soft">Drag a step to move it, its edge to give it time.</span>
          </div>
          {chosen && chosenScript && (
            <StepPanel
              step={chosen}
              script={chosenScript}
              place={place(chosen.id)}
              of={shown.steps.length}
              workable={workable}
              pieces={piecesFor(chosenScript, site.job)}
              faults={faults.filter((f) => f.step === chosen.id)}
              care={care.steps.find((c) => c.step === chosen.id)}
              onEdit={edit}
            />
          )}
          <ol className="wt-bare wt-steps mt-3">
            {shown.steps.map((s) => {
              const wrong = faults.find((f) => f.step === s.id);
              return (
                <li key={s.id} className={s.id === chosen?.id ? 'is-chosen' : undefined}>
                  <div>
                    <button type="button" className="wt-step-name-button" onClick={() => choose(s.id)}>
                      {PHASE_WORDS[s.phase]} <span className="wt-soft">{s.tool.name}</span>
                    </button>
                    {wrong && (
                      <span className="wt-step-wrong">
                        {wrong.severity === 'never' ? 'Must be mended' : 'Worth a look'}
                      </span>
                    )}
                  </div>
                  <div className="wt-step-figures">
                    <strong>{minutesText(s.minutes)}</strong> · {grams(s.gramsOut)} out{' '}
                    <span className="wt-soft">· {percent(s.shareLeft)} left</span>
                  </div>
                </li>
              );
            })}
          </ol>
        </section>
        <div className="wt-side">
          <section className="wt-sheet" aria-labelledby="coat">
            <h2 id="coat">{coat && under ? `Coat after step ${underAt + 1}` : 'Coat as felt'}</h2>
            {stage}
            <p className="wt-soft">
              {under && `${stepName(under)}: its zones are lit. `}
              Curls are the undercoat that is left; crossed strokes are tied hair; a double ring is not worked.
              {!zone && ' Choose a zone to ask why each tool was taken there.'}
            </p>
            {zone && <WhyHere checkId={checkId} zone={zone} method={open.method} />}
          </section>
        </div>
      </div>
      <Deferred>{around}</Deferred>
    </>
  );
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

export const PlanRoom = () => <WithBench>{(facts) => <PlanShown key={facts.checkId} {...facts} />}</WithBench>;
