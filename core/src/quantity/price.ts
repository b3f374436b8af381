import { readDigits } from './digits.ts';

/** What was read of a price: whole minor units, null for an empty field, or the sentence that asks for another. */
export type ReadPrice =
  | { minor: number | null; problem?: undefined }
  | { minor?: undefined; problem: string };

/** A currency's sign or code before or behind a price. */
const SIGN = /^(?:[A-Z]{0,3}\p{Sc}|[A-Z]{3}|kr\.?)\s*|\s*(?:\p{Sc}|[A-Z]{3}|kr\.?)$/gu;

/** Digits behind the point of a currency: 2 of pounds, 0 of yen, 3 of dinars. @throws RangeError on what is no currency */
const minorDigits = (currency: string): number =>
  new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits!;

/** Signs that a price in a currency may bear: its code, and what people write for it. */
function signsOf(currency: string): Set<string> {
  const as = (display: 'symbol' | 'narrowSymbol' | 'code') =>
    new Intl.NumberFormat('en', { style: 'currency', currency, currencyDisplay: display })
      .formatToParts(1)
      .find(({ type }) => type === 'currency')!.value;
  return new Set([as('symbol'), as('narrowSymbol'), as('code')]);
}

/** The sign of another currency in a price; undefined where it bears none, or its own. */
function foreignIn(text: string, currency: string): string | undefined {
  const own = signsOf(currency);
  return (text.trim().match(SIGN) ?? [])
    .map((sign) => sign.trim().replace(/^kr\.$/, 'kr'))
    .find((sign) => sign !== '' && !own.has(sign));
}

/**
 * A price of whole minor units as it is written into a field, without its sign.
 * @param currency ISO 4217
 * @throws RangeError on what is no currency
 * @example priceShown(123450, 'EUR') // '1234.50'
 */
export function priceShown(minor: number, currency: string): string {
  const digits = minorDigits(currency);
  return (minor / 10 ** digits).toFixed(digits);
}

/**
 * Reads a price as it is typed, in whole minor units of the kitchen's currency. With as many digits behind its last sign as the
 * currency has they are decimals; with three they are thousands, but where the currency has three itself, which is asked.
 * @param text as typed, with or without the currency's own sign; @param currency ISO 4217, as in GBP, JPY, KWD
 * @returns minor units, null for an empty field, or what to write instead; never a guess, and never under 0
 * @throws RangeError on what is no currency
 * @example readPrice('1.234,50', 'EUR') // { minor: 123450 }
 */
export function readPrice(text: string, currency: string): ReadPrice {
  const digits = minorDigits(currency);
  const bare = text
    .trim()
    .replace(SIGN, '')
    .replace(/(?<=\d)\s(?=\d{3}(?!\d))/g, '\u202f');
  const example = digits === 0 ? '1234' : `1234.${'5'.padEnd(digits, '0')}`;
  const problem = `"${text.trim()}" is not a price in ${currency}. Write it as ${example}.`;
  if (text.trim() === '') return { minor: null };
  const foreign = foreignIn(text, currency);
  if (foreign !== undefined)
    return {
      problem: `"${text.trim()}" is in another currency (${foreign}) than this kitchen’s ${currency}. Write what it is in ${currency}, without a sign.`,
    };
  if (!/^\d*(?:[.,\u202f\u00a0\u2009'’]\d+)*$/.test(bare) || !/\d/.test(bare)) return { problem };
  try {
    const { value, or } = readDigits(bare, true);
    const behind = /[.,](\d+)$/.exec(bare)?.[1]?.length ?? 0;
    if (or !== undefined) {
      if (digits === 3)
        return {
          problem: `"${text.trim()}" is ${value} or ${or} ${currency}: write it as ${value.toFixed(3)}0 or as ${or}.`,
        };
      return { minor: Math.round(or * 10 ** digits) };
    }
    if (behind > digits && !Number.isInteger(value * 10 ** digits)) return { problem };
    return { minor: Math.round(value * 10 ** digits) };
  } catch (error) {
    if (error instanceof RangeError) return { problem };
    throw error;
  }
}
