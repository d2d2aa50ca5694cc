/** What of a book's fits is still good: those of dogs whose facts are the same. */
import type { FitKeep } from './caseload.ts';
import type { Fit } from './fit.ts';
import { hash } from './hash.ts';
import type { TideBook } from './tide-book.ts';

interface Known {
  readonly facts: string;
  readonly alone: Fit;
}

/** Fits of one salon, kept by the facts they rest on. What is learnt never depends on what was learnt before. */
export class FitMemory {
  private readonly alone = new Map<string, Known>();
  private readonly newest = new Map<string, Fit>();

  keepFor({ today, place, readings }: TideBook): FitKeep {
    const town = hash(JSON.stringify([today, place, readings]));
    return {
      alone: (dog, make) => {
        const facts = `${town} ${JSON.stringify([dog.dog, dog.sightings])}`;
        const before = this.alone.get(dog.id);
        if (before?.facts === facts) return before.alone;
        const alone = make();
        this.alone.set(dog.id, { facts, alone });
        return alone;
      },
      inTown: (dog, fit) => void this.newest.set(dog.id, fit),
    };
  }

  /** The newest fit of a dog, as its town has it. */
  of(dogId: string): Fit | undefined {
    return this.newest.get(dogId);
  }
}
