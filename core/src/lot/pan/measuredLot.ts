import { dayOf } from '../../calendar/index.ts';
import type { LotMeasured, MeasuredLot } from '../../formula/index.ts';
import type { CupSchool } from '../../quantity/index.ts';
import type { LotRecord } from '../record.ts';
import { finishedReadings } from './asMade.ts';
import { contentAsWeighed } from './asWeighed.ts';

/**
 * What was measured of a lot's finished product, for a letter to a process authority: the highest pH, the last °Bx and water activity that count.
 * @returns null where nothing was measured
 * @example lotMeasured({ ...lot, readings: [] }) // null
 */
export function lotMeasured(lot: LotRecord): LotMeasured | null {
  const [ph, brix, activity] = [
    finishedReadings(lot, 'ph'),
    finishedReadings(lot, 'brix'),
    finishedReadings(lot, 'water-activity'),
  ];
  const last = [...ph, ...brix, ...activity].sort((a, b) => a.at.localeCompare(b.at)).at(-1);
  if (!last) return null;
  return {
    code: lot.code,
    on: dayOf(last.at, lot.timeZone),
    ph: ph.length > 0 ? Math.max(...ph.map((r) => r.value!)) : null,
    brix: brix.at(-1)?.value ?? null,
    waterActivity: activity.at(-1)?.value ?? null,
  };
}

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
