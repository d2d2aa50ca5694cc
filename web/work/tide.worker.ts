/** Works out a dog's story, and how good past forecasts were, away from the page. */
import {
  dogStory,
  honestBook,
  type DogStory,
  type Honest,
  type DogTide,
  type LearntBook,
  type Progress,
  type TideBook,
} from '../../core/tide/index.ts';

export type TideAsked =
  | {
      readonly run: number;
      readonly kind: 'story';
      readonly book: TideBook;
      readonly dogId: string;
      readonly tide: DogTide;
      readonly learnt: Pick<LearntBook, 'town' | 'from'>;
    }
  | { readonly run: number; readonly kind: 'honest'; readonly book: TideBook }
  /** Nobody looks any more: what was fitted so far is kept. */
  | { readonly run: number; readonly kind: 'stop' };
export type TideTold =
  | { readonly run: number; readonly kind: 'progress'; readonly progress: Progress }
  | { readonly run: number; readonly kind: 'story'; readonly story: DogStory }
  | { readonly run: number; readonly kind: 'honest'; readonly honest: Honest };

let latest = 0;

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
    if (dog) tell({ run, kind: 'story', story: dogStory(book, dog, data.tide, data.learnt) });
    return;
  }
  latest = run;
  void inSteps(run, honestBook(book)).then((honest) => honest && tell({ run, kind: 'honest', honest }));
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
