/** Outlines of a book of dogs, as a worker comes to them; ended when it is cancelled or nobody looks any more. */
import { useEffect, useMemo, useState } from 'react';
import type { Outline } from '../../core/bench/index.ts';
import type { BookAsked, BookSaid } from './plan-book.worker.ts';

export interface PlannedBook {
  readonly outlines: readonly Outline[];
  readonly of: number;
  readonly state: 'working' | 'done' | 'cancelled' | 'failed';
  readonly cancel: () => void;
  readonly again: () => void;
}

/** One piece of work: what was asked, and which try of it. */
interface Run {
  readonly asked: BookAsked;
  readonly tried: number;
}
interface Got {
  readonly run: Run;
  readonly outlines: readonly Outline[];
  readonly failed: boolean;
}

export function usePlannedBook(asked: BookAsked): PlannedBook {
  const [tried, setTried] = useState(0);
  const run = useMemo((): Run => ({ asked, tried }), [asked, tried]);
  const [got, setGot] = useState<Got>({ run, outlines: [], failed: false });
  const [cancelled, setCancelled] = useState<Run | undefined>();
  const of = asked.cases.length;
  const stopped = cancelled === run;
  useEffect(() => {
    if (stopped || run.asked.cases.length === 0) return;
    const worker = new Worker(new URL('./plan-book.worker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<BookSaid>) =>
      setGot((before) => ({
        run,
        outlines: [...(before.run === run ? before.outlines : []), ...data.outlines],
        failed: false,
      })),
    );
    worker.addEventListener('error', () => setGot({ run, outlines: [], failed: true }));
    worker.postMessage(run.asked);
    return () => worker.terminate();
  }, [run, stopped]);
  const own = got.run === run ? got : undefined;
  const outlines = own?.outlines ?? [];
  return {
    outlines,
    of,
    state: own?.failed ? 'failed' : outlines.length === of ? 'done' : stopped ? 'cancelled' : 'working',
    cancel: () => setCancelled(run),
    again: () => setTried((n) => n + 1),
  };
}
