/**
 * Heat capacity of a sugar solution, J/gK, as a straight line between water and thick syrup.
 * @param brix 0–85; throws RangeError outside
 * Source: linear in °Bx after Bubnik & Kadlec, 20–100 °C.
 * @example heatCapacity(0) // 4.19
 */
export function heatCapacity(brix: number): number {
  if (!(brix >= 0 && brix <= 85)) throw new RangeError(`A strength of ${brix} °Bx is outside 0 to 85`);
  return 4.187 - 0.0297 * brix * 0.87;
}
