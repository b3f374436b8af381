import type { KeepingTime } from './limit.ts';

/** A calendar day, YYYY-MM-DD. */
export type Day = string;

/** A day moved by whole days. @throws RangeError on what is not a date */
export function addDays(day: Day, count: number): Day {
  const date = new Date(`${day}T00:00:00Z`);
  if (Number.isNaN(date.getTime())) throw new RangeError(`"${day}" is not a date`);
  date.setUTCDate(date.getUTCDate() + count);
  return date.toISOString().slice(0, 10);
}

function addMonths(day: Day, count: number): Day {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  const lastOfMonth = new Date(Date.UTC(year, month - 1 + count + 1, 0)).getUTCDate();
  return new Date(Date.UTC(year, month - 1 + count, Math.min(date, lastOfMonth))).toISOString().slice(0, 10);
}

/** Last day of a keeping time counted from the day of making as day 1; null where nothing carries the product. */
export function bestBy(madeOn: Day, keeping: Pick<KeepingTime, 'time'>): Day | null {
  if (!keeping.time) return null;
  const { count, unit } = keeping.time;
  return unit === 'day' ? addDays(madeOn, count - 1) : addDays(addMonths(madeOn, count), -1);
}

/** "use by" for kinds kept two weeks or less, "best by" for the rest. */
export function dateWord(keeping: Pick<KeepingTime, 'time'>): 'use by' | 'best by' {
  return keeping.time?.unit === 'day' ? 'use by' : 'best by';
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** A day in words: 5 Dec 2026. */
export function spokenDay(day: Day): string {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  return `${date} ${MONTHS[month - 1]} ${year}`;
}

/** The calendar day of an instant in a time zone. @param instant ISO 8601, UTC; @param timeZone IANA name */
export function dayOf(instant: string, timeZone: string): Day {
  return new Intl.DateTimeFormat('en-CA', {
    timeZone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
  }).format(new Date(instant));
}
