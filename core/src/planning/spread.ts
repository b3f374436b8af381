/** Figures of past lots as a distribution: how many, the middle, and where most of them lie. */
export interface PastSpread {
  count: number;
  low: number;
  middle: number;
  high: number;
  /** Each figure, the newest last. */
  values: readonly number[];
}

/** The share of a sorted list under a figure, between two of them in proportion. */
function quantile(sorted: readonly number[], share: number): number {
  const at = share * (sorted.length - 1);
  const [below, above] = [sorted[Math.floor(at)]!, sorted[Math.ceil(at)]!];
  return below + (above - below) * (at - Math.floor(at));
}

/**
 * Distribution of some figures: the median, and the tenth and ninetieth of a hundred; with under five of them the least and the most.
 * @param values in any one unit, oldest first; @returns null where there are none
 * @example spreadOf([2, 4, 9]) // { count: 3, low: 2, middle: 4, high: 9 }
 */
export function spreadOf(values: readonly number[]): PastSpread | null {
  if (values.length === 0) return null;
  const sorted = [...values].sort((a, b) => a - b);
  const few = sorted.length < 5;
  return {
    count: values.length,
    low: few ? sorted[0]! : quantile(sorted, 0.1),
    middle: quantile(sorted, 0.5),
    high: few ? sorted.at(-1)! : quantile(sorted, 0.9),
    values: [...values],
  };
}
