import { addDays, dayOf, instantOf } from '../calendar/index.ts';

/** Hours of one day of the week at which somebody is in the kitchen; null for a day off. */
export type DayHours = { from: string; to: string } | null;

/** Monday first. */
export type WeekHours = readonly DayHours[];

const weekday = (day: string): number => (new Date(`${day}T12:00:00Z`).getUTCDay() + 6) % 7;

/**
 * The kitchen's hours over some days as minutes from an instant, one after another.
 * @param week Monday first, "08:00" to "18:00", or over midnight, "18:00" to "01:00"; @param origin ISO instant of minute 0; @param daysBefore, daysAfter how far they reach; @param timeZone of the kitchen
 * @example hoursFrom(Array.from({ length: 7 }, () => ({ from: '08:00', to: '18:00' })), '2026-11-27T08:00:00.000Z', { daysBefore: 0, daysAfter: 0 }, 'UTC') // [{ from: 0, to: 600 }]
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
    if (!open || open.from === open.to) continue;
    // Hours that end before they begin go on past midnight.
    const last = open.from < open.to ? day : addDays(day, 1);
    const [from, to] = [minute(day, open.from), minute(last, open.to)];
    const before = hours.at(-1);
    if (before && from <= before.to) before.to = Math.max(before.to, to);
    else hours.push({ from, to });
  }
  return hours;
}
