/**
 * Outlines of a book of dogs, as workers come to them: one for each core, every so many dogs each, so that the list fills
 * from the top. They are ended when it is cancelled or nobody looks any more.
 */
import { useEffect, useMemo, useState } from 'react';
import type { FewOutlines, Outline } from '../../core/bench/index.ts';
import type { BookAsked } from './plan-book.worker.ts';

export interface PlannedBook {
  /** By dog, in the order asked; undefined while it waits. */
  readonly outlines: readonly (Outline | undefined)[];
  readonly done: number;
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
  readonly outlines: readonly (Outline | undefined)[];
  readonly failed: boolean;
}

/** More would only wait for each other. */
const MOST_WORKERS = 4;

export function usePlannedBook(asked: BookAsked): PlannedBook {
  const [tried, setTried] = useState(0);
  const run = useMemo((): Run => ({ asked, tried }), [asked, tried]);
  const [got, setGot] = useState<Got>({ run, outlines: [], failed: false });
  const [cancelled, setCancelled] = useState<Run | undefined>();
  const of = asked.cases.length;
  const stopped = cancelled === run;
  useEffect(() => {
    if (stopped || run.asked.cases.length === 0) return;
    const { room, cases } = run.asked;
    const many = Math.max(1, Math.min(MOST_WORKERS, navigator.hardwareConcurrency, Math.ceil(cases.length / 8)));
    const workers = Array.from({ length: many }, (_, nth) => {
      const worker = new Worker(new URL('./plan-book.worker.ts', import.meta.url), { type: 'module' });
      worker.addEventListener('message', ({ data }: MessageEvent<FewOutlines>) =>
        setGot((now) => {
          const outlines = now.run === run ? [...now.outlines] : [];
          for (const [i, outline] of data.outlines.entries()) outlines[(data.before + i) * many + nth] = outline;
          return { run, outlines, failed: false };
        }),
      );
      worker.addEventListener('error', () => setGot({ run, outlines: [], failed: true }));
      worker.postMessage({ room, cases: cases.filter((_c, i) => i % many === nth) } satisfies BookAsked);
      return worker;
    });
    return () => {
      for (const worker of workers) worker.terminate();
    };
  }, [run, stopped]);
  const own = got.run === run ? got : undefined;
  const outlines = own?.outlines ?? [];
  const done = outlines.filter((o) => o !== undefined).length;
  return {
    outlines,
    done,
    of,
    state: own?.failed ? 'failed' : done === of ? 'done' : stopped ? 'cancelled' : 'working',
    cancel: () => setCancelled(run),
    again: () => setTried((n) => n + 1),
  };
}
