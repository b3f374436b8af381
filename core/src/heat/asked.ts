/** Minutes at 93.3 °C, z 8.9 °C, that acid products are asked for, by pH; a boundary takes the stricter row. */
const ROWS: readonly { under: number; minutes: number }[] = [
  { under: 3.9, minutes: 0.1 },
  { under: 4.1, minutes: 1 },
  { under: 4.2, minutes: 2.5 },
  { under: 4.3, minutes: 5 },
  { under: 4.4, minutes: 10 },
  { under: 4.5, minutes: 20 },
];

/**
 * Lethality that canning tables ask of an acid product, in minutes at 93.3 °C (z 8.9 °C). A cross-check of a recorded process, never a process.
 * @param ph 1–14, measured; throws RangeError outside; @returns minutes, or null from pH 4.5 on, where none applies
 * @example minutesAsked(3.4) // 0.1
 */
export function minutesAsked(ph: number): number | null {
  if (!(ph >= 1 && ph <= 14)) throw new RangeError(`A pH of ${ph} is outside 1 to 14`);
  return ROWS.find((row) => ph < row.under)?.minutes ?? null;
}
