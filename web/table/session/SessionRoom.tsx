/** Table → Session: the plan as it runs, one decision a screen. Every act is kept on this device before the screen shows it. */
import { useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { SessionPage } from '../../../contract/session.ts';
import { PHASE_WORDS } from '../../../core/bench/index.ts';
import type { ZoneId } from '../../../core/dog/index.ts';
import {
  beginAct,
  nextStep,
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
import type { TableLog, TableView } from '../../data/table-log.ts';
import { RecordRoom } from '../record/RecordRoom.tsx';
import { Begin } from './Begin.tsx';
import { Between } from './Between.tsx';
import { signal, useAwake, useComfort } from './comfort.ts';
import { End } from './End.tsx';
import { HandOver } from './HandOver.tsx';
import { Meet } from './Meet.tsx';
import { More } from './More.tsx';
import { OnBreak } from './OnBreak.tsx';
import { changesPlan, Proposed, replanAct } from './Proposed.tsx';
import { SecondCheck } from './SecondCheck.tsx';
import { TableHead } from './TableHead.tsx';
import { useTable, useTableLog, type Table } from './useTable.ts';
import { Waits } from './Waits.tsx';
import { Weigh } from './Weigh.tsx';
import { Work } from './Work.tsx';

/** What is asked in place of the work, until it is answered. */
type Asked =
  | { readonly kind: 'proposal'; readonly proposal: Proposal; readonly then: 'next' | 'stay' }
  | { readonly kind: 'meet' }
  | { readonly kind: 'weigh'; readonly step: string; readonly then: 'next' | 'stay' }
  | { readonly kind: 'hand' }
  | { readonly kind: 'more' };

/** What stops work is followed without a question. */
const isMust = (p: Proposal): boolean => p.stop !== undefined;

/** What the meter heard of a step. */
interface Heard {
  readonly dbA: number;
  readonly minutes: number;
}

/** Hair of less is not worth a bowl. */
const WORTH_WEIGHING_G = 3;

function Running({ table }: { table: Table }) {
  const { page, record, device, name, tell } = table;
  const { leftHanded } = useComfort();
  const askAboutPink = (zone: ZoneId, s: StepRecord): Asked | undefined => {
    const proposal = table.ask({ code: 'pink', zone, tool: s.plan.tool.kind });
    return proposal && { kind: 'proposal', proposal, then: 'next' };
  };
  const [given, setAsked] = useState<Asked | undefined>();
  const [enough, setEnough] = useState(false);
  const hand = record.hands.find((h) => h.device === device);
  const step = hand && record.steps.find((s) => s.id === hand.step);
  // Pink skin is asked about until the hands are off it, also after the page was opened again.
  const pinkAt =
    hand?.zone !== undefined &&
    record.pink.some((p) => p.zone === hand.zone && p.tool === step?.plan.tool.kind) &&
    record.state === 'running'
      ? hand.zone
      : undefined;
  const asked: Asked | undefined = given ?? (pinkAt && step ? askAboutPink(pinkAt, step) : undefined);
  const coming = nextStep(record, device, name);
  const open = record.steps.some((s) => s.state === 'waiting' || s.state === 'working');

  const say = async (...acts: readonly SessionAct[]): Promise<SessionRecord> => {
    signal('tap');
    return tell(...acts);
  };
  /** What begins the next step, where there is one: said in the same tap as what ends the last, so that one undo takes both. */
  const begins = (r: SessionRecord): readonly SessionAct[] => {
    const s = nextStep(r, device, name);
    return s ? [beginAct(s, r, device, name)] : [];
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
    if (isMust(proposal)) await tell(replanAct(proposal));
    setAsked({ kind: 'proposal', proposal, then });
  };
  // A question is answered once: a second tap while the first is being kept is the same answer.
  const answering = useRef(false);
  const once = async (answer: () => Promise<void>): Promise<void> => {
    if (answering.current) return;
    answering.current = true;
    await answer().finally(() => (answering.current = false));
  };
  const late = (minutes: number): void => {
    const proposal = table.ask({ code: 'late', minutes });
    if (proposal && changesPlan(proposal)) setAsked({ kind: 'proposal', proposal, then: 'stay' });
  };
  /** A step is done, after other acts of the same tap: its hair is weighed, where there is enough, or the next begins. */
  const finishStep = async (s: StepRecord, heard: Heard | undefined, ...acts: readonly SessionAct[]): Promise<void> => {
    const weighs = s.plan.gramsOut >= WORTH_WEIGHING_G;
    if (weighs) setAsked({ kind: 'weigh', step: s.id, then: 'next' });
    await say(
      ...acts,
      ...(heard ? [{ kind: 'heard', step: s.id, ...heard } as const] : []),
      { kind: 'step-done', step: s.id },
      ...(weighs ? [] : begins(record)),
    );
  };
  const goTo = async (
    s: StepRecord,
    zone: ZoneId | undefined,
    heard: Heard | undefined,
    ...acts: readonly SessionAct[]
  ): Promise<void> => {
    if (zone) await say(...acts, { kind: 'zone', step: s.id, zone });
    else await finishStep(s, heard, ...acts);
  };

  let body;
  if (asked?.kind === 'proposal') {
    const { proposal, then } = asked;
    const followed = isMust(proposal) && given !== undefined;
    const close = async (take: boolean): Promise<void> => {
      const taken = followed ? undefined : take ? proposal : proposal.otherwise;
      const r = taken ? await say(replanAct(taken)) : record;
      setAsked(undefined);
      if (proposal.stop === 'dog') return;
      const mine = r.hands.find((h) => h.device === device);
      const own = mine && r.steps.find((s) => s.id === mine.step);
      // A piece that was put in comes first; the step in hand waits for its return.
      const added = take ? r.steps.find((s) => s.state === 'waiting' && s.id === proposal.piece?.step) : undefined;
      if (added) await tell(beginAct(added, r, device, name));
      else if (!own) await tell(...begins(r));
      else if (then === 'next' && walks(own.plan)) {
        const [zone] = zonesToWalk(own, r, device, name).filter((z) => z !== mine.zone);
        await goTo(own, zone, undefined);
      }
    };
    body = (
      <Proposed
        dog={page}
        proposal={proposal}
        followed={followed}
        onTake={() => void once(() => close(true))}
        onLeave={() => void once(() => close(false))}
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
      const all = [...acts, ...(asked.then === 'next' ? begins(record) : [])];
      if (all.length > 0) await say(...all);
      setAsked(undefined);
    };
    body = own && (
      <Weigh
        title={PHASE_WORDS[own.plan.phase]}
        expectedG={own.plan.gramsOut}
        already={own.grams}
        skip={asked.then === 'next' ? 'Not weighed' : 'Never mind'}
        onTake={(grams) => void once(() => close({ kind: 'weighed', step: own.id, grams, by: 'scale', adds: true }))}
        onSkip={() => void once(() => close())}
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
          void say({ kind: 'step-skipped', step: s.id, why: 'left out at the table' }, ...begins(record));
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
              const [following] = zonesToWalk(step, record, device, name).filter((z) => z !== zone);
              void goTo(step, following, undefined, act);
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
          onLate: late,
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
        onBegin={() => void say(...begins(record))}
        onLate={late}
        onMore={() => setAsked({ kind: 'more' })}
      />
    );
  } else if (open) {
    body = (
      <Waits
        table={table}
        onTakeBack={(s) => void say({ kind: 'handed', step: s.id, to: name }, beginAct(s, record, device, name))}
      />
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
