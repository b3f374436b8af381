import { addDays, addMonths, type Day } from '../calendar/index.ts';
import type { KeepingTime } from './limit.ts';

/**
 * Last day of a keeping time counted from the day of making as day 1; null where nothing carries the product.
 * @example bestBy('2026-11-25', { time: { count: 12, unit: 'month' } }) // '2027-11-24'
 */
export function bestBy(madeOn: Day, keeping: Pick<KeepingTime, 'time'>): Day | null {
  if (!keeping.time) return null;
  const { count, unit } = keeping.time;
  return unit === 'day' ? addDays(madeOn, count - 1) : addDays(addMonths(madeOn, count), -1);
}

/**
 * "use by" for kinds kept two weeks or less, "best by" for the rest.
 * @example dateWord({ time: { count: 3, unit: 'day' } }) // 'use-by'
 */
export function dateWord(keeping: Pick<KeepingTime, 'time'>): 'use-by' | 'best-by' {
  return keeping.time?.unit === 'day' ? 'use-by' : 'best-by';
}
