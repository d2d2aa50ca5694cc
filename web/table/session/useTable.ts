/** A session as the table shows it: its log on this device, folded; what stands now; and a way to tell it what happened. */
import { makeStale } from '../../data/queries.ts';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import type { SessionPage } from '../../../contract/session.ts';
import {
  asOf,
  lastTap,
  propose,
  sessionRecord,
  standingEvents,
  type Proposal,
  type ReplanReason,
  type SessionAct,
  type SessionRecord,
  type TableCase,
} from '../../../core/table/index.ts';
import { deviceId } from '../../data/device.ts';
import { TableLog, type TableView } from '../../data/table-log.ts';

export interface Table {
  readonly view: TableView;
  readonly page: SessionPage;
  readonly record: SessionRecord;
  readonly device: string;
  /** The name at this device; '' where nobody said. */
  readonly name: string;
  readonly nowMs: () => number;
  /** Resolves once the acts are kept on this device, with the record they make. */
  readonly tell: (...acts: readonly SessionAct[]) => Promise<SessionRecord>;
  readonly undo: () => Promise<void>;
  readonly canUndo: boolean;
  /** What to do about something that happened, on the record as it is. */
  readonly ask: (because: ReplanReason, record?: SessionRecord) => Proposal | undefined;
}

/** The log of a session on this device; the same for as long as the room is open. */
export function useTableLog(sessionId: string): { readonly log: TableLog; readonly view: TableView } {
  const [log] = useState(() => new TableLog(sessionId));
  useEffect(() => {
    log.open();
    return () => log.close();
  }, [log]);
  const view = useSyncExternalStore(log.subscribe, log.snapshot);
  // What other rooms show is computed from the log: once the salon has more of it, theirs is stale.
  const known = view.events.length - view.waiting;
  useEffect(() => void makeStale('POST /sessions/:id/events'), [known]);
  return { log, view };
}

export const caseOf = (page: SessionPage, record: SessionRecord): TableCase => ({ request: page.request, record });

export function useTable(log: TableLog, view: TableView, page: SessionPage): Table {
  const { steps } = page.snapshot.plan;
  const { events } = view;
  const record = useMemo(() => sessionRecord(events, steps), [events, steps]);
  const device = useMemo(() => deviceId(), []);
  const undoable = useMemo(() => lastTap(events, device, standingEvents(events).undone), [events, device]);
  return {
    view,
    page,
    record,
    device,
    name: record.nameOf[device] ?? '',
    nowMs: log.nowMs,
    tell: async (...acts) => {
      if (acts.length > 0) await log.write(acts);
      return sessionRecord(log.snapshot().events, steps);
    },
    undo: async () => {
      if (undoable.length > 0) await log.write([{ kind: 'undone', of: undoable }]);
    },
    canUndo: undoable.length > 0,
    ask: (because, known = record) => propose(caseOf(page, asOf(known, log.nowMs())), because),
  };
}
