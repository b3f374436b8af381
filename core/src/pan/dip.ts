import { volume } from '../quantity/index.ts';
import { densityAt20, waterDensity } from '../sugar/index.ts';
import { depthAtVolume, type VesselShape, volumeAtDepth } from './vessel.ts';

/**
 * How much larger a liquid is at a temperature in °C than at 20 °C: as water's, within 0.5 % to 65 °Bx.
 * @example swellingAt(20) // 1
 */
export const swellingAt = (celsius: number): number => waterDensity(20) / waterDensity(celsius);

export interface Dip {
  /** mL as it stands in the pan, hot. */
  hotMillilitres: number;
  /** mL at 20 °C. */
  millilitres: number;
  grams: number;
  brix: number;
}

/**
 * What one dip of a ruler tells of a pan whose dissolved solids are known: they stay while water boils off.
 * @param read.shape the pan; @param read.depthMm on the ruler; @param read.celsius of the liquid, 0–110; @param read.solidsGrams dissolved in it, over 0
 * @param read.fruitMl what fruit in it takes up, mL; none where not said
 * @returns volume hot and at 20 °C in mL, mass in g, °Bx
 * @throws RangeError where the depth is not in the pan, or that little liquid cannot hold so much sugar (over 80 °Bx). Source: conserved solids; NBS Circular 440; Kell.
 * @example brixFromDip({ shape: pan, depthMm: 48.163, celsius: 20, solidsGrams: 353.43 }).brix // 10.0
 */
export function brixFromDip(read: {
  shape: VesselShape;
  depthMm: number;
  celsius: number;
  solidsGrams: number;
  fruitMl?: number;
}): Dip {
  const { shape, depthMm, celsius, solidsGrams, fruitMl = 0 } = read;
  const hotMillilitres = volumeAtDepth(shape, depthMm) - fruitMl;
  return panOfVolume({ hotMillilitres, celsius, solidsGrams });
}

/**
 * What a volume read in a jug tells of a pan whose dissolved solids are known.
 * @param read.hotMillilitres as read, mL; @param read.celsius of the liquid, 0–110; @param read.solidsGrams dissolved in it, over 0
 * @returns volume hot and at 20 °C in mL, mass in g, °Bx
 * @throws RangeError where that little liquid cannot hold so much sugar (over 80 °Bx). Source: conserved solids; NBS Circular 440; Kell.
 * @example panOfVolume({ hotMillilitres: 1000, celsius: 20, solidsGrams: 103.8 }).brix // 10.0
 */
export function panOfVolume(read: { hotMillilitres: number; celsius: number; solidsGrams: number }): Dip {
  const { hotMillilitres, celsius, solidsGrams } = read;
  if (!(solidsGrams > 0))
    throw new RangeError('A volume tells the sugar only of a pan whose solids are known');
  const millilitres = hotMillilitres / swellingAt(celsius);
  const volumeOf = (brix: number) => (100 * solidsGrams) / brix / densityAt20(brix);
  if (millilitres < volumeOf(80))
    throw new RangeError(
      `${volume(hotMillilitres, 0)} is too little for the ${Math.round(solidsGrams)} g dissolved in it: read again, or weigh the pan`,
    );
  let [low, high] = [0.01, 80];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (volumeOf(middle) > millilitres) low = middle;
    else high = middle;
  }
  const brix = (low + high) / 2;
  return { hotMillilitres, millilitres, grams: (100 * solidsGrams) / brix, brix };
}

/**
 * Dissolved solids in g of a pan by one °Bx (at 20 °C, over 0) and one dip, less the mL that fruit in it takes up: one reading corrects what was reckoned.
 * @example solidsFromDip({ shape: pan, depthMm: 50, celsius: 20, brix: 0 }) // 0
 */
export function solidsFromDip(read: {
  shape: VesselShape;
  depthMm: number;
  celsius: number;
  brix: number;
  fruitMl?: number;
}): number {
  const millilitres =
    (volumeAtDepth(read.shape, read.depthMm) - (read.fruitMl ?? 0)) / swellingAt(read.celsius);
  return (millilitres * densityAt20(read.brix) * read.brix) / 100;
}

/**
 * The mark on the ruler to reduce to: depth in mm at which so many grams of solids stand at a °Bx, hot.
 * @throws RangeError where that is more than the pan holds
 * @example depthAtBrix(pan, 353.43, 10, 20) // 48.16
 */
export function depthAtBrix(shape: VesselShape, solidsGrams: number, brix: number, celsius: number): number {
  return depthAtVolume(shape, ((100 * solidsGrams) / brix / densityAt20(brix)) * swellingAt(celsius));
}
