/** What a sound level meter and a room sensor come to over a spell of time. */
import type { Air } from '../check/index.ts';

/** One reading of a sound level meter. */
export interface LevelReading {
  readonly atMs: number;
  /** A-weighted level at the ear, dB(A). */
  readonly dbA: number;
}

/**
 * The equivalent continuous level of readings, dB(A): the steady level with the same energy (Leq, ISO 9612 terms, from
 * memory). Undefined for none.
 */
export function meanLevel(readings: readonly Pick<LevelReading, 'dbA'>[]): number | undefined {
  if (readings.length === 0) return undefined;
  const energy = readings.reduce((total, r) => total + 10 ** (r.dbA / 10), 0) / readings.length;
  return 10 * Math.log10(energy);
}

/** Air differs from what was noted by enough to note it again: a degree, or five in a hundred of humidity. Guess. */
export const airChanged = (before: Air | undefined, now: Required<Air>): boolean =>
  before?.temperatureC === undefined ||
  before.humidityPct === undefined ||
  Math.abs(before.temperatureC - (now.temperatureC ?? 0)) >= 1 ||
  Math.abs(before.humidityPct - (now.humidityPct ?? 0)) >= 5;
