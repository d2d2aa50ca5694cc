/** How a room changes what its address asks. */

/** The address after a change of what is asked. */
export function searchWith(
  search: URLSearchParams,
  changes: Readonly<Record<string, string | undefined>>,
): URLSearchParams {
  const next = new URLSearchParams(search);
  for (const [key, value] of Object.entries(changes)) {
    if (value === undefined || value === '') next.delete(key);
    else next.set(key, value);
  }
  return next;
}
