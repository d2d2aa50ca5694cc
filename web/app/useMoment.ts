/** How an instant is said here: in the salon's own time, wherever the device is. */
import { useSalon } from '../data/hooks.ts';
import { instantText } from '../words/dates.ts';

/** "Wed 9 Apr, 09:30" of UTC milliseconds. */
export function useMoment(): (atMs: number) => string {
  const salon = useSalon();
  const timeZone = salon.data?.salon.timeZone ?? 'UTC';
  return (atMs) => instantText(new Date(atMs).toISOString(), timeZone);
}
