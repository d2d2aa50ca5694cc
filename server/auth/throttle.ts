/**
 * Decides how long a sign-in waits after others have failed. Failures are counted by account and by address; a device that
 * has been signed in to the account before counts for itself, so that nobody elsewhere can keep the salon out.
 */

export interface Failures {
  readonly failures: number;
  readonly lastMs: number;
}

/** Failures that cost nothing, and the longest wait. */
const RULES = {
  account: { free: 5, longestMs: 15 * 60_000 },
  address: { free: 20, longestMs: 60_000 },
  device: { free: 8, longestMs: 60_000 },
  pin: { free: 4, longestMs: 5 * 60_000 },
} as const;
export type Counted = keyof typeof RULES;
const FIRST_WAIT_MS = 2_000;
/** Failures older than that are forgotten. */
const FORGOTTEN_MS = 24 * 3_600_000;

/** Milliseconds that a next try must wait; doubles with each failure beyond the free ones. A clock set back waits no longer. */
export function waitMs(kind: Counted, { failures, lastMs }: Failures, nowMs: number): number {
  const { free, longestMs } = RULES[kind];
  const since = nowMs - lastMs;
  if (failures < free || since > FORGOTTEN_MS) return 0;
  const wait = Math.min(longestMs, FIRST_WAIT_MS * 2 ** Math.min(20, failures - free));
  return Math.max(0, Math.min(wait, wait - since));
}

/** The count after one more failure. */
export const failedOnce = (before: Failures | undefined, nowMs: number): Failures => ({
  failures: before && nowMs - before.lastMs <= FORGOTTEN_MS ? before.failures + 1 : 1,
  lastMs: nowMs,
});
