/** The salon's minutes over a plan, by day and by period, and what overtime costs. */

/**
 * The salon's minutes by period: a day, or a week whose minutes may be worked on any of its days. Beyond those of a period
 * comes overtime, and beyond that what nobody should work, at its price.
 */
export interface Hours {
  /** Period of each day of the plan; day 0 is today. */
  readonly period: Int32Array;
  /** Minutes of each day, and of each period. */
  readonly daily: Float64Array;
  readonly minutes: Float64Array;
  /** Minutes of the first overtime in each period. */
  readonly overtime: Float64Array;
  /** Price of a minute of the first and of the second overtime, on top of the work itself. */
  readonly dear: number;
  readonly dearest: number;
}

/** What hours are made of, apart from their minutes. */
export interface HoursKind {
  /** Days in a row whose minutes are one pool, and how many of the first pool are past on day 1. */
  readonly pooledDays: number;
  readonly pooledSince?: number | undefined;
  /** First overtime as a share of a period. */
  readonly overtimeShare: number;
  readonly dear: number;
  readonly dearest: number;
}

/** Hours of a plan from the minutes of each day; element 0 is today, which is past. */
export function hoursFrom(
  daily: Float64Array,
  { pooledDays, pooledSince = 0, overtimeShare, dear, dearest }: HoursKind,
): Hours {
  const period = Int32Array.from(daily, (_, d) => (d === 0 ? 0 : 1 + Math.floor((d - 1 + pooledSince) / pooledDays)));
  const minutes = new Float64Array((period[period.length - 1] ?? 0) + 1);
  for (const [d, m] of daily.entries()) {
    const p = period[d] ?? 0;
    minutes[p] = (minutes[p] ?? 0) + m;
  }
  return { period, daily, minutes, overtime: minutes.map((m) => m * overtimeShare), dear, dearest };
}

/** Overtime's cost of so many minutes in a period. */
export const overtimeCost = (h: Hours, period: number, minutes: number): number => {
  const over = minutes - (h.minutes[period] ?? 0);
  if (over <= 0) return 0;
  const beyond = over - (h.overtime[period] ?? 0);
  return h.dear * over + (beyond > 0 ? (h.dearest - h.dear) * beyond : 0);
};
