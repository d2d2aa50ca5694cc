/** The book's year as its worker comes to it; asked anew when its facts change, ended when it is stopped or nobody looks. */
import { useEffect, useState } from 'react';
import type { BookProgress, BookSummary } from '../../core/book/index.ts';
import type { BookAsked, BookTold } from './book.worker.ts';

export interface BookAnswer {
  readonly plan: BookSummary | undefined;
  readonly progress: { readonly stage: BookProgress['stage']; readonly share: number } | undefined;
  readonly state: 'working' | 'done' | 'cancelled' | 'failed';
  readonly cancel: () => void;
  readonly again: () => void;
}

type Got = Pick<BookAnswer, 'plan' | 'progress' | 'state'>;

export function useBookPlan({ book, learnt }: BookAsked): BookAnswer {
  const [tried, setTried] = useState(0);
  const [stopped, setStopped] = useState(-1);
  const [got, setGot] = useState<Got>({ plan: undefined, progress: undefined, state: 'working' });
  useEffect(() => {
    if (stopped === tried) return;
    const worker = new Worker(new URL('./book.worker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<BookTold>) =>
      setGot((now) =>
        data.kind === 'plan'
          ? { plan: data.plan, progress: undefined, state: 'done' }
          : { ...now, progress: { stage: data.stage, share: data.share }, state: 'working' },
      ),
    );
    worker.addEventListener('error', () => setGot((now) => ({ ...now, progress: undefined, state: 'failed' })));
    worker.postMessage({ book, learnt } satisfies BookAsked);
    return () => worker.terminate();
  }, [book, learnt, tried, stopped]);
  return {
    ...got,
    cancel: () => {
      setStopped(tried);
      setGot((now) => ({ ...now, progress: undefined, state: 'cancelled' }));
    },
    again: () => setTried((n) => n + 1),
  };
}
