/**
 * A plan changed by hand: the script, its past and future, and a draft of it that outlives a reload. Nothing is kept
 * until something was changed.
 */
import { useState } from 'react';
import { applyEdit, PHASES, type Edit, type Script } from '../../../core/bench/index.ts';
import { keptHere } from '../../app/on-device.ts';

interface History {
  readonly past: readonly Script[];
  /** undefined: as planned. */
  readonly now: Script | undefined;
  readonly future: readonly Script[];
}
const EMPTY: History = { past: [], now: undefined, future: [] };
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
  const [of, setOf] = useState('');
  const [history, setHistory] = useState<History>(EMPTY);
  const key = keyOf(checkId, method);
  // Another method has its own draft and its own past.
  if (of !== key) {
    setOf(key);
    setHistory({ ...EMPTY, now: draftOf(checkId, method) });
  }
  const script = history.now ?? planned;
  const put = (next: History): void => {
    setHistory(next);
    keep(checkId, method, next.now);
  };
  const set = (next: Script | undefined): void =>
    put({ past: [...history.past, script].slice(-MOST_PAST), now: next, future: [] });
  const last = history.past.at(-1);
  const [next] = history.future;
  return {
    script,
    changed: history.now !== undefined && history.now !== planned,
    edit: (edit) => set(applyEdit(script, edit)),
    set,
    undo:
      last &&
      (() =>
        put({
          past: history.past.slice(0, -1),
          now: last === planned ? undefined : last,
          future: [script, ...history.future],
        })),
    redo: next && (() => put({ past: [...history.past, script], now: next, future: history.future.slice(1) })),
    asPlanned: () => set(undefined),
  };
}
