/** Seconds to its mark of a step that goes by its pan, counted on from what the server said then; null for one that goes by its clock. */
export function shownMark(
  clock: { mark: { low: number; high: number | null } | null },
  saidAt: string,
  now: string,
): { low: number; high: number | null } | null {
  if (!clock.mark) return null;
  const since = (Date.parse(now) - Date.parse(saidAt)) / 1000;
  const { low, high } = clock.mark;
  return { low: low - since, high: high === null ? null : high - since };
}

/** Seconds to show now: counted on from what the server said then, so that a reload changes nothing. */
export function shownSeconds(
  clock: { elapsedSeconds: number; leftSeconds: number | null },
  saidAt: string,
  now: string,
): number {
  const since = (Date.parse(now) - Date.parse(saidAt)) / 1000;
  return clock.leftSeconds === null ? clock.elapsedSeconds + since : clock.leftSeconds - since;
}
