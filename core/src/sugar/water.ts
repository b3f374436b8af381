/**
 * Density of water in g/mL, 0–100 °C. Source: Kell (1975).
 * @example waterDensity(20) // 0.9982
 */
export function waterDensity(celsius: number): number {
  if (!(celsius >= 0 && celsius <= 110)) throw new RangeError(`${celsius} °C is outside 0 to 110`);
  const t = celsius;
  const top =
    999.83952 +
    16.945176 * t -
    7.9870401e-3 * t ** 2 -
    46.170461e-6 * t ** 3 +
    105.56302e-9 * t ** 4 -
    280.54253e-12 * t ** 5;
  return top / (1 + 16.87985e-3 * t) / 1000;
}
