/** Decides when one thing that can do one thing at a time is free. */

/** Spans at which something is taken, in order, none overlapping. */
export class Taken {
  private readonly starts: number[] = [];
  private readonly ends: number[] = [];

  clear(): void {
    this.starts.length = 0;
    this.ends.length = 0;
  }

  /** Earliest time from `from` on at which it is free for so long. */
  free(from: number, minutes: number): number {
    const { starts, ends } = this;
    let t = from;
    // Most questions are about what comes after all that is known.
    let i = starts.length;
    while (i > 0 && (ends[i - 1] ?? 0) > t) i--;
    for (; i < starts.length; i++) {
      if ((starts[i] ?? 0) - t >= minutes) return t;
      t = Math.max(t, ends[i] ?? 0);
    }
    return t;
  }

  isFree(from: number, minutes: number): boolean {
    return this.free(from, minutes) === from;
  }

  /** Takes it. What it is taken for already is not asked: two things that somebody marked at once are one long one. */
  take(start: number, end: number): void {
    if (end <= start) return;
    const { starts, ends } = this;
    const n = starts.length;
    // Most is taken after all that is known.
    if (n > 0 && (ends[n - 1] ?? 0) > start) return this.insert(start, end);
    starts.push(start);
    ends.push(end);
  }

  private insert(start: number, end: number): void {
    const { starts, ends } = this;
    let i = starts.length;
    while (i > 0 && (starts[i - 1] ?? 0) > start) i--;
    // Those that it touches become part of it.
    let from = i;
    if (from > 0 && (ends[from - 1] ?? 0) > start) from--;
    let to = i;
    let last = Math.max(end, from < i ? (ends[from] ?? 0) : 0);
    while (to < starts.length && (starts[to] ?? 0) < last) last = Math.max(last, ends[to++] ?? 0);
    const first = from < i ? (starts[from] ?? start) : start;
    starts.splice(from, to - from, first);
    ends.splice(from, to - from, last);
  }
}
