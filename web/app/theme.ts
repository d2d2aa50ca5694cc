/** Day or night harbour: kept on this device, else what the device prefers. */
import { useEffect, useState } from 'react';

export type Theme = 'light' | 'dark';
const KEY = 'woolly-tide.theme';

const preferred = (): Theme => {
  const kept = localStorage.getItem(KEY);
  if (kept === 'light' || kept === 'dark') return kept;
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
};

export function useTheme(): readonly [Theme, () => void] {
  const [theme, setTheme] = useState(preferred);
  useEffect(() => {
    document.documentElement.dataset['bsTheme'] = theme;
  }, [theme]);
  return [
    theme,
    () => {
      const other = theme === 'light' ? 'dark' : 'light';
      localStorage.setItem(KEY, other);
      setTheme(other);
    },
  ];
}
