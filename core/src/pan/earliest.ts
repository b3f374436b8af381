/** Longest time looked ahead, s: eleven days of boiling are none. */
const LONGEST = 1e6;

/** The earliest time in s at which something holds that then goes on holding; Infinity where it does not within eleven days. */
export function earliest(holds: (seconds: number) => boolean): number {
  let high = 30;
  while (!holds(high)) {
    high *= 2;
    if (high > LONGEST) return Number.POSITIVE_INFINITY;
  }
  let low = 0;
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (holds(middle)) high = middle;
    else low = middle;
  }
  return high;
}
