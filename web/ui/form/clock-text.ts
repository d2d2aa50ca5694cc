/** Times of day as this device writes them, read and written; kept as minutes from midnight. */
const MINUTES = 60;
const NOON = 12;

/** `9`, `9:30`, `0930`, `9.30 pm`: minutes from midnight; undefined where it is no time of day. */
export function readTime(typed: string): number | undefined {
  const found = /^(\d{1,2})(?:[:.h]?(\d{2}))?\s*([ap])?\.?\s*(?:m\.?)?$/i.exec(typed.trim());
  if (!found) return undefined;
  const [, hours = '', minutes = '0', half] = found;
  const h = Number(hours);
  const m = Number(minutes);
  if (m >= MINUTES || h > (half ? NOON : 23) || (half && h === 0)) return undefined;
  const day = half ? (h % NOON) + (half.toLowerCase() === 'p' ? NOON : 0) : h;
  return day * MINUTES + m;
}

/** `09:30`, or `9:30 am` where the clock has twelve hours. */
export function shownTime(minute: number, clock: '24' | '12'): string {
  const h = Math.floor(minute / MINUTES);
  const m = String(minute % MINUTES).padStart(2, '0');
  if (clock === '24') return `${String(h).padStart(2, '0')}:${m}`;
  return `${h % NOON === 0 ? NOON : h % NOON}:${m} ${h < NOON ? 'am' : 'pm'}`;
}
