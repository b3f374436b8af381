import { BY_GRAM, localeNow, millilitresOf, uncrossed, unitsNow } from './kitchenUnits.ts';
import { priceShown } from './price.ts';

/** One format a number of digits: making one costs more than using it a hundred times. */
const formats = [0, 1, 2, 3].map(
  (digits) => new Intl.NumberFormat('en', { minimumFractionDigits: digits, maximumFractionDigits: digits }),
);

/**
 * A figure with its thousands parted by a thin space.
 * @param digits behind the point, at most 3
 * @example grouped(1234.5, 1) // '1\u202f234.5'
 */
export const grouped = (value: number, digits: 0 | 1 | 2 | 3 = 0): string =>
  formats[digits]!.format(value).replace(/,/g, '\u202f');

/** g. */
const GRAMS_PER_OZ = 28.349523125;
const GRAMS_PER_LB = 16 * GRAMS_PER_OZ;

/** Pounds and ounces to a tenth: "4 lb 6.5 oz". */
function inPounds(grams: number): string {
  const tenths = Math.round((Math.abs(grams) / GRAMS_PER_OZ) * 10);
  const [lb, oz] = [Math.floor(tenths / 160), (tenths % 160) / 10];
  const parts = [lb > 0 ? `${grouped(lb)} lb` : '', oz > 0 || lb === 0 ? `${Number(oz.toFixed(1))} oz` : ''];
  return `${grams < 0 ? '-' : ''}${parts.filter(Boolean).join(' ')}`;
}

/**
 * A mass as the kitchen says it: g, from ten kilograms on kg; in a kitchen of pounds and ounces those, from an ounce on.
 * @param grams g
 * @example weight(250) // '250 g'
 */
export const weight = (grams: number): string => {
  if (unitsNow().weight === 'us' && Math.abs(grams) >= BY_GRAM)
    return Math.abs(grams) >= 100 * GRAMS_PER_LB ? `${grouped(grams / GRAMS_PER_LB, 1)} lb` : inPounds(grams);
  return grams >= 10_000 ? `${grouped(grams / 1000, 1)} kg` : `${grouped(grams, grams < 20 ? 1 : 0)} g`;
};

/**
 * A volume as the kitchen says it: mL, or fluid ounces to a tenth.
 * @param ml millilitres; @param digits behind the point, of mL; a tenth where not said and not whole
 * @example volume(250) // '250 mL'
 */
export function volume(ml: number, digits?: 0 | 1): string {
  if (unitsNow().weight === 'us')
    return `${grouped(ml / millilitresOf('floz'), 1).replace(/\.0$/, '')} fl oz`;
  return `${grouped(ml, digits ?? (Number.isInteger(ml) ? 0 : 1))} mL`;
}

/**
 * What a bottle or jar holds: in a kitchen of fluid ounces with the mL that stands on its glass beside it.
 * @param ml millilitres
 * @example bottleSize(250) // '250 mL'
 */
export const bottleSize = (ml: number): string =>
  unitsNow().weight === 'us' ? `${volume(ml)} (${grouped(ml)} mL)` : volume(ml);

/**
 * What a whole batch comes to: L, or quarts.
 * @param ml millilitres
 * @example batchVolume(2504) // '2.50 L'
 */
export const batchVolume = (ml: number): string =>
  unitsNow().weight === 'us' ? `${grouped(ml / millilitresOf('quart'), 2)} qt` : `${grouped(ml / 1000, 2)} L`;

const KG_PER_LB = GRAMS_PER_LB / 1000;

/**
 * What a weight of fruit gives: L per kg, or quarts per pound.
 * @param litresPerKg L
 * @example yieldShown(0.61) // 0.61
 */
export const yieldShown = (litresPerKg: number): number =>
  unitsNow().weight === 'us' ? ((litresPerKg * 1000) / millilitresOf('quart')) * KG_PER_LB : litresPerKg;

/**
 * The sign of what a weight of fruit gives.
 * @example yieldSign() // 'L per kg'
 */
export const yieldSign = (): 'L per kg' | 'qt per lb' =>
  unitsNow().weight === 'us' ? 'qt per lb' : 'L per kg';

/**
 * A price with the sign of its currency.
 * @param minor whole minor units; @param currency ISO 4217
 * @throws RangeError on what is no currency
 * @example money(1250, 'GBP') // '£12.50'
 */
export const money = (minor: number, currency: string): string =>
  new Intl.NumberFormat(localeNow(), { style: 'currency', currency }).format(
    Number(priceShown(minor, currency)),
  );

/**
 * A number of things with their name.
 * @param one the name of one; @param many of several, where an s does not make it
 * @example plural(2, 'entry', 'entries') // '2 entries'
 */
export const plural = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

/** °Bx that a rule turns on: read as thick, diluted for its pH, kept longer. */
const BRIX_LIMITS = [30, 45, 60];

/**
 * A sugar reading: °Bx to a tenth, and never rounded across a limit.
 * @param brix °Bx
 * @example brixSaid(59.97) // '59.97 °Bx'
 */
export const brixSaid = (brix: number): string => `${uncrossed(brix, 1, BRIX_LIMITS)} °Bx`;

/**
 * A chance in words: never all or none of a hundred where only so many were drawn.
 * @param share 0–1
 * @example inAHundred(0.9996) // 'more than 99 in a hundred'
 */
export const inAHundred = (share: number): string =>
  share > 0.99
    ? 'more than 99 in a hundred'
    : share < 0.01
      ? 'fewer than 1 in a hundred'
      : `${Math.round(100 * share)} in a hundred`;

const MM_PER_INCH = 25.4;

/**
 * A depth as it is read off a ruler: inches to the sixteenth that is nearest, or whole millimetres.
 * @param mm millimetres; @param unit what the ruler is marked in
 * @example depthSaid(66.7, 'in') // '2 5/8 in'
 */
export function depthSaid(mm: number, unit: 'in' | 'mm'): string {
  if (unit === 'mm') return `${Math.round(mm)} mm`;
  const sixteenths = Math.round((mm / MM_PER_INCH) * 16);
  const [whole, rest] = [Math.floor(sixteenths / 16), sixteenths % 16];
  if (rest === 0) return `${whole} in`;
  let [top, bottom] = [rest, 16];
  while (top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  return `${whole > 0 ? `${whole} ` : ''}${top}/${bottom} in`;
}
