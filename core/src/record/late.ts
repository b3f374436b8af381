import type { Entry } from './kind.ts';

/** Minutes after which what is written down counts as dated back. */
export const AT_ONCE = 15;

/**
 * Minutes by which an entry was written down after it happened; null where that was at once. What came in with a kitchen file is late as a
 * whole, and says so at its head.
 * @param entry with ISO instants; @param broughtInAt when its lot came in with a kitchen file, null where it did not
 * @example lateBy({ at: T(0), recordedAt: T(2) }, null) // 120
 */
export function lateBy(entry: Pick<Entry, 'at' | 'recordedAt'>, broughtInAt: string | null): number | null {
  if (broughtInAt !== null && entry.recordedAt <= broughtInAt) return null;
  const minutes = (Date.parse(entry.recordedAt) - Date.parse(entry.at)) / 60_000;
  return minutes > AT_ONCE ? Math.round(minutes) : null;
}

/**
 * How late, in words: "dated back 14 h".
 * @example lateSaid(840) // 'dated back 14 h'
 */
export function lateSaid(minutes: number): string {
  if (minutes < 60) return `dated back ${minutes} min`;
  const hours = Math.round(minutes / 60);
  return hours < 48 ? `dated back ${hours} h` : `dated back ${Math.round(hours / 24)} days`;
}
