import { dayOf, instantOf, wallOf } from '@inch/core/calendar';
import { localeNow } from '@inch/core/quantity';

/** The kitchen's zone: every day and hour on every screen is the kitchen's, wherever the device is. UTC until it is known. */
let zone = 'UTC';

/** Says in which zone dates and times are shown from now on. */
export function showTimesOf(timeZone: string): void {
  zone = timeZone;
}

const styles = {
  time: { hour: '2-digit', minute: '2-digit' },
  long: { weekday: 'long', day: 'numeric', month: 'long' },
  short: { day: 'numeric', month: 'short' },
  full: { day: 'numeric', month: 'short', year: 'numeric' },
  week: { weekday: 'short', day: 'numeric', month: 'short' },
} satisfies Record<string, Intl.DateTimeFormatOptions>;

const toTwelve = (): boolean =>
  new Intl.DateTimeFormat(localeNow(), { hour: 'numeric' }).resolvedOptions().hour12 === true;

/** 09:10, but 9:10 AM. */
const styleOf = (style: keyof typeof styles): Intl.DateTimeFormatOptions =>
  style === 'time' && toTwelve() ? { ...styles.time, hour: 'numeric' } : styles[style];

const formats = new Map<string, Intl.DateTimeFormat>();

/** A calendar day is no instant: it is the same day in every zone, and shown as it stands. */
const isDay = (when: string | number): boolean =>
  typeof when === 'string' && /^\d{4}-\d{2}-\d{2}$/.test(when);

function shown(style: keyof typeof styles, when: string | number): string {
  const timeZone = isDay(when) ? 'UTC' : zone;
  const locale = localeNow();
  const key = `${style} ${timeZone} ${locale}`;
  const format = formats.get(key) ?? new Intl.DateTimeFormat(locale, { ...styleOf(style), timeZone });
  formats.set(key, format);
  return format.format(new Date(when)).replace(',', '');
}

/** 17:33 */
export const clockTime = (instant: string | number): string => shown('time', instant);
/** An hour of the kitchen's clock as it is written there: 17:33, or 5:33 PM. */
export const clockSaid = (clock: string): string =>
  new Intl.DateTimeFormat(localeNow(), { ...styleOf('time'), timeZone: 'UTC' }).format(
    new Date(`1970-01-01T${clock.slice(0, 5)}:00Z`),
  );
/** An hour on a rule of hours: 17; where the kitchen counts twice to twelve "5", and "12 PM" or "6 AM" where a half of the day begins or it is the first. */
export function hourOnRule(hour: number, first: boolean): string {
  const format = new Intl.DateTimeFormat(localeNow(), { hour: 'numeric', timeZone: 'UTC' });
  if (!toTwelve()) return String(hour);
  const parts = format.formatToParts(new Date(hour * 3_600_000));
  const of = (type: Intl.DateTimeFormatPartTypes) => parts.find((p) => p.type === type)?.value ?? '';
  return first || hour % 12 === 0 ? `${of('hour')} ${of('dayPeriod')}` : of('hour');
}
/** The kitchen's clock at an instant as a field keeps it: 17:33. */
export const wallClock = (instant: string | number): string => wallOf(instant, zone).slice(11, 16);
/** Wednesday 25 November */
export const longDay = (when: string | number): string => shown('long', when);
/** 25 Nov */
export const dayMonth = (when: string | number): string => shown('short', when);
/** 25 Nov 2026 */
export const dayMonthYear = (when: string | number): string => shown('full', when);
/** Wed 25 Nov */
export const weekdayAndDay = (when: string | number): string => shown('week', when);
/** 25 Nov, 17:33 */
export const dayAndTime = (instant: string | number): string => `${dayMonth(instant)}, ${clockTime(instant)}`;

/** The day of an instant in the kitchen, YYYY-MM-DD. */
export const kitchenDay = (instant: string | number): string => dayOf(instant, zone);
/** Hours since the kitchen's midnight. */
export function kitchenHour(instant: string | number): number {
  const [hours, minutes] = wallOf(instant, zone).slice(11).split(':').map(Number) as [number, number];
  return hours + minutes / 60;
}
/** The instant of a clock time on a day in the kitchen. */
export const instantAt = (day: string, clock: string): string => instantOf(`${day} ${clock}`, zone);

/** Value of a date-and-time field, in the kitchen's time; and the instant it means, undefined where it is empty. What could not be read stays as it was typed: it is refused where it is sent. */
export const localInput = (instant: string): string => wallOf(instant, zone).replace(' ', 'T');
export const fromLocalInput = (text: string): string | undefined =>
  text === ''
    ? undefined
    : /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}/.test(text)
      ? instantOf(text.slice(0, 16).replace('T', ' '), zone)
      : text;

/** When something happened, from a date-and-time field; an empty one means now. */
export const happened = (text: string): { at?: string } => {
  const at = fromLocalInput(text);
  return at ? { at } : {};
};
export const AT_HINT = 'Empty means now.';
