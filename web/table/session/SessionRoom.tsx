/** Table → Session: the plan as it runs, one decision a screen. Every act is kept on this device before the screen shows it. */
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { SessionPage } from '../../../contract/session.ts';
import { PHASE_WORDS } from '../../../core/bench/index.ts';
import type { ZoneId } from '../../../core/dog/index.ts';
import {
  asOf,
  beginAct,
  lateBy,
  nextStep,
  tableNow,
  walks,
  zonesToFeel,
  zonesToWalk,
  type Met,
  type Proposal,
  type ReplanReason,
  type SessionAct,
  type SessionRecord,
  type StepRecord,
} from '../../../core/table/index.ts';
import { TakePhoto } from '../../app/TakePhoto.tsx';
import type { TableLog, TableView } from '../../data/table-log.ts';
import { minutesText } from '../../words/figures.ts';
import { clock } from '../../words/table.ts';
import { RecordRoom } from '../record/RecordRoom.tsx';
import { Begin } from './Begin.tsx';
import { signal, useAwake, useComfort } from './comfort.ts';
import { HandOver } from './HandOver.tsx';
import { Meet } from './Meet.tsx';
import { More } from './More.tsx';
import { keepSessionPhoto } from './photos.ts';
import { changesPlan, Proposed, replanAct } from './Proposed.tsx';
import { SecondCheck } from './SecondCheck.tsx';
import { TableHead } from './TableHead.tsx';
import { useNow } from './useNow.ts';
import { caseOf, useTable, useTableLog, type Table } from './useTable.ts';
import { Weigh } from './Weigh.tsx';
import { Work } from './Work.tsx';

/** What is asked in place of the work, until it is answered. */
type Asked =
  | { readonly kind: 'proposal'; readonly proposal: Proposal; readonly then: 'next' | 'stay' }
  | { readonly kind: 'meet' }
  | { readonly kind: 'weigh'; readonly step: string; readonly then: 'next' | 'stay' }
  | { readonly kind: 'hand' }
  | { readonly kind: 'more' };

/** Hair of less is not worth a bowl. */
const WORTH_WEIGHING_G = 3;

