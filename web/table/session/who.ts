/** Who works at this device, remembered from one dog to the next. */
const KEY = 'wt-worker';

/** The name that was given last on this device. */
export function lastWorker(): string {
  try {
    return localStorage.getItem(KEY) ?? '';
  } catch {
    return '';
  }
}

export function keepWorker(name: string): void {
  try {
    localStorage.setItem(KEY, name);
  } catch {
    // A locked store only means that the name is asked again.
  }
}
