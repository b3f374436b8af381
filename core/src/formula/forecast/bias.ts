import { z } from 'zod';
/** A figure as it was forecast for a lot, and as it was measured. */
export const Pair = z.object({ forecast: z.number(), measured: z.number() });
export type Pair = z.infer<typeof Pair>;

/** How far measured lies from forecast on the average, with the 90 % interval of that average. */
export interface Bias {
  count: number;
  mean: number;
  low: number;
  high: number;
}

/** Lots from which on the centre of a forecast follows them. */
export const LEARNS_FROM = 10;

/** Student's t at 0.95 for 1 to 30 degrees of freedom (any table of it); beyond, the normal's. */
const T95 = [
  6.314, 2.92, 2.353, 2.132, 2.015, 1.943, 1.895, 1.86, 1.833, 1.812, 1.796, 1.782, 1.771, 1.761, 1.753,
  1.746, 1.74, 1.734, 1.729, 1.725, 1.721, 1.717, 1.714, 1.711, 1.708, 1.706, 1.703, 1.701, 1.699, 1.697,
];

/**
 * Student's t at 0.95, for the 90 % interval of an estimate. @param freedom degrees of freedom, 1 or more
 * @example student95(1) // 6.314
 */
export const student95 = (freedom: number): number => T95[freedom - 1] ?? 1.66;

/**
 * Mean of measured less forecast, and its 90 % interval by Student's t; null under two pairs, which show no spread.
 * @example biasOf([{ forecast: 3, measured: 3.1 }, { forecast: 3.2, measured: 3.3 }]).mean // 0.1
 */
export function biasOf(pairs: readonly Pair[]): Bias | null {
  const n = pairs.length;
  if (n < 2) return null;
  const off = pairs.map((pair) => pair.measured - pair.forecast);
  const mean = off.reduce((sum, x) => sum + x, 0) / n;
  const variance = off.reduce((sum, x) => sum + (x - mean) ** 2, 0) / (n - 1);
  const half = student95(n - 1) * Math.sqrt(variance / n);
  return { count: n, mean, low: mean - half, high: mean + half };
}

/**
 * By how much the centre of a forecast follows the kitchen's own lots: their bias, once there are ten of them. The band goes along, and is
 * never narrowed.
 * @example centreShift({ count: 4, mean: 0.2, low: 0.1, high: 0.3 }) // 0
 */
export const centreShift = (bias: Bias | null | undefined): number =>
  bias && bias.count >= LEARNS_FROM ? bias.mean : 0;
