import { useSyncExternalStore } from 'react';

export type Theme = 'light' | 'dark' | 'system';
const KEY = 'inch-theme';
const listeners = new Set<() => void>();
const dark = window.matchMedia('(prefers-color-scheme: dark)');

const chosen = (): Theme => (localStorage.getItem(KEY) as Theme | null) ?? 'system';

/** Puts the chosen theme on the page. */
export function applyTheme(): void {
  const theme = chosen();
  document.documentElement.dataset.theme = theme === 'system' ? (dark.matches ? 'dark' : 'light') : theme;
}

dark.addEventListener('change', applyTheme);

/** The theme of this device and how to choose another. */
export function useTheme(): [Theme, (theme: Theme) => void] {
  const theme = useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, chosen);
  const choose = (next: Theme) => {
    localStorage.setItem(KEY, next);
    applyTheme();
    for (const listener of listeners) listener();
  };
  return [theme, choose];
}
