import { localeNow } from '../quantity/index.ts';

/** A calendar day, YYYY-MM-DD. */
export type Day = string;

const DAY_MS = 86_400_000;

function midnight(day: Day): number {
  const ms = Date.parse(`${day}T00:00:00Z`);
  if (Number.isNaN(ms)) throw new RangeError(`"${day}" is not a date such as 2026-11-25`);
  return ms;
}

const dayAt = (ms: number): Day => new Date(ms).toISOString().slice(0, 10);

/**
 * A day moved by whole days.
 * @throws RangeError on what is not a date
 * @example addDays('2026-02-28', 1) // '2026-03-01'
 */
export const addDays = (day: Day, count: number): Day => dayAt(midnight(day) + count * DAY_MS);

/**
 * A day moved by whole months; the last day of a shorter month stands for one that it lacks.
 * @throws RangeError on what is not a date
 * @example addMonths('2026-01-31', 1) // '2026-02-28'
 */
export function addMonths(day: Day, count: number): Day {
  midnight(day);
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  const lastOfMonth = new Date(Date.UTC(year, month - 1 + count + 1, 0)).getUTCDate();
  return dayAt(Date.UTC(year, month - 1 + count, Math.min(date, lastOfMonth)));
}

/**
 * Whole days from one day to another, under 0 where the second comes first.
 * @throws RangeError on what is not a date
 * @example daysBetween('2026-11-25', '2026-12-01') // 6
 */
export const daysBetween = (from: Day, to: Day): number =>
  Math.round((midnight(to) - midnight(from)) / DAY_MS);

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/**
 * A day in words, as the kitchen's place writes it.
 * @example spokenDay('2026-12-05') // '5 Dec 2026'
 */
export function spokenDay(day: Day): string {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  const name = MONTHS[month - 1];
  return localeNow() === 'en-US' ? `${name} ${date}, ${year}` : `${date} ${name} ${year}`;
}
