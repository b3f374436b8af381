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

const MM_PER_INCH = 25.4;

/** A depth as it is read off a ruler: 2 5/8 in, to the sixteenth that is nearest, or whole millimetres. */
export function depthSaid(mm: number, unit: RulerUnit): string {
  if (unit === 'mm') return `${Math.round(mm)} mm`;
  const sixteenths = Math.round((mm / MM_PER_INCH) * 16);
  const [whole, rest] = [Math.floor(sixteenths / 16), sixteenths % 16];
  if (rest === 0) return `${whole} in`;
  let [top, bottom] = [rest, 16];
  while (top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  return `${whole > 0 ? `${whole} ` : ''}${top}/${bottom} in`;
}