function Running({ table }: { table: Table }) {
  const { page, record, device, name, tell } = table;
  const { leftHanded } = useComfort();
  const [asked, setAsked] = useState<Asked | undefined>();
  const [enough, setEnough] = useState(false);
  const hand = record.hands.find((h) => h.device === device);
  const step = hand && record.steps.find((s) => s.id === hand.step);
  const coming = nextStep(record, device, name);
  const open = record.steps.some((s) => s.state === 'waiting' || s.state === 'working');

  const say = async (...acts: readonly SessionAct[]): Promise<SessionRecord> => {
    signal('tap');
    return tell(...acts);
  };
  const begins = (s: StepRecord, r: SessionRecord): SessionAct => beginAct(s, r, device, name);
  const beginNext = async (r: SessionRecord): Promise<void> => {
    const s = nextStep(r, device, name);
    if (s) await tell(begins(s, r));
  };
  /** Something happened: the plan is made anew at once, and asked about, or followed where it must be. */
  const happened = async (
    because: ReplanReason,
    then: 'next' | 'stay',
    ...acts: readonly SessionAct[]
  ): Promise<void> => {
    const after = await say(...acts);
    const proposal = table.ask(because, after);
    if (!proposal) return;
    const must = proposal.stop !== undefined && because.code === 'met';
    if (must) await tell(replanAct(proposal));
    setAsked({ kind: 'proposal', proposal, then });
  };
  const finishStep = async (s: StepRecord, heard?: { dbA: number; minutes: number }): Promise<void> => {
    const acts: SessionAct[] = heard ? [{ kind: 'heard', step: s.id, ...heard }] : [];
    acts.push({ kind: 'step-done', step: s.id });
    const after = await say(...acts);
    if (s.plan.gramsOut >= WORTH_WEIGHING_G) setAsked({ kind: 'weigh', step: s.id, then: 'next' });
    else await beginNext(after);
  };
  const goTo = async (
    s: StepRecord,
    zone: ZoneId | undefined,
    heard?: { dbA: number; minutes: number },
  ): Promise<void> => {
    if (zone) await say({ kind: 'zone', step: s.id, zone });
    else await finishStep(s, heard);
  };

  let body;
  if (asked?.kind === 'proposal') {
    const { proposal, then } = asked;
    const followed = proposal.stop !== undefined && proposal.because.code === 'met';
    const close = async (take: boolean): Promise<void> => {
      setAsked(undefined);
      const r = take && !followed ? await say(replanAct(proposal)) : record;
      const mine = r.hands.find((h) => h.device === device);
      const own = mine && r.steps.find((s) => s.id === mine.step);
      if (proposal.stop === 'dog') return;
      // A piece that was put in comes first; the step in hand waits for its return.
      const added = take ? r.steps.find((s) => s.state === 'waiting' && s.id === proposal.piece?.step) : undefined;
      if (added) await tell(begins(added, r));
      else if (!own) await beginNext(r);
      else if (then === 'next' && walks(own.plan)) {
        const [zone] = zonesToWalk(own, r, device, name).filter((z) => z !== mine.zone);
        await goTo(own, zone);
      }
    };
    body = (
      <Proposed
        dog={page}
        proposal={proposal}
        followed={followed}
        onTake={() => void close(true)}
        onLeave={() => void close(false)}
      />
    );
  } else if (asked?.kind === 'meet') {
    body = (
      <Meet
        dog={page}
        at={hand?.zone}
        looks={{}}
        onBack={() => setAsked(undefined)}
        onMet={(met: Met) => {
          setAsked(undefined);
          void happened({ code: 'met', ...met }, 'stay', { kind: 'met', ...met });
        }}
      />
    );
  } else if (asked?.kind === 'weigh') {
    const own = record.steps.find((s) => s.id === asked.step);
    const close = async (...acts: readonly SessionAct[]): Promise<void> => {
      setAsked(undefined);
      const r = acts.length > 0 ? await say(...acts) : record;
      if (asked.then === 'next') await beginNext(r);
    };
    body = own && (
      <Weigh
        title={PHASE_WORDS[own.plan.phase]}
        expectedG={own.plan.gramsOut}
        already={own.grams}
        skip={asked.then === 'next' ? 'Not weighed' : 'Back'}
        onTake={(grams) => void close({ kind: 'weighed', step: own.id, grams, by: 'scale', adds: true })}
        onSkip={() => void close()}
      />
    );
  } else if (asked?.kind === 'hand') {
    body = (
      <HandOver
        table={table}
        step={step}
        onBack={() => setAsked(undefined)}
        onDone={(acts) => {
          setAsked(undefined);
          void say(...acts);
        }}
      />
    );
  } else if (asked?.kind === 'more') {
    body = (
      <More
        table={table}
        step={step}
        onBack={() => setAsked(undefined)}
        onWeigh={() => step && setAsked({ kind: 'weigh', step: step.id, then: 'stay' })}
        onActs={(acts) => {
          setAsked(undefined);
          void say(...acts);
        }}
        onSkip={(s) => {
          setAsked(undefined);
          void say({ kind: 'step-skipped', step: s.id, why: 'left out at the table' }).then(beginNext);
        }}
      />
    );
  } else if (record.state === 'paused') {
    body = <OnBreak table={table} onGoOn={() => void say({ kind: 'resumed' })} />;
  } else if (step && hand) {
    body = (
      <Work
        table={table}
        step={step}
        zone={hand.zone}
        acts={{
          onComb: (zone, result) => {
            const act: SessionAct = { kind: 'comb', zone, result };
            if (result === 'glides') {
              void say(act).then((r) => {
                const own = r.steps.find((s) => s.id === step.id) ?? step;
                const [following] = zonesToWalk(own, r, device, name).filter((z) => z !== zone);
                return goTo(own, following);
              });
            } else void happened({ code: 'dragged', zone, result }, 'stay', act);
          },
          onPink: (zone) =>
            void happened({ code: 'pink', zone, tool: step.plan.tool.kind }, 'next', {
              kind: 'pink',
              step: step.id,
              zone,
            }),
          onMeet: () => setAsked({ kind: 'meet' }),
          onBreak: () => void say({ kind: 'paused' }),
          onNext: (zone, heard) => void goTo(step, zone, heard),
          onDone: (heard) => void finishStep(step, heard),
          onLate: (minutes) => {
            const proposal = table.ask({ code: 'late', minutes });
            if (proposal && changesPlan(proposal)) setAsked({ kind: 'proposal', proposal, then: 'stay' });
          },
          onHand: () => setAsked({ kind: 'hand' }),
          onMore: () => setAsked({ kind: 'more' }),
        }}
      />
    );
  } else if (coming) {
    body = (
      <Between
        table={table}
        coming={coming}
        onBegin={() => void say(begins(coming, record))}
        onLate={(proposal) => setAsked({ kind: 'proposal', proposal, then: 'stay' })}
        onMore={() => setAsked({ kind: 'more' })}
      />
    );
  } else if (open) {
    body = (
      <Waits table={table} onTakeBack={(s) => void say({ kind: 'handed', step: s.id, to: name }, begins(s, record))} />
    );
  } else {
    const zones = zonesToFeel(record, page.snapshot.conditions).filter((z) => record.felt[z] === undefined);
    const [zone] = zones;
    body =
      zone && !enough ? (
        <SecondCheck
          key={zone}
          dog={page}
          zone={zone}
          left={zones.length}
          onFelt={(findings) => void say({ kind: 'felt', zone, findings })}
          onSkip={() => setEnough(true)}
        />
      ) : (
        <End table={table} onFinish={() => void say({ kind: 'finished' })} />
      );
  }
  return (
    <div className={leftHanded ? 'wt-session is-left' : 'wt-session'}>
      <TableHead table={table} />
      {body}
    </div>
  );
}

