/**
 * A plan changed by hand: the script, its past and future, and a draft of it that outlives a reload. Nothing is kept
 * until something was changed.
 */
import { startTransition, useEffect, useState } from 'react';
import { applyEdit, PHASES, type Edit, type Script } from '../../../core/bench/index.ts';
import { keptHere } from '../../app/device-preferences.ts';

interface History {
  /** The plan and method that it is of. */
  readonly of: string;
  /** Was something changed since it was read: only that is kept. */
  readonly touched: boolean;
  readonly past: readonly Script[];
  /** undefined: as planned. */
  readonly now: Script | undefined;
  readonly future: readonly Script[];
}
const EMPTY: History = { of: '', touched: false, past: [], now: undefined, future: [] };
const MOST_PAST = 100;

const keyOf = (checkId: string, method: string): string => `wt-stairs ${checkId} ${method}`;

/** The draft of a changed plan on this device, if there is one that can be read. */
export function draftOf(checkId: string, method: string): Script | undefined {
  try {
    const text = keptHere(keyOf(checkId, method));
    const kept: unknown = text === null ? undefined : JSON.parse(text);
    return isScript(kept) ? kept : undefined;
  } catch {
    return undefined;
  }
}

const isScript = (value: unknown): value is Script =>
  Array.isArray(value) &&
  value.length > 0 &&
  value.every(
    (s: unknown) =>
      typeof s === 'object' &&
      s !== null &&
      'id' in s &&
      typeof s.id === 'string' &&
      'phase' in s &&
      typeof s.phase === 'string' &&
      s.phase in PHASES &&
      'toolId' in s &&
      typeof s.toolId === 'string' &&
      'zones' in s &&
      Array.isArray(s.zones),
  );

function keep(checkId: string, method: string, script: Script | undefined): void {
  try {
    if (script) localStorage.setItem(keyOf(checkId, method), JSON.stringify(script));
    else localStorage.removeItem(keyOf(checkId, method));
  } catch {
    // A full or locked store only means that the draft does not outlive a reload.
  }
}

export interface ScriptInHand {
  readonly script: Script;
  readonly changed: boolean;
  readonly edit: (edit: Edit) => void;
  readonly set: (script: Script) => void;
  readonly undo: (() => void) | undefined;
  readonly redo: (() => void) | undefined;
  readonly asPlanned: () => void;
}

export function useScript(checkId: string, method: string, planned: Script): ScriptInHand {
  const [history, setHistory] = useState<History>(EMPTY);
  const key = keyOf(checkId, method);
  // Another method has its own draft and its own past.
  if (history.of !== key) setHistory({ ...EMPTY, of: key, now: draftOf(checkId, method) });
  useEffect(() => {
    if (history.touched && history.of === keyOf(checkId, method)) keep(checkId, method, history.now);
  }, [history, checkId, method]);
  const script = history.now ?? planned;
  /** The room is drawn again in slices: a hand at its next step is not kept waiting, and each change goes on from the one before. */
  const change = (
    to: (before: History, script: Script) => Pick<History, 'past' | 'now' | 'future'> | undefined,
  ): void =>
    startTransition(() =>
      setHistory((h) => {
        const next = to(h, h.now ?? planned);
        return next ? { ...h, ...next, touched: true } : h;
      }),
    );
  const put = (to: (script: Script) => Script | undefined): void =>
    change(({ past }, now) => ({ past: [...past, now].slice(-MOST_PAST), now: to(now), future: [] }));
  // Pressed again before the first press was drawn, there may be nothing more to take back or to do again.
  const undo = (): void =>
    change(({ past, future }, now) => {
      const last = past.at(-1);
      return last && { past: past.slice(0, -1), now: last === planned ? undefined : last, future: [now, ...future] };
    });
  const redo = (): void =>
    change(({ past, future: [next, ...rest] }, now) => next && { past: [...past, now], now: next, future: rest });
  return {
    script,
    changed: history.now !== undefined && history.now !== planned,
    edit: (edit) => put((now) => applyEdit(now, edit)),
    set: (next) => put(() => next),
    undo: history.past.length === 0 ? undefined : undo,
    redo: history.future.length === 0 ? undefined : redo,
    asPlanned: () => put(() => undefined),
  };
}
