/** Years that are wondered about, as their worker comes to them; one that was planned is kept as long as the facts are the same. */
import { useEffect, useRef, useState } from 'react';
import type { YearChange } from '../../core/book/index.ts';
import type { LearntBook } from '../../core/tide/index.ts';
import type { PlannedYear, YearAsked, YearFacts, YearTold } from './what-if.worker.ts';

export type YearAnswer =
  | { readonly state: 'working'; readonly share: number }
  | { readonly state: 'done'; readonly outcome: PlannedYear }
  | { readonly state: 'failed' };

export const yearKey = (change: YearChange): string => JSON.stringify(change);
const WAITING: YearAnswer = { state: 'working', share: 0 };

/** Answers, and what they rest on. */
interface Got {
  readonly learnt: LearntBook;
  readonly answers: ReadonlyMap<string, YearAnswer>;
}

/** What each of these years comes to, in the order asked. */
export function useYears({ book, learnt, room }: YearFacts, changes: readonly YearChange[]): readonly YearAnswer[] {
  const [got, setGot] = useState<Got>({ learnt, answers: new Map() });
  const asked = useRef<{ readonly worker: Worker; readonly keys: Set<string> } | undefined>(undefined);
  useEffect(() => {
    const worker = new Worker(new URL('./what-if.worker.ts', import.meta.url), { type: 'module' });
    asked.current = { worker, keys: new Set() };
    const keys = asked.current.keys;
    const note = (key: string, answer: YearAnswer): void =>
      setGot((now) => ({ learnt, answers: new Map(now.learnt === learnt ? now.answers : []).set(key, answer) }));
    const done = new Set<string>();
    worker.addEventListener('message', ({ data }: MessageEvent<YearTold>) => {
      if (data.kind === 'outcome') done.add(data.key);
      note(
        data.key,
        data.kind === 'outcome' ? { state: 'done', outcome: data.outcome } : { state: 'working', share: data.share },
      );
    });
    worker.addEventListener('error', () => {
      for (const key of keys) if (!done.has(key)) note(key, { state: 'failed' });
    });
    return () => worker.terminate();
  }, [book, learnt, room]);
  const wanted = changes.map(yearKey).join('\n');
  useEffect(() => {
    const { worker, keys } = asked.current ?? {};
    if (!worker || !keys) return;
    for (const key of wanted.split('\n')) {
      if (keys.has(key)) continue;
      keys.add(key);
      const change: YearChange = JSON.parse(key);
      worker.postMessage({ key, book, learnt, room, change } satisfies YearAsked);
    }
  }, [book, learnt, room, wanted]);
  const answers = got.learnt === learnt ? got.answers : undefined;
  return changes.map((c) => answers?.get(yearKey(c)) ?? WAITING);
}
