/** What of a book's fits is still good: those of dogs whose facts are the same. */
import type { FitAlone } from './caseload.ts';
import type { Fit } from './fit.ts';
import { hash } from './hash.ts';
import type { TideBook } from './tide-book.ts';

/** Fits of one salon, kept by the facts they rest on. What is learnt never depends on what was learnt before. */
export class FitMemory {
  private readonly known = new Map<string, { readonly facts: string; readonly fit: Fit }>();

  fitAlone({ today, place, readings }: TideBook): FitAlone {
    const town = hash(JSON.stringify([today, place, readings]));
    return (dog, make) => {
      const facts = `${town} ${JSON.stringify([dog.dog, dog.sightings])}`;
      const before = this.known.get(dog.id);
      if (before?.facts === facts) return before.fit;
      const fit = make();
      this.known.set(dog.id, { facts, fit });
      return fit;
    };
  }
}
