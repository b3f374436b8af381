const DAY = 86_400_000;

/** Whole days between two calendar days. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(to) - Date.parse(from)) / DAY);
