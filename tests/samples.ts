/** How many random cases a test draws: few in every run, all of them in the long one (`npm run test:long`). */
const FULL = process.env.SAMPLES === 'full';

/** What a run tries; `short` is enough to reach each fault that was ever found. */
export const samples = <T>(short: T, full: T): T => (FULL ? full : short);
