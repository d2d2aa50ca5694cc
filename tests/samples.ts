/** How many random cases a test draws: few in every run, all of them in the long one (`npm run test:long`). */
const FULL = process.env.SAMPLES === 'full';

/** What a run tries; `short` is enough to reach each fault that was ever found. */
export const samples = <T>(short: T, full: T): T => (FULL ? full : short);

/**
 * Tests that only a long run makes: journeys of the browser that go another way, by another hand, over what a shorter one, the
 * server or core show in every run.
 */
export const itInFull = FULL ? it : it.skip;
export const describeInFull = FULL ? describe : describe.skip;
