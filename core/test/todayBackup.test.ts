import { describe, expect, it } from 'vitest';
import { backupDue } from '../src/planning/index.ts';

describe('what Today says of backups', () => {
  const since = '2026-01-01T10:00:00.000Z';
  const at = (day: string) => `2026-03-${day}T12:00:00.000Z`;

  it('says nothing for the first week of a kitchen, and then that it was never backed up', () => {
    expect(backupDue(null, since, '2026-01-08T10:00:00.000Z', 'UTC')).toBeNull();
    expect(backupDue(null, since, '2026-01-09T10:00:00.000Z', 'UTC')).toMatchObject({
      title: 'Back up the kitchen',
      detail: 'never backed up',
    });
  });

  it('counts days as the kitchen does, from the last backup', () => {
    expect(backupDue(at('01'), since, at('08'), 'UTC')).toBeNull();
    expect(backupDue(at('01'), since, at('09'), 'UTC')?.detail).toBe('last backed up 1 Mar 2026');
    // At 23:30 UTC of the 8th it is the 9th in Auckland already, and the backup was of the 2nd there.
    expect(
      backupDue('2026-03-01T23:30:00.000Z', since, '2026-03-08T23:30:00.000Z', 'Pacific/Auckland'),
    ).toBeNull();
  });
});
