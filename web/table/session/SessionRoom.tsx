/** Table → Session: the plan as it runs, one decision a screen. Every act is kept on this device before the screen shows it. */
import { Link, useParams } from 'react-router';
import type { SessionPage } from '../../../contract/session.ts';
import type { ZoneId } from '../../../core/dog/index.ts';
import { beginAct, type StepRecord } from '../../../core/table/index.ts';
import type { TableLog, TableView } from '../../data/table-log.ts';
import { Notice } from '../../ui/Notice.tsx';
import { RecordRoom } from '../record/RecordRoom.tsx';
import { Begin } from './Begin.tsx';
import { Between } from './Between.tsx';
import { useAwake, useComfort } from './comfort.ts';
import { End } from './End.tsx';
import { HandOver } from './HandOver.tsx';
import { Meet } from './Meet.tsx';
import { More } from './More.tsx';
import { OnBreak } from './OnBreak.tsx';
import { Proposed } from './Proposed.tsx';
import { SecondCheck } from './SecondCheck.tsx';
import { TableHead } from './TableHead.tsx';
import { useRunning } from './useRunning.ts';
import { useTable, useTableLog, type Table } from './useTable.ts';
import { Waits } from './Waits.tsx';
import { Weigh } from './Weigh.tsx';
import { Work } from './Work.tsx';
import { stepWordOf } from '../../words/steps.ts';
import css from './session.module.css';

function Weighing({ table, running, stepId, then }: PartProps & { stepId: string; then: 'next' | 'stay' }) {
  const step = table.record.steps.find((s) => s.id === stepId);
  if (!step) return null;
  return (
    <Weigh
      title={stepWordOf(step.plan)}
      expectedG={step.plan.gramsOut}
      already={step.grams}
      skip={then === 'next' ? 'Not weighed' : 'Never mind'}
      onTake={(grams, by) => running.weighed(then, { kind: 'weighed', step: step.id, grams, by, adds: true })}
      onSkip={() => running.weighed(then)}
    />
  );
}

function Working({ table, running, step, zone }: PartProps & { step: StepRecord; zone: ZoneId | undefined }) {
  return (
    <Work
      table={table}
      step={step}
      zone={zone}
      acts={{
        onComb: (at, result) => running.combed(step, at, result),
        onPink: (at) => running.pink(step, at),
        onMeet: () => running.ask({ kind: 'meet' }),
        onBreak: () => void running.say({ kind: 'paused' }),
        onNext: (to, heard) => void running.goTo(step, to, heard),
        onDone: (heard) => void running.finishStep(step, heard),
        onLate: running.late,
        onHand: () => running.ask({ kind: 'hand' }),
        onMore: () => running.ask({ kind: 'more' }),
      }}
    />
  );
}

function MoreActs({ table, running }: PartProps) {
  const step = running.hand?.step;
  return (
    <More
      table={table}
      step={step}
      onBack={running.askNothing}
      onWeigh={() => step && running.ask({ kind: 'weigh', step: step.id, then: 'stay' })}
      onActs={(acts) => running.answer(...acts)}
      onSkip={(s) =>
        running.answer(
          { kind: 'step-skipped', step: s.id, why: 'left out at the table' },
          ...running.begins(table.record),
        )
      }
    />
  );
}

interface PartProps {
  readonly table: Table;
  readonly running: ReturnType<typeof useRunning>;
}

function ScreenShown({ table, running }: PartProps) {
  const { page, record, device, name } = table;
  const { screen, say } = running;
  switch (screen.kind) {
    case 'proposal': {
      const { proposal, then } = screen;
      return (
        <Proposed
          dog={page}
          proposal={proposal}
          followed={running.isFollowed(proposal)}
          onTake={() => running.decide(proposal, then, true)}
          onLeave={() => running.decide(proposal, then, false)}
        />
      );
    }
    case 'meet':
      return <Meet dog={page} at={running.hand?.zone} looks={{}} onBack={running.askNothing} onMet={running.met} />;
    case 'weigh':
      return <Weighing table={table} running={running} stepId={screen.step} then={screen.then} />;
    case 'hand':
      return (
        <HandOver
          table={table}
          step={running.hand?.step}
          onBack={running.askNothing}
          onDone={(acts) => running.answer(...acts)}
        />
      );
    case 'more':
      return <MoreActs table={table} running={running} />;
    case 'break':
      return <OnBreak table={table} onGoOn={() => void say({ kind: 'resumed' })} />;
    case 'work':
      return <Working table={table} running={running} step={screen.step} zone={screen.zone} />;
    case 'between':
      return (
        <Between
          table={table}
          coming={screen.coming}
          onBegin={() => void say(...running.begins(record))}
          onLate={running.late}
          onMore={() => running.ask({ kind: 'more' })}
        />
      );
    case 'waits':
      return (
        <Waits
          table={table}
          onTakeBack={(s) => void say({ kind: 'handed', step: s.id, to: name }, beginAct(s, record, device, name))}
        />
      );
    case 'feel':
      return (
        <SecondCheck
          key={screen.zone}
          dog={page}
          zone={screen.zone}
          left={screen.left}
          onFelt={(findings) => void say({ kind: 'felt', zone: screen.zone, findings })}
          onSkip={running.feelNoMore}
        />
      );
    case 'end':
      return <End table={table} onFinish={() => void say({ kind: 'finished' })} />;
  }
}

function Running({ table }: { table: Table }) {
  const { leftHanded } = useComfort();
  const running = useRunning(table);
  return (
    <div className={leftHanded ? `${css.session} is-left` : css.session}>
      <TableHead table={table} />
      <ScreenShown table={table} running={running} />
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
        <Notice tone="stop" role="alert">
          {view.problem}
        </Notice>
      )}
      {view.refused.length > 0 && (
        <Notice tone="stop" role="alert">
          {view.refused.length === 1 ? 'One act was' : `${view.refused.length} acts were`} not taken by the salon’s
          computer and wait here: {view.refused[0]?.refused}
        </Notice>
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
      <Notice tone="stop" role="alert">
        <p>{view.problem}</p>
        <Link to="/table">Back to the table</Link>
      </Notice>
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
