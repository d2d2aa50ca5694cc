/** What was learnt of the tide, kept in the file so that a restart knows it at once. */
import { gunzipSync } from 'node:zlib';
import type { TideLearnt } from '../../contract/tide.ts';
import type { BookDog, DogTide } from '../../core/tide/index.ts';
import type { Stores } from '../db/index.ts';
import type { DogEffect } from '../tide-thread.ts';
import { inPieces } from '../work/pauses.ts';

/** What is learnt again within this time is not written each time: it follows from everything else. */
const KEEP_EVERY_MS = 5 * 60_000;

const read = (packed: Uint8Array): ReturnType<typeof JSON.parse> => JSON.parse(gunzipSync(packed).toString());

/** What was learnt last, and the dogs as they were read for it. */
export interface LearntBefore extends TideLearnt {
  /** The word of the question that this answered. */
  readonly question: string;
  readonly dogs: readonly BookDog[];
  readonly effects: readonly DogEffect[];
}

interface Head extends TideLearnt {
  readonly question: string;
  readonly parts: number;
}
interface Part {
  readonly tides: readonly DogTide[];
  readonly dogs: readonly BookDog[];
  readonly effects: readonly DogEffect[];
}

/** What was learnt last; undefined where nothing was, or not all of it was written. */
export function learntBefore({ tide }: Stores): LearntBefore | undefined {
  try {
    const [first, ...rest] = tide.learnt();
    if (!first) return undefined;
    const head: Head = read(first.answer);
    if (rest.length !== head.parts || rest.some((p) => p.stamp !== first.stamp)) return undefined;
    const parts = rest.map((p): Part => read(p.answer));
    return {
      facts: head.facts,
      question: head.question,
      learnt: { ...head.learnt, dogs: parts.flatMap((p) => p.tides) },
      dogs: parts.flatMap((p) => p.dogs),
      effects: parts.flatMap((p) => p.effects),
    };
  } catch {
    // It is computed from everything else: what cannot be read is learnt again.
    return undefined;
  }
}

/** Keeps what was learnt, now and then, a part at a time between the requests. */
export class LearntKeeper {
  private keptAt = -Infinity;
  private closed = false;
  constructor(
    private readonly stores: Stores,
    private readonly nowMs: () => number,
  ) {}

  /** packed: what holds for all dogs, then the dogs. Resolves when it is written; undefined where it is too soon again. */
  keep(packed: readonly Uint8Array[]): Promise<void> | undefined {
    const stamp = this.nowMs();
    if (stamp - this.keptAt < KEEP_EVERY_MS && stamp >= this.keptAt) return undefined;
    this.keptAt = stamp;
    return inPieces(this.writing(packed, stamp));
  }

  close(): void {
    this.closed = true;
  }

  private *writing(packed: readonly Uint8Array[], stamp: number): Generator<void, void> {
    const { stores } = this;
    for (const [part, answer] of packed.entries()) {
      if (this.closed) return;
      stores.write(() => stores.tide.keepLearnt({ part, stamp, answer }));
      yield;
    }
    if (!this.closed) stores.write(() => stores.tide.dropLearnt(packed.length));
  }
}
