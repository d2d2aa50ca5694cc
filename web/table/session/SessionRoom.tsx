/** Table → Session: the plan as steps to work through, one decision a screen; every act is an event. */
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { SessionPage } from '../../../contract/session.ts';
import { PHASE_WORDS, type PhaseId, type SessionAct, type StepRecord } from '../../../core/bench/index.ts';
import { Caution } from '../../app/Caution.tsx';
import { Loaded, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useLogEvents, useSession } from '../../data/hooks.ts';
import { CoatStage } from '../../drawing/CoatStage.tsx';
import type { Looks } from '../../desk/dog/looks.ts';
import { capital, grams, minutesText, percent } from '../../words/figures.ts';
import { methodName, zoneStop } from '../../words/reasons.ts';
import { zoneName } from '../../../core/dog/index.ts';
import { ContactTimer } from './ContactTimer.tsx';
import { Finished } from './Finished.tsx';
import { Proof } from './Proof.tsx';
import { useNow } from './useNow.ts';
import { keepWorker, lastWorker, WhoWorks } from './WhoWorks.tsx';
import { DidOtherwise, Weigh } from './Written.tsx';

/** The clock of a step: "12:05". */
function clock(ms: number): string {
  const s = Math.max(0, Math.floor(ms / 1000));
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`;
}

const nextWaiting = (steps: readonly StepRecord[], after: number): number | undefined => {
  const order = [...steps.keys()];
  return [...order.slice(after + 1), ...order.slice(0, after + 1)].find((i) => steps[i]?.state === 'waiting');
};

/** Phases after which a comb through the zone says whether it is done. */
const PROVES: readonly PhaseId[] = ['comb', 'edge', 'finish'];

export type Log = (...acts: readonly SessionAct[]) => void;

function Track({ page, shown, onShow }: { page: SessionPage; shown: number | undefined; onShow: (i: number) => void }) {
  const { steps } = page.snapshot.plan;
  const done = page.record.steps.filter((s) => s.state === 'done').length;
  return (
    <>
      <ol className="wt-bare wt-track" aria-hidden>
        {steps.map((s, i) => {
          const state = page.record.steps[i]?.state;
          const look = i === shown ? 'is-now' : state === 'done' ? 'is-done' : state === 'skipped' ? 'is-skipped' : '';
          return <li key={s.id} className={look} style={{ flexGrow: s.minutes }} onClick={() => onShow(i)} />;
        })}
      </ol>
      <p className="visually-hidden" role="status">
        {done} of {steps.length} steps done
      </p>
    </>
  );
}

function Working({ page }: { page: SessionPage }) {
  const write = useLogEvents(page.id);
  const { plan } = page.snapshot;
  const { record } = page;
  const [looked, setLooked] = useState<number | undefined>();
  const [worker, setWorker] = useState(lastWorker);
  const current = record.current ?? looked ?? nextWaiting(record.steps, -1) ?? plan.steps.length - 1;
  const step = plan.steps[current];
  const now = useNow(record.runningSinceMs !== undefined);
  const log: Log = (...acts) => {
    const atMs = Date.now();
    // Acts of one tap keep their order by a millisecond each.
    write.mutate(acts.map((act, i) => ({ id: newId(), atMs: atMs + i, act })));
  };
  if (!step) return null;

  const own = record.steps[current];
  const working = own?.state === 'working';
  const worked =
    (own?.workedMs ?? 0) + (working && record.runningSinceMs !== undefined ? now - record.runningSinceMs : 0);
  const looks: Looks = {};
  for (const c of page.snapshot.conditions) {
    looks[c.zone] = {
      grade: c.grade,
      stopped: c.kind === 'stop',
      lit: step.zones.some((z) => z.zone === c.zone),
      done: record.comb[c.zone] === 'glides',
      says: '',
    };
  }
  const following = nextWaiting(
    record.steps.map((s, i) => (i === current ? { ...s, state: 'done' } : s)),
    current,
  );
  const goOn = (leave: SessionAct): void => {
    setLooked(undefined);
    if (following === undefined) log(leave);
    else log(leave, { kind: 'step', step: following });
  };
  // The proof is taken where the comb works, and at the latest before the dog leaves the table.
  const combing = PROVES.includes(step.phase) || current === plan.steps.length - 1;
  const over = own?.state === 'done' || own?.state === 'skipped';
  return (
    <>
      <div className="wt-title">
        <div>
          <span className="wt-crumb">
            Step {current + 1} of {plan.steps.length}, {methodName(plan.method).toLowerCase()}
          </span>
          <h1>{page.dogName}</h1>
        </div>
        <Link to={`/desk/dogs/${page.dogId}`}>Dog’s page</Link>
      </div>
      <Track page={page} shown={current} onShow={setLooked} />
      {page.snapshot.stops.length > 0 && (
        <p className="wt-note wt-note-stop">Leave alone: {page.snapshot.stops.map(zoneStop).join(' ')}</p>
      )}
      <div className="wt-cols wt-work">
        <section aria-labelledby="step">
          <h2 id="step" className="wt-step-name">
            {PHASE_WORDS[step.phase]}
          </h2>
          <p className="fs-4">
            {step.tool.name}. Coat {step.wetness}.
          </p>
          {step.cautions.map((id) => (
            <Caution key={id} id={id} />
          ))}
          <p className="wt-clock mt-3" aria-label="Time on this step">
            {clock(worked)} <span className="fs-4 wt-soft">of {minutesText(step.minutes)}</span>
          </p>
          {(step.phase === 'bath' || step.phase === 'rewash') && (
            <ContactTimer key={step.id} sessionId={page.id} step={step.id} />
          )}
          <p className="wt-soft">
            About {grams(step.gramsOut)} out; {percent(step.shareLeft)} of the loose coat left after it.
          </p>
          <div className="wt-acts">
            {record.state === 'waiting' && <WhoWorks name={worker} onName={setWorker} />}
            {record.state === 'waiting' && (
              <Button
                disabled={write.isPending}
                onClick={() => {
                  const name = worker.trim();
                  keepWorker(name);
                  const who: readonly SessionAct[] = name === '' ? [] : [{ kind: 'worker', name }];
                  log(...who, { kind: 'started' }, { kind: 'step', step: current });
                }}
              >
                Start
              </Button>
            )}
            {record.state === 'paused' && (
              <Button disabled={write.isPending} onClick={() => log({ kind: 'resumed' })}>
                Go on
              </Button>
            )}
            {record.state === 'running' && working && (
              <Button disabled={write.isPending} onClick={() => goOn({ kind: 'step-done', step: current })}>
                {following === undefined ? 'Last step done' : 'Done, next'}
              </Button>
            )}
            {record.state === 'running' && !working && !over && (
              <Button disabled={write.isPending} onClick={() => log({ kind: 'step', step: current })}>
                Work on this step
              </Button>
            )}
            {record.state !== 'waiting' && following === undefined && (over || !working) && (
              <Button disabled={write.isPending} onClick={() => log({ kind: 'finished' })}>
                Finish the session
              </Button>
            )}
            {record.state === 'running' && (
              <Button variant="outline-primary" disabled={write.isPending} onClick={() => log({ kind: 'paused' })}>
                Break
              </Button>
            )}
            {record.state === 'running' && working && (
              <Button
                variant="outline-primary"
                disabled={write.isPending}
                onClick={() => goOn({ kind: 'step-skipped', step: current, why: 'left out at the table' })}
              >
                Leave out
              </Button>
            )}
          </div>
          <Refusal error={write.error} />
          {record.state !== 'waiting' && (
            <>
              <Weigh
                key={`w${current}`}
                grams={own?.grams}
                onWrite={(g) => log({ kind: 'weighed', step: current, grams: g })}
              />
              <DidOtherwise
                key={`d${current}`}
                planned={step}
                did={own?.did}
                onWrite={(tool, minutes) => log({ kind: 'did', step: current, tool, minutes })}
              />
            </>
          )}
        </section>
        <section aria-label="Zones of this step">
          <CoatStage
            dog={page}
            looks={looks}
            label={`Zones of this step: ${step.zones.map((z) => zoneName(z.zone)).join(', ')}`}
          />
          <p className="wt-soft">
            {capital(step.zones.length === 1 ? '1 zone' : `${step.zones.length} zones`)}, both sides where paired.
          </p>
        </section>
      </div>
      {combing && record.state !== 'waiting' && (
        <Proof
          zones={step.zones.map((z) => z.zone)}
          comb={record.comb}
          onProof={(zone, result) => log({ kind: 'comb', zone, result })}
        />
      )}
    </>
  );
}

export function SessionRoom() {
  const { sessionId = '' } = useParams();
  return (
    <Loaded query={useSession(sessionId)}>
      {(page) => (page.record.state === 'finished' ? <Finished page={page} /> : <Working key={page.id} page={page} />)}
    </Loaded>
  );
}