function OnBreak({ table, onGoOn }: { table: Table; onGoOn: () => void }) {
  useNow(true);
  const live = asOf(table.record, table.nowMs());
  return (
    <section className="wt-ask" aria-labelledby="break">
      <h2 id="break">The dog has a break</h2>
      <p className="wt-clock">{clock(live.breakMs)}</p>
      <p className="wt-ask-costs">Water, a turn on the floor. Nobody’s clock runs. Never alone in a loop.</p>
      <div className="wt-thumbs">
        <Button className="wt-thumb is-main" onClick={onGoOn}>
          Go on
        </Button>
      </div>
    </section>
  );
}

/** Between two steps: what comes, and, where the time will not do, what could be left. */
function Between({
  table,
  coming,
  onBegin,
  onLate,
  onMore,
}: {
  table: Table;
  coming: StepRecord;
  onBegin: () => void;
  onLate: (p: Proposal) => void;
  onMore: () => void;
}) {
  const c = caseOf(table.page, asOf(table.record, table.nowMs()));
  const now = tableNow(c);
  const late = lateBy(now, c);
  const { plan } = coming;
  return (
    <section className="wt-ask" aria-labelledby="between">
      <p className="wt-ask-why">
        {coming.to && coming.to === table.name ? 'Handed to you. ' : ''}
        {minutesText(plan.minutes)}, {plan.zones.length} zones.
      </p>
      <h2 id="between">
        {PHASE_WORDS[plan.phase]}: {plan.tool.name.toLowerCase()}
      </h2>
      {late > 0 && (
        <p className="wt-note">
          {minutesText(late)} more to do than this dog has left to give.{' '}
          <Button
            className="wt-thumb"
            variant="outline-primary"
            onClick={() => {
              const proposal = table.ask({ code: 'late', minutes: late });
              if (proposal && changesPlan(proposal)) onLate(proposal);
            }}
          >
            What to leave for next time
          </Button>
        </p>
      )}
      <div className="wt-thumbs is-row">
        <Button className="wt-thumb is-main" onClick={onBegin}>
          Start: {PHASE_WORDS[plan.phase].toLowerCase()}
        </Button>
        <Button
          className="wt-thumb"
          variant="outline-primary"
          disabled={!table.canUndo}
          onClick={() => void table.undo()}
        >
          Undo
        </Button>
        <Button className="wt-thumb" variant="outline-primary" onClick={onMore}>
          More
        </Button>
      </div>
    </section>
  );
}

