/**
 * The salon's tide as the salon's computer has learnt it, and what a worker here makes of it: a dog's story, and how good
 * past forecasts were. One worker lives as long as the page; what took it long is kept on this device by the facts it rests on.
 */
import { useQueryClient } from '@tanstack/react-query';
import { get, set } from 'idb-keyval';
import { useEffect, useMemo, useRef, useState } from 'react';
import {
  factsWord,
  withNewer,
  type DogStory,
  type Honest,
  type LearntBook,
  type TideBook,
} from '../../core/tide/index.ts';
import { tideQuery, useTideLearnt } from '../data/hooks.ts';
import workerUrl from './tide.worker.ts?worker&url';
import type { TideAsked, TideTold } from './tide.worker.ts';

export interface Tide {
  readonly learnt: LearntBook | undefined;
  /** working: what is new in the log is still being learnt. */
  readonly state: 'working' | 'done' | 'failed';
}

let worker: Worker | undefined;
let runs = 0;
const theWorker = (): Worker => (worker ??= new Worker(workerUrl, { type: 'module' }));
function endWorker(): void {
  worker?.terminate();
  worker = undefined;
}

type Question = TideAsked extends infer A ? (A extends TideAsked ? Omit<A, 'run'> : never) : never;

/** Asks the worker; returns how to stop listening. */
function ask(question: Question, onTold: (told: TideTold) => void, onError: () => void): () => void {
  const run = ++runs;
  const w = theWorker();
  const hear = ({ data }: MessageEvent<TideTold>): void => {
    if (data.run === run) onTold(data);
  };
  w.addEventListener('message', hear);
  w.addEventListener('error', onError);
  w.postMessage({ ...question, run } satisfies TideAsked);
  return () => {
    w.postMessage({ kind: 'stop', run } satisfies TideAsked);
    w.removeEventListener('message', hear);
    w.removeEventListener('error', onError);
  };
}

/** What was worked out last, by the facts it rests on and the program that read them: the same again, the same answer. */
interface Kept<T> {
  readonly program: string;
  readonly facts: string;
  readonly value: T;
}
const kept = async <T>(key: string): Promise<Kept<T> | undefined> => {
  const found = await get<Kept<T>>(key).catch(() => undefined);
  return found?.program === workerUrl ? found : undefined;
};
const recall = async <T>(key: string, facts: string): Promise<T | undefined> => {
  const found = await kept<T>(key);
  return found?.facts === facts ? found.value : undefined;
};
const remember = <T>(key: string, facts: string, value: T): void =>
  void set(key, { program: workerUrl, facts, value } satisfies Kept<T>).catch(() => undefined);

const HONEST = 'tide-honest';

interface Got<T> {
  readonly value: T | undefined;
  readonly progress: number | undefined;
  readonly state: 'working' | 'done' | 'cancelled' | 'failed';
}

/** An answer that takes a while: kept by its facts, asked for when they are new, stopped on demand. */
function useAnswer<T>(
  key: string,
  book: TideBook | undefined,
  question: Question | undefined,
  take: (told: TideTold, now: T | undefined) => { readonly value: T; readonly whole: boolean } | undefined,
) {
  const [tried, setTried] = useState(0);
  const facts = useMemo(() => (book ? JSON.stringify(book) : ''), [book]);
  const [got, setGot] = useState<Got<T>>({ value: undefined, progress: undefined, state: 'working' });
  const asked = useRef({ question, take });
  useEffect(() => {
    asked.current = { question, take };
  });
  useEffect(() => {
    if (facts === '') return;
    let gone = false;
    let hush: () => void = () => undefined;
    // Until the new answer is in, the old one stays on show.
    const put = (more: Partial<Got<T>>): void => {
      if (!gone) setGot((now) => ({ ...now, ...more }));
    };
    put({ progress: 0, state: 'working' });
    void recall<T>(key, facts).then((known) => {
      const { question: q, take: reads } = asked.current;
      if (gone || !q) return;
      if (known) return put({ value: known, progress: undefined, state: 'done' });
      hush = ask(
        q,
        (told) => {
          if (told.kind === 'progress') return put({ progress: told.progress.done / told.progress.of });
          setGot((now) => {
            const next = gone ? undefined : reads(told, now.value);
            if (!next) return now;
            if (next.whole) remember(key, facts, next.value);
            return next.whole
              ? { value: next.value, progress: undefined, state: 'done' }
              : { ...now, value: next.value };
          });
        },
        () => put({ progress: undefined, state: 'failed' }),
      );
    });
    return () => {
      gone = true;
      hush();
    };
  }, [key, facts, tried]);
  return {
    ...got,
    cancel: () => {
      endWorker();
      setGot((now) => ({ ...now, progress: undefined, state: 'cancelled' as const }));
    },
    again: () => setTried((n) => n + 1),
  };
}

/** The whole book's tide as the salon's computer has learnt it. What was learnt from older facts stays on show until the new is in. */
export function useTide(book: TideBook): Tide {
  const facts = useMemo(() => factsWord(book), [book]);
  const { data, isError } = useTideLearnt(facts);
  const client = useQueryClient();
  const learntFrom = data?.known?.facts;
  useEffect(() => {
    // What was learnt last may be of a newer book than the one at hand.
    const newer = learntFrom !== undefined && learntFrom !== facts;
    if (newer) void client.invalidateQueries({ queryKey: tideQuery.queryKey });
  }, [client, learntFrom, facts]);
  const learnt = useMemo(() => (data?.known ? withNewer(data.known.learnt, data.newer) : undefined), [data]);
  return { learnt, state: isError ? 'failed' : learntFrom === facts ? 'done' : 'working' };
}

/** How good past forecasts were. */
export const useHonest = (book: TideBook | undefined) =>
  useAnswer<Honest>(HONEST, book, book && { kind: 'honest', book }, (told) =>
    told.kind === 'honest' ? { value: told.honest, whole: true } : undefined,
  );

/** How far bands of grams were last found to need stretching; undefined until the forecasts were judged on this device. */
export function useStretch(): Honest['stretch'] | undefined {
  const [stretch, setStretch] = useState<Honest['stretch']>();
  useEffect(() => {
    void kept<Honest>(HONEST).then((k) => setStretch(k?.value.stretch));
  }, []);
  return stretch;
}

/** One dog's story in the town as it was learnt; undefined while it is worked out. */
export function useStory(
  book: TideBook | undefined,
  dogId: string,
  learnt: LearntBook | undefined,
): { readonly story: DogStory | undefined; readonly failed: boolean } {
  const [got, setGot] = useState<{ story: DogStory | undefined; failed: boolean }>({ story: undefined, failed: false });
  useEffect(() => {
    const tide = learnt?.dogs.find((d) => d.id === dogId);
    if (!book || !learnt || !tide) return;
    const { town, from } = learnt;
    return ask(
      { kind: 'story', book, dogId, tide, learnt: { town, from } },
      (told) => told.kind === 'story' && setGot({ story: told.story, failed: false }),
      () => setGot((now) => ({ ...now, failed: true })),
    );
  }, [book, dogId, learnt]);
  return got.story?.id === dogId ? got : { story: undefined, failed: got.failed };
}
