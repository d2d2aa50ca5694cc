/** Computes the salon's tide beside the server, with what homes and reminders need of each dog. Fits are kept between questions. */
import { parentPort } from 'node:worker_threads';
import type { TideLearntAnswer } from '../contract/tide.ts';
import { addDays, ended, type Day } from '../core/quantity/index.ts';
import {
  FitMemory,
  factsWord,
  homeEffect,
  inBlow,
  inHundredths,
  learnBook,
  type DogTide,
  type HomeEffect,
  type LearntBook,
  type TideBook,
} from '../core/tide/index.ts';

export interface TideQuestion {
  readonly book: TideBook;
  /** Bouts a day that each home plans. */
  readonly homes: readonly { readonly id: string; readonly boutsPerDay: number }[];
}
/** What is known of one dog. */
export interface DogDigest {
  readonly id: string;
  readonly blow: boolean;
  readonly starts: DogTide['starts'];
  readonly due: Day;
  readonly effect: HomeEffect;
}

/** What is known when a question has been computed. */
export interface TideTold {
  readonly dogs: readonly DogDigest[];
  /** What devices are told, as JSON: it is large, and asked for more often than it is learnt. */
  readonly learnt: string;
}

const memory = new FitMemory();

function told(question: TideQuestion): TideTold {
  const { book } = question;
  const learnt = ended(learnBook(book, book.today, memory.keepFor(book)));
  const answer: TideLearntAnswer = { known: { facts: factsWord(book), learnt: inHundredths(learnt) } };
  return { dogs: digests(question, learnt), learnt: JSON.stringify(answer) };
}

function digests({ book, homes }: TideQuestion, learnt: LearntBook): readonly DogDigest[] {
  const of = new Map(homes.map((h) => [h.id, h]));
  return learnt.dogs.flatMap((tide): DogDigest[] => {
    const fit = memory.of(tide.id);
    const dog = book.dogs.find((d) => d.id === tide.id);
    if (!fit || !dog) return [];
    const home = of.get(tide.id);
    const due = addDays(book.today, Math.max(1, Math.round(tide.due.likely - book.today)));
    const [booked] = dog.booked;
    const visit = booked !== undefined && booked > book.today ? booked : due;
    return [
      {
        id: tide.id,
        blow: inBlow(fit, book.today),
        starts: tide.starts,
        due,
        effect: homeEffect(dog, fit, book.today, visit, home?.boutsPerDay ?? 0),
      },
    ];
  });
}

parentPort?.on('message', (text: string) => {
  const question: TideQuestion = JSON.parse(text);
  parentPort?.postMessage(told(question));
});
