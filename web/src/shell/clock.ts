/** Seconds to show now: counted on from what the server said then, so that a reload changes nothing. */
export function shownSeconds(
  clock: { elapsedSeconds: number; leftSeconds: number | null },
  saidAt: string,
  now: string,
): number {
  const since = (Date.parse(now) - Date.parse(saidAt)) / 1000;
  return clock.leftSeconds === null ? clock.elapsedSeconds + since : clock.leftSeconds - since;
}
