/** Decides by what name this device is known in a log: made once, kept. */
import { newId } from './client.ts';

const KEY = 'wt-device';

/** For as long as the page is open, where nothing can be kept. */
let own: string | undefined;

/** This device's own id. */
export function deviceId(): string {
  own ??= keptId();
  return own;
}

function keptId(): string {
  const made = `d-${newId().slice(0, 12)}`;
  try {
    const known = localStorage.getItem(KEY);
    if (known !== null && known !== '') return known;
    localStorage.setItem(KEY, made);
  } catch {
    // A locked store: another id each time the page is opened.
  }
  return made;
}
