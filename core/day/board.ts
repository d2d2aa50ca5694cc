/** Decides when one thing that can do one thing at a time is free. */

/** Spans at which something is taken, in order, none overlapping. */
export class Taken {
  private starts: number[] = [];
  private ends: number[] = [];

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

  /** Takes it; what it was taken for before is not asked. */
  take(start: number, end: number): void {
    if (end <= start) return;
    let i = this.starts.length;
    while (i > 0 && (this.starts[i - 1] ?? 0) > start) i--;
    this.starts.splice(i, 0, start);
    this.ends.splice(i, 0, end);
  }
}