/** Everything that is left is in somebody else's hands. */
function Waits({ table, onTakeBack }: { table: Table; onTakeBack: (s: StepRecord) => void }) {
  const { record } = table;
  const theirs = record.steps.filter((s) => s.state === 'waiting' || s.state === 'working');
  return (
    <section className="wt-ask" aria-labelledby="waits">
      <h2 id="waits">The rest is in other hands</h2>
      <ul className="wt-bare wt-tablelist">
        {theirs.map((s) => (
          <li key={s.id}>
            <span className="wt-name">{PHASE_WORDS[s.plan.phase]}</span>
            <span>{s.to ?? record.hands.find((h) => h.step === s.id)?.name ?? ''}</span>
            {s.state === 'waiting' && (
              <Button variant="outline-primary" onClick={() => onTakeBack(s)}>
                Take it
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function End({ table, onFinish }: { table: Table; onFinish: () => void }) {
  const { record, page, tell } = table;
  const [fault, setFault] = useState('');
  const after = record.photos.filter((p) => p.when === 'after').length;
  return (
    <section className="wt-ask" aria-labelledby="end">
      <p className="wt-ask-why">All steps are over.</p>
      <h2 id="end">Dry to the skin, loop off, down it goes.</h2>
      <div className="wt-acts">
        <TakePhoto
          label={after > 0 ? `${after} after, one more` : 'Photo after'}
          onFile={(file) => {
            setFault('');
            keepSessionPhoto(file, page.checkId, 'after')
              .then((act) => tell(act))
              .catch((p: unknown) => setFault(p instanceof Error ? p.message : String(p)));
          }}
        />
      </div>
      {fault && (
        <p className="wt-note wt-note-stop" role="alert">
          {fault}
        </p>
      )}
      <div className="wt-thumbs is-row">
        <Button className="wt-thumb is-main" onClick={onFinish}>
          Finish the session
        </Button>
        <Button
          className="wt-thumb"
          variant="outline-primary"
          disabled={!table.canUndo}
          onClick={() => void table.undo()}
        >
          Undo
        </Button>
      </div>
    </section>
  );
}

function Session({ log, view, page }: { log: TableLog; view: TableView; page: SessionPage }) {
  const table = useTable(log, view, page);
  const running = table.record.state === 'running' || table.record.state === 'paused';
  useAwake(running);
  return (
    <>
      {view.problem !== undefined && (
        <p className="wt-note wt-note-stop" role="alert">
          {view.problem}
        </p>
      )}
      {view.refused.length > 0 && (
        <p className="wt-note wt-note-stop" role="alert">
          {view.refused.length === 1 ? 'One act was' : `${view.refused.length} acts were`} not taken by the salon’s
          computer and wait here: {view.refused[0]?.refused}
        </p>
      )}
      {table.record.state === 'finished' ? (
        <RecordRoom table={table} />
      ) : table.record.state === 'waiting' ? (
        <>
          <TableHead table={table} />
          <Begin table={table} />
        </>
      ) : (
        <Running table={table} />
      )}
    </>
  );
}

function Room({ sessionId }: { sessionId: string }) {
  const { log, view } = useTableLog(sessionId);
  if (view.page) return <Session log={log} view={view} page={view.page} />;
  if (view.problem !== undefined) {
    return (
      <div className="wt-note wt-note-stop" role="alert">
        <p>{view.problem}</p>
        <Link to="/table">Back to the table</Link>
      </div>
    );
  }
  return (
    <p className="wt-waiting" role="status">
      One moment …
    </p>
  );
}

export function SessionRoom() {
  const { sessionId = '' } = useParams();
  return <Room key={sessionId} sessionId={sessionId} />;
}
