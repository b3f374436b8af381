import { z } from 'zod';
import { student95 } from '../formula/index.ts';

/** A figure of one lot at an age. */
export const Aged = z.object({
  lot: z.string(),
  /** Months since it was filled. */
  months: z.number(),
  value: z.number(),
});
export type Aged = z.infer<typeof Aged>;

/** How a figure of a formula's lots moves with age. */
export const Drift = z.object({
  /** Change a month, with its 90 % interval. */
  perMonth: z.number(),
  low: z.number(),
  high: z.number(),
  lots: z.number().int(),
  count: z.number().int(),
  /** Spread about the lines, as one standard deviation. */
  spread: z.number(),
});
export type Drift = z.infer<typeof Drift>;

/**
 * Drift of a figure with age, by one regression with a slope for all lots and a level for each: lots differ in where they begin, and a
 * kitchen has too few of them for the spread of their levels to be estimated, as a mixed model would. Null where nothing moves in age.
 * @param points value at an age in months; at least two ages in one lot, and one more point than there are lots and a slope
 * @returns change a month with its 90 % interval by Student's t
 * @example driftOf([{ lot: 'a', months: 0, value: 3 }, { lot: 'a', months: 6, value: 3.06 }, { lot: 'a', months: 12, value: 3.12 }]).perMonth // 0.01
 */
export function driftOf(points: readonly Aged[]): Drift | null {
  const lots = [...new Set(points.map((p) => p.lot))];
  const means = new Map(
    lots.map((lot) => {
      const own = points.filter((p) => p.lot === lot);
      const mean = (of: (p: Aged) => number) => own.reduce((sum, p) => sum + of(p), 0) / own.length;
      return [lot, { months: mean((p) => p.months), value: mean((p) => p.value) }];
    }),
  );
  const off = points.map((p) => {
    const mean = means.get(p.lot)!;
    return { x: p.months - mean.months, y: p.value - mean.value };
  });
  const sxx = off.reduce((sum, { x }) => sum + x * x, 0);
  const freedom = points.length - lots.length - 1;
  if (sxx <= 1e-9 || freedom < 1) return null;
  const perMonth = off.reduce((sum, { x, y }) => sum + x * y, 0) / sxx;
  const residual = off.reduce((sum, { x, y }) => sum + (y - perMonth * x) ** 2, 0) / freedom;
  const half = student95(freedom) * Math.sqrt(residual / sxx);
  return {
    perMonth,
    low: perMonth - half,
    high: perMonth + half,
    lots: lots.length,
    count: points.length,
    spread: Math.sqrt(residual),
  };
}
