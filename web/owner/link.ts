/** Decides which link this device opened: from the address, which never leaves the device, else the one kept here. */
const KEY = 'wt-home-link';

export function homeLink(): string {
  const given = location.hash.replace(/^#/, '');
  if (given !== '') {
    try {
      localStorage.setItem(KEY, given);
    } catch {
      // A locked store: the address still has it.
    }
    return given;
  }
  try {
    return localStorage.getItem(KEY) ?? '';
  } catch {
    return '';
  }
}
