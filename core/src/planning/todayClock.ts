import type { DueItem } from './due.ts';

/** How far, ms, a clock may stand behind the last entry: servers of one database differ by less. */
const SLACK = 60_000;

/**
 * What Today says of a clock that stands behind what was written last: entries keep their order, and hours are wrong until it is set right. Null where it
 * goes right.
 * @param lastWritten instant of the last entry, ISO 8601 UTC; null where there is none
 * @example clockDue(T(0), T(1)) // null
 */
export function clockDue(lastWritten: string | null, now: string): DueItem | null {
  if (lastWritten === null || Date.parse(lastWritten) - Date.parse(now) <= SLACK) return null;
  return {
    id: 'clock',
    when: 'now',
    at: null,
    lot: null,
    title: 'Set the clock of the server',
    detail: 'it stands behind the last entry: what is written keeps its order, and its hours are wrong',
    action: { label: 'See the kitchen', place: 'kitchen' },
  };
}
