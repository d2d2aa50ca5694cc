/** The book's year as its worker comes to it; asked again when its facts change, ended when it is stopped or nobody looks. */
import { useCallback, useEffect, useRef, useState } from 'react';
import {
  movedProposals,
  type Absence,
  type AwayAnswer,
  type BookProgress,
  type BookSummary,
  type MovedProposal,
  type Sooner,
  type WeekOver,
} from '../../core/book/index.ts';
import type { Day } from '../../core/quantity/index.ts';
import type { BookAsked, BookTold, BookWork } from './book.worker.ts';

export interface BookAnswer {
  readonly plan: BookSummary | undefined;
  /** Proposals that the newest plan has elsewhere than the plan before it. */
  readonly moved: readonly MovedProposal[];
  /** Weeks that run over if every blow comes ten days early. */
  readonly early: readonly WeekOver[];
  /** Who had better come on a day than on the later one they have. */
  readonly sooner: { readonly on: Day; readonly sooner: readonly Sooner[] } | undefined;
  readonly askSooner: (on: Day) => void;
  readonly progress: { readonly stage: BookProgress['stage']; readonly share: number } | undefined;
  readonly state: 'working' | 'done' | 'cancelled' | 'failed';
  /** What moves when somebody is away; not the last: the answer at once, while a better one is sought. */
  readonly away: { readonly absence: Absence; readonly answer: AwayAnswer; readonly last: boolean } | undefined;
  readonly ask: (absence: Absence | undefined) => void;
  readonly cancel: () => void;
  readonly again: () => void;
}

type Got = Pick<BookAnswer, 'plan' | 'moved' | 'early' | 'sooner' | 'progress' | 'state' | 'away'> & {
  /** The last plan that was made to its end. */
  readonly stood: BookSummary | undefined;
};

export function useBookPlan({ book, learnt }: BookAsked): BookAnswer {
  const [tried, setTried] = useState(0);
  const [stopped, setStopped] = useState(-1);
  const at = useRef<Worker | undefined>(undefined);
  const [got, setGot] = useState<Got>({
    plan: undefined,
    moved: [],
    stood: undefined,
    early: [],
    sooner: undefined,
    progress: undefined,
    state: 'working',
    away: undefined,
  });
  // One worker for as long as the room is open: it plans a changed book from the plan it has.
  useEffect(() => {
    if (stopped === tried) return;
    const worker = new Worker(new URL('./book.worker.ts', import.meta.url), { type: 'module' });
    at.current = worker;
    worker.addEventListener('message', ({ data }: MessageEvent<BookTold>) =>
      setGot((now): Got => {
        switch (data.kind) {
          case 'plan':
            return {
              ...now,
              plan: data.plan,
              early: data.early,
              sooner: undefined,
              ...(data.last && {
                moved: now.stood ? movedProposals(now.stood, data.plan, data.plan.from) : [],
                stood: data.plan,
                progress: undefined,
                state: 'done',
              }),
            };
          case 'away':
            return { ...now, away: data };
          case 'sooner':
            return { ...now, sooner: data };
          case 'progress':
            return { ...now, progress: data, state: 'working' };
        }
      }),
    );
    worker.addEventListener('error', () => setGot((now) => ({ ...now, progress: undefined, state: 'failed' })));
    return () => {
      at.current = undefined;
      worker.terminate();
    };
  }, [tried, stopped]);
  useEffect(() => {
    at.current?.postMessage({ kind: 'plan', book, learnt } satisfies BookWork);
  }, [book, learnt, tried, stopped]);
  const ask = useCallback((absence: Absence | undefined) => {
    setGot((now) => ({ ...now, away: undefined }));
    if (absence) at.current?.postMessage({ kind: 'away', absence } satisfies BookWork);
  }, []);
  const askSooner = useCallback((on: Day) => at.current?.postMessage({ kind: 'sooner', on } satisfies BookWork), []);
  return {
    ...got,
    ask,
    askSooner,
    cancel: () => {
      setStopped(tried);
      setGot((now) => ({ ...now, progress: undefined, state: 'cancelled' }));
    },
    again: () => setTried((n) => n + 1),
  };
}
