/** How many random cases a test draws: few in every run, all of them in the long one (`npm run test:long`). */
const FULL = process.env.SAMPLES === 'full';

/** The count of a run; `short` is enough to reach each fault that was ever found. */
export const samples = (short: number, full: number): number => (FULL ? full : short);
