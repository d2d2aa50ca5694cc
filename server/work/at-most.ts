/** Waiting that comes to an end: what takes longer goes on by itself. */

/** Resolves when the work has ended, or after so many milliseconds. A fault of the work in that time is the waiter's. */
export const atMost = (ms: number, work: Promise<unknown>): Promise<unknown> =>
  Promise.race([work, new Promise<void>((late) => setTimeout(late, ms).unref())]);
