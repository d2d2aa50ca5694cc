/**
 * What time it is at the salon, on a device whose own clock is wrong.
 *
 * A round trip says when it left and came back by the device's clock, and what the salon's clock said in between. The
 * quickest trip is the surest: the salon's time was read somewhere inside it (Cristian's method, Distributed Computing
 * 3, 1989, from memory). An act is stamped with that time, and always after everything its device had seen by then, so
 * that what answers something never comes before it, however wrong the clock.
 */

/** One question about the time: when it left and came back by the device's clock, and what the salon's said. */
export interface ClockReading {
  readonly sentMs: number;
  readonly salonMs: number;
  readonly backMs: number;
}

/** How far the salon's clock is ahead of the device's, and by how much that may be wrong. */
export interface ClockOffset {
  readonly aheadMs: number;
  readonly errorMs: number;
}

/** Nothing was asked yet: the device's clock is taken at its word. */
export const UNASKED: ClockOffset = { aheadMs: 0, errorMs: Infinity };

/** Readings that lie so far apart speak of a clock that was set in between: older ones are forgotten. */
const WAS_SET_MS = 2_000;

/** The offset from readings in the order in which they were made; UNASKED where there are none. */
export function clockOffset(readings: readonly ClockReading[]): ClockOffset {
  let best = UNASKED;
  for (const { sentMs, salonMs, backMs } of readings) {
    if (backMs < sentMs) continue; // the clock was set back while the answer was on its way
    const errorMs = (backMs - sentMs) / 2;
    const aheadMs = salonMs - (sentMs + backMs) / 2;
    const wasSet = Math.abs(aheadMs - best.aheadMs) > errorMs + best.errorMs + WAS_SET_MS;
    if (best === UNASKED || wasSet || errorMs <= best.errorMs) best = { aheadMs, errorMs };
  }
  return best;
}

/** The salon's time of an act now: never before, nor at, anything that its device had seen. */
export const stampMs = (deviceMs: number, { aheadMs }: ClockOffset, latestSeenMs: number): number =>
  Math.max(Math.round(deviceMs + aheadMs), latestSeenMs + 1);

export interface Stamped {
  readonly atMs: number;
  readonly clockMs?: number | undefined;
}

/**
 * Events that wait on a device, oldest first, stamped again once its offset is known better: those made with the clock at
 * its word, or with an offset that was wrong by more than the two errors. Their order stays.
 */
export function restamped<E extends Stamped>(waiting: readonly E[], now: ClockOffset): readonly E[] {
  if (now.errorMs === Infinity) return waiting;
  let latest = -Infinity;
  return waiting.map((e) => {
    const by = now.aheadMs - (e.clockMs ?? 0);
    const moved = e.clockMs !== undefined && Math.abs(by) > now.errorMs + WAS_SET_MS;
    const atMs = Math.max(moved ? Math.round(e.atMs + by) : e.atMs, latest + 1);
    latest = atMs;
    return atMs === e.atMs ? e : { ...e, atMs, clockMs: moved ? now.aheadMs : e.clockMs };
  });
}
