/**
 * Learns the salon's tide away from the page. Fits are kept by the facts they rest on: a new entry in one dog's log fits that
 * dog again and tells its forecast at once, then the town's shift and everybody else's.
 */
import {
  dogStory,
  FitMemory,
  honestBook,
  learnBook,
  learnOne,
  type DogStory,
  type Honest,
  type DogTide,
  type LearntBook,
  type Progress,
  type TideBook,
} from '../../core/tide/index.ts';

export type TideAsked =
  | { readonly run: number; readonly kind: 'learn'; readonly book: TideBook }
  | {
      readonly run: number;
      readonly kind: 'story';
      readonly book: TideBook;
      readonly dogId: string;
      readonly town: LearntBook['town'];
    }
  | { readonly run: number; readonly kind: 'honest'; readonly book: TideBook }
  /** Nobody looks any more: what was fitted so far is kept. */
  | { readonly run: number; readonly kind: 'stop' };
export type TideTold =
  | { readonly run: number; readonly kind: 'progress'; readonly progress: Progress }
  | { readonly run: number; readonly kind: 'dog'; readonly dog: DogTide }
  | { readonly run: number; readonly kind: 'learnt'; readonly learnt: LearntBook }
  | { readonly run: number; readonly kind: 'story'; readonly story: DogStory }
  | { readonly run: number; readonly kind: 'honest'; readonly honest: Honest };

const memory = new FitMemory();

let latest = 0;
let lastLearnt: { readonly book: TideBook; readonly learnt: LearntBook } | undefined;

const tell = (told: TideTold): void => self.postMessage(told);

self.addEventListener('message', ({ data }: MessageEvent<TideAsked>) => {
  const { run } = data;
  if (data.kind === 'stop') {
    if (latest === run) latest = 0;
    return;
  }
  const { book } = data;
  if (data.kind === 'story') {
    const dog = book.dogs.find((d) => d.id === data.dogId);
    if (dog) tell({ run, kind: 'story', story: dogStory(book, dog, { town: data.town }) });
    return;
  }
  latest = run;
  if (data.kind === 'honest') {
    void inSteps(run, honestBook(book, memory.keepFor(book))).then(
      (honest) => honest && tell({ run, kind: 'honest', honest }),
    );
    return;
  }
  // A dog whose log has grown is told of first, under what the town said before.
  if (lastLearnt?.book.today === book.today) {
    const changed = memory.changed(book);
    if (changed.length <= 3)
      for (const d of changed) tell({ run, kind: 'dog', dog: learnOne(book, d, lastLearnt.learnt) });
  }
  void inSteps(run, learnBook(book, book.today, memory.keepFor(book))).then((learnt) => {
    if (!learnt) return;
    lastLearnt = { book, learnt };
    tell({ run, kind: 'learnt', learnt });
  });
});

/** Runs to its end, saying how far it is; undefined where a newer question has ended it. */
async function inSteps<T>(run: number, steps: Generator<Progress, T>): Promise<T | undefined> {
  let saidAt = performance.now();
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    if (performance.now() - saidAt > 60) {
      tell({ run, kind: 'progress', progress: step.value });
      await new Promise((resolve) => setTimeout(resolve));
      if (latest !== run) return undefined;
      saidAt = performance.now();
    }
  }
}
