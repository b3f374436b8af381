import { dayOf } from '../calendar/index.ts';
import type { MeasuredLot } from '../formula/index.ts';
import type { CupSchool } from '../quantity/index.ts';
import { finishedReadings } from './asMade.ts';
import { contentAsWeighed } from './asWeighed.ts';
import type { LotRecord } from './record.ts';

/**
 * What a lot showed of its formula: what went in as it was weighed, and the highest pH of its finished product that counts.
 * @param cup school of cups it was begun under
 * @returns null where none was measured
 * @example measuredLot({ ...lot, readings: [] }, 'us') // null
 */
export function measuredLot(lot: LotRecord, cup: CupSchool | null): MeasuredLot | null {
  const readings = finishedReadings(lot, 'ph');
  if (readings.length === 0) return null;
  const highest = readings.reduce((a, b) => (b.value! > a.value! ? b : a));
  return {
    code: lot.code,
    on: dayOf(highest.at, lot.timeZone),
    ph: highest.value!,
    content: contentAsWeighed(lot, cup),
  };
}
