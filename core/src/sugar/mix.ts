import { densityAt20 } from './density.ts';

/**
 * °Bx of liquids mixed, by mass of dissolved solids over mass of liquid.
 * @param parts grams and °Bx (0–100) of each; @returns °Bx; throws RangeError where nothing is mixed or a part is out of range
 * @example mixedBrix([{ grams: 100, brix: 60 }, { grams: 100, brix: 20 }]) // 40
 */
export function mixedBrix(parts: readonly { grams: number; brix: number }[]): number {
  let [grams, solids] = [0, 0];
  for (const part of parts) {
    if (!(part.grams >= 0) || !(part.brix >= 0 && part.brix <= 100))
      throw new RangeError(`A part of ${part.grams} g at ${part.brix} °Bx cannot be mixed`);
    grams += part.grams;
    solids += (part.grams * part.brix) / 100;
  }
  if (grams === 0) throw new RangeError('Nothing to mix');
  return (100 * solids) / grams;
}

/**
 * Volume in mL at 20 °C of a syrup. @param grams ≥ 0; @param brix 0–80, throws outside. Source: NBS Circular 440.
 * @example volumeAt20(122.96, 50) // 100
 */
export function volumeAt20(grams: number, brix: number): number {
  return grams / densityAt20(brix);
}
