import { readDigits } from './digits.ts';
import type { Figure } from './figure.ts';

const FOOT = 0.3048;
const SAID = /^([-−–]?)\s*([\d.,\s'’\u00a0\u2009\u202f]*\d)\s*(m|metres?|meters?|ft|foot|feet|['′])\.?$/i;

/**
 * Reads an elevation above sea level as it is typed: metres or feet, whichever is named.
 * @param text as typed, such as "720 m" or "2,360 ft"
 * @returns metres, null for an empty field, or the sentence that asks for another; a number without a unit is asked about
 * @example readElevation('2,360 ft') // { value: 719.328 }
 */
export function readElevation(text: string): Figure {
  const said = text.trim();
  if (said === '') return { value: null };
  const match = SAID.exec(said);
  const problem = `Write the elevation in metres or feet, such as 720 m or 2360 ft.`;
  if (!match) return { problem };
  try {
    const digits = readDigits(match[2]!.trim().replace(/(?<=\d)\s(?=\d{3}(?!\d))/g, '\u202f'), false).value;
    const value = (match[1] ? -digits : digits) * (/^m/i.test(match[3]!) ? 1 : FOOT);
    if (!Number.isFinite(value)) return { problem };
    if (value < -400 || value > 5000)
      return { problem: 'Between −400 and 5,000 m, or −1,300 and 16,400 ft.' };
    return { value };
  } catch (error) {
    if (error instanceof RangeError) return { problem };
    throw error;
  }
}
