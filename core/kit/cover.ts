/**
 * Decides which few of many candidates together serve a set of demands best: exact, by branch and bound.
 *
 * Each demand takes the best of the chosen candidates. That gain is submodular (a candidate adds least where others
 * stand already), so what the remaining best candidates would add now bounds what they can add later.
 */

export interface Cover {
  /** Indices of the chosen candidates, ascending. */
  readonly chosen: readonly number[];
  readonly gain: number;
}

/**
 * The best set of one candidate, of two, … of at most `most`, as far as one more serves better. gains[c][d] ≥ 0: what
 * candidate c is worth at demand d. Throws RangeError when rows differ in length.
 */
export function bestCovers(gains: readonly Float64Array[], most: number): readonly Cover[] {
  const demands = gains[0]?.length ?? 0;
  if (gains.some((row) => row.length !== demands)) throw new RangeError('every candidate needs a gain at each demand');
  // Best candidates first, so that good sets are found early and the bound cuts soon.
  const order = gains
    .map((row, c) => ({ c, row, alone: row.reduce((a, b) => a + b, 0) }))
    .filter((x) => x.alone > 0)
    .sort((a, b) => b.alone - a.alone || a.c - b.c);
  let best: Cover = { chosen: [], gain: 0 };

  const search = (size: number, from: number, picked: readonly number[], served: Float64Array, gain: number): void => {
    if (gain > best.gain * (1 + EQUAL)) best = { chosen: picked, gain };
    const open = size - picked.length;
    if (open === 0) return;
    const adds = order.slice(from).map((x, i) => ({ x, at: from + i, add: added(x.row, served) }));
    const ranked = adds.map((a) => a.add).sort((a, b) => b - a);
    let bound = gain;
    for (let i = 0; i < open; i++) bound += ranked[i] ?? 0;
    if (bound <= best.gain * (1 + EQUAL)) return;
    for (const { x, at, add } of adds) {
      if (add <= 0) continue;
      const next = new Float64Array(served);
      for (let d = 0; d < next.length; d++) next[d] = Math.max(next[d] ?? 0, x.row[d] ?? 0);
      search(size, at + 1, [...picked, x.c], next, gain + add);
    }
  };
  // Smaller sets first: a larger one is taken only when it serves better than the best of them.
  const covers: Cover[] = [];
  for (let size = 1; size <= most; size++) {
    const before = best;
    search(size, 0, [], new Float64Array(demands), 0);
    if (best === before) break; // gains are submodular: where one more adds nothing, two more add nothing
    covers.push({ chosen: [...best.chosen].sort((a, b) => a - b), gain: best.gain });
  }
  return covers;
}

/** The best set of at most `most` candidates; of sets that serve equally, one with fewest. See bestCovers. */
export const bestCover = (gains: readonly Float64Array[], most: number): Cover =>
  bestCovers(gains, most).at(-1) ?? { chosen: [], gain: 0 };

/** Gains that differ by less are the same: sums in another order. */
const EQUAL = 1e-12;

function added(row: Float64Array, served: Float64Array): number {
  let total = 0;
  for (let d = 0; d < row.length; d++) {
    const more = (row[d] ?? 0) - (served[d] ?? 0);
    if (more > 0) total += more;
  }
  return total;
}
