/** Which rooms were looked into last on this device, so that the finder can offer them before a letter is typed. */
const MOST = 8;
const PREFIX = 'woolly-tide.recent.';
const keyOf = (accountId: string): string => PREFIX + accountId;

export interface Recent {
  readonly to: string;
  readonly name: string;
}

const isRecent = (x: unknown): x is Recent =>
  typeof x === 'object' &&
  x !== null &&
  'to' in x &&
  'name' in x &&
  typeof x.to === 'string' &&
  typeof x.name === 'string';

export function recentRooms(accountId: string): readonly Recent[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(keyOf(accountId)) ?? '[]');
    return Array.isArray(kept) ? kept.filter(isRecent) : [];
  } catch {
    return [];
  }
}

export function rememberRoom(accountId: string, room: Recent): void {
  const rest = recentRooms(accountId).filter((r) => r.to !== room.to);
  localStorage.setItem(keyOf(accountId), JSON.stringify([room, ...rest].slice(0, MOST)));
}

/** Rooms are called after dogs: nobody else is to read them here. */
export function forgetRecent(): void {
  for (const key of Object.keys(localStorage)) if (key.startsWith(PREFIX)) localStorage.removeItem(key);
}
