/** What of a book's fits is still good: those of dogs whose facts are the same. */
import type { FitKeep } from './caseload.ts';
import type { Fit } from './fit.ts';
import type { BookDog, TideBook } from './tide-book.ts';

interface Known {
  readonly facts: string;
  readonly alone: Fit;
  together?: Fit;
}

const factsOf = (d: BookDog, book: TideBook): string => JSON.stringify([book.today, book.place, d.dog, d.sightings]);

/** Fits of one salon, kept by the facts they rest on. */
export class FitMemory {
  private readonly known = new Map<string, Known>();

  /** Dogs whose facts are new. */
  changed(book: TideBook): readonly BookDog[] {
    return book.dogs.filter((d) => this.known.get(d.id)?.facts !== factsOf(d, book));
  }

  keepFor(book: TideBook): FitKeep {
    return {
      alone: (dog, make) => {
        const facts = factsOf(dog, book);
        const before = this.known.get(dog.id);
        if (before?.facts === facts) return before.alone;
        const alone = make();
        this.known.set(dog.id, { facts, alone });
        return alone;
      },
      together: (dog, make) => {
        const known = this.known.get(dog.id);
        const made = make(known?.together);
        if (known) known.together = made;
        return made;
      },
    };
  }

  /** The newest fit of a dog, as its town has it. */
  of(dogId: string): Fit | undefined {
    const known = this.known.get(dogId);
    return known?.together ?? known?.alone;
  }
}
