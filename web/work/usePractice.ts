/** A practice bout as its worker works it: what was done is a list of acts, and each answer is of all of them. */
import { startTransition, useCallback, useEffect, useRef, useState } from 'react';
import type { Act, PracticeCase } from '../../core/practice/index.ts';
import type { BoutView, HandAsked, HandTold, PracticeAsked, PracticeTold } from './practice.worker.ts';

export interface Practice {
  readonly view: BoutView | undefined;
  readonly clockMinutes: number;
  readonly hand: HandTold | undefined;
  readonly failed: boolean;
  readonly act: (act: Act) => void;
  /** What a piece would come to in these zones, told as `hand`. */
  readonly ask: (hand: HandAsked) => void;
}

/** Opens a case again whenever another is given. */
export function usePractice(given: PracticeCase): Practice {
  const worker = useRef<Worker | undefined>(undefined);
  const acts = useRef<readonly Act[]>([]);
  /** Questions asked so far: an answer to an older one comes too late. */
  const asked = useRef(0);
  const [view, setView] = useState<BoutView>();
  const [clockMinutes, setClock] = useState(0);
  const [hand, setHand] = useState<HandTold>();
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    const own = new Worker(new URL('./practice.worker.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    acts.current = [];
    own.addEventListener('message', ({ data }: MessageEvent<PracticeTold>) => {
      // What the coat answers is drawn in slices: the hand may be at its next act already.
      startTransition(() => {
        if (data.kind === 'opened') setClock(data.clockMinutes);
        else if (data.kind === 'bout') setView(data.view);
        else if (data.hand.nth === asked.current) setHand(data.hand);
      });
    });
    own.addEventListener('error', () => setFailed(true));
    own.postMessage({ kind: 'open', case: given } satisfies PracticeAsked);
    return () => own.terminate();
  }, [given]);
  const act = useCallback((done: Act): void => {
    acts.current = [...acts.current, done];
    worker.current?.postMessage({ kind: 'acts', acts: acts.current } satisfies PracticeAsked);
  }, []);
  const ask = useCallback((wanted: HandAsked): void => {
    asked.current += 1;
    setHand(undefined);
    const sent: PracticeAsked = { kind: 'hand', nth: asked.current, acts: acts.current, hand: wanted };
    worker.current?.postMessage(sent);
  }, []);
  return { view, clockMinutes, hand, failed, act, ask };
}
