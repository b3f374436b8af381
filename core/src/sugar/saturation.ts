/**
 * Sucrose in a saturated solution in water, % w/w. @param celsius 0–90 °C; throws RangeError outside. Source: Charles (1960).
 * @example sucroseSaturation(20) // 66.6
 */
export function sucroseSaturation(celsius: number): number {
  if (!(celsius >= 0 && celsius <= 90)) throw new RangeError(`${celsius} °C is outside 0 to 90`);
  return 64.397 + 0.07251 * celsius + 0.0020569 * celsius ** 2 - 9.035e-6 * celsius ** 3;
}

/**
 * Sucrose per g of water over what water alone would hold at a temperature in °C: over 1 it may grain.
 * @example sucroseSupersaturation({ sucrose: 66.6, water: 33.4 }, 20) // 1.00
 */
export function sucroseSupersaturation(grams: { sucrose: number; water: number }, celsius: number): number {
  if (!(grams.water > 0)) throw new RangeError('Saturation needs some water');
  const full = sucroseSaturation(celsius);
  return grams.sucrose / grams.water / (full / (100 - full));
}
