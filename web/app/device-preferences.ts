/** What this device keeps and prefers, in one place: forms of dates, theme, drafts. */

const isOn = (query: string): boolean => typeof matchMedia !== 'undefined' && matchMedia(query).matches;

/** What this device keeps under a name, null where nothing is. */
export const keptHere = (name: string): string | null =>
  typeof localStorage === 'undefined' ? null : localStorage.getItem(name);
export const keepHere = (name: string, value: string): void => localStorage.setItem(name, value);
export const darkHere = (): boolean => isOn('(prefers-color-scheme: dark)');
export const contrastHere = (): boolean => isOn('(prefers-contrast: more)');
/** Tests and tools without a page are where a European device is. */
export const languagesHere = (): readonly string[] =>
  typeof document === 'undefined' ? ['en-GB'] : navigator.languages;

/** Writes marks into the page's root, where its styles find them. */
export function showMarks(marks: Readonly<Record<string, string>>): void {
  for (const [name, value] of Object.entries(marks)) document.documentElement.setAttribute(name, value);
}
