/** Decides by what name this device is known in a log: made once, kept. */
import { newId } from './client.ts';

const KEY = 'wt-device';

/** This device's own id; a new one each time where nothing can be kept. */
export function deviceId(): string {
  try {
    const known = localStorage.getItem(KEY);
    if (known !== null && known !== '') return known;
    const made = `d-${newId().slice(0, 12)}`;
    localStorage.setItem(KEY, made);
    return made;
  } catch {
    return `d-${newId().slice(0, 12)}`;
  }
}
