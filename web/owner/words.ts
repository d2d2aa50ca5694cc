/** How the owner's page says days, minutes and amounts. */
import type { HomeAmount } from '../../core/tide/index.ts';

const DAY_MS = 86_400_000;
const said = (options: Intl.DateTimeFormatOptions) => {
  const format = new Intl.DateTimeFormat('en-GB', { ...options, timeZone: 'UTC' });
  return (day: number): string => format.format(new Date(day * DAY_MS));
};
/** "Wed", "Wednesday 9 April", "9 April" of a plain day. */
export const weekday = said({ weekday: 'short' });
export const longDay = said({ weekday: 'long', day: 'numeric', month: 'long' });
export const dayMonth = said({ day: 'numeric', month: 'long' });

/** "Wed 9 April, 09:30" in the salon's zone. */
export const visitTime = (instant: string, timeZone: string): string =>
  new Intl.DateTimeFormat('en-GB', {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    hour: '2-digit',
    minute: '2-digit',
    timeZone,
  }).format(new Date(instant));

export const minutes = (m: number): string => {
  const n = Math.max(1, Math.round(m));
  if (n < 60) return `${n} min`;
  return n % 60 === 0 ? `${n / 60} h` : `${Math.floor(n / 60)} h ${n % 60} min`;
};

export const AMOUNTS: readonly { readonly amount: HomeAmount; readonly word: string; readonly size: number }[] = [
  { amount: 'none', word: 'nothing', size: 0 },
  { amount: 'pinch', word: 'a pinch', size: 0.2 },
  { amount: 'handful', word: 'a handful', size: 0.45 },
  { amount: 'bowl', word: 'a bowl', size: 0.72 },
  { amount: 'bag', word: 'a bag', size: 1 },
];
