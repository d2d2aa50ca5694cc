/** Minutes after midnight as a clock by 24 hours, as fields for times take and give it. */

const DAY_MINUTES = 1440;
/** A minute of the day that was computed in parts of one: rounded first, so that 59.7 is in the next hour. */
export const wholeMinute = (minute: number): number => Math.round(minute) % DAY_MINUTES;

/** "08:05" of minutes after midnight. */
export const minuteClock = (minute: number): string =>
  [Math.floor(wholeMinute(minute) / 60), wholeMinute(minute) % 60].map((n) => String(n).padStart(2, '0')).join(':');

/** Minutes after midnight of "20:00"; undefined for text that is no time. */
export function minuteOf(text: string): number | undefined {
  const [, h, m] = /^(\d\d):(\d\d)/.exec(text) ?? [];
  return h === undefined || m === undefined ? undefined : Number(h) * 60 + Number(m);
}
