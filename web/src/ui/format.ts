import { priceShown } from '@inch/core/quantity';
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
  new Intl.NumberFormat('en-GB', { style: 'currency', currency }).format(Number(priceShown(minor, currency)));

export const plural = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;
