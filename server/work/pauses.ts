/** Long work between the requests, in short pieces: anyone who else asks meanwhile is answered between two of them. */
import { setImmediate } from 'node:timers/promises';
import type { Stores } from '../db/index.ts';

/** A piece takes that long, and anyone who asks waits for one at most. */
const PIECE_MS = 5;

/** Lets others in whenever a piece has taken long enough. */
export class Pauses {
  private since = performance.now();

  /** Is the present piece over. */
  due(): boolean {
    return performance.now() - this.since > PIECE_MS;
  }
  /** Lets others in where the piece is over; otherwise goes on at once. */
  async take(): Promise<void> {
    if (!this.due()) return;
    await setImmediate();
    this.since = performance.now();
  }
}

/** Runs work that is done in steps to its end, with others let in between. */
export async function inPieces<T>(steps: Iterator<unknown, T>): Promise<T> {
  const pauses = new Pauses();
  for (let step = steps.next(); ; step = steps.next()) {
    if (step.done) return step.value;
    await pauses.take();
  }
}

/**
 * Does many small writes in transactions that are each short. They are not all or nothing: anyone who calls this has written
 * down before what is under way, and takes it back where it fails.
 */
export async function writeInPieces<T>(
  { write }: Pick<Stores, 'write'>,
  items: Iterable<T>,
  each: (item: T) => void,
): Promise<void> {
  const rest = items[Symbol.iterator]();
  const pauses = new Pauses();
  for (let next = rest.next(); !next.done;) {
    write(() => {
      do {
        if (next.done) return;
        each(next.value);
        next = rest.next();
      } while (!pauses.due());
    });
    await pauses.take();
  }
}
