/**
 * Air pressure in kPa of the standard atmosphere. @param elevationMetres −400 to 5,000; throws RangeError outside. Source: ICAO standard atmosphere.
 * @example airPressure(0) // 101.325
 */
export function airPressure(elevationMetres: number): number {
  if (!(elevationMetres >= -400 && elevationMetres <= 5000))
    throw new RangeError(`An elevation of ${elevationMetres} m is outside −400 to 5,000`);
  return 101.325 * (1 - 2.25577e-5 * elevationMetres) ** 5.25588;
}

const KPA_TO_MMHG = 7.50061683;

/**
 * Temperature in °C at which water's vapour pressure is `kPa`, over 0. Source: Antoine equation for water, 1–100 °C, carried on to 120.
 * @example saturationTemperature(101.325) // 100.0
 */
export const saturationTemperature = (kPa: number): number =>
  1730.63 / (8.07131 - Math.log10(kPa * KPA_TO_MMHG)) - 233.426;

/**
 * Vapour pressure of water in kPa at a temperature in °C, 1–120. Source: Antoine equation for water.
 * @example vapourPressure(100) // 101.3
 */
export const vapourPressure = (celsius: number): number =>
  10 ** (8.07131 - 1730.63 / (celsius + 233.426)) / KPA_TO_MMHG;

/**
 * Temperature at which water boils at an elevation, °C.
 * @param elevationMetres −400 to 5,000; throws RangeError outside. Source: ICAO standard atmosphere; Antoine equation for water, 1–100 °C.
 * @example boilingPointOfWater(0) // 100
 */
export const boilingPointOfWater = (elevationMetres: number): number =>
  saturationTemperature(airPressure(elevationMetres));
