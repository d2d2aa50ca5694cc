/**
 * Learns the salon's tide beside the server, with what homes and reminders need of each dog. Fits are kept between questions;
 * one dog whose facts have changed is answered between the steps of the whole.
 */
import { parentPort } from 'node:worker_threads';
import { gzipSync } from 'node:zlib';
import type { TideLearnt } from '../contract/tide.ts';
import { day, type Day } from '../core/quantity/index.ts';
import {
  coatAhead,
  FitMemory,
  factsWord,
  freshLearnt,
  hash,
  homeEffect,
  inHundredths,
  learnBook,
  learnOne,
  outlookOf,
  tideInHundredths,
  type BookDog,
  type CoatAhead,
  type DogTide,
  type Fit,
  type HomeEffect,
  type LearntBook,
  type TideBook,
} from '../core/tide/index.ts';

export interface BookQuestion {
  readonly book: TideBook;
  /** Bouts a day that each home plans. */
  readonly homes: readonly { readonly id: string; readonly boutsPerDay: number }[];
}
/** The book holds one dog. */
export interface DogQuestion {
  readonly one: TideBook;
  /** What the town said before, where this thread has learnt nothing yet. */
  readonly town?: LearntBook['town'] | undefined;
}

/** What brushing at home is worth to a dog. */
export interface DogEffect {
  readonly id: string;
  readonly effect: HomeEffect;
}
export type TideTold =
  | {
      readonly kind: 'book';
      readonly from: Day;
      readonly town: LearntBook['town'];
      readonly tides: readonly CoatAhead[];
      readonly effects: readonly DogEffect[];
      /** The TideLearnt that devices are told, as JSON: it is large, and asked for more often than it is learnt. */
      readonly learnt: string;
      /** The same in gzipped parts, as it is kept: what holds for all dogs, then some dogs each. */
      readonly packed: readonly Uint8Array[];
    }
  | { readonly kind: 'dog'; readonly from: Day; readonly tide: DogTide }
  /** What was asked is what was learnt before: nothing is another. */
  | { readonly kind: 'same' };

/** A question as it is sent: written, since of thousands of dogs it is long. */
export interface Sent {
  readonly text: string;
  /** The word of the question about the book that was answered before the program was started. */
  readonly answered?: string | undefined;
}

const memory = new FitMemory();
let town: LearntBook['town'] | undefined;

/** The whole is learnt in steps of this length, so that a single dog waits no longer. */
const STEP_MS = 15;

async function learn({ book, homes }: BookQuestion, question: string): Promise<TideTold> {
  const boutsPerDay = new Map(homes.map((h) => [h.id, h.boutsPerDay]));
  const effects: DogEffect[] = [];
  const onHeard = (dog: BookDog, fit: Fit, tide: DogTide): void => {
    const visit = day(Math.max(book.today + 1, outlookOf(dog, tide, book.today, book).visit));
    const effect = homeEffect(dog, fit, tide.fullG, book.today, visit, boutsPerDay.get(dog.id) ?? 0);
    effects.push({ id: dog.id, effect });
  };
  const steps = learnBook(book, { fitAlone: memory.fitAlone(book), onHeard });
  let learnt: LearntBook | undefined;
  while (!learnt) {
    const until = performance.now() + STEP_MS;
    do {
      const step = steps.next();
      if (step.done) learnt = step.value;
    } while (!learnt && performance.now() < until);
    await new Promise((resolve) => setImmediate(resolve));
  }
  town = learnt.town;
  const rounded = inHundredths(learnt);
  const known: TideLearnt = { facts: factsWord(book), learnt: rounded };
  return {
    kind: 'book',
    from: rounded.from,
    town,
    tides: rounded.dogs.map(coatAhead),
    effects,
    learnt: JSON.stringify(known),
    packed: packedParts(book, known, effects, question),
  };
}

/** Dogs of one part. */
const PART_DOGS = 100;

function packedParts(
  book: TideBook,
  { facts, learnt: { dogs, ...learnt } }: TideLearnt,
  effects: readonly DogEffect[],
  question: string,
): readonly Uint8Array[] {
  const read = new Map(book.dogs.map((d) => [d.id, d]));
  const effectOf = new Map(effects.map((e) => [e.id, e]));
  const parts = Array.from({ length: Math.ceil(dogs.length / PART_DOGS) }, (_, i) => {
    const tides = dogs.slice(i * PART_DOGS, (i + 1) * PART_DOGS);
    return {
      tides,
      dogs: tides.flatMap((t) => read.get(t.id) ?? []),
      effects: tides.flatMap((t) => effectOf.get(t.id) ?? []),
    };
  });
  return [{ facts, question, parts: parts.length, learnt }, ...parts].map((part) => gzipSync(JSON.stringify(part)));
}

function learnDog({ one, town: before }: DogQuestion): TideTold[] {
  town ??= before;
  const said = town ?? freshLearnt(one);
  return one.dogs.map((dog) => ({
    kind: 'dog',
    from: one.today,
    tide: tideInHundredths(learnOne(one, dog, { town: said })),
  }));
}

const tell = (told: TideTold): void => parentPort?.postMessage(told);
parentPort?.on('message', ({ text, answered }: Sent) => {
  const question: BookQuestion | DogQuestion = JSON.parse(text);
  if ('one' in question) {
    learnDog(question).forEach(tell);
    return;
  }
  const word = hash(text).toString(36);
  if (word === answered) tell({ kind: 'same' });
  else void learn(question, word).then(tell);
});
