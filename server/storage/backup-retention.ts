/**
 * Which backups stay: the newest of each of the last 7 days, 4 weeks and 12 months that have one. Newest is what was made last,
 * by a number that each backup has in its name: what a clock said at that time may have been wrong.
 */

const KEPT = { days: 7, weeks: 4, months: 12 } as const;
const DAY_MS = 86_400_000;
/** The longest that a backup can stay: the newest of its month until twelve later months have one. */
const LONGEST_DAYS = 13 * 31;

/** An instant in the name of a file, `20310409T090000Z`: names sort as their times do. */
export const stamp = (atMs: number): string => `${new Date(atMs).toISOString().replace(/[-:]/g, '').slice(0, 15)}Z`;

/** A backup as its name tells: when its clock said it was made, and as which. */
export interface BackupName {
  readonly atMs: number;
  /** Grows with each backup of a folder; 0 for those that were made before names had one. */
  readonly number: number;
}
export const backupName = ({ atMs, number }: BackupName): string => `backup-${stamp(atMs)}-${number}.sqlite`;
const NAME = /^backup-(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z(?:-(\d{1,9}))?\.sqlite$/;

/** What a name tells; undefined for files that are no backups. */
export function readBackupName(name: string): BackupName | undefined {
  const [, y, mo, d, h, mi, s, n = '0'] = NAME.exec(name) ?? [];
  const atMs = y === undefined ? NaN : Date.parse(`${y}-${mo}-${d}T${h}:${mi}:${s}Z`);
  return Number.isNaN(atMs) ? undefined : { atMs, number: Number(n) };
}

/** The one made last first. */
export const lastFirst = (a: BackupName, b: BackupName): number => b.number - a.number || b.atMs - a.atMs;

/**
 * The backups to keep, of all there are: gone through from the one made last, each day, week and month that is met first. A
 * clock that was wrong for a while takes none of the others away, and what it dated ahead grows old like the rest.
 */
export function keptBackups<T extends BackupName>(backups: readonly T[]): ReadonlySet<T> {
  const newestFirst = [...backups].sort(lastFirst);
  const kept = new Set<T>();
  const newestOfEach = (most: number, period: (at: number) => number): void => {
    const seen = new Set<number>();
    for (const backup of newestFirst) {
      if (seen.size === most) return;
      const p = period(backup.atMs);
      if (!seen.has(p)) kept.add(backup);
      seen.add(p);
    }
  };
  newestOfEach(KEPT.days, (at) => Math.floor(at / DAY_MS));
  // Day 4 of the count is a Monday.
  newestOfEach(KEPT.weeks, (at) => Math.floor((at / DAY_MS - 4) / 7));
  newestOfEach(KEPT.months, (at) => new Date(at).getUTCFullYear() * 12 + new Date(at).getUTCMonth());
  return kept;
}

/** When a backup is gone at the latest, as long as one is made each day. */
export const goneBy = ({ atMs }: BackupName): number => atMs + LONGEST_DAYS * DAY_MS;
