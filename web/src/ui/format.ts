const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;

const clockFormat = new Intl.DateTimeFormat('en-GB', {
  hour: '2-digit',
  minute: '2-digit',
  hourCycle: 'h23',
  timeZone: zone,
});
const dayFormat = new Intl.DateTimeFormat('en-GB', {
  weekday: 'long',
  day: 'numeric',
  month: 'long',
  timeZone: zone,
});
const shortDay = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: zone });
const fullDay = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  timeZone: zone,
});

/** 17:33 */
export const clockTime = (instant: string): string => clockFormat.format(new Date(instant));
/** Wednesday 25 November */
export const longDay = (instant: string): string => dayFormat.format(new Date(instant)).replace(',', '');
/** 25 Nov */
export const dayMonth = (instant: string): string => shortDay.format(new Date(instant));
/** 25 Nov 2026 */
export const dayMonthYear = (instant: string): string => fullDay.format(new Date(instant));
/** 25 Nov, 17:33 */
export const dayAndTime = (instant: string): string => `${dayMonth(instant)}, ${clockTime(instant)}`;

/** 18:42 or 1:26:10 */
export function duration(seconds: number): string {
  const s = Math.abs(Math.round(seconds));
  const two = (n: number) => String(n).padStart(2, '0');
  const [h, m] = [Math.floor(s / 3600), Math.floor((s % 3600) / 60)];
  return `${seconds < -0.5 ? '−' : ''}${h > 0 ? `${h}:${two(m)}` : m}:${two(s % 60)}`;
}

/** 45 min, 3 h, 1 h 20 min, 2 d */
export function minutesInWords(minutes: number): string {
  if (minutes >= 2880) return `${Math.round(minutes / 1440)} d`;
  if (minutes < 90) return `${Math.round(minutes)} min`;
  const [h, m] = [Math.floor(minutes / 60), Math.round(minutes % 60)];
  return m === 0 ? `${h} h` : `${h} h ${m} min`;
}

/** One format a number of digits: making one costs more than using it a hundred times. */
const formats = [0, 1, 2, 3].map(
  (digits) => new Intl.NumberFormat('en', { minimumFractionDigits: digits, maximumFractionDigits: digits }),
);

/** Thousands parted by a thin space: 4 000. At most 3 digits behind the point. */
export const grouped = (value: number, digits: 0 | 1 | 2 | 3 = 0): string =>
  formats[digits]!.format(value).replace(/,/g, '\u202f');

/** Grams as a cook says them. */
export const weight = (grams: number): string =>
  grams >= 10_000 ? `${grouped(grams / 1000, 1)} kg` : `${grouped(grams, grams < 20 ? 1 : 0)} g`;

export const money = (minor: number, currency: string): string =>
  new Intl.NumberFormat('en-GB', { style: 'currency', currency }).format(minor / 100);

export const plural = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

/** Value for a datetime-local input, in this device's time; and the instant it means. */
export function localInput(instant: string): string {
  const d = new Date(instant);
  return new Date(d.getTime() - d.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
}
export const fromLocalInput = (text: string): string | undefined =>
  text === '' ? undefined : new Date(text).toISOString();
