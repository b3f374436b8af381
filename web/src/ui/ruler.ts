import { useSyncExternalStore } from 'react';

/** What the kitchen's ruler is marked in; a device keeps its own. */
export type RulerUnit = 'in' | 'mm';
const KEY = 'inch-ruler';
const listeners = new Set<() => void>();
const chosen = (): RulerUnit => (localStorage.getItem(KEY) === 'mm' ? 'mm' : 'in');

export function useRulerUnit(): [RulerUnit, (unit: RulerUnit) => void] {
  const unit = useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, chosen);
  return [
    unit,
    (next) => {
      localStorage.setItem(KEY, next);
      for (const listener of listeners) listener();
    },
  ];
}
