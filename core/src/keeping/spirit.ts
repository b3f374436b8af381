/** Density of ethanol and water at 20 °C, g/mL, by % ethanol by weight in steps of 5 (OIML R 22; CRC Handbook). */
const DENSITIES = [
  0.9982, 0.98938, 0.98187, 0.97514, 0.96864, 0.96168, 0.95382, 0.94494, 0.93518, 0.92472, 0.91384, 0.90258,
  0.89113, 0.87948, 0.86766, 0.85564, 0.84344, 0.83095, 0.81797, 0.80424, 0.78924,
] as const;
const STEP = 5;

/** Density of ethanol at 20 °C, g/mL. */
export const ETHANOL_DENSITY = DENSITIES[DENSITIES.length - 1]!;
export const WATER_DENSITY = DENSITIES[0];

/** Slope of the table at one of its rows, g/mL a row: the line through its neighbours. */
const slopeAt = (i: number): number =>
  i === 0
    ? DENSITIES[1]! - DENSITIES[0]!
    : i === DENSITIES.length - 1
      ? DENSITIES[i]! - DENSITIES[i - 1]!
      : (DENSITIES[i + 1]! - DENSITIES[i - 1]!) / 2;

/** Density in g/mL at 20 °C of so much ethanol by weight, 0–100 %: a cubic between the rows. */
function densityOf(percentByWeight: number): number {
  const at = Math.min(DENSITIES.length - 2, Math.floor(percentByWeight / STEP));
  const t = percentByWeight / STEP - at;
  const [from, to] = [DENSITIES[at]!, DENSITIES[at + 1]!];
  return (
    from * (1 + 2 * t) * (1 - t) ** 2 +
    slopeAt(at) * t * (1 - t) ** 2 +
    to * t * t * (3 - 2 * t) +
    slopeAt(at + 1) * t * t * (t - 1)
  );
}

/**
 * How much smaller a mixture of ethanol and water is than the two apart, mL at 20 °C; sugar in it changes that little and is left aside.
 * @param ethanol g; @param water g; both 0 or more
 * @returns mL. Source: OIML R 22, International Alcoholometric Tables.
 * @example contraction(394.6, 499.1) // 35
 */
export function contraction(ethanol: number, water: number): number {
  if (!(ethanol > 0 && water > 0)) return 0;
  const grams = ethanol + water;
  const mixed = grams / densityOf((100 * ethanol) / grams);
  return Math.max(0, ethanol / ETHANOL_DENSITY + water / WATER_DENSITY - mixed);
}

/**
 * Grams of ethanol and of water in a spirit: its strength by volume already has the contraction in it.
 * @param part mL, and % by volume 0–100
 * @example spiritParts({ ml: 100, abv: 40 }).ethanol // 31.6
 */
export function spiritParts(part: { ml: number; abv: number }): { ethanol: number; water: number } {
  const ethanol = (part.ml * part.abv * ETHANOL_DENSITY) / 100;
  // Water such that the two of them, mixed, come to the volume: contraction grows with it, so a bisection finds it.
  let [low, high] = [0, 1.2 * part.ml];
  for (let i = 0; i < 60; i++) {
    const water = (low + high) / 2;
    const ml = ethanol / ETHANOL_DENSITY + water / WATER_DENSITY - contraction(ethanol, water);
    if (ml < part.ml) low = water;
    else high = water;
  }
  return { ethanol, water: (low + high) / 2 };
}
