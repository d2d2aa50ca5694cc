/** Places for deriving secrets: each takes 32 MB and a quarter second of a core, so a few at a time, and some that wait. */
import { Problem } from '../problem.ts';

export class Places {
  private taken = 0;
  private readonly waiting: (() => void)[] = [];
  constructor(
    private readonly atOnce: number,
    private readonly mostWaiting: number,
  ) {}

  /** Does work when there is a place for it. 429 when too many wait already. */
  async run<T>(work: () => Promise<T>): Promise<T> {
    if (this.taken >= this.atOnce) {
      if (this.waiting.length >= this.mostWaiting)
        throw new Problem(429, null, 'Many people sign in at this moment. Wait a few seconds, and try again.');
      await new Promise<void>((go) => this.waiting.push(go));
    } else this.taken++;
    try {
      return await work();
    } finally {
      // A place goes straight on to the next who waits.
      const next = this.waiting.shift();
      if (next) next();
      else this.taken--;
    }
  }
}
