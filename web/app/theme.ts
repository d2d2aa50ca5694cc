/** Day or night harbour: kept on this device, else what the device prefers. */
import { darkHere, keepHere, keptHere, showMarks } from './device-preferences.ts';

export const THEMES = ['light', 'dark'] as const;
export type Theme = (typeof THEMES)[number];
const KEY = 'woolly-tide.theme';

export const theme = (): Theme => THEMES.find((t) => t === keptHere(KEY)) ?? (darkHere() ? 'dark' : 'light');

/** As the page's root says it to its styles. */
export const themeMarks = (theme: Theme) => ({ 'data-bs-theme': theme });

export function setTheme(theme: Theme): void {
  keepHere(KEY, theme);
  showMarks(themeMarks(theme));
}
