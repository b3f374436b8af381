import { dayOf, daysBetween, spokenDay } from '../calendar/index.ts';
import type { DueItem } from './due.ts';

/** Days after which a kitchen is told that it has no newer backup. */
const OLDEST_DAYS = 7;

/**
 * What Today says of backups: nothing where one was made in the last 7 days, or the kitchen is no older than that.
 * @param lastAt instant of the last good backup, ISO 8601 UTC; null where there is none @param since instant from which the kitchen is kept here
 * @example backupDue(null, T(0), T(24 * 8), 'UTC')?.title // 'Back up the kitchen'
 */
export function backupDue(
  lastAt: string | null,
  since: string,
  now: string,
  timeZone: string,
): DueItem | null {
  const today = dayOf(now, timeZone);
  const from = dayOf(lastAt ?? since, timeZone);
  if (daysBetween(from, today) <= OLDEST_DAYS) return null;
  return {
    id: 'backup',
    when: 'now',
    at: null,
    lot: null,
    title: 'Back up the kitchen',
    detail: lastAt === null ? 'never backed up' : `last backed up ${spokenDay(from)}`,
    action: { label: 'See backups', place: 'kitchen' },
  };
}
