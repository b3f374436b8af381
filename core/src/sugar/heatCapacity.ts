/**
 * Heat capacity of a pure sucrose solution, J/gK: falls with its strength, rises with its temperature.
 * @param brix 0–85; @param celsius 0–130; throws RangeError outside
 * Source: Bubnik & Kadlec, Sugar Technologists Manual (1995), 4.1868 − 0.0297 B + 4.6e-5 B P + 7.5e-5 B t at purity P of 100.
 * @example heatCapacity(60, 20) // 2.77
 */
export function heatCapacity(brix: number, celsius = 20): number {
  if (!(brix >= 0 && brix <= 85)) throw new RangeError(`A strength of ${brix} °Bx is outside 0 to 85`);
  if (!(celsius >= 0 && celsius <= 130))
    throw new RangeError(`A temperature of ${celsius} °C is outside 0 to 130`);
  return 4.1868 - 0.0297 * brix + 0.0046 * brix + 7.5e-5 * brix * celsius;
}
