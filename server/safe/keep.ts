/** Decides which backups stay: the newest of each of the last 7 days, 4 weeks and 12 months that have one. */

const KEPT = { days: 7, weeks: 4, months: 12 } as const;
const DAY_MS = 86_400_000;

/** An instant in the name of a file, `20310409T090000Z`: names sort as their times do. */
export const stamp = (atMs: number): string => `${new Date(atMs).toISOString().replace(/[-:]/g, '').slice(0, 15)}Z`;
/** What a backup of an instant is called. */
export const backupName = (atMs: number): string => `backup-${stamp(atMs)}.sqlite`;
const NAME = /^backup-(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z\.sqlite$/;

/** The instant that a name tells; undefined for files that are no backups. */
export function backupTime(name: string): number | undefined {
  const [, y, mo, d, h, mi, s] = NAME.exec(name) ?? [];
  const at = y === undefined ? NaN : Date.parse(`${y}-${mo}-${d}T${h}:${mi}:${s}Z`);
  return Number.isNaN(at) ? undefined : at;
}

/**
 * The times to keep, of all there are. Reckoned from the backups themselves, not from a clock: one that was set wrong
 * takes none of them away.
 */
export function keptTimes(times: readonly number[]): ReadonlySet<number> {
  const newestFirst = [...times].sort((a, b) => b - a);
  const kept = new Set<number>();
  const newestOfEach = (most: number, period: (at: number) => number): void => {
    const seen = new Set<number>();
    for (const at of newestFirst) {
      if (seen.size === most) return;
      const p = period(at);
      if (!seen.has(p)) kept.add(at);
      seen.add(p);
    }
  };
  newestOfEach(KEPT.days, (at) => Math.floor(at / DAY_MS));
  // Day 4 of the count is a Monday.
  newestOfEach(KEPT.weeks, (at) => Math.floor((at / DAY_MS - 4) / 7));
  newestOfEach(KEPT.months, (at) => new Date(at).getUTCFullYear() * 12 + new Date(at).getUTCMonth());
  return kept;
}
