import { addDays, addMonths, type Day } from '../calendar/index.ts';
import type { KeepingTime } from './limit.ts';

/** When a bottle kept back is looked at: days, or months, after it was filled. */
type Point = { days: number } | { months: number };

/** A week, a month, 3, 6, 9, 12 and 18 months. */
const LONG: readonly Point[] = [{ days: 7 }, ...[1, 3, 6, 9, 12, 18].map((months) => ({ months }))];

const dayOfPoint = (from: Day, point: Point): Day =>
  'days' in point ? addDays(from, point.days) : addMonths(from, point.months);

const lastOf = (from: Day, time: NonNullable<KeepingTime['time']>): Day =>
  time.unit === 'day' ? addDays(from, time.count - 1) : addMonths(from, time.count);

/** Months that what is looked at after its date still teaches: the longer row of its class. */
const BEYOND = 6;

/**
 * Days on which a bottle kept back is looked at, by how long its class keeps: a week, a month, 3, 6, 9, 12, 18 months, half a year beyond its date; of what keeps days, its last day.
 * @param filledOn day of filling; @param keeping its time
 * @example lookDays('2026-01-31', { time: { count: 1, unit: 'month' } }) // ['2026-02-07', '2026-02-28', '2026-04-30', '2026-07-31']
 */
export function lookDays(filledOn: Day, { time }: Pick<KeepingTime, 'time'>): Day[] {
  if (!time) return [];
  if (time.unit === 'day') return [lastOf(filledOn, time)];
  const end = addMonths(filledOn, time.count + BEYOND);
  return LONG.map((point) => dayOfPoint(filledOn, point)).filter((day) => day <= end);
}

/** Days after opening on which an opened bottle is looked at, up to its last. */
const OPENED = [1, 3, 7, 14, 28];

/**
 * Days on which a bottle that was opened is looked at, up to the last it may be used.
 * @example openedLookDays('2026-11-01', 14) // ['2026-11-02', '2026-11-04', '2026-11-08', '2026-11-15']
 */
export const openedLookDays = (openedOn: Day, openedDays: number | null): Day[] =>
  openedDays === null ? [] : OPENED.filter((n) => n <= openedDays).map((n) => addDays(openedOn, n));
