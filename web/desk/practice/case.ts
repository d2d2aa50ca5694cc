/** Decides which case an address names: a rung, a drawn coat, or a coat of the salon's past. */
import type { BenchCases } from '../../../contract/bench.ts';
import { breedOf, COAT_CLASSES, type BodyShape, type Dog } from '../../../core/dog/index.ts';
import { HARDNESS, ladderCase, madeCase, pastCase, type PracticeCase } from '../../../core/practice/index.ts';

export const isPast = (id: string): boolean => id.startsWith('past-');
export const pastId = (checkId: string): string => `past-${checkId}`;

/** The case of an address; undefined for one that names none. */
export function caseOf(id: string, book: BenchCases | undefined): PracticeCase | undefined {
  if (isPast(id)) {
    const found = book?.cases.find((c) => pastId(c.checkId) === id);
    return found && book && pastCase(id, { ...found.case, kit: book.kit, house: book.house });
  }
  const free = /^free-(.+)-([a-z]+)-(\d{1,10})$/.exec(id);
  const coatClass = COAT_CLASSES.find((c) => c === free?.[1]);
  const hardness = HARDNESS.find((h) => h === free?.[2]);
  const seed = Number(free?.[3]);
  if (coatClass && hardness && Number.isSafeInteger(seed)) return madeCase(seed, coatClass, hardness);
  return ladderCase(id);
}

/** How a practice dog is drawn. */
export const lookOf = (dog: Dog): { readonly shape: BodyShape; readonly coatClass: Dog['coatClass'] } => ({
  shape: breedOf(dog.breed)?.shape ?? 'retriever',
  coatClass: dog.coatClass,
});
