import { contraction, ETHANOL_DENSITY, spiritParts, WATER_DENSITY } from './spirit.ts';

/**
 * Alcohol by volume of a blend at 20 °C, with the contraction of spirit and water on mixing.
 * @param blend.parts mL and % ABV (0–100) of each part; what has no alcohol counts as water; @returns % ABV
 * @throws RangeError where nothing is blended or a part is out of range. Source: OIML R 22, International Alcoholometric Tables.
 * @example alcoholByVolume({ parts: [{ ml: 500, abv: 96 }, { ml: 500, abv: 0 }] }) // 49.5
 */
export function alcoholByVolume(blend: { parts: readonly { ml: number; abv: number }[] }): number {
  let [ethanol, water] = [0, 0];
  for (const part of blend.parts) {
    if (!(part.ml >= 0 && part.ml < Number.POSITIVE_INFINITY) || !(part.abv >= 0 && part.abv <= 100))
      throw new RangeError(`${part.ml} mL at ${part.abv} % ABV cannot be blended`);
    const parts = spiritParts(part);
    ethanol += parts.ethanol;
    water += parts.water;
  }
  if (ethanol + water === 0) throw new RangeError('Nothing to blend');
  const spirit = ethanol / ETHANOL_DENSITY;
  return (100 * spirit) / (spirit + water / WATER_DENSITY - contraction(ethanol, water));
}

/** Share of alcohol left after simmering, by minutes: stirred into something hot, then 15 min to 2½ h. */
const LEFT: readonly (readonly [number, number])[] = [
  [0, 0.85],
  [15, 0.4],
  [30, 0.35],
  [60, 0.25],
  [90, 0.2],
  [120, 0.1],
  [150, 0.05],
];

function leftAfter(minutes: number): number {
  const above = LEFT.findIndex(([m]) => m >= minutes);
  if (above === -1) return LEFT.at(-1)![1];
  if (above === 0) return LEFT[0]![1];
  const [[m0, s0], [m1, s1]] = [LEFT[above - 1]!, LEFT[above]!];
  return s0 + ((minutes - m0) / (m1 - m0)) * (s1 - s0);
}

/**
 * Share of the alcohol that stays in a simmering pan, with its range: a pan's width and lid matter as much as the clock.
 * @param minutes at the simmer, 0 or more; @returns middle, and the ends read at twice and at half the time, 0–1
 * @throws RangeError on a negative time. Source: USDA Table of Nutrient Retention Factors, release 6 (2007); Augustin et al. (1992), 4–85 %.
 * @example alcoholLeft(15).middle // 0.4
 */
export function alcoholLeft(minutes: number): { middle: number; low: number; high: number } {
  if (!(minutes >= 0)) throw new RangeError(`${minutes} minutes is not a time`);
  return {
    middle: leftAfter(minutes),
    low: Math.max(0.04, leftAfter(2 * minutes) - 0.05),
    high: Math.min(0.95, leftAfter(minutes / 2) + 0.05),
  };
}
