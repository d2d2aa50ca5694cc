/** What becomes of a record that two people changed at once, field by field. */

export interface Merge<R> {
  /** Every change of either side; where both changed a field, mine. */
  readonly merged: R;
  /** Fields that only the other side changed. */
  readonly theirs: readonly (keyof R)[];
  /** Fields that only my side changed. */
  readonly mine: readonly (keyof R)[];
  /** Fields that both changed, and not to the same. */
  readonly both: readonly (keyof R)[];
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Merges two changed copies of a record over the one they began on. Values are compared as they are written in JSON. */
export function mergeByField<R extends object>(base: R, mine: R, theirs: R, fields: readonly (keyof R)[]): Merge<R> {
  const of = (which: (field: keyof R) => boolean): readonly (keyof R)[] => fields.filter(which);
  const iDid = (f: keyof R): boolean => !same(base[f], mine[f]);
  const theyDid = (f: keyof R): boolean => !same(base[f], theirs[f]);
  const onlyTheirs = of((f) => theyDid(f) && !iDid(f));
  const merged = { ...mine };
  for (const f of onlyTheirs) merged[f] = theirs[f];
  return {
    merged,
    theirs: onlyTheirs,
    mine: of((f) => iDid(f) && !theyDid(f)),
    both: of((f) => iDid(f) && theyDid(f) && !same(mine[f], theirs[f])),
  };
}
