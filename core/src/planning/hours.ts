import { addDays, dayOf } from '../keeping/index.ts';
import { instantOf } from './wall.ts';

/** Hours of one day of the week at which somebody is in the kitchen; null for a day off. */
export type DayHours = { from: string; to: string } | null;

/** Monday first. */
export type WeekHours = readonly DayHours[];

const weekday = (day: string): number => (new Date(`${day}T12:00:00Z`).getUTCDay() + 6) % 7;

/**
 * The kitchen's hours over some days as minutes from an instant, one after another.
 * @param week Monday first, "08:00" to "18:00"; @param origin ISO instant of minute 0; @param daysBefore, daysAfter how far they reach; @param timeZone of the kitchen
 */
export function hoursFrom(
  week: WeekHours,
  origin: string,
  reach: { daysBefore: number; daysAfter: number },
  timeZone: string,
): { from: number; to: number }[] {
  const start = Date.parse(origin);
  const today = dayOf(origin, timeZone);
  const minute = (day: string, clock: string) =>
    Math.round((Date.parse(instantOf(`${day} ${clock}`, timeZone)) - start) / 60_000);
  const hours: { from: number; to: number }[] = [];
  for (let i = -reach.daysBefore; i <= reach.daysAfter; i++) {
    const day = addDays(today, i);
    const open = week[weekday(day)];
    if (open && open.from < open.to) hours.push({ from: minute(day, open.from), to: minute(day, open.to) });
  }
  return hours;
}
