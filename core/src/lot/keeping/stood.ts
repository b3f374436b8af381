import { creditedAt } from '../../record/index.ts';
import type { BottlingEntry, HeatProcessEntry, LotRecord } from '../record.ts';

/** Hours that filled jars may wait for their canner where the source says nothing of it: several loads, one after the other. */
const LONGEST_WAIT = 2;
const HOUR = 3_600_000;

/** Hours between a filling and the end of a process, the longer of what is said and what the record bears out. */
export function hoursBetween(lot: LotRecord, bottling: BottlingEntry, p: HeatProcessEntry): number {
  const said = Date.parse(p.at) - Date.parse(bottling.at);
  const credited = Date.parse(creditedAt(p, lot)) - Date.parse(creditedAt(bottling, lot));
  return Math.max(said, credited) / HOUR;
}

/**
 * Whether jars stood before their process: it follows the filling at once, within two hours besides its own minutes. Jars whose seal failed go
 * through it again within a day.
 * @param again whether it is of jars that are processed again
 */
export const stoodBefore = (
  lot: LotRecord,
  bottling: BottlingEntry,
  p: HeatProcessEntry,
  again: boolean,
): boolean => hoursBetween(lot, bottling, p) > (again ? 24 : LONGEST_WAIT) + p.minutes / 60;
